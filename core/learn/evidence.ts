import { askedForMore, wentWell, type Decision, type Earlier, type Easing } from './decide';
import { triedOf } from './tried';
import { offsetFrom, type HeightEvidence, type Offset, type Spread, type Tried } from './offset';
import type { Session, SessionPose, Settled } from '../formats/book';
import { dayOf, daysBetween, inTime, type LocalDay } from '../formats/time';
import { Z90, type Band } from '../geometry/band';
import type { Built, Family, FamilyInput, SlotNeed } from '../geometry/family';
import type { InputKey, InputValues } from '../geometry/inputs';
import { groupedBy } from '../grouped';
import { memoise } from '../memoise';
import { decision as decisionParameter, offset as parameter } from '../parameters';
import type { RaiseReason, Remedy } from '../poses/pose';
import type { Reason } from '../reasons';
import { answerAt, answeredBy, isFar, slotOnSide } from '../poses/felt';
import { poseById, wayOf, type Pose } from '../poses/poses';
import { sides, type ReadingSide } from '../ranges/ranges';
import { turned, type DialId } from '../dials';
import { meansSlot, sidelessKey, slotKey, slotRefOf, type SlotKey, type SlotName } from '../slots';
import { isFitted, purposeOf, type Purpose } from '../props/slots';
import { valuesOf } from '../prepare/dial';
import { staysEmptyOver } from '../prepare/limits';
import { atTheEdge, type Prepared } from '../prepare/prepare';
import { isMoved } from '../lies';

/** Earlier times of every pose and side before today, oldest first; ask for one with `earlierOf`. */
export type History = ReadonlyMap<string, readonly Earlier[]>;

/** What was done before a day, by pose and side, oldest first. */
export function historyBefore(sessions: readonly Session[], today: LocalDay): History {
  const before = inTime(sessions.filter((one) => dayOf(one.at) < dayOf(today)));
  const times = before.flatMap(({ at, day, poses }) =>
    poses
      .filter((outcome) => day === undefined || speaksAnyDay(outcome))
      .flatMap((outcome) => bySide(outcome).map((one): Earlier => ({ at, outcome: one }))),
  );
  return groupedBy(times, ({ outcome: { pose, side } }) => `${pose}/${side}`);
}

/**
 * Whether what was done on a cold, tired or sore day counts all the same: a complaint does. That it went well on what
 * was eased for the day is no evidence, and no new usual.
 */
const speaksAnyDay = (outcome: SessionPose): boolean =>
  outcome.stop !== undefined || askedForMore(outcome, decisionParameter.easyFeeling.value) !== null;

/** What an older record noted of both sides at once, of a pose that now has sides, was done on each. */
const bySide = (outcome: SessionPose): readonly SessionPose[] =>
  outcome.side === 'both' && poseById(outcome.pose)?.sides === 'each'
    ? sides.map((side) => ({ ...outcome, side }))
    : [outcome];

const NEVER: readonly Earlier[] = [];
/** Earlier times of a pose on a side; none where there are none. */
export const earlierOf = (
  history: History,
  pose: string,
  side: SessionPose['side'],
): readonly Earlier[] => history.get(`${pose}/${side}`) ?? NEVER;

/** What was settled on in a slot; undefined where nothing was noted. */
export const settledAt = (outcome: SessionPose, key: SlotKey): Settled | undefined =>
  outcome.settled.find((one) => slotKey(one) === key);

/** Heights that lay there at an earlier time. */
export const builtOf = (outcome: SessionPose): Built =>
  Object.fromEntries(outcome.settled.map((one) => [slotKey(one), one.heightCm]));

type HeightChange = NonNullable<SessionPose['changes']>[number];
const movedCm = (changes: readonly HeightChange[]) =>
  changes.reduce((sum, { fromCm, toCm }) => sum + toCm - fromCm, 0);

/**
 * Whether heights that were changed on the mat go against the advice: a slot that came down in the end, or one that was
 * to come down and went up. Each slot is judged by itself.
 */
export function goesAgainst(
  changes: readonly HeightChange[],
  { action, slot, with: also }: Pick<Decision, 'action' | 'slot' | 'with'>,
): boolean {
  return [...groupedBy(changes, slotKey)].some(([key, own]) => {
    const moved = movedCm(own);
    return (
      isMoved(moved) && (moved < 0 || (action === 'lower' && [slot, also?.slot].includes(key)))
    );
  });
}

