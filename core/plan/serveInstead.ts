import { decision as decisionParameter } from '../parameters';
import type { PlanPose } from '../formats/plan';
import { dayOf, daysBetween } from '../formats/time';
import type { Decision } from '../learn/decide';
import type { Pose, PoseId } from '../poses/poses';
import { mostCmAt } from '../prepare/limits';
import type { Prepared } from '../prepare/prepare';
import type { ReadingSide } from '../ranges/ranges';
import type { Reason } from '../reasons';
import { firstAllowed, type Verdict } from '../safety/verdict';
import { sidelessKey, slotKey } from '../slots';
import type { StudentContext } from './context';
import { type Laid, standsAtMost } from './lay';

export const notBuilt = (
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

/** What to practise until what must come first is done. */
export function behindGate(
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

/**
 * Where a support would have to stand too high to be sensible, the pose that serves better, unless a caution forbids
 * that one.
 */
export function betterInstead({
  pose,
  verdict,
  side,
  bands,
  doubts,
  context,
}: Laid): PlanPose | null {
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
