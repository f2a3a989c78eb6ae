/**
 * Every number that the reckoning assumes, in one place, each with its unit, its spread and where it comes from.
 *
 * A parameter with `sd` above 0 is uncertain in itself and widens the bands. Values whose source says "starting value"
 * are meant to be replaced by a teacher's or a study's own.
 */
export interface Parameter {
  readonly value: number;
  readonly unit:
    | 'deg'
    | 'cm'
    | 'ratio'
    | 'of stature'
    | 'deg/week'
    | 'years'
    | 'deg/cm'
    | 'days'
    | 'sessions'
    | 'breaths'
    | 'pieces'
    | 'ranges'
    | 'rungs'
    | '0-10/cm'
    | 'seconds'
    | 'looks'
    | 'ms'
    | '0-10'
    | 'chance';
  /** One standard deviation, in the parameter's own unit. */
  readonly sd: number;
  readonly source: string;
}

const START = 'starting value';
const ANTHROPOMETRY = 'segment lengths as shares of stature, from anthropometric tables of adults';
const p = (value: number, unit: Parameter['unit'], source = START, sd = 0): Parameter => ({
  value,
  unit,
  sd,
  source,
});

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
  ankleOverHeel: p(
    0.03,
    'of stature',
    'ankle centre over the floor with the heel resting; starting value',
  ),
  kneeBack: p(0.035, 'of stature', 'knee centre to the back of the knee; starting value'),
  kneeFront: p(0.035, 'of stature', 'knee centre to the front of the knee; starting value'),
  footTop: p(
    0.03,
    'of stature',
    'ankle centre over the floor with the top of the foot down; starting value',
  ),
  heelsSatOn: p(0.067, 'of stature', 'height of the heels when sat on; starting value'),
  calfRadius: p(0.034, 'of stature'),
  thighRadiusAtHip: p(0.06, 'of stature'),
  thighRadiusAtKnee: p(0.037, 'of stature'),
  trunkDepth: p(0.06, 'of stature', 'spine line to the skin of the back; starting value'),
  headDepth: p(0.04, 'of stature', 'spine line to the back of the head; starting value'),
  foreheadPastShoulder: p(0.13, 'of stature', 'along the spine line; starting value'),
} as const;

/** How much of a range a pose may use. */
export const workingShare = {
  midRange: p(0.85, 'ratio', 'very mobile joints stay away from their ends; starting value'),
  rest: p(
    0.95,
    'ratio',
    'long and quiet: a little short of the end, which slower tissue still reaches; was 0.85, which built a third higher than a room does',
  ),
  steady: p(
    1,
    'ratio',
    'a range is read where it first resists, and a pose may use it to there; was 0.95 on top of a margin',
  ),
  edge: p(1, 'ratio'),
} as const;

export const kneeMargin = {
  usual: p(5, 'deg', 'knee bend to spare; starting value'),
  careful: p(15, 'deg', 'knee bend to spare with a knee caution; starting value'),
  kneecap: p(20, 'deg', 'knee bend to spare where the kneecap hurts; starting value'),
} as const;

export const cautionLimits = {
  pitch: p(
    80,
    'deg',
    'trunk in a standing fold with the head no lower than the heart; starting value',
  ),
  incline: p(30, 'deg', 'ramp of a reclined pose that may not lie flat; starting value'),
  hipFlexion: p(90, 'deg', 'after a hip replacement'),
  shortHold: p(60, 'seconds', 'no long hold at end range; starting value'),
  briefHold: p(30, 'seconds', 'a head lower than the heart, if at all; starting value'),
} as const;

const SITS_BACK =
  'from standing to sitting well a pelvis tips back 20 to 25° on X-rays: at 10° a room of ordinary adults would sit twice as high as it does';
/** Pelvis in sitting, against the standing pelvis. */
export const pelvisTarget = {
  tall: p(-15, 'deg', SITS_BACK),
  neutral: p(-20, 'deg', SITS_BACK),
  soft: p(-25, 'deg', SITS_BACK),
} as const;

/** How far the spine itself may round in a fold. */
export const spineShare = {
  longBack: p(
    20,
    'deg',
    'even a back that is kept long rounds by so much; at 10 no head of the room came to rest',
  ),
  soft: p(
    48,
    'deg',
    'a spine that may round in a fold does so by what most spines have; was 25, at which no ordinary adult folded',
  ),
  curledRest: p(55, 'deg', 'for a spine that rounds as most do; starting value'),
  careful: p(5, 'deg', 'with a low-back caution; starting value'),
} as const;