/**
 * Whether the teacher chose this slot's height against the advice. A slot that was not moved was not chosen: lowering
 * the seat says nothing about the ramp. A record that does not say what was moved speaks for all its slots.
 */
export function chosenAgainst({ overruled, changes }: SessionPose, key: SlotKey): boolean {
  if (!overruled) return false;
  if (!changes || changes.length === 0) return true;
  const own = changes.filter((change) =>
    change.part === undefined && change.side === undefined
      ? slotRefOf(key).slot === change.slot
      : slotKey(change) === key,
  );
  return isMoved(movedCm(own));
}

/** Only the slot that what was felt points at is too low; of the others nothing is known. */
const tooLowBy = (
  goesUp: SlotKey | null,
  key: SlotKey,
  overReckonedCm: number,
): HeightEvidence[] =>
  goesUp !== null && meansSlot(goesUp, key) ? [{ says: 'tooLow', overReckonedCm }] : [];

const NONE: ReadonlySet<SlotName> = new Set();
/**
 * What one earlier time says of a slot's height, against the height reckoned for that day.
 *
 * @param reckonedCm the height at the body's edge, or for what was chosen against the advice the target.
 * @param goesUp the slot that what was felt points at; null where nothing asked for more.
 * @param isAnswered it was too low at an earlier time: what is enough now says how much more it took.
 */
export function evidenceOf(
  outcome: SessionPose,
  key: SlotKey,
  reckonedCm: number,
  goesUp: SlotKey | null,
  faulted: ReadonlySet<SlotName> = NONE,
  purpose: Purpose = 'carry',
  isAnswered = false,
): HeightEvidence[] {
  const settled = settledAt(outcome, key);
  if (!settled) return [];
  const overReckonedCm = settled.heightCm - reckonedCm;
  if (chosenAgainst(outcome, key)) return [{ says: 'settled', overReckonedCm }];
  // What is seen counts as much as what is felt.
  if (faulted.has(sidelessKey(key))) return [{ says: 'tooLow', overReckonedCm }];
  // What fills a gap was enough whatever it was: that says nothing of the gap, unless it had been too low before; a
  // pelvis that nobody looked at says nothing of what tilts it.
  const meets = purpose === 'fill' || purpose === 'reach';
  // A gap that is filled less than whole is no smaller for it.
  if ((meets && !(isAnswered && overReckonedCm > 0)) || (purpose === 'tilt' && !outcome.pelvis))
    return tooLowBy(goesUp, key, overReckonedCm);
  if (wentWell(outcome))
    return [
      {
        says: 'enough',
        overReckonedCm,
        ...(outcome.feeling.strength === undefined ? {} : { strength: outcome.feeling.strength }),
      },
    ];
  return tooLowBy(goesUp, key, overReckonedCm);
}

/** What a remedy does: its slot moves, or its words are said. */
export const easingBy = (remedy: Remedy | null, cue: Reason): Easing =>
  remedy === null || 'cue' in remedy
    ? { slot: null, dial: null, way: 'raise', cue: remedy === null ? null : cue }
    : {
        slot: 'slot' in remedy ? remedy.slot : null,
        dial: 'dial' in remedy ? remedy.dial : null,
        way: remedy.way,
        cue: null,
      };

/** What is said where nothing that is laid eases what was felt. */
export const GO_LESS_FAR: Easing = {
  slot: null,
  dial: null,
  way: 'raise',
  cue: { code: 'ease-less' },
};

/** What eases a pose for what was felt or seen at an earlier time: the first of what is thought of. */
export const easingFor = (...of: Parameters<typeof easingsFor>): Easing =>
  easingsFor(...of)[0] ?? { slot: null, dial: null, way: 'raise', cue: null };

/** Remedies of other complaints that may serve, in the order in which they are thought of. */
const IN_TURN: readonly RaiseReason[] = ['other', 'joint', 'low-back', 'rolled', 'strong'];

/**
 * What eases a pose as it is set up: its own remedy, the way that was gone back to, what eases that way, another remedy
 * that is there, or words.
 */
