import { clamp } from '../angles';
import type { Reading } from '../formats/book';
import { dayOf, type LocalDay } from '../formats/time';
import { groupedBy } from '../grouped';
import { longLegs } from '../geometry/sitting/longSit';
import {
  coupling as couplingParameter,
  filter,
  pelvisTarget,
  reading as parameter,
} from '../parameters';
import {
  couplingFrom,
  protocolOf,
  semOf,
  semOfMean,
  type ConversionContext,
  type Eyes,
  type Protocol,
} from '../protocols/protocols';
import {
  keyOf,
  keysOf,
  priorOf,
  ranges,
  scaleOf,
  type RangeId,
  type RangeKey,
  type Side,
} from '../ranges/ranges';

/**
 * What is not known of this body and is alike in all looks that lean on it (1 sd), by what it is: the constant of a way of
 * reading, what a warm body reads more.
 */
export type Lasting = Readonly<Record<string, number>>;

/** All that lasts in a look, together. */
export const lastingIn = (lasting: Lasting): number => Math.hypot(...Object.values(lasting));
const WARM = 'warm';

/**
 * What one day says of one range. A pelvis that did not roll back only says that the range is at least so much.
 */
export interface Observation {
  readonly key: RangeKey;
  readonly day: LocalDay;
  readonly mean: number;
  /** Error of this look alone, without the swing from day to day. */
  readonly sd: number;
  readonly lasting: Lasting;
  readonly bound: 'equal' | 'atLeast';
}

/** Mean of some values; NaN of none. */
export const meanOf = (values: readonly number[]) =>
  values.reduce((sum, value) => sum + value, 0) / values.length;

/** Spread of repeated readings past what the method explains: another reading is asked for. */
export function disagree(values: readonly number[], sem: number): boolean {
  return (
    values.length > 1 &&
    Math.max(...values) - Math.min(...values) > parameter.disagreement.value * sem
  );
}

const human = (id: RangeId, value: number) => clamp(value, ranges[id].least, ranges[id].most);

/** Error of the mean of a reading's values, in the unit of its way. */
const errorIn = ({ sem, method, values }: Reading, protocol: Protocol, eyes: Eyes): number =>
  semOfMean(sem ?? semOf(protocol, method, eyes), values.length);

/** One reading as an observation; undefined where its protocol is unknown. Warm readings are brought back to cold. */
export function observationOf(
  reading: Reading,
  context: ConversionContext,
  eyes: Eyes = {},
): Observation | undefined {
  const protocol = protocolOf(reading.range, reading.method, reading.protocol);
  if (!protocol || reading.range === 'pelvicTilt.longSit') return undefined;
  const bias = reading.method === 'by-eye' ? (eyes[reading.range]?.biasDeg ?? 0) : 0;
  const sem = errorIn(reading, protocol, eyes);
  const converted = protocol.convert(meanOf(reading.values) - bias, sem, {
    ...context,
    ...(reading.seatCm === undefined ? {} : { seatCm: reading.seatCm }),
  });
  const warm = reading.warm && ranges[reading.range].warms;
  const side: Side = reading.side === 'right' ? 'right' : 'left';
  return {
    key: keyOf(reading.range, side),
    day: dayOf(reading.at),
    // What a later version, or other lengths of the body, make of a tape stays human all the same.
    mean: human(reading.range, converted.mean - (warm ? parameter.warmGain.value : 0)),
    sd: Math.max(parameter.leastError.value * scaleOf(reading.range), converted.sem),
    lasting: {
      ...(converted.lasting > 0 ? { [protocol.id]: converted.lasting } : {}),
      ...(warm ? { [WARM]: parameter.warmGain.sd } : {}),
    },
    bound: converted.bound ?? 'equal',
  };
}

/**
 * A pelvis measured in long sit on a known seat is a reading of the hamstrings: exact when it rolls back, a lower limit
 * when it does not.
 *
 * @param sitsDeg where this pelvis sits well, from standing.
 */
export function longSitObservations(
  reading: Reading,
  { standing = priorOf('pelvicTilt.standing', 'unknown'), body }: ConversionContext,
  sitsDeg: number = pelvisTarget.neutral.value,
  eyes: Eyes = {},
): Observation[] {
  if (reading.range !== 'pelvicTilt.longSit') return [];
  const protocol = protocolOf(reading.range, reading.method, reading.protocol);
  if (!protocol) return [];
  const bias = reading.method === 'by-eye' ? (eyes[reading.range]?.biasDeg ?? 0) : 0;
  const fromStanding = meanOf(reading.values) - bias - standing.mean;
  const warmGain = reading.warm ? parameter.warmGain : { value: 0, sd: 0 };
  const { thighFallDeg } = longLegs(reading.seatCm ?? 0, 0, body);
  const rolled = fromStanding < sitsDeg - 1;
  // The pelvis follows the stiffer leg, and nothing says which that is.
  const lasting = {
    [protocol.id]: Math.hypot(standing.sd, filter.sideDifference.value / 2),
    ...(reading.warm ? { [WARM]: warmGain.sd } : {}),
  };
  return keysOf('hamstring').map((key) => ({
    key,
    day: dayOf(reading.at),
    mean: 90 - thighFallDeg + fromStanding - warmGain.value,
    sd: errorIn(reading, protocol, eyes),
    lasting,
    bound: rolled ? 'equal' : 'atLeast',
  }));
}

/** The student's own coupling, from days on which a watched leg raise and a knee lag were both taken on a side. */
export function couplingObservations(readings: readonly Reading[]): Observation[] {
  const raises = readings.filter(
    ({ range, protocol }) =>
      range === 'hamstring' &&
      (protocol ?? 'straight-leg-raise.pelvis-watched') === 'straight-leg-raise.pelvis-watched',
  );
  const lags = readings.filter(({ protocol }) => protocol === 'knee-extension-90');
  const sideAndDay = ({ side, at }: Reading) => `${side} ${dayOf(at)}`;
  const raisesOn = groupedBy(raises, sideAndDay);
  return [...groupedBy(lags, sideAndDay)].flatMap(([on, ofDay]): Observation[] => {
    const raised = raisesOn.get(on);
    const lagDeg = meanOf(ofDay.flatMap(({ values }) => values));
    if (!raised || lagDeg < couplingParameter.leastLag.value) return [];
    const hamstring = meanOf(raised.flatMap(({ values }) => values));
    const readingDeg = couplingParameter.readingError.value;
    // Errors of both readings carried through (90 − hamstring) / lag.
    const sd = Math.hypot(readingDeg / lagDeg, (readingDeg * (90 - hamstring)) / lagDeg ** 2);
    return [
      {
        key: 'hamstringCoupling',
        day: dayOf((ofDay[0] as Reading).at),
        mean: couplingFrom(hamstring, lagDeg),
        sd,
        lasting: {},
        bound: 'equal',
      },
    ];
  });
}
