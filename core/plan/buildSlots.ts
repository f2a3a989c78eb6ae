import { buildSlot, FILL_OVER_CM, movesWith } from '../build/buildSlot';
import { piecesFor } from '../build/pieces';
import type { PlanSlot } from '../formats/plan';
import type { Band } from '../geometry/band';
import { type Built, isHipLimited, otherSide, type SlotNeed } from '../geometry/family';
import type { Decision } from '../learn/decide';
import { settledAt, type SlotDoubt } from '../learn/evidence';
import { triedOf } from '../learn/tried';
import { isMoved, isWanted, standsOver } from '../lies';
import { normalQuantile } from '../normal';
import { decision as decisionParameter, pelvisTarget } from '../parameters';
import type { Pose } from '../poses/poses';
import { isShort, standsIn, staysFree } from '../prepare/limits';
import { isFitted, isStoodOn, purposeOf, slotRule } from '../props/slots';
import { countAll, type Used, usedWith, type Stack } from '../props/stack';
import { ranges, splitKey, type RangeKey } from '../ranges/ranges';
import type { HeightReason, Reason } from '../reasons';
import { isBuiltFor, keepsBack, leftOut } from '../safety/changes';
import { type SlotKey, slotKey } from '../slots';
import { freedFor, type BuiltSlots, type Sharing } from './freed';
import { type Laid, lyingAt } from './lay';

/** The slots of a pose as they are built, comforts giving up their pieces to what carries the body. */
export const buildSlots = (laid: Laid, decision: Decision): BuiltSlots =>
  freedFor(laid, decision, slotsInOrder);

/** The slots in their order, each built on those before it and of the pieces that they leave. */
function slotsInOrder(
  laid: Laid,
  decision: Decision,
  { givenUp, keptFor, isEndless }: Sharing,
): BuiltSlots {
  const { pose, family, body, verdict, input, bands, doubts, leastCm, context } = laid;
  const built: Partial<Record<SlotKey, number>> = {};
  const slots: PlanSlot[] = [];
  const firstZ = normalQuantile(context.care.firstBuild);
  let used: Used = {};
  // Solved anew only after a slot on which others stand.
  let follow: readonly SlotNeed[] = [];
  let laidPieces = 0;
  for (const [at, band] of bands.entries()) {
    if (leftOut(verdict.changes, band.need.slot)) continue;
    const key = slotKey(band.need);
    const before = slots.at(-1)?.slot;
    if (before !== undefined && family.afterBuilt && isStoodOn(before))
      follow = family.afterBuilt(input, built);
    const own = follow.find((one) => slotKey(one) === key) ?? band.need;
    const need = alike(own, band, bands, follow);
    const kept = [...keptLater(laid, decision, at), ...keptForLater(keptFor, laid, at)];
    const slot = buildSlot({
      need,
      leastCm: need.rawCm + (leastCm.get(key) ?? band.need.rawCm) - band.need.rawCm,
      band,
      doubt: doubts.get(key) as SlotDoubt,
      decision,
      lying: lyingAt(laid, key),
      rule: slotRule(need.slot, pose.family, body, laid.settings.way),
      shelf: context.shelf,
      why: [...family.why(input, own), ...ownPelvis(laid, own), ...notRead(laid, band)],
      pose,
      used: isEndless ? {} : kept.reduce(usedWith, used),
      firstZ,
      raisedChance: context.care.lowerRung,
      extraRung: context.day !== 'usual',
      mostPieces: givenUp.has(need.slot)
        ? 0
        : piecesFor(bands, at, laid, isEndless ? 0 : laidPieces, countsIn(keptFor)),
      isBuiltFor: isBuiltFor(verdict.changes, need.slot),
      handsUnderCm: handsUnderCm(laid),
      otherSideCm: otherSideCm(laid, need),
      twin: twinOf(slots, need) ?? otherLegs(laid, need),
      liftedCm: liftedCm(need, laid, built),
      roseLast: roseLast(laid, key),
      triedFromCm: triedFromCm(laid, key),
      sinceCm: laid.since.toCm.get(key),
    });
    const laidAs = asLaid(pose, followed(slot, laid, built), slots);
    const laidDown = givenUp.has(need.slot) ? withoutPieces(laidAs) : laidAs;
    slots.push(laidDown);
    used = usedWith(used, laidDown.stack);
    laidPieces += countAll(laidDown.stack);
    if (standsIn(pose, laidDown)) built[key] = laidDown.stackCm;
  }
  return { slots, built };
}

