import { isWanted } from '../../lies';
import type { HeightReason } from '../../reasons';
import { asinDeg, atan2Deg, clamp, cosDeg, sinDeg } from '../../angles';
import { armCm, type Body } from '../../body/body';
import { reclinedHero as parameter } from '../../parameters';
import type { Side } from '../../ranges/ranges';
import { rangeValue, stifferSide, valueOf } from '../inputs';
import {
  keysOn,
  workingLegs,
  type Built,
  type Family,
  type FamilyInput,
  type Figure,
  type RuledOut,
  type SlotNeed,
} from '../family';
import {
  kneeBendOnSeat,
  kneeDemands,
  kneelingKeys,
  kneelingLegs,
  kneelingNeeds,
  kneelingPadPlaces,
  kneelingSeatNeedCm,
  kneelingWhy,
} from '../kneeling/kneelingSeat';
import { kneeGapCm, longFoot, longLegs } from '../sitting/longSit';
import {
  along,
  armToward,
  headFrom,
  legWithFoot,
  postureFrom,
  spineFrom,
  type Point,
} from '../posture';

/**
 * Least incline of the trunk, in degrees over the floor, at which the front thigh is long enough.
 *
 * The muscle crosses knee and hip. Knee bend and thigh slope always add up to 180 − allowance, so the seat cancels:
 * the knee sets the seat, the front thigh sets the ramp. A low back that may arch a little spares `lumbarAllowanceDeg`.
 */
export function rampInclineDeg(
  proneKneeDeg: number,
  allowanceDeg: number,
  coupling: number,
  lumbarAllowanceDeg: number,
  marginDeg: number = parameter.margin.value,
): number {
  return (180 - allowanceDeg - proneKneeDeg) / coupling + marginDeg - lumbarAllowanceDeg;
}

/** With one leg folded, the other foot lets the tail tuck. */
const tuckDeg = ({ side, settings }: FamilyInput) =>
  side === 'both' || settings.lumbarAllowanceDeg === 0 ? 0 : parameter.tuck.value;

/** Height of the back's skin over the floor at a share of the trunk, on a trunk inclined from the hip. */
const backHeightCm = (share: number, hipY: number, inclineDeg: number, body: Body) =>
  hipY + share * body.trunkCm * sinDeg(inclineDeg) - body.trunkDepthCm * cosDeg(inclineDeg);

const inclineFor = (input: FamilyInput, side: Side) =>
  rampInclineDeg(
    rangeValue(input.values, 'kneeFlexion.prone', side),
    valueOf(input.values, 'kneeling.sitAllowance'),
    valueOf(input.values, 'reclinedHero.frontThighCoupling'),
    input.settings.lumbarAllowanceDeg + tuckDeg(input),
    // At the body's edge nothing is to spare.
    input.settings.kneeMarginDeg > 0 ? parameter.margin.value : 0,
  );

/** The incline that the folded front thighs allow, between lying flat and sitting up. */
const sharedInclineDeg = (input: FamilyInput) =>
  Math.min(
    90,
    Math.max(
      input.settings.inclineLeastDeg,
      ...workingLegs(input.side).map((side) => inclineFor(input, side)),
    ),
  );

/** The ramp under a back that leaves the hip at this height. */
export function rampNeeds(inclineDeg: number, hipY: number, body: Body): SlotNeed[] {
  return [
    {
      slot: 'back',
      part: 'high',
      side: 'both',
      rawCm: backHeightCm(parameter.bladesAt.value, hipY, inclineDeg, body),
    },
    {
      slot: 'neck',
      side: 'both',
      rawCm: body.trunkDepthCm - body.headDepthCm,
      over: 'ramp',
      isChosen: true,
    },
  ];
}

const seatOf = (needs: readonly SlotNeed[]) =>
  Math.max(0, needs.find(({ slot }) => slot === 'seat')?.rawCm ?? 0);

/**
 * The incline that a built ramp gives, from its height under the shoulder blades: the inverse of the back's height
 * there, between lying flat and sitting up.
 */
export function inclineOn(bladesCm: number, hipY: number, body: Body): number {
  const [up, back] = [parameter.bladesAt.value * body.trunkCm, body.trunkDepthCm];
  return clamp(asinDeg((bladesCm - hipY) / Math.hypot(up, back)) + atan2Deg(back, up), 0, 90);
}

