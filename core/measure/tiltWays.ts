/** How a phone reads one protocol: where it goes, how it lies there, and what its turn comes to. */
export interface TiltWay {
  /** On its back, or standing on its edge with the screen to the side. */
  readonly lies: 'back' | 'edge';
  /** Where its edge goes, one after the other. */
  readonly places: readonly string[];
  /** From one turn per place, in degrees from the floor, to the value of the protocol. */
  readonly value: (...turnsDeg: number[]) => number;
}

/** Turns past the head's side of upright go on counting: 170, 180, 190. */
const onward = (deg: number) => (deg < -90 ? deg + 360 : deg);
const fromUpright = (deg: number) => Math.abs(90 - Math.abs(deg));
const asItTurns = (place: string): TiltWay => ({ lies: 'back', places: [place], value: onward });

const ACROSS_PELVIS: TiltWay = {
  lies: 'edge',
  places: ['Across the rear and the front hip-bone point, top of the phone to the front'],
  value: (deg) => -deg,
};

/** By protocol. Left out: what turns about an upright axis, which gravity does not show. */
export const tiltWays: Readonly<Record<string, TiltWay>> = {
  'pelvic-tilt.standing': ACROSS_PELVIS,
  'pelvic-tilt.long-sit': ACROSS_PELVIS,
  'straight-leg-raise.pelvis-watched': asItTurns('Along the shin, top of the phone to the foot'),
  'straight-leg-raise.first-pull': asItTurns('Along the shin, top of the phone to the foot'),
  'knee-extension-90': {
    lies: 'back',
    places: ['Along the shin, top of the phone to the foot'],
    value: (deg) => Math.max(0, 90 - onward(deg)),
  },
  'knee-bend.on-back': {
    lies: 'back',
    places: [
      'Along the thigh, top of the phone to the knee',
      'Along the shin, top of the phone to the foot',
    ],
    value: (thigh, shin) => (((onward(thigh) - (shin as number)) % 360) + 360) % 360,
  },
  'knee-bend.face-down': asItTurns('Along the calf, top of the phone to the foot'),
  'thigh-to-chest': asItTurns('Along the thigh, top of the phone to the knee'),
  'table-edge-rotation': {
    lies: 'edge',
    places: ['Along the inner side of the shin, top of the phone to the foot'],
    value: fromUpright,
  },
  'thigh-behind.edge': {
    lies: 'back',
    places: ['Along the thigh, top of the phone to the knee'],
    value: (deg) => -deg,
  },
  'ankle-bend.shin': {
    lies: 'back',
    places: ['Along the shin, top of the phone to the knee'],
    value: fromUpright,
  },
  'spine-fold.seated': {
    lies: 'back',
    places: [
      'Over the sacrum, top of the phone to the head',
      'Between the shoulder blades, top of the phone to the head',
    ],
    value: (sacrum, blades) => Math.max(0, onward(sacrum) - (blades as number)),
  },
  'arm-overhead.lying': asItTurns('Along the upper arm, top of the phone to the elbow'),
};
