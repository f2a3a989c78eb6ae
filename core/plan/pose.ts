import {
  wentWell,
  decide,
  type Decision,
  type DecisionInput,
  type Earlier,
  type Rung,
} from '../learn/decide';
import { chanceEnough } from '../learn/offset';
import { gateKey, wayKey } from '../approaches/approaches';
import { movesOf, type DialId, type DialSetting, type DialValues } from '../dials';
import type { SessionPose } from '../formats/book';
import type { PlanPose, PlanSlot } from '../formats/plan';
import { dayOf, daysBetween } from '../formats/time';
import { bandsOf, type Band } from '../geometry/band';
import {
  otherSide,
  type Built,
  type Figure,
  type FamilyInput,
  type SlotNeed,
} from '../geometry/family';
import { normalQuantile } from '../normal';
import { decision as decisionParameter } from '../parameters';
import { comesDown, stageOf, wayOf, type Pose, type PoseId } from '../poses/poses';
import type { Reason } from '../reasons';
import { rungBelow } from '../props/search';
import { isShort, mostCmAt, standsIn, staysEmptyOver, staysFree } from '../prepare/limits';
import { isFitted, isStoodOn, purposeOf, slotRule } from '../props/slots';
import { countAll, usedBy, usedWith, type Stack, type Used } from '../props/stack';
import type { ReadingSide } from '../ranges/ranges';
import { leftOut, longestHoldFor } from '../safety/changes';
import { firstAllowed, type Verdict } from '../safety/verdict';
import { sidelessKey, slotKey, type SlotId, type SlotKey, type SlotName } from '../slots';
import { buildSlot, movesWith, type Twin } from '../build/buildSlot';
import { lowCheckOf } from '../learn/checks';
import type { StudentContext } from './context';
import {
  earlierOf,
  easingFor,
  faultedDials,
  faultedSlots,
  neededOn,
  offsetsOf,
  seenAgain,
  settledAt,
  type SlotDoubt,
} from '../learn/evidence';
import {
  backWay,
  dialled,
  easedDials,
  givenBack,
  movesThen,
  stoodAt,
  turnedFrom,
} from '../prepare/dial';
import { holdFor, timesFor } from './hold';
import { shutBy } from './gate';
import { taughtBy, withTaught } from '../learn/taught';
import { atTheEdge, inItsWay, preparePose, type Prepared } from '../prepare/prepare';
import { isWanted, lies } from '../lies';

/** A planned pose, with the bands that say what is worth measuring next. */
export interface Planned {
  readonly planPose: PlanPose;
  readonly bands: readonly Band[];
}

const notBuilt = (
  pose: Pose,
  side: ReadingSide,
  { status, instead, reasons, refer }: Pick<Verdict, 'status' | 'instead' | 'reasons' | 'refer'>,
): PlanPose => ({
  pose: pose.id,
  side,
  stage: '',
  way: '',
  status,
  instead,
  reasons: [...reasons],
  refer: [...refer],
  decision: { action: 'rest', word: 'rest', slot: null, dial: null, reasons: [], refer: null },
  slots: [],
  dials: [],
  demands: [],
  findings: {},
  taught: {},
  holdSeconds: 0,
  times: null,
  joints: {},
  posture: null,
});

/** Everything about one pose on one side that its decision and its slots are made from. */
interface Laid extends Prepared {
  readonly dials: readonly DialSetting[];
  readonly side: ReadingSide;
  readonly context: StudentContext;
  readonly input: FamilyInput;
  readonly bands: readonly Band[];
  readonly earlier: readonly Earlier[];
  readonly doubts: ReadonlyMap<SlotKey, SlotDoubt>;
  /** Heights where the body says so, with nothing kept in hand. */
  readonly edgeCm: ReadonlyMap<SlotKey, number>;
}

