/**
 * What is asked at intake, what each answer changes, and when to refer. Not medical advice: it supports a trained
 * teacher, and defers to the student's doctor or physiotherapist and to local rules of practice.
 */
export type PoseScope = 'all' | readonly string[];

export type Effect =
  | { readonly effect: 'forbid'; readonly poses: PoseScope; readonly words: string; readonly instead?: string }
  | { readonly effect: 'ask-first'; readonly poses: PoseScope; readonly words: string }
  | { readonly effect: 'change'; readonly poses: PoseScope; readonly change: Change; readonly words: string };

/** Named changes; each one is a line in `settings.ts`. */
export type Change =
  | 'knee margin' | 'knee spacer' | 'spine quiet' | 'spine straight' | 'knees bent' | 'no strap' | 'hip flexion under 90' | 'mid-range' | 'no arch'
  | 'head not low' | 'ramp stays high' | 'ankle roll' | 'arms low' | 'belly room' | 'adult present' | 'level hips';

export interface Caution {
  readonly id: string;
  readonly name: string;
  readonly question: string;
  readonly sided: boolean;
  readonly effects: readonly Effect[];
  readonly refer: string;
}

const forbid = (poses: PoseScope, words: string, instead?: string): Effect => ({ effect: 'forbid', poses, words, ...(instead ? { instead } : {}) });
const askFirst = (poses: PoseScope, words: string): Effect => ({ effect: 'ask-first', poses, words });
const change = (poses: PoseScope, name: Change, words: string): Effect => ({ effect: 'change', poses, change: name, words });

const KNEELING = ['hero', 'reclined-hero'] as const;
const FOLDS = ['seated-fold', 'standing-fold'] as const;
const LONG_LEGS = ['staff', 'seated-fold', 'standing-fold'] as const;

const soreKnee: readonly Effect[] = [
  change(KNEELING, 'knee margin', 'Sore knee: 15° of knee bend are kept in hand instead of 5°.'),
  change(KNEELING, 'knee spacer', 'A thin spacer behind the knee is on offer.'),
];