export function easingAmong(
  pose: Pose,
  family: Family,
  input: FamilyInput,
  outcome: SessionPose | undefined,
  why: RaiseReason,
  there: { readonly isThere: (one: Easing) => boolean; readonly goneBack?: Easing | null },
): Easing {
  const { way } = input.settings;
  const ofWay = wayOf(pose, way)?.eases;
  const own = easingsFor(pose, family, input, outcome, why);
  const isSaid = ({ slot, dial }: Easing) => slot === null && dial === null;
  const inTurn: readonly (Easing | null)[] = [
    ...own.filter((one) => !isSaid(one)),
    // What is said of a spot is said of the way in which it was felt.
    there.goneBack ?? null,
    ...own.filter(isSaid),
    ofWay ? easingBy(ofWay, { code: 'way-cue', pose: pose.id, way }) : null,
    ...IN_TURN.map((other) =>
      easingBy(pose.eases[other], { code: 'ease-cue', pose: pose.id, why: other }),
    ),
  ];
  return inTurn.find((one) => one !== null && there.isThere(one)) ?? GO_LESS_FAR;
}

/** What may ease a pose for what was felt or seen at an earlier time, the first thought of first. */
export function easingsFor(
  pose: Pose,
  family: Family,
  input: FamilyInput,
  outcome: SessionPose | undefined,
  why: RaiseReason,
): readonly Easing[] {
  if (why === 'rolled' && outcome && family.mendsRollBack)
    return [
      {
        slot: family.mendsRollBack(input, builtOf(outcome)),
        dial: null,
        way: 'raise',
        cue: null,
      },
    ];
  const felt = outcome ? feltEasings(pose, input, outcome, why) : [];
  if (felt.length > 0) return felt;
  if (why === 'joint' && isFar(outcome?.feeling.spot)) return [GO_LESS_FAR];
  const remedy = atItsEnd(pose.eases[why], outcome) ? pose.eases.other : pose.eases[why];
  return [easingBy(remedy, { code: 'ease-cue', pose: pose.id, why })];
}

/** The answer to the spot that was tapped, where a joint or the low back spoke; null where it has none of its own. */
export const feltAnswer = (pose: Pose, { feeling }: SessionPose, why: RaiseReason) =>
  why === 'joint' || why === 'low-back' ? answerAt(pose.id, feeling.spot) : null;

/** What answers something felt at the spot that was tapped, its words last; nothing where it has no answer of its own. */
function feltEasings(
  pose: Pose,
  { settings }: FamilyInput,
  outcome: SessionPose,
  why: RaiseReason,
): Easing[] {
  const felt = feltAnswer(pose, outcome, why);
  if (!felt) return [];
  const { at, answer } = felt;
  const cue: Reason = { code: 'felt-answer', pose: pose.id, spot: at.spot };
  return [
    ...answeredBy(answer, pose, settings.way)
      .filter((one) => !atItsEnd(one, outcome))
      .map((one): Easing => {
        if ('dial' in one) return { slot: null, dial: one.dial, way: one.way, cue };
        const slot = slotOnSide(one.slot, at.side, (key) => settledAt(outcome, key) !== undefined);
        return { slot, dial: null, way: one.way, cue };
      }),
    { slot: null, dial: null, way: 'raise', cue },
  ];
}

/** Whether a dial cannot be turned any further than it stood. */
function atItsEnd(remedy: Remedy | null, outcome: SessionPose | undefined): boolean {
  if (!remedy || !('dial' in remedy)) return false;
  const stood = outcome?.dials?.find(({ dial }) => dial === remedy.dial)?.value;
  return stood !== undefined && turned(remedy, stood) === stood;
}

/** Faults of a pose that were seen at an earlier time. */
const faultsSeen = (pose: Pose, outcome: SessionPose | undefined) =>
  pose.faults.filter(({ id }) => outcome?.faults.includes(id));

/** The slot that a remedy moves as asked; `back` is the ramp's high end. */
const slotMoved = (remedy: Remedy, way: 'raise' | 'lower'): SlotName | null =>
  'slot' in remedy && remedy.way === way
    ? remedy.slot === 'back'
      ? 'back.high'
      : remedy.slot
    : null;

/** Slots of which what was seen says that they stand too low. */
export const faultedSlots = (pose: Pose, outcome: SessionPose | undefined): ReadonlySet<SlotName> =>
  new Set(faultsSeen(pose, outcome).flatMap((fault) => slotMoved(fault, 'raise') ?? []));

