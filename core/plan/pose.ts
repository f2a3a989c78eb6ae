import { gateKey, wayKey } from '../approaches/approaches';
import { movesOf } from '../dials';
import type { PlanPose } from '../formats/plan';
import type { Decision } from '../learn/decide';
import { earlierOf } from '../learn/evidence';
import { answerAt } from '../poses/felt';
import { wayOf, type Pose } from '../poses/poses';
import { movesThen } from '../prepare/dial';
import { type Prepared, preparePose } from '../prepare/prepare';
import { inItsWay } from '../prepare/ways';
import { slotKey, type SlotName } from '../slots';
import type { ReadingSide } from '../ranges/ranges';
import type { Reason, WayRuledOut } from '../reasons';
import type { Planned, Served, StudentContext } from './context';
import { decisionOn, turnOf, type DialTurned } from './decideOn';
import { buildSlots } from './buildSlots';
import { figureOf } from './figure';
import { shutBy } from './gate';
import { strengthAllowedBy, wentTooFar } from './goneBack';
import { readSince } from './readSince';
import { layPose } from './askedSince';
import type { Laid, Place } from './lay';
import {
  asksForMore,
  buildsAlike,
  goesFurther,
  isStuck,
  raisedForNothing,
  uncarried,
  type Uncarried,
} from './carried';
import { servesStill } from './servesToday';
import { triableSlots, trialOf } from './trial';
import { behindGate, betterInstead, easierInstead, notCarried, refused } from './serveInstead';

/**
 * A pose on one side of one student, planned once for as long as what it is made of stays, and what other poses it was
 * told of serve still.
 */
export function planPose(pose: Pose, side: ReadingSide, context: StudentContext): Planned {
  const { record, shelf, planned } = context;
  const { person } = record;
  const prepared = preparePose(person, pose.id, side, shelf);
  const own = [person.choices[wayKey(pose.id)], person.choices[gateKey(pose.id)]];
  const key = `${pose.id}/${side}/${JSON.stringify([prepared.choices, own])}`;
  const known = planned.get(key);
  if (known && servesStill(known.asked, context)) return known;
  const asked: Served[] = [];
  const place: Place = {
    side,
    context: { ...context, asked },
    // The second side follows the first.
    first: side === 'right' ? planPose(pose, 'left', context).planPose : null,
  };
  const one = inFirstBuilt(pose, place, strengthAllowedBy(prepared.choices));
  const kept = { ...one, asked };
  planned.set(key, kept);
  return kept;
}

/**
 * The pose in the first way in which this shelf builds what carries the body. Where it builds that in none, what serves
 * in its place.
 */
function inFirstBuilt(pose: Pose, place: Place, strengthAllowed: number): Planned {
  const { record, shelf, likely } = place.context;
  const { asked, left } = wayFelt(pose, place, strengthAllowed);
  const wanted = {
    person: record.person,
    pose: pose.id,
    side: place.side,
    values: likely,
    shelf,
  };
  const hasBefore = earlierOf(place.context.history, pose.id, place.side).length > 0;
  const tries: Tries = {
    unbuilt: new Map<string, WayRuledOut>([
      ...left.map((way) => [way, { of: 'felt-there' }] as const),
      ...tooEarly(pose, place),
    ]),
    idle: new Set(),
    leftFor: undefined,
  };
  for (;;) {
    const { unbuilt, idle, leftFor } = tries;
    const prepared = inItsWay({ ...wanted, asked: leftFor ?? asked }, unbuilt);
    const one = reckonPose(prepared, { ...place, hasLeft: leftFor !== undefined, idle });
    const { way } = prepared.settings;
    // Before there is any shelf, heights are told and nothing is built.
    const lacks = shelf.length > 0 ? uncarried(pose, one.planPose) : null;
    // One way, or all that could be taken were seen to lack it.
    if (lacks && (way === '' || unbuilt.has(way)))
      return { planPose: notCarried(prepared, place, lacks), bands: one.bands };
    if (lacks) leaveUncarried(pose, one.planPose, lacks, tries);
    else if (!isAmended(pose, one.planPose, hasBefore, tries)) return one;
  }
}

/** What building a pose has shown so far. */
interface Tries {
  /** Ways that do not stand, with why. */
  readonly unbuilt: Map<string, WayRuledOut>;
  /** Slots that were raised in vain. */
  readonly idle: Set<SlotName>;
  /** The way that another one was left for. */
  leftFor: string | undefined;
}

/** Leaves a way in which this shelf builds nothing that carries the body, and those that would lack the same. */
function leaveUncarried(pose: Pose, planned: PlanPose, lacks: Uncarried, tries: Tries): void {
  const { unbuilt } = tries;
  unbuilt.set(planned.way, lacks);
  for (const { id } of pose.ways ?? [])
    if (buildsAlike(pose, id, lacks.slot)) unbuilt.set(id, lacks);
  if (asksForMore(planned)) tries.leftFor ??= wayOf(pose, planned.way)?.backTo;
}