/** A pose on one side of one student, planned once for as long as what it is made of stays. */
export function planPose(pose: Pose, side: ReadingSide, context: StudentContext): Planned {
  const { record, shelf, planned } = context;
  const { person } = record;
  const prepared = preparePose(person, pose.id, side, shelf);
  const own = [person.choices[wayKey(pose.id)], person.choices[gateKey(pose.id)]];
  const key = `${pose.id}/${side}/${JSON.stringify([prepared.choices, own])}`;
  const known = planned.get(key);
  if (known) return known;
  const one = reckonPose(
    inItsWay(prepared, person, { values: context.likely, side }),
    side,
    context,
  );
  planned.set(key, one);
  return one;
}

function reckonPose(prepared: Prepared, side: ReadingSide, context: StudentContext): Planned {
  const { pose, verdict } = prepared;
  if (verdict.status === 'forbidden' || verdict.status === 'instead')
    return { planPose: notBuilt(pose, side, verdict), bands: [] };
  const shut = shutBy(pose.gate, pose, side, context);
  if (pose.gate && shut.length > 0)
    return { planPose: behindGate(prepared, side, context, shut), bands: [] };
  const last = earlierOf(context.history, pose.id, side).at(-1)?.outcome;
  const laid = layPose(prepared, side, context, movesThen(last));
  const instead = betterInstead(laid);
  if (instead) return { planPose: instead, bands: laid.bands };
  const decision = decisionOn(laid);
  const turn = turnOf(decision, laid, last);
  const easier = turn ? null : easierInstead(laid, decision);
  if (easier) return { planPose: easier, bands: laid.bands };
  if (!turn) return { planPose: builtPose(laid, decision), bands: laid.bands };
  const set = laid.dials.map((one) => (one.dial === turn.dial ? { ...one, value: turn.to } : one));
  const again = layPose(prepared, side, context, movesOf(set));
  const said: Reason = { code: 'dial-turned', ...turn };
  return {
    planPose: builtPose(again, { ...decision, reasons: [...decision.reasons, said] }),
    bands: again.bands,
  };
}

