import { wayKey, type ApproachId } from '../approaches/approaches';
import { bodyFrom } from '../body/body';
import type { Person, Reading, Session, SessionPose } from '../formats/book';
import type { StudentRecord } from '../estimate/estimate';
import type { PlanPose, PlanSlot } from '../formats/plan';
import type { TriedStep } from '../learn/tried';
import type { Trial } from '../learn/trialLadder';
import { shiftDays, type LocalDay } from '../formats/time';
import type { InputValues } from '../geometry/inputs';
import { memoise } from '../memoise';
import { decision as decisionParameter } from '../parameters';
import { shippedCare, type Care } from '../plan/context';
import { planningFor } from '../plan/plan';
import { poseById, type Pose, type PoseId } from '../poses/poses';
import { bestStacks } from '../props/search';
import type { Shelf } from '../props/shelf';
import { purposeOf, slotRule } from '../props/slots';
import type { SlotRule } from '../props/stack';
import { ranges, sides, type ReadingSide } from '../ranges/ranges';
import { slotKey, slotRefOf, type SlotKey } from '../slots';
import { chanceFrom, seedOf, type Chance } from './chance';
import { practisedElsewhere } from './practised';
import {
  doPose,
  isBuiltIn,
  drawLengths,
  measure,
  simulateStudent,
  trueHeights,
  truthAfter,
  tryOut,
  UNFELT_CM,
  type SimulatedStudent,
} from './student';
import { worlds, type Life, type World, type WorldId } from './world';
import { standsOver } from '../lies';

/** Ways of deciding a height, week by week: this rule, by the calendar, never, and two that see what is hidden. */
export const policyIds = ['rule', 'fixed', 'never', 'level', 'truth'] as const;
export type PolicyId = (typeof policyIds)[number];

/** A slot whose height is followed, with the way in which its pose is set up. */
export interface FollowedSlot {
  readonly pose: PoseId;
  readonly side: ReadingSide;
  readonly slot: SlotKey;
  readonly way?: string;
}

/** What is followed: carrying slots, tilting ones, a ramp, and one-sided poses. */
export const followedSlots: readonly FollowedSlot[] = [
  { pose: 'hero', side: 'both', slot: 'seat' },
  { pose: 'reclined-hero', side: 'both', slot: 'back.high', way: 'ramp' },
  { pose: 'reclined-hero', side: 'both', slot: 'seat', way: 'ramp' },
  { pose: 'staff', side: 'both', slot: 'seat' },
  { pose: 'staff', side: 'both', slot: 'underKnees' },
  { pose: 'seated-fold', side: 'both', slot: 'underKnees', way: 'upright' },
  { pose: 'easy-cross', side: 'left', slot: 'seat' },
  { pose: 'pigeon', side: 'left', slot: 'hipLevel', way: 'upright' },
  { pose: 'squat', side: 'both', slot: 'seat', way: 'seat' },
  { pose: 'reclined-hero-one', side: 'left', slot: 'seat', way: 'ramp' },
  { pose: 'reclined-hero-one', side: 'left', slot: 'back.high', way: 'ramp' },
];
/** The slot that is followed where nothing else is asked for. */
const [HERO_SEAT] = followedSlots as readonly [FollowedSlot];

export interface CohortWish {
  readonly students: number;
  readonly weeks: number;
  readonly seed: number;
  readonly world?: WorldId;
  readonly policies?: readonly PolicyId[];
  readonly slots?: readonly FollowedSlot[];
  readonly care?: Care;
  /** Heights are tried within the visit. */
  readonly trials?: boolean;
}

