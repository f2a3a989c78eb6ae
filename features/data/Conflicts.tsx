import { View } from 'react-native';
import type { Fact } from '@/core/formats/facts';
import { poseName } from '@/core/poses/poses';
import {
  differences,
  factKey,
  partKey,
  type Chosen,
  type Conflict,
  type Merge,
} from '@/store/merge';
import { date } from '@/ui/format';
import { Chips, Tick } from '@/ui/Press';
import { Aside, Title, Words } from '@/ui/Words';
import { rangeName } from '@/ui/words/words';
import { useFirst } from './useFirst';

interface AskedProps {
  readonly merge: Merge;
  readonly chosen: Chosen;
  readonly onChoose: (chosen: Chosen) => void;
}

/** What an import asks: fields that both sides changed, records that one side removed. */
export function Asked({ merge, chosen, onChoose }: AskedProps) {
  const { conflicts, removedHere, removedThere } = merge;
  const first = useFirst(conflicts);
  const toggled = (set: ReadonlySet<string>, key: string): ReadonlySet<string> =>
    new Set(set.has(key) ? [...set].filter((one) => one !== key) : [...set, key]);
  return (
    <>
      {first.shown.map((conflict) => (
        <OneConflict
          key={factKey(conflict.fact)}
          conflict={conflict}
          chosen={chosen}
          onChoose={(part, whose) =>
            onChoose({
              ...chosen,
              parts: { ...chosen.parts, [partKey(conflict.fact, part)]: whose },
            })
          }
        />
      ))}
      {first.rest}
      <Removed
        title="Removed here, still in the backup"
        hint="Ticked, it comes back, with what is theirs."
        records={removedHere}
        ticked={chosen.back}
        onToggle={(key) => onChoose({ ...chosen, back: toggled(chosen.back, key) })}
      />
      <Removed
        title="Removed there, still here"
        hint="Ticked, it is removed here too, with what is theirs."
        records={removedThere}
        ticked={chosen.go}
        onToggle={(key) => onChoose({ ...chosen, go: toggled(chosen.go, key) })}
      />
    </>
  );
}

interface OneConflictProps {
  readonly conflict: Conflict;
  readonly chosen: Chosen;
  readonly onChoose: (part: string, whose: 'here' | 'there') => void;
}

/** A record whose fields both sides changed: each with both values, to choose from. */
function OneConflict({ conflict: { fact, here, clashing }, chosen, onChoose }: OneConflictProps) {
  const title = titleOf({ ...fact, record: here } as Fact);
  const { shown, rest } = useFirst(clashing);
  return (
    <View className="gap-2 border-l-4 border-tape pl-3">
      <Words className="font-semibold">{title}</Words>
      {shown.map((one) => (
        <View key={one.part} className="gap-1">
          {differences(one).map(({ field, here, there }) => (
            <Words key={field}>
              {field}: {here} here, {there} in the backup
            </Words>
          ))}
          <Chips
            label={`${title}, ${differences(one)[0]?.field ?? one.part}: which stands`}
            options={[
              { id: 'here', words: 'As here' },
              { id: 'there', words: 'As in the backup' },
            ]}
            chosen={chosen.parts[partKey(fact, one.part)] ?? 'here'}
            onChoose={(whose) => onChoose(one.part, whose)}
          />
        </View>
      ))}
      {rest}
    </View>
  );
}

interface RemovedProps {
  readonly title: string;
  readonly hint: string;
  readonly records: readonly { readonly fact: Fact; readonly at: string }[];
  readonly ticked: ReadonlySet<string>;
  readonly onToggle: (key: string) => void;
}

function Removed({ title, hint, records, ticked, onToggle }: RemovedProps) {
  const { shown, rest } = useFirst(records);
  if (records.length === 0) return null;
  return (
    <View className="gap-1 border-l-4 border-tape pl-3" role="group" aria-label={title}>
      <Title level={3}>{title}</Title>
      {shown.map(({ fact, at }) => (
        <Tick
          key={factKey(fact)}
          checked={ticked.has(factKey(fact))}
          onToggle={() => onToggle(factKey(fact))}
        >
          {`${titleOf(fact)}, removed on ${date(at)}`}
        </Tick>
      ))}
      {rest}
      <Aside>{hint}</Aside>
    </View>
  );
}

/** A record as a teacher would call it. */
function titleOf({ kind, id, record }: Fact): string {
  if (kind === 'people' || kind === 'shelf') return record.name;
  if (kind === 'readings') return `${rangeName(record.range)}, ${date(record.at)}`;
  if (kind === 'sessions') return `Session of ${date(record.at)}`;
  if (kind === 'practices') return `${poseName(record.pose)} at home, ${date(record.at)}`;
  if (kind === 'visits') return `Visit on ${date(record.on)}`;
  if (kind === 'classes') return record.name ?? 'Class';
  return kind === 'settings' ? 'Settings' : `${kind}: ${id}`;
}
