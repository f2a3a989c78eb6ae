import { homeShelf } from '../props/usualShelves';
import type { Shelf } from '../props/shelf';
import { type Piece, type Stack, type Used } from '../props/stack';
import type { SlotId } from '../slots';
import { nearestStack, otherStacks, type InPose } from '../build/solve';

/** What could lie in a slot in place of one piece of it; null where nothing could. */
export interface Instead {
  /** Of the shelf, without this fold or face of it. */
  readonly others: readonly Stack[];
  /** The nearest without this prop at all. */
  readonly without: Stack | null;
  /** The nearest of what the student has at home. */
  readonly home: Stack | null;
}

const MOST_OTHERS = 3;

/** What a student has at home: their own list, or what is found in most flats. */
export const shelfAtHome = ({ home }: { readonly home: Shelf }): Shelf =>
  home.length > 0 ? home : homeShelf;

const builds = (stack: Stack): Stack | null => (stack.pieces.length > 0 ? stack : null);

/**
 * What could stand in a slot in place of one of its pieces, for about the same height.
 *
 * @param lying what lies there, heights in centimetres.
 * @param used what the pose's other slots use of the shelf.
 */
export function insteadOf(
  inPose: InPose,
  slot: SlotId,
  lying: Stack,
  { item, state }: Pick<Piece, 'item' | 'state'>,
  used: Used = {},
): Instead {
  const others = otherStacks(inPose, slot, lying, used).filter(({ pieces }) =>
    pieces.every((piece) => piece.item !== item || piece.state !== state),
  );
  const lacking = inPose.shelf.filter(({ id }) => id !== item);
  return {
    others: others.slice(0, MOST_OTHERS),
    without: builds(nearestStack({ ...inPose, shelf: lacking }, slot, lying.heightCm, used)),
    home: builds(
      nearestStack({ ...inPose, shelf: shelfAtHome(inPose.person) }, slot, lying.heightCm),
    ),
  };
}
