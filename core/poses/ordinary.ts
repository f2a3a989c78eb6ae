import type { SlotName } from '../slots';
import type { PoseId } from './poses';

/** Two heights in centimetres, the lower first. */
export type Heights = readonly [fromCm: number, toCm: number];

/**
 * What a room of ordinary measured adults uses in a slot of a pose, in centimetres as it stands under load. The middle
 * of the room lies in `usual`, the stiffest one in ten in `high`, and nobody builds more than `mostCm`: beyond it the
 * pose is set up otherwise, or another one is practised.
 */
export interface OrdinaryHeights {
  readonly poses: readonly PoseId[];
  readonly slot: SlotName;
  readonly usual: Heights;
  readonly high: Heights;
  readonly mostCm: number;
  /** Built for want of something, not by everybody: only those who have it are counted. */
  readonly ifBuilt?: true;
  /** Why the room does not agree here, where it cannot. */
  readonly unlike?: string;
}

const row = (
  poses: readonly PoseId[],
  slot: SlotName,
  usual: Heights,
  high: Heights,
  mostCm: number,
  more: Pick<OrdinaryHeights, 'ifBuilt' | 'unlike'> = {},
): OrdinaryHeights => ({ poses, slot, usual, high, mostCm, ...more });

const BETWEEN_LEGS =
  'between spread legs the floor alone lies under the head: the same fold that rests on a shin stands on a stool there';
const TO_SPARE = 'only hips with rotation to spare are offered it, and those need little';
const FOLD_ON_CHAIR = 'the stiffest lay a fold on the seat of a chair, a centimetre or two over it';
const HEAD_TOO_HIGH =
  'proposed to those alone whose head would hang far over the floor; who asks for it lies lower';
const KNEES_OPEN =
  'taken by those alone whose knees do not close, or whose heels would stand too high; the rest hang on their calves';
const BY_TRYING =
  'found by trying: nothing that is measured tells one student from another, so all begin alike';

/** What teachers are seen to use, pose by pose. */
export const ordinaryHeights: readonly OrdinaryHeights[] = [
  row(['staff', 'seated-fold', 'head-to-knee', 'seated-twist'], 'seat', [3, 8], [8, 13], 15),
  row(['staff'], 'underKnees', [0, 10], [12, 20], 20),
  // Folded, the knees lie on a roll before the seat rises any higher.
  row(['seated-fold', 'head-to-knee'], 'underKnees', [4, 14], [12, 20], 20),
  row(['straddle', 'straddle-fold'], 'seat', [3, 8], [8, 13], 15),
  row(['straddle', 'straddle-fold'], 'underKnees', [0, 7], [7, 15], 15),
  row(['easy-cross'], 'seat', [4, 10], [10, 18], 22),
  row(['half-lotus-seat'], 'seat', [4, 10], [10, 18], 22, { unlike: TO_SPARE }),
  row(['open-book', 'open-book-fold'], 'seat', [3, 9], [9, 15], 18),
  row(
    ['easy-cross', 'half-lotus-seat', 'open-book', 'open-book-fold'],
    'underThigh',
    [0, 10],
    [10, 18],
    20,
  ),
  row(['stacked-shins', 'stacked-fold'], 'seat', [4, 10], [10, 16], 18),
  row(['stacked-shins', 'stacked-fold'], 'underThigh', [0, 12], [15, 23], 23),
  row(['heron', 'sundial'], 'seat', [8, 13], [13, 18], 20),
  row(['thunderbolt'], 'seat', [0, 4], [8, 15], 20),
  row(['hero'], 'seat', [7, 15], [15, 24], 30),
  row(['child'], 'seat', [0, 8], [8, 17], 22),
  row(['child'], 'forehead', [0, 8], [8, 15], 23),
  row(['child'], 'chest', [12, 26], [20, 36], 36, { ifBuilt: true, unlike: HEAD_TOO_HIGH }),
  row(['low-lunge', 'lizard'], 'hands', [8, 20], [20, 30], 46),
  row(['frog'], 'chest', [12, 20], [20, 26], 30),
  row(['frog'], 'forehead', [8, 15], [15, 22], 30),
  row(['reclined-hero'], 'seat', [7, 15], [15, 24], 30),
  row(['reclined-hero'], 'back.high', [17, 32], [32, 40], 45),
  row(['reclined-hero-one'], 'seat', [4, 13], [13, 20], 26),
  row(['reclined-hero-one'], 'back.high', [12, 28], [28, 36], 42),
  row(['reclined-hero-one'], 'underKnees', [2, 8], [8, 15], 20),
  row(['reclined-open'], 'back.high', [12, 20], [20, 28], 35),
  row(['reclined-open'], 'outerHip', [8, 12], [12, 16], 20),
  row(['standing-fold'], 'hands', [8, 23], [23, 46], 46),
  row(['seated-fold', 'head-to-knee'], 'forehead', [4, 20], [20, 45], 50, {
    unlike: FOLD_ON_CHAIR,
  }),
  row(['straddle-fold'], 'forehead', [4, 20], [20, 45], 50, { unlike: BETWEEN_LEGS }),
  row(['pigeon'], 'hipLevel', [0, 10], [10, 17], 20),
  row(['pigeon'], 'hands', [8, 23], [23, 23], 30),
  row(['king-pigeon'], 'hipLevel', [0, 8], [8, 15], 17),
  row(['king-pigeon'], 'hands', [15, 23], [23, 30], 30),
  row(['squat'], 'heels', [0, 6], [6, 10], 12),
  row(['squat'], 'seat', [8, 20], [20, 26], 30, { ifBuilt: true }),
  row(['squat-one-side', 'side-squat'], 'seat', [8, 20], [20, 26], 30, {
    ifBuilt: true,
    unlike: KNEES_OPEN,
  }),
  row(['cats-tail'], 'underKnees', [0, 12], [12, 20], 23, { unlike: BY_TRYING }),
  row(['cats-tail'], 'shoulder', [0, 12], [12, 20], 23, { unlike: BY_TRYING }),
  row(['down-dog'], 'heels', [0, 6], [6, 10], 12),
];

const byPoseAndSlot = new Map<string, OrdinaryHeights>(
  ordinaryHeights.flatMap((one) => one.poses.map((pose) => [`${pose}/${one.slot}`, one] as const)),
);
/** What an ordinary room uses in a slot of a pose; undefined where nothing is known. */
export const ordinaryAt = (pose: string, slot: SlotName): OrdinaryHeights | undefined =>
  byPoseAndSlot.get(`${pose}/${slot}`);
