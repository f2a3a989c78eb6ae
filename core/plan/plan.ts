import { askedForMore, decide, type Rung } from '../adapt/decide';
import { chanceEnough, offsetFrom } from '../adapt/offset';
import { choicesFor, type Choices } from '../approaches/approaches';
import { bodyFrom, type Body } from '../body/body';
import { beliefOf, believableChange, estimateRanges, type Estimates, type StudentRecord } from '../estimate/estimate';
import type { SessionPose } from '../formats/book';
import type { Plan, PlanPose, PlanSlot } from '../formats/plan';
import { dayOf, shiftDays } from '../formats/time';
import { bandsOf, meansOf, Z90, type Band } from '../geometry/band';
import { normalQuantile } from '../normal';
import { uncertainParameters, type Belief } from '../geometry/draw';
import { families } from '../geometry/families';
import { slotKey, type Built, type Family, type FamilyInput, type Settings } from '../geometry/family';
import { decision as decisionParameter, hold as holdParameter, offset as offsetParameter } from '../parameters';
import { poses, poseById, stageOf } from '../poses/poses';
import type { Pose, RaiseReason } from '../poses/pose';
import { rungBelow } from '../props/search';
import type { Shelf } from '../props/shelf';
import { slotRule, type SlotId } from '../props/slots';
import type { Stack } from '../props/stack';
import { ranges, splitKey, type RangeKey } from '../ranges/ranges';
import { settingsFor } from '../safety/settings';
import { unansweredCautions, verdictOn, type Verdict } from '../safety/verdict';
import { buildSlot, leftEmpty, type SlotDoubt } from './buildSlot';
import { earlierTimes, evidenceOf, settledAt } from './history';
import { measureNext } from './measureNext';

export interface PlanWish {
  /** Pose ids; all of the catalogue when left out. */
  readonly poses?: readonly string[];
  /** How careful to be; the shipped setting when left out. */
  readonly caution?: Caution;
}

/** Chances of being enough that are asked of a first build and of a lower rung. */
export interface Caution {
  readonly firstBuild: number;
  readonly lowerRung: number;
}
export const shippedCaution: Caution = { firstBuild: decisionParameter.firstChance.value, lowerRung: decisionParameter.chance.value };

/** What every pose of one student's plan shares. */
interface Ground {
  readonly record: StudentRecord;
  readonly shelf: Shelf;
  readonly today: string;
  readonly body: Body;
  readonly choices: Choices;
  readonly estimates: Estimates;
  readonly belief: Belief;
  /** Estimates as they stood on an earlier day. */
  readonly estimatesOn: (day: string) => Estimates;
  readonly veryMobile: boolean;
  readonly caution: Caution;
}

/** Everything a student needs today: pose by pose the heights, their doubt, named pieces of this shelf, and why. */
export function planStudent(record: StudentRecord, shelf: Shelf, date: string, wish: PlanWish = {}): Plan {
  const { person } = record;
  const today = dayOf(date);
  const known = new Map<string, Estimates>();
  const estimatesOn = (day: string) => {
    const before = known.get(day) ?? estimateRanges(record, day);
    known.set(day, before);
    return before;
  };
  const estimates = estimatesOn(today);
  const ground: Ground = {
    record, shelf, today, body: bodyFrom(person.statureCm, person.bodyCm), choices: choicesFor(person.approach, person.choices), estimates,
    belief: beliefOf(estimates), estimatesOn, veryMobile: isVeryMobile(record, estimates), caution: wish.caution ?? shippedCaution,
  };
  const wanted = wish.poses === undefined ? poses : wish.poses.map((id) => {
    const pose = poseById(id);
    if (!pose) throw new RangeError(`no pose is called ${id}`);
    return pose;
  });
  const planned = wanted.map((pose) => planPose(pose, ground));
  const readToday = new Set(Object.values(estimates).filter((one) => one?.lastAt === today).map((one) => (one as { key: RangeKey }).key));
  return {
    format: 'ojas-plan/1', person: person.id, date: today, approach: person.approach,
    unanswered: unansweredCautions(person.cautions),
    ranges: Object.values(estimates).flatMap((estimate) => {
      if (!estimate) return [];
      const { id, side } = splitKey(estimate.key);
      return [{ range: id, side, mean: estimate.mean, sd: estimate.sd, driftPerWeek: estimate.driftPerWeek, lastAt: estimate.lastAt, source: estimate.source }];
    }),
    measureNext: measureNext(planned.flatMap(({ bands }) => bands), estimates, readToday),
    poses: planned.map(({ planPose: one }) => one),
  };
}

/** Marked so by the teacher or at intake, or any measured range past the 95th percentile of adults. */
export function isVeryMobile({ person }: StudentRecord, estimates: Estimates): boolean {
  if (person.veryMobile !== undefined) return person.veryMobile;
  if (person.cautions.some(({ id, answer }) => id === 'very-mobile' && answer === 'yes')) return true;
  return Object.values(estimates).some((estimate) => {
    const prior = estimate && ranges[splitKey(estimate.key).id].prior;
    return prior && estimate.source === 'measured' && ranges[splitKey(estimate.key).id].unit === 'deg' && !estimate.key.startsWith('pelvicTilt') &&
      estimate.mean - estimate.sd > prior.mean + decisionParameter.mobilePercentile.value * prior.sd;
  });
}

