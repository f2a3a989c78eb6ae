import { decision as decisionParameter } from '../parameters';
import type { PlanPose } from '../formats/plan';
import { countAll } from '../props/stack';
import type { Band } from '../geometry/band';
import { isWanted } from '../lies';
import type { Pose } from '../poses/poses';
import type { SlotId } from '../slots';

/** How many pieces a planned pose asks for; twins for two hands are two. */
export const piecesIn = ({ slots }: Pick<PlanPose, 'slots'>) =>
  slots.reduce((sum, { stack }) => sum + countAll(stack), 0);

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

/** Pieces that a slot may use of what is left; the first of two sides leaves the other one as many. */
export function piecesFor(bands: readonly Band[], at: number, pose: Pose, laid: number): number {
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
