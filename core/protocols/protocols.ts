import { acosDeg, asinDeg, atan2Deg, clamp, sinDeg } from '../angles';
import { armCm, type Body } from '../body/body';
import { rotationFrom } from '../geometry/crossedLeg';
import { kneeBendOnSeat } from '../geometry/kneeling/kneelingSeat';
import {
  crossLegged,
  kneeling,
  reading as readingParameter,
  spineShare,
  standingFold,
} from '../parameters';
import { priorOf, ranges, type Prior, type RangeId } from '../ranges/ranges';
import type { Reason } from '../reasons';
import {
  beside,
  betweenDeg,
  cornerDeg,
  fallDeg,
  leanDeg,
  overheadDeg,
  overKnee,
  overPelvis,
  overRaise,
  raisedDeg,
  type PhotoWay,
  type Spot,
} from './photoWay';
import {
  acrossPelvis,
  asItTurns,
  fromUpright,
  onThigh,
  onward,
  pastUpright,
  type TiltWay,
} from './tiltWay';

export const methodIds = [
  'phone-tilt',
  'photo',
  'protractor',
  'tape',
  'by-eye',
  'from-pose',
] as const;
export type MethodId = (typeof methodIds)[number];

export interface Method {
  readonly id: MethodId;
  readonly name: string;
  /** Error of one reading, in degrees; null where the tape's own error is carried through the formula. */
  readonly semDeg: number | null;
}

export const methods: Readonly<Record<MethodId, Method>> = {
  'phone-tilt': { id: 'phone-tilt', name: 'Phone tilt', semDeg: 2.5 },
  photo: { id: 'photo', name: 'Photo', semDeg: 3 },
  protractor: { id: 'protractor', name: 'Protractor', semDeg: 3 },
  tape: { id: 'tape', name: 'Tape', semDeg: null },
  'by-eye': { id: 'by-eye', name: 'By eye', semDeg: 7 },
  'from-pose': { id: 'from-pose', name: 'From the pose', semDeg: null },
};

/** Error of a length read off a tape or a stack of props, in centimetres. */
export const TAPE_SEM_CM = 1;

export interface Converted {
  readonly mean: number;
  /** Error of this reading alone, after conversion: another one has another. */
  readonly sem: number;
  /**
   * What the conversion does not know of this body (1 sd): alike in every reading by this way, so that no number of them
   * makes it smaller, and gone from the difference of two.
   */
  readonly lasting: number;
  /** The reading only says that the range is at least so much. */
  readonly bound?: 'atLeast';
}

/** Everything that may be wrong with one reading, together. */
export const wholeError = ({ sem, lasting }: Pick<Converted, 'sem' | 'lasting'>): number =>
  Math.hypot(sem, lasting);

/** What a conversion may lean on. */
export interface ConversionContext {
  readonly body: Body;
  /** Hip bend gained per degree of knee bend, as believed now. */
  readonly coupling: { readonly mean: number; readonly sd: number };
  /** Height of the seat on which the reading was taken. */
  readonly seatCm?: number;
  /** The pelvis standing, as believed now; as is usual where nobody says. */
  readonly standing?: Prior;
}

/** What a way of reading does to a body. */
export type ReadingTrait =
  | 'liftsLeg'
  | 'straightLeg'
  | 'bendsKnee'
  | 'kneels'
  | 'hipToEnd'
  | 'rounds'
  | 'legAndBack'
  | 'movesPelvis'
  | 'headLow'
  | 'bendsAnkle'
  | 'armOverhead'
  | 'faceDown'
  | 'onBack'
  | 'bothSides';

interface ProtocolEntry {
  readonly id: string;
  readonly range: RangeId;
  readonly name: string;
  readonly methods: readonly MethodId[];
  /** Unit of the value that is read. */
  readonly unit: 'deg' | 'cm';
  readonly least: number;
  readonly most: number;
  readonly position: string;
  readonly holdStill: string;
  readonly tool: string;
  readonly stopWhen: string;
  readonly spoiledBy: string;
  /** What it does to a body, which is what cautions speak of. */
  readonly traits: readonly ReadingTrait[];
  /** Read on a seat whose height must be noted. */
  readonly onSeat?: true;
  /** How a phone laid on the body reads it; null where gravity does not show it. */
  readonly tilt: TiltWay | null;
  /** How a photo reads it; null where none does. */
  readonly photo: PhotoWay | null;
  /** How a value becomes the range, with the numbers on the way; null where the range is what is read. */
  readonly working: Working | null;
  /** From the value read, with the error of one such reading, to the range. */
  readonly convert: (value: number, sem: number, context: ConversionContext) => Converted;
}

export type WorkingReason = Extract<Reason, { code: `working-${string}` }>;
/** From the value read and the range that it comes to, the numbers on the way. */
type Working = (value: number, deg: number, context: ConversionContext) => WorkingReason;

