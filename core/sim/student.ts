import { bodyFrom, usualShare, type Body, type TapedBody } from '../body/body';
import { tapedLengths } from '../body/lengths';
import type { Person, Reading, SessionPose } from '../formats/book';
import type { PlanPose } from '../formats/plan';
import { daysBetween, type LocalDay } from '../formats/time';
import { type Built } from '../geometry/family';
import { atTheEdge } from '../prepare/prepare';
import { inItsWay } from '../prepare/ways';
import type { Shelf } from '../props/shelf';
import type { TriedStep } from '../learn/tried';
import type { Trial } from '../learn/trialLadder';
import { neededOn } from '../learn/evidence';
import { standsIn } from '../prepare/limits';
import { uncertainParameters, type InputValues, type InputKey } from '../geometry/inputs';
import { methods, protocolOf, type MethodId } from '../protocols/protocols';
import { offset as offsetParameter, reading as readingParameter } from '../parameters';
import {
  keysOf,
  priorOf,
  rangeIds,
  ranges,
  type RangeId,
  type RangeKey,
  type ReadingSide,
  type Side,
} from '../ranges/ranges';
import { comesDown, poseById } from '../poses/poses';
import type { Chance } from './chance';
import { purposeOf } from '../props/slots';
import { slotKey, slotRefOf, type SlotKey } from '../slots';

/**
 * A student whose true ranges are known to the simulation and hidden from the reckoning. Marked as simulated wherever
 * shown.
 */
export interface SimulatedStudent {
  readonly person: Person;
  readonly body: Body;
  readonly startAt: string;
  /** True value of every input at the start. */
  readonly atStart: InputValues;
  /** Degrees gained a week with practice. */
  readonly growthPerWeek: InputValues;
  /** What no model knows: centimetres more or less than reckoned, by pose and slot. */
  readonly quirkCm: (pose: string, slot: string) => number;
  /** So much too low what tilts the pelvis may stand, and it is not seen. */
  readonly unseenTiltCm: number;
}

/** What a simulated student is drawn with beyond what is usual. */
export interface Drawn {
  /** Inputs that are set by hand. */
  readonly set?: InputValues;
  /** Spread, in cm, of what no range and no parameter explains. */
  readonly quirkSdCm?: number;
  /** What the teacher's eye misses in a pelvis, in cm of what tilts it. */
  readonly unseenTiltCm?: number;
}

/** Draws hidden ranges around what is usual for such a person; sides differ a little. */
export function simulateStudent(
  person: Person,
  startAt: string,
  chance: Chance,
  { set = {}, quirkSdCm = UNKNOWN_CM, unseenTiltCm = offsetParameter.unseenTilt.value }: Drawn = {},
): SimulatedStudent {
  const truth: Partial<Record<InputKey, number>> = {};
  const growth: Partial<Record<InputKey, number>> = {};
  for (const id of rangeIds) {
    // Read of nobody here: what the planner does not see of a pelvis is a tilt of its own.
    if (id === 'pelvicTilt.longSit' || id === 'pelvicTilt.sits') continue;
    const prior = priorOf(id, person.sex);
    const whole = chance.normal(prior.mean, prior.sd * 0.9);
    const gain =
      ranges[id].unit === 'deg' && ranges[id].warms ? Math.max(0, chance.normal(0.35, 0.2)) : 0;
    for (const key of keysOf(id)) {
      truth[key] = set[key] ?? (ranges[id].sided ? chance.normal(whole, 3) : whole);
      growth[key] = gain;
    }
  }
  for (const [key, parameter] of Object.entries(uncertainParameters))
    truth[key as InputKey] = chance.normal(parameter.value, parameter.sd);
  const quirks = new Map<string, number>();
  return {
    person,
    body: bodyFrom(person.statureCm, person.bodyCm),
    startAt,
    atStart: truth,
    growthPerWeek: growth,
    quirkCm: (pose, slot) => {
      const key = `${pose}/${slot}`;
      const quirk = quirks.get(key) ?? chance.normal(0, quirkSdCm);
      quirks.set(key, quirk);
      return quirk;
    },
    unseenTiltCm,
  };
}

/** True values on a day of somebody who practises every week: grown since the start, swung by the day. */
export const truthOn = (student: SimulatedStudent, day: LocalDay, swingDeg: number): InputValues =>
  truthAfter(student, Math.max(0, daysBetween(student.startAt, day) / 7), swingDeg);

/** True values after so many weeks of growth, swung by the day. */
export function truthAfter(
  student: SimulatedStudent,
  weeks: number,
  swingDeg: number,
): InputValues {
  return Object.fromEntries(
    Object.entries(student.atStart).map(([key, value]) => {
      const range = ranges[key.split(':')[0] as RangeId];
      const swings = range?.unit === 'deg' && range.warms;
      return [
        key,
        (value as number) +
          (student.growthPerWeek[key as InputKey] ?? 0) * weeks +
          (swings ? swingDeg : 0),
      ];
    }),
  );
}