/** Trunk, head, near arm and ramp of a figure that reclines from the hip at an incline. */
export function reclinedFigure(
  hip: Point,
  incline: number,
  seatCm: number,
  built: Built,
  body: Body,
): Pick<
  Figure['posture'],
  'spine' | 'head' | 'crownDeg' | 'elbow' | 'hand' | 'pelvisLeanDeg' | 'supports'
> {
  const lean = incline - 90;
  const spine = spineFrom(hip, body.trunkCm, lean, lean);
  const shoulder = spine.at(-1) as Point;
  const skin = (share: number): Point => {
    const on = [
      hip[0] - share * body.trunkCm * cosDeg(incline),
      hip[1] + share * body.trunkCm * sinDeg(incline),
    ] as const;
    return [
      on[0] - body.trunkDepthCm * sinDeg(incline),
      on[1] - body.trunkDepthCm * cosDeg(incline),
    ];
  };
  const [low, high, head] = [
    skin(0.12),
    skin(parameter.bladesAt.value + 0.1),
    skin(parameter.headAt.value),
  ];
  const beside: Point = [
    shoulder[0] + 0.55 * body.trunkCm * cosDeg(incline),
    Math.max(4, shoulder[1] - 0.75 * body.trunkCm),
  ];
  const [skull, arm] = [headFrom(shoulder, body, lean + 8), armToward(shoulder, beside, body, 1)];
  return {
    spine,
    head: skull.head,
    crownDeg: skull.crownDeg,
    elbow: arm.elbow,
    hand: arm.hand,
    pelvisLeanDeg: lean,
    supports: [
      {
        slot: 'back',
        xCm: low[0],
        bottomCm: 0,
        topCm: Math.max(seatCm, low[1]),
        toXCm: high[0],
        toTopCm: Math.max(0, high[1]),
      },
      {
        slot: 'neck',
        xCm: head[0],
        bottomCm: Math.max(0, head[1]),
        topCm: Math.max(0, head[1]) + (built.neck ?? 0),
        leanDeg: incline,
      },
    ],
  };
}

/** Less than this is taken up by the shoulder. */
const PROPPED_SLACK_DEG = 3;
/** Arms that prop the trunk behind it stand so far from upright. */
const [ARM_BACK_DEG, UPRIGHT_DEG] = [25, 90];

/** Incline of a trunk that is held up behind by hands or forearms, or sits upright; null on a ramp. */
function proppedInclineDeg(way: string, hipY: number, body: Body): number | null {
  const heldAtCm = {
    forearms: body.upperArmCm + FOREARM_CM,
    hands: armCm(body) * cosDeg(ARM_BACK_DEG),
    upright: Infinity,
  }[way];
  if (heldAtCm === undefined) return null;
  const share = (heldAtCm - hipY) / body.trunkCm;
  return share >= 1 ? UPRIGHT_DEG : asinDeg(Math.max(0, share));
}
/** The arm that props a trunk, where its way has one. */
function proppedArm(
  way: string,
  hip: Point,
  inclineDeg: number,
  body: Body,
): Partial<Pick<Figure['posture'], 'elbow' | 'hand'>> {
  const shoulder = along(hip, inclineDeg - UPRIGHT_DEG, body.trunkCm);
  if (way === 'forearms') {
    const elbow: Point = [shoulder[0], FOREARM_CM];
    return { elbow, hand: [elbow[0] + body.forearmCm + body.palmCm, FOREARM_CM] };
  }
  if (way === 'hands') {
    const behind: Point = [shoulder[0] - armCm(body) * sinDeg(ARM_BACK_DEG), 0];
    return armToward(shoulder, behind, body, 1);
  }
  return {};
}
/** Half the thickness of a forearm that lies on the floor. */
const FOREARM_CM = 3;

/** Incline of the trunk on what was built, or as it is propped; what the thighs allow where nothing holds it. */
function inclineBuilt(input: FamilyInput, built: Built): number {
  const { hip } = kneelingLegs(built.seat ?? 0, input.body, built.underShin ?? 0);
  const bladesCm = built['back.high'];
  if (bladesCm !== undefined) return inclineOn(bladesCm, hip[1], input.body);
  return proppedInclineDeg(input.settings.way, hip[1], input.body) ?? sharedInclineDeg(input);
}

