/**
 * Every number that the reckoning assumes, in one place, each with its unit, its spread and where it comes from.
 *
 * A parameter with `sd` above 0 is uncertain in itself and widens the bands. Values whose source says "starting value"
 * are meant to be replaced by a teacher's or a study's own.
 */
export interface Parameter {
  readonly value: number;
  readonly unit: 'deg' | 'cm' | 'ratio' | 'of stature' | 'deg/week' | 'days' | 'sessions' | 'seconds' | '0-10' | 'chance';
  /** One standard deviation, in the parameter's own unit. */
  readonly sd: number;
  readonly source: string;
}

const START = 'starting value';
const ANTHROPOMETRY = 'segment lengths as shares of stature, from anthropometric tables of adults';
const p = (value: number, unit: Parameter['unit'], source = START, sd = 0): Parameter => ({ value, unit, sd, source });

/** Segment lengths as shares of stature. */
export const bodyShare = {
  thigh: p(0.245, 'of stature', ANTHROPOMETRY),
  shin: p(0.246, 'of stature', ANTHROPOMETRY),
  ankleHeight: p(0.039, 'of stature', ANTHROPOMETRY),
  foot: p(0.152, 'of stature', ANTHROPOMETRY),
  trunk: p(0.288, 'of stature', `${ANTHROPOMETRY}; hip centre to shoulder centre`),
  upperArm: p(0.186, 'of stature', ANTHROPOMETRY),
  forearm: p(0.146, 'of stature', ANTHROPOMETRY),
  palm: p(0.03, 'of stature', 'wrist to the palm that bears weight; starting value'),
  hand: p(0.108, 'of stature', ANTHROPOMETRY),
  shoulderToCrown: p(0.182, 'of stature', ANTHROPOMETRY),
  hipWidth: p(0.191, 'of stature', ANTHROPOMETRY),
  hipSpacing: p(0.1, 'of stature', 'hip centres apart; starting value'),
  seatToHip: p(0.052, 'of stature', 'flesh under the hip centre; starting value'),
  ankleOverHeel: p(0.03, 'of stature', 'ankle centre over the floor with the heel resting; starting value'),
  kneeBack: p(0.035, 'of stature', 'knee centre to the back of the knee; starting value'),
  kneeFront: p(0.035, 'of stature', 'knee centre to the front of the knee; starting value'),
  footTop: p(0.03, 'of stature', 'ankle centre over the floor with the top of the foot down; starting value'),
  heelsSatOn: p(0.058, 'of stature', 'height of the heels when sat on; starting value'),
  calfRadius: p(0.034, 'of stature'),
  thighRadiusAtHip: p(0.06, 'of stature'),
  thighRadiusAtKnee: p(0.037, 'of stature'),
  trunkDepth: p(0.06, 'of stature', 'spine line to the skin of the back; starting value'),
  headDepth: p(0.04, 'of stature', 'spine line to the back of the head; starting value'),
  foreheadPastShoulder: p(0.13, 'of stature', 'along the spine line; starting value'),
} as const;

/** How much of a range a pose may use. */
export const workingShare = {
  rest: p(0.85, 'ratio'),
  steady: p(0.95, 'ratio'),
  edge: p(1, 'ratio'),
} as const;

export const kneeMargin = {
  usual: p(5, 'deg', 'knee bend kept in hand; starting value'),
  careful: p(15, 'deg', 'knee bend kept in hand with a knee caution; starting value'),
} as const;

export const cautionLimits = {
  pitch: p(80, 'deg', 'trunk in a standing fold with the head no lower than the heart; starting value'),
  incline: p(30, 'deg', 'ramp of a reclined pose that may not lie flat; starting value'),
  hipFlexion: p(90, 'deg', 'after a hip replacement'),
} as const;

/** Pelvis in sitting, against the standing pelvis. */
export const pelvisTarget = {
  tall: p(-5, 'deg', 'sitting tips the pelvis back a little even when it is well; starting value'),
  neutral: p(-10, 'deg', 'sitting tips the pelvis back a little even when it is well; starting value'),
  soft: p(-15, 'deg', 'sitting tips the pelvis back a little even when it is well; starting value'),
} as const;

/** How far the spine itself may round in a fold. */
export const spineShare = {
  longBack: p(10, 'deg'),
  soft: p(25, 'deg'),
  curledRest: p(55, 'deg'),
  careful: p(5, 'deg', 'with a low-back caution; starting value'),
} as const;

export const longSit = {
  rollBackAllowed: p(4, 'deg', 'roll-back that costs nothing; starting value'),
  seatBeforeRoll: p(8, 'cm', 'back first: one firm fold or a flat block under the seat before the knees are lifted; starting value'),
  seatMost: p(24, 'cm', 'legs first: the seat rises no further than this before the knees are lifted; starting value'),
  rollMost: p(28, 'cm', 'a bolster and a thick fold; starting value'),
} as const;

export const kneeling = {
  sitAllowance: p(15, 'deg', 'flesh, and the calf rolled aside; starting value', 5),
  padLever: p(0.07, 'of stature', 'pad behind the knee opens the joint by its thickness over this; starting value'),
  strapPad: p(0.75, 'cm', 'a strap folded thrice behind the knee; starting value'),
  towelPad: p(1.6, 'cm', 'a towel folded in four behind the knee; starting value'),
  anklePointNeeded: p(62, 'deg'),
  ankleLever: p(0.6, 'ratio', 'share of the foot in front of the ankle; starting value'),
} as const;

