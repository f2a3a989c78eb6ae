import { decision as decisionParameter } from '../parameters';
import { piecesFor } from '../build/pieces';
import type { DialId } from '../dials';
import type { SessionPose } from '../formats/book';
import type { Band } from '../geometry/band';
import { lowCheckOf } from '../learn/checks';
import { practisedSince } from '../learn/atHome';
import {
  decide,
  still,
  type Decision,
  type DecisionInput,
  type Easing,
  type Rung,
} from '../learn/decide';
import {
  easingAmong,
  easingFor,
  faultedDials,
  faultedSlots,
  neededOn,
  GO_LESS_FAR,
  seenAgain,
  type SlotDoubt,
} from '../learn/evidence';
import { chanceEnough } from '../learn/offset';
import { uncertainParameters, type InputKey } from '../geometry/inputs';
import { splitKey, type RangeId, type RangeKey } from '../ranges/ranges';
import { lies } from '../lies';
import { leftOut } from '../safety/changes';
import type { RaiseReason } from '../poses/pose';
import { comesDown, type Pose } from '../poses/poses';
import { asksNoJoint } from '../poses/traits';
import { backWay, easedDials, givenBack, stoodAt, turnedFrom } from '../prepare/dial';
import { staysEmptyOver } from '../prepare/limits';
import { comesDownTo } from '../prepare/prepare';
import { rungBelow } from '../props/search';
import { isFitted, purposeOf, slotRule } from '../props/slots';
import { countAll, largestStepCm, type Stack, type Used, usedBy } from '../props/stack';
import { meansSlot, sidelessKey, type SlotKey, slotKey } from '../slots';
import { withAskedSince } from './askedSince';
import { strengthAllowedBy, waysThen, wentTooFar } from './goneBack';
import { type Laid, leanOn, lyingAt, lyingOf, standsAtMost } from './lay';

/** A dial, from where it stood to where it goes. */
export interface DialTurned {
  readonly dial: DialId;
  readonly from: number;
  readonly to: number;
}

/** The dial that a decision turns, from where it stood to where it goes; null where none is turned. */
export function turnOf(
  { action, word, dial, slot }: Decision,
  laid: Laid,
  last: SessionPose | undefined,
): DialTurned | null {
  const bends =
    (slot === 'underKnees' && isPlanted(laid.pose, laid.bands)) ||
    (slot === 'seat' && action === 'raise' && standsAtMost(laid, slot));
  const one = laid.dials.find((set) => set.dial === (bends ? 'kneeBend' : dial));
  if (!one) return null;
  const from = stoodAt(one, last);
  const way = action === 'lower' ? 'lower' : 'raise';
  const to = word === 'deepen' ? givenBack(one) : turnedFrom({ dial: one.dial, way }, one, last);
  return { dial: one.dial, from, to };
}

/** Whether the knees stand by themselves, the feet planted: nothing can be raised under them, and they bend instead. */
const isPlanted = (pose: Pose, bands: readonly Band[]) =>
  bands.some(
    ({ need }) => need.slot === 'underKnees' && staysEmptyOver(pose, slotKey(need), need.rawCm),
  );

/** What all slots but one use. */
const usedBeside = (lying: ReadonlyMap<SlotKey, Stack>, key: SlotKey): Used =>
  usedBy([...lying].filter(([other]) => other !== key).map(([, { pieces }]) => pieces));

/** Pieces that a slot may use beside those that lie before it. */
function piecesLeft(laid: Laid, lying: ReadonlyMap<SlotKey, Stack>, key: SlotKey): number {
  const { bands } = laid;
  const at = bands.findIndex(({ need }) => slotKey(need) === key);
  const before = bands.slice(0, at).map(({ need }) => lying.get(slotKey(need))?.pieces ?? []);
  return piecesFor(
    bands,
    at,
    laid,
    before.reduce((sum, pieces) => sum + countAll(pieces), 0),
  );
}

/** The slots that may come down, in the pose's order. */
const comingDown = ({ pose, bands }: Laid): readonly Band[] =>
  pose.comesDown.flatMap((name) => bands.filter(({ need }) => sidelessKey(slotKey(need)) === name));

/** Whether a strap is in hand: it is a length, and is reckoned anew each time. */
const hasStrap = ({ bands, verdict }: Laid) =>
  bands.some(
    ({ need }) =>
      need.isLength === true && lies(need.rawCm) && !leftOut(verdict.changes, need.slot),
  );

