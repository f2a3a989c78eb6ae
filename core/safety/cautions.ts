/**
 * What is asked at intake, what each answer changes, and when to refer. Not medical advice: it supports a trained
 * teacher, and defers to the student's doctor or physiotherapist and to local rules of practice.
 */
export type PoseScope = 'all' | readonly string[];

export type Effect =
  | {
      readonly effect: 'forbid';
      readonly poses: PoseScope;
      readonly words: string;
      readonly instead?: string;
    }
  | { readonly effect: 'ask-first'; readonly poses: PoseScope; readonly words: string }
  | {
      readonly effect: 'change';
      readonly poses: PoseScope;
      readonly change: Change;
      readonly words: string;
    };

/** Named changes; each one is a line in `settings.ts`. */
export type Change =
  | 'knee margin'
  | 'knee spacer'
  | 'spine quiet'
  | 'spine straight'
  | 'knees bent'
  | 'no strap'
  | 'hip flexion under 90'
  | 'mid-range'
  | 'no arch'
  | 'head not low'
  | 'ramp stays high'
  | 'ankle roll'
  | 'arms low'
  | 'belly room'
  | 'adult present'
  | 'level hips'
  | 'outer hips held'
  | 'short hold'
  | 'brief';

export interface Caution {
  readonly id: string;
  readonly name: string;
  readonly question: string;
  readonly sided: boolean;
  readonly effects: readonly Effect[];
  readonly refer: string;
}

const forbid = (poses: PoseScope, words: string, instead?: string): Effect => ({
  effect: 'forbid',
  poses,
  words,
  ...(instead ? { instead } : {}),
});
const askFirst = (poses: PoseScope, words: string): Effect => ({
  effect: 'ask-first',
  poses,
  words,
});
const change = (poses: PoseScope, name: Change, words: string): Effect => ({
  effect: 'change',
  poses,
  change: name,
  words,
});

const SITS_BACK_ON_KNEES = [
  'thunderbolt',
  'hero',
  'child',
  'reclined-hero',
  'reclined-hero-one',
] as const;
const ON_THE_KNEES = [...SITS_BACK_ON_KNEES, 'frog', 'low-lunge', 'lizard', 'horse'] as const;
const SQUATS = ['squat', 'squat-one-side', 'side-squat'] as const;
const SEATED_FOLDS = [
  'seated-fold',
  'head-to-knee',
  'straddle-fold',
  'open-book-fold',
  'stacked-fold',
] as const;
const HEAD_LOW = ['standing-fold', 'ragdoll', 'wide-fold', 'down-dog'] as const;
const FOLDS = [
  ...SEATED_FOLDS,
  'standing-fold',
  'ragdoll',
  'wide-fold',
  'child',
  'chair-hinge',
] as const;
const STRAIGHT_LEGS = [
  'staff',
  'straddle',
  'seated-twist',
  'seated-fold',
  'head-to-knee',
  'straddle-fold',
  'standing-fold',
  'wide-fold',
  'leg-up',
  'heron',
  'sundial',
  'down-dog',
] as const;
const LEG_ON_A_STRAP = ['leg-up', 'heron', 'sundial'] as const;
const WIDE = ['straddle', 'straddle-fold', 'wide-fold', 'frog', 'side-squat'] as const;
const ONE_SIDED = ['pigeon', 'king-pigeon', 'lizard', 'squat-one-side', 'sundial'] as const;
const RECLINED_BACK = ['reclined-hero', 'reclined-hero-one'] as const;
const FLAT_ON_THE_BACK = [
  'figure-four',
  'leg-up',
  'constructive',
  'rest',
  'crossed-twist',
] as const;
const BACK_BENDS = [
  ...RECLINED_BACK,
  'low-lunge',
  'lizard',
  'pigeon',
  'king-pigeon',
  'cats-tail',
] as const;
const WEIGHT_ON_HANDS = ['table-up', 'plank', 'down-dog'] as const;