const triangle: Working = (cm, deg, { body }) => {
  const { kneeToHeelCm, behindDeg } = heelOf(body);
  return {
    code: 'working-triangle',
    thighCm: body.thighCm,
    heelCm: kneeToHeelCm,
    cm,
    kneeDeg: 180 - behindDeg - kneeBendFromHeelCm(cm, body),
    behindDeg,
    deg,
  };
};
/** What bones add to the doubt that are all longer or all shorter than is believed, by as much as they may be. */
const byBones = (
  onBody: (body: Body) => number,
  body: Body,
  ...bones: readonly ('thighCm' | 'shinCm' | 'footCm')[]
): number =>
  through(
    (share) =>
      onBody({ ...body, ...Object.fromEntries(bones.map((bone) => [bone, body[bone] * share])) }),
    1,
    readingParameter.segmentDoubt.value,
  ).sem;
/** A heel's distance from hip to bend of the knee, with the doubt of the tape, of both bones and of the heel. */
const byHeel: ProtocolEntry['convert'] = (distanceCm, sem, { body }) => {
  const read = through((cm) => kneeBendFromHeelCm(cm, body), distanceCm, sem);
  const onBody = (one: Body) => kneeBendFromHeelCm(distanceCm, one);
  const [byThigh, byShin] = [byBones(onBody, body, 'thighCm'), byBones(onBody, body, 'shinCm')];
  const heelCm = readingParameter.heelBack.sd * body.footCm;
  const byBack = atan2Deg(heelCm, body.shinCm);
  return { ...read, lasting: Math.hypot(byThigh, byShin, byBack) };
};
const ankleFootCm = ({ footCm }: Body) => kneeling.ankleLever.value * footCm;

const asRead = (value: number, sem: number): Converted => ({ mean: value, sem, lasting: 0 });
const ACROSS_THE_PELVIS =
  'Ask before you touch. A finger on the rear and on the front hip-bone point of one side; the tool from one to the other, straight, not along the curve.';
const NEVER =
  'Stop before pain, and at any sharp, electric or spreading feeling: write it down and leave it there.';

/**
 * Carries an error through a formula: what the values one error to either side come to. At an end, where a formula
 * stands still, its slope alone would say that there is no error.
 */
const through = (formula: (value: number) => number, value: number, sem: number): Converted => ({
  mean: formula(value),
  lasting: 0,
  sem: Math.abs(formula(value + sem) - formula(value - sem)) / 2,
});

const usualStanding = priorOf('pelvicTilt.standing', 'unknown');

const limits = (id: RangeId) => ({ least: ranges[id].least, most: ranges[id].most });

/** A thigh drawn to the chest on the back: what its two ways of reading share. */
const drawnToChest = {
  range: 'hipFlexion',
  methods: ['protractor', 'phone-tilt', 'photo', 'by-eye'],
  traits: ['bendsKnee', 'hipToEnd', 'movesPelvis', 'onBack'],
  unit: 'deg',
  tool: 'Along the thigh.',
  tilt: {
    lies: 'back',
    places: ['Along the front of the thigh, top of the phone to the knee'],
    value: onThigh,
  },
  photo: {
    camera: beside('hips as they lie: kneel or sit'),
    points: ['heel of the flat leg', 'hip', 'knee of the drawn-up leg'],
    against: 'level',
    known: { from: 1, to: 2, is: 'thigh' },
    value: raisedDeg,
  },
} as const satisfies Partial<ProtocolEntry>;

