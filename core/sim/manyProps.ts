import { kinds, propKinds } from '../props/kinds';
import type { Shelf } from '../props/shelf';
import { chanceFrom } from './chance';

/**
 * A shelf of so many different props, each a little other than the usual of its kind: for trying how the search grows.
 */
export function manyProps(count: number, seed: number): Shelf {
  const { uniform } = chanceFrom(seed);
  return Array.from({ length: count }, (_, i) => {
    const kind = propKinds[i % propKinds.length] ?? 'block';
    const { name, softness, lies } = kinds[kind];
    const size = 0.6 + 0.8 * uniform();
    return {
      id: `prop-${i}`,
      kind,
      name: `${name} ${i}`,
      count: 1 + Math.floor(6 * uniform()),
      softness,
      states: lies.map(({ id, heightCm }) => ({
        id,
        heightCm: Math.round(heightCm * size * 10) / 10,
      })),
    };
  });
}
