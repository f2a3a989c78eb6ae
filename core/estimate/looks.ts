import type { Reading } from '../formats/book';
import { dayOf, type LocalDay, inTime } from '../formats/time';
import { groupedBy } from '../grouped';
import { reading as parameter } from '../parameters';
import type { MethodId } from '../protocols/protocols';
import { keyOf, ranges, type RangeId, type Side } from '../ranges/ranges';
import { memoise } from '../memoise';
import { believableDifference, contextOf, estimateRanges, type StudentRecord } from './estimate';
import { meanOf, observationOf } from './observations';

/** One reading as a look at a range: converted, brought back to cold, beside what was believed on that day. */
export interface Look {
  readonly reading: Reading;
  readonly day: LocalDay;
  readonly mean: number;
  /** Error of this look, without the swing of its day. */
  readonly sem: number;
  /** It only says that the range is at least so much. */
  readonly bound: 'equal' | 'atLeast';
  readonly level: { readonly mean: number; readonly sd: number };
  /** Set where it differs from the last marked look by more than chance explains. */
  readonly change: { readonly deg: number; readonly believable: number } | null;
}

/** The smallest difference of two looks worth believing; those of one day share its swing. */
export function believableBetween(
  a: { sem: number; day: LocalDay },
  b: { sem: number; day: LocalDay },
  swings: boolean,
): number {
  return believableDifference(
    a.sem,
    b.sem,
    swings && a.day !== b.day ? parameter.daySwing.value : 0,
  );
}

/**
 * Every look at a range on a side, oldest first. Real changes are told against the first look, then against the last
 * real change.
 */
export function looksAt(record: StudentRecord, id: RangeId, side: Side): Look[] {
  const { person } = record;
  const key = keyOf(id, side);
  const estimatesOn = memoise((day: LocalDay) => estimateRanges(record, day));
  let mark: Look | undefined;
  return inTime(record.readings.filter(({ range }) => range === id)).flatMap((reading): Look[] => {
    const day = dayOf(reading.at);
    const estimates = estimatesOn(day);
    const seen = observationOf(reading, contextOf(person, estimates), record.eyes);
    const level = estimates[key];
    if (!seen || seen.key !== key || !level) return [];
    const look = {
      reading,
      day,
      mean: seen.mean,
      sem: seen.sd,
      bound: seen.bound,
      level: { mean: level.mean, sd: level.sd },
    };
    const believable = mark ? believableBetween(look, mark, ranges[id].warms) : Infinity;
    const real =
      mark !== undefined && look.bound === 'equal' && Math.abs(look.mean - mark.mean) > believable;
    const whole: Look = {
      ...look,
      change: real ? { deg: look.mean - (mark as Look).mean, believable } : null,
    };
    if (look.bound === 'equal' && (mark === undefined || real)) mark = whole;
    return [whole];
  });
}

/** How one way of reading stands beside what all of them together say. */
export interface MethodCompared {
  readonly method: MethodId;
  readonly protocol: string | undefined;
  readonly looks: number;
  /** Mean difference from the level of its day: + reads more. */
  readonly overLevelDeg: number;
  readonly sem: number;
}

/** Methods of a range beside each other, the one most used first. */
export function methodsCompared(looks: readonly Look[]): MethodCompared[] {
  return [
    ...groupedBy(
      looks,
      ({ reading: { method, protocol } }) => `${method}/${protocol ?? ''}`,
    ).values(),
  ]
    .map((group): MethodCompared => {
      const { method, protocol } = (group[0] as Look).reading;
      return {
        method,
        protocol,
        looks: group.length,
        overLevelDeg: meanOf(group.map(({ mean, level }) => mean - level.mean)),
        sem: meanOf(group.map(({ sem }) => sem)),
      };
    })
    .sort((a, b) => b.looks - a.looks);
}
