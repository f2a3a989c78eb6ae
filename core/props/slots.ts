import type { Body } from '../body/body';
import type { Bears } from '../geometry/bears';
import { families, type FamilyId } from '../geometry/families';
import type { Family } from '../geometry/family';
import { ON_LEGS_MOST_CM } from '../geometry/foldedTrunk';
import { decision, fold, loading, reclinedHero, squat, standingFold } from '../parameters';
import type { Use } from './kinds';
import type { SlotRule } from './stack';
import type { SlotId } from '../slots';

/**
 * What a support is for; it decides margin, rounding and limit.
 *
 * - `carry`: a joint's end range decides. Stands at least where the joint keeps its margin.
 * - `tilt`: the pelvis that the approach asks for, at the most likely body. No margin; the nearest height.
 * - `fill`: meets what hangs once the carrying pieces stand. Never more than a centimetre over the gap.
 * - `reach`: the length between a hand and something. The nearest height.
 * - `space`: opens a joint by a thickness found by trying.
 */
export type Purpose = 'carry' | 'tilt' | 'fill' | 'reach' | 'space';

/** A low seat that passes between the heels: the sit bones' width, and a share of the weight. */
const BETWEEN_THE_HEELS = {
  load: loading.kneelingSeat.value,
  leastWidthCm: 15,
  levelBolster: true,
} as const;

/** What is long and soft. */
const BOLSTERS: readonly Use[] = ['long round', 'long flat'];
/** A stack of hard things that a foot or a back stands on. */
const BRICKS: readonly Use[] = ['brick flat', 'brick on edge', 'slab'];

/** A free seat is at most so many times as tall as its smaller side, a hand support so many times. */
const [FREE_SEAT, HAND_SUPPORT] = [1.5, 2];

/** What meets something that hangs. */
const SOFT_LAYERS: readonly Use[] = ['fold', 'small fold', 'roll', 'plump'];

function seatRule({ bears: { seat }, hipWidthCm }: RuleFor): Omit<SlotRule, 'rounds'> {
  if (seat === 'on a chair')
    return {
      load: loading.seat.value,
      leastWidthCm: 30,
      softTop: true,
      asks: ['fold', 'plump', 'slab'],
    };
  if (seat === 'under a squat')
    return {
      ...BETWEEN_THE_HEELS,
      mostSlender: FREE_SEAT,
      asks: [...BRICKS, 'fold', ...BOLSTERS, 'low furniture'],
    };
  if (seat === 'on the heels' || seat === 'folded on the heels')
    return {
      ...BETWEEN_THE_HEELS,
      bolsterOnBolster: true,
      asks: [
        'fold',
        ...BOLSTERS,
        'plump',
        ...(seat === 'on the heels' ? (['low furniture'] as const) : []),
      ],
    };
  const onShins = seat === 'between the heels';
  return {
    ...(onShins
      ? { ...BETWEEN_THE_HEELS, bolsterOnBolster: true }
      : {
          load: loading.seat.value,
          leastWidthCm: hipWidthCm,
          levelBolster: true,
          mostSlender: FREE_SEAT,
        }),
    softTop: true,
    asks: [
      'brick flat',
      'slab',
      'fold',
      'long flat',
      'low furniture',
      ...(onShins ? (['brick on edge', 'long round'] as const) : []),
    ],
  };
}

/** All that a slot's rule may depend on: what is remembered is known by it. */
interface RuleFor {
  readonly bears: Bears;
  readonly way: string;
  /** In whole centimetres. */
  readonly hipWidthCm: number;
}

interface SlotEntry {
  /** What a support is for here; what carries in one family tilts in another. */
  readonly purpose: Purpose | ((bears: Bears) => Purpose);
  /** What may serve here. */
  readonly rule: (on: RuleFor) => Omit<SlotRule, 'rounds'>;
  /** Nothing stands higher than this here, in cm, where a pose's own table does not say. */
  readonly mostCm?: number;
  /**
   * So far off what is asked, in cm, hardly anybody feels it here, or a muscle takes it up; nothing where it carries.
   */
  readonly unfeltCm?: number;
  /** Gaps lower than this, in cm, are left as they are; 1 where nothing is said. */
  readonly leastCm?: number;
  /** Other slots of a pose follow its height. */
  readonly stoodOn?: true;
  /** Fitted to a body's lengths, or to its comfort: no range that grows takes it away. */
  readonly fitted?: (bears: Bears) => boolean;
}

/** The way in which one hand alone comes down. */
const ONE_ARM = 'one-arm';

/** What hangs is met by something soft first, and comes down by things that one knows apart. */
const SOFT: Pick<SlotRule, 'softFirst' | 'mostStepCm'> = {
  softFirst: true,
  mostStepCm: decision.mostSoftRung.value,
};

