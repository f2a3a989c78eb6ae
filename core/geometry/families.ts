import type { Family } from './family';
import { kneelingSeat } from './kneelingSeat';
import { longSit } from './longSit';
import { reclinedHero } from './reclinedHero';
import { seatedFold } from './seatedFold';
import { standingFold } from './standingFold';

/** Every family, by the name that poses use. */
export const families = {
  'long sit': longSit,
  fold: seatedFold,
  kneeling: kneelingSeat,
  'reclined hero': reclinedHero,
  'standing fold': standingFold,
} as const satisfies Record<string, Family>;
export type FamilyId = keyof typeof families;