export const longSit = {
  seatStraight: p(11, 'cm', 'legs first: so high before the knees are lifted; starting value'),
  rollBackAllowed: p(4, 'deg', 'roll-back that costs nothing; starting value'),
  seatUsual: p(8, 'cm', 'two folded blankets or a flat block: so high before the knees are lifted'),
  seatMost: p(15, 'cm', 'nobody sits higher with the legs long: then the knees bend'),
  kneesMost: p(
    20,
    'cm',
    'a bolster under the knees; beyond it the feet stand and nothing lies there',
  ),
  kneesBent: p(
    34,
    'cm',
    'backs of the knees over the floor with the feet planted, knees bent about 85°',
  ),
} as const;

export const kneeling = {
  sitAllowance: p(
    19,
    'deg',
    'flesh, and the calf rolled aside: at 15 nobody could have sat on the floor in hero',
    5,
  ),
  padLever: p(
    0.07,
    'of stature',
    'pad behind the knee opens the joint by its thickness over this; starting value',
  ),
  strapPad: p(0.75, 'cm', 'a strap folded thrice behind the knee; starting value'),
  towelPad: p(1.6, 'cm', 'a towel folded in four behind the knee; starting value'),
  foldPad: p(2.5, 'cm', 'a thin blanket fold behind the knee; starting value'),
  brickPad: p(
    8,
    'cm',
    'in Child, by school: a brick, a big rolled towel or mat behind the knee; starting value',
  ),
  shinPad: p(
    4,
    'cm',
    'a blanket under bony shins on a hard floor, feet over its edge; starting value',
  ),
  ankleRoll: p(3, 'cm', 'a rolled towel under the front of a sore ankle; starting value'),
  anklePointNeeded: p(62, 'deg'),
  ankleLever: p(0.6, 'ratio', 'share of the foot in front of the ankle; starting value'),
} as const;

export const reclinedHero = {
  firstRamp: p(24, 'cm', 'two bolsters: nobody’s first ramp is lower; starting value'),
  mostRamp: p(
    48,
    'cm',
    'under the blades: nobody lies back on more; a rung over the most that is built',
  ),
  rampLever: p(
    0.65,
    'ratio',
    'share of what stands under a ramp’s head end that is felt at the shoulder blades; starting value',
  ),
  frontThighCoupling: p(
    1,
    'ratio',
    'knee bend gained per degree of hip flexion; starting value',
    0.2,
  ),
  margin: p(2, 'deg', 'front thigh to spare, beside what a first build adds; starting value'),
  lumbarAllowance: p(
    24,
    'deg',
    'the low back gives a little and the knees may rise a little; 0 with a spine caution: at 10 ordinary adults got a ramp that only the stiffest need',
  ),
  tuck: p(
    2,
    'deg',
    'with one leg folded the standing foot lets the tail tuck, which spares the front thigh; at 5 the stiffest got less ramp than teachers build',
  ),
  sinks: p(
    2.5,
    'cm',
    'with one leg folded the other hip sinks beside it and the seat may be lower; starting value',
  ),
  bladesAt: p(0.8, 'ratio', 'along the trunk from the hip; starting value'),
  headAt: p(1.22, 'ratio', 'along the trunk from the hip; starting value'),
} as const;

export const standingFold = {
  spineCounts: p(0.6, 'ratio', 'share of the rounding that lowers the shoulders; starting value'),
  softKnee: p(5, 'deg', 'knees never locked; starting value'),
  bentKnee: p(20, 'deg', 'back first: knees bent at least so far; starting value'),
  handsWanted: p(
    23,
    'cm',
    'a block on its end: the knees bend until the hands come down to it; starting value',
  ),
  mostBentKnee: p(
    50,
    'deg',
    'back first: the furthest that knees bend for the hands; starting value',
  ),
  mostSoftKnee: p(
    35,
    'deg',
    'legs first: the furthest that knees bend for the hands; starting value',
  ),
  shouldersGive: p(
    4,
    'cm',
    'shoulder blades that slide forward lengthen a hanging arm; starting value',
  ),
  carefulKnee: p(30, 'deg', 'with a low-back or hamstring caution; starting value'),
  stoodOn: p(7.5, 'cm', 'flat blocks to stand on, once the palms lie on the floor; starting value'),
  hangingKnee: p(30, 'deg', 'hanging fold: knees soft; starting value'),
  highestHandProp: p(
    46,
    'cm',
    'a chair seat; above it the hands rest on the thighs; starting value',
  ),
} as const;