/** The dial that a decision turns, from where it stood to where it goes; null where none is turned. */
function turnOf(
  { action, word, dial, slot }: Decision,
  laid: Laid,
  last: SessionPose | undefined,
): { dial: DialId; from: number; to: number } | null {
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

/** A pose with its dials moved by so much from what is reckoned: its heights, their doubt, and what the mat says of them. */
function layPose(
  prepared: Prepared,
  side: ReadingSide,
  context: StudentContext,
  moves: DialValues,
): Laid {
  const set = dialled(prepared, { values: context.likely, side }, moves);
  const { pose, family, body, settings } = set;
  const input: FamilyInput = { body, values: context.likely, settings, side };
  const built = wayOf(pose, settings.way)?.slots;
  const bands = bandsOf(family, input, context.belief).filter(
    ({ need }) => built === undefined || built.includes(need.slot),
  );
  const earlier = earlierOf(context.history, pose.id, side);
  const atEdge = family.heights({ ...input, settings: atTheEdge(settings) });
  return {
    ...set,
    side,
    context,
    input,
    bands,
    earlier,
    doubts: offsetsOf(set, side, bands, earlier, context),
    edgeCm: new Map(atEdge.map((need) => [slotKey(need), need.rawCm])),
  };
}

/** What to practise until what must come first is done. */
function behindGate(
  { pose, verdict }: Prepared,
  side: ReadingSide,
  { record }: StudentContext,
  shut: readonly Reason[],
): PlanPose {
  const wished = pose.gate?.instead as PoseId;
  return notBuilt(pose, side, {
    status: 'instead',
    instead: firstAllowed([wished], side, record.person.cautions),
    reasons: [...verdict.reasons, ...shut],
    refer: verdict.refer,
  });
}

/** Where a support would have to stand too high to be sensible, the pose that serves better, unless a caution forbids that one. */
function betterInstead({ pose, verdict, side, bands, doubts, context }: Laid): PlanPose | null {
  const over = pose.insteadOver;
  const band = over && bands.find(({ need }) => slotKey(need) === over.slot);
  if (!over || !band) return null;
  const cm = band.need.rawCm + (doubts.get(over.slot)?.offset.meanCm ?? 0);
  if (cm <= over.cm) return null;
  const instead = firstAllowed([over.pose], side, context.record.person.cautions);
  return notBuilt(pose, side, {
    status: instead === null ? 'forbidden' : 'instead',
    instead,
    reasons: [{ code: 'too-high', pose: pose.id, cm }, ...verdict.reasons],
    refer: verdict.refer,
  });
}

/**
 * The pose that serves better where a support that should go up stands at the most that anybody builds: for as long as a
 * pose rests after an alarm, then it is tried again.
 */
function easierInstead(laid: Laid, decision: Decision): PlanPose | null {
  const { pose, side, verdict, earlier, context } = laid;
  const { action, slot, reasons, oneRung } = decision;
  const last = earlier.at(-1);
  if (action !== 'raise' || slot === null || oneRung || !last) return null;
  if (daysBetween(dayOf(last.at), context.today) >= decisionParameter.restDays.value) return null;
  const candidates = [pose.insteadOver?.pose, pose.easier].flatMap((id) => id ?? []);
  const instead = standsAtMost(laid, slot)
    ? firstAllowed(candidates, side, context.record.person.cautions)
    : null;
  if (instead === null) return null;
  return notBuilt(pose, side, {
    status: 'instead',
    instead,
    reasons: [
      ...reasons,
      { code: 'at-limit', slot: sidelessKey(slot), cm: mostCmAt(pose, slot) },
      ...verdict.reasons,
    ],
    refer: decision.refer ? [decision.refer, ...verdict.refer] : verdict.refer,
  });
}

/** Whether what lay in a slot, on either side, stood as high as anybody builds there. */
const standsAtMost = (laid: Laid, slot: SlotKey) =>
  laid.bands
    .map(({ need }) => slotKey(need))
    .filter((key) => sidelessKey(key) === sidelessKey(slot))
    .some(
      (key) =>
        (lyingAt(laid, key)?.heightCm ?? 0) >
        mostCmAt(laid.pose, slot) - decisionParameter.leastRung.value,
    );

/** What lay in a slot last time. */
function lyingAt({ earlier }: Laid, key: SlotKey): Stack | undefined {
  const last = earlier.at(-1)?.outcome;
  const there = last && settledAt(last, key);
  return there && { pieces: there.pieces, heightCm: there.heightCm };
}

/** What lay in each slot last time, in the pose's order. */
const lyingOf = (laid: Laid): ReadonlyMap<SlotKey, Stack> =>
  new Map(
    laid.bands.flatMap(({ need }) => {
      const key = slotKey(need);
      const stack = lyingAt(laid, key);
      return stack ? [[key, stack] as const] : [];
    }),
  );

/** What all slots but one use. */
const usedBeside = (lying: ReadonlyMap<SlotKey, Stack>, key: SlotKey): Used =>
  usedBy([...lying].filter(([other]) => other !== key).map(([, { pieces }]) => pieces));

/** Pieces that a slot may use beside those that lie before it. */
function piecesLeft(
  { bands, pose }: Laid,
  lying: ReadonlyMap<SlotKey, Stack>,
  key: SlotKey,
): number {
  const at = bands.findIndex(({ need }) => slotKey(need) === key);
  const before = bands.slice(0, at).map(({ need }) => lying.get(slotKey(need))?.pieces ?? []);
  return piecesFor(
    bands,
    at,
    pose,
    before.reduce((sum, pieces) => sum + countAll(pieces), 0),
  );
}

/** The slots that may come down, in the pose's order. */
const comingDown = ({ pose, bands }: Laid): readonly Band[] =>
  pose.comesDown.flatMap((name) => bands.filter(({ need }) => sidelessKey(slotKey(need)) === name));

/** Whether all that lies in a pose is fitted to the body. */
function onlyFitted(laid: Laid): boolean {
  const lying = comingDown(laid).filter(({ need }) =>
    lies(lyingAt(laid, slotKey(need))?.heightCm ?? 0),
  );
  return lying.length > 0 && lying.every(({ need }) => isFitted(need.slot, laid.pose.family));
}

/** The next rung down of each slot that stands on something, in the pose's order. */
function rungsOf(laid: Laid): Rung[] {
  const { pose, family, input, body, doubts, context } = laid;
  const lying = lyingOf(laid);
  const heights = Object.fromEntries([...lying].map(([key, { heightCm }]) => [key, heightCm]));
  const atEdge = { ...input, settings: atTheEdge(input.settings) };
  return comingDown(laid)
    .filter(({ need }) => !isFitted(need.slot, pose.family))
    .flatMap(({ need }): Rung[] => {
      const slot = slotKey(need);
      const stands = lying.get(slot);
      if (!stands || !lies(stands.heightCm)) return [];
      const rule = slotRule(need.slot, pose.family, body, laid.settings.way);
      const { offset, range } = doubts.get(slot) as SlotDoubt;
      // Judged on what else lies there, not on what would be reckoned for it.
      const edge = neededOn(family, atEdge, heights, slot) ?? need.rawCm;
      const carries = purposeOf(need.slot, pose.family) === 'carry';
      // What the other slots use is not free to make a step of.
      const [used, left] = [usedBeside(lying, slot), piecesLeft(laid, lying, slot)];
      const next = rungBelow(context.shelf, rule, stands, used, left);
      if (!next) return [];
      return [
        {
          slot,
          fromCm: stands.heightCm,
          toCm: next.heightCm,
          chance: chanceEnough(next.heightCm, edge, range, offset),
          ...(carries ? {} : { asked: decisionParameter.softChance.value }),
        },
      ];
    });
}

/** With no pain at all accepted, a pull this mild still counts as easy. */
const STRENGTH_WITHOUT_PAIN = 4;

/** A range that reads low today eases the slot that leans on it most; where none does, what eases anything. */
function lowCheckToday({
  pose,
  family,
  side,
  input,
  bands,
  earlier,
  context,
}: Laid): DecisionInput['lowCheck'] {
  const low = lowCheckOf(family, side, context);
  if (!low) return null;
  const leaning = bands
    .filter(({ need }) => comesDown(pose, slotKey(need)))
    .map(({ need, parts }) => ({
      slot: slotKey(need),
      upCm: parts.find(({ key }) => key === low.key)?.upCm ?? 0,
    }))
    .reduce<{ slot: SlotKey; upCm: number } | null>(
      (most, one) => (one.upCm > (most?.upCm ?? 0) ? one : most),
      null,
    );
  const easing = leaning
    ? ({ slot: leaning.slot, dial: null, way: 'raise', cue: null } as const)
    : easingFor(pose, family, input, earlier.at(-1)?.outcome, 'other');
  return { reason: low.reason, easing };
}

function decisionOn(laid: Laid): Decision {
  const { pose, family, choices, earlier, input, context } = laid;
  const last = earlier.at(-1)?.outcome;
  const [eased] = easedDials(laid.dials).filter(({ dial }) => !faultedDials(pose, last).has(dial));
  return decide({
    today: context.today,
    earlier,
    easingFor: (why) => easingFor(pose, family, input, last, why),
    faulted: faultedSlots(pose, last),
    seenAgain: seenAgain(pose, earlier),
    easedDial: eased ? { dial: eased.dial, way: backWay(eased.dial) } : null,
    veryMobile: context.veryMobile,
    lowCheck: lowCheckToday(laid),
    strengthAllowed:
      choices.strength === 'none' ? STRENGTH_WITHOUT_PAIN : decisionParameter.easyFeeling.value,
    chanceAsked: context.care.lowerRung,
    day: context.day,
    rungs: () => rungsOf(laid),
    onlyFitted: () => onlyFitted(laid),
  });
}

/** The slots in their order, each built on those before it and of the pieces that they leave. */
function buildSlots(laid: Laid, decision: Decision): { slots: PlanSlot[]; built: Built } {
  const { pose, family, body, verdict, input, bands, doubts, edgeCm, context } = laid;
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
    const need = follow.find((one) => slotKey(one) === key) ?? band.need;
    const slot = buildSlot({
      need,
      edgeCm: need.rawCm + (edgeCm.get(key) ?? band.need.rawCm) - band.need.rawCm,
      band,
      doubt: doubts.get(key) as SlotDoubt,
      decision,
      lying: lyingAt(laid, key),
      rule: slotRule(need.slot, pose.family, body, laid.settings.way),
      shelf: context.shelf,
      why: family.why(input, need),
      pose,
      used: keptLater(laid, decision, at).reduce(usedWith, used),
      firstZ,
      raisedChance: context.care.lowerRung,
      extraRung: context.day !== 'usual',
      mostPieces: piecesFor(bands, at, pose, laidPieces),
      hipLimited: input.settings.hipFlexionMostDeg < 180,
      otherSideCm: otherSideCm(laid, need),
      twin: twinOf(slots, need) ?? otherLegs(laid, need),
      liftedCm: need.slot === 'back' ? seatLiftedCm(laid, built) : 0,
    });
    const laidDown = asLaid(pose, slot, slots);
    slots.push(laidDown);
    used = usedWith(used, laidDown.stack);
    laidPieces += countAll(laidDown.stack);
    if (standsIn(pose, laidDown)) built[key] = laidDown.stackCm;
  }
  return { slots, built };
}

