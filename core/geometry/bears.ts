/**
 * How a family bears on its supports, slot by slot, where that is not the usual way. What serves in a slot, and how its
 * height is rounded, follows from it (`props/slots.ts`, which names no family).
 */
export interface Bears {
  /** What the seat stands on; on the floor, as wide as the hips, where nothing is said. */
  readonly seat?:
    'between the heels' | 'on the heels' | 'folded on the heels' | 'under a squat' | 'on a chair';
  /** `tilts`: knees are lifted for the pelvis' sake. One thing lies under both, or each knee has its own. */
  readonly underKnees?: {
    readonly tilts?: true;
    readonly as?: 'one under both' | 'each its own';
    /** Fitted to comfort, and not to a range that grows. */
    readonly fitted?: true;
  };
  /** Thick pads too: a roll, a brick. */
  readonly behindKnee?: 'thick';
  /** Bricks, lowered over the weeks; elsewhere a thigh that hangs lies on something soft. */
  readonly underThigh?: 'bricks';
  /** What lies there meets a gap, and carries nobody. */
  readonly hipLevel?: 'fills';
  readonly back?: 'fills';
  readonly heels?: { readonly fills?: true; readonly as?: 'one under both' };
  /** Fitted to the length of the shins. */
  readonly feet?: 'fitted';
  /** One hand alone comes down. */
  readonly hands?: 'one';
  /** The head comes down over the legs, or in front of them on furniture. */
  readonly forehead?: 'over the legs' | 'over the shins';
}