/** Crossed, open and stacked seats: knee bend, and height of the foot under it. */
export const crossLegged = {
  crossedKnee: p(130, 'deg'),
  solesNearKnee: p(140, 'deg'),
  stackedKnee: p(90, 'deg'),
  lotusKnee: p(140, 'deg'),
  footHeight: p(
    0.03,
    'of stature',
    'ankle over the floor in a crossed or open seat; starting value',
  ),
  stackedRise: p(
    8,
    'deg',
    'thighs of stacked shins stand a little over level until the hips open; level, nobody could sit there',
  ),
  stackedSupportAt: p(
    0.55,
    'ratio',
    'along the thigh from the hip: bricks lie under the thighs, not the knees; starting value',
  ),
  lotusFootHeight: p(0.062, 'of stature', 'ankle on the other calf or thigh; starting value'),
  crossedFootPast: p(0.06, 'of stature', 'ankle past the midline; starting value'),
  stackedFootPast: p(0.13, 'of stature', 'ankle over the other knee; starting value'),
  sparedByHeels: p(
    1,
    'ratio',
    'outward turn that is spared by every degree that heels further away open the knee; starting value',
  ),
  thighSupportAt: p(
    0.5,
    'ratio',
    'along the thigh from the hip: half-way, where a roll or cushion lies; starting value',
  ),
  outerHipAt: p(0.45, 'ratio', 'along the thigh from the hip; starting value'),
  fallWithHeight: p(
    3,
    'deg/cm',
    'how far a thigh falls under level as the seat rises; starting value',
  ),
  flatFootRotation: p(
    22,
    'deg',
    'a thigh that opens to the side, over a pelvis that tips, turns out further than on a table edge: adults read 40 to 48° there and sit level crossed on a fold or two, which takes 62 to 70°; was 12',
    6,
  ),
} as const;

export const straddle = {
  pelvisSpared: p(
    6,
    'deg',
    'palms that press behind bring a wide seat up; without it ordinary adults get rolls that nobody uses there',
  ),
  easyShare: p(0.75, 'ratio', 'share of the spread that costs the pelvis nothing; starting value'),
  widest: p(55, 'deg', 'half angle past which width serves nothing; starting value'),
  drawnBack: p(
    0.7,
    'ratio',
    'of every degree that a leg is set wider than is easy, taken from the pelvis; starting value',
  ),
  kneesMost: p(
    15,
    'cm',
    'under knees that lie apart; beyond it the feet stand nearer and the knees bend by themselves',
  ),
  standingWidest: p(35, 'deg', 'half angle of a standing wide fold; starting value'),
} as const;

export const pigeon = {
  elbowsSoft: p(
    0.75,
    'ratio',
    'of the arm: hands that lift the chest press with soft elbows; starting value',
  ),
  closedKnee: p(130, 'deg', 'front heel near the other hip; starting value'),
  squareKnee: p(112, 'deg', 'front shin toward square; starting value'),
  rotationSpared: p(
    17,
    'deg',
    'rotation that the tilted pelvis gives beyond a crossed seat: at 10 ordinary adults got what the stiffest need',
    4,
  ),
  highestHip: p(20, 'cm', 'over this the reclined figure four serves better; starting value'),
  lumbarArch: p(
    32,
    'deg',
    'back-bending of the low back that helps the trunk to stand; starting value',
  ),
} as const;

export const squat = {
  highestSeat: p(30, 'cm', 'a low stool; whoever needs more sits on a chair'),
  heelsAlone: p(10, 'cm', 'heels lifted further wobble: a seat serves better; starting value'),
  heelLever: p(0.75, 'ratio', 'share of the foot behind its ball; starting value'),
  ankleAt: p(
    0.25,
    'ratio',
    'ankle in front of the back of the heel, share of the foot; starting value',
  ),
  ahead: p(
    5,
    'cm',
    'how far the centre of mass stays in front of the heel’s back edge; starting value',
  ),
  highestHeel: p(12, 'cm', 'the highest heel lift worth building; starting value'),
  closes: p(
    135,
    'deg',
    'bend of a loaded knee at which the thigh comes down on the calf and is carried; starting value',
  ),
  loadedBend: p(
    10,
    'deg',
    'the weight of a squat bends a knee further than a hand does: without it ordinary adults would squat on a block on its end',
  ),
} as const;

/** Shares of body mass and centres of mass along each segment, from cadaver tables. */
export const mass = {
  foot: p(0.0145, 'ratio', 'each'),
  shank: p(0.0465, 'ratio', 'each'),
  thigh: p(0.1, 'ratio', 'each'),
  headArmsTrunk: p(0.678, 'ratio'),
  limbCentre: p(0.433, 'ratio', 'from the upper end of shank and thigh'),
  trunkCentre: p(0.626, 'ratio', 'from hip to shoulder, upward'),
} as const;

