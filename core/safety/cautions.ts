import type { PoseId } from '../poses/poses';
import type { PoseEntry } from '../poses/pose';
import type { Trait } from '../poses/traits';
import type { PoseChange } from './changes';
import type { SlotId } from '../slots';
import type { SpotId } from '../spots';
import { cautionIds, type CautionId, type RuleId } from './ids';

/** What a rule does to a pose that has its trait. */
export type Effect =
  | {
      readonly does: 'forbid';
      /**
       * The pose that serves instead: for every pose with the trait, or by the pose, else its group; none where left
       * out.
       */
      readonly instead?: PoseId | Readonly<Partial<Record<PoseId | PoseEntry['group'], PoseId>>>;
    }
  | { readonly does: 'ask-first' }
  | { readonly does: 'change'; readonly change: PoseChange };

/** One thing that a body should not meet, and what follows where a pose asks it. */
export type Rule = Effect & {
  /** Any of these; all poses alike where it is not about one part of the body. */
  /** What a pose does; all of them, or all but those that are lain in for rest and ask nothing of any joint. */
  readonly on: 'all' | 'but-rests' | readonly Trait[];
  readonly says: RuleId;
  /** Where its words speak of a support: true with one of these, and what is said where none of them lies there. */
  readonly bound?: Bound;
  /** In force only where it hurts at one of these; wherever it hurts where left out. */
  readonly where?: readonly SpotId[];
  /** What it says stands for what that rule says, where both are in force. */
  readonly saysFor?: RuleId;
};

/** Supports that a sentence speaks of, and the sentence for where none of them lies. */
export interface Bound {
  readonly to: readonly SlotId[];
  readonly without: RuleId;
}

/** What a caution means for a pose. */
export interface Caution {
  readonly id: CautionId;
  /** Asked of one side of the body, and in force there alone. */
  readonly sided: boolean;
  /** Where it may hurt, to be asked too; nowhere in particular where left out. */
  readonly spots?: readonly SpotId[];
  readonly rules: readonly Rule[];
}

type On = Rule['on'];
const forbid = (
  on: On,
  says: RuleId,
  instead?: Extract<Effect, { does: 'forbid' }>['instead'],
): Rule => ({ on, says, does: 'forbid', ...(instead ? { instead } : {}) });
const askFirst = (on: On, says: RuleId): Rule => ({ on, says, does: 'ask-first' });
const change = (on: On, name: PoseChange, says: RuleId, bound?: Bound): Rule => ({
  on,
  says,
  does: 'change',
  change: name,
  ...(bound ? { bound } : {}),
});
/** Said only with one of these supports; the other sentence where none of them lies. */
const withAny = (to: readonly SlotId[], without: RuleId): Bound => ({ to, without });

const KNEELING = ['knee.satBackOn', 'knee.kneltOn'] as const;

const soreKnee: readonly Rule[] = [
  change(['knee.satBackOn'], 'knee margin', 'knee-in-hand'),
  change(['knee.satBackOn'], 'knee spacer', 'knee-spacer', withAny(['behindKnee'], 'knee-watched')),
  change(['knee.loaded'], 'knee margin', 'knee-over-ankle'),
  change(['knee.squatted'], 'on a seat', 'squat-high', withAny(['seat'], 'knee-watched')),
  change(['knee.kneltOn'], 'knee padded', 'fold-beneath', withAny(['underKnees'], 'knee-watched')),
  change(
    ['knee.turned'],
    'knee margin',
    'thigh-met',
    withAny(['underThigh', 'outerHip'], 'foot-flexed'),
  ),
  forbid(['knee.turnedUnderWeight'], 'no-turned-weight', {
    seated: 'easy-cross',
    'forward-bending': 'figure-four',
  }),
  forbid(['knee.drawn'], 'heel-not-drawn', {
    'happy-baby': 'legs-wiped',
    reclined: 'chair-lunge',
    'forward-bending': 'figure-four',
  }),
];

/** What a sore knee asks for beyond that, by where it hurts. */
const soreSpots: readonly Rule[] = [
  {
    ...change(['knee.satBackOn', 'knee.squatted'], 'kneecap spared', 'kneecap-spared'),
    where: ['front-knee'],
    saysFor: 'knee-in-hand',
  },
  {
    ...change(
      ['knee.satBackOn'],
      'knee filled behind',
      'behind-filled',
      withAny(['behindKnee'], 'knee-watched'),
    ),
    where: ['behind-knee'],
    saysFor: 'knee-spacer',
  },
  {
    ...change(
      ['knee.turned'],
      'thigh filled',
      'side-filled',
      withAny(['underThigh', 'outerHip'], 'foot-flexed'),
    ),
    where: ['inner-knee', 'outer-knee'],
    saysFor: 'thigh-met',
  },
];