/** Dials of which what was seen says that they are not eased enough. */
export const faultedDials = (pose: Pose, outcome: SessionPose | undefined): ReadonlySet<DialId> =>
  new Set(faultsSeen(pose, outcome).flatMap((fault) => ('dial' in fault ? fault.dial : [])));

/** A fault that was seen the last two times, with what mends it; null where there is none. */
export function seenAgain(pose: Pose, earlier: readonly Earlier[]) {
  const [before, last] = earlier.slice(-2).map(({ outcome }) => outcome);
  const fault = last && faultsSeen(pose, last).find(({ id }) => before?.faults.includes(id));
  if (!fault) return null;
  const easing = easingBy(fault, { code: 'fault-cue', pose: pose.id, fault: fault.id });
  const slot = easing.slot === 'back' ? 'back.high' : easing.slot;
  return { fault: fault.seen, easing: { ...easing, slot } };
}

/** What is not known of one slot's height: from the ranges, and from everything else. */
export interface SlotDoubt {
  readonly offset: Offset;
  /** What the swing of the day does to the height. */
  readonly range: Spread;
}

/** Standard deviations of a height from a share of each input's variance. */
function spreadOf({ parts }: Band, shareOf: (key: InputKey) => number): Spread {
  let [down, up] = [0, 0];
  for (const { key, downCm, upCm } of parts) {
    const share = shareOf(key);
    down += share * downCm * downCm;
    up += share * upCm * upCm;
  }
  return { downCm: Math.sqrt(down) / Z90, upCm: Math.sqrt(up) / Z90 };
}
const evenly = ({ downCm, upCm }: Spread) => (downCm + upCm) / 2;

/**
 * Height that a body asks for in a slot with everything else as it lies. What lies in the slot itself is left out: what
 * a ramp makes of the trunk must not come back as the ramp that the trunk asks for.
 */
export function neededOn(
  family: Family,
  input: FamilyInput,
  lying: Built,
  key: SlotKey,
): number | undefined {
  const { [key]: _own, ...others } = lying;
  const needs = [...family.heights(input), ...(family.afterBuilt?.(input, others) ?? [])];
  return needs.findLast((need) => slotKey(need) === key)?.rawCm;
}

/** Heights reckoned for one earlier day, on what else then lay there. */
function reckonedThen(family: Family, input: FamilyInput, outcome: SessionPose) {
  const lying = builtOf(outcome);
  return memoise((key: SlotKey) => neededOn(family, input, lying, key));
}

const learnsNothing = (pose: Pose, need: SlotNeed) =>
  need.isLength || need.isChosen || staysEmptyOver(pose, slotKey(need), need.rawCm);

const raisedBy = ({ slot, way }: Easing) => (way === 'raise' ? slot : null);

interface OffsetContext {
  readonly today: LocalDay;
  readonly likelyOn: (day: LocalDay) => InputValues;
  readonly dayShare: (key: InputKey) => number;
}

/** Whether what eases was there to be moved at an earlier time: its slot, high or empty, its dial, or its words. */
const wasThere = ({ settled, dials }: SessionPose, { slot, dial, cue }: Easing): boolean => {
  if (dial !== null) return dials?.some((one) => one.dial === dial) === true;
  if (slot === null) return cue !== null;
  return settled.some((one) => meansSlot(slot, slotKey(one)));
};

/** One earlier time, with what is reckoned for that day on what else then lay there. */
interface Then {
  readonly outcome: SessionPose;
  readonly daysAgo: number;
  readonly edge: (key: SlotKey) => number | undefined;
  /** The height with its margin, where the teacher chose against the advice. */
  readonly target: ((key: SlotKey) => number | undefined) | null;
  readonly goesUp: SlotKey | null;
  readonly faulted: ReadonlySet<SlotName>;
}

/** A gap is no smaller than it is reckoned because it was enough to fill it, unless its height was chosen. */
function learnedFrom(
  { slot }: SlotNeed,
  { family }: Pose,
  evidence: readonly HeightEvidence[],
  priorSdCm: number,
): Offset {
  const learned = offsetFrom(evidence, priorSdCm);
  const isFill = ['fill', 'reach'].includes(purposeOf(slot, family));
  return isFill && learned.meanCm < 0 && !evidence.some(({ says }) => says === 'settled')
    ? offsetFrom([], priorSdCm)
    : learned;
}