/** What came of a policy in one slot, over all students and weeks. Heights in centimetres. */
export interface PolicyFigures {
  readonly pose: string;
  readonly slot: SlotKey;
  readonly policy: PolicyId;
  readonly sessions: number;
  /** Sessions in which the slot stood too low to go unfelt, of a hundred, with the standard error between students. */
  readonly jointSignalsPer100: number;
  readonly signalsError: number;
  /** How far it stood over the lowest that the truth of the day allowed, on average. */
  readonly meanExcessCm: number;
  readonly excessError: number;
  /**
   * The excess of the policy that sees the level, with so much in hand that it has as many signals; where it was asked
   * for.
   */
  readonly levelExcessCm: number | null;
  /** Share of weeks in which it stood more than 5 cm over what the level needs, and the longest run of them. */
  readonly stuckShare: number;
  readonly longestStuck: number;
  /** Share of the times it came down that it landed under what the level can just do. */
  readonly loweredUnder: number | null;
  /** Weeks until it had come down 5 cm: the median of those who got there, and how many did. */
  readonly weeksToFiveLower: number | null;
  readonly reachedFiveLower: number;
  /**
   * Share of sessions whose need lay inside the plan's 80 % band, of the day and of the level; only where a plan was
   * asked.
   */
  readonly bandCoverage: number | null;
  readonly levelCoverage: number | null;
  /** Band coverage of the day in the first five sessions, up to the twentieth, and after that. */
  readonly coverageAfter: readonly (number | null)[];
  /** Steps tried a session, and sessions of a hundred in which one of them spoke. */
  readonly looks: number;
  readonly mildWordsPer100: number;
  /** Mean width of the band after 1, 5 and 20 sessions. */
  readonly bandWidthCm: readonly (number | null)[];
}

interface Week {
  readonly week: number;
  readonly heightCm: number;
  /** Height under which the truth of the day is overstepped, and that of the level. */
  readonly edgeCm: number;
  readonly levelEdgeCm: number;
  readonly levelNeedCm: number;
  /** So much under the edge it goes unnoticed. */
  readonly unfeltCm: number;
  readonly inBand: boolean | null;
  readonly levelInBand: boolean | null;
  readonly widthCm: number | null;
  /** Steps that were tried, and whether one spoke. */
  readonly looks: number;
  readonly word: boolean;
}

const START = '2026-01-05';
const MILESTONE_CM = 5;
const MEASURE_EVERY_WEEKS = 2;

function strangerOf(index: number, chance: Chance): Person {
  const sex = index % 2 === 0 ? 'woman' : 'man';
  const statureCm = Math.round(chance.normal(sex === 'woman' ? 166 : 179, 7));
  return {
    id: `sim-${index}`,
    name: `Simulated ${index}`,
    statureCm,
    bodyCm: {},
    sex,
    cautions: [],
    approach: 'built-up-alignment' satisfies ApproachId,
    choices: practisedElsewhere,
    home: [],
  };
}

const meanOf = (values: readonly number[]) =>
  values.length === 0 ? 0 : values.reduce((sum, one) => sum + one, 0) / values.length;
/** Standard error of a mean between students. */
function errorOf(perStudent: readonly number[]): number {
  const mean = meanOf(perStudent);
  const variance =
    perStudent.reduce((sum, one) => sum + (one - mean) ** 2, 0) /
    Math.max(1, perStudent.length - 1);
  return Math.sqrt(variance / Math.max(1, perStudent.length));
}
const shareOf = (yes: readonly (boolean | null)[]) => {
  const known = yes.filter((one) => one !== null);
  return known.length === 0 ? null : known.filter(Boolean).length / known.length;
};

const isSignal = ({ edgeCm, heightCm, unfeltCm }: Week) => edgeCm - heightCm > unfeltCm;
const excessOf = ({ heightCm, edgeCm }: Week) => Math.max(0, heightCm - Math.max(0, edgeCm));
const isStuck = ({ heightCm, levelNeedCm }: Week) => heightCm - levelNeedCm > MILESTONE_CM;

/** The longest run of stuck weeks of one student. */
function longestRun(weeks: readonly Week[]): number {
  let [run, longest] = [0, 0];
  for (const week of weeks) {
    run = isStuck(week) ? run + 1 : 0;
    longest = Math.max(longest, run);
  }
  return longest;
}

/** Whether each lowering of one student landed under what the level can just do. */
const loweringsOf = (weeks: readonly Week[]) =>
  weeks.slice(1).flatMap((week, i) => {
    const before = weeks[i] as Week;
    return standsOver(before.heightCm, week.heightCm)
      ? [standsOver(week.levelEdgeCm, week.heightCm)]
      : [];
  });