export const child = {
  mostHeadGap: p(
    18,
    'cm',
    'beyond it the chest is carried: a seat that is learned lower tips the head higher, and a block on its end is the most',
  ),
  wideKnees: p(10, 'deg', 'hip bend gained with the knees wide; starting value'),
  neckDrop: p(
    45,
    'deg',
    'a neck that is let go bends so far and lets the forehead down; at 30 every head of the room hung',
  ),
  chestAt: p(0.75, 'ratio', 'breastbone along the trunk; starting value'),
} as const;

export const reclined = {
  openRise: p(
    16,
    'cm',
    'ramp of reclined soles-together at its high end, by comfort; starting value',
  ),
  risesFor: p(
    0.45,
    'ratio',
    'how much higher that ramp stands for each degree by which a hip turns out less than most; starting value',
  ),
  steepRise: p(26, 'cm', 'from here the knees are propped rather than the hips; starting value'),
  sideLyingHead: p(3, 'cm', 'more under a head that lies half on its side; starting value'),
  restRoll: p(12, 'cm', 'roll under the knees at rest; starting value'),
  archShare: p(
    0.5,
    'ratio',
    'of what a standing pelvis tips forward beyond the usual, the low back arches off the floor; starting value',
  ),
} as const;

/** Small gaps found by trying, rung by rung, where no formula would be worth its measuring. */
export const ladderStart = {
  crossedKnee: p(11, 'cm', 'under the upper knee of a twist; starting value', 5),
  lyingShoulder: p(4, 'cm', 'under the shoulder that lifts in a twist; starting value', 2),
  lyingFoot: p(5, 'cm', 'under a foot that hangs; starting value', 2.5),
  kneePad: p(2, 'cm', 'a fold under a knee that bears weight; starting value'),
} as const;

export const strapped = {
  lungeRounds: p(
    0.6,
    'ratio',
    'share of the spine’s rounding that brings the hands down in a lunge; starting value',
  ),
  seatedRaise: p(20, 'deg', 'thigh over the horizontal in Heron; starting value'),
  sundialRaise: p(35, 'deg', 'thigh over the horizontal in Sundial; starting value'),
  lungeArch: p(15, 'deg', 'tilt of the pelvis that lengthens a lunge; starting value'),
  lizardOutside: p(3, 'deg', 'hip bend gained with the foot outside the hands; starting value'),
  frogSpread: p(25, 'deg', 'spread gained with hips and knees bent; starting value'),
  blockOnEnd: p(23, 'cm', 'the most under a hand beside a chair; usual block on its end'),
  shouldersApart: p(0.23, 'of stature', 'across the shoulders; usual proportions'),
  strapReach: p(175, 'deg', 'arms overhead that pass a strap near the shoulders; starting value'),
  strapWide: p(25, 'deg', 'each arm outward as it passes overhead; starting value'),
  straightKneeAnkle: p(1, 'deg', 'ankle bend lost with a nearly straight knee; starting value'),
} as const;

export const fold = {
  kneesWellBent: p(
    28,
    'cm',
    'backs of the knees over the floor with the belly on the thighs; starting value',
  ),
  kneesForHead: p(
    14,
    'cm',
    'so much is laid under the knees for the head’s sake; beyond it the feet stand and the knees bend well',
  ),
  onChair: p(40, 'cm', 'a chair seat less a little, where a head comes to rest over the legs'),
  highestForeheadProp: p(50, 'cm', 'a chair seat with a fold on it; above it one sits upright'),
  towerMost: p(32, 'cm', 'a bolster with a thick fold on it; higher, a head lies on no pile'),
  headLetsDown: p(4, 'cm', 'the neck lets the head down to a support so much lower'),
  headHangs: p(
    0.15,
    'ratio',
    'of its height: so far over its support a head may hang; starting value',
  ),
  headOnArms: p(
    3,
    'cm',
    'on arms folded on something high: so near its seat the head has to come; starting value',
  ),
  headEarly: p(
    0.25,
    'ratio',
    'of its height: where nothing is nearer, a head rests so much early, on a chair for a stool; starting value',
  ),
  onLegsMost: p(
    30,
    'cm',
    'a bolster with a fold on it stands steadily on legs; higher, a stool or chair over them: at 20 ordinary adults bent their knees well',
  ),
  pileOnLegs: p(
    22,
    'cm',
    'blocks and folds stand steadily on legs up to here; a bolster goes higher',
  ),
  seatLeast: p(
    4,
    'cm',
    'a fold is sat on where straight legs ask for a seat at all; starting value',
  ),
  seatMost: p(
    13,
    'cm',
    'nobody sits higher to fold over one leg: then the trunk stays up; starting value',
  ),
  longKneeBend: p(20, 'deg', 'the long leg of a fold over one leg stays long; starting value'),
  highestChestProp: p(
    30,
    'cm',
    'above it the trunk is too upright to lie on anything; starting value',
  ),
} as const;