const entries = [
  {
    id: 'pelvic-tilt.standing',
    range: 'pelvicTilt.standing',
    name: 'Standing',
    methods: ['phone-tilt', 'protractor', 'photo', 'by-eye'],
    traits: [],
    unit: 'deg',
    ...limits('pelvicTilt.standing'),
    position: 'Standing barefoot, feet hip-wide, weight even.',
    holdStill: 'Knees soft, arms loose, eyes ahead.',
    tool: ACROSS_THE_PELVIS,
    stopWhen: NEVER,
    spoiledBy: 'Standing to attention; thick waistbands.',
    tilt: acrossPelvis,
    photo: overPelvis,
    working: null,
    convert: asRead,
  },
  {
    id: 'pelvic-tilt.long-sit',
    range: 'pelvicTilt.longSit',
    name: 'Long sit on a known seat',
    methods: ['phone-tilt', 'protractor', 'photo', 'by-eye'],
    traits: ['straightLeg', 'legAndBack', 'rounds', 'bothSides'],
    unit: 'deg',
    ...limits('pelvicTilt.longSit'),
    onSeat: true,
    position:
      'Sitting with long legs, as tall as they can, hands in the lap; note the seat height.',
    holdStill: 'Knees straight, not pressed.',
    tool: ACROSS_THE_PELVIS,
    stopWhen: NEVER,
    spoiledBy: 'Leaning on the hands; bent knees.',
    tilt: acrossPelvis,
    photo: overPelvis,
    working: null,
    convert: asRead,
  },
  {
    id: 'pelvic-tilt.tall-chair',
    range: 'pelvicTilt.sits',
    name: 'Sitting well on a tall chair',
    methods: ['phone-tilt', 'protractor', 'photo', 'by-eye'],
    traits: [],
    unit: 'deg',
    least: -55,
    most: 40,
    position:
      'Sitting tall at the front of a high chair or a table, thighs sloping down, feet on the floor; read the pelvis standing first.',
    holdStill: 'Arms loose, eyes ahead.',
    tool: ACROSS_THE_PELVIS,
    stopWhen: NEVER,
    spoiledBy: 'A low chair; leaning back or on the hands.',
    tilt: acrossPelvis,
    photo: overPelvis,
    working: (readDeg, deg, { standing = usualStanding }) => ({
      code: 'working-sits',
      readDeg,
      standingDeg: standing.mean,
      deg,
    }),
    convert: (value, sem, { standing = usualStanding }) => ({
      mean: value - standing.mean,
      sem,
      lasting: standing.sd,
    }),
  },
  {
    id: 'straight-leg-raise.pelvis-watched',
    range: 'hamstring',
    name: 'Leg raise, pelvis watched',
    methods: ['phone-tilt', 'protractor', 'photo', 'by-eye'],
    traits: ['liftsLeg', 'straightLeg', 'onBack'],
    unit: 'deg',
    ...limits('hamstring'),
    position: 'On the back, other leg flat. Raise one leg with its knee straight.',
    holdStill: 'Other thigh down; your hand under the front hip bone.',
    tool: 'Along the shin of the raised leg.',
    stopWhen: `Stop as the pelvis starts to roll. ${NEVER} A line of feeling below the knee is no hamstring reading: refer on.`,
    spoiledBy: 'A bending knee; a pelvis already rolled.',
    tilt: asItTurns('Along the shin, top of the phone to the foot'),
    photo: overRaise,
    working: null,
    convert: asRead,
  },
  {
    id: 'straight-leg-raise.first-pull',
    range: 'hamstring',
    name: 'Leg raise to the first firm pull',
    methods: ['phone-tilt', 'protractor', 'photo', 'by-eye'],
    traits: ['liftsLeg', 'straightLeg', 'onBack'],
    unit: 'deg',
    ...limits('hamstring'),
    position: 'On the back, other leg flat. Raise one leg with its knee straight.',
    holdStill: 'Other thigh down.',
    tool: 'Along the shin of the raised leg.',
    stopWhen: `Stop at the first firm pull; the share of the pelvis is taken away. ${NEVER}`,
    spoiledBy: 'A bending knee.',
    tilt: asItTurns('Along the shin, top of the phone to the foot'),
    photo: overRaise,
    working: (readDeg, deg) => ({
      code: 'working-first-pull',
      share: readingParameter.pelvisShareOfLegRaise.value,
      readDeg,
      deg,
    }),
    convert: (value, sem) => {
      const { value: share, sd } = readingParameter.pelvisShareOfLegRaise;
      return { mean: value * (1 - share), sem: (1 - share) * sem, lasting: Math.abs(value) * sd };
    },
  },
  {
    id: 'knee-extension-90',
    range: 'hamstring',
    name: 'Knee lag from 90/90',
    methods: ['phone-tilt', 'protractor', 'photo', 'by-eye'],
    traits: ['straightLeg', 'legAndBack', 'onBack'],
    unit: 'deg',
    least: 0,
    most: 90,
    position: 'On the back, thigh upright, knee bent; straighten the knee.',
    holdStill: 'The thigh upright, the other leg flat.',
    tool: 'Along the shin; write what is missing to straight.',
    stopWhen: `Stop at the first firm pull. ${NEVER}`,
    spoiledBy: 'The thigh drifting away from upright.',
    tilt: {
      lies: 'back',
      places: ['Along the shin, top of the phone to the foot'],
      value: (deg) => Math.max(0, 90 - onward(deg)),
    },
    photo: overKnee,
    working: (lagDeg, deg, { coupling }) => ({
      code: 'working-lag',
      coupling: coupling.mean,
      lagDeg,
      deg,
    }),
    convert: (lag, sem, { coupling }) => ({
      mean: 90 - coupling.mean * lag,
      sem: coupling.mean * sem,
      lasting: coupling.sd * lag,
      // A knee that comes straight says only that the hamstring lets it.
      ...(lag <= NO_LAG_DEG ? { bound: 'atLeast' as const } : {}),
    }),
  },
  {
    id: 'fingertip-floor',
    range: 'hamstring',
    name: 'Fingertip to floor (rough)',
    methods: ['tape'],
    traits: ['straightLeg', 'hipToEnd', 'rounds', 'legAndBack', 'headLow', 'bothSides'],
    unit: 'cm',
    least: -25,
    most: 70,
    position:
      'Standing, knees straight, folding forward; fingertips to floor, below the floor line as minus.',
    holdStill: 'Knees straight, hips over ankles.',
    tool: 'Tape from the floor to the fingertip.',
    stopWhen: NEVER,
    spoiledBy: 'The spine has its share in it. Use this only when nothing better is possible.',
    tilt: null,
    photo: null,
    working: (cm, deg, { body }) => ({
      code: 'working-fingertip',
      armCm: armCm(body),
      cm,
      trunkCm: body.trunkCm,
      deg,
    }),
    convert: (gapCm, _sem, { body }) => {
      return {
        mean:
          fingertipPitchDeg(gapCm, body) - standingFold.spineCounts.value * spineShare.soft.value,
        sem: readingParameter.fingertip.value,
        lasting: readingParameter.fingertipSpine.value,
      };
    },
  },
  {
    id: 'knee-bend.on-back',
    range: 'kneeFlexion.hipBent',
    name: 'On the back, heel drawn in',
    methods: ['protractor', 'phone-tilt', 'photo', 'by-eye'],
    traits: ['bendsKnee', 'hipToEnd', 'onBack'],
    unit: 'deg',
    ...limits('kneeFlexion.hipBent'),
    position: 'On the back, draw the heel toward the seat.',
    holdStill: 'Thigh near the chest, foot in line.',
    tool: 'At the outer side of the knee.',
    stopWhen: `Stop when the shin meets firm flesh or the knee speaks. ${NEVER}`,
    spoiledBy: 'A foot turning sideways.',
    tilt: {
      lies: 'back',
      places: [
        'Along the front of the thigh, top of the phone to the knee',
        'Along the shin, top of the phone to the foot',
      ],
      value: (thigh, shin) => (((onThigh(thigh) - (shin as number)) % 360) + 360) % 360,
    },
    photo: overKnee,
    working: null,
    convert: asRead,
  },
  {
    id: 'heel-to-seat',
    range: 'kneeFlexion.hipBent',
    name: 'Heel to seat',
    methods: ['tape'],
    traits: ['bendsKnee', 'hipToEnd', 'onBack'],
    unit: 'cm',
    least: 0,
    most: 90,
    position: 'On the back, heel drawn in.',
    holdStill: 'Foot in line with the thigh.',
    tool: 'Tape from the heel to the outer hip point.',
    stopWhen: NEVER,
    spoiledBy: 'A twisted shin.',
    tilt: null,
    photo: null,
    working: triangle,
    convert: byHeel,
  },
  {
    id: 'kneeling-seat',
    range: 'kneeFlexion.hipBent',
    name: 'Kneeling, lowered by layers',
    methods: ['from-pose'],
    traits: ['kneels', 'hipToEnd', 'bothSides'],
    unit: 'cm',
    least: 0,
    most: 60,
    position: 'Kneel on a high support; take layers away one at a time.',
    holdStill: 'Feet straight back, knees quiet.',
    tool: 'Height of the support at the first knee or thigh signal.',
    stopWhen: NEVER,
    spoiledBy: 'Feet turned outward.',
    tilt: null,
    photo: null,
    working: (cm, deg, { body }) => ({
      code: 'working-kneeling',
      cm,
      thighCm: body.thighCm,
      deg,
    }),
    convert: (seatCm, sem, { body }) => {
      const onBody = (one: Body) => kneeBendOnSeat(seatCm, one, kneeling.sitAllowance.value);
      const read = through(
        (h) => kneeBendOnSeat(h, body, kneeling.sitAllowance.value),
        seatCm,
        sem,
      );
      const [byThigh, byShin] = [byBones(onBody, body, 'thighCm'), byBones(onBody, body, 'shinCm')];
      return { ...read, lasting: Math.hypot(kneeling.sitAllowance.sd, byThigh, byShin) };
    },
  },
  {
    id: 'knee-bend.face-down',
    range: 'kneeFlexion.prone',
    name: 'Face down',
    methods: ['phone-tilt', 'protractor', 'photo', 'by-eye'],
    traits: ['bendsKnee', 'faceDown'],
    unit: 'deg',
    ...limits('kneeFlexion.prone'),
    position: 'Face down, bend one knee.',
    holdStill: 'Your hand on the pelvis.',
    tool: 'Along the shin.',
    stopWhen: `Stop when the pelvis lifts or the front thigh pulls firmly. ${NEVER}`,
    spoiledBy: 'A lifting pelvis; a thigh drifting outward.',
    tilt: asItTurns('Along the calf, top of the phone to the foot'),
    photo: overKnee,
    working: null,
    convert: asRead,
  },
  {
    id: 'heel-to-seat.face-down',
    range: 'kneeFlexion.prone',
    name: 'Face down, heel to seat',
    methods: ['tape'],
    traits: ['bendsKnee', 'faceDown'],
    unit: 'cm',
    least: 0,
    most: 90,
    position: 'Face down, heel drawn toward the seat.',
    holdStill: 'Your hand on the pelvis.',
    tool: 'Tape from the heel to the outer hip point.',
    stopWhen: `Stop when the pelvis lifts. ${NEVER}`,
    spoiledBy: 'A lifting pelvis.',
    tilt: null,
    photo: null,
    working: triangle,
    convert: byHeel,
  },
  {
    id: 'thigh-to-chest',
    ...drawnToChest,
    name: 'Thigh to chest, pelvis held',
    ...limits('hipFlexion'),
    position: 'On the back, one thigh drawn to the chest, knee bent.',
    holdStill: 'Other thigh down.',
    stopWhen: `Stop as the pelvis rolls. ${NEVER}`,
    spoiledBy: 'A rolling pelvis.',
    working: null,
    convert: asRead,
  },
  {
    id: 'thigh-to-chest.free',
    ...drawnToChest,
    name: 'Thigh to chest, as far as it comes',
    least: limits('hipFlexion').least + readingParameter.pelvisOfThighToChest.value,
    most: limits('hipFlexion').most + readingParameter.pelvisOfThighToChest.value,
    position: 'On the back, one thigh drawn to the chest with both hands, knee bent.',
    holdStill: 'The other leg flat; the low back may press down.',
    stopWhen: `Stop where it comes no closer; what the pelvis rolls along is taken away. ${NEVER}`,
    spoiledBy: 'A thigh that opens to the side; the other knee lifting.',
    working: (readDeg, deg) => ({
      code: 'working-thigh-free',
      lessDeg: readingParameter.pelvisOfThighToChest.value,
      readDeg,
      deg,
    }),
    convert: (value, sem) => {
      const { value: rolls, sd } = readingParameter.pelvisOfThighToChest;
      return { mean: value - rolls, sem, lasting: sd };
    },
  },
  {
    id: 'crossed-seat-gap',
    range: 'hipRotation',
    name: 'Knee gap in a crossed seat',
    methods: ['tape'],
    traits: ['bendsKnee', 'hipToEnd', 'movesPelvis', 'bothSides'],
    unit: 'cm',
    least: 0,
    most: 60,
    onSeat: true,
    position: 'Easy crossed legs on a known seat; note its height.',
    holdStill: 'Both sit bones down, pelvis upright, the knee let go.',
    tool: 'Tape from the floor to the underside of the knee.',
    stopWhen: NEVER,
    spoiledBy: 'A pelvis that leans to one side; a knee that is held up or pressed down.',
    tilt: null,
    photo: null,
    working: (cm, deg, { body, seatCm = 0 }) => {
      const [kneeCm, hipCm] = [cm + body.kneeBackCm, seatCm + body.seatToHipCm];
      const riseDeg = asinDeg((kneeCm - hipCm) / body.thighCm);
      return { code: 'working-crossed', kneeCm, hipCm, thighCm: body.thighCm, riseDeg, deg };
    },
    convert: (gapCm, sem, { body, seatCm = 0 }) => {
      const usual = crossLegged.crossedKnee.value;
      const at = (cm: number, kneeDeg: number, one: Body = body) =>
        crossedSeatRotation(cm, seatCm, kneeDeg, one);
      const read = through((cm) => at(cm, usual), gapCm, sem);
      const byKnee = through((kneeDeg) => at(gapCm, kneeDeg), usual, KNEE_DOUBT_DEG).sem;
      const byThigh = byBones((one) => at(gapCm, usual, one), body, 'thighCm');
      return { ...read, lasting: Math.hypot(byKnee, byThigh) };
    },
  },
  {
    id: 'table-edge-rotation',
    range: 'hipRotation',
    name: 'On a table edge, shin swung inward',
    methods: ['phone-tilt', 'protractor', 'photo', 'by-eye'],
    traits: ['bendsKnee', 'hipToEnd'],
    unit: 'deg',
    least: 0,
    most: 90,
    position: 'Sitting on a table edge, knees bent; the shin swings inward.',
    holdStill: 'Both sit bones down, thigh still.',
    tool: 'Along the shin.',
    stopWhen: `Stop as the pelvis lifts. ${NEVER}`,
    spoiledBy: 'A lifting sit bone; a knee that has been hurt.',
    tilt: {
      lies: 'edge',
      places: ['Along the inner side of the shin, top of the phone to the foot'],
      restValue: 0,
      value: fromUpright,
    },
    photo: {
      camera:
        'From in front, square to the shins, three steps away, the camera at the height of the knees.',
      points: ['knee', 'ankle'],
      against: 'level',
      known: { from: 0, to: 1, is: 'shin' },
      value: (points, level) => 90 - fallDeg(points, level),
    },
    working: (readDeg, deg) => ({
      code: 'working-table-edge',
      readDeg,
      moreDeg: crossLegged.flatFootRotation.value,
      deg,
    }),
    convert: (value, sem) => ({
      mean: value + crossLegged.flatFootRotation.value,
      sem,
      lasting: crossLegged.flatFootRotation.sd,
    }),
  },
  {
    id: 'straddle-width',
    range: 'hipSpread',
    name: 'Straddle, heel to heel',
    methods: ['tape'],
    traits: ['hipToEnd', 'movesPelvis', 'straightLeg', 'legAndBack', 'rounds', 'bothSides'],
    unit: 'cm',
    least: 0,
    most: 240,
    position: 'Sitting with long legs apart, pelvis upright, on a seat if it rolls.',
    holdStill: 'Kneecaps up.',
    tool: 'Tape from heel to heel.',
    stopWhen: NEVER,
    spoiledBy: 'Bent knees; feet falling forward.',
    tilt: null,
    photo: null,
    working: (cm, deg, { body }) => ({
      code: 'working-straddle',
      cm,
      spacingCm: body.hipSpacingCm,
      legCm: hipToHeelCm(body),
      deg,
    }),
    convert: (widthCm, sem, { body }) => {
      const read = through((width) => straddleDeg(width, body), widthCm, sem);
      const byLeg = byBones((one) => straddleDeg(widthCm, one), body, 'thighCm', 'shinCm');
      return { ...read, lasting: byLeg };
    },
  },
  {
    id: 'spread.on-back',
    range: 'hipSpread',
    name: 'On the back, one leg moved aside',
    methods: ['protractor', 'photo', 'by-eye'],
    traits: ['hipToEnd', 'movesPelvis', 'onBack'],
    unit: 'deg',
    ...limits('hipSpread'),
    position: 'On the back, legs long; move one leg aside.',
    holdStill: 'The other hip bone, with your hand.',
    tool: 'Along the thigh, against the line of the two hip bones.',
    stopWhen: `Stop as the pelvis moves. ${NEVER}`,
    spoiledBy: 'A pelvis that tips.',
    tilt: null,
    photo: {
      camera:
        'From straight above the hips: from a step or a chair, the camera level and held out.',
      points: ['other hip', 'hip of the moved leg', 'knee of the moved leg'],
      against: null,
      known: { from: 1, to: 2, is: 'thigh' },
      value: (points) => cornerDeg(points) - 90,
    },
    working: null,
    convert: asRead,
  },
  {
    id: 'thigh-behind.edge',
    range: 'hipExtension',
    name: 'On a table or bolster edge',
    methods: ['phone-tilt', 'protractor', 'photo', 'by-eye'],
    traits: ['hipToEnd', 'movesPelvis', 'onBack'],
    unit: 'deg',
    ...limits('hipExtension'),
    position:
      'On the back at the edge, other knee held to the chest; let the thigh hang. Under the edge is plus.',
    holdStill: 'Low back flat.',
    tool: 'Along the thigh.',
    stopWhen: `Stop where it hangs by itself. ${NEVER}`,
    spoiledBy: 'An arched low back; a thigh that drifts outward.',
    tilt: {
      lies: 'back',
      places: ['Along the front of the thigh, top of the phone to the knee'],
      isHeld: true,
      value: (deg) => -onThigh(deg),
    },
    photo: {
      camera: beside('table'),
      points: ['hip', 'knee'],
      against: 'level',
      known: { from: 0, to: 1, is: 'thigh' },
      value: fallDeg,
    },
    working: null,
    convert: asRead,
  },
  {
    id: 'knee-to-wall',
    range: 'ankleBend',
    name: 'Knee to the wall',
    methods: ['tape'],
    traits: ['bendsAnkle'],
    unit: 'cm',
    least: 0,
    most: 25,
    position:
      'Standing before a wall, knee touches it, heel down; move the foot back to the last place where both hold.',
    holdStill: 'Heel down, knee over the toes.',
    tool: 'Tape from the big toe to the wall.',
    stopWhen: NEVER,
    spoiledBy: 'A lifting heel; a foot turned out.',
    tilt: null,
    photo: null,
    working: (cm, deg, { body }) => ({
      code: 'working-wall',
      cm,
      toeCm: toeAheadCm(body),
      kneeCm: body.kneeFrontCm,
      shinCm: body.shinCm,
      deg,
    }),
    convert: (wallCm, sem, { body }) => {
      const read = through((cm) => shinAtWallDeg(cm, body), wallCm, sem);
      const byShin = byBones((one) => shinAtWallDeg(wallCm, one), body, 'shinCm');
      const toeSem = readingParameter.toeAhead.sd * body.footCm;
      const byFoot = through((cm) => shinAtWallDeg(cm, body), wallCm, toeSem).sem;
      return { ...read, lasting: Math.hypot(byShin, byFoot) };
    },
  },
  {
    id: 'ankle-bend.shin',
    range: 'ankleBend',
    name: 'Shin over the foot',
    methods: ['phone-tilt', 'protractor', 'photo', 'by-eye'],
    traits: ['bendsAnkle'],
    unit: 'deg',
    ...limits('ankleBend'),
    position: 'Standing, knee bent over the toes, heel down.',
    holdStill: 'Heel down.',
    tool: 'Along the shin; write how far it leans from upright.',
    stopWhen: `Stop as the heel lifts. ${NEVER}`,
    spoiledBy: 'A lifting heel.',
    tilt: {
      lies: 'back',
      places: ['Along the front of the shin, top of the phone to the knee'],
      restValue: 0,
      value: pastUpright,
    },
    photo: {
      camera: beside('knee: kneel or sit'),
      points: ['knee', 'ankle', 'tip of the big toe'],
      against: 'level',
      known: { from: 0, to: 1, is: 'shin' },
      value: leanDeg,
    },
    working: null,
    convert: asRead,
  },
  {
    id: 'kneeling-ankle-gap',
    range: 'anklePoint',
    name: 'Gap under the ankle, kneeling',
    methods: ['tape'],
    traits: ['kneels', 'bothSides'],
    unit: 'cm',
    least: 0,
    most: 14,
    position: 'Kneeling upright, tops of the feet down.',
    holdStill: 'Feet straight back.',
    tool: 'Height of the gap under the front of the ankle.',
    stopWhen: NEVER,
    spoiledBy: 'Feet turned in or out.',
    tilt: null,
    photo: null,
    working: (cm, deg, { body }) => ({
      code: 'working-ankle-gap',
      cm,
      footCm: ankleFootCm(body),
      shortDeg: asinDeg(cm / ankleFootCm(body)),
      flatDeg: kneeling.anklePointNeeded.value,
      deg,
    }),
    convert: (gapCm, sem, { body }) => {
      const on = (one: Body, gap: number) =>
        kneeling.anklePointNeeded.value - asinDeg(gap / ankleFootCm(one));
      const read = {
        ...through((gap) => on(body, gap), gapCm, sem),
        lasting: byBones((one) => on(one, gapCm), body, 'footCm'),
      };
      // No gap says only that the foot points at least as far as it must.
      return gapCm <= NO_GAP_CM ? { ...read, bound: 'atLeast' } : read;
    },
  },
  {
    id: 'ankle-point.lying',
    range: 'anklePoint',
    name: 'Foot pointed, lying',
    methods: ['protractor', 'photo', 'by-eye'],
    traits: ['bendsAnkle', 'onBack'],
    unit: 'deg',
    ...limits('anklePoint'),
    position: 'On the back, foot over the edge, pointed.',
    holdStill: 'Shin still.',
    tool: 'Shin and outer edge of the foot; square is 0.',
    stopWhen: NEVER,
    spoiledBy: 'Curled toes read as ankle.',
    tilt: null,
    photo: {
      camera: beside('foot: kneel or sit'),
      points: ['knee', 'ankle', 'heel', 'base of the little toe'],
      against: null,
      known: { from: 0, to: 1, is: 'shin' },
      value: ([knee, ankle, heel, toe]) =>
        90 - betweenDeg([knee as Spot, ankle as Spot], [heel as Spot, toe as Spot]),
    },
    working: null,
    convert: asRead,
  },
  {
    id: 'spine-fold.seated',
    range: 'spineFold',
    name: 'Rounded on a stool',
    methods: ['phone-tilt', 'protractor', 'by-eye'],
    traits: ['rounds', 'legAndBack', 'bothSides'],
    unit: 'deg',
    ...limits('spineFold'),
    position: 'Sitting on a stool, the back let round, head heavy.',
    holdStill: 'Pelvis still.',
    tool: 'Over the sacrum, then between the shoulder blades: write the difference.',
    stopWhen: `Leave it out with a low-back caution. ${NEVER}`,
    spoiledBy: 'A pelvis that rolls.',
    tilt: {
      lies: 'back',
      places: [
        'Over the sacrum, top of the phone to the head',
        'Between the shoulder blades, top of the phone to the head',
      ],
      value: (sacrum, blades) => Math.max(0, onward(sacrum) - (blades as number)),
    },
    photo: null,
    working: null,
    convert: asRead,
  },
  {
    id: 'arm-overhead.lying',
    range: 'armReach',
    name: 'Arm overhead, lying',
    methods: ['phone-tilt', 'protractor', 'photo', 'by-eye'],
    traits: ['armOverhead', 'onBack'],
    unit: 'deg',
    ...limits('armReach'),
    position: 'On the back, knees bent, arm raised overhead.',
    holdStill: 'Low back and ribs down.',
    tool: 'Along the upper arm; on the floor is 180.',
    stopWhen: `Stop as the ribs lift. ${NEVER}`,
    spoiledBy: 'Flaring ribs.',
    tilt: asItTurns('On top of the upper arm, top of the phone to the elbow'),
    photo: {
      camera: beside('shoulder as they lie: kneel or sit'),
      points: ['hip', 'shoulder', 'elbow'],
      against: 'level',
      known: { from: 1, to: 2, is: 'upperArm' },
      value: overheadDeg,
    },
    working: null,
    convert: asRead,
  },
] as const satisfies readonly ProtocolEntry[];

