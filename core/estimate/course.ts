import { daysBetween, type LocalDay } from '../formats/time';
import { groupedBy } from '../grouped';
import { scaleOf, type Prior, type RangeId } from '../ranges/ranges';
import {
  levelBefore,
  lookedBack,
  pooled,
  predict,
  trendFrom,
  update,
  type Trend,
  type Value,
} from './levelAndDrift';
import type { Observation } from './observations';
import type { Surprise } from './swing';

/** One range from its first look to a day. */
export interface Course {
  /** On that day. */
  readonly trend: Trend;
  /** The last day on which something was said of it; null where nothing was. */
  readonly day: LocalDay | null;
  /** Days on which it was read. */
  readonly looks: number;
  /** Of every day's look but the first, which meets a stranger. */
  readonly surprises: readonly Surprise[];
  /** The most likely level on an earlier day, as all looks tell it, those after it too. */
  readonly levelOn: (day: LocalDay) => number;
}

/** A day with what is believed once its looks are known. */
interface Step {
  readonly day: LocalDay;
  readonly trend: Trend;
}

const weeksBetween = (from: LocalDay, to: LocalDay) => Math.max(0, daysBetween(from, to) / 7);
const valueOf = ({ mean, sd }: Observation): Value => ({ mean, variance: sd ** 2 });

/** How far a day's look lay off what was expected of it, and the variance of that. */
interface Innovation {
  readonly off: number;
  readonly variance: number;
}

/** A course with what every look of it was off by. */
interface Followed extends Course {
  readonly innovations: readonly Innovation[];
}

/**
 * Follows a range day by day. What lasts in its looks is learned beside the range, from how they lie to each other and to
 * what is usual, and what is left of it stays in the doubt however often is looked.
 */
export function courseOf(
  id: RangeId,
  prior: Prior,
  observations: readonly Observation[],
  until: LocalDay,
  swingDeg: number,
): Course {
  const follow = (seen: readonly Observation[]) => followed(id, prior, seen, until, swingDeg);
  const plain = follow(observations);
  const sources = [...new Set(observations.flatMap(({ lasting }) => Object.keys(lasting)))];
  if (sources.length === 0) return plain;
  /** As if each source lay so many of its standard deviations off. */
  const shifted = (by: Row) =>
    follow(
      observations.map((one) => ({
        ...one,
        mean: sources.reduce(
          (mean, source, i) => mean + (by[i] as number) * (one.lasting[source] ?? 0),
          one.mean,
        ),
      })),
    );
  // What each does to every look and to where the course ends.
  const moved = sources.map((_, at) => shifted(sources.map((__, i) => Number(i === at))));
  const off = lastingLearned(
    plain.innovations,
    moved.map(({ innovations }) => innovations),
  );
  const corrected = shifted(off.means.map((mean) => -mean));
  const toLevel = moved.map(({ trend }) => trend.level - plain.trend.level);
  const toDrift = moved.map(({ trend }) => trend.drift - plain.trend.drift);
  const { trend } = corrected;
  return {
    ...corrected,
    trend: {
      ...trend,
      levelVar: trend.levelVar + between(toLevel, off.covariance, toLevel),
      covariance: trend.covariance + between(toLevel, off.covariance, toDrift),
      driftVar: trend.driftVar + between(toDrift, off.covariance, toDrift),
    },
  };
}

type Row = readonly number[];
const dot = (a: Row, b: Row) => a.reduce((sum, x, i) => sum + x * (b[i] as number), 0);
/** a′ · matrix · b. */
const between = (a: Row, matrix: readonly Row[], b: Row) =>
  dot(
    a,
    matrix.map((row) => dot(row, b)),
  );

/**
 * What lasts, learned from one look after the other, in standard deviations of each source: a filter for what stays
 * beside that for what moves, which together are one filter for both.
 *
 * @param moved what the looks would be off by with one source a standard deviation higher.
 */
function lastingLearned(
  looks: readonly Innovation[],
  moved: readonly (readonly Innovation[])[],
): { readonly means: Row; readonly covariance: readonly Row[] } {
  let means: Row = moved.map(() => 0);
  let covariance: readonly Row[] = moved.map((_, i) => moved.map((__, j) => Number(i === j)));
  for (const [at, { off, variance }] of looks.entries()) {
    const slope = moved.map((one) => (one[at] as Innovation).off - off);
    const toward = covariance.map((row) => dot(row, slope));
    const whole = variance + dot(toward, slope);
    const rest = off - dot(slope, means);
    means = means.map((mean, i) => mean + ((toward[i] as number) * rest) / whole);
    covariance = covariance.map((row, i) =>
      row.map((one, j) => one - ((toward[i] as number) * (toward[j] as number)) / whole),
    );
  }
  return { means, covariance };
}

/** All of a day's looks enter at once: errors of readings are pooled, the swing of that day is shared. */
function followed(
  id: RangeId,
  prior: Prior,
  observations: readonly Observation[],
  until: LocalDay,
  swingDeg: number,
): Followed {
  const scale = scaleOf(id);
  const swingVar = (swingDeg * scale) ** 2;
  const steps: Step[] = [];
  const surprises: Surprise[] = [];
  const innovations: Innovation[] = [];
  let trend = trendFrom(prior.mean, prior.sd, scale);
  const days = [...groupedBy(observations, ({ day }) => day)]
    .filter(([day]) => day <= until)
    .sort(([a], [b]) => (a < b ? -1 : 1));
  for (const [day, ofDay] of days) {
    const last = steps.at(-1);
    if (last) trend = predict(trend, weeksBetween(last.day, day), scale);
    const reads = ofDay.filter(({ bound }) => bound === 'equal').map(valueOf);
    const limits = ofDay.filter(({ bound }) => bound === 'atLeast').map(valueOf);
    if (reads.length > 0) {
      const { mean, variance } = pooled(reads);
      const off = mean - trend.level;
      if (innovations.length > 0)
        surprises.push({ day, squaredDeg: (off ** 2 - trend.levelVar - variance) / scale ** 2 });
      innovations.push({ off, variance: trend.levelVar + variance + swingVar });
    }
    trend = update(trend, { reads, limits, swingVar });
    steps.push({ day, trend });
  }
  const last = steps.at(-1);
  if (last) trend = predict(trend, weeksBetween(last.day, until), scale);
  return {
    trend,
    day: last?.day ?? null,
    looks: innovations.length,
    surprises,
    innovations,
    levelOn: levelsIn(steps, trend, until, scale),
  };
}

/** The level on any day, looked back on from the last: a fixed-interval smoother, worked out once it is asked for. */
function levelsIn(steps: readonly Step[], now: Trend, until: LocalDay, scale: number) {
  let known: readonly Step[] | null = null;
  const lookBack = () => {
    const back = [...steps];
    for (let i = back.length - 2; i >= 0; i--) {
      const [{ day, trend }, next] = [back[i], back[i + 1]] as [Step, Step];
      back[i] = { day, trend: lookedBack(trend, next.trend, weeksBetween(day, next.day), scale) };
    }
    return back;
  };
  return (day: LocalDay): number => {
    const [first] = steps;
    if (!first || day >= until) return now.level;
    known ??= lookBack();
    if (day < first.day) return levelBefore((known[0] as Step).trend, weeksBetween(day, first.day));
    const at = steps.findLastIndex((step) => step.day <= day);
    const { day: from, trend } = steps[at] as Step;
    const then = predict(trend, weeksBetween(from, day), scale);
    const next = known[at + 1];
    return (next ? lookedBack(then, next.trend, weeksBetween(day, next.day), scale) : then).level;
  };
}
