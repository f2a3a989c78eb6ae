import { decision as decisionParameter } from '../parameters';
import type { PlanPose } from '../formats/plan';
import { countAll } from '../props/stack';
import type { Band } from '../geometry/band';
import { isWanted, lies } from '../lies';
import type { Pose } from '../poses/poses';
import type { Prepared } from '../prepare/prepare';
import { isBuiltFor, type PoseChange } from '../safety/changes';
import { slotKey, type SlotId, type SlotKey } from '../slots';

/** How many pieces a planned pose asks for; twins for two hands are two. */
export const piecesIn = ({ slots }: Pick<PlanPose, 'slots'>) =>
  slots.reduce((sum, { stack }) => sum + countAll(stack), 0);

/** Comforts, which go first where a pose would ask for too many pieces. */
export const COMFORTS: readonly SlotId[] = ['neck', 'ankle', 'shoulder', 'behindKnee'];

/** Slots that take two pieces: one for each hand, or something under something. */
const TAKES_TWO: readonly SlotId[] = ['hands', 'feet', 'forehead'];

/** Pieces that are kept for what is still to be built: as many as it asks for, else one or two. */
const keptFor = (
  later: readonly Band[],
  pose: Pose,
  changes: ReadonlySet<PoseChange>,
  asked: ReadonlyMap<SlotKey, number> = NOTHING_ASKED,
) =>
  later
    .filter(({ need: { slot, rawCm } }) =>
      // What a caution builds is no comfort.
      isBuiltFor(changes, slot)
        ? lies(rawCm)
        : isWanted(rawCm) && !COMFORTS.includes(slot) && !pose.optional?.includes(slot),
    )
    .reduce(
      (sum, { need }) =>
        sum + (asked.get(slotKey(need)) ?? (TAKES_TWO.includes(need.slot) ? 2 : 1)),
      0,
    );
const NOTHING_ASKED: ReadonlyMap<SlotKey, number> = new Map();

/** Pieces that a slot may use of what is left; the first of two sides leaves the other one as many. */
export function piecesFor(
  bands: readonly Band[],
  at: number,
  { pose, verdict: { changes } }: Pick<Prepared, 'pose' | 'verdict'>,
  laid: number,
  asked?: ReadonlyMap<SlotKey, number>,
): number {
  const here = (bands[at] as Band).need;
  const isTwin = ({ need }: Band) => here.side !== 'both' && need.slot === here.slot;
  const later = bands.slice(at + 1);
  const left =
    decisionParameter.mostPieces.value -
    laid -
    keptFor(
      later.filter((band) => !isTwin(band)),
      pose,
      changes,
      asked,
    );
  return later.some(isTwin) ? Math.floor(left / 2) : left;
}
