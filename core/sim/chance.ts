import { uniformFloat64 } from 'pure-rand/distribution/uniformFloat64';
import { xoroshiro128plus } from 'pure-rand/generator/xoroshiro128plus';
import { normalQuantile } from '../normal';

/** A source of chance with a fixed seed: the same seed always tells the same story. */
export interface Chance {
  /** Between 0 and 1. */
  readonly uniform: () => number;
  readonly normal: (mean: number, sd: number) => number;
}

/** One seed out of several numbers, well mixed: neighbouring seeds of the generator begin alike. */
export function seedOf(...parts: readonly number[]): number {
  let hash = 0x9e3779b9;
  for (const part of parts) {
    hash = Math.imul(hash ^ part, 0x85ebca6b);
    hash = Math.imul(hash ^ (hash >>> 13), 0xc2b2ae35);
    hash ^= hash >>> 16;
  }
  return hash | 0;
}

/** A source of chance from a seed: the same seed tells the same story. */
export function chanceFrom(seed: number): Chance {
  const generator = xoroshiro128plus(seed);
  const uniform = () => uniformFloat64(generator);
  return {
    uniform,
    normal: (mean, sd) =>
      mean + sd * normalQuantile(Math.min(1 - 1e-12, Math.max(1e-12, uniform()))),
  };
}
