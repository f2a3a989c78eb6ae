import { bodyFrom } from '../body/body';
import type { Person, Practice, Reading, Session } from '../formats/book';
import { dayOf, inTime, type LocalDay } from '../formats/time';
import type { Belief, InputKey } from '../geometry/inputs';
import { groupedBy } from '../grouped';
import { filter, reading as readingParameter } from '../parameters';
import type { ConversionContext, Eyes } from '../protocols/protocols';
import {
  keysOf,
  priorOf,
  rangeIds,
  ranges,
  scaleOf,
  splitKey,
  type Prior,
  type RangeKey,
  type RangeId,
} from '../ranges/ranges';
import { courseOf, type Course } from './course';
import { priorFor } from './mobile';
import { swingFrom } from './swing';
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
  /** What was done at home, as it was said; none where nothing came back from there. */
  readonly practices?: readonly Practice[];
  /** How the teacher's own eye reads, by range; unknown where it has not been proven. */
  readonly eyes?: Eyes;
}

function estimateOf(
  key: RangeKey,
  course: Course,
  source: RangeEstimate['source'],
  swingDeg: number,
): RangeEstimate {
  const { id } = splitKey(key);
  const { trend, day, looks } = course;
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
    daySwing: swingOf(id, swingDeg),
  };
}

/** How far a day's value lies off the level, in a range's own unit: by a body's warmth, or by how it stands and sits. */
const swingOf = (id: RangeId, ownDeg: number): number => {
  if (ranges[id].warms) return ownDeg * scaleOf(id);
  return id === 'hamstringCoupling' ? 0 : readingParameter.postureSwing.value;
};

/** What conversions of one student's readings lean on, as believed now. */
export function contextOf(person: Person, estimates: Estimates): ConversionContext {
  const coupling = estimates.hamstringCoupling ?? priorOf('hamstringCoupling', person.sex);
  return {
    body: bodyFrom(person.statureCm, person.bodyCm),
    coupling: { mean: coupling.mean, sd: coupling.sd },
    standing: priorFrom(estimates['pelvicTilt.standing'], person),
  };
}
const priorFrom = (standing: RangeEstimate | undefined, { sex }: Person): Prior =>
  standing ? { mean: standing.mean, sd: standing.sd } : priorOf('pelvicTilt.standing', sex);

/** What all readings to a day say of a student. */
export interface Known {
  /** Level, drift and doubt of every range on that day. */
  readonly estimates: Estimates;
  /** The most likely level of every range on an earlier day, as all of them tell it. */
  readonly levelsOn: (day: LocalDay) => Readonly<Partial<Record<RangeKey, number>>>;
}

/** What is followed of a key: its own course, or that of the side that was read. */
interface Followed {
  readonly estimate: RangeEstimate;
  readonly course: Course;
}

/** A side never read leans on the other one: people differ more from each other than left from right. */
function leaningOn(key: RangeKey, prior: Prior, course: Course, swingDeg: number): Followed | null {
  const sd = Math.hypot(Math.sqrt(course.trend.levelVar), filter.sideDifference.value);
  // A reading of the other side narrows this one, and can never make it more doubtful than knowing nothing.
  if (sd >= prior.sd) return null;
  const estimate = {
    ...estimateOf(key, course, 'other-side', swingDeg),
    sd,
    lastAt: null,
    looks: 0,
    driftPerWeek: 0,
    covariance: 0,
  };
  return { estimate, course };
}

/**
 * Level, drift and doubt of every range on a day, and on days before it, from the readings alone: in any order, edited
 * or imported late, they give the same answer. Looks after the day are left out. What was settled on in a session
 * speaks of its slot's height (`learn/evidence.ts`) and not of a range, so that it is counted once.
 */