/** What reclined hero asks of the folded knees, and how the trunk lies. */
function heroFigure(input: FamilyInput, built: Built): Figure {
  const { body, values } = input;
  const [seatCm, padCm] = [built.seat ?? 0, built.underShin ?? 0];
  const legs = kneelingLegs(seatCm, body, padCm);
  const incline = inclineBuilt(input, built);
  const upper = {
    ...reclinedFigure(legs.hip, incline, seatCm, built, body),
    ...proppedArm(input.settings.way, legs.hip, incline, body),
  };
  const kneeBend = kneeBendOnSeat(seatCm - padCm, body, valueOf(values, 'kneeling.sitAllowance'));
  // What the low back may arch by, and a standing foot tucks, the front thigh is spared.
  const hipFlexion =
    incline -
    (180 - valueOf(values, 'kneeling.sitAllowance') - kneeBend) +
    input.settings.lumbarAllowanceDeg +
    tuckDeg(input);
  const folded = workingLegs(input.side);
  const allowed = (side: Side) =>
    rangeValue(values, 'kneeFlexion.prone', side) +
    valueOf(values, 'reclinedHero.frontThighCoupling') * hipFlexion;
  return {
    posture: postureFrom({
      near: legs,
      hip: legs.hip,
      upper,
      pelvisDeg: 0,
      pelvisLeanDeg: upper.pelvisLeanDeg,
      supports: [
        { slot: 'seat', xCm: legs.hip[0] - 2, bottomCm: 0, topCm: seatCm },
        ...upper.supports,
        ...kneelingPadPlaces(legs, built, body).filter(({ slot }) => slot !== 'behindKnee'),
      ],
    }),
    demands: [
      ...kneeDemands(input, seatCm - padCm),
      ...folded.map((side) => ({
        range: 'kneeFlexion.prone' as const,
        side,
        needDeg: kneeBend,
        haveDeg: allowed(side),
      })),
    ],
    findings: {
      inclineDeg: incline,
      archDeg: Math.max(
        0,
        inclineFor(input, stifferSide(values, 'kneeFlexion.prone', folded)) - incline,
      ),
    },
  };
}

function heroWhy(input: FamilyInput, need: SlotNeed): HeightReason[] {
  if (need.slot === 'neck') return neckWhy(need);
  if (need.slot !== 'back') return kneelingWhy(input, need);
  const side = stifferSide(input.values, 'kneeFlexion.prone', workingLegs(input.side));
  return [
    {
      code: 'front-thigh-ramp',
      deg: rangeValue(input.values, 'kneeFlexion.prone', side),
      side,
      inclineDeg: sharedInclineDeg(input),
      cm: need.rawCm,
      place: need.part ?? 'high',
    },
  ];
}

/** Why something lies under the head on a ramp. */
export const neckWhy = ({ rawCm }: SlotNeed): HeightReason[] => [
  { code: 'head-on-ramp', cm: rawCm },
];

/**
 * Going back no further than the front thighs let it: neither on to a ramp that nobody builds so high, nor on to hands
 * or forearms that lie lower than the thighs allow. Upright on the seat is always left.
 */
function rulesOutBack(input: FamilyInput): RuledOut | null {
  const { way } = input.settings;
  const leastDeg = sharedInclineDeg(input);
  if (way === 'upright') return null;
  const seatCm = seatOf(kneelingNeeds(input));
  const { hip } = kneelingLegs(seatCm, input.body, input.settings.underShinCm);
  const propped = proppedInclineDeg(way, hip[1], input.body);
  if (propped !== null) {
    if (propped < leastDeg - PROPPED_SLACK_DEG)
      return { because: { of: 'lies-low', deg: propped, leastDeg }, firm: true };
    return way === 'forearms' && isWanted(seatCm)
      ? { because: { of: 'hips-raised', cm: seatCm }, firm: false }
      : null;
  }
  const [blades] = rampNeeds(leastDeg, hip[1], input.body);
  const cm = blades?.rawCm ?? 0;
  return cm > parameter.mostRamp.value ? { because: { of: 'ramp-high', cm }, firm: false } : null;
}