/** Whether what was built showed something that has it built anew: a way that is not let stand, a slot raised in vain. */
function isAmended(pose: Pose, planned: PlanPose, hasBefore: boolean, tries: Tries): boolean {
  const { unbuilt, idle } = tries;
  const notLet = letGo(pose, planned, hasBefore);
  if (notLet && planned.way !== '' && !unbuilt.has(planned.way)) {
    unbuilt.set(planned.way, notLet.because);
    tries.leftFor = notLet.backTo ?? tries.leftFor;
    return true;
  }
  const vain = raisedForNothing(planned);
  if (!vain || idle.has(vain)) return false;
  idle.add(vain);
  return true;
}

/** Why a pose as it is built is not let stand: it goes further than was felt, or what should rise in it cannot. */
function letGo(
  pose: Pose,
  planned: PlanPose,
  hasBefore: boolean,
): { readonly because: WayRuledOut; readonly backTo?: string } | null {
  const further = goesFurther(pose, planned, hasBefore);
  if (further) return { because: further };
  const backTo = isStuck(planned) ? wayOf(pose, planned.way)?.backTo : undefined;
  return backTo ? { because: { of: 'felt-there' }, backTo } : null;
}

/** Ways that are not taken before their time, each with what should come first. */
function tooEarly(pose: Pose, { side, context }: Place): [string, WayRuledOut][] {
  return (pose.ways ?? []).flatMap(({ id, gate }): [string, WayRuledOut][] => {
    const [first] = gate?.firm ? shutBy(gate, pose, side, context) : [];
    return first ? [[id, { of: 'early', first }]] : [];
  });
}

/** Times for which a way that answered a spot is kept. */
const KEPT_TIMES = 3;

/**
 * The way that answers what was felt lately, on the mat or after it, undefined where none does; and the ways that asked
 * too much lately.
 */
function wayFelt(
  pose: Pose,
  { side, context }: Place,
  strengthAllowed: number,
): { readonly asked: string | undefined; readonly left: readonly string[] } {
  const lately = earlierOf(context.history, pose.id, side).slice(-KEPT_TIMES);
  const answers = lately.map(({ outcome }) => {
    const tooFar = wentTooFar(pose, outcome, strengthAllowed);
    const taken = [outcome.feeling.spot, ...(outcome.eased ?? [])].flatMap(
      (kept) => answerAt(pose.id, kept)?.answer.takes ?? [],
    );
    return { asked: [tooFar?.to ?? [], taken].flat().at(-1), left: tooFar?.from ?? [] };
  });
  return {
    asked: answers.flatMap(({ asked }) => asked ?? []).at(-1),
    left: answers.flatMap(({ left }) => left),
  };
}

/**
 * From station to station: made ready (`../prepare`), let through its gate, laid out, decided on, built, drawn. What
 * each hands on is all that the next one is made from; nothing runs back.
 */
function reckonPose(prepared: Prepared, place: Place): Planned {
  const { pose, verdict } = prepared;
  const { side, context } = place;
  if (verdict.status === 'forbidden' || verdict.status === 'instead')
    return { planPose: refused(prepared, place), bands: [] };
  const shut = shutBy(pose.gate, pose, side, context);
  if (pose.gate && shut.length > 0)
    return { planPose: behindGate(prepared, place, shut), bands: [] };
  const last = earlierOf(context.history, pose.id, side).at(-1)?.outcome;
  const laid = layPose(prepared, place, movesThen(last));
  const better = betterInstead(laid);
  if (better) return { planPose: better, bands: laid.bands };
  const decided = decisionOn(laid);
  const decision = { ...decided, reasons: [...decided.reasons, ...readSince(laid, decided)] };
  const turn = turnOf(decision, laid, last);
  const easier = turn ? null : easierInstead(laid, decision);
  if (easier) return { planPose: easier, bands: laid.bands };
  const [built, told] = turn ? turnedBy(turn, laid, prepared, decision) : [laid, decision];
  // A way that was chosen before its time says what should come first.
  const own = context.record.person.choices[wayKey(pose.id)] ?? '';
  const wayShut = shutBy(wayOf(pose, own)?.gate, pose, side, context);
  return builtAs(
    { ...built, verdict: { ...verdict, reasons: [...verdict.reasons, ...wayShut] } },
    told,
  );
}

/** The pose laid out again with a dial turned, and the decision that says so. */
function turnedBy(
  turn: DialTurned,
  laid: Laid,
  prepared: Prepared,
  decision: Decision,
): [Laid, Decision] {
  const set = laid.dials.map((one) => (one.dial === turn.dial ? { ...one, value: turn.to } : one));
  const said: Reason = { code: 'dial-turned', ...turn };
  return [
    layPose(prepared, laid, movesOf(set)),
    {
      ...decision,
      // A support that rises for what is known since is more support all the same.
      ...(decision.word === 'ease' && laid.since.toCm.size === 0 ? { word: 'gentle' } : {}),
      reasons: [...decision.reasons, said],
    },
  ];
}

function builtAs(laid: Laid, decision: Decision): Planned {
  const planned = figureOf(laid, decision, buildSlots(laid, decision));
  return {
    planPose: planned,
    bands: laid.bands,
    trial: () => trialOf(laid, planned),
    triable: () => triableSlots(laid, planned).map(slotKey),
  };
}
