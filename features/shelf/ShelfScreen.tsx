import { useState } from 'react';
import { View } from 'react-native';
import Svg, { Line } from '@/ui/svg';
import { kinds, propKinds, type PropKind } from '@/core/props/kinds';
import { stateName, type ShelfItem } from '@/core/props/shelf';
import { starterShelf, usualItem } from '@/core/props/usualShelves';
import { edit, editFields, put } from '@/store/facts';
import { selectSettings, selectOwnShelf } from '@/store/selectors';
import { commit, recordNow } from '@/store/store';
import { length, type Units } from '@/ui/format';
import { PropPiece } from '@/ui/figure/PropPiece';
import { Chips, Press } from '@/ui/Press';
import { Screen } from '@/ui/Screen';
import { Sheet } from '@/ui/Sheet';
import { tone } from '@/ui/tones';
import { Aside, Title, Words } from '@/ui/Words';
import { freshId, useOjas, useOjasDispatch, useUnits } from '../hooks';
import { useWide } from '../shell/Shell';
import { ItemForm } from '../forms/ItemForm';
import { Ladders } from './Ladders';
import { Places } from './Places';

/** What there is, how many, and how high each thing stands. */
export function ShelfScreen() {
  const shelf = useOjas(selectOwnShelf);
  const { place } = useOjas(selectSettings);
  const units = useUnits();
  const wide = useWide();
  const dispatch = useOjasDispatch();
  /** The item as it was when its form was opened. */
  const [editing, setEditing] = useState<ShelfItem | null>(null);
  const [adding, setAdding] = useState(false);
  const keep = async (item: ShelfItem) => {
    const outcome = await dispatch(
      commit({
        words: `${item.name} kept`,
        put: [],
        edit: [editFields('shelf', editing ?? item, item)],
        remove: [],
      }),
    );
    // Refused for a change made elsewhere: what it says by now is what the next save starts from.
    setEditing(outcome.ok ? null : (dispatch(recordNow('shelf', item.id)) ?? null));
  };
  const add = (kind: PropKind) => {
    const item = { ...usualItem(freshId(kind), kind, kinds[kind].name, 1), ...at(place) };
    setAdding(false);
    void dispatch(
      commit({ words: `${item.name} added`, put: [put('shelf', item)], remove: [] }),
    ).then((outcome) => outcome.ok && setEditing(item));
  };
  const duplicate = (item: ShelfItem) => {
    const copy = { ...item, id: freshId(item.kind), name: `${item.name}, another kind` };
    void dispatch(
      commit({ words: `${copy.name} added`, put: [put('shelf', copy)], remove: [] }),
    ).then((outcome) => outcome.ok && setEditing(copy));
  };
  const remove = (item: ShelfItem) =>
    dispatch(
      commit({
        words: `${item.name} taken off the shelf`,
        put: [],
        remove: [{ kind: 'shelf', id: item.id }],
      }),
    );
  return (
    <Screen
      title="Shelf"
      wide
      beside={
        <Press kind="main" aria-expanded={adding} onPress={() => setAdding(!adding)}>
          Add a prop
        </Press>
      }
    >
      <Words>
        Heights are as things lie unloaded. Sit on a thing and tape it once, and that number wins
        over any reckoning.
      </Words>
      {adding ? (
        <Sheet>
          <Chips
            label="Kind of prop"
            options={propKinds.map((kind) => ({ id: kind, words: kinds[kind].name }))}
            chosen={null}
            onChoose={add}
          />
        </Sheet>
      ) : null}
      <Places />
      {shelf.length === 0 ? <EmptyShelf place={place} /> : null}
      {shelf.length > 0 ? <Ladders shelf={shelf} units={units} /> : null}
      <View className={wide ? 'flex-row flex-wrap gap-4' : 'gap-4'}>
        {shelf.map((item) => (
          <Sheet
            key={item.id}
            role="article"
            aria-label={item.name}
            className={wide ? 'min-w-[380px] flex-1' : ''}
          >
            <View className="flex-row flex-wrap items-baseline justify-between gap-2">
              <Title level={2}>{item.name}</Title>
              <HowMany item={item} />
            </View>
            {editing?.id === item.id ? (
              <ItemForm item={editing} units={units} onKeep={keep} />
            ) : (
              <Item item={item} units={units} />
            )}
            <View className="flex-row flex-wrap gap-2">
              <Press aria-label={`Another kind of ${item.name}`} onPress={() => duplicate(item)}>
                Another kind of it
              </Press>
              <Press
                aria-label={
                  editing?.id === item.id ? `Leave ${item.name} as it was` : `Change ${item.name}`
                }
                onPress={() => setEditing(editing?.id === item.id ? null : item)}
              >
                {editing?.id === item.id ? 'Leave as it was' : 'Change'}
              </Press>
              <Press
                kind="quiet"
                aria-label={`Take ${item.name} off the shelf`}
                onPress={() => remove(item)}
              >
                Take off the shelf
              </Press>
            </View>
          </Sheet>
        ))}
      </View>
    </Screen>
  );
}

