import { isMoved, liesIn } from '../lies';
import type { PlanPose, PlanSlot } from '../formats/plan';
import { askedForMore } from '../learn/decide';
import { neededOn, settledAt } from '../learn/evidence';
import { chanceEnough, chanceToday } from '../learn/offset';
import { triedSteps } from '../learn/tried';
import { tells, trialLadder, type Trial } from '../learn/trialLadder';
import { trial as parameter } from '../parameters';
import { comesDown } from '../poses/poses';
import { comesDownTo } from '../prepare/prepare';
import { rungAbove, stepBelow } from '../props/search';
import { isFitted, purposeOf, slotRule } from '../props/slots';
import { usedBy, type Stack } from '../props/stack';
import type { Reason } from '../reasons';
import { slotKey } from '../slots';
import { strengthAllowedBy } from './goneBack';
import { type Laid } from './lay';

const HELD: readonly Reason['code'][] = [
  'long-gap',
  'hurt-at-home',
  'much-at-home',
  'once-much-at-home',
  'not-held',
  'leaned',
  'very-mobile',
  'fault-stands',
  'eased-then',
];

/** Whether a reason to stay says as well that nothing is to come down today, within the visit no more than by plan. */
const holdsStill = (reason: Reason): boolean =>
  reason.code === 'more-sessions' ? reason.raised : HELD.includes(reason.code);

/** Whether a height may be tried at all: a usual day, no caution, nothing felt last time, nothing that goes up. */
function mayTry(laid: Laid, planned: PlanPose): boolean {
  const { status, decision, posture } = planned;
  const { context, earlier, choices } = laid;
  if (status !== 'offered' || posture === null || context.day !== 'usual') return false;
  if (context.veryMobile || !['first', 'keep', 'lower'].includes(decision.action)) return false;
  if (decision.reasons.some(holdsStill)) return false;
  const last = earlier.at(-1)?.outcome;
  if (!last) return true;
  const spoke = triedSteps(last).some(({ word }) => word);
  return !spoke && askedForMore(last, strengthAllowedBy(choices)) === null;
}

const stackOf = ({ stack, stackCm }: PlanSlot): Stack => ({ pieces: stack, heightCm: stackCm });

/** The steps of the shelf from what is built in a slot down, of what the other slots leave. */
function stepsOf(laid: Laid, planned: PlanPose, slot: PlanSlot, looks: number) {
  const { pose, body, context } = laid;
  const rule = slotRule(slot.slot, pose.family, body, laid.settings.way);
  const used = usedBy(planned.slots.flatMap((one) => (one === slot ? [] : [one.stack])));
  const steps = [stackOf(slot)];
  while (steps.length < looks) {
    const next = stepBelow(context.shelf, rule, steps.at(-1) as Stack, used);
    if (!next) break;
    steps.push(next);
  }
  return { steps, up: rungAbove(context.shelf, rule, stackOf(slot), used) ?? null };
}

/** Chance that a step down must have to be tried. */
const askedOf = (carries: boolean, isFirst: boolean) => {
  if (!carries) return parameter.tilt;
  return isFirst ? parameter.firstCarry : parameter.carry;
};

/** What is worth trying in one slot; null where nothing is. */
function trialIn(laid: Laid, planned: PlanPose, slot: PlanSlot): Trial | null {
  const { pose, family, input, doubts, earlier } = laid;
  const key = slotKey(slot);
  const carries = purposeOf(slot.slot, pose.family) === 'carry';
  const heights = Object.fromEntries(planned.slots.map((one) => [slotKey(one), one.stackCm]));
  const leastCm = neededOn(family, { ...input, settings: comesDownTo(laid) }, heights, key);
  const doubt = doubts.get(key);
  if (leastCm === undefined || !doubt) return null;
  const { offset, range } = doubt;
  const overEdgeCm = slot.stackCm - leastCm - offset.meanCm;
  if (carries && overEdgeCm < parameter.overEdge.value) return null;
  const looks = (earlier.length === 0 ? parameter.firstLooks : parameter.laterLooks).value;
  const { steps, up } = stepsOf(laid, planned, slot, looks);
  const [, first] = steps;
  if (!first) return null;
  const ladder = trialLadder({
    steps,
    up,
    looks,
    asked: askedOf(carries, earlier.length === 0).value,
    held: carries ? parameter.heldCarry.value : null,
    chance: (cm, tried) =>
      tried.length === 0
        ? chanceEnough(cm, leastCm, range, offset)
        : chanceToday(cm, leastCm, range, offset, tried),
  });
  return (
    ladder && { ...ladder, slot: key, chance: chanceEnough(first.heightCm, leastCm, range, offset) }
  );
}

/** Where a back lies on a ramp, that alone may be tried, and only with the seat before it as it was. */
function mayTryHere({ earlier }: Laid, { slots }: PlanPose, { slot }: PlanSlot): boolean {
  const hasRamp = slots.some((one) => one.slot === 'back' && liesIn(one));
  if (!hasRamp) return true;
  const last = earlier.at(-1)?.outcome;
  const isAsItWas = (one: PlanSlot) =>
    !last || !isMoved(one.stackCm - (settledAt(last, slotKey(one))?.heightCm ?? 0));
  return slot === 'back' && slots.filter((one) => one.slot === 'seat').every(isAsItWas);
}

/** The slots of a pose whose height may be tried today. */
export function triableSlots(laid: Laid, planned: PlanPose): readonly PlanSlot[] {
  if (!mayTry(laid, planned)) return [];
  const { pose } = laid;
  return planned.slots.filter(
    (slot) =>
      liesIn(slot) &&
      !slot.isLength &&
      comesDown(pose, slotKey(slot)) &&
      !isFitted(slot.slot, pose.family) &&
      ['carry', 'tilt'].includes(purposeOf(slot.slot, pose.family)) &&
      mayTryHere(laid, planned, slot),
  );
}

/** The height of a pose that would tell most when it is tried today; null where none is worth it. */
export function trialOf(laid: Laid, planned: PlanPose): Trial | null {
  const found = triableSlots(laid, planned).flatMap((slot) => trialIn(laid, planned, slot) ?? []);
  return found.reduce<Trial | null>((a, b) => (a && tells(a) >= tells(b) ? a : b), null);
}
