/** What something can serve as where it lies. A slot asks for some of these, and names no kind of prop. */
export const uses = [
  // Hard, to build on.
  'brick flat',
  'brick on edge',
  'brick on end',
  'slab',
  'slope',
  'low furniture',
  'high furniture',
  // Soft, to lie or sit on.
  'fold',
  'small fold',
  'roll',
  'plump',
  'long round',
  'long flat',
  // Thin, or put between.
  'sheet',
  'sliver',
  'joint roll',
  'under an ankle',
  'length',
] as const;
export type Use = (typeof uses)[number];

/** What a thing is made like, for what may lie on it and on what it may lie. */
export type Make =
  /** A back can lie along it. */
  | 'long'
  | 'bolster'
  /** A flat one of its like may lie on it, where the body holds both. */
  | 'flat bolster'
  /** Only a cloth lies on it. */
  | 'round'
  | 'cloth'
  /** Stands on the floor, wide and steady, one for both sides. */
  | 'furniture'
  /** Nothing hard lies on it. */
  | 'soft on top alone'
  /** Somebody can sit on it at a table. */
  | 'chair'
  /** Gives as one sits on it, and not always alike. */
  | 'wobbles';

/** How it is drawn from the side. */
export type Look = 'cork' | 'pale cork' | 'wool' | 'sheet' | 'round' | 'padded' | 'chair';

/** One way in which a kind of prop can lie. */
export interface Lie {
  readonly id: string;
  readonly name: string;
  /** Usual height of one, not loaded. */
  readonly heightCm: number;
  readonly uses: readonly Use[];
  /** On a small face, or rolled: on the floor alone, and little or nothing lies on it. */
  readonly on?: 'edge' | 'end' | 'roll';
}

interface KindEntry {
  readonly name: string;
  /** Share of its height lost under a seated adult, 0 for wood. */
  readonly softness: number;
  /** Width across the body and depth along it of one, as it usually lies. */
  readonly widthCm: number;
  readonly depthCm: number;
  readonly is: readonly Make[];
  readonly look: Look;
  /** The ways to lie, the usual one first. One that has no use serves nowhere: thicker folds tip. */
  readonly lies: readonly [Lie, ...Lie[]];
}

const lie = (
  id: string,
  name: string,
  heightCm: number,
  uses: readonly Use[],
  on?: Lie['on'],
): Lie => ({ id, name, heightCm, uses, ...(on ? { on } : {}) });