/** Spans of sessions of which the coverage is told. */
const SPANS = [
  [0, 5],
  [5, 20],
  [20, Infinity],
] as const;
/** Sessions after which the width of the band is told. */
const WIDTHS_AFTER = [1, 5, 20] as const;

/** Sums a policy's weeks in one slot. */
function figuresOf(
  { pose, slot }: FollowedSlot,
  policy: PolicyId,
  students: readonly (readonly Week[])[],
): PolicyFigures {
  const all = students.flat();
  const came = students.filter(({ length }) => length > 0);
  const signals = came.map((weeks) => 100 * (shareOf(weeks.map(isSignal)) ?? 0));
  const reached = students
    .flatMap((weeks) => {
      const at = weeks.find(({ heightCm }) => heightCm <= (weeks[0]?.heightCm ?? 0) - MILESTONE_CM);
      return at ? [at.week] : [];
    })
    .sort((a, b) => a - b);
  return {
    pose,
    slot,
    policy,
    sessions: all.length,
    jointSignalsPer100: 100 * (shareOf(all.map(isSignal)) ?? 0),
    signalsError: errorOf(signals),
    meanExcessCm: meanOf(all.map(excessOf)),
    excessError: errorOf(came.map((weeks) => meanOf(weeks.map(excessOf)))),
    levelExcessCm: null,
    stuckShare: shareOf(all.map(isStuck)) ?? 0,
    longestStuck: Math.max(0, ...students.map(longestRun)),
    loweredUnder: shareOf(students.flatMap(loweringsOf)),
    weeksToFiveLower: reached[Math.floor(reached.length / 2)] ?? null,
    reachedFiveLower: reached.length,
    bandCoverage: shareOf(all.map(({ inBand }) => inBand)),
    levelCoverage: shareOf(all.map(({ levelInBand }) => levelInBand)),
    coverageAfter: SPANS.map(([from, to]) =>
      shareOf(students.flatMap((weeks) => weeks.slice(from, to).map(({ inBand }) => inBand))),
    ),
    looks: meanOf(all.map(({ looks }) => looks)),
    mildWordsPer100: 100 * (shareOf(all.map(({ word }) => word)) ?? 0),
    bandWidthCm: WIDTHS_AFTER.map((sessions) => {
      const widths = students.flatMap((weeks) => weeks[sessions]?.widthCm ?? []);
      return widths.length === 0 ? null : meanOf(widths);
    }),
  };
}

/** Readings of one evening, as the teacher would take them. */
function readOn(
  student: SimulatedStudent,
  pose: Pose,
  day: LocalDay,
  truth: InputValues,
  { readerBiasDeg }: Life,
  chance: Chance,
): Reading[] {
  return pose.needs.flatMap((id) =>
    (ranges[id].sided ? sides : (['left'] as const)).map((side) => {
      const reading = measure(student, id, side, 'protractor', day, truth, chance);
      const { least, most } = ranges[id];
      const shown = (deg: number) => Math.min(most, Math.max(least, Math.round(deg)));
      return {
        ...reading,
        values: reading.values.map((deg) => shown(deg + readerBiasDeg)),
        id: `${student.person.id}-${day}-${id}-${side}`,
      };
    }),
  );
}

/** What the shelf builds that stands no lower than a height; the floor for the floor. */
const rungFrom = (shelf: Shelf, rule: SlotRule, cm: number): number =>
  cm <= UNFELT_CM
    ? 0
    : (bestStacks(shelf, rule, { targetCm: cm, leastCm: Math.max(0, cm - HAIR_CM) }, 1)[0]
        ?.heightCm ?? cm);
const HAIR_CM = 1e-6;

/** Whether a slot's band holds what is needed. */
const holds = ({ lowCm, highCm }: Pick<PlanSlot, 'lowCm' | 'highCm'>, needCm: number) =>
  needCm >= lowCm - HAIR_CM && needCm <= highCm + HAIR_CM;

