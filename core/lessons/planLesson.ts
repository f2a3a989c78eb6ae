import { isDoable, placeKey, type PlaceKey } from '../advise/order';
import type { CautionAnswer, Person } from '../formats/book';
import type { Lesson, LessonStep } from '../formats/lesson';
import type { Plan, PlanPose } from '../formats/plan';
import type { LocalDay } from '../formats/time';
import { planStudent, type PlanWish } from '../plan/plan';
import type { Shelf } from '../props/shelf';
import type { StudentRecord } from '../estimate/estimate';
import { hold } from '../parameters';
import { poseById } from '../poses/poses';
import { sides, type ReadingSide } from '../ranges/ranges';
import type { Reason } from '../reasons';
import { stepById } from './steps';
import type { StepEntry } from './step';
import { servingStep, weighStep } from './weigh';

/** A step of a lesson as one student does it, on one side. */
export type PlannedStep = {
  /** Which step of the lesson it comes from. */
  readonly of: number;
  readonly side: ReadingSide;
  readonly seconds: number;
  /** So often, where it is counted. */
  readonly times: number | null;
  /** What the lesson names, where this stands in for it. */
  readonly standsFor: string | null;
} & (
  | {
      readonly is: 'pose';
      readonly planned: PlanPose;
      /** The same pose comes more than once: where it begins, and where it ends. */
      readonly mark: 'first' | 'last' | null;
    }
  | {
      readonly is: 'step';
      readonly step: StepEntry;
      /** The pose that it is done in, as it is built; null where it is drawn by itself or not at all. */
      readonly within: PlanPose | null;
      /** A caution asks for less of it. */
      readonly isSmaller: boolean;
    }
);

/** A step that is not done today. */
export interface LeftStep {
  readonly of: number;
  readonly id: string;
  readonly why: 'refused' | 'ask-first' | 'rested' | 'unknown' | 'comes-anyway' | 'not-built';
  readonly reasons: readonly Reason[];
}

export interface LessonPlan {
  readonly lesson: Lesson;
  readonly steps: readonly PlannedStep[];
  readonly left: readonly LeftStep[];
}

/** Poses that a plan must hold for a lesson to be laid: its own, and those that its movements are done in. */
export function posesOfLesson({ steps }: Pick<Lesson, 'steps'>): readonly string[] {
  const wanted = steps.flatMap(({ is, id }) => {
    if (is === 'pose') return poseById(id) ? [id] : [];
    const chain: string[] = [];
    const passed = new Set<string>();
    for (let one = is === 'step' ? stepById(id) : undefined; one && !passed.has(one.id);) {
      passed.add(one.id);
      if (one.at && one.at !== 'standing') chain.push(one.at);
      one = one.easier === undefined ? undefined : stepById(one.easier);
    }
    return chain;
  });
  return [...new Set(wanted)];
}

/** Poses that serve in the place of what a plan refuses, and are not in it yet. */
export function stillWanted(plan: Pick<Plan, 'poses'>): readonly string[] {
  const there = new Set(plan.poses.map(({ pose }) => pose));
  const serving = plan.poses
    .filter((one) => !isDoable(one))
    .flatMap(({ instead, around }) => [instead, around.easier])
    .filter((id): id is string => id !== null && !there.has(id));
  return [...new Set(serving)];
}

/** Of a pose with sides both, one after the other, where the lesson names none. */
const sidesOf = (own: 'both' | 'each', side: LessonStep['side']): readonly ReadingSide[] =>
  own === 'both' ? ['both'] : side ? [side] : sides;

const BREATH_SECONDS = hold.breath.value;

/** How long, and how often: as planned for this student, and no longer than the lesson says. */
const heldAs = (planned: PlanPose, { seconds, times }: LessonStep) => ({
  seconds: Math.min(planned.holdSeconds, seconds ?? planned.holdSeconds),
  times: planned.times === null ? null : Math.min(planned.times, times ?? planned.times),
});