/** As many of one thing as a shelf names. */
const MOST_OF_ONE = 500;

/** How many of a thing there are, one more or one less by a tap. */
function HowMany({ item: { id, name, count } }: { readonly item: ShelfItem }) {
  const dispatch = useOjasDispatch();
  const countTo = (to: number) =>
    dispatch(
      commit({
        words: `${name}: ${to}`,
        put: [],
        edit: [edit('shelf', id, (now) => ({ ...now, count: to }))],
        remove: [],
      }),
    );
  return (
    <View className="flex-row items-center gap-2">
      <Press
        aria-label={`One ${name} less`}
        disabled={count <= 1}
        onPress={() => countTo(count - 1)}
      >
        −
      </Press>
      <Words className="text-lg">× {count}</Words>
      <Press
        aria-label={`One ${name} more`}
        disabled={count >= MOST_OF_ONE}
        onPress={() => countTo(count + 1)}
      >
        +
      </Press>
    </View>
  );
}

/** Where to begin: what a small studio usually has. */
function EmptyShelf({ place }: { readonly place: string | undefined }) {
  const dispatch = useOjasDispatch();
  const start = () =>
    dispatch(
      commit({
        words: 'A usual shelf to begin with',
        put: starterShelf.map((item) =>
          put('shelf', place ? { ...item, id: freshId(item.kind), place } : item),
        ),
        remove: [],
      }),
    );
  return (
    <Sheet>
      <Words>
        The shelf is empty. Begin with what a small studio usually has, then put in your own counts
        and heights.
      </Words>
      <Press kind="main" onPress={start}>
        Begin with a usual shelf
      </Press>
    </Sheet>
  );
}

/** On the shelf that is used now. */
const at = (place: string | undefined) => (place ? { place } : {});

const PICTURE_HEIGHT_CM = 26;
const EACH_CM = 34;

function Item({ item, units }: { readonly item: ShelfItem; readonly units: Units }) {
  const drawn = item.states.filter(({ heightCm }) => heightCm > 0);
  const tallest = Math.max(...drawn.map(({ heightCm }) => heightCm), 1);
  const size = Math.min(1, PICTURE_HEIGHT_CM / tallest);
  return (
    <View className="gap-2">
      {drawn.length > 0 ? (
        <Svg
          width="100%"
          height={92}
          viewBox={`0 ${-PICTURE_HEIGHT_CM - 2} ${Math.max(4, drawn.length) * EACH_CM} ${PICTURE_HEIGHT_CM + 4}`}
          preserveAspectRatio="xMinYMax meet"
          aria-hidden
        >
          <Line
            x1={0}
            x2={Math.max(4, drawn.length) * EACH_CM}
            y1={0}
            y2={0}
            stroke={tone('ink')}
            strokeWidth={0.6}
          />
          {drawn.map((state, i) => (
            <PropPiece
              key={state.id}
              kind={item.kind}
              state={state.id}
              xCm={(i + 0.5) * EACH_CM}
              bottomCm={0}
              topCm={state.heightCm * size}
              mostWidthCm={EACH_CM - 4}
              line={0.5}
            />
          ))}
        </Svg>
      ) : null}
      <Words>
        {drawn
          .map(
            (state) =>
              `${stateName(item, state.id)} ${length(state.heightCm, units)}${state.loadedCm === undefined ? '' : ` (${length(state.loadedCm, units)} sat on)`}`,
          )
          .join(' · ') || 'measured by its length'}
      </Words>
      {item.softness > 0 ? (
        <Aside>loses {Math.round(item.softness * 100)} % of its height under a seated adult</Aside>
      ) : null}
    </View>
  );
}