/** One pose that is followed, with its slots. */
interface FollowedPose {
  readonly pose: Pose;
  readonly side: ReadingSide;
  readonly slots: readonly FollowedSlot[];
}

function posesOf(slots: readonly FollowedSlot[]): FollowedPose[] {
  const keys = [...new Set(slots.map(({ pose, side }) => `${pose}/${side}`))];
  return keys.map((key) => {
    const own = slots.filter(({ pose, side }) => `${pose}/${side}` === key);
    const [{ pose: id, side }] = own as [FollowedSlot];
    return { pose: poseById(id) as Pose, side, slots: own };
  });
}

interface Born {
  readonly student: SimulatedStudent;
  /** The student as the planner knows them: stature alone. */
  readonly known: Person;
  readonly life: Life;
}

function bornIn(world: World, { slots }: FollowedPose, index: number, { seed }: CohortWish): Born {
  const birth = chanceFrom(seedOf(seed, index, 1));
  const stranger = strangerOf(index, birth);
  const ways = slots.flatMap(({ pose, way }) => (way ? [[wayKey(pose), way] as const] : []));
  const known = { ...stranger, choices: { ...practisedElsewhere, ...Object.fromEntries(ways) } };
  const own = chanceFrom(seedOf(seed, index, 4));
  const bodyCm =
    world.lengthSpread === 0 ? {} : drawLengths(known.statureCm, world.lengthSpread, own);
  const student = simulateStudent({ ...known, bodyCm }, START, birth, {
    quirkSdCm: world.quirkSdCm,
    ...world.eye(own),
  });
  return { student, known, life: world.life(birth) };
}

/** How much too low goes unnoticed in a slot. */
const unfeltIn = (pose: Pose, key: SlotKey, { unseenTiltCm }: SimulatedStudent) =>
  UNFELT_CM + (purposeOf(slotRefOf(key).slot, pose.family) === 'tilt' ? unseenTiltCm : 0);

const builtIn = (planned: PlanPose | undefined): Readonly<Record<string, number>> =>
  planned
    ? Object.fromEntries(
        planned.slots.filter(isBuiltIn(planned)).map((slot) => [slotKey(slot), slot.stackCm]),
      )
    : {};

type Needs = Readonly<Record<string, number>>;

/** What one slot's week is made of. */
interface InWeek {
  readonly one: FollowedSlot;
  readonly week: number;
  readonly student: SimulatedStudent;
  readonly pose: Pose;
  readonly policy: PolicyId;
  /** Today's plan, where the policy looks at one. */
  readonly planned: PlanPose | undefined;
  /** The first plan of all. */
  readonly first: PlanPose | undefined;
  readonly built: Needs;
  /** Heights that are needed, and under which the body says so: by the truth of the day, and by the level. */
  readonly day: readonly [Needs, Needs];
  readonly level: readonly [Needs, Needs];
  /** Steps that were tried that week. */
  readonly tried: readonly TriedStep[];
}

const ruleOf = ({ slot: key, way }: FollowedSlot, pose: Pose) =>
  slotRule(slotRefOf(key).slot, pose.family, bodyFrom(PLAIN_STATURE_CM), way);

/** The height at which a policy builds a slot. */
function heightBy({ one, week, pose, policy, first, built, day, level }: InWeek, shelf: Shelf) {
  const { slot: key } = one;
  const firstCm = builtIn(first)[key] ?? 0;
  switch (policy) {
    case 'rule':
      return built[key] ?? 0;
    case 'never':
      return firstCm;
    case 'fixed':
      return Math.max(0, firstCm - decisionParameter.mostRung.value * Math.floor(week / 2));
    case 'level':
      return rungFrom(shelf, ruleOf(one, pose), overFloor(level[0], key));
    case 'truth':
      return rungFrom(shelf, ruleOf(one, pose), overFloor(day[0], key));
  }
}
/** A body whose width decides what may serve as a seat. */
const PLAIN_STATURE_CM = 170;

const overFloor = (of: Needs, key: SlotKey) => Math.max(0, of[key] ?? 0);