const soreKnee: readonly Effect[] = [
  change(
    SITS_BACK_ON_KNEES,
    'knee margin',
    'Sore knee: 15° of knee bend are kept in hand instead of 5°.',
  ),
  change(SITS_BACK_ON_KNEES, 'knee spacer', 'A thin spacer behind the knee is on offer.'),
  change(SQUATS, 'knee margin', 'Sore knee: the squat stays higher, on its seat.'),
  change(
    ['frog', 'low-lunge', 'lizard', 'stacked-shins', 'stacked-fold', 'easy-cross', 'open-book'],
    'knee margin',
    'Sore knee: a fold beneath it, and out at the first word from the joint.',
  ),
  forbid(['half-lotus-seat'], 'Sore knee: no half lotus.', 'easy-cross'),
  forbid(['horse'], 'Sore knee: no Horse.'),
  forbid(
    ['pigeon', 'king-pigeon'],
    'Sore knee: Pigeon only as a figure four on the back.',
    'figure-four',
  ),
];

const quietBack = (name: string): readonly Effect[] => [
  change(
    [...FOLDS, 'staff', 'straddle', 'seated-twist'],
    'spine quiet',
    `${name}: the spine keeps nearly straight in the fold.`,
  ),
  change([...STRAIGHT_LEGS], 'knees bent', `${name}: the knees bend first.`),
  change(BACK_BENDS, 'no arch', `${name}: supports rise until nothing arches.`),
  forbid(['ragdoll'], `${name}: no rounded hanging.`, 'chair-hinge'),
];

