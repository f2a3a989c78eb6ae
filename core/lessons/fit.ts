import { placeKey, wantsTakingBack, wantsWarmth } from '../advise/order';
import { hold, lesson as parameter } from '../parameters';
import { holdOf, poseById } from '../poses/poses';
import { leads, marked, tidied, type LessonPlan, type PlannedStep } from './planLesson';
import { atTheStart, led, secondsOf, timelineOf, type Reached } from './timeline';

/** What is done with a part of a lesson where time is short. */
export type Fate = 'whole' | 'short' | 'dropped';

/** Steps of a lesson that stay or go together: both sides of a pose, and what follows it. */
export interface Part {
  /** Planned steps, by their places. */
  readonly steps: readonly number[];
  /** It warms or takes back something that is done, or is the end. */
  readonly isKept: boolean;
  /** What is lost with it. */
  readonly worth: number;
}

export interface Fitted {
  /** Fates of the parts, in their order; null where even the least is too long. */
  readonly fates: readonly Fate[] | null;
  readonly seconds: number;
  /** What is lost, in the units of a part's worth. */
  readonly lost: number;
}

/** Worths: a pose is 1, a movement less; what today changes, what the lesson is for, and what is compared are more. */
const worths = { pose: 1, movement: 0.6, changes: 0.8, aim: 1.2, compared: 1.5, between: -0.5 };
/** What belongs together is worth its dearest, and of the others so much each: a second side is no second pose. */
const OTHERS_SHARE = 0.3;
/** What is shortened loses so much of what it cuts. */
const SHORT_LOSES = 0.5;

function worthOf(step: PlannedStep, aim: readonly string[], isRepeated: boolean): number {
  if (step.is === 'step') return worths.movement;
  const { pose, decision } = step.planned;
  return (
    worths.pose +
    (decision.action === 'lower' || decision.action === 'raise' ? worths.changes : 0) +
    (aim.includes(pose) ? worths.aim : 0) +
    (step.mark === null ? (isRepeated ? worths.between : 0) : worths.compared)
  );
}

/** The places of what warms a deep pose next before it, and of what takes it back next after it. */
function serving(steps: readonly PlannedStep[]): ReadonlySet<number> {
  const kept = new Set<number>();
  const isOf = (one: PlannedStep, id: string) => one.is === 'pose' && one.planned.pose === id;
  for (const [at, step] of steps.entries()) {
    const pose = step.is === 'pose' ? poseById(step.planned.pose) : undefined;
    if (!pose) continue;
    const warms = (one: PlannedStep) =>
      pose.warmUps.some((id) => isOf(one, id)) ||
      (one.is === 'step' && (one.step.warms ?? []).includes(pose.id));
    const takesBack = (one: PlannedStep) =>
      pose.counterposes.some((id) => isOf(one, id)) ||
      (one.is === 'step' && (one.step.takesBack ?? []).includes(pose.id));
    if (wantsWarmth(pose)) kept.add(steps.findLastIndex((one, i) => i < at && warms(one)));
    if (wantsTakingBack(pose)) kept.add(steps.findIndex((one, i) => i > at && takesBack(one)));
  }
  // It ends as it ends.
  kept.add(steps.length - 1);
  kept.delete(-1);
  return kept;
}

/** A lesson in parts; ways that lead somewhere are none: they are gone where something is done at their end. */
export function partsOf({ steps, lesson }: Pick<LessonPlan, 'steps' | 'lesson'>): readonly Part[] {
  const kept = serving(steps);
  const groups = new Map<string, number[]>();
  let last: string | null = null;
  for (const [at, step] of steps.entries()) {
    if (leads(step)) continue;
    const named = lesson.steps[step.of];
    // Sides that the lesson names one by one belong together, wherever they stand.
    const own: string =
      step.is === 'pose' && named?.side
        ? `sided ${named.id} ${step.mark === 'last'}`
        : `${step.of}`;
    const key: string = step.is === 'step' && step.step.follows && last !== null ? last : own;
    groups.set(key, [...(groups.get(key) ?? []), at]);
    last = key;
  }
  const places = steps.map((one) => (one.is === 'pose' ? placeKey(one.planned) : null));
  const worth = (at: number) =>
    worthOf(steps[at] as PlannedStep, lesson.aim ?? [], places.indexOf(places[at] ?? null) !== at);
  return [...groups.values()].map((at) => {
    const [most = 0, ...less] = at.map(worth).sort((a, b) => b - a);
    return {
      steps: at,
      isKept: at.some((one) => kept.has(one)),
      worth: most + OTHERS_SHARE * less.reduce((sum, one) => sum + one, 0),
    };
  });
}