/** That a pelvis which does not sit as is usual moves a support, where it does so by more than nobody feels. */
function ownPelvis({ pose, family, input }: Laid, need: SlotNeed): HeightReason[] {
  const { settings } = input;
  const usualDeg = pelvisTarget.neutral.value;
  const { sitsDeg } = settings;
  if (sitsDeg === undefined || Math.abs(sitsDeg - usualDeg) < 1) return [];
  // What fills a gap or reaches follows what the pelvis sits on.
  if (!['carry', 'tilt'].includes(purposeOf(need.slot, pose.family))) return [];
  const asUsual = { ...settings, pelvisTargetDeg: settings.pelvisTargetDeg - sitsDeg + usualDeg };
  const heightIn = (one: typeof settings) => {
    const needs = family.heights({ ...input, settings: one });
    return Math.max(0, needs.find((other) => slotKey(other) === slotKey(need))?.rawCm ?? 0);
  };
  const moreCm = heightIn(settings) - heightIn(asUsual);
  return isWanted(Math.abs(moreCm)) ? [{ code: 'own-pelvis', deg: sitsDeg, usualDeg, moreCm }] : [];
}

/** So far the hands may be met under what is reckoned: less where a caution keeps the hip, or the back, from following. */
const handsUnderCm = ({ input, verdict }: Laid): number => {
  if (isHipLimited(input.settings)) return FILL_OVER_CM;
  return keepsBack(verdict.changes) ? decisionParameter.mostQuietReach.value : Infinity;
};

/** The ranges that nobody has read, where they may move a height by more than nobody asks after. */
function notRead({ context, pose }: Laid, { need, parts }: Band): Reason<'not-read'>[] {
  if (need.isChosen || isFitted(need.slot, pose.family)) return [];
  const unread = parts.flatMap(({ key, upCm, downCm }) => {
    const estimate = context.estimates[key as RangeKey];
    if (estimate?.source !== 'assumed' || Math.max(upCm, downCm) < WORTH_READING_CM) return [];
    const { id } = splitKey(key as RangeKey);
    return ranges[id].unit === 'deg' ? [id] : [];
  });
  return unread.length > 0 ? [{ code: 'not-read', ranges: [...new Set(unread)] }] : [];
}
/** What moves a height by less than this needs no reading. */
const WORTH_READING_CM = 1;

/** Two sides that are further apart than this, in cm, are met apart, whatever chance explains; and so are low ones. */
const [MOST_ALIKE_CM, LEAST_ALIKE_CM] = [2.5, 4];

/**
 * A need as it is met: of a pair that differs by no more than chance explains, both sides are met as the lower one asks,
 * so that what fills stands over no gap.
 */
function alike(
  need: SlotNeed,
  band: Band,
  bands: readonly Band[],
  follow: readonly SlotNeed[],
): SlotNeed {
  if (need.side === 'both') return need;
  const twin = bands.find((one) => one.need.slot === need.slot && one.need.side !== need.side);
  if (!twin) return need;
  const there = follow.find((one) => slotKey(one) === slotKey(twin.need)) ?? twin.need;
  const lower = Math.min(need.rawCm, there.rawCm);
  const apart = Math.abs(need.rawCm - there.rawCm);
  const chance = Math.hypot(halfWidthCm(band), halfWidthCm(twin));
  return lower >= LEAST_ALIKE_CM && apart <= Math.min(MOST_ALIKE_CM, chance)
    ? { ...need, rawCm: lower }
    : need;
}
/** How far a height may be off by chance: half of its band. */
const halfWidthCm = ({ lowCm, highCm }: Band) => Math.max(0, highCm - lowCm) / 2;

/** Pieces of later slots that stay as they lie: a kept slot keeps its pieces before another one takes them. */
const keptLater = (laid: Laid, decision: Decision, at: number) =>
  laid.bands.slice(at + 1).flatMap(({ need }) => {
    const key = slotKey(need);
    const moves = movesWith(decision, key) || laid.since.toCm.has(key);
    const lying = moves ? undefined : lyingAt(laid, key);
    return lying ? [lying.pieces] : [];
  });

/** Pieces that are kept for a later slot, whatever lay there. */
const keptForLater = (keptFor: Sharing['keptFor'], { bands }: Laid, at: number) =>
  bands.slice(at + 1).flatMap(({ need }) => {
    const pieces = keptFor.get(slotKey(need));
    return pieces ? [pieces] : [];
  });