/** Pieces of later slots that stay as they lie: a kept slot keeps its pieces before another one takes them. */
const keptLater = (laid: Laid, decision: Decision, at: number) =>
  laid.bands.slice(at + 1).flatMap(({ need }) => {
    const key = slotKey(need);
    const lying = movesWith(decision, key) ? undefined : lyingAt(laid, key);
    return lying ? [lying.pieces] : [];
  });

/** What would lie on a ramp that is not there. */
const lacksRamp = ({ over }: PlanSlot, before: readonly PlanSlot[]) =>
  over === 'ramp' && before.some(isShort);
/**
 * A slot as it comes to lie beside those before it: nothing is laid for a ramp that is too low, nor on one; and what then
 * lies on nothing, though it asks for something, says why.
 */
function asLaid(pose: Pose, slot: PlanSlot, before: readonly PlanSlot[]): PlanSlot {
  if (lacksRamp(slot, before)) return { ...slot, stack: [], stackCm: 0 };
  const laid = isShort(slot) ? { ...slot, stack: [], stackCm: 0 } : slot;
  const free = staysFree(pose, laid);
  return free ? { ...laid, reasons: [...laid.reasons, free] } : laid;
}
/** Comforts, which go first where a pose would ask for too many pieces. */
const COMFORTS: readonly SlotId[] = ['neck', 'ankle', 'shoulder', 'behindKnee'];
/** Slots that take two pieces: one for each hand, or something under something. */
const TAKES_TWO: readonly SlotId[] = ['hands', 'feet', 'forehead'];