/** What came of one slot in one week. */
function weekOf(in_: InWeek, shelf: Shelf): Week {
  const { one, week, student, pose, policy, planned, day, level, tried } = in_;
  const key = one.slot;
  const own = tried.filter((step) => slotKey(step) === key);
  const heightCm = heightBy(in_, shelf);
  const slot = policy === 'rule' ? planned?.slots.find((of) => slotKey(of) === key) : undefined;
  const edgeCm = overFloor(day[1], key);
  return {
    week,
    heightCm,
    edgeCm,
    levelEdgeCm: overFloor(level[1], key),
    levelNeedCm: overFloor(level[0], key),
    unfeltCm: unfeltIn(pose, key, student),
    inBand: slot ? holds(slot, overFloor(day[0], key)) : null,
    levelInBand: slot ? holds(slot, overFloor(level[0], key)) : null,
    widthCm: slot ? slot.highCm - slot.lowCm : null,
    looks: own.length,
    word: own.some(({ word }) => word),
  };
}

/** What is advised for one pose on a day, with what is worth trying; undefined where the pose is not planned. */
function adviseOn(
  record: StudentRecord,
  { pose, side }: FollowedPose,
  shelf: Shelf,
  day: LocalDay,
  care: Care,
): { readonly planned: PlanPose; readonly trial: () => Trial | null } | undefined {
  const { plan, trial } = planningFor(record, shelf, day, { poses: [pose.id], care });
  const planned = plan.poses.find((one) => one.side === side);
  return planned && { planned, trial: () => trial({ pose: pose.id, side }) };
}

/** Whether a pose is done at all that day. */
const isHeld = (planned: PlanPose | undefined): planned is PlanPose =>
  Boolean(planned?.posture) && planned?.decision.action !== 'rest';

type Trials = readonly TriedStep[];
const withTrials = (outcome: SessionPose, trials: Trials): SessionPose =>
  trials.length > 0 ? { ...outcome, trials: [...trials] } : outcome;

/** A pose as it is held: as advised, or as it was found by trying. */
function heldOn(
  advised: ReturnType<typeof adviseOn>,
  isTried: boolean,
  { student, truth }: { readonly student: SimulatedStudent; readonly truth: InputValues },
  speaks: (tooLow: boolean) => boolean,
): { readonly planned: PlanPose | undefined; readonly trials: Trials } {
  const trial = isTried ? advised?.trial() : null;
  return advised && trial
    ? tryOut(student, advised.planned, trial, truth, speaks)
    : { planned: advised?.planned, trials: [] };
}

/**
 * One student's weeks in one pose under one policy, slot by slot. The same seed gives every policy the same student,
 * days, absences and readings.
 */
function followStudent(
  index: number,
  policy: PolicyId,
  followed: FollowedPose,
  wish: CohortWish,
  shelf: Shelf,
  care: Care,
): ReadonlyMap<FollowedSlot, Week[]> {
  const { pose, side, slots } = followed;
  const { student, known, life } = bornIn(worlds[wish.world ?? 'own'], followed, index, wish);
  const days = chanceFrom(seedOf(wish.seed, index, 2));
  const felt = chanceFrom(seedOf(wish.seed, index, 3));
  const lies = chanceFrom(seedOf(wish.seed, index, 5));
  const hears = chanceFrom(seedOf(wish.seed, index, 6));
  const looksBack = policy === 'rule';
  const readings: Reading[] = [];
  const sessions: Session[] = [];
  const weeks = new Map<FollowedSlot, Week[]>(slots.map((one) => [one, []]));
  let first: PlanPose | undefined;
  let grown = 0;
  for (let week = 0; week < wish.weeks; week++) {
    const day = shiftDays(START, 7 * week);
    const lostDeg = life.setback(lies);
    const truth = truthAfter(student, grown, life.swing(days) - lostDeg);
    const level = truthAfter(student, grown, -lostDeg);
    const comes = life.comes(week, days);
    const read = readOn(student, pose, day, truth, life, days);
    if (comes && week % MEASURE_EVERY_WEEKS === 0) readings.push(...read);
    grown = life.grown(grown, comes);
    if (!comes) continue;
    const record = { person: known, readings: [...readings], sessions: [...sessions] };
    // Only the rule looks back; the others need a plan once, for the height to begin with.
    const advised = looksBack || !first ? adviseOn(record, followed, shelf, day, care) : undefined;
    first ??= advised?.planned;
    const { planned, trials } = heldOn(
      advised,
      wish.trials === true && looksBack,
      { student, truth },
      (tooLow) => life.speaks(tooLow, hears),
    );
    const built = builtIn(planned?.posture ? planned : first);
    const needs = (values: InputValues, edge: boolean) =>
      trueHeights(student, pose.id, values, { built, side, edge });
    const [dayNeed, dayEdge] = [needs(truth, false), needs(truth, true)];
    const [levelNeed, levelEdge] = [needs(level, false), needs(level, true)];
    // A week in which the pose is done without a slot is none of that slot's.
    for (const one of slots.filter(({ slot: key }) => built[key] !== undefined))
      (weeks.get(one) as Week[]).push(
        weekOf(
          {
            one,
            week,
            student,
            pose,
            policy,
            planned,
            first,
            built,
            day: [dayNeed, dayEdge],
            level: [levelNeed, levelEdge],
            tried: trials,
          },
          shelf,
        ),
      );
    if (isHeld(planned))
      sessions.push({
        id: `${student.person.id}-${week}`,
        person: student.person.id,
        at: day,
        poses: [withTrials(life.told(doPose(student, planned, truth, felt), lies), trials)],
      });
  }
  return weeks;
}