/** Head and neck are met alike. */
const HEAD: Omit<SlotRule, 'rounds'> = {
  ...SOFT,
  load: loading.head.value,
  leastWidthCm: 15,
  asks: [
    ...BRICKS,
    'brick on end',
    'fold',
    'small fold',
    'plump',
    ...BOLSTERS,
    'low furniture',
    'high furniture',
  ],
};

/** The way in which a back lies on blocks rather than on a ramp. */
const ALONG_SPINE = 'blocks';
/** A low pile under the shoulder blades: no higher than it is wide. */
const SPINE_BLOCKS: Omit<SlotRule, 'rounds'> = {
  load: loading.back.value,
  leastWidthCm: 7,
  mostSlender: 1,
  asks: BRICKS,
};

/** Every slot: what serves there, how high and how low it may stand, and whether others stand on it. */
const slots: Readonly<Record<SlotId, SlotEntry>> = {
  seat: {
    purpose: ({ seat }) => (seat === undefined || seat === 'on a chair' ? 'tilt' : 'carry'),
    unfeltCm: 0.5,
    stoodOn: true,
    fitted: ({ seat }) => seat === 'on a chair',
    rule: seatRule,
  },
  underKnees: {
    purpose: ({ underKnees }) => (underKnees?.tilts ? 'tilt' : 'fill'),
    unfeltCm: 2,
    stoodOn: true,
    fitted: ({ underKnees }) => underKnees?.fitted === true,
    rule: ({ bears: { underKnees } }) => ({
      ...SOFT,
      load: loading.knee.value,
      leastWidthCm: underKnees?.as === 'one under both' ? 35 : 12,
      ...(underKnees?.as === 'each its own' ? { pair: true } : {}),
      asks: [...SOFT_LAYERS, ...(underKnees?.as === 'each its own' ? [] : BOLSTERS), 'brick flat'],
    }),
  },
  behindKnee: {
    purpose: 'space',
    leastCm: 0.5,
    rule: ({ bears: { behindKnee } }) => ({
      load: loading.knee.value,
      leastWidthCm: 0,
      asks: ['sliver', ...(behindKnee === 'thick' ? (['joint roll', 'brick flat'] as const) : [])],
    }),
  },
  underThigh: {
    purpose: 'fill',
    unfeltCm: 2,
    // A thigh that hangs lies on something soft; under stacked shins bricks are laid, and lowered over the weeks.
    rule: ({ bears: { underThigh } }) => ({
      ...(underThigh === 'bricks' ? {} : { ...SOFT, softTop: true }),
      load: loading.knee.value,
      leastWidthCm: 12,
      asks: [...SOFT_LAYERS, ...BRICKS],
    }),
  },
  outerHip: {
    purpose: 'fill',
    unfeltCm: 2,
    rule: () => ({
      ...SOFT,
      load: loading.knee.value,
      leastWidthCm: 12,
      asks: SOFT_LAYERS,
    }),
  },
  hipLevel: {
    purpose: ({ hipLevel }) => (hipLevel === 'fills' ? 'fill' : 'carry'),
    stoodOn: true,
    rule: () => ({
      load: loading.kneelingSeat.value,
      leastWidthCm: 15,
      softTop: true,
      asks: ['brick flat', 'slab', 'slope', 'fold', 'plump', 'long flat'],
    }),
  },
  underShin: {
    purpose: 'space',
    stoodOn: true,
    rule: () => ({
      load: loading.knee.value,
      leastWidthCm: 35,
      asks: ['fold', 'small fold', 'sheet'],
    }),
  },
  ankle: {
    purpose: 'fill',
    rule: () => ({
      load: loading.knee.value,
      leastWidthCm: 0,
      asks: ['under an ankle'],
    }),
  },
  heels: {
    purpose: ({ heels }) => (heels?.fills ? 'fill' : 'carry'),
    stoodOn: true,
    mostCm: squat.highestHeel.value,
    rule: ({ bears: { heels } }) => ({
      load: loading.hands.value,
      leastWidthCm: heels?.as === 'one under both' ? 35 : 15,
      asks: ['brick flat', 'slab', 'slope', 'sheet', 'fold'],
    }),
  },
  feet: {
    purpose: 'fill',
    stoodOn: true,
    fitted: ({ feet }) => feet === 'fitted',
    rule: () => ({
      load: loading.hands.value,
      leastWidthCm: 0,
      pair: true,
      asks: [...BRICKS, 'low furniture'],
    }),
  },
  hands: {
    purpose: 'reach',
    unfeltCm: 2,
    mostCm: standingFold.highestHandProp.value,
    rule: ({ bears, way }) => ({
      load: loading.hands.value,
      leastWidthCm: 0,
      pair: bears.hands !== 'one' && way !== ONE_ARM,
      mostSlender: HAND_SUPPORT,
      // Nobody leans on a tower.
      mostLayers: 2,
      mostStepCm: decision.mostHandRung.value,
      asks: [...BRICKS, 'brick on end', 'low furniture', 'high furniture'],
    }),
  },
  forehead: {
    purpose: 'fill',
    unfeltCm: 2,
    mostCm: fold.highestForeheadProp.value,
    rule: ({ bears: { forehead } }) =>
      forehead === 'over the legs'
        ? {
            ...HEAD,
            levelBolster: true,
            steadyFromCm: fold.pileOnLegs.value,
            onLegs: true,
            onLegsMostCm: ON_LEGS_MOST_CM,
          }
        : forehead === 'over the shins'
          ? { ...HEAD, levelBolster: true, steadyFromCm: fold.towerMost.value }
          : HEAD,
  },
  chest: {
    purpose: 'fill',
    unfeltCm: 2,
    mostCm: fold.highestChestProp.value,
    rule: () => ({
      ...SOFT,
      load: loading.back.value,
      leastWidthCm: 20,
      asks: [...BOLSTERS, 'fold', 'plump'],
    }),
  },
  back: {
    purpose: ({ back }) => (back === 'fills' ? 'fill' : 'carry'),
    unfeltCm: 2,
    stoodOn: true,
    rule: ({ way }) =>
      way === ALONG_SPINE
        ? SPINE_BLOCKS
        : {
            load: loading.back.value,
            leastWidthCm: 20,
            rampLever: reclinedHero.rampLever.value,
            bolsterOnBolster: true,
            asks: [...BOLSTERS, 'fold', 'plump', ...BRICKS],
          },
  },
  neck: {
    purpose: 'fill',
    unfeltCm: 1,
    fitted: () => true,
    // Only a back that lies on blocks has a head that lies on one.
    rule: ({ way }) =>
      way === ALONG_SPINE
        ? HEAD
        : {
            ...HEAD,
            asks: ['fold', 'small fold', 'plump', 'long flat'],
          },
  },
  shoulder: {
    purpose: 'fill',
    unfeltCm: 2,
    rule: () => ({
      load: loading.head.value,
      leastWidthCm: 15,
      asks: ['fold', 'small fold', 'plump'],
    }),
  },
  strap: {
    purpose: 'reach',
    rule: () => ({ load: 0, leastWidthCm: 0, asks: ['length'] }),
  },
};

