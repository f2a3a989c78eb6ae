import type { Decision } from '../learn/decide';
import { chanceEnough } from '../learn/offset';
import type { PlanSlot } from '../formats/plan';
import { Z90, type Band } from '../geometry/band';
import type { SlotNeed } from '../geometry/family';
import {
  decision as decisionParameter,
  fold,
  offset as offsetParameter,
  reclinedHero,
  thin,
  trial,
} from '../parameters';
import { comesDown, type Pose } from '../poses/poses';
import type { Reason, SlotReason } from '../reasons';
import { meansSlot, slotKey, type SlotId, type SlotKey } from '../slots';
import type { SlotDoubt } from '../learn/evidence';
import { HANGS, MOST_SLACK_CM, mostCmAt, staysEmptyOver } from '../prepare/limits';
import { lieOf } from '../props/kinds';
import { purposeOf, tooLowToFill, type Purpose } from '../props/slots';
import { bestStacks, rungAbove, rungBelow } from '../props/search';
import type { Shelf } from '../props/shelf';
import {
  countAll,
  largestStepCm,
  piecesMoved,
  stackFaults,
  stackHeightCm,
  type Piece,
  type SlotRule,
  type Stack,
  type Used,
} from '../props/stack';
import { isMoved, isWanted, lies } from '../lies';

/** Everything that one slot's stack depends on. */
export interface SlotBuild {
  readonly need: SlotNeed;
  /** Height to which it may come down, before what was learned. */
  readonly leastCm: number;
  readonly band: Band;
  readonly doubt: SlotDoubt;
  readonly decision: Decision;
  readonly lying: Stack | undefined;
  readonly rule: SlotRule;
  readonly shelf: Shelf;
  readonly why: readonly SlotReason[];
  readonly pose: Pose;
  /** What the pose's other slots already use. */
  readonly used: Used;
  /**
   * A first build stands at the target, and at least this many standard deviations over the edge: most supported first.
   */
  readonly firstZ: number;
  /** Chance of being enough up to which a raised support goes up, by two rungs at most. */
  readonly raisedChance: number;
  /** A cold, tired or sore day: what is built for the first time stands one step higher. */
  readonly extraRung: boolean;
  /** How much higher than last time the seat stands, where a ramp leans on it. */
  readonly liftedCm: number;
  /** Where trying began the last time; nothing where nothing was tried. */
  readonly triedFromCm: number | undefined;
  /** It stood higher the last time than the time before. */
  readonly roseLast: boolean;
  /** Height that a caution or a reading asks for since the last time. */
  readonly sinceCm: number | undefined;
  /** What lies on the other side of a pair that stands apart, or lay here when the other leg worked. */
  readonly twin?: Stack | undefined;
  /** What the other side asks for here where both use the same; nothing where they do not. */
  readonly otherSideCm?: number | undefined;
  /** A caution builds it, though the pose leaves it to be asked for. */
  readonly isBuiltFor: boolean;
  /** So far the hands may be met under what they ask for, in cm. */
  readonly handsUnderCm: number;
  /** So many pieces are left of those that a pose may build. */
  readonly mostPieces: number;
}

/** One slot of a plan: target, band, the stack that builds it today, and why. */
export function buildSlot(asked: SlotBuild): PlanSlot {
  const of = { ...asked, doubt: { ...asked.doubt, offset: learnedHere(asked) } };
  const { need, band, doubt, lying } = of;
  const { offset, range } = doubt;
  const rawTarget = staysEmptyOver(of.pose, slotKey(need), need.rawCm)
    ? need.rawCm
    : Math.min(need.rawCm + offset.meanCm, Math.max(mostHere(of), need.rawCm));
  const target = Math.max(0, rawTarget);
  const [down, up] = [
    Math.sqrt(range.downCm ** 2 + offset.sdCm ** 2),
    Math.sqrt(range.upCm ** 2 + offset.sdCm ** 2),
  ];
  const moved = need.rawCm - band.need.rawCm;
  const lowCm = Math.max(
    0,
    Math.min(rawTarget, band.need.rawCm + moved + offset.meanCm - Z90 * down),
  );
  const highCm = Math.max(target, rawTarget + Z90 * up);
  const { action, stacks } = stackFor(of, target, aimOf(of, target, up));
  const [stack, ...others] = stacks;
  const reached = stack ?? { pieces: [], heightCm: 0 };
  return {
    slot: need.slot,
    part: need.part,
    side: need.side,
    targetCm: target,
    lowCm,
    highCm,
    stack: [...reached.pieces],
    stackCm: reached.heightCm,
    over: need.over,
    isLength: need.isLength,
    reasons: reasonsFor(of, action, reached, target),
    action,
    lastCm: lying?.heightCm ?? null,
    ...(lying ? { last: [...lying.pieces] } : {}),
    widestInput: band.parts[0]?.key ?? null,
    offsetCm: offset.meanCm,
    offsetSdCm: offset.sdCm,
    reckonedCm: need.rawCm,
    others: others.map(({ pieces, heightCm }) => ({ pieces: [...pieces], heightCm })),
  };
}

