import { believableChange, type Estimates, type StudentRecord } from '../estimate/estimate';
import { meanOf } from '../estimate/observations';
import { dayOf, shiftDays, type LocalDay } from '../formats/time';
import type { Family } from '../geometry/family';
import { decision as parameter } from '../parameters';
import { ranges, splitKey, type RangeKey, type ReadingSide } from '../ranges/ranges';
import type { Reason } from '../reasons';

/** Marked so by the teacher or at intake, or any measured range past the 95th percentile of adults. */
export function isVeryMobile({ person }: StudentRecord, estimates: Estimates): boolean {
  if (person.veryMobile !== undefined) return person.veryMobile;
  if (person.cautions.some(({ id, answer }) => id === 'very-mobile' && answer === 'yes'))
    return true;
  return Object.values(estimates).some((estimate) => {
    const range = estimate && ranges[splitKey(estimate.key).id];
    return (
      range?.prior &&
      estimate?.source === 'measured' &&
      range.unit === 'deg' &&
      !range.id.startsWith('pelvicTilt') &&
      estimate.mean - estimate.sd >
        range.prior.mean + parameter.mobilePercentile.value * range.prior.sd
    );
  });
}

/** Error of one reading of a re-check, in degrees. */
const RECHECK_SEM_DEG = 3;

/**
 * Today's reading of a range that a pose leans on, lower than yesterday's belief by more than chance explains; null where
 * there is none.
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
): Reason<'low-check'> | null {
  const readToday = record.readings.filter(
    ({ at, protocol }) => dayOf(at) === today && protocol === undefined,
  );
  if (readToday.length === 0) return null;
  const before = estimatesOn(shiftDays(today, -1));
  const leansOn = family.needs(side);
  for (const reading of readToday) {
    const key = (
      ranges[reading.range].sided ? `${reading.range}:${reading.side}` : reading.range
    ) as RangeKey;
    const then = before[key];
    if (!leansOn.includes(key) || then?.source !== 'measured') continue;
    const deg = meanOf(reading.values);
    const believableDeg = believableChange(RECHECK_SEM_DEG, reading.values.length);
    const underDeg = then.mean - deg;
    if (underDeg > believableDeg)
      return {
        code: 'low-check',
        range: reading.range,
        side: reading.side,
        deg,
        underDeg,
        believableDeg,
      };
  }
  return null;
}