export function knownOf(record: StudentRecord, date: LocalDay): Known {
  const until = dayOf(date);
  const { person } = record;
  const readings = inTime(record.readings.filter(({ at }) => dayOf(at) <= until));
  const body = bodyFrom(person.statureCm, person.bodyCm);

  const usualSwing = readingParameter.daySwing.value;
  const unconverted = { body, coupling: priorOf('hamstringCoupling', person.sex) };
  const coupling = courseOf(
    'hamstringCoupling',
    unconverted.coupling,
    couplingObservations(readings),
    until,
    usualSwing,
  );
  const seenIn = (context: ConversionContext, some: readonly Reading[]) =>
    some.flatMap((reading) => observationOf(reading, context, record.eyes) ?? []);
  const isStanding = ({ range }: Reading) => range === 'pelvicTilt.standing';
  const seenStanding = seenIn(unconverted, readings.filter(isStanding));
  const standing = courseOf(
    'pelvicTilt.standing',
    priorOf('pelvicTilt.standing', person.sex),
    seenStanding,
    until,
    usualSwing,
  );
  const context: ConversionContext = {
    body,
    coupling: levelOf(coupling),
    standing: levelOf(standing),
  };
  const direct = [
    ...seenStanding,
    ...seenIn(
      context,
      readings.filter((reading) => !isStanding(reading)),
    ),
  ];
  const sits = courseOf(
    'pelvicTilt.sits',
    priorOf('pelvicTilt.sits', person.sex),
    direct.filter(({ key }) => key === 'pelvicTilt.sits'),
    until,
    usualSwing,
  );
  const observations = groupedBy(
    [
      ...direct,
      ...readings.flatMap((reading) =>
        longSitObservations(reading, context, sits.trend.level, record.eyes),
      ),
    ],
    ({ key }) => key,
  );
  const swingDeg = ownSwing(observations, person, until);

  const followed = new Map<RangeKey, Followed>();
  for (const id of rangeIds) {
    if (id === 'pelvicTilt.longSit') continue;
    const prior = priorFor(id, person, until);
    const follow = (key: RangeKey): Followed => {
      const course =
        id === 'hamstringCoupling'
          ? coupling
          : courseOf(id, prior, observations.get(key) ?? [], until, swingDeg);
      const source = course.day === null ? 'assumed' : 'measured';
      return { course, estimate: estimateOf(key, course, source, swingDeg) };
    };
    const own = keysOf(id).map((key) => ({ key, ...follow(key) }));
    for (const one of own) {
      const other = own.find(({ key, course }) => key !== one.key && course.day !== null);
      const leans =
        one.course.day === null && other && leaningOn(one.key, prior, other.course, swingDeg);
      followed.set(one.key, leans || one);
    }
  }
  const ofEach = <T>(of: (one: Followed) => T) =>
    Object.fromEntries([...followed].map(([key, one]) => [key, of(one)]));
  return {
    estimates: ofEach(({ estimate }) => estimate),
    levelsOn: (day) => ofEach(({ course }) => course.levelOn(day)),
  };
}

/** What a course has come to, and its doubt. */
const levelOf = ({ trend }: Course): Prior => ({
  mean: trend.level,
  sd: Math.sqrt(trend.levelVar),
});

/** Level, drift and doubt of every range on a day. */
export const estimateRanges = (record: StudentRecord, date: LocalDay): Estimates =>
  knownOf(record, date).estimates;

/** One student's own swing from day to day, in degrees, as all their readings of ranges that warm show it. */
function ownSwing(
  observations: ReadonlyMap<RangeKey, readonly Observation[]>,
  person: Person,
  until: LocalDay,
): number {
  const surprises = [...observations].flatMap(([key, seen]) => {
    const { id } = splitKey(key);
    return ranges[id].warms
      ? courseOf(id, priorFor(id, person, until), seen, until, readingParameter.daySwing.value)
          .surprises
      : [];
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

/** Normal deviate that 19 of 20 stay within. */
const Z975 = 1.96;

/** The smallest difference of two values worth believing, 19 times in 20: both errors, and the swing of both days. */
export const believableDifference = (sem: number, otherSem: number, daySwing: number): number =>
  Z975 * Math.sqrt(sem ** 2 + otherSem ** 2 + 2 * daySwing ** 2);