export const reading = {
  daySwing: p(3, 'deg', 'shared by all readings of one day; starting value'),
  swingDays: p(
    8,
    'days',
    'a student’s own swing counts as much as the usual one after so many; starting value',
  ),
  usualAge: p(45, 'years', 'what is usual is told of this age; starting value'),
  leastAge: p(18, 'years', 'younger than this, ranges are not reckoned freer; starting value'),
  mostAge: p(90, 'years', 'older than this, ranges are not reckoned shorter; starting value'),
  mobileShift: p(
    1,
    'ratio',
    'of a spread: a student marked as very mobile is freer than most in what was not read, too; starting value',
  ),
  toeAhead: p(
    0.72,
    'ratio',
    'of the foot: ankle to the tip of the big toe, along the floor; starting value',
    0.02,
  ),
  heelBack: p(
    0.11,
    'ratio',
    'of the foot: the middle of the heel behind the ankle; starting value',
    0.04,
  ),
  segmentDoubt: p(
    0.02,
    'ratio',
    'a length that was reckoned from stature, not taped; starting value',
  ),
  surprise: p(
    3,
    'ratio',
    'standard deviations from what is believed before a reading is asked about; starting value',
  ),
  postureSwing: p(3, 'deg', 'how somebody stands or sits differs from day to day; starting value'),
  realChange: p(
    2.6,
    'ratio',
    'standard deviations of a change worth believing: of a steady student’s first six looks at a range, fewer than one course in twenty shows one; by simulation',
  ),
  placing: p(
    0.6,
    'ratio',
    'of the error of one reading: where a tool is laid that day, alike in all readings of one look; starting value',
  ),
  fingertip: p(3, 'deg', 'how a fold to the floor differs from time to time; starting value'),
  fingertipSpine: p(
    8.5,
    'deg',
    'what one spine has more or less in a fold to the floor than most; starting value',
  ),
  leastError: p(0.5, 'deg', 'no way of reading is surer, at the end of a formula either'),
  leastSwing: p(1.5, 'deg', 'no body swings less; starting value'),
  mostSwing: p(7, 'deg', 'more than this is no swing of the day; starting value'),
  warmGain: p(4, 'deg', 'a warm body reads higher; starting value', 2),
  disagreement: p(
    2.5,
    'ratio',
    'times the method error before another reading is asked for; starting value',
  ),
  pelvisOfThighToChest: p(
    15,
    'deg',
    'how far a pelvis that is let go rolls along as a thigh is drawn to the chest, 10 to 20; surveys',
    4,
  ),
  pelvisShareOfLegRaise: p(
    0.3,
    'ratio',
    'share of an unwatched leg raise that is pelvis; starting value',
    0.08,
  ),
} as const;

/** A student's own coupling, from a leg raise and a knee lag of one day. */
export const coupling = {
  leastLag: p(5, 'deg', 'of a smaller lag the share of two readings says nothing; starting value'),
  readingError: p(3, 'deg', 'of either reading, in that share; starting value'),
} as const;

/** Ends that no range moves: past them a pose is another one. */
export const ends = {
  chairLean: p(85, 'deg', 'trunk over level thighs on a chair; starting value'),
  lungeLean: p(88, 'deg', 'trunk over a front thigh; starting value'),
  squatLean: p(80, 'deg', 'trunk over the heels; starting value'),
  frogSpread: p(85, 'deg', 'half angle of thighs on all fours; starting value'),
  crossedLeast: p(5, 'deg', 'turn of a crossed thigh from straight ahead; starting value'),
  crossedMost: p(80, 'deg', 'turn of a crossed thigh from straight ahead; starting value'),
  dogLeast: p(40, 'deg', 'hips in downward dog, however stiff; starting value'),
  dogMost: p(125, 'deg', 'hips in downward dog, however free; starting value'),
  dogArms: p(175, 'deg', 'arms in line with the trunk in downward dog; starting value'),
  heelsUp: p(80, 'deg', 'a foot that stands on its toes; starting value'),
  legRaise: p(110, 'deg', 'a straight leg raised on the back, held by a strap; starting value'),
  heelToSeat: p(150, 'deg', 'the lower knee of a side-lying stretch; starting value'),
} as const;