interface Planned {
  readonly planPose: PlanPose;
  readonly bands: readonly Band[];
}

const notBuilt = (pose: Pose, verdict: Verdict): PlanPose => ({
  pose: pose.id, side: 'both', stage: '', status: verdict.status, instead: verdict.instead, reasons: [...verdict.reasons], refer: [...verdict.refer],
  decision: { action: 'rest', slot: null, reasons: [], refer: null }, slots: [], demands: [], findings: {}, holdSeconds: 0, joints: {}, posture: null, postureWithout: null,
});

function planPose(pose: Pose, ground: Ground): Planned {
  const verdict = verdictOn(pose.id, ground.record.person.cautions);
  if (verdict.status === 'forbidden' || verdict.status === 'instead') return { planPose: notBuilt(pose, verdict), bands: [] };

  const settings = settingsFor(ground.choices, verdict.changes);
  const family: Family = families[pose.family];
  const input: FamilyInput = { body: ground.body, draw: meansOf(ground.belief), settings };
  const bands = bandsOf(family, input, ground.belief);
  const offsets = offsetsOf(pose, family, settings, bands, ground);
  const earlier = earlierTimes(ground.record.sessions, pose.id, 'both', ground.today);
  const last = earlier.at(-1)?.outcome;

  const lying = (key: string): Stack | undefined => {
    const settled = last && settledAt(last, key);
    return settled && { pieces: settled.pieces, heightCm: settled.heightCm };
  };
  const rule = (slot: string) => slotRule(slot as SlotId, pose.family, ground.body);
  const decision = decide({
    today: ground.today, earlier, slotToRaise: (why) => slotToRaise(pose, family, input, last, why), veryMobile: ground.veryMobile, lowCheck: lowCheckOf(pose, ground),
    strengthAllowed: ground.choices.strength === 'none' ? STRENGTH_WITHOUT_PAIN : decisionParameter.easyFeeling.value,
    chanceAsked: ground.caution.lowerRung,
    rungs: () => pose.comesDown.flatMap((key): Rung[] => {
      const stands = lying(key);
      const band = bands.find(({ need }) => slotKey(need) === key);
      if (!stands || !band || stands.heightCm < 0.5) return [];
      const next = rungBelow(ground.shelf, rule(band.need.slot), stands);
      if (!next) return [];
      const { offset, rangeSdCm } = offsets.get(key) as SlotDoubt;
      return [{ slot: key, fromCm: stands.heightCm, toCm: next.heightCm, chance: chanceEnough(next.heightCm, band.need.rawCm, rangeSdCm, offset) }];
    }),
  });

  const built: Record<string, number> = {};
  const slots: PlanSlot[] = [];
  for (const band of bands) {
    if (verdict.changes.has('no strap') && band.need.slot === 'strap') continue;
    const key = slotKey(band.need);
    const need = family.afterBuilt?.(input, built).find((one) => slotKey(one) === key) ?? band.need;
    const doubt = offsets.get(key) as SlotDoubt;
    const slot = buildSlot({ need, band, doubt, decision, lying: lying(key), rule: rule(need.slot), shelf: ground.shelf, why: family.why(input, need), pose, firstZ: normalQuantile(ground.caution.firstBuild) });
    slots.push(slot);
    if (!need.isLength && !leftEmpty(need.slot, slot.targetCm)) built[key] = slot.stackCm;
  }
  const { posture, demands, findings } = family.figure(input, built);
  const floor: Built = Object.fromEntries(Object.keys(built).map((key) => [key, 0]));
  return {
    bands,
    planPose: {
      pose: pose.id, side: 'both', stage: stageFor(pose, { ...Object.fromEntries(slots.map((one) => [slotKey(one), one.targetCm])), ...built }, slots, ground.choices), status: verdict.status, instead: verdict.instead,
      reasons: [...verdict.reasons, ...decision.reasons], refer: [...verdict.refer, ...(decision.refer ? [decision.refer] : [])],
      decision: { action: decision.action, slot: decision.slot, reasons: [...decision.reasons], refer: decision.refer },
      slots, demands: [...demands], findings: { ...findings }, holdSeconds: holdFor(pose, earlier.map(({ outcome }) => outcome), ground.choices),
      joints: jointsOf(posture), posture: posture as PlanPose['posture'], postureWithout: family.figure(input, floor).posture as PlanPose['posture'],
    },
  };
}

/** Heights that lay there at an earlier time. */
const builtOf = (outcome: SessionPose): Built => Object.fromEntries(outcome.settled.map((one) => [slotKey(one), one.heightCm]));

