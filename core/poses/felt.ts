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
    | 'hipLevel'
    | 'hands'
    | 'heels'
    | 'forehead'
    | 'neck'
    | 'back.high',
) => ({ slot, way: 'raise' }) as const;
const HEELS_FURTHER = { dial: 'heelsAway', way: 'raise' } as const;
const KNEES_BENT = { dial: 'kneeBend', way: 'raise' } as const;
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
      neck: { says: 'Forehead higher, arms back beside the body.', by: [raise('forehead')] },
      shoulder: ARMS_DOWN,
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
      neck: { says: 'Head support higher, arms down.', by: [raise('forehead')] },
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
      'sit-bone': {
        says: 'Bend the knees now, and no pull; tip less.',
        by: [KNEES_BENT, raise('underKnees')],
      },
      'front-hip': { says: 'A higher seat; tip less.', by: [raise('seat')] },
      'low-back': { says: 'A higher seat, the knees bent; stay upright.', by: [raise('seat')] },
      'back-pelvis': { says: 'No turn, and no fold over one leg, on that side.' },
      neck: { says: 'Head support higher, arms down.', by: [raise('forehead')] },
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
];

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