export const reclinedHero = {
  frontThighCoupling: p(1, 'ratio', 'knee bend gained per degree of hip flexion; starting value', 0.2),
  margin: p(5, 'deg'),
  lumbarAllowance: p(10, 'deg', 'the low back gives a little; 0 with a spine caution; starting value'),
  lowRibsAt: p(0.35, 'ratio', 'along the trunk from the hip; starting value'),
  bladesAt: p(0.8, 'ratio', 'along the trunk from the hip; starting value'),
  headAt: p(1.22, 'ratio', 'along the trunk from the hip; starting value'),
  sitOnlyFrom: p(70, 'deg', 'trunk incline past which leaning back is no longer reclining; starting value'),
  forearmsFrom: p(50, 'deg', 'trunk incline past which forearms serve better than a ramp; starting value'),
} as const;

export const standingFold = {
  spineCounts: p(0.6, 'ratio', 'share of the rounding that lowers the shoulders; starting value'),
  softKnee: p(5, 'deg', 'knees never locked; starting value'),
  bentKnee: p(20, 'deg', 'back first: knees bent this far; starting value'),
  carefulKnee: p(30, 'deg', 'with a low-back or hamstring caution; starting value'),
  highestHandProp: p(46, 'cm', 'a chair seat; above it the hands rest on the thighs; starting value'),
} as const;

export const fold = {
  highestForeheadProp: p(40, 'cm', 'above it nothing steady can stand on the legs; starting value'),
} as const;

export const reading = {
  daySwing: p(3, 'deg', 'shared by all readings of one day; starting value'),
  warmGain: p(4, 'deg', 'a warm body reads higher; starting value', 2),
  disagreement: p(2.5, 'ratio', 'times the method error before another reading is asked for; starting value'),
  pelvisShareOfLegRaise: p(0.3, 'ratio', 'share of an unwatched leg raise that is pelvis; starting value', 0.08),
} as const;

export const filter = {
  driftSd: p(0.3, 'deg/week', 'spread of change before anything is known; starting value'),
  driftDamping: p(0.97, 'ratio', 'drift kept per week; starting value'),
  levelNoise: p(0.8, 'deg/week', 'spread added to the level per root week; starting value'),
  driftNoise: p(0.08, 'deg/week', 'spread added to the drift per root week; starting value'),
  sideDifference: p(6, 'deg', 'spread between a person’s two sides, used for a side never read; starting value'),
  settledSeat: p(6, 'deg', 'error of a knee bend read back from a settled seat; starting value'),
} as const;

export const offset = {
  priorSd: p(3, 'cm', 'what the model does not know about one body; starting value'),
  readingSd: p(1.5, 'cm', 'error of a height found by trying, or chosen; starting value'),
  sessionSd: p(2.5, 'cm', 'a session that went well or did not speaks this roughly: settling 1.5 cm, and the swing of the day; starting value'),
  flagAt: p(2, 'ratio', 'prior spreads past which to measure again; starting value'),
} as const;

export const decision = {
  goodSessions: p(2, 'sessions', 'good sessions running before a step down; starting value'),
  chance: p(0.8, 'chance', 'chance that the range supports the next rung; starting value'),
  firstChance: p(0.65, 'chance', 'a first build stands as high as this chance of being enough asks: most supported first; starting value'),
  restDays: p(14, 'days', 'a pose that ended in a stop word stays out this long; starting value'),
  longestGap: p(21, 'days'),
  mostRung: p(2.5, 'cm', 'largest single step down; starting value'),
  mostHandRung: p(16, 'cm', 'hands come down by faces of blocks, and from a chair to a block: a 2.5 cm step does not exist there; starting value'),
  leastRung: p(1, 'cm', 'smaller steps cannot be felt; starting value'),
  sameHeight: p(0.6, 'cm', 'heights nearer than this count as one; starting value'),
  strongFeeling: p(7, '0-10', 'from here the support goes up; starting value'),
  easyFeeling: p(6, '0-10', 'up to here a session counts as good; starting value'),
  fullTime: p(0.9, 'ratio', 'share of the planned hold that counts as the whole; starting value'),
  mobilePercentile: p(1.645, 'ratio', 'standard deviations over the mean: the 95th percentile'),
} as const;

export const loading = {
  seat: p(1, 'ratio', 'share of the seated load; starting value'),
  kneelingSeat: p(0.5, 'ratio', 'the shins carry the rest; starting value'),
  back: p(0.35, 'ratio'),
  knee: p(0.15, 'ratio'),
  head: p(0.15, 'ratio'),
  hands: p(0.2, 'ratio'),
  bottomsOut: p(0.65, 'ratio', 'no prop loses more of its height than this; starting value'),
} as const;

export const stackCost = {
  perCmHigh: p(1, 'ratio', 'cost of standing 1 cm over the target; starting value'),
  perCmLow: p(2, 'ratio', 'cost of standing 1 cm under it; starting value'),
  perPiece: p(0.35, 'ratio'),
  perSoftLayer: p(0.12, 'ratio'),
  perWobble: p(0.8, 'ratio'),
  perPieceMoved: p(0.15, 'ratio', 'change from what already lies there; starting value'),
} as const;

export const hold = {
  settling: p(45, 'seconds', 'the body only settles; starting value'),
  breath: p(6, 'seconds', 'one easy breath; starting value'),
  longestGrowth: p(2, 'ratio', 'a hold is never more than doubled from last time'),
} as const;

/** Names and values of everything above, for the page that explains the reckoning. */
export const allParameters: Readonly<Record<string, Readonly<Record<string, Parameter>>>> = {
  bodyShare, workingShare, kneeMargin, cautionLimits, pelvisTarget, spineShare, longSit, kneeling, reclinedHero, standingFold, fold,
  reading, filter, offset, decision, loading, stackCost, hold,
};
