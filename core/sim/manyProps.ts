import { kinds, propKinds, type Shelf } from '../props/shelf';
import { chanceFrom } from './chance';

/** A shelf of so many different props, each a little other than the usual of its kind: for trying how the search grows. */
export function manyProps(count: number, seed: number): Shelf {
  const { uniform } = chanceFrom(seed);
  return Array.from({ length: count }, (_, i) => {
    const kind = kinds[propKinds[i % propKinds.length] ?? 'block'];
    const size = 0.6 + 0.8 * uniform();
    return {
      id: `prop-${i}`,
      kind: kind.id,
      name: `${kind.name} ${i}`,
      count: 1 + Math.floor(6 * uniform()),
      softness: kind.softness,
      states: kind.states.map(({ id, heightCm }) => ({
        id,
        heightCm: Math.round(heightCm * size * 10) / 10,
      })),
    };
  });
}