export const cautions: readonly Caution[] = [
  {
    id: 'hip-replacement', name: 'Hip replacement', question: 'Has a hip been replaced?', sided: true,
    effects: [
      askFirst('all', 'A replaced hip: ask for the surgeon’s or physiotherapist’s written go-ahead first.'),
      change([...FOLDS, 'staff'], 'hip flexion under 90', 'Replaced hip: no fold past 90° at the hip.'),
    ],
    refer: 'New pain, clicking or a feeling of giving way: back to the surgeon.',
  },
  { id: 'knee-meniscus', name: 'Meniscus injury', question: 'Has a meniscus been torn or repaired?', sided: true, effects: soreKnee, refer: 'Locking, swelling or giving way: to a doctor or physiotherapist.' },
  { id: 'knee-ligament', name: 'Knee ligament injury', question: 'Has a knee ligament been injured?', sided: true, effects: soreKnee, refer: 'Giving way or swelling: to a doctor or physiotherapist.' },
  { id: 'knee-arthritis', name: 'Knee arthritis', question: 'Is there arthritis in a knee?', sided: true, effects: soreKnee, refer: 'Swelling, warmth or pain at night: to a doctor.' },
  {
    id: 'knee-replacement', name: 'Knee replacement', question: 'Has a knee been replaced?', sided: true,
    effects: [askFirst(KNEELING, 'A replaced knee: kneeling only with the surgeon’s or physiotherapist’s written go-ahead.'), ...soreKnee],
    refer: 'Swelling, warmth or pain at night: to the surgeon.',
  },
  {
    id: 'low-back-disc', name: 'Disc trouble in the low back', question: 'Is there or was there disc trouble in the low back?', sided: false,
    effects: [
      change(LONG_LEGS, 'spine quiet', 'Low back: the spine keeps nearly straight in the fold.'), change(LONG_LEGS, 'knees bent', 'Low back: the knees bend first.'),
      change(['reclined-hero'], 'no arch', 'Low back: the ramp rises until nothing arches.'),
    ],
    refer: 'Feeling below the knee, numbness, or trouble with bladder or bowel: stop, and to a doctor at once.',
  },
  {
    id: 'sciatica', name: 'Sciatica', question: 'Does pain or tingling run down a leg?', sided: true,
    effects: [
      change(LONG_LEGS, 'spine quiet', 'Nerve to the leg: the spine keeps nearly straight.'), change(LONG_LEGS, 'knees bent', 'Nerve to the leg: the knees bend first.'),
      forbid(['standing-fold'], 'Nerve to the leg: no rounded hanging.', 'staff'), change(['reclined-hero'], 'no arch', 'Nerve to the leg: the ramp rises until nothing arches.'),
    ],
    refer: 'Feeling below the knee during a pose: stop; to a doctor or physiotherapist.',
  },
  {
    id: 'sacroiliac', name: 'Sacroiliac pain', question: 'Is there pain at the back of the pelvis, to one side?', sided: true,
    effects: [change('all', 'level hips', 'Back of the pelvis: keep the hips level and the work even on both sides.')], refer: 'Pain that stays the next day: to a physiotherapist.',
  },
  {
    id: 'hamstring-origin', name: 'Hamstring origin pain or tear', question: 'Is there pain at the sit bone, or was a hamstring torn?', sided: true,
    effects: [
      change(LONG_LEGS, 'mid-range', 'Hamstring origin: no end range with straight legs.'), change(LONG_LEGS, 'knees bent', 'Hamstring origin: the knees bend first.'),
      change(['seated-fold'], 'no strap', 'Hamstring origin: no pull on a strap.'),
    ],
    refer: 'Pain when sitting, or a sudden pull: to a physiotherapist.',
  },
  {
    id: 'osteoporosis', name: 'Osteoporosis', question: 'Are the bones thin, or did one break from a small fall?', sided: false,
    effects: [
      change(['staff', ...KNEELING], 'mid-range', 'Thin bones: no end range.'), change(FOLDS, 'spine straight', 'Thin bones: no rounded fold, the back stays straight.'), change(FOLDS, 'mid-range', 'Thin bones: no end range.'),
    ],
    refer: 'Sudden back pain: to a doctor.',
  },
  {
    id: 'pregnancy', name: 'Pregnancy', question: 'Is she pregnant, or was there a birth in the last months?', sided: false,
    effects: [
      change('all', 'mid-range', 'Pregnancy loosens ligaments: mid-range only, nothing is pushed.'), change(FOLDS, 'belly room', 'Room for the belly: feet apart, no folding over it.'),
      change(['reclined-hero'], 'ramp stays high', 'Not lying flat: the ramp stays at 30° or more.'),
    ],
    refer: 'Pain in the pelvis or the front bone: to the midwife or physiotherapist.',
  },
  {
    id: 'head-pressure', name: 'Blood or eye pressure, reflux, dizziness', question: 'Is there high blood or eye pressure, reflux or dizziness?', sided: false,
    effects: [
      change(['standing-fold'], 'head not low', 'Pressure or dizziness: the head stays no lower than the heart; rise in stages.'),
      change(['reclined-hero'], 'ramp stays high', 'Pressure or reflux: the head stays high on the ramp.'), change(['seated-fold'], 'head not low', 'Pressure or dizziness: look down rather than up; rise in stages.'),
    ],
    refer: 'Dizziness that returns: to a doctor.',
  },
  {
    id: 'very-mobile', name: 'Very mobile joints', question: 'Do joints bend further than most, or slip?', sided: false,
    effects: [change('all', 'mid-range', 'Very mobile: stop before the end; never deeper.')], refer: 'Joints that slip out: to a doctor.',
  },
  {
    id: 'recent-or-unexplained', name: 'Recent operation, injury, clot, numbness, night pain, locking or swelling',
    question: 'In the last three months: an operation, injury, clot, numbness, night pain, locking or swelling?', sided: false,
    effects: [forbid('all', 'Recent or unexplained trouble: nothing here until a doctor or physiotherapist has looked.')], refer: 'To a doctor or physiotherapist first.',
  },
  {
    id: 'ankle-foot', name: 'Ankle or foot injury', question: 'Is an ankle or foot injured?', sided: true,
    effects: [change(KNEELING, 'ankle roll', 'Ankle: a roll under its front, and no full kneel.')], refer: 'Swelling or pain when standing: to a doctor.',
  },
  {
    id: 'shoulder', name: 'Shoulder trouble', question: 'Is a shoulder sore or stiff?', sided: true,
    effects: [change(['reclined-hero'], 'arms low', 'Shoulder: arms stay beside the body.')], refer: 'Pain at night: to a doctor.',
  },
  {
    id: 'under-18', name: 'Under 18', question: 'Is the student under 18?', sided: false,
    effects: [change('all', 'adult present', 'Under 18: a second adult present; no long holds at end range.')], refer: 'Growing pains that stay: to a doctor.',
  },
];

export const cautionById = (id: string) => cautions.find((caution) => caution.id === id);
export const inScope = (poses: PoseScope, pose: string) => poses === 'all' || poses.includes(pose);
