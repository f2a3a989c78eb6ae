import type { PoseId } from '../poses/poses';
import type { PoseTraits } from '../poses/traits';
import type { Position } from './position';

/**
 * What lies between the poses of a lesson: a movement that is counted with the breath, or the way from one place to the
 * next.
 */
export interface StepEntry {
  readonly id: string;
  readonly kind: 'movement' | 'transition';
  readonly name: string;
  /**
   * The pose that it is done in or leads to: it is drawn there, on what lies there; standing by itself, or none where
   * nothing is drawn.
   */
  readonly at: PoseId | 'standing' | null;
  readonly sides: 'both' | 'each';
  /** What it does to a body, which is what cautions speak of. */
  readonly traits: PoseTraits;
  readonly cues: readonly string[];
  /** How often, once a breath; of a movement. */
  readonly times?: number;
  /** How long; of what is not counted. */
  readonly seconds?: number;
  /** Two or three positions, gone through once a breath and back. */
  readonly positions?: readonly Position[];
  /** Poses that it warms, and that it takes back. */
  readonly warms?: readonly PoseId[];
  readonly takesBack?: readonly PoseId[];
  /** It belongs to what comes right before it, and goes with that. */
  readonly follows?: true;
  /** What is done where a caution speaks against it; nothing where left out. */
  readonly easier?: string;
}
