import { decision as decisionParameter } from '../parameters';
import type { PlanPose } from '../formats/plan';
import { dayOf, daysBetween } from '../formats/time';
import type { Decision } from '../learn/decide';
import type { Pose, PoseId } from '../poses/poses';
import { mostCmAt } from '../prepare/limits';
import type { Prepared } from '../prepare/prepare';
import type { ReadingSide } from '../ranges/ranges';
import type { Reason } from '../reasons';
import { withoutChanges, type Verdict } from '../safety/verdict';
import { sidelessKey, slotKey } from '../slots';
import type { Uncarried } from './carried';
import { nothingAround } from './around';
import { type Laid, type Place, standsAtMost } from './lay';
import { servesToday } from './servesToday';

export const notBuilt = (
  pose: Pose,
  side: ReadingSide,
  { status, instead, reasons, refer }: Pick<Verdict, 'status' | 'instead' | 'reasons' | 'refer'>,
): PlanPose => ({
  pose: pose.id,
  side,
  stage: '',
  way: '',
  answers: {},
  notTaken: [],
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
  around: nothingAround,
  holdSeconds: 0,
  times: null,
  joints: {},
  posture: null,
});

/** A pose that is not done today, and what is practised in its place; left out where nothing is. */
const inItsPlace = (
  { pose, verdict }: Pick<Prepared, 'pose' | 'verdict'>,
  { side, context }: Pick<Place, 'side' | 'context'>,
  candidates: readonly PoseId[],
  said: readonly Reason[],
): PlanPose => {
  const instead = servesToday(candidates, side, context, [pose.id]);
  return notBuilt(pose, side, {
    status: instead === null ? 'forbidden' : 'instead',
    instead,
    reasons: [...withoutChanges(verdict.reasons), ...said],
    refer: verdict.refer,
  });
};

/** What the cautions refuse. */
export const refused = (prepared: Prepared, place: Place): PlanPose =>
  inItsPlace(prepared, place, prepared.verdict.candidates, []);

/** What to practise until what must come first is done. */
export const behindGate = (prepared: Prepared, place: Place, shut: readonly Reason[]): PlanPose =>
  inItsPlace(
    prepared,
    place,
    prepared.pose.gate ? [prepared.pose.gate.instead as PoseId] : [],
    shut,
  );

/** What serves where this shelf builds nothing that carries the body. */
export const notCarried = (prepared: Prepared, place: Place, { slot, cm }: Uncarried): PlanPose =>
  inItsPlace(
    prepared,
    place,
    [prepared.pose.insteadOver?.pose, prepared.pose.easier].flatMap((id) => id ?? []),
    [{ code: 'not-carried', slot, cm }],
  );

/**
 * Where a support would have to stand too high to be sensible, the pose that serves better, unless a caution forbids
 * that one.
 */
export function betterInstead(laid: Laid): PlanPose | null {
  const { pose, bands, doubts } = laid;
  const over = pose.insteadOver;
  const band = over && bands.find(({ need }) => slotKey(need) === over.slot);
  if (!over || !band) return null;
  const cm = band.need.rawCm + (doubts.get(over.slot)?.offset.meanCm ?? 0);
  if (cm <= over.cm) return null;
  return inItsPlace(laid, laid, [over.pose], [{ code: 'too-high', pose: pose.id, cm }]);
}

/**
 * The pose that serves better where a support that should go up stands at the most that anybody builds: for as long as
 * a pose rests after an alarm, then it is tried again.
 */
export function easierInstead(laid: Laid, decision: Decision): PlanPose | null {
  const { pose, side, verdict, earlier, context } = laid;
  const { action, slot, reasons, oneRung } = decision;
  const last = earlier.at(-1);
  if (action !== 'raise' || slot === null || oneRung || !last) return null;
  if (daysBetween(dayOf(last.at), context.today) >= decisionParameter.restDays.value) return null;
  const candidates = [pose.insteadOver?.pose, pose.easier].flatMap((id) => id ?? []);
  const instead = standsAtMost(laid, slot)
    ? servesToday(candidates, side, context, [pose.id])
    : null;
  if (instead === null) return null;
  return notBuilt(pose, side, {
    status: 'instead',
    instead,
    reasons: [...reasons, { code: 'at-limit', slot: sidelessKey(slot), cm: mostCmAt(pose, slot) }],
    refer: decision.refer ? [decision.refer, ...verdict.refer] : verdict.refer,
  });
}
