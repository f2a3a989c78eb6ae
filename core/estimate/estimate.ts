import { bodyFrom } from '../body/body';
import type { Person, Reading, Session } from '../formats/book';
import { dayOf, daysBetween, type LocalDay } from '../formats/time';
import type { Belief, InputKey } from '../geometry/inputs';
import { groupedBy } from '../grouped';
import { filter, reading as readingParameter } from '../parameters';
import type { ConversionContext, Eyes } from '../protocols/protocols';
import {
  keysOf,
  priorOf,
  rangeIds,
  ranges,
  splitKey,
  type Prior,
  type RangeId,
  type RangeKey,
} from '../ranges/ranges';
import { predict, update, trendFrom, type Trend } from './levelAndDrift';
import { priorFor } from './mobile';
import { swingFrom, type Surprise } from './swing';
import {
  couplingObservations,
  longSitObservations,
  observationOf,
  type Observation,
} from './observations';

/** What is believed of one range on one day. */
export interface RangeEstimate {
  readonly key: RangeKey;
  readonly mean: number;
  readonly sd: number;
  readonly driftPerWeek: number;
  readonly driftSd: number;
  /** How level and drift hang together; for carrying both forward. */
  readonly covariance: number;
  /** Day of the last look, null when there was none. */
  readonly lastAt: string | null;
  /** Days on which it was looked at. */
  readonly looks: number;
  readonly source: 'measured' | 'other-side' | 'assumed';
  /** How far a day's value lies off the level (1 sd), in the range's own unit; none where nothing warms. */
  readonly daySwing: number;
}

export type Estimates = Readonly<Partial<Record<RangeKey, RangeEstimate>>>;

/** The facts of one student. */
export interface StudentRecord {
  readonly person: Person;
  readonly readings: readonly Reading[];
  readonly sessions: readonly Session[];
  /** How the teacher's own eye reads, by range; unknown where it has not been proven. */
  readonly eyes?: Eyes;
}

/** How a range's noise scales: degrees as they are, ratios by a hundredth. */
export const scaleOf = (id: RangeId) => (ranges[id].unit === 'deg' ? 1 : 0.01);
const weeksBetween = (from: string, to: string) => Math.max(0, daysBetween(from, to) / 7);

interface Filtered {
  readonly trend: Trend;
  readonly day: LocalDay | null;
  readonly looks: number;
  /** Of every day's look but the first, which meets a stranger. */
  readonly surprises: readonly Surprise[];
}

/** All of a day's looks enter at once: method errors are pooled, the swing of that day is shared. */
function runFilter(
  id: RangeId,
  prior: Prior,
  observations: readonly Observation[],
  until: LocalDay,
  swingDeg: number,
): Filtered {
  const scale = scaleOf(id);
  const daySwing = swingDeg * scale;
  const surprises: Surprise[] = [];
  let trend = trendFrom(prior.mean, prior.sd, scale);
  let day: LocalDay | null = null;
  let looks = 0;
  for (const [here, ofDay] of [...groupedBy(observations, (one) => one.day)].sort(([a], [b]) =>
    a < b ? -1 : 1,
  )) {
    if (here > until) break;
    if (day !== null) trend = predict(trend, weeksBetween(day, here), scale);
    day = here;
    const read = ofDay.filter(({ bound }) => bound === 'equal');
    if (read.length > 0) {
      const weight = read.reduce((sum, { sd }) => sum + 1 / sd ** 2, 0);
      const mean = read.reduce((sum, one) => sum + one.mean / one.sd ** 2, 0) / weight;
      if (looks > 0)
        surprises.push({
          day: here,
          squaredDeg: ((mean - trend.level) ** 2 - trend.levelVar - 1 / weight) / scale ** 2,
        });
      trend = update(trend, { mean, variance: 1 / weight + daySwing ** 2, bound: 'equal' });
      looks += 1;
    }
    for (const limit of ofDay.filter(({ bound }) => bound !== 'equal')) {
      trend = update(trend, {
        mean: limit.mean,
        variance: limit.sd ** 2 + daySwing ** 2,
        bound: limit.bound,
      });
    }
  }
  if (day !== null) trend = predict(trend, weeksBetween(day, until), scale);
  return { trend, day, looks, surprises };
}

function estimateOf(
  key: RangeKey,
  filtered: Filtered,
  source: RangeEstimate['source'],
  swingDeg: number,
): RangeEstimate {
  const { id } = splitKey(key);
  const { trend, day, looks } = filtered;
  return {
    key,
    mean: trend.level,
    sd: Math.sqrt(trend.levelVar),
    driftPerWeek: trend.drift,
    driftSd: Math.sqrt(trend.driftVar),
    covariance: trend.covariance,
    lastAt: day,
    looks,
    source,
    daySwing: ranges[id].warms ? swingDeg * scaleOf(id) : 0,
  };
}

/** What conversions of one student's readings lean on, as believed now. */
export function contextOf(person: Person, estimates: Estimates): ConversionContext {
  const coupling = estimates.hamstringCoupling ?? priorOf('hamstringCoupling', person.sex);
  return {
    body: bodyFrom(person.statureCm, person.bodyCm),
    coupling: { mean: coupling.mean, sd: coupling.sd },
  };
}