/** Pieces that are kept for what is still to be built. */
const keptFor = (later: readonly Band[], pose: Pose) =>
  later
    .filter(
      ({ need }) =>
        isWanted(need.rawCm) &&
        !COMFORTS.includes(need.slot) &&
        !pose.optional?.includes(need.slot),
    )
    .reduce((sum, { need }) => sum + (TAKES_TWO.includes(need.slot) ? 2 : 1), 0);

/** How much higher the seat stands than last time: the ramp behind it rises with it, or the back would arch. */
function seatLiftedCm(laid: Laid, built: Built): number {
  const before = lyingAt(laid, 'seat');
  return before ? Math.max(0, (built.seat ?? 0) - before.heightCm) : 0;
}

/** A slot as what another one may be built like. */
const asTwin = ({ stack, stackCm, targetCm, action }: PlanSlot): Twin => ({
  pieces: stack,
  heightCm: stackCm,
  nearestTo: action === 'first' ? targetCm : null,
});

/** What was built on the other side of a pair that stands apart. */
function twinOf(slots: readonly PlanSlot[], { slot, side }: SlotNeed): Twin | undefined {
  const twin = slots.find((one) => side !== 'both' && one.slot === slot && one.side !== side);
  return twin && twin.stack.length > 0 ? asTwin(twin) : undefined;
}

