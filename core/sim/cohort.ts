import type { PlanSlot } from '../formats/plan';
import type { ApproachId } from '../approaches/approaches';
import type { Person, Reading, Session } from '../formats/book';
import { shiftDays, type LocalDay } from '../formats/time';
import { shippedCare, type Care } from '../plan/context';
import { planStudent } from '../plan/plan';
import { decision as decisionParameter } from '../parameters';
import type { Shelf } from '../props/shelf';
import { ranges, sides, type RangeId } from '../ranges/ranges';
import { chanceFrom, seedOf, type Chance } from './chance';
import {
  daySwing,
  doPose,
  grownAfter,
  measure,
  simulateStudent,
  trueHeights,
  truthAfter,
  UNFELT_CM,
  type SimulatedStudent,
} from './student';
import type { InputValues } from '../geometry/inputs';
import { bestStacks } from '../props/search';
import { slotRule } from '../props/slots';
import type { SlotRule } from '../props/stack';

/** Ways of deciding the seat of hero, week by week. */
export const policyIds = ['rule', 'fixed', 'never', 'truth'] as const;
export type PolicyId = (typeof policyIds)[number];

export interface CohortWish {
  readonly students: number;
  readonly weeks: number;
  readonly seed: number;
  readonly policies?: readonly PolicyId[];
  readonly care?: Care;
}

/** What came of a policy over all students and weeks. */
export interface PolicyFigures {
  readonly policy: PolicyId;
  readonly sessions: number;
  /** Sessions in which a joint spoke, of a hundred. */
  readonly jointSignalsPer100: number;
  /** How far the seat stood over the lowest that the truth of the day allowed, on average, in centimetres. */
  readonly meanExcessCm: number;
  /** Weeks until the seat had come down 5 cm: the median of those who got there, and how many did. */
  readonly weeksToFiveLower: number | null;
  readonly reachedFiveLower: number;
  /** Share of sessions whose true need lay inside the plan's 80 % band; only where a plan was asked. */
  readonly bandCoverage: number | null;
}

interface Week {
  readonly week: number;
  readonly seatCm: number;
  /** Seat under which the truth of the day is overstepped. */
  readonly edgeCm: number;
  readonly signal: boolean;
  readonly inBand: boolean | null;
}

const START = '2026-01-05';
const MILESTONE_CM = 5;
const MEASURED: readonly RangeId[] = ['kneeFlexion.hipBent'];
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
    choices: {},
    home: [],
  };
}

/** Sums a policy's weeks. */
function figuresOf(policy: PolicyId, students: readonly (readonly Week[])[]): PolicyFigures {
  const all = students.flat();
  const share = (count: number) => (all.length === 0 ? 0 : count / all.length);
  const reached = students
    .flatMap((weeks) => {
      const at = weeks.find(({ seatCm }) => seatCm <= (weeks[0]?.seatCm ?? 0) - MILESTONE_CM);
      return at ? [at.week] : [];
    })
    .sort((a, b) => a - b);
  const banded = all.filter(({ inBand }) => inBand !== null);
  return {
    policy,
    sessions: all.length,
    jointSignalsPer100: 100 * share(all.filter(({ signal }) => signal).length),
    meanExcessCm: share(
      all.reduce((sum, { seatCm, edgeCm }) => sum + Math.max(0, seatCm - edgeCm), 0),
    ),
    weeksToFiveLower: reached[Math.floor(reached.length / 2)] ?? null,
    reachedFiveLower: reached.length,
    bandCoverage:
      banded.length === 0 ? null : banded.filter(({ inBand }) => inBand).length / banded.length,
  };
}

/** Readings of one evening, as the teacher would take them. */
function readOn(
  student: SimulatedStudent,
  day: LocalDay,
  truth: InputValues,
  chance: Chance,
): Reading[] {
  return MEASURED.flatMap((id) =>
    (ranges[id].sided ? sides : (['left'] as const)).map((side) => ({
      ...measure(student, id, side, 'protractor', day, truth, chance),
      id: `${student.person.id}-${day}-${id}-${side}`,
    })),
  );
}

/** What the shelf builds that stands no lower than a height. */
const rungFrom = (shelf: Shelf, rule: SlotRule, cm: number): number =>
  bestStacks(shelf, rule, { targetCm: cm }, Math.max(0, cm - HAIR_CM), Infinity, 1)[0]?.heightCm ??
  cm;
const HAIR_CM = 1e-6;
/** Of all evenings: some come always, some every other time. */
const [COMES_LEAST, COMES_MOST] = [0.5, 1];