interface Laying {
  readonly lesson: Lesson;
  readonly plan: Pick<Plan, 'poses'>;
  readonly person: Pick<Person, 'cautions'>;
  readonly steps: PlannedStep[];
  readonly left: LeftStep[];
}

const planned = ({ poses }: Pick<Plan, 'poses'>, id: string, side: ReadingSide) =>
  poses.find((one) => one.pose === id && one.side === side) ??
  poses.find((one) => one.pose === id && (one.side === 'both' || side === 'both'));

/** Why a pose of the lesson is not done today. */
function whyLeft({ status, decision }: PlanPose): LeftStep['why'] {
  if (status === 'ask-first') return 'ask-first';
  if (status === 'forbidden' || status === 'instead') return 'refused';
  return decision.action === 'rest' ? 'rested' : 'not-built';
}

/** Lays one pose of the lesson, on each of its sides; where it is refused, what serves in its place. */
function layPose(of: number, step: LessonStep, lay: Laying): void {
  const { lesson, plan, steps, left } = lay;
  const pose = poseById(step.id);
  if (!pose) {
    left.push({ of, id: step.id, why: 'unknown', reasons: [] });
    return;
  }
  for (const side of sidesOf(pose.sides, step.side)) {
    const own = planned(plan, pose.id, side);
    if (!own) continue;
    if (isDoable(own)) {
      steps.push({
        of,
        is: 'pose',
        planned: own,
        side,
        standsFor: null,
        mark: null,
        ...heldAs(own, step),
      });
      continue;
    }
    const leave = (why: LeftStep['why']) => {
      if (!left.some((one) => one.of === of))
        left.push({ of, id: pose.id, why, reasons: own.reasons });
    };
    const serving = [own.instead, own.around.easier]
      .flatMap((id) => (id === null ? [] : (planned(plan, id, side) ?? [])))
      .find(isDoable);
    if (!serving) leave(whyLeft(own));
    else if (lesson.steps.some(({ is, id }, i) => i !== of && is === 'pose' && id === serving.pose))
      leave('comes-anyway');
    else
      steps.push({
        of,
        is: 'pose',
        planned: serving,
        side: serving.side,
        standsFor: pose.id,
        mark: null,
        ...heldAs(serving, step),
      });
  }
}

/** Lays a movement or a way between: what is easier where a caution speaks against it. */
function layStep(of: number, asked: LessonStep, lay: Laying): void {
  const { plan, person, steps, left } = lay;
  const entry = stepById(asked.id);
  if (!entry) {
    left.push({ of, id: asked.id, why: 'unknown', reasons: [] });
    return;
  }
  const answers: readonly CautionAnswer[] = person.cautions;
  for (const one of sidesOf(entry.sides, asked.side)) {
    const serving = servingStep(entry, one, answers);
    if (!serving) {
      const { reasons } = weighStep(entry, one, answers);
      if (!left.some((other) => other.of === of))
        left.push({ of, id: entry.id, why: 'refused', reasons });
      continue;
    }
    const last = steps.at(-1);
    // What serves both sides alike is done once.
    if (serving.step !== entry && last?.is === 'step' && last.step === serving.step) continue;
    steps.push({
      of,
      is: 'step',
      ...serving,
      standsFor: serving.step === entry ? null : entry.id,
      ...doneAs(serving.step, one, asked, plan),
    });
  }
}

/** On which side, how long and how often a movement is done, and in what. */
function doneAs(
  { at, sides: own, times: usual, seconds: usually }: StepEntry,
  side: ReadingSide,
  { times, seconds }: LessonStep,
  plan: Laying['plan'],
) {
  const counted = usual === undefined ? null : Math.min(usual, times ?? usual);
  const within = at && at !== 'standing' ? planned(plan, at, side) : undefined;
  return {
    side: own === 'each' ? side : ('both' as const),
    within: within?.posture ? within : null,
    times: counted,
    seconds:
      counted === null
        ? Math.min(usually ?? BREATH_SECONDS, seconds ?? Infinity)
        : counted * BREATH_SECONDS,
  };
}