/** What a support is for in this pose. */
const purposeHere = ({ need, pose }: SlotBuild): Purpose => purposeOf(need.slot, pose.family);
const mostHere = ({ need, pose }: SlotBuild) => mostCmAt(pose, slotKey(need));

/**
 * Where a first build aims: what carries keeps its margin, what tilts the pelvis follows the stiffer side, everything
 * else goes by the most likely body.
 */
function aimOf(of: SlotBuild, targetCm: number, upSdCm: number): number {
  const aim =
    purposeHere(of) === 'carry'
      ? Math.max(targetCm, of.leastCm + of.doubt.offset.meanCm + of.firstZ * upSdCm)
      : stifferCm(of, targetCm);
  return Math.min(Math.max(aim, firstRampCm(of)), mostHere(of));
}

/** Going back on folded thighs begins on a ramp as high as two bolsters give, and comes down from there. */
const firstRampCm = ({ why }: SlotBuild): number =>
  why.some(({ code }) => code === 'front-thigh-ramp') ? reclinedHero.firstRamp.value : 0;

/**
 * One thing under both sides in turn stands as the stiffer one asks, unless that is more than a rung over the other.
 */
const stifferCm = (of: SlotBuild, targetCm: number) =>
  purposeHere(of) === 'tilt' &&
  of.otherSideCm !== undefined &&
  of.otherSideCm <= targetCm + decisionParameter.mostRung.value
    ? Math.max(targetCm, of.otherSideCm)
    : targetCm;

/** What fills a gap may stand over it by so much, and no slot stands over the most that anybody builds. */
const highestCm = (of: SlotBuild, targetCm: number) =>
  Math.min(
    mostHere(of) + MOST_SLACK_CM,
    purposeHere(of) === 'fill' ? targetCm + FILL_OVER_CM : Infinity,
  );
export const FILL_OVER_CM = 1;

/** What meets a gap under a limb: higher than the gap it lifts the limb, and eases nothing. */
const UNDER_A_LIMB: readonly SlotId[] = [
  'underThigh',
  'outerHip',
  'underKnees',
  'feet',
  'shoulder',
];
const meetsGap = (of: SlotBuild) =>
  purposeHere(of) === 'fill' &&
  UNDER_A_LIMB.includes(of.need.slot) &&
  !of.why.some(({ code }) => code === 'by-trying');

/** What the mat taught: a gap under a limb may be higher than it is reckoned by a step, and not by what was complained of. */
const learnedHere = (of: SlotBuild) => {
  const { offset } = of.doubt;
  const most = decisionParameter.mostRung.value;
  return meetsGap(of) && offset.meanCm > most ? { ...offset, meanCm: most } : offset;
};

const isSeenAgain = ({ decision }: SlotBuild) =>
  decision.reasons.some(({ code }) => code === 'seen-again');

/** What was felt lifts a support no higher than this; a chest lies high on nothing that does not meet it. */
function highestRaisedCm(of: SlotBuild): number {
  const { slot, rawCm } = of.need;
  // A gap that was seen twice is wider than it is reckoned.
  const overGap = isSeenAgain(of)
    ? Math.max(rawCm, of.lying?.heightCm ?? 0) + decisionParameter.mostSoftRung.value
    : rawCm + FILL_OVER_CM;
  const own = meetsGap(of)
    ? overGap
    : slot === 'chest'
      ? Math.max(fold.highestChestProp.value, overGap)
      : purposeHere(of) === 'reach'
        ? rawCm + Math.max(0, of.doubt.offset.meanCm) + decisionParameter.mostReachOver.value
        : Infinity;
  return Math.min(mostHere(of) + MOST_SLACK_CM, own);
}

