import type { ReadingSide } from '../ranges/ranges';
import { spotAt, type SpotAt, type SpotId } from '../spots';
import type { Remedy } from './pose';
import { dialsOf, wayOf, type Pose, type PoseId } from './poses';
import { slotRefOf, type SlotKey, type SlotName } from '../slots';

/** What answers something felt at a spot: a support, a setting, another way or pose, and always words. */
export interface FeltAnswer {
  /** What is done, as it is said to the student's teacher. */
  readonly says: string;
  /** Done by the first of these that the pose has as it is set up; by the words alone where it has none of them. */
  readonly by?: readonly Exclude<Remedy, { readonly cue: string }>[];
  /** The way that the pose is taken in from then on, where it has it. */
  readonly takes?: string;
}

/** Poses that ask the same of a body, and what answers a spot in them. */
interface FeltGroup {
  readonly poses: readonly PoseId[];
  readonly answers: Readonly<Partial<Record<SpotId, FeltAnswer>>>;
}

const raise = (
  slot:
    | 'seat'
    | 'behindKnee'
    | 'ankle'
    | 'underKnees'
    | 'underThigh'
    | 'outerHip'
    | 'hipLevel'
    | 'hands'
    | 'heels'
    | 'forehead'
    | 'neck'
    | 'back.high',
) => ({ slot, way: 'raise' }) as const;
const HEELS_FURTHER = { dial: 'heelsAway', way: 'raise' } as const;
const KNEES_BENT = { dial: 'kneeBend', way: 'raise' } as const;
const SHORTER_STEP = { dial: 'step', way: 'lower' } as const;
const LEG_LOWER = { dial: 'legHeight', way: 'lower' } as const;
const SOFTER_ON_TOP: FeltAnswer = { says: 'Something softer on top of the seat.' };
const FOOT_SOFT: FeltAnswer = { says: 'The foot soft: neither drawn back nor pointed.' };
/** In poses with the head up and with the head at rest alike. */
const HEAD_AT_EASE: FeltAnswer = {
  says: 'Arms down, chin level; more under the head where it rests.',
  by: [raise('forehead')],
};
const ARMS_DOWN: FeltAnswer = { says: 'Arms down beside the body.' };
const HIGHER_SEAT: FeltAnswer = { says: 'A higher seat.', by: [raise('seat')] };

