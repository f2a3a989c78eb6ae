import type { Trial } from '../learn/trialLadder';
import type { SlotKey } from '../slots';
import type { Day } from '../learn/decide';
import {
  beliefOf,
  knownOf,
  sdOnDay,
  type Estimates,
  type StudentRecord,
} from '../estimate/estimate';
import { dayOf, type LocalDay } from '../formats/time';
import type { Belief, InputKey, InputValues } from '../geometry/inputs';
import { memoise } from '../memoise';
import { decision as decisionParameter } from '../parameters';
import type { Shelf } from '../props/shelf';
import type { PoseId } from '../poses/poses';
import type { RangeKey, ReadingSide } from '../ranges/ranges';
import { isVeryMobile } from '../learn/checks';
import { historyBefore, type History } from '../learn/evidence';
import type { PlanPose } from '../formats/plan';
import type { Band } from '../geometry/band';

/** Chances of being enough that are asked of a first build, and of a rung to come down or to go up to. */
export interface Care {
  readonly firstBuild: number;
  readonly lowerRung: number;
}
export const shippedCare: Care = {
  firstBuild: decisionParameter.firstChance.value,
  lowerRung: decisionParameter.chance.value,
};

/** A planned pose, with the bands that say what is worth measuring next. */
export interface Planned {
  readonly planPose: PlanPose;
  readonly bands: readonly Band[];
  /** What is worth trying within the visit, reckoned when it is asked for. */
  readonly trial?: () => Trial | null;
  /** The slots that may be tried, whether or not it is worth it. */
  readonly triable?: () => readonly SlotKey[];
}

/** What was asked of other poses while one was planned: which of them serves, and the answer. */
export interface Served {
  readonly candidates: readonly PoseId[];
  readonly side: ReadingSide;
  readonly passed: readonly PoseId[];
  readonly serves: PoseId | null;
}

/** A planned pose for as long as what was asked of others has the same answer. */
export interface KeptPlan extends Planned {
  readonly asked: readonly Served[];
}

/** Where a pose leads today, and whether any caution speaks of it. */
export interface Led {
  /** Poses that serve in its place; null where it is done itself. */
  readonly to: readonly PoseId[] | null;
  readonly isPlain: boolean;
  /** Whether it waits for a written go-ahead. */
  readonly waits: boolean;
}

/** What every pose of one student's plan shares. */
export interface StudentContext {
  readonly record: StudentRecord;
  readonly shelf: Shelf;
  readonly today: LocalDay;
  readonly history: History;
  readonly estimates: Estimates;
  readonly belief: Belief;
  /** The most likely value of every input. */
  readonly likely: InputValues;
  /** Estimates as they stood on an earlier day. */
  readonly estimatesOn: (day: LocalDay) => Estimates;
  /** The most likely values on an earlier day, as they look today. */
  readonly likelyOn: (day: LocalDay) => InputValues;
  /** Share of an input's variance that is the swing of the day; the rest stays, and sessions speak of it. */
  readonly dayShare: (key: InputKey) => number;
  readonly veryMobile: boolean;
  readonly care: Care;
  readonly day: Day;
  /** Poses that were planned already, by pose, side and the choices made for them. */
  readonly planned: Map<string, KeptPlan>;
  /** Where poses lead today, by pose and side, as they were looked up for this plan. */
  readonly leads: Map<string, Led>;
  /** What the pose that is being planned asked of others. */
  readonly asked: Served[];
}

function ofTheDay(key: InputKey, estimates: Estimates): number {
  const estimate = estimates[key as RangeKey];
  return estimate ? 1 - (estimate.sd / sdOnDay(estimate, estimate.sd)) ** 2 : 0;
}

function reckonContext(
  record: StudentRecord,
  shelf: Shelf,
  today: LocalDay,
  day: Day,
  care: Care,
): StudentContext {
  const knownOn = memoise((on: LocalDay) => knownOf(record, on));
  const { estimates, levelsOn } = knownOn(today);
  const likelyOn = memoise<LocalDay, InputValues>(levelsOn);
  return {
    record,
    shelf,
    today,
    history: historyBefore(record.sessions, today),
    estimates,
    belief: beliefOf(estimates),
    likely: likelyOn(today),
    estimatesOn: (on) => knownOn(on).estimates,
    likelyOn,
    dayShare: memoise((key: InputKey) => ofTheDay(key, estimates)),
    veryMobile: isVeryMobile(record, estimates),
    care,
    day,
    planned: new Map(),
    leads: new Map(),
    asked: [],
  };
}

interface Kept {
  readonly from: readonly unknown[];
  readonly context: StudentContext;
}
/** Of one student so many contexts are kept: another day, shelf or care, and back. */
const MOST_KEPT = 4;
/** The last contexts of each student, the newest last, by what is the student's own: gone once their records are. */
const keptOf = new WeakMap<object, Kept[]>();

/**
 * What the poses of a student's plan share, for as long as nothing that it is made of changes: a change of one choice
 * or of the method re-solves nothing else. The choices of the approach are each pose's own.
 */
export function contextFor(
  record: StudentRecord,
  shelf: Shelf,
  date: LocalDay,
  day: Day,
  care: Care,
): StudentContext {
  const { choices: _, approach: __, ...person } = record.person;
  const { readings, sessions, practices, eyes } = record;
  // Students with no records share one empty list.
  const own = [readings, sessions].find((list) => list.length > 0) ?? record.person;
  const kept = keptOf.get(own) ?? [];
  keptOf.set(own, kept);
  const from = [
    readings,
    sessions,
    practices,
    eyes,
    shelf,
    dayOf(date),
    day,
    care.firstBuild,
    care.lowerRung,
    JSON.stringify(person),
  ];
  const at = kept.findIndex((one) => one.from.every((part, i) => part === from[i]));
  const known = at < 0 ? undefined : kept.splice(at, 1)[0];
  const context = known?.context ?? reckonContext(record, shelf, dayOf(date), day, care);
  kept.push({ from, context });
  if (kept.length > MOST_KEPT) kept.shift();
  // What the choices for other poses decide is looked up anew.
  return { ...context, record, leads: new Map(), asked: [] };
}