/** So much over what is likeliest is worth a word. */
const WORTH_SAYING_CM = 1;

/** What a first build of what carries stands over what is likeliest. */
const marginOf = (of: SlotBuild, action: PlanSlot['action'], overCm: number): Reason[] =>
  action === 'first' && purposeHere(of) === 'carry' && overCm >= WORTH_SAYING_CM
    ? [{ code: 'first-margin', cm: overCm }]
    : [];

/** The odds of the rung that was weighed here, if one was. */
const oddsOf = ({ decision: { weighed }, need }: SlotBuild): Reason[] =>
  weighed?.slot === slotKey(need) ? [weighed.odds] : [];

/** What was decided for this slot, where two come down in one visit. */
const stepHere = ({ decision, need }: SlotBuild) =>
  decision.with?.slot === slotKey(need) ? decision.with : decision;

/** Why a slot stands as it does today: what the body asks, what the mat has taught, and what moved since last time. */
function reasonsFor(
  of: SlotBuild,
  action: PlanSlot['action'],
  reached: Stack,
  target: number,
): SlotReason[] {
  const { why, doubt, lying } = of;
  const { meanCm, looks } = doubt.offset;
  const reasons: SlotReason[] = [...why];
  if (looks > 0 && isMoved(meanCm)) reasons.push({ code: 'learned', cm: meanCm });
  reasons.push(...marginOf(of, action, reached.heightCm - target));
  // That less was enough is no surprise; that much more is asked for is one.
  if (meanCm > offsetParameter.flagAt.value * offsetParameter.priorSd.value)
    reasons.push({ code: 'learned-much' });
  const [fromCm, toCm] = [lying?.heightCm ?? 0, reached.heightCm];
  reasons.push(...oddsOf(of));
  if (action === 'lower') {
    reasons.push({ code: 'rung-lower', fromCm, toCm }, ...stepHere(of).reasons);
  }
  if (action === 'raise') reasons.push(...raisedReasons(of, reached));
  if (action === 'keep')
    reasons.push(...keptReasons(of, reached, target), ...startReasons(of, reached));
  return reasons;
}

/** That a fresh day begins higher than was held after trying. */
const startReasons = ({ lying, triedFromCm }: SlotBuild, { heightCm }: Stack): Reason[] =>
  triedFromCm !== undefined && lying && isMoved(Math.max(0, heightCm - lying.heightCm))
    ? [{ code: 'trial-start', heldCm: lying.heightCm, fromCm: heightCm }]
    : [];

/** That what stands otherwise than it is reckoned stands so because it did last time. */
const keptReasons = (
  { lying, need }: SlotBuild,
  { heightCm }: Stack,
  targetCm: number,
): Reason[] =>
  !need.isLength &&
  lies(heightCm) &&
  lying !== undefined &&
  !isMoved(lying.heightCm - heightCm) &&
  Math.abs(heightCm - targetCm) > WORTH_TELLING_CM
    ? [{ code: 'as-last' }]
    : [];
/** By less than this nobody asks why it is another height than is reckoned. */
const WORTH_TELLING_CM = 2;

/** What the decision says, where it is of this slot. */
const ofThisSlot = ({ decision, need }: SlotBuild) =>
  movesWith(decision, slotKey(need)) ? decision.reasons : [];