/** What counts as a height, and as another one. */
export const thin = {
  lies: p(
    0.3,
    'cm',
    'less is a fold in the mat, and carries nobody; one layer of a mat lies there',
  ),
  wanted: p(1, 'cm', 'of less nobody fetches a piece; starting value'),
  moved: p(0.5, 'cm', 'half a fold of a blanket: less is the same height; starting value'),
  built: p(
    1.4,
    'cm',
    'a blanket folded twice, sat on: nothing comes down to less, but to the floor',
  ),
} as const;

export const filter = {
  driftSd: p(0.3, 'deg/week', 'spread of change before anything is known; starting value'),
  driftDamping: p(0.97, 'ratio', 'drift kept per week; starting value'),
  levelNoise: p(0.5, 'deg/week', 'spread added to the level per root week; starting value'),
  driftNoise: p(0.06, 'deg/week', 'spread added to the drift per root week; starting value'),
  sideDifference: p(
    6,
    'deg',
    'spread between a person’s two sides, used for a side never read; starting value',
  ),
} as const;

export const offset = {
  priorSd: p(3.5, 'cm', 'what the model does not know about one body; starting value'),
  readingSd: p(1.5, 'cm', 'error of a height found by trying, or chosen; starting value'),
  sessionSd: p(
    1,
    'cm',
    'a session that went well or did not speaks this roughly, beside the swing of the day: settling; starting value',
  ),
  missed: p(
    0.1,
    'chance',
    'a height that was too low is told as enough: feelings lie now and then; chosen on simulated students of seeds 1–4, in the planner’s own world and the other',
  ),
  falseAlarm: p(0.03, 'chance', 'a height that was enough is told as too low'),
  halfLife: p(
    182,
    'days',
    'what a session said of a height counts half as much after so long: bodies wander; starting value',
  ),
  unseenTilt: p(
    3,
    'cm',
    'a pelvis that is a few degrees off is not seen: what tilts it is told as enough while it stands so much too low; starting value',
  ),
  feltAtEdge: p(
    3.5,
    '0-10',
    'a support at the edge is felt so strongly in the muscle, usually; starting value',
  ),
  feltFades: p(0.5, '0-10/cm', 'what stands higher is felt less; starting value'),
  feltLeast: p(1.5, '0-10', 'something is felt at any height; starting value'),
  feltSd: p(
    1,
    '0-10',
    'what one body feels at one height differs so from day to day; starting value',
  ),
  measureSd: p(0.8, '0-10', 'people feel by measures of their own; starting value'),
  flagAt: p(2, 'ratio', 'prior spreads past which to measure again; starting value'),
} as const;

/** Finding a height on the mat: a few breaths on each step, down as long as nothing is said. */
export const trial = {
  missed: p(
    0.35,
    'chance',
    'two breaths hear less than a hold: quiet, though it stands under the edge; from simulated students',
  ),
  falseWord: p(0.05, 'chance', 'a word from what stands high enough; from simulated students'),
  feltSd: p(1, 'cm', 'a step speaks this roughly of its day; starting value'),
  carry: p(
    0.7,
    'chance',
    'today’s chance that the next step down is enough, where a joint is carried; from simulated students',
  ),
  firstCarry: p(
    0.6,
    'chance',
    'the same in the first session of a pose, where most is learned; from simulated students',
  ),
  tilt: p(0.6, 'chance', 'the same where a pelvis is tipped; from simulated students'),
  overEdge: p(
    3,
    'cm',
    'where a joint is carried, the start stands so much over its likeliest edge; from simulated students',
  ),
  heldCarry: p(
    0.93,
    'chance',
    'what is held after trying goes up until this is reached, where a joint is carried',
  ),
  mostHeight: p(
    80,
    'cm',
    'nothing under a body is built higher: such a step is kept, and not reckoned with',
  ),
  firstLooks: p(4, 'looks', 'in the first session of a pose, its start included'),
  laterLooks: p(2, 'looks', 'in a later one, its start included'),
} as const;

