import type { Body } from '../body/body';
import type { FamilyId } from '../geometry/families';
import { decision, fold, loading, squat, standingFold } from '../parameters';
import type { SlotRule } from './stack';
import type { SlotId } from '../slots';

/** Sit bones to the width that must be carried in a kneeling seat, which has to pass between the heels. */
const KNEELING_SEAT_WIDTH_CM = 15;

const FOLDS = ['fold-2', 'fold-4', 'fold-8', 'fold-16', 'fold-32'] as const;
const ROLLS = ['roll-half', 'roll-tight', 'roll-loose'] as const;

/** Families whose seat stands between or on the heels. */
const SITS_ON_SHINS: readonly FamilyId[] = [
  'kneeling',
  'kneeling on heels',
  'child',
  'reclined hero',
  'reclined hero, one leg',
];
const SQUATS: readonly FamilyId[] = ['squat', 'squat, one side', 'side squat'];
/** Families in which one thing lies under both knees. */
const UNDER_BOTH_KNEES: readonly FamilyId[] = [
  'long sit',
  'straddle',
  'fold',
  'straddle fold',
  'lying at rest',
];
const SOFT_LAYERS = { blanket: [...FOLDS, ...ROLLS], towel: 'any', cushion: 'any' } as const;

function seatRule(family: FamilyId, body: Body): SlotRule {
  const onShins = SITS_ON_SHINS.includes(family);
  if (family === 'chair seat')
    return {
      load: loading.seat.value,
      leastWidthCm: 30,
      serves: { blanket: FOLDS, cushion: 'any', 'half-block': 'any', books: 'any' },
    };
  if (SQUATS.includes(family))
    return {
      load: loading.kneelingSeat.value,
      leastWidthCm: KNEELING_SEAT_WIDTH_CM,
      serves: {
        block: ['flat', 'edge'],
        'half-block': 'any',
        blanket: FOLDS,
        'bolster-round': 'any',
        'bolster-flat': 'any',
        books: 'any',
        bench: 'any',
      },
    };
  return {
    load: onShins ? loading.kneelingSeat.value : loading.seat.value,
    leastWidthCm: onShins ? KNEELING_SEAT_WIDTH_CM : Math.round(body.hipWidthCm),
    serves: {
      block: onShins ? ['flat', 'edge'] : ['flat'],
      'half-block': 'any',
      blanket: FOLDS,
      'bolster-flat': 'any',
      books: 'any',
      bench: 'any',
      ...(onShins ? { 'bolster-round': 'any' } : {}),
    },
  };
}

interface SlotEntry {
  /** What may serve here, for a family and a body. */
  readonly rule: (family: FamilyId, body: Body) => SlotRule;
  /** Left empty where it would have to stand higher than this, in cm. */
  readonly mostCm?: number;
  /** Gaps lower than this, in cm, are left as they are; 1 where nothing is said. */
  readonly leastCm?: number;
  /** Other slots of a pose follow its height. */
  readonly stoodOn?: true;
}

/** Head and neck are met alike. */
const HEAD: SlotRule = {
  load: loading.head.value,
  leastWidthCm: 15,
  serves: {
    blanket: FOLDS,
    towel: ['fold-2', 'fold-4', 'fold-8'],
    block: 'any',
    'half-block': 'any',
    'bolster-round': 'any',
    'bolster-flat': 'any',
    cushion: 'any',
    books: 'any',
  },
};