/** What is said of a support that was to go up: by how much it did, for what, and why it may not have. */
function raisedReasons(of: SlotBuild, reached: Stack): SlotReason[] {
  const { need, decision, lying } = of;
  // What was read speaks of the slot that leans on it.
  const said = decision.reasons.filter(
    (one) => one.code !== 'read-since' || one.slot === need.slot,
  );
  // Where nothing lay, there is no step to tell of.
  if (lying === undefined) return [...said];
  const [fromCm, toCm] = [lying.heightCm, reached.heightCm];
  if (of.sinceCm !== undefined && toCm > fromCm)
    return [{ code: 'asked-since', fromCm, toCm }, ...ofThisSlot(of)];
  if (toCm > fromCm || need.isLength) {
    const oneStepCm = Math.min(largestStepCm(of.rule), decisionParameter.mostSoftRung.value);
    const more =
      toCm - fromCm > oneStepCm + thin.moved.value && !need.isLength && !decision.oneRung;
    return [{ code: 'rung-higher', fromCm, toCm, more }, ...said];
  }
  if (meetsGap(of)) return [...said];
  const isAtMost = fromCm >= mostHere(of) - decisionParameter.mostRung.value;
  return [...said, isAtMost ? { code: 'at-most', slot: need.slot } : { code: 'shelf-ends' }];
}

/** What happens to a slot today: the one that the decision moves moves, and what lay there stays. */
function actionOf({ need, decision, lying, sinceCm }: SlotBuild): PlanSlot['action'] {
  if (lying === undefined) return 'first';
  if (sinceCm !== undefined) return 'raise';
  return movesWith(decision, slotKey(need)) ? (decision.action as 'lower' | 'raise') : 'keep';
}

/** Whether nothing needs to lie in a slot: a gap too small to fill, or a place too high to reach. */
const staysEmpty = (of: SlotBuild, action: PlanSlot['action'], targetCm: number) =>
  staysEmptyOver(of.pose, slotKey(of.need), of.need.rawCm) ||
  (tooLowToFill(of.need.slot, targetCm, purposeHere(of)) &&
    action !== 'raise' &&
    !(of.lying && lies(of.lying.heightCm)));

/**
 * Whether a slot is built only on request, and nobody asked for it yet, nor anything that was felt; or nothing is left of
 * what a pose may build.
 */
const isOnlyOffered = (of: SlotBuild) =>
  of.mostPieces < 1 ||
  (of.pose.optional?.includes(of.need.slot) === true &&
    !of.isBuiltFor &&
    !of.lying?.pieces.length &&
    !isRaised(of));

const FLOOR: Stack = { pieces: [], heightCm: 0 };

/** Whether what was felt asks for more in a slot that is not too high to be reached. */
const isRaised = ({ decision, need, pose }: SlotBuild) =>
  decision.action === 'raise' &&
  movesWith(decision, slotKey(need)) &&
  !staysEmptyOver(pose, slotKey(need), need.rawCm);

/** The stack for a slot in which nothing lay; where nothing is asked for, what was felt lays the first step. */
function laidAnew(
  of: SlotBuild,
  targetCm: number,
  aimCm: number,
): { action: PlanSlot['action']; stacks: Stack[] } {
  const first = staysEmpty(of, 'first', targetCm) ? [] : firstStacks(of, targetCm, aimCm);
  if (first.length > 0 || !isRaised(of)) return { action: 'first', stacks: first };
  const up = raised(of, FLOOR);
  return lies(up.heightCm) ? { action: 'raise', stacks: [up] } : { action: 'first', stacks: [] };
}

/**
 * The stack for a slot today: what the decision says for the slot that moves, what lay there for the rest, the nearest
 * for a first time.
 */
function stackFor(
  of: SlotBuild,
  targetCm: number,
  aimCm: number,
): { action: PlanSlot['action']; stacks: Stack[] } {
  const { need, lying, shelf } = of;
  const action = actionOf(of);
  if (need.isLength) {
    const asked = isWanted(targetCm) && of.mostPieces >= 1;
    return { action, stacks: asked ? bestStrap(shelf, targetCm) : [] };
  }
  if (isOnlyOffered(of)) return { action, stacks: [] };
  if (!lying) return laidAnew(of, targetCm, aimCm);
  if (staysEmpty(of, action, targetCm)) return { action, stacks: [] };
  switch (action) {
    case 'lower':
      return { action, stacks: [lowered(of, lying)] };
    case 'raise':
      return {
        action,
        stacks: [
          of.sinceCm !== undefined ? asAskedSince(of, lying, of.sinceCm) : raised(of, lying),
        ],
      };
    default:
      return { action, stacks: againStacks(of, startAfterTrial(of, lying), targetCm) };
  }
}