export type ProtocolId = (typeof entries)[number]['id'];
export interface Protocol extends ProtocolEntry {
  readonly id: ProtocolId;
}
export const protocols: readonly Protocol[] = entries;

/** Doubt of the knee's own bend in a crossed seat. */
const KNEE_DOUBT_DEG = 6;
const NO_GAP_CM = 0.3;
const NO_LAG_DEG = 1;

/** Outward rotation in use when the underside of a knee stands so high over the floor in a crossed seat. */
export function crossedSeatRotation(
  gapCm: number,
  seatCm: number,
  kneeDeg: number,
  body: Body,
): number {
  const hipY = seatCm + body.seatToHipCm;
  const riseDeg = asinDeg((gapCm + body.kneeBackCm - hipY) / body.thighCm);
  return rotationFrom(
    hipY,
    riseDeg,
    { kneeDeg, footCm: crossLegged.footHeight.value * body.statureCm, pastMidlineCm: 0 },
    body,
  );
}

/** From the hip's centre to the sole of a foot that stands square on its leg. */
export const hipToHeelCm = ({ thighCm, shinCm, ankleHeightCm }: Body) =>
  thighCm + shinCm + ankleHeightCm;
/** How far each long leg is spread from straight ahead, by the width between the heels. */
export const straddleDeg = (widthCm: number, body: Body) =>
  asinDeg((widthCm - body.hipSpacingCm) / 2 / hipToHeelCm(body));