/**
 * Level, drift and doubt of every range on a day, from the readings alone: in any order, edited or imported late, they
 * give the same answer. Looks after the day are left out. What was settled on in a session speaks of its slot's height
 * (`plan/evidence.ts`) and not of a range, so that it is counted once.
 *
 * A side never read leans on the other one: people differ more from each other than left from right.
 */
export function estimateRanges(record: StudentRecord, date: LocalDay): Estimates {
  const until = dayOf(date);
  const { person } = record;
  const readings = record.readings.filter(({ at }) => dayOf(at) <= until);
  const body = bodyFrom(person.statureCm, person.bodyCm);

  const usualSwing = readingParameter.daySwing.value;
  const unconverted = { body, coupling: priorOf('hamstringCoupling', person.sex) };
  const coupling = runFilter(
    'hamstringCoupling',
    unconverted.coupling,
    couplingObservations(readings),
    until,
    usualSwing,
  );
  const context = {
    body,
    coupling: { mean: coupling.trend.level, sd: Math.sqrt(coupling.trend.levelVar) },
  };

  const direct = readings.flatMap((reading) => observationOf(reading, context, record.eyes) ?? []);
  const standing = runFilter(
    'pelvicTilt.standing',
    priorOf('pelvicTilt.standing', person.sex),
    direct.filter(({ key }) => key === 'pelvicTilt.standing'),
    until,
    usualSwing,
  );
  const standingTilt = { mean: standing.trend.level, sd: Math.sqrt(standing.trend.levelVar) };
  const observations = [
    ...direct,
    ...readings.flatMap((reading) => longSitObservations(reading, standingTilt, body)),
  ];

  const swingDeg = ownSwing(observations, person, until);
  const estimates: Partial<Record<RangeKey, RangeEstimate>> = {};
  for (const id of rangeIds) {
    if (id === 'pelvicTilt.longSit') continue;
    if (id === 'hamstringCoupling') {
      const source = coupling.looks > 0 ? 'measured' : 'assumed';
      estimates[id] = estimateOf(id, coupling, source, swingDeg);
      continue;
    }
    const prior = priorFor(id, person);
    const keys = keysOf(id);
    const own = keys.map((key) => ({ key, seen: observations.filter((one) => one.key === key) }));
    for (const { key, seen } of own) {
      const other = own.find((one) => one.key !== key);
      if (seen.length === 0 && other && other.seen.length > 0) {
        const theirs = runFilter(id, prior, other.seen, until, swingDeg);
        const sd = Math.hypot(Math.sqrt(theirs.trend.levelVar), filter.sideDifference.value);
        // A reading of the other side narrows this one, and can never make it more doubtful than knowing nothing.
        estimates[key] =
          sd < prior.sd
            ? {
                ...estimateOf(key, theirs, 'other-side', swingDeg),
                sd,
                lastAt: null,
                looks: 0,
                driftPerWeek: 0,
                covariance: 0,
              }
            : estimateOf(key, runFilter(id, prior, [], until, swingDeg), 'assumed', swingDeg);
        continue;
      }
      const filtered = runFilter(id, prior, seen, until, swingDeg);
      const source = filtered.day === null ? 'assumed' : 'measured';
      estimates[key] = estimateOf(key, filtered, source, swingDeg);
    }
  }
  return estimates;
}

/** One student's own swing from day to day, in degrees, as all their readings of ranges that warm show it. */
function ownSwing(observations: readonly Observation[], person: Person, until: LocalDay): number {
  const warming = observations.filter(({ key }) => ranges[splitKey(key).id].warms);
  const surprises = [...groupedBy(warming, ({ key }) => key)].flatMap(([key, seen]) => {
    const { id } = splitKey(key);
    return runFilter(id, priorFor(id, person), seen, until, readingParameter.daySwing.value)
      .surprises;
  });
  return swingFrom(surprises);
}

/** Estimates as what the geometry carries through on one day: the level's doubt, and the swing of that day. */
export function beliefOf(estimates: Estimates): Belief {
  const belief: Partial<Record<InputKey, Prior>> = {};
  for (const estimate of Object.values(estimates))
    if (estimate)
      belief[estimate.key] = { mean: estimate.mean, sd: sdOnDay(estimate, estimate.sd) };
  return belief;
}

/** Doubt of a range on one day, from the doubt of its level and the swing of the day. */
export const sdOnDay = ({ daySwing }: Pick<RangeEstimate, 'daySwing'>, sd: number): number =>
  Math.hypot(sd, daySwing);

/** The smallest difference of two looks worth believing, 19 times in 20: both errors, and the swing of both days. */
export const believableDifference = (sem: number, otherSem: number, daySwing: number): number =>
  1.96 * Math.sqrt(sem ** 2 + otherSem ** 2 + 2 * daySwing ** 2);

/** The same for two takes of alike readings. */
export function believableChange(
  sem: number,
  readingsEach: number,
  daySwing = readingParameter.daySwing.value,
): number {
  return believableDifference(
    sem / Math.sqrt(readingsEach),
    sem / Math.sqrt(readingsEach),
    daySwing,
  );
}
