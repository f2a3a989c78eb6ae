import type { PlanPose, PlanSlot } from '../formats/plan';
import type { Built, Figure } from '../geometry/family';
import { type Decision, wentWell } from '../learn/decide';
import { taughtBy, withTaught } from '../learn/taught';
import { holdOf, type Pose, stageOf, wayOf } from '../poses/poses';
import { standsIn, staysFree } from '../prepare/limits';
import type { Reason } from '../reasons';
import { saidOn } from '../safety/cautions';
import { longestHoldFor } from '../safety/changes';
import { different } from '../safety/verdict';
import { sidelessKey, slotKey, type SlotName } from '../slots';
import { aroundOf } from './around';
import type { BuiltSlots } from './freed';
import { holdFor, timesFor } from './hold';
import type { Laid } from './lay';

/** A pose as it is built: its figure on what lies there, its stage, its hold, and what is said of it. */
export function figureOf(laid: Laid, decision: Decision, { slots, built }: BuiltSlots): PlanPose {
  const { pose, family, choices, verdict, side, earlier, input } = laid;
  const last = earlier.at(-1)?.outcome;
  const lastWell = last !== undefined && wentWell(last);
  const taught = taughtBy(pose, family, input, { bands: laid.bands, slots, lastWell });
  const { posture, demands, findings } = family.figure(
    { ...input, values: withTaught(input.values, taught) },
    built,
  );
  const { way } = input.settings;
  const hold = holdOf(pose, way);
  const isAnew = decision.reasons.some(({ code }) => code === 'way-anew');
  const holdSeconds = Math.min(
    hold.isRest ? Infinity : longestHoldFor(verdict.changes),
    wayOf(pose, way)?.mostSeconds ?? Infinity,
    holdFor(
      { hold },
      // In another way than before it is held as for a first time.
      isAnew ? [] : earlier.map(({ outcome }) => outcome),
      choices,
      // “Come out sooner” is what the hold says, too.
      laid.context.day !== 'usual' || decision.reasons.some(({ code }) => code === 'ease-less'),
      mayGrow(decision) && verdict.status !== 'ask-first',
    ),
  );
  return {
    pose: pose.id,
    side,
    stage: stageFor(pose, built, slots, input.settings.way, findings.kneeBendDeg),
    way: input.settings.way,
    answers: { ...laid.choices },
    notTaken: [...laid.notTaken],
    status: verdict.status,
    instead: verdict.instead,
    reasons: [...asBuilt(verdict.reasons, slots), ...decision.reasons],
    refer: [...verdict.refer, ...(decision.refer ? [decision.refer] : [])],
    decision: {
      action: decision.action,
      word: decision.word,
      slot: decision.slot,
      dial: decision.dial,
      reasons: [...decision.reasons],
      refer: decision.refer,
    },
    slots,
    dials: laid.dials.map((one) => ({ ...one })),
    demands: [...demands],
    findings: { ...findings },
    taught,
    around: aroundOf(pose, side, laid.context, {
      waits: verdict.status === 'ask-first',
      goesOn: !GENTLER.includes(decision.word),
    }),
    holdSeconds,
    times: timesFor({ hold }, holdSeconds),
    joints: jointsOf(posture),
    posture: posture as PlanPose['posture'],
  };
}

/** Words of a day on which something is asked for more gently: nothing is held longer then. */
const GENTLER: readonly Decision['word'][] = ['ease', 'gentle'];

/** Whether a hold may grow: not where all is to be as it was, nor where what was felt is answered. */
const mayGrow = ({ word, reasons }: Decision) =>
  !GENTLER.includes(word) && !reasons.some(({ code }) => code === 'long-gap');

/** What cautions say, true of what lies there. */
function asBuilt(reasons: readonly Reason[], slots: readonly PlanSlot[]): readonly Reason[] {
  const lying = new Set(slots.filter(({ stack }) => stack.length > 0).map(({ slot }) => slot));
  return different(
    reasons.map((one) =>
      one.code === 'caution'
        ? { ...one, rule: saidOn(one.caution, one.rule, lying) as typeof one.rule }
        : one,
    ),
  );
}

const jointsOf = (posture: Figure['posture']): PlanPose['joints'] => ({
  hip: [...posture.hip],
  knee: [...posture.knee],
  ankle: [...posture.ankle],
  toe: [...posture.toe],
  shoulder: [...(posture.spine.at(-1) ?? posture.hip)],
  head: [...posture.head],
  hand: [...posture.hand],
});

/** Slots that stay free: over their most, or with nothing near enough on the shelf. */
const beyond = (pose: Pose, slots: readonly PlanSlot[]): ReadonlySet<SlotName> =>
  new Set(
    slots
      .filter((slot) => !slot.isLength && (!standsIn(pose, slot) || staysFree(pose, slot)))
      .map((slot) => sidelessKey(slotKey(slot))),
  );

/** The stage that what was really built makes. */
function stageFor(
  pose: Pose,
  built: Built,
  slots: readonly PlanSlot[],
  way: string,
  kneeBendDeg?: number,
): string {
  const lengths = slots.filter(({ isLength, stack }) => isLength && stack.length > 0);
  const stands = {
    ...built,
    ...Object.fromEntries(lengths.map((slot) => [slotKey(slot), slot.targetCm])),
  };
  const head = slots.find(({ slot }) => slot === 'forehead');
  const restsOn = head && standsIn(pose, head) ? (head.over ?? 'floor') : null;
  return stageOf(pose, stands, way, beyond(pose, slots), restsOn, kneeBendDeg);
}