/** Every slot: what serves there, how high and how low it may stand, and whether others stand on it. */
const slots: Readonly<Record<SlotId, SlotEntry>> = {
  seat: { stoodOn: true, rule: seatRule },
  underKnees: {
    stoodOn: true,
    rule: (family) => ({
      load: loading.knee.value,
      leastWidthCm: UNDER_BOTH_KNEES.includes(family) ? 35 : 12,
      serves: {
        ...SOFT_LAYERS,
        towel: ['fold-2', 'fold-4', 'fold-8', 'roll'],
        'bolster-round': 'any',
        'bolster-flat': 'any',
        block: ['flat'],
      },
    }),
  },
  behindKnee: {
    leastCm: 0.5,
    rule: () => ({
      load: loading.knee.value,
      leastWidthCm: 0,
      serves: {
        strap: ['fold-3'],
        towel: ['fold-2', 'fold-4', 'fold-8'],
        blanket: ['fold-2', 'fold-4'],
      },
    }),
  },
  underThigh: {
    rule: () => ({
      load: loading.knee.value,
      leastWidthCm: 12,
      serves: {
        ...SOFT_LAYERS,
        block: ['flat', 'edge'],
        'half-block': 'any',
        'bolster-flat': 'any',
        books: 'any',
      },
    }),
  },
  outerHip: {
    rule: () => ({
      load: loading.knee.value,
      leastWidthCm: 12,
      serves: { ...SOFT_LAYERS, 'bolster-flat': 'any' },
    }),
  },
  hipLevel: {
    stoodOn: true,
    rule: () => ({
      load: loading.kneelingSeat.value,
      leastWidthCm: 15,
      serves: {
        blanket: FOLDS,
        block: ['flat'],
        'half-block': 'any',
        wedge: 'any',
        'bolster-flat': 'any',
        cushion: 'any',
        books: 'any',
      },
    }),
  },
  underShin: {
    stoodOn: true,
    rule: () => ({
      load: loading.knee.value,
      leastWidthCm: 35,
      serves: {
        blanket: FOLDS,
        mat: ['single', 'fold-4'],
        towel: ['fold-2', 'fold-4', 'fold-8'],
      },
    }),
  },
  ankle: {
    rule: () => ({
      load: loading.knee.value,
      leastWidthCm: 0,
      serves: {
        towel: 'any',
        blanket: ['fold-2', 'fold-4', 'fold-8', 'roll-half'],
        mat: ['fold-4'],
      },
    }),
  },
  heels: {
    stoodOn: true,
    mostCm: squat.highestHeel.value,
    rule: (family) => ({
      load: loading.hands.value,
      leastWidthCm: family === 'squat' || family === 'downward dog' ? 35 : 15,
      serves: {
        wedge: 'any',
        'half-block': 'any',
        mat: ['single', 'fold-4'],
        blanket: FOLDS,
        block: ['flat'],
        books: 'any',
      },
    }),
  },
  feet: {
    stoodOn: true,
    rule: () => ({
      load: loading.hands.value,
      leastWidthCm: 0,
      pair: true,
      serves: {
        block: ['flat', 'edge'],
        'half-block': 'any',
        books: 'any',
        bench: 'any',
        blanket: FOLDS,
      },
    }),
  },
  hands: {
    mostCm: standingFold.highestHandProp.value,
    rule: () => ({
      load: loading.hands.value,
      leastWidthCm: 0,
      pair: true,
      mostStepCm: decision.mostHandRung.value,
      serves: { block: 'any', 'half-block': 'any', books: 'any', chair: 'any', bench: 'any' },
    }),
  },
  forehead: { mostCm: fold.highestForeheadProp.value, rule: () => HEAD },
  chest: {
    mostCm: fold.highestChestProp.value,
    rule: () => ({
      load: loading.back.value,
      leastWidthCm: 20,
      serves: { 'bolster-round': 'any', 'bolster-flat': 'any', blanket: FOLDS, cushion: 'any' },
    }),
  },
  back: {
    stoodOn: true,
    rule: () => ({
      load: loading.back.value,
      leastWidthCm: 20,
      serves: {
        'bolster-round': 'any',
        'bolster-flat': 'any',
        blanket: FOLDS,
        block: 'any',
        'half-block': 'any',
        cushion: 'any',
      },
    }),
  },
  neck: { rule: () => HEAD },
  shoulder: {
    rule: () => ({
      load: loading.head.value,
      leastWidthCm: 15,
      serves: { blanket: FOLDS, towel: ['fold-2', 'fold-4', 'fold-8'], cushion: 'any' },
    }),
  },
  strap: { rule: () => ({ load: 0, leastWidthCm: 0, serves: { strap: ['length'] } }) },
};

/** Whether a slot is left empty since it would have to stand too high. */
export const leftEmpty = (slot: SlotId, cm: number) => cm > (slots[slot].mostCm ?? Infinity);
/** Whether a gap is too low to be filled. */
export const tooLowToFill = (slot: SlotId, cm: number) => cm < (slots[slot].leastCm ?? 1);
/** Whether other slots of a pose follow this one's height. */
export const isStoodOn = (slot: SlotId) => slots[slot].stoodOn === true;

const knownRules = new Map<string, SlotRule>();

/** What may serve in a slot, for a body and a family. The same question always gets the same object. */
export function slotRule(slot: SlotId, family: FamilyId, body: Body): SlotRule {
  const key = `${slot}/${family}/${slot === 'seat' ? Math.round(body.hipWidthCm) : ''}`;
  const known = knownRules.get(key);
  if (known) return known;
  const rule = slots[slot].rule(family, body);
  knownRules.set(key, rule);
  return rule;
}