/** The same the other way about: the width between the heels. */
export const straddleWidthCm = (deg: number, body: Body) =>
  body.hipSpacingCm + 2 * hipToHeelCm(body) * sinDeg(deg);

export const toeAheadCm = ({ footCm }: Pick<Body, 'footCm'>) =>
  readingParameter.toeAhead.value * footCm;
/** How far a shin leans from upright whose knee touches a wall, so far before the big toe. */
export const shinAtWallDeg = (wallCm: number, body: Body) =>
  asinDeg((toeAheadCm(body) + wallCm - body.kneeFrontCm) / body.shinCm);

/** Fingertip past the palm's bearing point. */
export const fingersPastPalmCm = (body: Body) => body.statureCm * 0.078;
/** Pitch of a trunk whose fingertips hang so high over the floor, past upright. */
export const fingertipPitchDeg = (gapCm: number, body: Body): number =>
  acosDeg(
    (gapCm +
      armCm(body) +
      fingersPastPalmCm(body) -
      (body.ankleHeightCm + body.shinCm + body.thighCm)) /
      body.trunkCm,
  );

/** Where the middle of a heel stands, seen from its knee: how far off, and how far behind the line of the shin. */
export function heelOf({ shinCm, ankleOverHeelCm, footCm }: Body) {
  const [alongCm, backCm] = [
    shinCm + UNDER_ANKLE * ankleOverHeelCm,
    readingParameter.heelBack.value * footCm,
  ];
  return {
    alongCm,
    backCm,
    kneeToHeelCm: Math.hypot(alongCm, backCm),
    behindDeg: atan2Deg(backCm, alongCm),
  };
}
/** Of the ankle's height over a heel that rests, what lies beyond it along the shin. */
const UNDER_ANKLE = 0.6;

