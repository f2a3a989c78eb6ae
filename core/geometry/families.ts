import { chairFour, chairHinge, chairLunge, chairSeat, chairTilts, chairWide } from './chair/chair';
import { childPose, frog } from './kneeling/child';
import { downDog, plank, strapOverhead, tableUp } from './standing/counterposes';
import { crossedSeat } from './sitting/crossedSeat';
import type { Family } from './family';
import { kneelingOnHeels, kneelingSeat } from './kneeling/kneelingSeat';
import { longSit, straddleSit } from './sitting/longSit';
import { horse, lizard, lowLunge } from './standing/lunge';
import { catsTail, constructive, crossedTwist, figureFour, happyBaby, rest } from './lying/lying';
import { oneLegFold, seatedTwist } from './folding/oneLeg';
import { crossLegged } from '../parameters';
import { kingPigeon, pigeonPose } from './kneeling/pigeon';
import { reclinedHero, reclinedHeroOne } from './lying/reclinedHero';
import { reclinedOpen } from './lying/reclinedOpen';
import { seatedFold, straddleFold } from './folding/seatedFold';
import { sideSquat, squat, squatOneSide } from './standing/squat';
import { hangingFold, standingFold, wideFold } from './folding/standingFold';
import { heron, legRaise, sundial } from './lying/strapped';

const foot = crossLegged.footHeight.value;
const open = { kneeDeg: crossLegged.solesNearKnee.value, footShare: foot, pastShare: 0 };
const crossed = {
  kneeDeg: crossLegged.crossedKnee.value,
  footShare: foot,
  pastShare: crossLegged.crossedFootPast.value,
};
const stacked = {
  kneeDeg: crossLegged.stackedKnee.value,
  footShare: crossLegged.footHeight.value,
  pastShare: crossLegged.stackedFootPast.value,
  stacked: true,
  behind: crossed,
};

/** Every family, by the name that poses use. */
export const families = {
  'long sit': longSit,
  straddle: straddleSit,
  'seated twist': seatedTwist,
  fold: seatedFold,
  'one-leg fold': oneLegFold,
  'straddle fold': straddleFold,
  crossed: crossedSeat('crossed', crossed),
  'half lotus': crossedSeat('half lotus', {
    kneeDeg: crossLegged.lotusKnee.value,
    footShare: crossLegged.lotusFootHeight.value,
    pastShare: crossLegged.crossedFootPast.value,
    under: crossed,
  }),
  stacked: crossedSeat('stacked', stacked),
  'stacked fold': crossedSeat('stacked fold', { ...stacked, folds: true }),
  open: crossedSeat('open', open),
  'open fold': crossedSeat('open fold', { ...open, folds: true }),
  kneeling: kneelingSeat,
  'kneeling on heels': kneelingOnHeels,
  child: childPose,
  frog,
  lunge: lowLunge,
  lizard,
  horse,
  'reclined hero': reclinedHero,
  'reclined hero, one leg': reclinedHeroOne,
  'reclined open': reclinedOpen,
  'side-lying thigh stretch': catsTail,
  'reclined twist': crossedTwist,
  'figure four': figureFour,
  'leg raise': legRaise,
  heron,
  sundial,
  'happy baby': happyBaby,
  'lying, knees bent': constructive,
  'lying at rest': rest,
  'standing fold': standingFold,
  'hanging fold': hangingFold,
  'wide fold': wideFold,
  pigeon: pigeonPose,
  'king pigeon': kingPigeon,
  squat,
  'squat, one side': squatOneSide,
  'side squat': sideSquat,
  'chair seat': chairSeat,
  'chair tilts': chairTilts,
  'chair, legs wide': chairWide,
  'chair lunge': chairLunge,
  'chair figure four': chairFour,
  'chair hinge': chairHinge,
  'reverse table': tableUp,
  plank,
  'strap overhead': strapOverhead,
  'downward dog': downDog,
} as const satisfies Record<string, Family>;
export type FamilyId = keyof typeof families;
