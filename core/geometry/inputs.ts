import { kneeling, ladderStart, pigeon, reclinedHero, type Parameter } from '../parameters';
import { keyOf, sides, type Prior, type RangeId, type RangeKey, type Side } from '../ranges/ranges';

/** Parameters that are uncertain in themselves and so widen a band. */
export const uncertainParameters = {
  'kneeling.sitAllowance': kneeling.sitAllowance,
  'reclinedHero.frontThighCoupling': reclinedHero.frontThighCoupling,
  'pigeon.rotationSpared': pigeon.rotationSpared,
  'ladderStart.crossedKnee': ladderStart.crossedKnee,
  'ladderStart.lyingShoulder': ladderStart.lyingShoulder,
  'ladderStart.lyingFoot': ladderStart.lyingFoot,
} as const satisfies Record<string, Parameter>;
export type UncertainParameter = keyof typeof uncertainParameters;

export type InputKey = RangeKey | UncertainParameter;

/** One value for every input: the means, or one sigma point about them. */
export type InputValues = Readonly<Partial<Record<InputKey, number>>>;
/** What is believed of every input. */
export type Belief = Readonly<Partial<Record<InputKey, Prior>>>;

/** The value of an input; throws when a family asks for one that nobody gave. */
export function valueOf(values: InputValues, key: InputKey): number {
  const value = values[key];
  if (value !== undefined) return value;
  if (key in uncertainParameters) return uncertainParameters[key as UncertainParameter].value;
  throw new Error(`no value for ${key}`);
}

/**
 * The value of a range on a side, in its own unit.
 *
 * @throws where nobody gave one.
 */
export const rangeValue = (values: InputValues, id: RangeId, side: Side): number =>
  valueOf(values, keyOf(id, side));

/** The least of a range over some legs. */
export const leastOf = (values: InputValues, id: RangeId, legs: readonly Side[]): number =>
  legs.reduce((least, side) => Math.min(least, rangeValue(values, id, side)), Infinity);

/** The leg with the smaller range, of some legs. */
export const stifferSide = (
  values: InputValues,
  id: RangeId,
  legs: readonly Side[] = sides,
): Side => legs.reduce((a, b) => (rangeValue(values, id, b) < rangeValue(values, id, a) ? b : a));