const FALLS = change(['whole.balance'], 'hold on', 'hold-on');

const KNEES_BEND = change(
  ['hip.hamstringStretched'],
  'knees bent',
  'knees-first',
  withAny(['underKnees'], 'knees-soft'),
);

const quietBack: readonly Rule[] = [
  change(['back.rounded', 'back.pulledRound'], 'spine quiet', 'spine-quiet'),
  KNEES_BEND,
  change(['back.arched'], 'no arch', 'no-arch', withAny(['back'], 'back-long')),
  forbid(['back.hangs'], 'no-hanging', 'chair-hinge'),
];

/** Every caution that is asked about has its rules; the compiler names one that has none. */
const entries: Readonly<Record<CautionId, Omit<Caution, 'id'>>> = {
  'hip-replacement': {
    sided: true,
    rules: [
      askFirst('all', 'ask-surgeon'),
      change(
        ['hip.pastRightAngle', 'hip.hamstringStretched', 'knee.turned'],
        'hip flexion under 90',
        'no-past-90',
      ),
      change(['hip.frontStretched'], 'mid-range', 'front-short'),
      change(['hip.heldOpen'], 'outer hips held', 'outer-hips-held'),
      change(['hip.heldOpen'], 'no strap', 'no-belt'),
      forbid(
        ['knee.turnedUnderWeight', 'hip.turnedOutLoaded', 'hip.spreadLoaded', 'hip.frontLoaded'],
        'nothing-under-load',
        { 'stacked-shins': 'chair-seat', 'stacked-fold': 'chair-seat' },
      ),
      forbid(['hip.crossesMidline'], 'no-crossing', 'constructive'),
      forbid(['hip.turnedIn'], 'no-turning-in', 'chair-seat'),
      forbid(['hip.liftedPast'], 'no-lift-past', {
        seated: 'staff',
        reclined: 'constructive',
        chair: 'chair-seat',
      }),
      forbid(['back.hangs'], 'no-hanging', 'standing-fold'),
      forbid(['hip.foldedDeep'], 'no-deep-fold', {
        kneeling: 'constructive',
        'forward-bending': 'chair-seat',
      }),
    ],
  },
  'knee-pain': {
    sided: true,
    spots: ['front-knee', 'inner-knee', 'outer-knee', 'behind-knee'],
    rules: [...soreKnee, ...soreSpots],
  },
  'knee-meniscus': {
    sided: true,
    rules: soreKnee,
  },
  'knee-ligament': {
    sided: true,
    rules: soreKnee,
  },
  'knee-arthritis': {
    sided: true,
    rules: soreKnee,
  },
  'knee-replacement': {
    sided: true,
    rules: [askFirst(KNEELING, 'ask-kneeling'), ...soreKnee],
  },
  'low-back-disc': {
    sided: false,
    rules: quietBack,
  },
  sciatica: {
    sided: true,
    rules: [
      ...quietBack,
      forbid(['back.foldsStanding'], 'no-standing-fold', 'staff'),
      forbid(['hip.straightLegPulled'], 'no-leg-pulled', 'constructive'),
    ],
  },
  sacroiliac: {
    sided: true,
    rules: [
      change('all', 'level hips', 'hips-level'),
      forbid(['hip.spread'], 'no-wide', {
        reclined: 'constructive',
        seated: 'staff',
        kneeling: 'child',
        'forward-bending': 'staff',
        'wide-fold': 'chair-hinge',
        chair: 'chair-seat',
      }),
      forbid(['back.oneSided'], 'no-one-sided', {
        reclined: 'reclined-hero',
        seated: 'figure-four',
        kneeling: 'figure-four',
        'forward-bending': 'figure-four',
      }),
      forbid(['back.turnsSeated'], 'no-fixed-twist', 'easy-cross'),
    ],
  },
  'hamstring-origin': {
    sided: true,
    rules: [
      change(['hip.hamstringStretched'], 'mid-range', 'no-straight-end'),
      KNEES_BEND,
      change(['hip.foldPulled'], 'no strap', 'no-strap-pull'),
      forbid(['hip.straightLegPulled'], 'no-leg-pulled', 'constructive'),
    ],
  },
  osteoporosis: {
    sided: false,
    rules: [
      change('but-rests', 'mid-range', 'no-end-range'),
      change(['back.rounded'], 'spine straight', 'spine-straight'),
      forbid(['back.hangs'], 'no-hanging', 'chair-hinge'),
      forbid(['back.turnsSeated'], 'no-loaded-twist', 'easy-cross'),
      forbid(['back.turnsFolded'], 'no-folded-turn', 'staff'),
      forbid(['head.neckLoaded'], 'no-neck-weight'),
      FALLS,
    ],
  },
  pregnancy: {
    sided: false,
    rules: [
      change('but-rests', 'mid-range', 'nothing-pushed'),
      change(['belly.pressed'], 'belly room', 'belly-room'),
      forbid(['belly.foldedOver'], 'belly-not-folded', {
        'standing-fold': 'wide-fold',
        ragdoll: 'chair-wide',
        chair: 'chair-wide',
        'stacked-fold': 'stacked-shins',
        'forward-bending': 'straddle',
      }),
      change(['whole.onRamp'], 'ramp stays high', 'ramp-high', withAny(['back'], 'not-lain')),
      forbid(['whole.flatOnBack'], 'not-flat', 'reclined-open'),
      forbid(['back.turnsSeated'], 'no-loaded-twist', 'easy-cross'),
      FALLS,
    ],
  },
  'head-pressure': {
    sided: false,
    rules: [
      change(['head.lowered'], 'head not low', 'head-not-low'),
      change(['head.belowHeart'], 'brief', 'brief'),
      forbid(['back.hangs'], 'no-hanging', 'chair-hinge'),
      forbid(['head.neckLoaded'], 'no-neck-weight'),
      change(['whole.longStill'], 'up in stages', 'up-in-stages'),
      FALLS,
      change(['whole.onRamp'], 'ramp stays high', 'head-high', withAny(['back'], 'not-lain')),
    ],
  },
  'very-mobile': {
    sided: false,
    rules: [change('but-rests', 'mid-range', 'stop-before-end')],
  },
  'recent-or-unexplained': {
    sided: false,
    rules: [forbid('all', 'nothing-yet')],
  },
  'ankle-foot': {
    sided: true,
    rules: [
      change(['ankle.pressedFlat'], 'ankle roll', 'ankle-roll', withAny(['ankle'], 'ankle-eased')),
      forbid(['ankle.fullKneel'], 'not-on-heels', 'chair-seat'),
      forbid(['ankle.sickled'], 'not-on-thigh', {
        seated: 'easy-cross',
      }),
      change(
        ['ankle.bentUnderWeight'],
        'ankle spared',
        'heels-up',
        withAny(['heels', 'seat'], 'ankle-eased'),
      ),
    ],
  },
  shoulder: {
    sided: true,
    rules: [
      change(['arms.restOverhead'], 'arms low', 'arms-low'),
      forbid(['arms.overhead'], 'no-overhead', {
        'forward-bending': 'pigeon',
        seated: 'heron',
      }),
      change(['arms.carryWeight'], 'short hold', 'light-hands'),
    ],
  },
  'under-18': {
    sided: false,
    rules: [
      change('all', 'adult present', 'second-adult'),
      change('all', 'short hold', 'second-adult'),
    ],
  },
};

/**
 * What is asked at intake, what each answer changes, and when to refer. Not medical advice: it supports a trained
 * teacher, and defers to the student's doctor or physiotherapist and to local rules of practice.
 */
export const cautions: readonly Caution[] = cautionIds.map((id) => ({ id, ...entries[id] }));

const byId = new Map<string, Caution>(cautions.map((one) => [one.id, one]));
/** The caution of an id; undefined for one of a newer book. */
export const cautionById = (id: string): Caution | undefined => byId.get(id);

/** What a caution says of a pose as it is built: nothing of a support that does not lie there. */
export function saidOn(caution: string, rule: string, lies: ReadonlySet<SlotId>): string {
  const bound = cautionById(caution)?.rules.find(({ says }) => says === rule)?.bound;
  return bound && !bound.to.some((slot) => lies.has(slot)) ? bound.without : rule;
}

/** What a rule of a caution does to a pose: leaves it out, asks first, or changes it. */
export const effectOf = (caution: string, rule: string): Effect['does'] | undefined =>
  cautionById(caution)?.rules.find(({ says, bound }) => says === rule || bound?.without === rule)
    ?.does;
