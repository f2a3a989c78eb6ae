import type { Decision } from '../learn/decide';
import type { SessionPose, Settled } from '../formats/book';
import type { DialSetting } from '../dials';
import type { PlanPose } from '../formats/plan';
import { comesDown, poseById } from '../poses/poses';
import { usedBy, type Stack } from '../props/stack';
import { slotKey } from '../slots';
import { asPlanned, asSettled } from '../learn/settled';
import { rungsFrom, type InPose } from '../build/solve';
import { lies } from '../lies';

/** What a teacher may say instead of what is proposed. */
export const overrules = ['ease', 'keep', 'deepen'] as const satisfies readonly Decision['word'][];
export type Overrule = (typeof overrules)[number];

/** A pose as it is laid against the advice, and what of it moved from the plan. */
export interface Overruled {
  readonly settled: Settled[];
  readonly dials: DialSetting[];
  readonly changes: NonNullable<SessionPose['changes']>;
}

/**
 * A pose laid as the teacher says: as it lay last time, or one rung of the shelf easier or deeper than that.
 *
 * @param last what was settled on the last time.
 * @returns null where the shelf has no such rung, or nothing there comes down.
 */
export function overruledAs(
  inPose: InPose,
  planned: PlanPose,
  last: SessionPose | undefined,
  word: Overrule,
): Overruled | null {
  const pose = poseById(planned.pose);
  const settled = asPlanned(planned);
  const movable = settled.filter((one) => comesDown(pose, slotKey(one)));
  const here =
    movable.find((one) => planned.decision.slot?.startsWith(one.slot)) ??
    movable.find(({ heightCm }) => lies(heightCm)) ??
    movable[0];
  if (!here) return null;
  const lay = last?.settled.find((one) => slotKey(one) === slotKey(here)) ?? here;
  const stood: Stack = { pieces: lay.pieces, heightCm: lay.heightCm };
  const beside = usedBy(settled.filter((one) => one !== here).map(({ pieces }) => pieces));
  const { below, above } = rungsFrom(inPose, here.slot, stood, beside);
  const to = { keep: stood, ease: above, deepen: below }[word];
  if (!to) return null;
  const { slot, part, side } = here;
  return {
    settled: settled.map((one) => (one === here ? asSettled(one, to) : one)),
    dials: [...planned.dials],
    changes: [
      {
        slot,
        ...(part ? { part } : {}),
        side,
        fromCm: here.heightCm,
        toCm: to.heightCm,
        atSeconds: 0,
      },
    ],
  };
}