export const decision = {
  softChance: p(
    0.6,
    'chance',
    'asked of a lower rung where no joint is at risk: the pelvis and the hands may be tried; starting value',
  ),
  mostPieces: p(6, 'pieces', 'no pose builds more: it is set up otherwise'),
  goodSessions: p(2, 'sessions', 'good sessions running before a step down; starting value'),
  readMoves: p(
    5,
    'deg',
    'a new reading that moves the belief by so much is told where it acts; starting value',
  ),
  sureRung: p(
    0.97,
    'ratio',
    'chance of a rung that comes down after one good time; from simulated students',
  ),
  chance: p(
    0.93,
    'chance',
    'chance that the range of the day supports the next rung, down or up; tuned on simulated students of seeds 1–4 in two worlds',
  ),
  patience: p(
    0.04,
    'chance',
    'so much less is asked for each further good session at one height; starting value',
  ),
  mostPatience: p(0.13, 'chance', 'and never by more than this; starting value'),
  firstChance: p(
    0.8,
    'chance',
    'a first build stands as high as this chance of being enough asks: most supported first; tuned on simulated students of seeds 1–12 and 201–206',
  ),
  restDays: p(14, 'days', 'a pose that ended in a stop word stays out this long; starting value'),
  longestGap: p(14, 'days', 'after so long as it was, once'),
  homeTimes: p(4, 'sessions', 'the last so many at home that are weighed; starting value'),
  muchAtHome: p(2, 'sessions', 'too much so often of those eases one step; starting value'),
  longAway: p(42, 'days', 'after so long one rung up, then as before'),
  mostRung: p(2.5, 'cm', 'largest single step down; starting value'),
  mostRungsUp: p(
    3,
    'rungs',
    'after what was felt a support goes up by no more at once; starting value',
  ),
  leastRaise: p(
    1.5,
    'cm',
    'after what was felt nothing that fills or is reached for goes up by less: nobody feels it, and the pile only grows odd; starting value',
  ),
  mostRaise: p(
    6,
    'cm',
    'after what was felt a support goes up by no more at once than this, or by one step where that is more: nobody piles three blankets for one word; starting value',
  ),
  wideRung: p(
    5,
    'cm',
    'a ramp comes down by so much where that is as good as sure; from simulated students',
  ),
  mostSoftRung: p(
    4,
    'cm',
    'under a thigh, a knee or a head a bolster gives way to a roll, and a roll to a fold: nobody piles three blankets to come down by less; starting value',
  ),
  mostQuietReach: p(
    5,
    'cm',
    'under where the hands come, where a caution keeps the back long: the knees bend a little more for it; starting value',
  ),
  mostReachOver: p(
    12,
    'cm',
    'over where the hands come: from a block to a chair only where the chair is about as near; starting value',
  ),
  mostForTheDay: p(
    10,
    'cm',
    'on an easier day, or after long away: from a block on its edge to its end, and not to a chair; starting value',
  ),
  mostHandRung: p(
    22.5,
    'cm',
    'hands come down by faces of blocks, and from a chair to a block on end: no smaller step exists there; starting value',
  ),
  leastRung: p(1, 'cm', 'smaller steps cannot be felt; starting value'),
  sameHeight: p(0.6, 'cm', 'heights nearer than this count as one; starting value'),
  strongFeeling: p(7, '0-10', 'from here the support goes up; starting value'),
  easyFeeling: p(6, '0-10', 'up to here a session counts as good; starting value'),
  fullTime: p(0.9, 'ratio', 'share of the planned hold that counts as the whole; starting value'),
  mobilePercentile: p(1.645, 'ratio', 'standard deviations over the mean: the 95th percentile'),
  mobileRanges: p(2, 'ranges', 'of so many kinds past that percentile a body is very mobile'),
} as const;

export const chair = {
  seatHeight: p(45, 'cm', 'where the shelf has no chair; starting value'),
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
  overTarget: p(1, 'ratio', 'cost of each unit of length over the target; starting value'),
  underTarget: p(2, 'ratio', 'a joint asks twice as loudly under it as over it; starting value'),
  unfelt: p(
    0.25,
    'ratio',
    'cost of each unit of length as long as nobody feels it: at 1 a head lay on a bolster, a blanket and a towel where anybody takes the bolster',
  ),
  perPiece: p(
    0.75,
    'ratio',
    'nobody fetches a piece for what cannot be felt; at 0.35 ordinary adults got eight pieces in a seated fold',
  ),
  perSoftLayer: p(0.12, 'ratio'),
  perHardUnderHead: p(
    0.5,
    'ratio',
    'a head, a chest or a neck is laid on something soft where that comes as near; starting value',
  ),
  perBareSeat: p(
    1.5,
    'ratio',
    'nobody sits for minutes on bare cork: a fold on it is worth its piece and a little height; starting value',
  ),
  perWobble: p(0.8, 'ratio', 'a block on its end; starting value'),
  rollWobbles: p(0.25, 'ratio', 'of that: a block on edge, a round bolster; starting value'),
  cushionWobbles: p(0.5, 'ratio', 'of that; starting value'),
  perPieceMoved: p(0.15, 'ratio', 'change from what already lies there; starting value'),
} as const;