/** Why nothing comes down of what lies in a pose: what is there to come down, and what meets this body's lengths. */
function whyStays(laid: Laid): ReturnType<DecisionInput['whyStays']> {
  const lying = laid.bands.filter(({ need }) => lies(lyingAt(laid, slotKey(need))?.heightCm ?? 0));
  const { family } = laid.pose;
  const isTaken = ({ need: { slot } }: Band) => isFitted(slot, family);
  const could = lying.find((band) => comesDown(laid.pose, slotKey(band.need)) && !isTaken(band));
  if (could) {
    const rule = slotRule(could.need.slot, family, laid.body, laid.settings.way);
    return { code: 'no-step', cm: largestStepCm(rule) };
  }
  const meetsLengths = (band: Band) =>
    isTaken(band) ||
    (purposeOf(band.need.slot, family) === 'fill' &&
      !band.need.isChosen &&
      decidedBy(band) === null);
  return lying.some(meetsLengths)
    ? { code: 'fitted' }
    : { code: 'nothing-lies', withStrap: hasStrap(laid) };
}

/** The range of an input; null for a parameter. */
const rangeOf = (key: InputKey | undefined): RangeId | null =>
  key === undefined || key in uncertainParameters ? null : splitKey(key as RangeKey).id;

/** The range that decides a height most: how far bent knees free a hip is a matter of the hamstring. */
const decidedBy = ({ parts }: Band): RangeId | null => {
  const most = rangeOf(parts[0]?.key);
  return most === 'hamstringCoupling' ? 'hamstring' : most;
};

const WIDE_CM = decisionParameter.wideRung.value;

/** The next rung down of each slot that stands on something, in the pose's order. */
function rungsOf(laid: Laid): Rung[] {
  const { pose, family, input, body, doubts, context } = laid;
  const lying = lyingOf(laid);
  const heights = Object.fromEntries([...lying].map(([key, { heightCm }]) => [key, heightCm]));
  const least = { ...input, settings: comesDownTo(laid) };
  return comingDown(laid)
    .filter(({ need }) => !isFitted(need.slot, pose.family))
    .flatMap((band): Rung[] => {
      const { need } = band;
      const slot = slotKey(need);
      const stands = lying.get(slot);
      if (!stands || !lies(stands.heightCm)) return [];
      const rule = slotRule(need.slot, pose.family, body, laid.settings.way);
      const { offset, range } = doubts.get(slot) as SlotDoubt;
      // Judged on what else lies there, not on what would be reckoned for it.
      const leastCm = neededOn(family, least, heights, slot) ?? need.rawCm;
      const purpose = purposeOf(need.slot, pose.family);
      const carries = purpose === 'carry';
      // What the other slots use is not free to make a step of.
      const [used, left] = [usedBeside(lying, slot), piecesLeft(laid, lying, slot)];
      const chanceOf = ({ heightCm }: Stack) => chanceEnough(heightCm, leastCm, range, offset);
      const wide =
        need.slot === 'back'
          ? rungBelow(context.shelf, rule, stands, used, left, WIDE_CM)
          : undefined;
      const isWide = wide !== undefined && chanceOf(wide) >= decisionParameter.sureRung.value;
      const next = isWide ? wide : rungBelow(context.shelf, rule, stands, used, left);
      if (!next) return [];
      return [
        {
          slot,
          fromCm: stands.heightCm,
          toCm: next.heightCm,
          chance: chanceOf(next),
          ...(isWide ? { isWide } : {}),
          ...(purpose === 'fill' ? { fills: true as const } : {}),
          decides: decidedBy(band),
          ...(carries ? {} : { asked: decisionParameter.softChance.value }),
        },
      ];
    });
}

/** Whether a remedy does something in a pose as it is set up: its support is built there, its dial can be set, or it is said. */
const isThere = (
  { bands, dials, idle, earlier }: Laid,
  { slot, dial, way, cue }: Easing,
): boolean => {
  if (dial !== null) {
    const one = dials.find((set) => set.dial === dial);
    const last = earlier.at(-1)?.outcome;
    // One that stands at its end eases nothing more.
    return one !== undefined && turnedFrom({ dial, way }, one, last) !== stoodAt(one, last);
  }
  if (slot === null) return cue !== null;
  return !idle?.has(sidelessKey(slot)) && bands.some(({ need }) => meansSlot(slot, slotKey(need)));
};

/** The way that was gone back to today; null where the pose is set up as it was, or otherwise for another reason. */
function goneBackIn(laid: Laid, last: SessionPose | undefined): Easing | null {
  const { pose, choices, hasLeft } = laid;
  const { way } = laid.settings;
  const tooFar = last && wentTooFar(pose, last, strengthAllowedBy(choices));
  return hasLeft || (tooFar && tooFar.from.length > 0 && !tooFar.from.includes(way))
    ? { slot: null, dial: null, way: 'raise', cue: { code: 'gone-back', pose: pose.id, way } }
    : null;
}