export const cautions: readonly Caution[] = [
  {
    id: 'hip-replacement',
    name: 'Hip replacement',
    question: 'Has a hip been replaced?',
    sided: true,
    effects: [
      askFirst(
        'all',
        'A replaced hip: ask for the surgeon’s or physiotherapist’s written go-ahead first.',
      ),
      change('all', 'hip flexion under 90', 'Replaced hip: no fold past 90° at the hip.'),
      change(['reclined-open'], 'outer hips held', 'Replaced hip: the outer hips are held.'),
      change(['reclined-open'], 'no strap', 'Replaced hip: no belt holds the legs open.'),
      forbid(
        ['pigeon', 'king-pigeon', 'horse', 'sundial', 'half-lotus-seat', 'frog'],
        'Replaced hip: not this one.',
      ),
      forbid(
        ['seated-twist', 'crossed-twist', 'cats-tail'],
        'Replaced hip: nothing that crosses the midline turning in.',
        'constructive',
      ),
      forbid([...SQUATS], 'Replaced hip: a squat folds it past 90°.', 'chair-seat'),
      forbid(['child'], 'Replaced hip: Child folds it past 90°.', 'constructive'),
      forbid(['stacked-shins', 'stacked-fold'], 'Replaced hip: no stacked shins.', 'chair-seat'),
    ],
    refer: 'New pain, clicking or a feeling of giving way: back to the surgeon.',
  },
  {
    id: 'knee-meniscus',
    name: 'Meniscus injury',
    question: 'Has a meniscus been torn or repaired?',
    sided: true,
    effects: soreKnee,
    refer: 'Locking, swelling or giving way: to a doctor or physiotherapist.',
  },
  {
    id: 'knee-ligament',
    name: 'Knee ligament injury',
    question: 'Has a knee ligament been injured?',
    sided: true,
    effects: soreKnee,
    refer: 'Giving way or swelling: to a doctor or physiotherapist.',
  },
  {
    id: 'knee-arthritis',
    name: 'Knee arthritis',
    question: 'Is there arthritis in a knee?',
    sided: true,
    effects: soreKnee,
    refer: 'Swelling, warmth or pain at night: to a doctor.',
  },
  {
    id: 'knee-replacement',
    name: 'Knee replacement',
    question: 'Has a knee been replaced?',
    sided: true,
    effects: [
      askFirst(
        ON_THE_KNEES,
        'A replaced knee: kneeling only with the surgeon’s or physiotherapist’s written go-ahead.',
      ),
      ...soreKnee,
    ],
    refer: 'Swelling, warmth or pain at night: to the surgeon.',
  },
  {
    id: 'low-back-disc',
    name: 'Disc trouble in the low back',
    question: 'Is there or was there disc trouble in the low back?',
    sided: false,
    effects: quietBack('Low back'),
    refer:
      'Feeling below the knee, numbness, or trouble with bladder or bowel: stop, and to a doctor at once.',
  },
  {
    id: 'sciatica',
    name: 'Sciatica',
    question: 'Does pain or tingling run down a leg?',
    sided: true,
    effects: [
      ...quietBack('Nerve to the leg'),
      forbid(['standing-fold', 'wide-fold'], 'Nerve to the leg: no rounded hanging.', 'staff'),
      forbid(['leg-up'], 'Nerve to the leg: no straight leg is pulled.', 'constructive'),
    ],
    refer: 'Feeling below the knee during a pose: stop; to a doctor or physiotherapist.',
  },
  {
    id: 'sacroiliac',
    name: 'Sacroiliac pain',
    question: 'Is there pain at the back of the pelvis, to one side?',
    sided: true,
    effects: [
      change(
        'all',
        'level hips',
        'Back of the pelvis: keep the hips level and the work even on both sides.',
      ),
      forbid([...WIDE], 'Back of the pelvis: no wide deep hold.', 'staff'),
      forbid([...ONE_SIDED], 'Back of the pelvis: no one-sided deep hold.', 'figure-four'),
      forbid(['reclined-hero-one'], 'Back of the pelvis: both sides alike.', 'reclined-hero'),
      forbid(['seated-twist'], 'Back of the pelvis: no twist on a fixed pelvis.', 'easy-cross'),
    ],
    refer: 'Pain that stays the next day: to a physiotherapist.',
  },
  {
    id: 'hamstring-origin',
    name: 'Hamstring origin pain or tear',
    question: 'Is there pain at the sit bone, or was a hamstring torn?',
    sided: true,
    effects: [
      change(
        [...STRAIGHT_LEGS, 'ragdoll'],
        'mid-range',
        'Hamstring origin: no end range with straight legs.',
      ),
      change(
        [...STRAIGHT_LEGS, 'ragdoll'],
        'knees bent',
        'Hamstring origin: the knees bend first.',
      ),
      change(SEATED_FOLDS, 'no strap', 'Hamstring origin: no pull on a strap.'),
      forbid([...LEG_ON_A_STRAP], 'Hamstring origin: no leg is pulled on a strap.', 'constructive'),
    ],
    refer: 'Pain when sitting, or a sudden pull: to a physiotherapist.',
  },
  {
    id: 'osteoporosis',
    name: 'Osteoporosis',
    question: 'Are the bones thin, or did one break from a small fall?',
    sided: false,
    effects: [
      change('all', 'mid-range', 'Thin bones: no end range.'),
      change(FOLDS, 'spine straight', 'Thin bones: no rounded fold, the back stays straight.'),
      forbid(['ragdoll'], 'Thin bones: no rounded hanging.', 'chair-hinge'),
      forbid(['seated-twist', 'sundial'], 'Thin bones: no loaded twist.', 'easy-cross'),
    ],
    refer: 'Sudden back pain: to a doctor.',
  },
  {
    id: 'pregnancy',
    name: 'Pregnancy',
    question: 'Is she pregnant, or was there a birth in the last months?',
    sided: false,
    effects: [
      change('all', 'mid-range', 'Pregnancy loosens ligaments: mid-range only, nothing is pushed.'),
      change(FOLDS, 'belly room', 'Room for the belly: feet apart, no folding over it.'),
      change(
        [...RECLINED_BACK, 'reclined-open'],
        'ramp stays high',
        'Not lying flat: the ramp stays at 30° or more.',
      ),
      forbid([...FLAT_ON_THE_BACK], 'Pregnancy: not flat on the back.', 'reclined-open'),
      forbid(['seated-twist', 'sundial'], 'Pregnancy: no strong twist.', 'easy-cross'),
    ],
    refer: 'Pain in the pelvis or the front bone: to the midwife or physiotherapist.',
  },
  {
    id: 'head-pressure',
    name: 'Blood or eye pressure, reflux, dizziness',
    question: 'Is there high blood or eye pressure, reflux or dizziness?',
    sided: false,
    effects: [
      change(
        [...FOLDS, 'wide-fold'],
        'head not low',
        'Pressure or dizziness: the head stays no lower than the heart; look down rather than up; rise in stages.',
      ),
      change([...HEAD_LOW], 'brief', 'Pressure or dizziness: briefly, if at all.'),
      change(
        [...RECLINED_BACK, 'reclined-open'],
        'ramp stays high',
        'Pressure or reflux: the head stays high on the ramp.',
      ),
    ],
    refer: 'Dizziness that returns: to a doctor.',
  },
  {
    id: 'very-mobile',
    name: 'Very mobile joints',
    question: 'Do joints bend further than most, or slip?',
    sided: false,
    effects: [change('all', 'mid-range', 'Very mobile: stop before the end; never deeper.')],
    refer: 'Joints that slip out: to a doctor.',
  },
  {
    id: 'recent-or-unexplained',
    name: 'Recent operation, injury, clot, numbness, night pain, locking or swelling',
    question:
      'In the last three months: an operation, injury, clot, numbness, night pain, locking or swelling?',
    sided: false,
    effects: [
      forbid(
        'all',
        'Recent or unexplained trouble: nothing here until a doctor or physiotherapist has looked.',
      ),
    ],
    refer: 'To a doctor or physiotherapist first.',
  },
  {
    id: 'ankle-foot',
    name: 'Ankle or foot injury',
    question: 'Is an ankle or foot injured?',
    sided: true,
    effects: [
      change(SITS_BACK_ON_KNEES, 'ankle roll', 'Ankle: a roll under its front, and no full kneel.'),
      forbid(['thunderbolt'], 'Ankle: no sitting on the heels.', 'chair-seat'),
      forbid(['horse'], 'Ankle: no Horse.'),
      change(
        [...SQUATS, 'down-dog', 'plank'],
        'mid-range',
        'Ankle: heels up, weight shared with a seat or the hands.',
      ),
    ],
    refer: 'Swelling or pain when standing: to a doctor.',
  },
  {
    id: 'shoulder',
    name: 'Shoulder trouble',
    question: 'Is a shoulder sore or stiff?',
    sided: true,
    effects: [
      change(
        [...RECLINED_BACK, 'reclined-open', 'child', 'pigeon'],
        'arms low',
        'Shoulder: arms stay beside the body.',
      ),
      forbid(['king-pigeon'], 'Shoulder: no reaching overhead.', 'pigeon'),
      forbid(['sundial'], 'Shoulder: no reaching overhead.', 'heron'),
      change(
        [...WEIGHT_ON_HANDS, 'lizard', 'low-lunge'],
        'short hold',
        'Shoulder: little weight on the hands, and briefly; leave it out if it speaks.',
      ),
    ],
    refer: 'Pain at night: to a doctor.',
  },
  {
    id: 'under-18',
    name: 'Under 18',
    question: 'Is the student under 18?',
    sided: false,
    effects: [
      change(
        'all',
        'adult present',
        'Under 18: a second adult present; no long holds at end range.',
      ),
      change('all', 'short hold', 'Under 18: a second adult present; no long holds at end range.'),
    ],
    refer: 'Growing pains that stay: to a doctor.',
  },
];

export const cautionById = (id: string) => cautions.find((caution) => caution.id === id);
export const inScope = (poses: PoseScope, pose: string) => poses === 'all' || poses.includes(pose);