export const hold = {
  firstBreaths: p(5, 'breaths', 'a hold that is counted with the breath begins so; starting value'),
  mostBreaths: p(10, 'breaths', 'and grows to so many; starting value'),
  backTo: p(0.667, 'ratio', 'after pain a hold goes back by a third'),
  comesBackBy: p(
    1.5,
    'ratio',
    'a hold that was made shorter grows so much after a good time, up to the first hold; starting value',
  ),
  leastShare: p(0.5, 'ratio', 'of the first hold: nothing goes back further; starting value'),
  settling: p(45, 'seconds', 'the body only settles; starting value'),
  breath: p(6, 'seconds', 'one easy breath; starting value'),
  longestGrowth: p(2, 'ratio', 'a hold is never more than doubled from last time'),
} as const;

/** How long what lies between the holds of a lesson takes. */
export const lesson = {
  perPiece: p(7, 'seconds', 'to fetch, fold or turn one piece and put it down; starting value'),
  perLine: p(5, 'seconds', 'to say one line of the way in, and to do it; starting value'),
  otherSide: p(
    0.5,
    'ratio',
    'of the way in, on the second side: it is known by then; starting value',
  ),
  comeOut: p(8, 'seconds', 'to come out; starting value'),
  rest: p(6, 'seconds', 'a breath after a hold; starting value'),
  paceKnown: p(
    240,
    'seconds',
    'of setting up that were timed weigh as much as what is usual; starting value',
  ),
  paceLeast: p(0.5, 'ratio', 'nobody is taken for quicker than this; starting value'),
  paceMost: p(2.5, 'ratio', 'nor for slower; starting value'),
  shortShare: p(
    0.6,
    'ratio',
    'a hold that is shortened for the clock keeps so much; starting value',
  ),
  shortMovement: p(0.5, 'ratio', 'and a movement is done so often; starting value'),
} as const;

/** How a phone that lies on a limb is read. */
export const phoneTilt = {
  smoothing: p(120, 'ms', 'a trembling hand is averaged over about this long; starting value'),
  stillFor: p(1000, 'ms', 'held still for so long, a reading is taken by itself; starting value'),
  stillSpread: p(1, 'deg', 'moving less than this is still; starting value'),
  moved: p(4, 'deg', 'moved by more than this, the next reading may be taken; starting value'),
  leastBack: p(
    8,
    'deg',
    'a limb that comes back by less than this is only unsteady; starting value',
  ),
  restsAlike: p(12, 'deg', 'the other limb rests within this of the first one; starting value'),
  carried: p(
    3000,
    'ms',
    'to carry a phone from one limb to the other takes as long; starting value',
  ),
  zeroAfter: p(
    400,
    'ms',
    'a zero is taken once the phone has lain so long without moving; starting value',
  ),
  zeroSlope: p(3, 'deg', 'a floor that slopes more than this is asked about; starting value'),
  mostSkew: p(
    20,
    'deg',
    'turned further on its side, an edge no longer reads the limb; starting value',
  ),
  leastLean: p(
    12,
    'deg',
    'nearer to upright, nothing tells which side of the phone faces up; starting value',
  ),
} as const;

/** How well a point of the body is found on a picture. */
export const picture = {
  landmark: p(1, 'cm', 'a point under the skin is found about so well; starting value'),
  skew: p(8, 'deg', 'how far a camera usually stands from square to the student; starting value'),
  pitch: p(
    12,
    'deg',
    'how far a camera usually looks down on or up at what it should see level; starting value',
  ),
  away: p(250, 'cm', 'a camera three steps away'),
  line: p(0.5, 'deg', 'a plumb line or floor edge laid by eye; starting value'),
  byPhone: p(1, 'deg', 'how a phone was held, by its own sensor; starting value'),
  byHand: p(2, 'deg', 'how far a picture that is taken for straight is not; starting value'),
  pelvis: p(0.09, 'of stature', 'front to rear hip-bone point; starting value'),
  least: p(2, 'deg', 'no picture reads more surely: lens, cloth and skin; starting value'),
} as const;

/** Names and values of everything above, for the page that explains the reckoning. */
export const allParameters: Readonly<Record<string, Readonly<Record<string, Parameter>>>> = {
  bodyShare,
  workingShare,
  kneeMargin,
  trial,
  cautionLimits,
  pelvisTarget,
  spineShare,
  longSit,
  kneeling,
  reclinedHero,
  standingFold,
  crossLegged,
  straddle,
  pigeon,
  squat,
  mass,
  child,
  reclined,
  ladderStart,
  strapped,
  chair,
  fold,
  reading,
  filter,
  offset,
  decision,
  loading,
  stackCost,
  hold,
  lesson,
  phoneTilt,
  picture,
};