/** By where it is felt: the answers of a teacher, pose by pose. */
const groups: readonly FeltGroup[] = [
  {
    poses: ['thunderbolt', 'hero', 'child'],
    answers: {
      'behind-knee': {
        says: 'A rolled towel or a brick deep behind the knee; a thick one stands in for the seat.',
        by: [raise('behindKnee'), raise('seat')],
      },
      'front-knee': HIGHER_SEAT,
      'inner-knee': { says: 'Feet in line with the shins, knees nearer each other.' },
      'outer-knee': HIGHER_SEAT,
      'front-ankle': {
        says: 'A roll under the front of the ankles, or the feet over the edge of a blanket.',
        by: [raise('ankle')],
      },
      'front-hip': { says: 'Knees wider.' },
      'low-back': { says: 'A higher seat, tail long.', by: [raise('seat')] },
      'back-pelvis': { says: 'An even seat, the knees level with each other.' },
      neck: HEAD_AT_EASE,
      shoulder: ARMS_DOWN,
      'sit-bone': SOFTER_ON_TOP,
      'behind-ankle': { says: 'The feet over the edge of a blanket, the heels falling open.' },
    },
  },
  {
    poses: [
      'easy-cross',
      'stacked-shins',
      'open-book',
      'half-lotus-seat',
      'open-book-fold',
      'stacked-fold',
    ],
    answers: {
      'front-knee': {
        says: 'Heels further away, and a higher seat.',
        by: [HEELS_FURTHER, raise('seat')],
      },
      'inner-knee': {
        says: 'Fill under the knee at once, heel further away, foot flexed; it goes no lower than level.',
        by: [raise('underThigh'), HEELS_FURTHER],
      },
      'outer-knee': { says: 'Fill under the thigh, and cross less.', by: [raise('underThigh')] },
      'front-ankle': { says: 'A fold under the ankle.' },
      'front-hip': HIGHER_SEAT,
      'low-back': HIGHER_SEAT,
      'back-pelvis': { says: 'Level the pelvis, and spread the knees less.' },
      neck: HEAD_AT_EASE,
      'behind-knee': { says: 'The knee less closed: the heel further away.', by: [HEELS_FURTHER] },
      'behind-ankle': { says: 'A fold under the ankle.' },
      'sit-bone': SOFTER_ON_TOP,
      shoulder: ARMS_DOWN,
    },
  },
  {
    poses: [
      'staff',
      'straddle',
      'heron',
      'sundial',
      'seated-twist',
      'seated-fold',
      'head-to-knee',
      'straddle-fold',
    ],
    answers: {
      'behind-knee': {
        says: 'A roll under the knee, the heel further.',
        by: [raise('underKnees'), KNEES_BENT],
      },
      'front-knee': {
        says: 'A roll under it, the knee soft.',
        by: [raise('underKnees'), KNEES_BENT],
      },
      'inner-knee': { says: 'Turn the whole leg until the kneecap looks up.' },
      'outer-knee': { says: 'Turn the whole leg until the kneecap looks up.' },
      'front-ankle': FOOT_SOFT,
      'behind-ankle': { says: 'Something soft under the heel, and the foot soft.' },
      'sit-bone': {
        says: 'Bend the knees now, and no pull; tip less.',
        by: [KNEES_BENT, raise('underKnees')],
      },
      'front-hip': { says: 'A higher seat; tip less.', by: [raise('seat')] },
      'low-back': { says: 'A higher seat, the knees bent; stay upright.', by: [raise('seat')] },
      'back-pelvis': { says: 'No turn, and no fold over one leg, on that side.' },
      neck: HEAD_AT_EASE,
      shoulder: ARMS_DOWN,
    },
  },
  {
    poses: ['reclined-hero', 'reclined-hero-one'],
    answers: {
      'behind-knee': {
        says: 'A rolled towel deep behind the knee.',
        by: [raise('behindKnee'), raise('seat')],
      },
      'front-knee': { says: 'A higher seat, and less far back.', by: [raise('seat')] },
      'inner-knee': { says: 'Knees nearer each other.' },
      'outer-knee': { says: 'A higher seat, and less far back.', by: [raise('seat')] },
      'front-ankle': { says: 'A roll under the front of the ankle.', by: [raise('ankle')] },
      'front-hip': { says: 'The ramp higher.', by: [raise('back.high')] },
      'low-back': { says: 'The ramp higher, tail long.', by: [raise('back.high')] },
      'back-pelvis': { says: 'Both legs alike: one leg alone only once it is quiet.' },
      neck: { says: 'The head higher.', by: [raise('neck')] },
      shoulder: ARMS_DOWN,
    },
  },
  {
    poses: ['pigeon', 'king-pigeon'],
    answers: {
      'behind-knee': { says: 'The heel nearer.' },
      'front-knee': { says: 'A fold under the knee.' },
      'inner-knee': {
        says: 'Heel nearer, hip higher, foot flexed; if it is still felt, the figure four on the back.',
        by: [raise('hipLevel')],
      },
      'outer-knee': {
        says: 'Heel nearer, hip higher, foot flexed; if it is still felt, the figure four on the back.',
        by: [raise('hipLevel')],
      },
      'front-ankle': { says: 'A roll under the back foot.' },
      'front-hip': { says: 'Hip higher, and more upright.', by: [raise('hipLevel')] },
      'low-back': { says: 'Hands higher.', by: [raise('hands')] },
      'back-pelvis': { says: 'Not today: the figure four on the back instead.' },
    },
  },
  {
    poses: ['squat', 'squat-one-side', 'side-squat'],
    answers: {
      'behind-knee': { says: 'Down on to a seat.', by: [raise('seat')], takes: 'seat' },
      'front-knee': { says: 'A seat, and a higher one.', by: [raise('seat')], takes: 'seat' },
      'inner-knee': { says: 'Toes and knees in line.' },
      'outer-knee': { says: 'Toes and knees in line.' },
      'behind-ankle': { says: 'A roll under the heels.', by: [raise('heels')] },
      'front-ankle': { says: 'A roll under the heels.', by: [raise('heels')] },
      'front-hip': { says: 'A seat, and the feet wider.', by: [raise('seat')], takes: 'seat' },
      'low-back': { says: 'Down on to a seat.', by: [raise('seat')], takes: 'seat' },
      shoulder: ARMS_DOWN,
    },
  },
  {
    poses: ['low-lunge', 'lizard'],
    answers: {
      'front-knee': {
        says: 'A thicker fold under the knee that is down, and the weight in front of the kneecap.',
        by: [raise('underKnees')],
      },
      'inner-knee': { says: 'Toes and knee in line; a shorter step.', by: [SHORTER_STEP] },
      'outer-knee': { says: 'Toes and knee in line; a shorter step.', by: [SHORTER_STEP] },
      'behind-knee': { says: 'A shorter step.', by: [SHORTER_STEP] },
      'front-ankle': {
        says: 'A roll under the front of the back ankle, or its toes tucked under.',
      },
      'behind-ankle': { says: 'A shorter step, the front heel down.', by: [SHORTER_STEP] },
      'sit-bone': { says: 'Hands higher, a shorter step.', by: [raise('hands'), SHORTER_STEP] },
      'front-hip': { says: 'A shorter step, hands higher.', by: [SHORTER_STEP, raise('hands')] },
      'low-back': { says: 'Hands higher, the tail long.', by: [raise('hands'), SHORTER_STEP] },
      'back-pelvis': { says: 'A shorter step, both hips level.', by: [SHORTER_STEP] },
      shoulder: { says: 'Hands higher, the arms soft.', by: [raise('hands')] },
    },
  },
  {
    poses: ['reclined-open'],
    answers: {
      'inner-knee': {
        says: 'More at the outer hips, the heels further away.',
        by: [raise('outerHip'), HEELS_FURTHER],
      },
      'outer-knee': {
        says: 'More at the outer hips, the heels further away.',
        by: [raise('outerHip'), HEELS_FURTHER],
      },
      'front-knee': { says: 'The heels further away.', by: [HEELS_FURTHER] },
      'behind-knee': { says: 'The heels further away.', by: [HEELS_FURTHER] },
      'front-ankle': { says: 'A fold under the ankles.' },
      'behind-ankle': { says: 'A fold under the ankles.' },
      'front-hip': { says: 'More at the outer hips.', by: [raise('outerHip')] },
      'back-pelvis': { says: 'Both thighs carried alike.', by: [raise('outerHip')] },
      'low-back': {
        says: 'The ramp higher, its low end against the pelvis.',
        by: [raise('back.high')],
      },
      neck: { says: 'The head higher.', by: [raise('neck')] },
      shoulder: { says: 'The arms carried, or nearer the body.' },
    },
  },
  {
    poses: ['leg-up'],
    answers: {
      'behind-knee': { says: 'The knee soft, the leg lower.', by: [LEG_LOWER] },
      'front-knee': { says: 'The knee soft.' },
      'inner-knee': { says: 'The knee soft, the foot looking straight up.' },
      'outer-knee': { says: 'The knee soft, the foot looking straight up.' },
      'front-ankle': FOOT_SOFT,
      'behind-ankle': FOOT_SOFT,
      'sit-bone': { says: 'The leg lower, the knee soft, and no pull.', by: [LEG_LOWER] },
      'front-hip': { says: 'The leg lower, the hip heavy.', by: [LEG_LOWER] },
      'low-back': { says: 'The leg lower, the other knee bent.', by: [LEG_LOWER] },
      'back-pelvis': { says: 'The leg lower, the other knee bent.', by: [LEG_LOWER] },
      neck: { says: 'The head higher.', by: [raise('neck')] },
      shoulder: { says: 'A longer strap: the arms long, the shoulders down.' },
    },
  },
];