/** Lengths of one body in cm, spread about the usual share of stature. */
export const drawLengths = (statureCm: number, spread: number, chance: Chance): TapedBody =>
  Object.fromEntries(
    tapedLengths.map((length) => [
      length,
      usualShare[length] * statureCm * chance.normal(1, spread),
    ]),
  );

/** How far the ranges of one day lie off their level, in degrees. */
export const daySwing = (chance: Chance) => chance.normal(0, readingParameter.daySwing.value);

/** What a method shows for a true range, where its protocol reads a little off and puts it right again. */
export function shownFor(id: RangeId, method: MethodId, value: number): number {
  const protocol = protocolOf(id, method);
  const { mean } =
    protocol?.unit === 'deg'
      ? protocol.convert(value, 1, { body: bodyFrom(170), coupling: { mean: 1, sd: 0 } })
      : { mean: value };
  return 2 * value - mean;
}

/**
 * The errors of the readings of one look, together as large as one reading's: where the tool is laid is alike in all of
 * them.
 */
export function lookErrors(sem: number, chance: Chance): () => number {
  const { value: placing } = readingParameter.placing;
  const placed = chance.normal(0, placing * sem);
  return () => placed + chance.normal(0, Math.sqrt(1 - placing ** 2) * sem);
}

/** A simulated reading: the truth of the day with the method's error, as whole degrees. */
export function measure(
  student: SimulatedStudent,
  id: RangeId,
  side: Side,
  method: MethodId,
  at: string,
  truth: InputValues,
  chance: Chance,
  readings = 2,
): Omit<Reading, 'id'> {
  const value = shownFor(
    id,
    method,
    truth[ranges[id].sided ? (`${id}:${side}` as RangeKey) : id] as number,
  );
  const { least, most } = ranges[id];
  const look = lookErrors(methods[method].semDeg ?? 3, chance);
  const values = Array.from({ length: readings }, () =>
    Math.round(Math.min(most, Math.max(least, value + look()))),
  );
  return {
    person: student.person.id,
    range: id,
    side: ranges[id].sided ? side : 'both',
    method,
    values,
    at,
    warm: false,
    note: '',
  };
}

/**
 * Heights that are right for this body in a pose on a day, by slot key; at the edge, those under which its ranges are
 * overstepped.
 */
export function trueHeights(
  student: SimulatedStudent,
  poseId: string,
  truth: InputValues,
  {
    built = {},
    side = 'both',
    edge = false,
  }: { built?: Built; side?: ReadingSide; edge?: boolean } = {},
): Record<string, number> {
  const { family, body, settings } = inItsWay({
    person: student.person,
    pose: poseId,
    shelf: NO_SHELF,
    values: truth,
    side,
  });
  const input = { body, settings: edge ? atTheEdge(settings) : settings, values: truth, side };
  return Object.fromEntries(
    family.heights(input).map((need) => {
      const key = slotKey(need);
      const rawCm = neededOn(family, input, built, key) ?? need.rawCm;
      const quirkCm = need.isChosen || need.isLength ? 0 : student.quirkCm(poseId, key);
      return [key, rawCm + quirkCm];
    }),
  );
}

const builtOf = (planned: PlanPose): Built =>
  Object.fromEntries(
    planned.slots.filter(isBuiltIn(planned)).map((slot) => [slotKey(slot), slot.stackCm]),
  );
/** What is left empty for want of a support is no height of nought. */
export const isBuiltIn = ({ pose: id }: PlanPose) => {
  const pose = poseById(id);
  return (slot: PlanPose['slots'][number]) => pose !== undefined && standsIn(pose, slot);
};

/** Slots that, too low, are felt in the knee; elsewhere muscles pull and the pelvis rolls. */
const JOINTS_SPEAK: Readonly<Record<string, readonly string[]>> = {
  seat: ['kneeling', 'kneeling on heels', 'child', 'reclined hero', 'reclined hero, one leg'],
  hipLevel: ['pigeon', 'king pigeon'],
};

/** Under the edge by less than this, nothing is felt. */
export const UNFELT_CM = 0.5;
const NO_SHELF: Shelf = [];
/** Spread of what no range and no parameter explains, per pose and slot. */
const UNKNOWN_CM = 2;