/** In hand over the level's need, tried from the least up. */
const IN_HAND_CM = Array.from({ length: 101 }, (_, i) => -10 + i * 0.25);

/**
 * The excess of a policy that knows each student's level and keeps so much in hand that it has no more signals than
 * asked; null where it never has as few.
 */
function levelExcessAt(
  signalsPer100: number,
  weeks: readonly Week[],
  { one, pose }: { readonly one: FollowedSlot; readonly pose: Pose },
  shelf: Shelf,
): number | null {
  const rung = memoise((cm: number) => rungFrom(shelf, ruleOf(one, pose), cm / 4));
  for (const inHandCm of IN_HAND_CM) {
    const stands = weeks.map((week) => ({
      ...week,
      heightCm: rung(Math.ceil(4 * Math.max(0, week.levelNeedCm + inHandCm))),
    }));
    const signals = shareOf(stands.map(isSignal)) ?? 0;
    if (100 * signals <= signalsPer100) return meanOf(stands.map(excessOf));
  }
  return null;
}

/** Runs a simulated cohort under each policy, slot by slot. */
export function simulateCohort(wish: CohortWish, shelf: Shelf): PolicyFigures[] {
  const care = wish.care ?? shippedCare;
  return posesOf(wish.slots ?? [HERO_SEAT]).flatMap((followed) => {
    const lived = (wish.policies ?? policyIds).map((policy) => ({
      policy,
      students: Array.from({ length: wish.students }, (_, index) =>
        followStudent(index, policy, followed, wish, shelf, care),
      ),
    }));
    return followed.slots.flatMap((one) => {
      const weeksOf = (policy: PolicyId) =>
        lived
          .find((life) => life.policy === policy)
          ?.students.map((weeks) => weeks.get(one) as Week[]);
      const level = weeksOf('level')?.flat();
      return lived.map(({ policy }) => {
        const figures = figuresOf(one, policy, weeksOf(policy) ?? []);
        const at = { one, pose: followed.pose };
        return policy === 'rule' && level
          ? {
              ...figures,
              levelExcessCm: levelExcessAt(figures.jointSignalsPer100, level, at, shelf),
            }
          : figures;
      });
    });
  });
}

/** The trade-off of the rule: what each care costs in height and saves in signals. */
export function tradeOff(
  wish: CohortWish,
  shelf: Shelf,
  cautions: readonly Care[],
): (PolicyFigures & Care)[] {
  return cautions.flatMap((care) =>
    simulateCohort({ ...wish, policies: ['rule'], care }, shelf).map((figures) => ({
      ...care,
      ...figures,
    })),
  );
}