/** Steps that were tried in a slot, against what was reckoned for that day; what fills or reaches is not found so. */
const triedIn = (
  outcome: SessionPose,
  key: SlotKey,
  reckonedCm: number,
  purpose: Purpose,
): Tried[] =>
  purpose === 'carry' || purpose === 'tilt'
    ? triedOf(outcome, key).map(({ heightCm, word }) => ({
        overReckonedCm: heightCm - reckonedCm,
        word,
      }))
    : [];

/** What all earlier times say of one slot's height. */
function saidOf(
  need: SlotNeed,
  pose: Pose,
  then: readonly Then[],
  swingCm: number,
): HeightEvidence[] {
  const key = slotKey(need);
  // What is fitted to the body's lengths is learned like what fills: not from how well it went.
  const purpose = isFitted(need.slot, pose.family) ? 'fill' : purposeOf(need.slot, pose.family);
  const unseenCm = purpose === 'tilt' ? parameter.unseenTilt.value : 0;
  let wasTooLow = false;
  return then.flatMap(({ outcome, daysAgo, edge, target, goesUp, faulted }) => {
    const reckoned = (target && chosenAgainst(outcome, key) ? target : edge)(key) ?? need.rawCm;
    const told = evidenceOf(outcome, key, reckoned, goesUp, faulted, purpose, wasTooLow);
    wasTooLow ||= told.some(({ says }) => says === 'tooLow');
    const trials = triedIn(outcome, key, reckoned - unseenCm, purpose);
    const said: readonly HeightEvidence[] =
      told.length > 0 || trials.length === 0 ? told : [{ says: 'nothing', overReckonedCm: 0 }];
    return said.map(({ strength, ...one }) => ({
      ...one,
      // A pull in the muscle is what a fold is for; only what carries is felt the less the higher it stands.
      ...(purpose === 'carry' && strength !== undefined ? { strength } : {}),
      overReckonedCm: one.overReckonedCm + (one.says === 'settled' ? 0 : unseenCm),
      daysAgo,
      swingCm,
      ...(trials.length > 0 ? { trials } : {}),
    }));
  });
}

/**
 * Offsets per slot from every earlier time. What stays from day to day (the level's doubt, the parameters' own) is part
 * of what the offset learns, so it is counted once; so is a settled seat, which speaks here and not as a bound on the
 * range. The body answers at its edge; a teacher who chooses a height against the advice chooses with a margin, and is
 * weighed against the target.
 */
export function offsetsOf(
  { pose, family, body, settings }: Prepared,
  side: ReadingSide,
  bands: readonly Band[],
  earlier: readonly Earlier[],
  { today, likelyOn, dayShare }: OffsetContext,
): ReadonlyMap<SlotKey, SlotDoubt> {
  const edgeSettings = atTheEdge(settings);
  const then = earlier.map(({ at, outcome }): Then => {
    const dials = valuesOf(outcome.dials ?? []);
    const atEdge = {
      body,
      settings: { ...edgeSettings, dials },
      side,
      values: likelyOn(dayOf(at)),
    };
    const more = askedForMore(outcome, decisionParameter.easyFeeling.value);
    return {
      outcome,
      daysAgo: Math.max(0, daysBetween(dayOf(at), today)),
      edge: reckonedThen(family, atEdge, outcome),
      target: outcome.overruled
        ? reckonedThen(family, { ...atEdge, settings: { ...settings, dials } }, outcome)
        : null,
      goesUp:
        more &&
        raisedBy(
          easingAmong(pose, family, atEdge, outcome, more.why, {
            isThere: (one) => wasThere(outcome, one),
          }),
        ),
      faulted: faultedSlots(pose, outcome),
    };
  });
  return new Map(
    bands.map((band): [SlotKey, SlotDoubt] => {
      const { need } = band;
      const key = slotKey(need);
      const swing = spreadOf(band, dayShare);
      const evidence = learnsNothing(pose, need) ? [] : saidOf(need, pose, then, evenly(swing));
      const stays = evenly(spreadOf(band, (input) => 1 - dayShare(input)));
      const priorSdCm = need.isChosen ? 0 : Math.hypot(parameter.priorSd.value, stays);
      return [key, { offset: learnedFrom(need, pose, evidence, priorSdCm), range: swing }];
    }),
  );
}