/** Hero as it would be planned on a day, from what was read and done until then. */
const planHero = (
  { person }: SimulatedStudent,
  readings: readonly Reading[],
  sessions: readonly Session[],
  shelf: Shelf,
  day: LocalDay,
  care: Care,
) =>
  planStudent({ person, readings: [...readings], sessions: [...sessions] }, shelf, day, {
    poses: ['hero'],
    care,
  }).poses[0];

const heightOf = (slot: PlanSlot | undefined) => slot?.stackCm ?? 0;
/** Whether a slot's band holds what is needed. */
const holds = ({ lowCm, highCm }: Pick<PlanSlot, 'lowCm' | 'highCm'>, needCm: number) =>
  needCm >= lowCm - HAIR_CM && needCm <= highCm + HAIR_CM;

/**
 * One student's weeks under one policy. The same seed gives every policy the same student, days, absences and readings.
 * Ranges grow with a week of practice and wane without; every day swings about them.
 */
function followStudent(
  index: number,
  policy: PolicyId,
  { weeks, seed }: CohortWish,
  shelf: Shelf,
  care: Care,
): Week[] {
  const birth = chanceFrom(seedOf(seed, index, 1));
  const student = simulateStudent(strangerOf(index, birth), START, birth);
  const rule = slotRule('seat', 'kneeling', student.body);
  const attends = COMES_LEAST + birth.uniform() * (COMES_MOST - COMES_LEAST);
  const days = chanceFrom(seedOf(seed, index, 2));
  const felt = chanceFrom(seedOf(seed, index, 3));
  const looksBack = policy === 'rule';
  const readings: Reading[] = [];
  const sessions: Session[] = [];
  const followed: Week[] = [];
  let firstCm = 0;
  let grown = 0;
  for (let week = 0; week < weeks; week++) {
    const day = shiftDays(START, 7 * week);
    const truth = truthAfter(student, grown, daySwing(days));
    const comes = week === 0 || days.uniform() < attends;
    const read = readOn(student, day, truth, days);
    if (comes && week % MEASURE_EVERY_WEEKS === 0) readings.push(...read);
    const level = truthAfter(student, grown, 0);
    grown = grownAfter(grown, comes);
    if (!comes) continue;
    // A need below the floor is the floor.
    const seatOf = (values: InputValues, edge: boolean) =>
      Math.max(0, trueHeights(student, 'hero', values, { edge }).seat ?? 0);
    // Only the rule looks back; the others need a plan once, for the height to begin with.
    const planned =
      looksBack || followed.length === 0
        ? planHero(student, readings, sessions, shelf, day, care)
        : undefined;
    const seat = planned?.slots.find(({ slot }) => slot === 'seat');
    const builtCm = heightOf(seat);
    if (followed.length === 0) firstCm = builtCm;
    const seatCm = {
      rule: () => builtCm,
      never: () => firstCm,
      fixed: () => Math.max(0, firstCm - decisionParameter.mostRung.value * Math.floor(week / 2)),
      truth: () => rungFrom(shelf, rule, seatOf(level, false)),
    }[policy]();
    if (planned && planned.decision.action !== 'rest')
      sessions.push({
        id: `${student.person.id}-${week}`,
        person: student.person.id,
        at: day,
        poses: [doPose(student, planned, truth, felt)],
      });
    const needCm = seatOf(truth, false);
    followed.push({
      week,
      seatCm,
      edgeCm: seatOf(truth, true),
      signal: seatOf(truth, true) - seatCm > UNFELT_CM,
      inBand: looksBack && seat ? holds(seat, needCm) : null,
    });
  }
  return followed;
}

/** Runs a simulated cohort under each policy. */
export function simulateCohort(wish: CohortWish, shelf: Shelf): PolicyFigures[] {
  const care = wish.care ?? shippedCare;
  return (wish.policies ?? policyIds).map((policy) =>
    figuresOf(
      policy,
      Array.from({ length: wish.students }, (_, index) =>
        followStudent(index, policy, wish, shelf, care),
      ),
    ),
  );
}

/** The trade-off of the rule: what each care costs in height and saves in signals. */
export function tradeOff(
  wish: CohortWish,
  shelf: Shelf,
  cautions: readonly Care[],
): (PolicyFigures & Care)[] {
  return cautions.map((care) => ({
    ...care,
    ...(simulateCohort({ ...wish, policies: ['rule'], care }, shelf)[0] as PolicyFigures),
  }));
}