/** How many pieces each slot asks to have kept. */
const countsIn = (keptFor: Sharing['keptFor']): ReadonlyMap<SlotKey, number> =>
  new Map([...keptFor].map(([key, pieces]) => [key, countAll(pieces)]));

/** A comfort whose pieces serve elsewhere: it lies nowhere, and says so. */
const withoutPieces = (slot: PlanSlot): PlanSlot => ({
  ...slot,
  stack: [],
  stackCm: 0,
  others: [],
  reasons: [...slot.reasons.filter(({ code }) => code !== 'stays-free'), { code: 'given-up' }],
});

/** What would lie on a ramp that is not there. */
const lacksRamp = ({ over }: PlanSlot, before: readonly PlanSlot[]) =>
  over === 'ramp' && before.some(isShort);

/**
 * A slot as it comes to lie beside those before it: nothing is laid for a ramp that is too low, nor on one; and what
 * then lies on nothing, though it asks for something, says why.
 */
function asLaid(pose: Pose, slot: PlanSlot, before: readonly PlanSlot[]): PlanSlot {
  if (lacksRamp(slot, before)) return { ...slot, stack: [], stackCm: 0 };
  const laid = isShort(slot) ? { ...slot, stack: [], stackCm: 0 } : slot;
  const free = staysFree(pose, laid);
  return free ? { ...laid, reasons: [...laid.reasons, free] } : laid;
}

/** Where trying began the last time in a slot. */
function triedFromCm({ earlier }: Laid, key: SlotKey): number | undefined {
  const last = earlier.at(-1);
  const [first] = last ? triedOf(last.outcome, key) : [];
  return first && (first.startCm ?? first.heightCm);
}

/** Whether a slot stood higher the last time than the time before. */
function roseLast({ earlier }: Laid, key: SlotKey): boolean {
  const [before, last] = earlier
    .slice(-2)
    .map(({ outcome }) => settledAt(outcome, key)?.heightCm ?? 0);
  return before !== undefined && last !== undefined && standsOver(last, before);
}

/** How much higher the seat stands than last time: the ramp behind it rises with it, or the back would arch. */
function liftedCm({ slot }: Pick<SlotNeed, 'slot'>, laid: Laid, built: Built): number {
  const before = slot === 'back' ? lyingAt(laid, 'seat') : undefined;
  return before ? Math.max(0, (built.seat ?? 0) - before.heightCm) : 0;
}

/** A ramp that follows its seat up says so; one that would sink instead is not lain back on. */
function followed(slot: PlanSlot, laid: Laid, built: Built): PlanSlot {
  const cm = liftedCm(slot, laid, built);
  const { stackCm, lastCm, action } = slot;
  if (!isMoved(cm) || lastCm === null || action !== 'keep') return slot;
  if (standsOver(stackCm, lastCm))
    return { ...slot, action: 'raise', reasons: [...slot.reasons, { code: 'follows-seat', cm }] };
  return lastCm - stackCm > decisionParameter.mostRung.value
    ? { ...slot, stack: [], stackCm: 0 }
    : slot;
}

/** A slot in which something lies, as what another one may be built like. */
const asTwin = (slot: PlanSlot | undefined): Stack | undefined =>
  slot && slot.stack.length > 0 ? { pieces: slot.stack, heightCm: slot.stackCm } : undefined;

/** What was built on the other side of a pair that stands apart. */
const twinOf = (slots: readonly PlanSlot[], { slot, side }: SlotNeed) =>
  asTwin(slots.find((one) => side !== 'both' && one.slot === slot && one.side !== side));

/** What is asked for here when the other leg works; undefined where both work at once, or each has its own. */
function otherSideCm({ pose, family, input }: Laid, need: SlotNeed): number | undefined {
  if (pose.sides !== 'each' || need.side !== 'both' || input.side === 'both') return undefined;
  const other = family.heights({ ...input, side: otherSide(input.side) });
  return other.find((one) => slotKey(one) === slotKey(need))?.rawCm;
}

/** What lies here when the other leg works: the second side follows the first. */
const otherLegs = ({ first }: Laid, { slot, side: part }: SlotNeed) =>
  part === 'both' ? asTwin(first?.slots.find((one) => one.slot === slot)) : undefined;