/** Where a height was found by trying, a fresh day begins as high as it is sure, and no higher than trying began. */
function startAfterTrial(of: SlotBuild, held: Stack): Stack {
  const { triedFromCm, shelf, rule, used, mostPieces, leastCm, doubt } = of;
  if (triedFromCm === undefined) return held;
  const asked = purposeHere(of) === 'carry' ? trial.heldCarry.value : trial.tilt.value;
  const mostCm = triedFromCm + decisionParameter.sameHeight.value;
  let start = held;
  while (chanceEnough(start.heightCm, leastCm, doubt.range, doubt.offset) < asked) {
    const next = rungAbove(shelf, rule, start, used, { mostPieces, mostCm });
    if (!next) break;
    start = next;
  }
  return start;
}

/** One step lower: by the wide step where that was decided. */
function lowered(of: SlotBuild, from: Stack): Stack {
  const { shelf, rule, used, mostPieces } = of;
  const wideCm = stepHere(of).isWide ? decisionParameter.wideRung.value : undefined;
  return rungBelow(shelf, rule, from, used, mostPieces, wideCm) ?? from;
}

/** A shared seat stands as the stiffer side asks: on the other one it is never much too low. */
const ALIKE_UNDER_CM = 1;
/** What only fills may stand so much under what its own side asks for. */
const ALIKE_FILL_UNDER_CM = 4;
/** Two sides that ask for about the same are built alike: so far under and over what one of them asks for by itself. */
const alikeCm: Readonly<Record<Purpose, readonly [under: number, over: number]>> = {
  carry: [0, decisionParameter.mostRung.value],
  tilt: [ALIKE_UNDER_CM, decisionParameter.mostRung.value],
  fill: [ALIKE_FILL_UNDER_CM, FILL_OVER_CM],
  reach: [decisionParameter.mostRung.value, decisionParameter.mostRung.value],
  space: [0, 0],
};
function servesAlike(of: SlotBuild, twin: Stack, aimCm: number): boolean {
  const { shelf, rule, used, mostPieces } = of;
  const [under, over] = alikeCm[purposeHere(of)];
  return (
    twin.heightCm >= aimCm - under &&
    twin.heightCm <= Math.min(aimCm + over, mostHere(of) + MOST_SLACK_CM) &&
    countAll(twin.pieces) <= mostPieces &&
    stillThere(twin.pieces, shelf, rule, used)
  );
}

const MOST_HANGING_CM = fold.headLetsDown.value;

/** It hangs so far at most, the further it has come down the more. */
const hangingCm = (targetCm: number) => Math.max(MOST_HANGING_CM, fold.headHangs.value * targetCm);
/** Where nothing is nearer, it comes to rest so much early. */
const earlyCm = (targetCm: number) =>
  targetCm > fold.highestChestProp.value
    ? fold.headOnArms.value
    : Math.max(MOST_HANGING_CM, fold.headEarly.value * targetCm);

/**
 * What hangs is met near by, or not at all; and a hip that may bend only so far does not bend further for its hands.
 */
function leastHere(of: SlotBuild, targetCm: number): number {
  if (HANGS.includes(of.need.slot)) return Math.max(0, targetCm - hangingCm(targetCm));
  const keeps = purposeHere(of) === 'reach' && targetCm >= HANDS_MISS_CM;
  return keeps ? Math.max(0, targetCm - of.handsUnderCm) : 0;
}
/** So near the floor the fingertips reach it. */
const HANDS_MISS_CM = 4;

/** The nearest stacks to a height; of the same things as lie there, where that is as near. */
function nearStacks(of: SlotBuild, targetCm: number, aimCm: number, lying?: readonly Piece[]) {
  const { need, rule, shelf, used, mostPieces } = of;
  const upTo = (mostCm: number) =>
    bestStacks(shelf, rule, {
      targetCm: aimCm,
      used,
      mostPieces,
      leastCm: leastHere(of, targetCm),
      mostCm,
      ...(lying ? { lying } : {}),
    });
  const near = upTo(highestCm(of, targetCm));
  // Where nothing is as near as that, a head that comes to rest a little early rests; better than not at all.
  return near.length > 0 || !HANGS.includes(need.slot)
    ? near
    : upTo(Math.min(mostHere(of) + MOST_SLACK_CM, targetCm + earlyCm(targetCm)));
}