/** The slot that stands furthest under what is needed. */
function shortestOf(
  planned: PlanPose,
  needs: Readonly<Record<string, number>>,
  unseenTiltCm: number,
) {
  const pose = poseById(planned.pose);
  const purposeAt = (key: SlotKey) => pose && purposeOf(slotRefOf(key).slot, pose.family);
  // What fills or reaches pulls nowhere when it is a little low.
  const pulls = (key: SlotKey) => ['carry', 'tilt'].includes(purposeAt(key) ?? '');
  return planned.slots
    .filter(
      (slot) => comesDown(pose, slotKey(slot)) && pulls(slotKey(slot)) && isBuiltIn(planned)(slot),
    )
    .map((slot) => ({
      key: slotKey(slot),
      cm: Math.max(0, needs[slotKey(slot)] ?? 0) - slot.stackCm,
    }))
    .map((one) => (purposeAt(one.key) === 'tilt' ? { ...one, cm: one.cm - unseenTiltCm } : one))
    .sort((a, b) => b.cm - a.cm)[0];
}

/** Where it is felt, and what the pelvis does, when a slot stands too low; null where none does. */
function feltOn(
  tooLow: string | null,
  pose: string,
  strength: number,
): Pick<SessionPose, 'feeling' | 'pelvis'> {
  const family = poseById(pose)?.family ?? '';
  if (tooLow !== null && JOINTS_SPEAK[tooLow]?.includes(family))
    return {
      feeling: { strength: Math.max(3, strength - 1), place: 'joint' },
      pelvis: tooLow === 'back.high' ? 'arched' : 'upright',
    };
  const rolled = tooLow === 'seat' || tooLow === 'underKnees';
  return {
    feeling: { strength, place: 'muscle' },
    pelvis: rolled ? 'rolled' : tooLow === 'back.high' ? 'arched' : 'upright',
  };
}

/** What happens on the mat when a planned pose is done: how it felt, where, and how long it was held. */
export function doPose(
  student: SimulatedStudent,
  planned: PlanPose,
  truth: InputValues,
  chance: Chance,
): SessionPose {
  const at = { built: builtOf(planned), side: planned.side };
  const needs = trueHeights(student, planned.pose, truth, { ...at, edge: true });
  const short = shortestOf(planned, needs, student.unseenTiltCm);
  const tooLow = short !== undefined && short.cm > UNFELT_CM;
  const pull = 3.5 + (short ? Math.max(-2, short.cm * 0.5) : 0) + chance.normal(0, 0.6);
  const strength = Math.max(1, Math.min(9, Math.round(pull)));
  const held = tooLow ? planned.holdSeconds * 0.6 : planned.holdSeconds;
  return {
    pose: planned.pose,
    stage: planned.stage,
    side: planned.side,
    ...(planned.dials.length > 0 ? { dials: planned.dials } : {}),
    plannedSeconds: planned.holdSeconds,
    heldSeconds: Math.round(held),
    settled: planned.slots
      .filter(isBuiltIn(planned))
      .map(({ slot, part, side, stackCm, stack }) => ({
        slot,
        ...(part ? { part } : {}),
        side,
        heightCm: round1(stackCm),
        pieces: stack,
      })),
    ...feltOn(tooLow ? short.key : null, planned.pose, strength),
    breath: strength >= 8 ? 'held' : 'easy',
    faults: [],
  };
}

const round1 = (cm: number) => Math.round(cm * 10) / 10;

/**
 * Steps tried within a visit, from the start down, until one speaks: what was tried, and the pose as it is held then.
 *
 * @param speaks whether a step speaks that stands too low for today, or not.
 */
export function tryOut(
  student: SimulatedStudent,
  planned: PlanPose,
  { slot: key, tries, afterWord, afterQuiet }: Trial,
  truth: InputValues,
  speaks: (tooLow: boolean) => boolean,
): { readonly planned: PlanPose; readonly trials: readonly TriedStep[] } {
  const at = { built: builtOf(planned), side: planned.side, edge: true };
  const edgeCm = Math.max(0, trueHeights(student, planned.pose, truth, at)[key] ?? 0);
  const pose = poseById(planned.pose);
  const tilts = pose && purposeOf(slotRefOf(key).slot, pose.family) === 'tilt';
  const unfeltCm = UNFELT_CM + (tilts ? student.unseenTiltCm : 0);
  const own = planned.slots.find((slot) => slotKey(slot) === key);
  const trials: TriedStep[] = [];
  let held = afterQuiet;
  for (const [step, { heightCm }] of tries.entries()) {
    const word = speaks(edgeCm - heightCm > unfeltCm);
    trials.push({ ...slotRefOf(key), side: own?.side ?? 'both', heightCm: round1(heightCm), word });
    if (word) {
      held = afterWord[step] ?? held;
      break;
    }
  }
  const slots = planned.slots.map((slot) =>
    slot === own ? { ...slot, stack: [...held.pieces], stackCm: held.heightCm } : slot,
  );
  return { planned: { ...planned, slots }, trials };
}