/** The slot that goes up for what was felt or seen at an earlier time. */
function slotToRaise(pose: Pose, family: Family, input: FamilyInput, outcome: SessionPose | undefined, why: RaiseReason): string {
  return why === 'rolled' && outcome && family.mendsRollBack ? family.mendsRollBack(input, builtOf(outcome)) : pose.goesUp[why];
}

/** With no pain at all accepted, a pull this mild still counts as easy. */
const STRENGTH_WITHOUT_PAIN = 4;

const jointsOf = (posture: NonNullable<PlanPose['posture']> | ReturnType<Family['figure']>['posture']): PlanPose['joints'] => ({
  hip: [...posture.hip], knee: [...posture.knee], ankle: [...posture.ankle], toe: [...posture.toe],
  shoulder: [...(posture.spine.at(-1) ?? posture.hip)], head: [...posture.head], hand: [...posture.hand],
});

/** Offsets per slot from every earlier time. The parameters' own doubt is part of what the offset learns, so it is counted once. */
function offsetsOf(pose: Pose, family: Family, settings: Settings, bands: readonly Band[], ground: Ground): Map<string, SlotDoubt> {
  const earlier = earlierTimes(ground.record.sessions, pose.id, 'both', ground.today);
  const thenReckoned = earlier.map(({ at, outcome }) => {
    const input = { body: ground.body, settings, draw: meansOf(beliefOf(ground.estimatesOn(dayOf(at)))) };
    const needs = [...family.heights(input), ...(family.afterBuilt?.(input, builtOf(outcome)) ?? [])];
    return { input, cm: new Map(needs.map((need) => [slotKey(need), need.rawCm])) };
  });
  return new Map(bands.map(({ need, parts }) => {
    const key = slotKey(need);
    const spread = (ofParameters: boolean) => Math.hypot(...parts
      .filter((part) => part.key in uncertainParameters === ofParameters)
      .map(({ downCm, upCm }) => (downCm + upCm) / 2 / Z90));
    const evidence = need.isLength || need.isChosen || leftEmpty(need.slot, need.rawCm) ? [] : earlier.flatMap(({ outcome }, i) => {
      const then = thenReckoned[i];
      const more = askedForMore(outcome, decisionParameter.easyFeeling.value);
      return then === undefined ? [] : evidenceOf(outcome, key, then.cm.get(key) ?? need.rawCm, more && slotToRaise(pose, family, then.input, outcome, more.why));
    });
    return [key, { offset: offsetFrom(evidence, need.isChosen ? 0 : Math.hypot(offsetParameter.priorSd.value, spread(true))), rangeSdCm: spread(false) }];
  }));
}

/** Where leaning on the forearms is chosen, or no ramp can be built, the pose goes no further than the forearms. */
function stageFor(pose: Pose, built: Built, slots: readonly PlanSlot[], choices: Choices): string {
  if (pose.family !== 'reclined hero') return stageOf(pose, built);
  const ramp = slots.find(({ slot, part }) => slot === 'back' && part === 'high');
  const unbuilt = ramp !== undefined && ramp.targetCm >= 1 && ramp.targetCm - ramp.stackCm > decisionParameter.mostRung.value * 2;
  if (unbuilt || choices.reclinedHero === 'forearms') return 'on-forearms';
  return stageOf(pose, built);
}

/** How long to hold: by the approach and by the times done, never more than doubled from last time. */
function holdFor(pose: Pose, earlier: readonly { heldSeconds: number }[], choices: Choices): number {
  const { firstSeconds, mostSeconds } = pose.hold;
  const last = earlier.at(-1)?.heldSeconds;
  if (choices.hold === 'breaths') return BREATHS * holdParameter.breath.value;
  const wish = Math.min(mostSeconds, firstSeconds + earlier.length * (choices.hold === 'long' ? 30 : 15));
  return last === undefined || last === 0 ? firstSeconds : Math.min(wish, Math.max(firstSeconds, last * holdParameter.longestGrowth.value));
}
const BREATHS = 8;

/** Today's reading of a range that this pose needs, lower than yesterday's belief by more than chance explains; in words, else null. */
function lowCheckOf(pose: Pose, { record, today, estimatesOn }: Ground): string | null {
  const before = estimatesOn(shiftDays(today, -1));
  for (const reading of record.readings) {
    if (dayOf(reading.at) !== today || !pose.needs.includes(reading.range) || reading.protocol !== undefined) continue;
    const key = ranges[reading.range].sided ? (`${reading.range}:${reading.side}` as RangeKey) : reading.range;
    const then = before[key];
    if (!then || then.source !== 'measured') continue;
    const now = reading.values.reduce((sum, value) => sum + value, 0) / reading.values.length;
    const believable = believableChange(3, reading.values.length);
    if (then.mean - now > believable) {
      return `Today’s check: ${ranges[reading.range].name.toLowerCase()} ${reading.side} ${now.toFixed(0)}°, ${(then.mean - now).toFixed(0)}° under the last estimate (more than the ${believable.toFixed(0)}° that chance explains).`;
    }
  }
  return null;
}

