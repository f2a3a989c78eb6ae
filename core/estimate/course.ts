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

/**
 * Follows a range day by day. All of a day's looks enter at once: method errors are pooled, the swing of that day is
 * shared.
 */
export function courseOf(
  id: RangeId,
  prior: Prior,
  observations: readonly Observation[],
  until: LocalDay,
  swingDeg: number,
): Course {
  const scale = scaleOf(id);
  const steps: Step[] = [];
  const surprises: Surprise[] = [];
  let trend = trendFrom(prior.mean, prior.sd, scale);
  let looks = 0;
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
      if (looks > 0)
        surprises.push({
          day,
          squaredDeg: ((mean - trend.level) ** 2 - trend.levelVar - variance) / scale ** 2,
        });
      looks += 1;
    }
    trend = update(trend, { reads, limits, swingVar: (swingDeg * scale) ** 2 });
    steps.push({ day, trend });
  }
  const last = steps.at(-1);
  if (last) trend = predict(trend, weeksBetween(last.day, until), scale);
  return {
    trend,
    day: last?.day ?? null,
    looks,
    surprises,
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
