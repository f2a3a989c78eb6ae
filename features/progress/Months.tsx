import { useMemo } from 'react';
import { movedIn, warned } from '@/core/advise/progress';
import type { StudentRecord } from '@/core/estimate/estimate';
import { looksAt } from '@/core/estimate/looks';
import type { Person, Session } from '@/core/formats/book';
import { rangeIds, ranges, sides } from '@/core/ranges/ranges';
import { slotRefOf } from '@/core/slots';
import { degrees, length, month, type Units } from '@/ui/format';
import { Sheet } from '@/ui/Sheet';
import { Aside, Title, Words } from '@/ui/Words';
import { rangeName, slotName } from '@/ui/words/words';
import { useUnits } from '../hooks';
import { poseTitle } from '../plan/words';

interface MonthsProps {
  readonly person: Person;
  readonly record: StudentRecord;
  readonly sessions: readonly Session[];
}

const SHOWN = 3;
const MOST_MOVES = 3;
const monthOf = (at: string) => at.slice(0, 7);

/** One plain sentence a month: how often, what moved, and what of the ranges can be believed. */
export function Months({ person, record, sessions }: MonthsProps) {
  const units = useUnits();
  const changes = useMemo(() => changesOf(record), [record]);
  const months = [...new Set([...sessions, ...record.readings].map(({ at }) => monthOf(at)))]
    .sort()
    .reverse()
    .slice(0, SHOWN);
  if (months.length === 0) return <Words>Nothing is on record of {person.name} yet.</Words>;
  return (
    <Sheet role="region" aria-label="Month by month">
      <Title level={2}>Month by month</Title>
      {months.map((one) => (
        <Words key={one}>
          <Words className="font-semibold">{month(`${one}-01`)}: </Words>
          {sentence(
            sessions.filter(({ at }) => monthOf(at) === one),
            changes.filter(({ day }) => monthOf(day) === one),
            units,
          )}
        </Words>
      ))}
      <Aside>A change of a range is told where chance does not explain it.</Aside>
    </Sheet>
  );
}

interface Change {
  readonly day: string;
  readonly words: string;
}

/** Every change of a range that can be believed, with its day. */
const changesOf = (record: StudentRecord): readonly Change[] =>
  rangeIds
    .filter((id) => record.readings.some(({ range }) => range === id))
    .flatMap((id) =>
      (ranges[id].sided ? sides : (['left'] as const)).flatMap((side) =>
        looksAt(
          { ...record, readings: record.readings.filter(({ range }) => range === id) },
          id,
          side,
        ).flatMap(({ day, change }): Change[] =>
          change
            ? [
                {
                  day,
                  words: `${rangeName(id).toLowerCase()}${ranges[id].sided ? ` ${side}` : ''} ${degrees(Math.abs(change.deg))} ${change.deg > 0 ? 'freer' : 'stiffer'}`,
                },
              ]
            : [],
        ),
      ),
    );

function sentence(sessions: readonly Session[], changes: readonly Change[], units: Units): string {
  const times =
    sessions.length === 0
      ? 'not on the mat'
      : `on the mat ${sessions.length === 1 ? 'once' : `${sessions.length} times`}`;
  const moved = movedIn(sessions)
    .sort((a, b) => Math.abs(b.toCm - b.fromCm) - Math.abs(a.toCm - a.fromCm))
    .slice(0, MOST_MOVES)
    .map(
      ({ slot, fromCm, toCm, ...place }) =>
        `${slotName(slotRefOf(slot)).toLowerCase()} in ${poseTitle(place)} ${length(fromCm, units)} → ${length(toCm, units)}`,
    );
  const warnings = sessions.flatMap(({ poses }) => poses.filter(warned)).length;
  return `${[
    times,
    moved.length > 0 ? moved.join(', ') : sessions.length > 1 ? 'every height as it was' : '',
    changes.length > 0 ? changes.map(({ words }) => words).join(', ') : '',
    warnings > 0
      ? `${warnings === 1 ? 'once' : `${warnings} times`} a joint or nerve spoke, or it was stopped`
      : '',
  ]
    .filter((part) => part !== '')
    .join('; ')}.`;
}
