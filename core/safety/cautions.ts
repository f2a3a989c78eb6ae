import type { PoseId } from '../poses/poses';
import type { PoseEntry } from '../poses/pose';
import type { Trait } from '../poses/traits';

/** What a rule does to a pose that has its trait. */
export type Effect =
  | {
      readonly does: 'forbid';
      /** The pose that serves instead: for every pose with the trait, or by the group of the pose; none where left out. */
      readonly instead?: PoseId | Readonly<Partial<Record<PoseEntry['group'], PoseId>>>;
    }
  | { readonly does: 'ask-first' }
  | { readonly does: 'change'; readonly change: Change };

/** One thing that a body should not meet, and what follows where a pose asks it. */
export type Rule = Effect & {
  /** Any of these; all poses alike where it is not about one part of the body. */
  readonly on: 'all' | readonly Trait[];
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
  | 'brief'
  | 'hold on'
  | 'up in stages';

interface CautionEntry {
  readonly id: string;
  readonly name: string;
  readonly question: string;
  /** Asked of one side of the body, and in force there alone. */
  readonly sided: boolean;
  readonly rules: readonly Rule[];
  readonly refer: string;
}

type On = Rule['on'];
const forbid = (
  on: On,
  words: string,
  instead?: Extract<Effect, { does: 'forbid' }>['instead'],
): Rule => ({ on, words, does: 'forbid', ...(instead ? { instead } : {}) });
const askFirst = (on: On, words: string): Rule => ({ on, words, does: 'ask-first' });
const change = (on: On, name: Change, words: string): Rule => ({
  on,
  words,
  does: 'change',
  change: name,
});

const KNEELING = ['knee.satBackOn', 'knee.kneltOn'] as const;

const soreKnee: readonly Rule[] = [
  change(
    ['knee.satBackOn'],
    'knee margin',
    'Sore knee: 15° of knee bend are kept in hand instead of 5°.',
  ),
  change(['knee.satBackOn'], 'knee spacer', 'A thin spacer behind the knee is on offer.'),
  change(
    ['knee.loaded'],
    'knee margin',
    'Sore knee: it stays over its ankle, never ahead of the toes.',
  ),
  change(['knee.squatted'], 'knee margin', 'Sore knee: the squat stays higher, on its seat.'),
  change(
    ['knee.kneltOn', 'knee.turned'],
    'knee margin',
    'Sore knee: a fold beneath it, and out at the first word from the joint.',
  ),
  forbid(['knee.turnedUnderWeight'], 'Sore knee: no weight on a turned knee.', {
    seated: 'easy-cross',
    'forward-bending': 'figure-four',
  }),
  forbid(['knee.drawn'], 'Sore knee: nothing draws the heel to the seat.', 'chair-lunge'),
];

const FALLS = change(
  ['whole.balance'],
  'hold on',
  'A fall is the danger here: a wall or a chair within reach.',
);

const quietBack = (name: string): readonly Rule[] => [
  change(
    ['back.rounded', 'back.pulledRound'],
    'spine quiet',
    `${name}: the spine keeps nearly straight.`,
  ),
  change(['hip.hamstringStretched'], 'knees bent', `${name}: the knees bend first.`),
  change(['back.arched'], 'no arch', `${name}: supports rise until nothing arches.`),
  forbid(['back.hangs'], `${name}: no rounded hanging.`, 'chair-hinge'),
];

const entries = [
  {
    id: 'hip-replacement',
    name: 'Hip replacement',
    question: 'Has a hip been replaced?',
    sided: true,
    rules: [
      askFirst(
        'all',
        'A replaced hip: ask for the surgeon’s or physiotherapist’s written go-ahead first.',
      ),
      change(
        ['hip.pastRightAngle', 'hip.hamstringStretched', 'knee.turned'],
        'hip flexion under 90',
        'Replaced hip: no fold past 90° at the hip.',
      ),
      change(
        ['hip.frontStretched'],
        'mid-range',
        'Replaced hip: its front is not stretched to the end.',
      ),
      change(['hip.heldOpen'], 'outer hips held', 'Replaced hip: the outer hips are held.'),
      change(['hip.heldOpen'], 'no strap', 'Replaced hip: no belt holds the legs open.'),
      forbid(
        ['knee.turnedUnderWeight', 'hip.spreadLoaded', 'hip.frontLoaded'],
        'Replaced hip: nothing turns, spreads or stretches it under load.',
      ),
      forbid(['hip.turnedOutLoaded'], 'Replaced hip: no shin stacked on it.', 'chair-seat'),
      forbid(
        ['hip.crossesMidline'],
        'Replaced hip: nothing that crosses the midline turning in.',
        'constructive',
      ),
      forbid(['hip.foldedDeep'], 'Replaced hip: this folds it far past 90°.', {
        kneeling: 'constructive',
        'forward-bending': 'chair-seat',
      }),
    ],
    refer: 'New pain, clicking or a feeling of giving way: back to the surgeon.',
  },
  {
    id: 'knee-meniscus',
    name: 'Meniscus injury',
    question: 'Has a meniscus been torn or repaired?',
    sided: true,
    rules: soreKnee,
    refer: 'Locking, swelling or giving way: to a doctor or physiotherapist.',
  },
  {
    id: 'knee-ligament',
    name: 'Knee ligament injury',
    question: 'Has a knee ligament been injured?',
    sided: true,
    rules: soreKnee,
    refer: 'Giving way or swelling: to a doctor or physiotherapist.',
  },
  {
    id: 'knee-arthritis',
    name: 'Knee arthritis',
    question: 'Is there arthritis in a knee?',
    sided: true,
    rules: soreKnee,
    refer: 'Swelling, warmth or pain at night: to a doctor.',
  },
  {
    id: 'knee-replacement',
    name: 'Knee replacement',
    question: 'Has a knee been replaced?',
    sided: true,
    rules: [
      askFirst(
        KNEELING,
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
    rules: quietBack('Low back'),
    refer:
      'Feeling below the knee, numbness, or trouble with bladder or bowel: stop, and to a doctor at once.',
  },
  {
    id: 'sciatica',
    name: 'Sciatica',
    question: 'Does pain or tingling run down a leg?',
    sided: true,
    rules: [
      ...quietBack('Nerve to the leg'),
      forbid(['back.foldsStanding'], 'Nerve to the leg: no rounded hanging.', 'staff'),
      forbid(
        ['hip.straightLegPulled'],
        'Nerve to the leg: no straight leg is pulled.',
        'constructive',
      ),
    ],
    refer: 'Feeling below the knee during a pose: stop; to a doctor or physiotherapist.',
  },
  {
    id: 'sacroiliac',
    name: 'Sacroiliac pain',
    question: 'Is there pain at the back of the pelvis, to one side?',
    sided: true,
    rules: [
      change(
        'all',
        'level hips',
        'Back of the pelvis: keep the hips level and the work even on both sides.',
      ),
      forbid(['hip.spread'], 'Back of the pelvis: no wide deep hold.', 'staff'),
      forbid(['back.oneSided'], 'Back of the pelvis: no one-sided deep hold.', {
        reclined: 'reclined-hero',
        seated: 'figure-four',
        kneeling: 'figure-four',
        'forward-bending': 'figure-four',
      }),
      forbid(['back.turnsSeated'], 'Back of the pelvis: no twist on a fixed pelvis.', 'easy-cross'),
    ],
    refer: 'Pain that stays the next day: to a physiotherapist.',
  },
  {
    id: 'hamstring-origin',
    name: 'Hamstring origin pain or tear',
    question: 'Is there pain at the sit bone, or was a hamstring torn?',
    sided: true,
    rules: [
      change(
        ['hip.hamstringStretched'],
        'mid-range',
        'Hamstring origin: no end range with straight legs.',
      ),
      change(['hip.hamstringStretched'], 'knees bent', 'Hamstring origin: the knees bend first.'),
      change(['hip.foldPulled'], 'no strap', 'Hamstring origin: no pull on a strap.'),
      forbid(
        ['hip.straightLegPulled'],
        'Hamstring origin: no leg is pulled on a strap.',
        'constructive',
      ),
    ],
    refer: 'Pain when sitting, or a sudden pull: to a physiotherapist.',
  },
  {
    id: 'osteoporosis',
    name: 'Osteoporosis',
    question: 'Are the bones thin, or did one break from a small fall?',
    sided: false,
    rules: [
      change('all', 'mid-range', 'Thin bones: no end range.'),
      change(
        ['back.rounded'],
        'spine straight',
        'Thin bones: no rounded fold, the back stays straight.',
      ),
      forbid(['back.hangs'], 'Thin bones: no rounded hanging.', 'chair-hinge'),
      forbid(['back.turnsSeated'], 'Thin bones: no loaded twist.', 'easy-cross'),
      forbid(['back.turnsFolded'], 'Thin bones: no turning while folded.', 'staff'),
      forbid(['head.neckLoaded'], 'Thin bones: no weight on the neck.'),
      FALLS,
    ],
    refer: 'Sudden back pain: to a doctor.',
  },
  {
    id: 'pregnancy',
    name: 'Pregnancy',
    question: 'Is she pregnant, or was there a birth in the last months?',
    sided: false,
    rules: [
      change('all', 'mid-range', 'Pregnancy loosens ligaments: mid-range only, nothing is pushed.'),
      change(
        ['belly.pressed'],
        'belly room',
        'Room for the belly: feet apart, no folding over it.',
      ),
      change(['whole.onRamp'], 'ramp stays high', 'Not lying flat: the ramp stays at 30° or more.'),
      forbid(['whole.flatOnBack'], 'Pregnancy: not flat on the back.', 'reclined-open'),
      forbid(['back.turnsSeated'], 'Pregnancy: no strong twist.', 'easy-cross'),
      FALLS,
    ],
    refer: 'Pain in the pelvis or the front bone: to the midwife or physiotherapist.',
  },
  {
    id: 'head-pressure',
    name: 'Blood or eye pressure, reflux, dizziness',
    question: 'Is there high blood or eye pressure, reflux or dizziness?',
    sided: false,
    rules: [
      change(
        ['head.lowered'],
        'head not low',
        'Pressure or dizziness: the head stays no lower than the heart; look down rather than up; rise in stages.',
      ),
      change(['head.belowHeart'], 'brief', 'Pressure or dizziness: briefly, if at all.'),
      forbid(['head.neckLoaded'], 'Pressure or dizziness: no weight on the neck.'),
      change(
        ['whole.longStill'],
        'up in stages',
        'Pressure or dizziness: up in stages after lying long, the head last.',
      ),
      FALLS,
      change(
        ['whole.onRamp'],
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
    rules: [change('all', 'mid-range', 'Very mobile: stop before the end; never deeper.')],
    refer: 'Joints that slip out: to a doctor.',
  },
  {
    id: 'recent-or-unexplained',
    name: 'Recent operation, injury, clot, numbness, night pain, locking or swelling',
    question:
      'In the last three months: an operation, injury, clot, numbness, night pain, locking or swelling?',
    sided: false,
    rules: [
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
    rules: [
      change(
        ['ankle.pressedFlat'],
        'ankle roll',
        'Ankle: a roll under its front, and no full kneel.',
      ),
      forbid(['ankle.fullKneel'], 'Ankle: no sitting on the heels.', 'chair-seat'),
      forbid(['ankle.sickled'], 'Ankle: it is not laid on the other thigh.', {
        seated: 'easy-cross',
      }),
      change(
        ['ankle.bentUnderWeight'],
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
    rules: [
      change(['arms.restOverhead'], 'arms low', 'Shoulder: arms stay beside the body.'),
      forbid(['arms.overhead'], 'Shoulder: no reaching overhead.', {
        'forward-bending': 'pigeon',
        seated: 'heron',
      }),
      change(
        ['arms.carryWeight'],
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
    rules: [
      change(
        'all',
        'adult present',
        'Under 18: a second adult present; no long holds at end range.',
      ),
      change('all', 'short hold', 'Under 18: a second adult present; no long holds at end range.'),
    ],
    refer: 'Growing pains that stay: to a doctor.',
  },
] as const satisfies readonly CautionEntry[];

export type CautionId = (typeof entries)[number]['id'];
export interface Caution extends CautionEntry {
  readonly id: CautionId;
}
/**
 * What is asked at intake, what each answer changes, and when to refer. Not medical advice: it supports a trained
 * teacher, and defers to the student's doctor or physiotherapist and to local rules of practice.
 */
export const cautions: readonly Caution[] = entries;
export const cautionIds: readonly CautionId[] = cautions.map(({ id }) => id);

const byId = new Map<string, Caution>(cautions.map((one) => [one.id, one]));
/** The caution of an id; undefined for one of a newer book. */
export const cautionById = (id: string): Caution | undefined => byId.get(id);