const BREATH_SECONDS = hold.breath.value;
const WHOLE_SECONDS = 5;

/** How long a step is held where it is shortened: a hold not under half of its first one, a count not under three. */
export function shortSeconds(step: PlannedStep): number {
  if (step.is === 'step') {
    if (step.times === null) return step.seconds;
    const times = Math.max(3, Math.round(step.times * parameter.shortMovement.value));
    return Math.min(step.seconds, times * BREATH_SECONDS);
  }
  const { pose, way } = step.planned;
  const known = poseById(pose);
  const rule = known && holdOf(known, way);
  // A rest has no least but its share; a hold goes under no half of its first one.
  const least = !rule || rule.isRest ? 0 : hold.leastShare.value * rule.firstSeconds;
  const share =
    Math.round((step.seconds * parameter.shortShare.value) / WHOLE_SECONDS) * WHOLE_SECONDS;
  return Math.min(step.seconds, Math.max(least, share));
}

const heldAs = (fate: Fate) => (step: PlannedStep) =>
  fate === 'short' ? shortSeconds(step) : step.seconds;

/** What a part may come to, and what each costs. */
function choicesOf(part: Part, steps: readonly PlannedStep[]) {
  const own = part.steps.map((at) => steps[at] as PlannedStep);
  const [whole, short] = [heldAs('whole'), heldAs('short')].map((of) =>
    own.reduce((sum, one) => sum + of(one), 0),
  ) as [number, number];
  return [
    { fate: 'whole' as const, lost: 0 },
    ...(short < whole
      ? [{ fate: 'short' as const, lost: SHORT_LOSES * part.worth * (1 - short / whole) }]
      : []),
    ...(part.isKept ? [] : [{ fate: 'dropped' as const, lost: part.worth }]),
  ];
}

interface Course {
  readonly fates: readonly (Fate | undefined)[];
  readonly reached: Reached;
  readonly seconds: number;
  readonly lost: number;
}

const whereIn = ({ built, way, outOf }: Reached) =>
  `${built ? placeKey(built) : ''} ${way ?? ''} ${outOf === null}`;

/** Of those that go on alike only what nothing beats in both time and loss. */
function unbeaten(all: readonly Course[], stillOpen: readonly number[], most = Infinity): Course[] {
  const alike = new Map<string, Course[]>();
  const sorted = [...all].sort((a, b) => a.lost - b.lost || a.seconds - b.seconds);
  for (const one of sorted) {
    const key = `${whereIn(one.reached)} ${stillOpen.map((at) => one.fates[at] ?? '').join()}`;
    const kept = alike.get(key);
    if (!kept) alike.set(key, [one]);
    else if (kept.length < most && one.seconds < (kept.at(-1)?.seconds ?? Infinity)) kept.push(one);
  }
  return [...alike.values()].flat();
}

/** What parts cost in loss: as much as they are worth, or nothing where only the time is asked for. */
interface Weighing {
  readonly plan: LessonPlan;
  readonly parts: readonly Part[];
  readonly pace: number;
  readonly mostSeconds: number;
  readonly losses: boolean;
  /** Courses that lose more are not followed, and no more than so many that go on alike. */
  readonly mostLost?: number;
  readonly most?: number;
}

/** All courses through a lesson that nothing beats, of those that fit. */
function courses(of: Weighing): Course[] {
  const { plan, parts, pace, mostSeconds, losses, mostLost = Infinity, most } = of;
  const { steps } = plan;
  const partAt = new Map(parts.flatMap((part, i) => part.steps.map((at) => [at, i] as const)));
  const lastAt = parts.map((part) => Math.max(...part.steps));
  const choices = parts.map((part) => choicesOf(part, steps));
  const leftAt = leastLeft(steps, parts, partAt);
  // From where one comes decides what a step takes; that is reckoned once.
  const known = new Map<string, Pick<Course, 'reached' | 'seconds'>>();
  const takes = (at: number, from: Reached, fate: Fate) => {
    const key = `${at} ${fate} ${whereIn(from)}`;
    const before = known.get(key);
    if (before) return before;
    const next = led(steps, at, from, heldAs(fate)(steps[at] as PlannedStep), pace);
    const taken = { reached: next.reached, seconds: secondsOf(next.segments) };
    known.set(key, taken);
    return taken;
  };
  let open: Course[] = [{ fates: [], reached: atTheStart, seconds: 0, lost: 0 }];
  for (const [at, step] of steps.entries()) {
    const part = partAt.get(at);
    const still = lastAt.flatMap((end, i) => (end > at ? [i] : []));
    const next = open.flatMap((one): Course[] => {
      if (part === undefined)
        return [{ ...one, reached: led(steps, at, one.reached, step.seconds, pace).reached }];
      const fixed = one.fates[part];
      const chosen = fixed ? [{ fate: fixed, lost: 0 }] : (choices[part] ?? []);
      return chosen.map(({ fate, lost }) => {
        const fates = [...one.fates];
        fates[part] = fate;
        const loses = one.lost + (losses ? lost : 0);
        if (fate === 'dropped') return { ...one, fates, lost: loses };
        const { reached, seconds } = takes(at, one.reached, fate);
        return { fates, reached, seconds: one.seconds + seconds, lost: loses };
      });
    });
    const left = leftAt[at + 1] ?? 0;
    open = unbeaten(
      next.filter(({ seconds, lost }) => seconds + left <= mostSeconds && lost <= mostLost),
      still,
      most,
    );
  }
  return open;
}