/** Every kind of prop, each with all that is known of it; the teacher's own measures replace the heights. */
const entries = {
  block: {
    name: 'Block',
    softness: 0,
    widthCm: 23,
    depthCm: 15,
    is: [],
    look: 'cork',
    lies: [
      lie('flat', 'flat', 7.5, ['brick flat']),
      lie('edge', 'on edge', 15, ['brick on edge'], 'edge'),
      lie('end', 'on end', 23, ['brick on end'], 'end'),
    ],
  },
  'half-block': {
    name: 'Half block',
    softness: 0,
    widthCm: 30,
    depthCm: 20,
    is: [],
    look: 'pale cork',
    lies: [lie('flat', 'flat', 2.5, ['slab'])],
  },
  wedge: {
    name: 'Wedge',
    softness: 0,
    widthCm: 40,
    depthCm: 15,
    is: [],
    look: 'cork',
    lies: [lie('thick-back', 'thick side back', 4, ['slope'])],
  },
  blanket: {
    name: 'Blanket',
    softness: 0.25,
    widthCm: 60,
    depthCm: 34,
    is: ['long', 'cloth'],
    look: 'wool',
    lies: [
      lie('fold-2', 'folded once', 1, ['fold', 'sliver', 'under an ankle']),
      lie('fold-4', 'folded twice', 2, ['fold', 'sliver', 'under an ankle']),
      lie('fold-8', 'folded three times', 4, ['fold', 'under an ankle']),
      lie('fold-16', 'folded four times', 8, ['fold']),
      lie('fold-32', 'folded five times', 16, []),
      lie('roll-half', 'rolled, half width', 8, ['roll', 'under an ankle'], 'roll'),
      lie('roll-tight', 'rolled tight', 12, ['roll', 'joint roll'], 'roll'),
      lie('roll-loose', 'rolled loose', 16, ['roll'], 'roll'),
    ],
  },
  towel: {
    name: 'Towel',
    softness: 0.25,
    widthCm: 40,
    depthCm: 24,
    is: ['cloth'],
    look: 'sheet',
    lies: [
      lie('fold-2', 'folded once', 0.8, ['small fold', 'sliver', 'under an ankle']),
      lie('fold-4', 'folded twice', 1.6, ['small fold', 'sliver', 'under an ankle']),
      lie('fold-8', 'folded three times', 3.2, ['small fold', 'sliver', 'under an ankle']),
      lie('roll', 'rolled', 7, ['roll', 'joint roll', 'under an ankle'], 'roll'),
    ],
  },
  'bolster-round': {
    name: 'Round bolster',
    softness: 0.23,
    widthCm: 65,
    depthCm: 23,
    is: ['long', 'bolster', 'round'],
    look: 'round',
    lies: [lie('flat', 'lying', 22, ['long round'])],
  },
  'bolster-flat': {
    name: 'Flat bolster',
    softness: 0.2,
    widthCm: 65,
    depthCm: 30,
    is: ['long', 'bolster', 'flat bolster'],
    look: 'padded',
    lies: [lie('flat', 'lying', 15, ['long flat'])],
  },
  cushion: {
    name: 'Cushion',
    softness: 0.6,
    widthCm: 40,
    depthCm: 36,
    is: ['long', 'wobbles'],
    look: 'padded',
    lies: [lie('flat', 'flat', 15, ['plump'])],
  },
  strap: {
    name: 'Strap',
    softness: 0,
    widthCm: 4,
    depthCm: 6,
    is: [],
    look: 'cork',
    lies: [
      lie('fold-3', 'folded in three', 0.75, ['sliver']),
      lie('length', 'long', 0, ['length']),
    ],
  },
  mat: {
    name: 'Mat',
    softness: 0,
    widthCm: 60,
    depthCm: 40,
    is: [],
    look: 'sheet',
    lies: [
      lie('single', 'one layer', 0.5, ['sheet']),
      lie('fold-4', 'folded twice', 2, ['sheet', 'under an ankle']),
      lie('roll', 'rolled', 12, ['joint roll'], 'roll'),
    ],
  },
  chair: {
    name: 'Chair',
    softness: 0,
    widthCm: 40,
    depthCm: 40,
    is: ['furniture', 'soft on top alone', 'chair'],
    look: 'chair',
    lies: [lie('seat', 'its seat', 45, ['high furniture'])],
  },
  bench: {
    name: 'Bench or stool',
    softness: 0,
    widthCm: 40,
    depthCm: 26,
    is: ['furniture'],
    look: 'cork',
    lies: [lie('top', 'its top', 20, ['low furniture'])],
  },
  books: {
    name: 'Books',
    softness: 0,
    widthCm: 24,
    depthCm: 17,
    is: [],
    look: 'pale cork',
    lies: [
      lie('one', 'one', 3, ['slab']),
      lie('two', 'two', 6, ['slab']),
      lie('three', 'three', 9, ['slab']),
    ],
  },
} as const satisfies Readonly<Record<string, KindEntry>>;
export type PropKind = keyof typeof entries;

export const propKinds = Object.keys(entries) as [PropKind, ...PropKind[]];
export const kinds: Readonly<Record<PropKind, KindEntry>> = entries;

/** A way to lie that only a later version knows: it serves nowhere. */
const unknown = (id: string): Lie => lie(id, id, 0, []);
/** What is known of a kind in one way to lie. */
export const lieOf = (kind: PropKind, state: string): Lie =>
  kinds[kind].lies.find(({ id }) => id === state) ?? unknown(state);

export const isMade = (kind: PropKind, make: Make) => kinds[kind].is.includes(make);
