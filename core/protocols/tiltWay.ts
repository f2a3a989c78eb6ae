import { atan2Deg } from '../angles';
import { bodyShare } from '../parameters';

/** How a phone lies: on its back or its face, or standing on its edge. */
export type Lies = 'back' | 'edge';

/**
 * How a phone reads one protocol: where it goes, how it lies there, and what its turn comes to. What turns about an
 * upright axis has no such way, for gravity does not show it.
 */
export interface TiltWay {
  /** On its back, or standing on its edge with the screen to the side. */
  readonly lies: Lies;
  /** Where its edge goes, one after the other. */
  readonly places: readonly string[];
  /** What it shows of a limb at rest; what it shows of the floor where nothing is said. */
  readonly restValue?: number;
  /** What is read is how somebody stands, sits or hangs: nothing is raised and brought back. */
  readonly isHeld?: true;
  /** From one turn per place, in degrees from the floor, to the value of the protocol. */
  readonly value: (...turnsDeg: number[]) => number;
}

/** Turns past the head's side of upright go on counting: 170, 180, 190. */
export const onward = (deg: number) => (deg < -90 ? deg + 360 : deg);
/** Degrees between an edge and upright, whichever way it leans. */
export const fromUpright = (deg: number) => Math.abs(90 - Math.abs(deg));
/** How far the edge has gone past upright, less where it has not come so far. */
export const pastUpright = (deg: number) => onward(deg) - 90;
/**
 * The front of a thigh falls from the hip to the knee by so much against its bone, in degrees: a phone that lies on it
 * shows as much less.
 */
export const thighTaperDeg = atan2Deg(
  bodyShare.thighRadiusAtHip.value - bodyShare.thighRadiusAtKnee.value,
  bodyShare.thigh.value,
);
/** The bone's own turn, by a phone on the front of the thigh, its top to the knee. */
export const onThigh = (deg: number) => onward(deg) + thighTaperDeg;

/** What the phone shows is what is read. */
export const asItTurns = (place: string): TiltWay => ({
  lies: 'back',
  places: [place],
  value: onward,
});

export const acrossPelvis: TiltWay = {
  lies: 'edge',
  places: ['Across the rear and the front hip-bone point, top of the phone to the front'],
  isHeld: true,
  value: (deg) => -deg,
};