/** What is asked for here when the other leg works; undefined where both work at once, or each has its own. */
function otherSideCm({ pose, family, input }: Laid, need: SlotNeed): number | undefined {
  if (pose.sides !== 'each' || need.side !== 'both' || input.side === 'both') return undefined;
  const other = family.heights({ ...input, side: otherSide(input.side) });
  return other.find((one) => slotKey(one) === slotKey(need))?.rawCm;
}

/** What lies here when the other leg works: the second side follows the first. */
function otherLegs({ pose, side, context }: Laid, { slot, side: part }: SlotNeed) {
  if (side !== 'right' || part !== 'both') return undefined;
  const there = planPose(pose, 'left', context).planPose.slots.find((one) => one.slot === slot);
  return there && there.stack.length > 0 ? asTwin(there) : undefined;
}

/** Pieces that a slot may use of what is left; the first of two sides leaves the other one as many. */
function piecesFor(bands: readonly Band[], at: number, pose: Pose, laid: number): number {
  const here = (bands[at] as Band).need;
  const isTwin = ({ need }: Band) => here.side !== 'both' && need.slot === here.slot;
  const later = bands.slice(at + 1);
  const left =
    decisionParameter.mostPieces.value -
    laid -
    keptFor(
      later.filter((band) => !isTwin(band)),
      pose,
    );
  return later.some(isTwin) ? Math.floor(left / 2) : left;
}

function builtPose(laid: Laid, decision: Decision): PlanPose {
  const { pose, family, choices, verdict, side, earlier, input } = laid;
  const { slots, built } = buildSlots(laid, decision);
  const last = earlier.at(-1)?.outcome;
  const lastWell = last !== undefined && wentWell(last);
  const taught = taughtBy(pose, family, input, { bands: laid.bands, slots, lastWell });
  const { posture, demands, findings } = family.figure(
    { ...input, values: withTaught(input.values, taught) },
    built,
  );
  const holdSeconds = Math.min(
    longestHoldFor(verdict.changes),
    wayOf(pose, input.settings.way)?.mostSeconds ?? Infinity,
    holdFor(
      pose,
      earlier.map(({ outcome }) => outcome),
      choices,
      laid.context.day !== 'usual',
    ),
  );
  return {
    pose: pose.id,
    side,
    stage: stageFor(pose, built, slots, input.settings.way),
    way: input.settings.way,
    status: verdict.status,
    instead: verdict.instead,
    reasons: [
      ...verdict.reasons,
      ...shutBy(wayOf(pose, input.settings.way)?.gate, pose, side, laid.context),
      ...decision.reasons,
    ],
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
    holdSeconds,
    times: timesFor(pose, holdSeconds),
    joints: jointsOf(posture),
    posture: posture as PlanPose['posture'],
  };
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
function stageFor(pose: Pose, built: Built, slots: readonly PlanSlot[], way: string): string {
  const lengths = slots.filter(({ isLength, stack }) => isLength && stack.length > 0);
  const stands = {
    ...built,
    ...Object.fromEntries(lengths.map((slot) => [slotKey(slot), slot.targetCm])),
  };
  return stageOf(pose, stands, way, beyond(pose, slots));
}
