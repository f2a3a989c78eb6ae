import { Link } from 'expo-router';
import { View } from 'react-native';
import type { Person, Practice } from '@/core/formats/book';
import { commit } from '@/store/store';
import { Press } from '@/ui/Press';
import { Sheet } from '@/ui/Sheet';
import { Title, Words } from '@/ui/Words';
import { useOjasDispatch } from '../hooks';
import { doneWords } from '../sheets/phone/doneWords';

const AT_FIRST = 8;

interface AtHomeProps {
  readonly person: Person;
  /** Oldest first. */
  readonly practices: readonly Practice[];
}

/** What a student said that they did at home, the latest first. */
export function AtHome({ person, practices }: AtHomeProps) {
  const dispatch = useOjasDispatch();
  const takeOut = () =>
    void dispatch(
      commit({
        words: `${person.name}: what was done at home taken out`,
        put: [],
        remove: practices.map(({ id }) => ({ kind: 'practices', id })),
      }),
    );
  const latest = practices.slice(-AT_FIRST).reverse();
  return (
    <Sheet role="region" aria-label="At home">
      <Title level={2}>At home</Title>
      {latest.map((one) => (
        <Words key={one.id} className={one.felt === 'pain' ? 'text-rust' : ''}>
          {doneWords(one)}
        </Words>
      ))}
      {practices.length > latest.length ? (
        <Words>And {practices.length - latest.length} times before.</Words>
      ) : null}
      {practices.length === 0 ? (
        <Words>Nothing came back yet from a sheet on their own phone.</Words>
      ) : null}
      <View className="flex-row flex-wrap gap-2 print:hidden">
        <Link href={'/done-at-home' as '/students'} asChild>
          <Press>Take in from their phone</Press>
        </Link>
        {practices.length > 0 ? <Press onPress={takeOut}>Take all of it out</Press> : null}
      </View>
    </Sheet>
  );
}
