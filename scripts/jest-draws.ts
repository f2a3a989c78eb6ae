import fc from 'fast-check';

// DRAWS=10000 SEED=1 npx jest …: properties drawn more often, or anew from a seed.
const DRAWS = process.env.DRAWS;
const SEED = process.env.SEED;
fc.configureGlobal({
  ...(DRAWS ? { numRuns: Number(DRAWS) } : {}),
  ...(SEED ? { seed: Number(SEED) } : {}),
});