/** How a family bears on its supports. */
const bearsOf = (family: FamilyId): Bears => (families[family] as Family).bears ?? {};

/** The most that stands in a slot of any pose, in cm. */
export const slotMostCm = (slot: SlotId) => slots[slot].mostCm ?? Infinity;
/** Whether a gap is too low to be filled: what only fills leaves under two centimetres as they are. */
export const tooLowToFill = (slot: SlotId, cm: number, purpose: Purpose) =>
  cm < (slots[slot].leastCm ?? (purpose === 'fill' ? LEAST_FILL_CM : 1));
const LEAST_FILL_CM = 2;
/** Whether other slots of a pose follow this one's height. */
export const isStoodOn = (slot: SlotId) => slots[slot].stoodOn === true;

/** Whether a slot of a family is fitted to the body, and not to a range that grows. */
export const isFitted = (slot: SlotId, family: FamilyId) =>
  slots[slot].fitted?.(bearsOf(family)) === true;

/** What a slot's support is for in a family. */
export function purposeOf(slot: SlotId, family: FamilyId): Purpose {
  const { purpose } = slots[slot];
  return typeof purpose === 'function' ? purpose(bearsOf(family)) : purpose;
}

/** As many as there are slots, families, ways and widths of hips: some hundreds. */
const knownRules = new Map<string, SlotRule>();

/** What may serve in a slot, for a body, a family and a way. The same question always gets the same object. */
export function slotRule(slot: SlotId, family: FamilyId, body: Body, way = ''): SlotRule {
  const on: RuleFor = { bears: bearsOf(family), way, hipWidthCm: Math.round(body.hipWidthCm) };
  const key = `${slot}/${family}/${way}/${on.hipWidthCm}`;
  const known = knownRules.get(key);
  if (known) return known;
  const purpose = purposeOf(slot, family);
  const rule: SlotRule = {
    ...slots[slot].rule(on),
    ...(purpose === 'carry' || purpose === 'space'
      ? { rounds: 'up' }
      : { rounds: 'nearest', unfeltCm: slots[slot].unfeltCm ?? 0 }),
  };
  knownRules.set(key, rule);
  return rule;
}
