import {
  believableDifference,
  contextOf,
  type Estimates,
  type RangeEstimate,
  type StudentRecord,
} from '../estimate/estimate';
import { saidVeryMobile } from '../estimate/mobile';
import { observationOf } from '../estimate/observations';
import { dayOf, shiftDays, type LocalDay } from '../formats/time';
import type { Family } from '../geometry/family';
import { decision as parameter } from '../parameters';
import { ranges, splitKey, type RangeKey, type ReadingSide } from '../ranges/ranges';
import type { Reason } from '../reasons';

/**
 * Marked so by the teacher or at intake, or measured past the 95th percentile of adults in ranges of two kinds: of a
 * dozen ranges one so free is found in half of all people, and says nothing of the others.
 */
export function isVeryMobile({ person }: StudentRecord, estimates: Estimates): boolean {
  const said = saidVeryMobile(person);
  if (said !== undefined) return said;
  const free = Object.values(estimates).flatMap((estimate) =>
    estimate && isFree(estimate) ? splitKey(estimate.key).id : [],
  );
  return new Set(free).size >= parameter.mobileRanges.value;
}

function isFree({ key, source, mean, sd }: RangeEstimate): boolean {
  const { prior, unit, id } = ranges[splitKey(key).id];
  return (
    source === 'measured' &&
    prior !== null &&
    unit === 'deg' &&
    !id.startsWith('pelvicTilt') &&
    mean - sd > prior.mean + parameter.mobilePercentile.value * prior.sd
  );
}

/** A range that reads low today, and by how much. */
export interface LowCheck {
  readonly key: RangeKey;
  readonly reason: Reason<'low-check'>;
}

/**
 * Today's reading of a range that a pose leans on, lower than yesterday's belief by more than chance explains; null
 * where there is none. A reading is converted as it is for the estimate, so that like is compared with like.
 */
export function lowCheckOf(
  family: Family,
  side: ReadingSide,
  {
    record,
    today,
    estimatesOn,
  }: {
    readonly record: StudentRecord;
    readonly today: LocalDay;
    readonly estimatesOn: (day: LocalDay) => Estimates;
  },
): LowCheck | null {
  const readToday = record.readings.filter(({ at }) => dayOf(at) === today);
  if (readToday.length === 0) return null;
  const before = estimatesOn(shiftDays(today, -1));
  const context = contextOf(record.person, before);
  const leansOn = family.needs(side);
  for (const reading of readToday) {
    const seen = observationOf(reading, context, record.eyes);
    const then = seen && before[seen.key];
    // A reading that only says "at least" cannot be low.
    if (!then || seen.bound === 'atLeast' || then.source !== 'measured') continue;
    if (!leansOn.includes(seen.key)) continue;
    const believableDeg = believableDifference(seen.sd, then.sd, then.daySwing);
    const underDeg = then.mean - seen.mean;
    if (underDeg > believableDeg)
      return {
        key: seen.key,
        reason: {
          code: 'low-check',
          range: reading.range,
          side: reading.side,
          deg: seen.mean,
          underDeg,
          believableDeg,
        },
      };
  }
  return null;
}
