import { Link } from 'expo-router';
import { useState } from 'react';
import { Pressable, View } from 'react-native';
import type { Estimates, RangeEstimate } from '@/core/estimate/estimate';
import type { Reading } from '@/core/formats/book';
import { keysOf, rangeIds, ranges, type RangeId, type Side } from '@/core/ranges/ranges';
import { protocolsOf } from '@/core/ranges/protocols';
import { put } from '@/store/facts';
import { selectReadingsOf } from '@/store/selectors';
import { commit } from '@/store/store';
import { date, length, withDoubt } from '@/ui/format';
import { Press } from '@/ui/Press';
import { Screen } from '@/ui/Screen';
import { Sheet } from '@/ui/Sheet';
import { Aside, Title, Words } from '@/ui/Words';
import { freshId, nowIso, useEstimates, useOjas, useOjasDispatch, usePerson, usePlan, useUnits } from '../hooks';
import { StudentTabs } from '../students/StudentTabs';
import { ReadingEntry, type ReadingFields } from './ReadingEntry';
import { NoStudent } from '../students/NoStudent';

const measurable = rangeIds.filter((id) => protocolsOf(id).length > 0);

/** What is known of a range on a side, short. */
const known = (estimate: RangeEstimate | undefined) =>
  estimate === undefined ? '' : `${ranges[estimate.key.split(':')[0] as RangeId].unit === 'deg' ? withDoubt(estimate.mean, estimate.sd) : estimate.mean.toFixed(2)}${estimate.source === 'measured' ? '' : ', assumed'}`;

/** One range at a time; what narrows this student's heights most comes first. */
export function MeasureScreen({ id }: { readonly id: string }) {
  const person = usePerson(id);
  const estimates = useEstimates(id);
  const plan = usePlan(id);
  const readings = useOjas((state) => selectReadingsOf(state, id));
  const dispatch = useOjasDispatch();
  const units = useUnits();
  const [range, setRange] = useState<RangeId | null>(null);
  const [side, setSide] = useState<Side>('left');
  if (!person || !estimates || !plan) return <NoStudent />;

  const keep = async (fields: ReadingFields): Promise<boolean> => {
    if (range === null) return false;
    const reading: Reading = { id: freshId('r'), person: id, range, side: ranges[range].sided ? side : 'both', at: nowIso(), ...fields };
    const outcome = await dispatch(commit({ words: `${ranges[range].name}${ranges[range].sided ? ` ${side}` : ''} noted`, put: [put('readings', reading)], remove: [] }));
    if (outcome.ok && ranges[range].sided) setSide(side === 'left' ? 'right' : 'left');
    return outcome.ok;
  };
  const remove = (reading: Reading) => void dispatch(commit({ words: `Reading of ${ranges[reading.range].name.toLowerCase()} removed`, put: [], remove: [{ kind: 'readings', id: reading.id }] }));
  const pick = (next: RangeId, on?: Side) => {
    setRange(next);
    setSide(on ?? 'left');
  };
  return (
    <Screen title={person.name} foot={<Link href={`/students/${id}/plan`} asChild><Press kind="main">See the plan</Press></Link>}>
      <StudentTabs id={id} here="measure" />
      {range === null ? (
        <>
          <MeasureNext plan={plan} onPick={pick} units={units} />
          <RangeList estimates={estimates} onPick={pick} />
        </>
      ) : (
        <>
          <Press onPress={() => setRange(null)}>All ranges</Press>
          <ReadingEntry key={range} range={range} side={side} estimates={estimates} person={person} onSide={setSide} onKeep={keep} />
          <History readings={readings.filter((one) => one.range === range)} onRemove={remove} />
        </>
      )}
    </Screen>
  );
}

function MeasureNext({ plan, onPick, units }: { readonly plan: NonNullable<ReturnType<typeof usePlan>>; readonly onPick: (range: RangeId, side?: Side) => void; readonly units: 'cm' | 'in' }) {
  if (plan.measureNext.length === 0) return <Words>Nothing more would narrow these poses by as much as a fold.</Words>;
  return (
    <Sheet>
      <Title level={2}>What to measure next</Title>
      <Aside>By how much each would narrow the heights of the plan, all slots together.</Aside>
      {plan.measureNext.map(({ range, side, gainCm }) => (
        <Press key={range + side} onPress={() => onPick(range, side === 'right' ? 'right' : 'left')}>{ranges[range].name}{side === 'both' ? '' : `, ${side}`}: narrower by {length(gainCm, units)}</Press>
      ))}
    </Sheet>
  );
}

function RangeList({ estimates, onPick }: { readonly estimates: Estimates; readonly onPick: (range: RangeId) => void }) {
  return (
    <View className="gap-2">
      <Title level={2}>All ranges</Title>
      {measurable.map((id) => (
        <Pressable key={id} role="button" onPress={() => onPick(id)} className="min-h-14 gap-0.5 rounded-md border border-line bg-sheet px-4 py-2">
          <Words className="font-semibold">{ranges[id].name}</Words>
          <Aside>
            {id === 'pelvicTilt.longSit' ? 'a reading of the hamstrings' : keysOf(id).map((key) => `${key.includes(':') ? `${key.split(':')[1]} ` : ''}${known(estimates[key])}`).join(' · ')}
          </Aside>
        </Pressable>
      ))}
    </View>
  );
}

function History({ readings, onRemove }: { readonly readings: readonly Reading[]; readonly onRemove: (reading: Reading) => void }) {
  if (readings.length === 0) return null;
  return (
    <View className="gap-2">
      <Title level={2}>Readings so far</Title>
      {[...readings].reverse().map((reading) => (
        <View key={reading.id} className="flex-row flex-wrap items-center justify-between gap-2 border-b border-line pb-1">
          <Words className="shrink">{date(reading.at)}{reading.side === 'both' ? '' : `, ${reading.side}`}: {reading.values.join(', ')}{reading.warm ? ', warm' : ''}{reading.seatCm ? `, seat ${reading.seatCm} cm` : ''}</Words>
          <Press kind="quiet" aria-label={`Remove the reading of ${date(reading.at)}, ${reading.side}`} onPress={() => onRemove(reading)}>Remove</Press>
        </View>
      ))}
    </View>
  );
}
