import type { Reading } from '../formats/book';
import { dayOf, type LocalDay, inTime } from '../formats/time';
import { groupedBy } from '../grouped';
import { reading as parameter } from '../parameters';
import type { MethodId } from '../protocols/protocols';
import { keyOf, scaleOf, type RangeId, type RangeKey, type Side } from '../ranges/ranges';
import { memoise } from '../memoise';
import { contextOf, estimateRanges, type RangeEstimate, type StudentRecord } from './estimate';
import { pooled } from './levelAndDrift';
import { lastingIn, meanOf, observationOf, type Lasting } from './observations';

/** One reading as a look at a range: converted, brought back to cold, beside what was believed on that day. */
export interface Look {
  readonly reading: Reading;
  readonly day: LocalDay;
  readonly mean: number;
  /** Error of this look alone, without the swing of its day. */
  readonly sem: number;
  readonly lasting: Lasting;
  /** It only says that the range is at least so much. */
  readonly bound: 'equal' | 'atLeast';
  readonly level: { readonly mean: number; readonly sd: number };
  /** Set where it differs from the looks since the last change by more than chance explains. */
  readonly change: { readonly deg: number; readonly believable: number } | null;
}

/** Everything that may be wrong with a look, without the swing of its day. */
export const errorOf = ({ sem, lasting }: Pick<Look, 'sem' | 'lasting'>): number =>
  Math.hypot(sem, lastingIn(lasting));

/** What a look is held against: itself, or those before it. */
type Seen = Pick<Look, 'mean' | 'sem' | 'lasting' | 'day'>;

/**
 * What looks say together that no real change lies between, and how surely: each day's looks share its swing.
 *
 * @param daySwing how far a day's value lies off the level (1 sd); 0 among looks of one and the same day.
 */
function together(looks: readonly Seen[], daySwing: number): { mean: number; variance: number } {
  const days = [...groupedBy(looks, ({ day }) => day).values()].map((ofDay) => {
    const { mean, variance } = pooled(ofDay.map(({ mean, sem }) => ({ mean, variance: sem ** 2 })));
    return { mean, variance: variance + daySwing ** 2 };
  });
  return pooled(days);
}

/**
 * The smallest difference between a look and those before it that is worth believing, so that of a steady student's
 * looks hardly any course of six shows a change: both errors, and the swing of the days.
 */
export function believableFrom(
  look: Omit<Seen, 'mean'>,
  before: readonly Seen[],
  daySwing: number,
): number {
  const swing = before.every(({ day }) => day === look.day) ? 0 : daySwing;
  const { variance } = together(before, swing);
  return (
    parameter.realChange.value *
    Math.sqrt(look.sem ** 2 + swing ** 2 + variance + lastingBetween(look, before))
  );
}

/** Variance that lasts between a look and those before it: what is alike in both is gone. */
function lastingBetween(look: Omit<Seen, 'mean'>, before: readonly Seen[]): number {
  const sources = new Set([look, ...before].flatMap(({ lasting }) => Object.keys(lasting)));
  return [...sources].reduce((sum, source) => {
    const usual = meanOf(before.map(({ lasting }) => lasting[source] ?? 0));
    return sum + ((look.lasting[source] ?? 0) - usual) ** 2;
  }, 0);
}

/** The swing that may lie between looks at a range: the student's own, and never less than is usual. */
export const swingBetween = (id: RangeId, estimate: Pick<RangeEstimate, 'daySwing'> | undefined) =>
  estimate && estimate.daySwing > 0
    ? Math.max(estimate.daySwing, parameter.daySwing.value * scaleOf(id))
    : 0;

/** Looks by what was read, for as long as the record is there: an entry and its history ask the same. */
const kept = new WeakMap<StudentRecord, Map<RangeKey, readonly Look[]>>();

/**
 * Every look at a range on a side, oldest first. A real change is told against all looks since the last one together.
 */
export function looksAt(record: StudentRecord, id: RangeId, side: Side): readonly Look[] {
  const ofRecord = kept.get(record) ?? new Map<RangeKey, readonly Look[]>();
  kept.set(record, ofRecord);
  const key = keyOf(id, side);
  const looks = ofRecord.get(key) ?? reckonLooks(record, id, key);
  ofRecord.set(key, looks);
  return looks;
}

function reckonLooks(record: StudentRecord, id: RangeId, key: RangeKey): Look[] {
  const { person } = record;
  const estimatesOn = memoise((day: LocalDay) => estimateRanges(record, day));
  let steady: Look[] = [];
  return inTime(record.readings.filter(({ range }) => range === id)).flatMap((reading): Look[] => {
    const day = dayOf(reading.at);
    const estimates = estimatesOn(day);
    const seen = observationOf(reading, contextOf(person, estimates), record.eyes);
    const level = estimates[key];
    if (!seen || seen.key !== key || !level) return [];
    const look: Look = {
      reading,
      day,
      mean: seen.mean,
      sem: seen.sd,
      lasting: seen.lasting,
      bound: seen.bound,
      level: { mean: level.mean, sd: level.sd },
      change: null,
    };
    if (look.bound === 'atLeast') return [look];
    // Their own swing as it was known before: what has changed since is no swing.
    const before = steady.at(-1);
    const change = before
      ? changeOf(look, steady, swingBetween(id, estimatesOn(before.day)[key]))
      : null;
    const whole = { ...look, change };
    steady = change ? [whole] : [...steady, whole];
    return [whole];
  });
}

function changeOf(look: Look, steady: readonly Look[], daySwing: number): Look['change'] {
  const believable = believableFrom(look, steady, daySwing);
  const deg = look.mean - together(steady, daySwing).mean;
  return Math.abs(deg) > believable ? { deg, believable } : null;
}

/** The looks since the last real change: what a next one is held against. */
export function steadyLooks(looks: readonly Look[]): readonly Look[] {
  const equal = looks.filter(({ bound }) => bound === 'equal');
  return equal.slice(
    Math.max(
      0,
      equal.findLastIndex(({ change }) => change !== null),
    ),
  );
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
        sem: meanOf(group.map(errorOf)),
      };
    })
    .sort((a, b) => b.looks - a.looks);
}
