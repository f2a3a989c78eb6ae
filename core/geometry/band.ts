import { uncertainParameters, type Belief, type Draw, type InputKey, type UncertainParameter } from './draw';
import type { Family, FamilyInput, SlotNeed } from './family';

/** A height with its doubt. Nine in ten lie over `lowCm`, nine in ten under `highCm`; both may be below the floor. */
export interface Band {
  readonly need: SlotNeed;
  readonly lowCm: number;
  readonly highCm: number;
  /** What each input adds to the doubt, widest first. */
  readonly parts: readonly BandPart[];
}

/** How far a height moves, down and up, as one input goes from its 10th to its 90th percentile. */
export interface BandPart {
  readonly key: InputKey;
  readonly downCm: number;
  readonly upCm: number;
}

/** Standard normal deviate of the 90th percentile. */
export const Z90 = 1.2816;

const believed = (belief: Belief, key: InputKey) => {
  const parameter = uncertainParameters[key as UncertainParameter];
  return belief[key] ?? (parameter && { mean: parameter.value, sd: parameter.sd });
};

/** The most likely value of every input. */
export function meansOf(belief: Belief): Draw {
  return Object.fromEntries(Object.entries(belief).map(([key, { mean }]) => [key, mean]));
}

/**
 * Carries what is uncertain through a family: each input in turn is moved to its own 10th and 90th percentile, and the
 * moves of a height are summed as squares, upward and downward apart. Exact where a height is linear in its inputs, it
 * keeps the lopsidedness where it is not, always contains the target, and says which input matters. 2n + 1 solutions.
 */
export function bandsOf(family: Family, input: Omit<FamilyInput, 'draw'>, belief: Belief): Band[] {
  const means = meansOf(belief);
  const centre = family.heights({ ...input, draw: means });
  const parts = centre.map((): BandPart[] => []);
  for (const key of family.needs(input.side)) {
    const prior = believed(belief, key);
    if (!prior || prior.sd === 0) continue;
    const moves = [-Z90, Z90].map((z) => family.heights({ ...input, draw: { ...means, [key]: prior.mean + z * prior.sd } }));
    centre.forEach(({ rawCm }, i) => {
      const changes = moves.map((needs) => (needs[i] as SlotNeed).rawCm - rawCm);
      const [downCm, upCm] = [-Math.min(0, ...changes), Math.max(0, ...changes)];
      if (downCm + upCm > 0) (parts[i] as BandPart[]).push({ key, downCm, upCm });
    });
  }
  return centre.map((need, i) => bandFrom(need, parts[i] as BandPart[]));
}

/** A height's band from what each input adds to it: the moves are summed as squares. */
export function bandFrom(need: SlotNeed, parts: readonly BandPart[]): Band {
  return {
    need,
    lowCm: need.rawCm - Math.hypot(...parts.map(({ downCm }) => downCm)),
    highCm: need.rawCm + Math.hypot(...parts.map(({ upCm }) => upCm)),
    parts: [...parts].sort((a, b) => b.downCm + b.upCm - a.downCm - a.upCm),
  };
}

/** Sum of the widths of a family's bands, above the floor only, in centimetres. */
export function widthOf(bands: readonly Band[]): number {
  return bands.reduce((sum, { need, lowCm, highCm }) => sum + (need.isLength ? 0 : Math.max(0, highCm) - Math.max(0, lowCm)), 0);
}
