import type { ApproachId } from '../approaches/approaches';
import type { Person, Reading, Session } from '../formats/book';
import { shiftDays } from '../formats/time';
import { planStudent, shippedCaution, type Caution } from '../plan/plan';
import { decision as decisionParameter } from '../parameters';
import type { Shelf } from '../props/shelf';
import { ranges, sides, type RangeId } from '../ranges/ranges';
import { chanceFrom, type Chance } from './chance';
import { daySwing, doPose, measure, simulateStudent, trueHeights, truthOn, type SimulatedStudent } from './student';

/** Ways of deciding the seat of hero, week by week. */
export const policyIds = ['rule', 'fixed', 'never', 'truth'] as const;
export type PolicyId = (typeof policyIds)[number];

export interface CohortWish {
  readonly students: number;
  readonly weeks: number;
  readonly seed: number;
  readonly policies?: readonly PolicyId[];
  readonly caution?: Caution;
}

/** What came of a policy over all students and weeks. */
export interface PolicyFigures {
  readonly policy: PolicyId;
  readonly sessions: number;
  /** Sessions in which a joint spoke, of a hundred. */
  readonly jointSignalsPer100: number;
  /** How far the seat stood over what the truth of the day allowed, on average, in centimetres. */
  readonly meanExcessCm: number;
  /** Weeks until the seat had come down 5 cm: the median of those who got there, and how many did. */
  readonly weeksToFiveLower: number | null;
  readonly reachedFiveLower: number;
  /** Share of sessions whose true need lay inside the plan's 80 % band; only where a plan was asked. */
  readonly bandCoverage: number | null;
}

interface Week {
  readonly seatCm: number;
  readonly needCm: number;
  readonly signal: boolean;
  readonly inBand: boolean | null;
}

const START = '2026-01-05';
const MILESTONE_CM = 5;
/** Under this a seat too low is not felt. */
const FELT_CM = 1.5;
const MEASURED: readonly RangeId[] = ['kneeFlexion.hipBent'];
const MEASURE_EVERY_WEEKS = 4;

function strangerOf(index: number, chance: Chance): Person {
  const sex = index % 2 === 0 ? 'woman' : 'man';
  const statureCm = Math.round(chance.normal(sex === 'woman' ? 166 : 179, 7));
  return { id: `sim-${index}`, name: `Simulated ${index}`, statureCm, bodyCm: {}, sex, cautions: [], approach: 'built-up-alignment' satisfies ApproachId, choices: {}, home: [] };
}

/** Sums a policy's weeks. */
function figuresOf(policy: PolicyId, students: readonly (readonly Week[])[]): PolicyFigures {
  const all = students.flat();
  const share = (count: number) => (all.length === 0 ? 0 : count / all.length);
  const reached = students.flatMap((weeks) => {
    const at = weeks.findIndex(({ seatCm }) => seatCm <= (weeks[0]?.seatCm ?? 0) - MILESTONE_CM);
    return at < 0 ? [] : [at];
  }).sort((a, b) => a - b);
  const banded = all.filter(({ inBand }) => inBand !== null);
  return {
    policy, sessions: all.length,
    jointSignalsPer100: 100 * share(all.filter(({ signal }) => signal).length),
    meanExcessCm: share(all.reduce((sum, { seatCm, needCm }) => sum + Math.max(0, seatCm - needCm), 0)),
    weeksToFiveLower: reached[Math.floor(reached.length / 2)] ?? null,
    reachedFiveLower: reached.length,
    bandCoverage: banded.length === 0 ? null : banded.filter(({ inBand }) => inBand).length / banded.length,
  };
}

/** Readings of one evening, as the teacher would take them. */
function readOn(student: SimulatedStudent, day: string, truth: ReturnType<typeof truthOn>, chance: Chance): Reading[] {
  return MEASURED.flatMap((id) => (ranges[id].sided ? sides : (['left'] as const)).map((side) => ({ ...measure(student, id, side, 'protractor', day, truth, chance), id: `${student.person.id}-${day}-${id}-${side}` })));
}

/** One student's weeks under one policy. The same seed gives every policy the same student, days and readings. */
function followStudent(index: number, policy: PolicyId, { weeks, seed }: CohortWish, shelf: Shelf, caution: Caution): Week[] {
  const birth = chanceFrom(seed * 7919 + index);
  const student = simulateStudent(strangerOf(index, birth), START, birth);
  const days = chanceFrom(seed * 104_729 + index);
  const readings: Reading[] = [];
  const sessions: Session[] = [];
  const followed: Week[] = [];
  let firstCm = 0;
  for (let week = 0; week < weeks; week++) {
    const day = shiftDays(START, 7 * week);
    const truth = truthOn(student, day, daySwing(days));
    if (week % MEASURE_EVERY_WEEKS === 0) readings.push(...readOn(student, day, truth, days));
    // A need below the floor is the floor.
    const needCm = Math.max(0, trueHeights(student, 'hero', truth).seat ?? 0);
    // Only the rule looks back; the others need a plan once, for the height to begin with.
    const planned = policy === 'rule' || week === 0 ? planStudent({ person: student.person, readings, sessions }, shelf, day, { poses: ['hero'], caution }).poses[0] : undefined;
    const seat = planned?.slots.find(({ slot }) => slot === 'seat');
    if (week === 0) firstCm = seat?.stackCm ?? 0;
    const seatCm = { rule: seat?.stackCm ?? 0, never: firstCm, fixed: Math.max(0, firstCm - decisionParameter.mostRung.value * Math.floor(week / 2)), truth: needCm }[policy];
    const done = planned && planned.decision.action !== 'rest' ? doPose(student, planned, truth, days) : undefined;
    if (done) sessions.push({ id: `${student.person.id}-${week}`, person: student.person.id, at: day, poses: [done] });
    followed.push({ seatCm, needCm, signal: needCm - seatCm > FELT_CM, inBand: policy === 'rule' && seat ? needCm >= seat.lowCm && needCm <= seat.highCm : null });
  }
  return followed;
}

/** Runs a simulated cohort under each policy. */
export function simulateCohort(wish: CohortWish, shelf: Shelf): PolicyFigures[] {
  const caution = wish.caution ?? shippedCaution;
  return (wish.policies ?? policyIds).map((policy) =>
    figuresOf(policy, Array.from({ length: wish.students }, (_, index) => followStudent(index, policy, wish, shelf, caution))));
}

/** The trade-off of the rule: what each caution costs in height and saves in signals. */
export function tradeOff(wish: CohortWish, shelf: Shelf, cautions: readonly Caution[]): (PolicyFigures & Caution)[] {
  return cautions.map((caution) => ({ ...caution, ...(simulateCohort({ ...wish, policies: ['rule'], caution }, shelf)[0] as PolicyFigures) }));
}
