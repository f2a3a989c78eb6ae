import { View } from 'react-native';
import { shelfAtHome } from '@/core/advise/instead';
import { homeShelf } from '@/core/props/usualShelves';
import type { ShelfItem } from '@/core/props/shelf';
import { edit } from '@/store/facts';
import { commit } from '@/store/store';
import { Press } from '@/ui/Press';
import { Screen } from '@/ui/Screen';
import { Sheet } from '@/ui/Sheet';
import { Aside, Words } from '@/ui/Words';
import { useOjasDispatch, usePerson } from '../hooks';
import { NoStudent } from '../students/NoStudent';

const MOST_OF_ONE = 12;

/** What a student has at home, counted: books, towels, cushions, a stool, a belt. */
export function HomeScreen({ id }: { readonly id: string }) {
  const person = usePerson(id);
  const dispatch = useOjasDispatch();
  if (!person) return <NoStudent />;
  const noted = person.home.length > 0;
  const owned = shelfAtHome(person);
  const items = [
    ...homeShelf.map((item) => owned.find((one) => one.id === item.id) ?? { ...item, count: 0 }),
    ...owned.filter((one) => !homeShelf.some((item) => item.id === one.id)),
  ];
  const set = (words: string, home: readonly ShelfItem[]) =>
    dispatch(
      commit({
        words: `${person.name}: ${words}`,
        put: [],
        remove: [],
        edit: [
          edit('people', id, (now) => ({
            ...now,
            home: home.map((item) => ({ ...item, states: [...item.states] })),
          })),
        ],
      }),
    );
  const count = (item: ShelfItem, by: number) =>
    set(
      `${item.name} at home: ${item.count + by}`,
      items.map((one) => (one === item ? { ...one, count: one.count + by } : one)),
    );
  return (
    <Screen title={`At home: ${person.name}`}>
      <Words>
        {noted
          ? 'Home builds are made of this.'
          : 'Nothing is noted yet: home builds take what is found in most flats, as counted here.'}
      </Words>
      <Sheet>
        {items.map((item) => (
          <View key={item.id} className="flex-row flex-wrap items-center justify-between gap-2">
            <Words className="text-lg">
              <Words className="text-lg font-semibold">{item.count} </Words>
              {item.name}
            </Words>
            <View className="flex-row gap-2">
              <Press
                aria-label={`${item.name}: one less`}
                disabled={item.count === 0}
                onPress={() => count(item, -1)}
              >
                −
              </Press>
              <Press
                aria-label={`${item.name}: one more`}
                disabled={item.count >= MOST_OF_ONE}
                onPress={() => count(item, 1)}
              >
                +
              </Press>
            </View>
          </View>
        ))}
      </Sheet>
      {noted ? (
        <Press onPress={() => set('what is at home is not noted any more', [])}>
          As in most flats
        </Press>
      ) : null}
      <Aside>
        Books lie flat and wrapped in a towel, never in a wobbling tower; nothing on wheels carries
        anybody.
      </Aside>
    </Screen>
  );
}