/** The nearest stacks for a first time; one rung more on a heavy day. */
function firstStacks(of: SlotBuild, targetCm: number, aimCm: number) {
  const { need, rule, shelf, used, pose, extraRung, mostPieces, twin } = of;
  const stacks = nearStacks(of, targetCm, aimCm);
  if (twin && servesAlike(of, twin, aimCm)) return [twin, ...othersThan(twin, stacks)];
  const [first, ...others] = stacks;
  if (!first || !extraRung || !comesDown(pose, slotKey(need))) return stacks;
  return [
    rungAbove(shelf, rule, first, used, { mostPieces, mostCm: mostHere(of) }) ?? first,
    ...others,
  ];
}

/** Two stacks at most that are built of other things. */
const othersThan = ({ pieces }: Stack, stacks: readonly Stack[]) =>
  stacks.filter((one) => piecesMoved(one.pieces, pieces) > 0).slice(0, 2);

/** A height that was noted without what made it: it is built anew. */
const isUntold = ({ pieces, heightCm }: Stack) => pieces.length === 0 && lies(heightCm);

/** What answered a complaint stays over its gap, as it was found; so does what is chosen and not reckoned. */
const overGapCm = ({ need, doubt: { offset }, roseLast }: SlotBuild): number =>
  offset.looks > 0 || need.isChosen || roseLast ? decisionParameter.mostRaise.value : FILL_OVER_CM;

/** After some time away all lies as it did, once. */
const isAsItWas = ({ decision }: SlotBuild) =>
  decision.reasons.some(({ code }) => code === 'long-gap');

/** A spacer that is chosen thicker than it lies, by a caution or by the teacher, is built anew. */
const isChosenThicker = (of: SlotBuild, lying: Stack, targetCm: number) =>
  purposeHere(of) === 'space' && isMoved(Math.max(0, targetCm - lying.heightCm));

/** Whether what lay there last time fits what is asked for today. */
function mayStay(of: SlotBuild, lying: Stack, targetCm: number): boolean {
  const { need, pose } = of;
  if (isChosenThicker(of, lying, targetCm)) return false;
  // Not even then further down than a caution lets the hands go.
  if (purposeHere(of) === 'reach' && lying.heightCm < leastHere(of, targetCm)) return false;
  if (isAsItWas(of)) return true;
  if (need.slot === 'underKnees' && !comesDown(pose, slotKey(need))) return false;
  // What fills is built anew when what carries has moved.
  const overCm = lying.heightCm - targetCm;
  return (
    purposeHere(of) !== 'fill' ||
    (overCm <= overGapCm(of) && overCm >= -decisionParameter.mostRung.value)
  );
}

/**
 * How high what the hands reach is to stand where what carries went up for what was felt: they come up with the body, by
 * as much at once as any support does; null where they stay.
 */
function followsRiseCm(of: SlotBuild, lying: Stack, targetCm: number): number | null {
  const { decision, need } = of;
  const { mostRung, mostRaise } = decisionParameter;
  const follows =
    purposeHere(of) === 'reach' &&
    decision.action === 'raise' &&
    decision.slot !== null &&
    decision.slot !== need.slot &&
    lies(lying.heightCm) &&
    targetCm - lying.heightCm > mostRung.value;
  return follows ? Math.min(targetCm, lying.heightCm + mostRaise.value) : null;
}