/** A way that leads somewhere: of two in a row only the second one is gone. */
export const leads = (one: PlannedStep): boolean =>
  one.is === 'step' && one.step.kind === 'transition' && !one.step.follows;

/** The same pose twice, with nothing between. */
const isAgain = (one: PlannedStep, before: PlannedStep | undefined): boolean =>
  one.is === 'pose' && before?.is === 'pose' && placeKey(one.planned) === placeKey(before.planned);

/**
 * Without ways that lead nowhere, without what follows a thing that is not done, and nothing twice with nothing between.
 */
export function tidied(steps: readonly PlannedStep[], left: readonly LeftStep[]): PlannedStep[] {
  const gone = new Set(left.filter(({ why }) => why !== 'unknown').map(({ of }) => of));
  for (const { of } of steps) gone.delete(of);
  const followed = steps.filter(
    (one) => !(one.is === 'step' && one.step.follows && gone.has(one.of - 1)),
  );
  const led = followed.filter((one, i) => {
    const next = followed[i + 1];
    return !leads(one) || (next !== undefined && !leads(next));
  });
  return led.filter((one, i) => !isAgain(one, led[i - 1]));
}

/** The same pose on the same side more than once: the first and the last are marked, to be compared. */
export function marked(steps: readonly PlannedStep[]): PlannedStep[] {
  const keys = steps.map((one) => (one.is === 'pose' ? placeKey(one.planned) : null));
  return steps.map((one, i) => {
    const key: PlaceKey | null = keys[i] ?? null;
    if (one.is !== 'pose' || key === null || keys.indexOf(key) === keys.lastIndexOf(key))
      return one;
    if (keys.indexOf(key) === i) return { ...one, mark: 'first' };
    return keys.lastIndexOf(key) === i ? { ...one, mark: 'last' } : one;
  });
}

/**
 * A lesson as one student does it today: supports, ways and holds as planned; what may not be done is replaced by what
 * serves, or left out with its reason.
 *
 * @param plan holds the poses that `posesOfLesson` and `stillWanted` name.
 */
export function planLesson(
  lesson: Lesson,
  plan: Pick<Plan, 'poses'>,
  person: Pick<Person, 'cautions'>,
): LessonPlan {
  const lay: Laying = { lesson, plan, person, steps: [], left: [] };
  for (const [of, step] of lesson.steps.entries()) {
    if (step.is === 'pose') layPose(of, step, lay);
    else if (step.is === 'step') layStep(of, step, lay);
    else lay.left.push({ of, id: step.id, why: 'unknown', reasons: [] });
  }
  const steps = tidied(lay.steps, lay.left);
  // What came to nothing since the same stands beside it is told, too.
  const told = new Set([...steps, ...lay.left].map(({ of }) => of));
  const merged = lesson.steps.flatMap(({ is, id }, of): LeftStep[] =>
    is === 'pose' && !told.has(of) ? [{ of, id, why: 'comes-anyway', reasons: [] }] : [],
  );
  return {
    lesson,
    steps: marked(steps),
    left: [...lay.left, ...merged].sort((a, b) => a.of - b.of),
  };
}

/** A lesson laid for a student on a day, with whatever serves in the place of what is refused. */
export function lessonFor(
  lesson: Lesson,
  record: StudentRecord,
  shelf: Shelf,
  today: LocalDay,
  wish: Pick<PlanWish, 'day'> = {},
): LessonPlan {
  let wanted = posesOfLesson(lesson);
  for (;;) {
    const plan = planStudent(record, shelf, today, { ...wish, poses: wanted });
    const more = stillWanted(plan);
    if (more.length === 0) return planLesson(lesson, plan, record.person);
    wanted = [...wanted, ...more];
  }
}