/** Knee bend from the distance of the heel's middle to the hip point, by the cosine rule. */
export function kneeBendFromHeelCm(distanceCm: number, body: Body): number {
  const { kneeToHeelCm: heelCm, behindDeg } = heelOf(body);
  const { thighCm } = body;
  return (
    180 -
    behindDeg -
    acosDeg((thighCm ** 2 + heelCm ** 2 - distanceCm ** 2) / (2 * thighCm * heelCm))
  );
}

/**
 * The student's own coupling, from a leg raise with the pelvis watched and a knee lag taken together; kept within human
 * limits.
 */
export function couplingFrom(hamstringDeg: number, kneeLagDeg: number): number {
  const { least, most } = ranges.hamstringCoupling;
  return clamp((90 - hamstringDeg) / kneeLagDeg, least, most);
}

/** The ways of reading a range, the usual one first. */
export const protocolsOf = (id: RangeId): readonly Protocol[] =>
  protocols.filter((protocol) => protocol.range === id);

/** The protocol that a reading names, or the first one of its range and method. */
export function protocolOf(id: RangeId, method: MethodId, named?: string): Protocol | undefined {
  const ofRange = protocolsOf(id);
  if (named !== undefined) return ofRange.find((protocol) => protocol.id === named);
  return ofRange.find((protocol) => protocol.methods.includes(method));
}

/** The method at hand where a way of reading knows it, else the one that suits it best. */
export const methodFor = (protocol: Protocol, method: MethodId): MethodId =>
  protocol.methods.includes(method)
    ? method
    : (protocol.methods.find((one) => one === 'protractor') ?? (protocol.methods[0] as MethodId));

/** How a teacher's eye reads one range: proven by practice. */
export interface Eye {
  /** Too much is +. */
  readonly biasDeg: number;
  readonly sdDeg: number;
}
export type Eyes = Readonly<Partial<Record<RangeId, Eye>>>;

/** Error of the mean of so many readings of one look: how each is read evens out, where the tool is laid does not. */
export const semOfMean = (sem: number, readings: number): number => {
  const placing = readingParameter.placing.value ** 2;
  return sem * Math.sqrt(placing + (1 - placing) / readings);
};

/**
 * Error of one reading by this method in this protocol's own unit; by eye, the teacher's own figure where it is known.
 */
export const semOf = (protocol: Protocol, method: MethodId, eyes: Eyes = {}): number =>
  protocol.unit === 'cm'
    ? TAPE_SEM_CM
    : ((method === 'by-eye' ? eyes[protocol.range]?.sdDeg : undefined) ??
      methods[method].semDeg ??
      3);