/** What is held from each step on in any case, in seconds. */
function leastLeft(
  steps: readonly PlannedStep[],
  parts: readonly Part[],
  partAt: ReadonlyMap<number, number>,
): readonly number[] {
  const left = steps.map(() => 0);
  let seconds = 0;
  for (let at = steps.length - 1; at >= 0; at -= 1) {
    const part = parts[partAt.get(at) ?? -1];
    if (part?.isKept) seconds += shortSeconds(steps[at] as PlannedStep);
    left[at] = seconds;
  }
  return left;
}

/**
 * What is shortened or dropped so that a lesson fits into a time, and the least is lost: what warms and what takes back
 * stays. The best there is, by what is carried from pose to pose too.
 *
 * @returns no fates where even the shortest is too long, with the seconds of that.
 */
export function fitInto(plan: LessonPlan, mostSeconds: number, pace = 1): Fitted {
  const parts = partsOf(plan);
  const whole = wholeSeconds(plan, pace);
  if (whole <= mostSeconds) return { fates: parts.map(() => 'whole'), seconds: whole, lost: 0 };
  const of = { plan, parts, pace, mostSeconds, losses: true };
  // A good one found quickly says what need not be followed.
  const good = best(courses({ ...of, most: FOLLOWED }));
  const found = best(courses({ ...of, mostLost: (good?.lost ?? Infinity) + SAME_LOSS }));
  if (!found) return { fates: null, seconds: leastSeconds(plan, pace), lost: Infinity };
  return {
    fates: parts.map((_, i) => found.fates[i] ?? 'whole'),
    seconds: found.seconds,
    lost: found.lost,
  };
}
const SAME_LOSS = 1e-9;
const FOLLOWED = 5;

/** What loses least; of those that lose as much, what fills the time. */
const best = (all: readonly Course[]): Course | undefined =>
  [...all].sort((a, b) =>
    Math.abs(a.lost - b.lost) < SAME_LOSS ? b.seconds - a.seconds : a.lost - b.lost,
  )[0];

/** The least time that a lesson takes, in seconds, where everything that may be is dropped or shortened. */
export function leastSeconds(plan: LessonPlan, pace = 1): number {
  const parts = partsOf(plan);
  const all = courses({ plan, parts, pace, mostSeconds: Infinity, losses: false });
  return all.reduce((least, { seconds }) => Math.min(least, seconds), Infinity);
}

/** How long a lesson takes, all of it, in seconds. */
export const wholeSeconds = ({ steps }: Pick<LessonPlan, 'steps'>, pace = 1): number =>
  secondsOf(timelineOf(steps, pace));

/** The steps that are left once parts have their fates, each with how long it is held. */
export function withFates(plan: LessonPlan, fates: readonly Fate[]): readonly PlannedStep[] {
  const parts = partsOf(plan);
  const fateAt = new Map(
    parts.flatMap((part, i) => part.steps.map((at) => [at, fates[i] ?? 'whole'] as const)),
  );
  const kept = plan.steps.flatMap((step, at): PlannedStep[] => {
    const fate = fateAt.get(at) ?? 'whole';
    if (fate === 'dropped') return [];
    const seconds = heldAs(fate)(step);
    const times =
      step.times === null || step.seconds === 0
        ? step.times
        : Math.max(1, Math.round((step.times * seconds) / step.seconds));
    return [{ ...step, seconds, times }];
  });
  return marked(tidied(kept, []));
}