/** Reclined hero: the knees set the seat, the front thighs set the ramp, and the ramp touches the pelvis. */
export const reclinedHero: Family = {
  id: 'reclined hero',
  bears: { seat: 'between the heels' },
  rulesOut: rulesOutBack,
  needs: (side) => [
    ...kneelingKeys(side),
    'reclinedHero.frontThighCoupling',
    ...keysOn(workingLegs(side), 'kneeFlexion.prone'),
  ],
  heights: (input) => {
    const needs = kneelingNeeds(input);
    return [
      ...needs,
      ...rampNeeds(
        sharedInclineDeg(input),
        kneelingLegs(seatOf(needs), input.body, input.settings.underShinCm).hip[1],
        input.body,
      ),
    ];
  },
  // Once the high end lies there, the low end and the head follow the ramp that it makes.
  afterBuilt: (input, built) =>
    rampNeeds(
      inclineBuilt(input, built),
      kneelingLegs(built.seat ?? 0, input.body, built.underShin ?? 0).hip[1],
      input.body,
    ),
  figure: heroFigure,
  why: heroWhy,
};

/** The other hip sinks beside the folded leg, and takes the seat with it. */
const sunk = (needs: readonly SlotNeed[]): SlotNeed[] =>
  needs.map((need) =>
    need.slot === 'seat' ? { ...need, rawCm: need.rawCm - parameter.sinks.value } : need,
  );

/**
 * Centimetres by which the folded side's hip stands over the other one: the other sinks to the seat when the seat is
 * lower than the folded knee asks.
 */
const hipGapCm = (input: FamilyInput, seatCm: number) =>
  Math.max(0, kneelingSeatNeedCm(input) - Math.max(0, seatCm));

/** What the long leg and the low hip ask for beside a folded leg. */
function longSideNeeds(input: FamilyInput, seatCm: number): SlotNeed[] {
  return [
    // The straight line from hip to heel: higher, and the support would tip the pelvis.
    { slot: 'underKnees', side: 'both', rawCm: kneeGapCm(seatCm, input.body) },
    { slot: 'hipLevel', side: 'both', rawCm: hipGapCm(input, seatCm), over: 'seat' },
  ];
}

/**
 * One leg folded back, the other long: seat and ramp follow the folded side, a wedge levels the pelvis, a support meets
 * the long knee.
 */
export const reclinedHeroOne: Family = {
  id: 'reclined hero, one leg',
  bears: { seat: 'between the heels', hipLevel: 'fills' },
  rulesOut: rulesOutBack,
  needs: reclinedHero.needs,
  heights: (input) => {
    const needs = sunk(reclinedHero.heights(input));
    const seatCm = seatOf(needs);
    return [...needs, ...longSideNeeds(input, Math.max(seatCm, kneelingSeatNeedCm(input)))];
  },
  afterBuilt: (input, built) => [
    ...(reclinedHero.afterBuilt?.(input, built) ?? []),
    ...longSideNeeds(input, built.seat ?? 0),
  ],
  figure: (input, built) => {
    const { body } = input;
    const { posture, demands, findings } = heroFigure(input, built);
    const long = longLegs(built.seat ?? 0, built.underKnees ?? 0, body);
    const list = asinDeg(
      Math.max(0, hipGapCm(input, built.seat ?? 0) - (built.hipLevel ?? 0)) / 2 / body.hipSpacingCm,
    );
    return {
      posture: postureFrom({
        near: posture,
        far: legWithFoot(long.knee, long.ankle, longFoot(long, body)),
        hip: posture.hip,
        upper: posture,
        pelvisDeg: posture.pelvisDeg,
        pelvisLeanDeg: posture.pelvisLeanDeg,
        supports: [
          ...posture.supports,
          ...(built.underKnees
            ? [{ slot: 'underKnees', xCm: long.knee[0] + 8, bottomCm: 0, topCm: built.underKnees }]
            : []),
          ...(built.hipLevel
            ? [
                {
                  slot: 'hipLevel',
                  xCm: posture.hip[0] + 4,
                  bottomCm: built.seat ?? 0,
                  topCm: (built.seat ?? 0) + built.hipLevel,
                },
              ]
            : []),
        ],
      }),
      demands,
      findings: { ...findings, listDeg: list },
    };
  },
  why: (input, need) => {
    if (need.slot === 'underKnees') return [{ code: 'long-leg-knee', cm: need.rawCm }];
    if (need.slot === 'hipLevel') return [{ code: 'hips-level', cm: need.rawCm }];
    return heroWhy(input, need);
  },
};