/** Spots that nothing under pelvis, knees or hands eases: where a pose has no answer of its own, words do. */
const FAR: readonly SpotId[] = ['neck', 'shoulder', 'front-ankle', 'behind-ankle', 'ankle'];
export const isFar = (kept: string | undefined): boolean => {
  const at = spotAt(kept);
  return at !== null && FAR.includes(at.spot);
};

const groupOf = new Map<string, FeltGroup>(
  groups.flatMap((group) => group.poses.map((pose) => [pose, group] as const)),
);

/** What answers something felt at a spot in a pose; null where nothing but easing it as a whole does. */
export const answerTo = (pose: string, spot: SpotId): FeltAnswer | null =>
  groupOf.get(pose)?.answers[spot] ?? null;

/** What answers what was felt at a spot as it was kept, with that spot; null for one that nothing here answers. */
export function answerAt(
  pose: string,
  kept: string | undefined,
): { readonly at: SpotAt; readonly answer: FeltAnswer } | null {
  const at = spotAt(kept);
  const answer = at && answerTo(pose, at.spot);
  return at && answer ? { at, answer } : null;
}

/** The slot of a remedy: of a pair that stands apart, the side that was felt. */
export function slotOnSide(
  slot: SlotName,
  side: ReadingSide,
  has: (key: SlotKey) => boolean,
): SlotKey {
  const key: SlotKey = side === 'both' ? slot : `${slot}:${side}`;
  return has(key) ? key : slot;
}

/** What a pose has of what answers, as it is set up in this way. */
export function answeredBy(
  { by = [] }: FeltAnswer,
  pose: Pose,
  way: string,
): NonNullable<FeltAnswer['by']> {
  const slots = wayOf(pose, way)?.slots ?? pose.slots;
  const dials = dialsOf(pose, way);
  return by.filter((one) =>
    'dial' in one ? dials.includes(one.dial) : slots.includes(slotRefOf(one.slot).slot),
  );
}

/** Poses in which spots have answers of their own, with those spots. */
export const answered: readonly (readonly [PoseId, readonly SpotId[]])[] = groups.flatMap(
  ({ poses, answers }) => poses.map((pose) => [pose, Object.keys(answers) as SpotId[]] as const),
);