/** What eases a pose as it is set up here. */
const easingHere = (laid: Laid, last: SessionPose | undefined, why: RaiseReason): Easing =>
  easingAmong(laid.pose, laid.family, laid.input, last, why, {
    isThere: (one) => isThere(laid, one),
    goneBack: goneBackIn(laid, last),
  });

/**
 * What was seen the last two times, answered by what is there: by what eases this way where its own support is none of
 * it, and by words where that stands as high as it serves.
 */
function seenAgainHere(laid: Laid): DecisionInput['seenAgain'] {
  const again = seenAgain(laid.pose, laid.earlier);
  if (!again || isThere(laid, again.easing)) return again;
  const { slot } = again.easing;
  const isBuilt = slot !== null && laid.bands.some(({ need }) => meansSlot(slot, slotKey(need)));
  const last = laid.earlier.at(-1)?.outcome;
  return { ...again, easing: isBuilt ? GO_LESS_FAR : easingHere(laid, last, 'other') };
}

/** A range that reads low today eases the slot that leans on it most, or a dial; where nothing does, it moves nothing. */
function lowCheckToday(laid: Laid): DecisionInput['lowCheck'] {
  const { pose, family, side, input, earlier, context } = laid;
  const low = lowCheckOf(family, side, context);
  if (!low) return null;
  const slot = leanOn(laid, low.key)?.slot ?? null;
  if (slot) return { reason: low.reason, easing: { slot, dial: null, way: 'raise', cue: null } };
  const easing = easingFor(pose, family, input, earlier.at(-1)?.outcome, 'other');
  return easing.slot === null ? { reason: low.reason, easing } : null;
}

/** What a first build of this pose is made from: readings of what it leans on, or what is usual for the height. */
function firstFromOf({ family, side, bands, context }: Laid): DecisionInput['firstFrom'] {
  const isRead = family
    .needs(side)
    .some((key) => context.estimates[key as RangeKey]?.source === 'measured');
  const widest = bands
    .flatMap(({ parts }) => parts)
    .filter(({ key }) => rangeOf(key) !== null)
    .reduce<Band['parts'][number] | null>((a, b) => (a && a.upCm >= b.upCm ? a : b), null);
  return {
    isRead,
    statureCm: context.record.person.statureCm,
    next: widest ? rangeOf(widest.key) : null,
  };
}

export function decisionOn(laid: Laid): Decision {
  const { pose, side, choices, earlier, context } = laid;
  const last = earlier.at(-1)?.outcome;
  const [eased] = easedDials(laid.dials).filter(({ dial }) => !faultedDials(pose, last).has(dial));
  const decided = decide({
    today: context.today,
    earlier,
    atHome: practisedSince(
      context.record.practices ?? [],
      { pose: pose.id, side },
      earlier.at(-1)?.at,
      context.today,
    ),
    easingFor: (why) => easingHere(laid, last, why),
    faulted: faultedSlots(pose, last),
    seenAgain: seenAgainHere(laid),
    firstFrom: firstFromOf(laid),
    easedDial: eased ? { dial: eased.dial, way: backWay(eased.dial) } : null,
    veryMobile: context.veryMobile && !asksNoJoint(laid.pose),
    lowCheck: lowCheckToday(laid),
    strengthAllowed: strengthAllowedBy(choices),
    chanceAsked: context.care.lowerRung,
    day: context.day,
    rungs: () => rungsOf(laid),
    whyStays: () => whyStays(laid),
  });
  return inAnotherWay(withAskedSince(beforeGoAhead(decided, laid), laid), laid, last);
}

/** Before the written go-ahead is here nothing goes deeper, however well it went. */
const beforeGoAhead = (decided: Decision, { verdict }: Laid): Decision =>
  verdict.status === 'ask-first' && decided.word === 'deepen'
    ? still('keep', [{ code: 'go-ahead-first' }], decided.refer)
    : decided;

/** A pose that comes to stand in another way than the last time, for nothing that was felt: it says so, and all else stays. */
function inAnotherWay(decided: Decision, laid: Laid, last: SessionPose | undefined): Decision {
  const { pose } = laid;
  const { way } = laid.settings;
  if (!last || !['keep', 'lower'].includes(decided.action)) return decided;
  const then = waysThen(pose, last);
  const [was] = then;
  if (!was || then.some(({ id }) => id === way)) return decided;
  return still('keep', [{ code: 'way-anew', pose: pose.id, way, was: was.id }], decided.refer);
}