/** What lay there last time with its rivals, where it can be built again; else the nearest to its height. */
function againStacks(of: SlotBuild, lying: Stack, targetCm: number): Stack[] {
  const { rule, shelf, used, mostPieces } = of;
  const followedCm = followsRiseCm(of, lying, targetCm);
  if (followedCm !== null) {
    const [nearest, ...others] = nearStacks(of, targetCm, followedCm, lying.pieces);
    if (nearest && nearest.heightCm > lying.heightCm) return [nearest, ...others];
  }
  if (
    !mayStay(of, lying, targetCm) ||
    of.liftedCm > decisionParameter.sameHeight.value ||
    lying.heightCm > mostHere(of) + FILL_OVER_CM ||
    countAll(lying.pieces) > mostPieces ||
    isUntold(lying) ||
    !stillThere(lying.pieces, shelf, rule, used)
  ) {
    const isThicker = isChosenThicker(of, lying, targetCm);
    const aimCm = isThicker || purposeHere(of) === 'fill' ? targetCm : lying.heightCm + of.liftedCm;
    return nearStacks(of, targetCm, aimCm, isThicker ? undefined : lying.pieces);
  }
  const again = { pieces: lying.pieces, heightCm: stackHeightCm(lying.pieces, shelf, rule) };
  const rivals = bestStacks(shelf, rule, {
    targetCm: again.heightCm,
    lying: lying.pieces,
    used,
  });
  return [again, ...othersThan(again, rivals)];
}

/**
 * One step higher; more where, after what was felt, that is still less likely to be enough than a rung to come down to
 * must be.
 */
function raised(of: SlotBuild, from: Stack): Stack {
  const { lying, rule, shelf, used, leastCm, doubt, raisedChance, decision, mostPieces } = of;
  // For the day's sake alone nothing goes from a block to a chair.
  const farCm = decision.oneRung ? from.heightCm + decisionParameter.mostForTheDay.value : Infinity;
  const most = { mostPieces, mostCm: Math.min(highestRaisedCm(of), farCm) };
  const mostRungs = !lying || decision.oneRung ? 1 : decisionParameter.mostRungsUp.value;
  let stands = from;
  for (let rungs = 0; rungs < mostRungs; rungs++) {
    const next = rungAbove(shelf, rule, stands, used, most);
    if (!next) break;
    if (rungs > 0 && next.heightCm > from.heightCm + decisionParameter.mostRaise.value) break;
    stands = next;
    if (
      isFeltOver(of, from, stands) &&
      chanceEnough(stands.heightCm, leastCm, doubt.range, doubt.offset) >= raisedChance
    )
      break;
  }
  return isFeltOver(of, from, stands) ? stands : from;
}

/** Whether a rise is one that anybody feels: what carries or tilts counts every step. */
const isFeltOver = (of: SlotBuild, from: Stack, { heightCm }: Stack) =>
  !['fill', 'reach'].includes(purposeHere(of)) ||
  heightCm - from.heightCm >= decisionParameter.leastRaise.value;

/** As high as is asked for since the last time, and at least one step higher than what lay there. */
function asAskedSince(of: SlotBuild, from: Stack, targetCm: number): Stack {
  const { shelf, rule, used, mostPieces } = of;
  const mostCm = mostHere(of) + MOST_SLACK_CM;
  const leastCm = from.heightCm + decisionParameter.leastRung.value;
  const [nearest] = bestStacks(shelf, rule, {
    targetCm,
    used,
    mostPieces,
    leastCm,
    mostCm,
  });
  return nearest ?? raised(of, from);
}

/**
 * Whether a slot is the one that a decision moves: a pair goes up on both sides where none is named, each comes down by
 * itself.
 */
export const movesWith = ({ action, slot, with: also }: Decision, key: SlotKey) =>
  (action === 'lower' && (slot === key || also?.slot === key)) ||
  (action === 'raise' && slot !== null && meansSlot(slot, key));

/** Anything long enough for the hands and a loop round the feet. */
function bestStrap(shelf: Shelf, lengthCm: number): Stack[] {
  for (const { id, kind, count, states } of shelf) {
    const long = states.find((state) => lieOf(kind, state.id).uses.includes('length'));
    if (long && count > 0)
      return [{ pieces: [{ item: id, state: long.id, count: 1 }], heightCm: lengthCm }];
  }
  return [];
}

/**
 * Whether what lay there last time can still be built, still keeps the rules, and is not wanted elsewhere in the pose.
 */
function stillThere(pieces: readonly Piece[], shelf: Shelf, rule: SlotRule, used: Used): boolean {
  const known = pieces.every(({ item, state }) =>
    shelf.find(({ id }) => id === item)?.states.some(({ id }) => id === state),
  );
  return known && stackFaults(pieces, shelf, rule, used).length === 0;
}
