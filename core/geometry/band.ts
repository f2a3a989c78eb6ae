import {
  uncertainParameters,
  type Belief,
  type InputValues,
  type InputKey,
  type UncertainParameter,
} from './inputs';
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
export function meansOf(belief: Belief): InputValues {
  return Object.fromEntries(Object.entries(belief).map(([key, { mean }]) => [key, mean]));
}

/**
 * Carries what is uncertain through a family: each input in turn is moved to its own 10th and 90th percentile, and the
 * moves of a height are summed as squares, upward and downward apart. Exact where a height is linear in its inputs, it
 * keeps the lopsidedness where it is not, always contains the target, and says which input matters. 2n + 1 solutions.
 */
export function bandsOf(
  family: Family,
  input: Omit<FamilyInput, 'values'> & Partial<Pick<FamilyInput, 'values'>>,
  belief: Belief,
): Band[] {
  const means = input.values ?? meansOf(belief);
  const centre = family.heights({ ...input, values: means });
  const parts = centre.map((): BandPart[] => []);
  // One set of values that is moved and put back: a copy for every move would cost more than the geometry.
  const moved: Partial<Record<InputKey, number>> = { ...means };
  const there: FamilyInput = { ...input, values: moved };
  const at = (key: InputKey, value: number) => {
    moved[key] = value;
    return family.heights(there);
  };
  for (const key of family.needs(input.side)) {
    const prior = believed(belief, key);
    if (!prior || prior.sd === 0) continue;
    const [low, high] = [
      at(key, prior.mean - Z90 * prior.sd),
      at(key, prior.mean + Z90 * prior.sd),
    ];
    if (means[key] === undefined) delete moved[key];
    else moved[key] = means[key];
    centre.forEach(({ rawCm }, i) => {
      const [one, other] = [
        (low[i] as SlotNeed).rawCm - rawCm,
        (high[i] as SlotNeed).rawCm - rawCm,
      ];
      const [downCm, upCm] = [-Math.min(0, one, other), Math.max(0, one, other)];
      if (downCm + upCm > 0) (parts[i] as BandPart[]).push({ key, downCm, upCm });
    });
  }
  return centre.map((need, i) => bandFrom(need, parts[i] as BandPart[]));
}

/** A height's band from what each input adds to it: the moves are summed as squares. */
function bandFrom(need: SlotNeed, parts: BandPart[]): Band {
  let [down, up] = [0, 0];
  for (const { downCm, upCm } of parts) {
    down += downCm * downCm;
    up += upCm * upCm;
  }
  return {
    need,
    lowCm: need.rawCm - Math.sqrt(down),
    highCm: need.rawCm + Math.sqrt(up),
    parts: parts.sort((a, b) => b.downCm + b.upCm - a.downCm - a.upCm),
  };
}

/** Width of a band above the floor, in centimetres. */
const widthFrom = (lowCm: number, highCm: number) => Math.max(0, highCm) - Math.max(0, lowCm);

/** By how much a band would narrow if one input's spread shrank to a share of itself. */
export function narrowingOf(
  { need: { rawCm, isLength }, lowCm, highCm, parts }: Band,
  key: InputKey,
  shrink: number,
): number {
  const part = isLength ? undefined : parts.find((one) => one.key === key);
  if (!part) return 0;
  const left = (reach: number, move: number) =>
    Math.sqrt(Math.max(0, reach * reach - (1 - shrink * shrink) * move * move));
  return (
    widthFrom(lowCm, highCm) -
    widthFrom(rawCm - left(rawCm - lowCm, part.downCm), rawCm + left(highCm - rawCm, part.upCm))
  );
}
