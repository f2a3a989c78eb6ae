import { floorAhead } from '../arms';
import { child as parameter, fold, spineShare, strapped, ends } from '../../parameters';
import { sides, ranges } from '../../ranges/ranges';
import { leastOf, rangeValue, stifferSide, valueOf } from '../inputs';
import {
  isHeadLimited,
  keysOn,
  type Built,
  type Family,
  type FamilyInput,
  type SlotNeed,
} from '../family';
import {
  AT_REST,
  chestNeed,
  foldedTrunk,
  foldSupports,
  foldWhy,
  foreheadNeed,
  onFloor,
  restingOn,
  upperFigure,
  type FoldedTrunk,
} from '../foldedTrunk';
import {
  kneeBendOnSeat,
  kneeDemands,
  kneelingKeys,
  kneelingLegs,
  kneelingPadPlaces,
  kneelingPads,
  kneelingSeatNeedCm,
  kneelingWhy,
  padSeatCm,
} from './kneelingSeat';
import { cosDeg } from '../../angles';
import { postureFrom, type Point, type Posture } from '../posture';

/** Rounding of a spine at rest: more for one that rounds more than most, none where a caution keeps it quiet. */
const curledDeg = ({ values, settings }: FamilyInput) =>
  settings.spineShareDeg < spineShare.longBack.value
    ? settings.spineShareDeg
    : Math.max(
        0,
        spineShare.curledRest.value +
          valueOf(values, 'spineFold') -
          (ranges.spineFold.prior?.mean ?? 0),
      );

/** The trunk over the thighs: as far as the hips bend, a little further with the knees wide, then the spine curls. */
function restingTrunk(input: FamilyInput, seatCm: number, built?: Built): FoldedTrunk {
  const { body, values, settings } = input;
  const thighSlope =
    180 -
    valueOf(values, 'kneeling.sitAllowance') -
    kneeBendOnSeat(seatCm, body, valueOf(values, 'kneeling.sitAllowance'));
  const wide = settings.childKnees === 'wide' ? parameter.wideKnees.value : 0;
  const bends = Math.min(settings.hipFlexionMostDeg, leastOf(values, 'hipFlexion', sides) + wide);
  const hip = kneelingLegs(seatCm, body, settings.underShinCm).hip;
  const rounding = { ...AT_REST, spineDeg: curledDeg(input) };
  const lean = bends - 90 + thighSlope;
  return built
    ? restingOn(input, hip, lean, onFloor, built, rounding)
    : foldedTrunk(input, hip, lean, onFloor, rounding);
}

/** What carries the seat: the heels and what lies on them, or a thick pad behind the knees. */
const heelsSeat = ({ body }: FamilyInput, seatCm: number, padCm: number) =>
  Math.max(body.heelsSatOnCm + seatCm, padSeatCm(padCm, body));
const upper = (input: FamilyInput, seatCm: number): SlotNeed[] => {
  const trunk = restingTrunk(input, seatCm);
  return [chestNeed(trunk), foreheadNeed(trunk)];
};

/** Child's own pad behind the knee. */
const withItsPad = (input: FamilyInput): FamilyInput => ({
  ...input,
  settings: { ...input.settings, behindKneeCm: input.settings.childPadCm },
});

/**
 * Child: the seat comes down on the heels or on what fills the gap to them; chest and forehead are met where they stop.
 */
export const childPose: Family = {
  id: 'child',
  bears: { seat: 'folded on the heels', behindKnee: 'thick' },
  // A head that would hang far over the floor is better met by a bolster under the chest.
  rulesOut: (asked) => {
    if (asked.settings.way !== 'head-met') return null;
    if (isHeadLimited(asked.settings)) return { because: { of: 'head-low' }, firm: true };
    const input = withItsPad(asked);
    const seat = Math.max(0, kneelingSeatNeedCm(input) - input.body.heelsSatOnCm);
    const { gapCm } = restingTrunk(input, heelsSeat(input, seat, input.settings.behindKneeCm));
    return gapCm > parameter.mostHeadGap.value
      ? { because: { of: 'head-far', cm: gapCm }, firm: false }
      : null;
  },
  needs: (side) => [...kneelingKeys(side), 'spineFold', ...keysOn(sides, 'hipFlexion')],
  heights: (asked) => {
    const input = withItsPad(asked);
    const seat = kneelingSeatNeedCm(input) - input.body.heelsSatOnCm;
    return [
      { slot: 'seat', side: 'both', rawCm: seat, over: 'heels' },
      ...kneelingPads(input),
      ...upper(input, heelsSeat(input, Math.max(0, seat), input.settings.behindKneeCm)),
    ];
  },
  afterBuilt: (input, { seat = 0, behindKnee = 0 }) =>
    upper(input, heelsSeat(input, seat, behindKnee)),
  figure: (input, built) => {
    const { body } = input;
    const seatCm = heelsSeat(input, built.seat ?? 0, built.behindKnee ?? 0);
    const legs = kneelingLegs(seatCm, body, built.underShin ?? 0);
    const trunk = restingTrunk(input, seatCm, built);
    const ahead = floorAhead(trunk.shoulder, body);
    const supports: Posture['supports'] = [
      {
        slot: 'seat',
        xCm: legs.hip[0] - 2,
        bottomCm: body.heelsSatOnCm,
        topCm: body.heelsSatOnCm + (built.seat ?? 0),
      },
      ...kneelingPadPlaces(legs, built, body),
      ...foldSupports(trunk, built),
    ];
    return {
      posture: postureFrom({
        near: legs,
        hip: legs.hip,
        upper: upperFigure(input, trunk, ahead, 1),
        pelvisDeg: 0,
        pelvisLeanDeg: trunk.leanDeg,
        supports,
      }),
      demands: [
        ...kneeDemands(input, seatCm - (built.underShin ?? 0)),
        ...sides.map((side) => ({
          range: 'hipFlexion' as const,
          side,
          needDeg: rangeValue(input.values, 'hipFlexion', side),
          haveDeg: rangeValue(input.values, 'hipFlexion', side),
        })),
      ],
      findings: { foldDeg: Math.max(0, trunk.leanDeg), foreheadGapCm: trunk.gapCm },
    };
  },
  why: (input, need) => {
    const folded = foldWhy(need, fold.highestForeheadProp.value);
    return folded
      ? [
          {
            code: 'thigh-to-chest',
            deg: leastOf(input.values, 'hipFlexion', sides),
            knees: input.settings.childKnees,
          },
          ...folded,
        ]
      : kneelingWhy(input, need);
  },
};

/** Spread of thighs on all fours: hips and knees bent open further than long legs do. */
const frogSpreadDeg = ({ values, settings }: FamilyInput) =>
  Math.min(
    ends.frogSpread.value,
    settings.share * (leastOf(values, 'hipSpread', sides) + strapped.frogSpread.value),
  );

function frogTrunk(input: FamilyInput): { hip: Point; trunk: FoldedTrunk } {
  const { body } = input;
  const hip: Point = [0, body.kneeFrontCm + body.thighCm * cosDeg(frogSpreadDeg(input))];
  return { hip, trunk: foldedTrunk(input, hip, 84, onFloor, { ...AT_REST, spineDeg: 4 }) };
}

/**
 * Frog: hips in line with the knees, as wide as the thighs open; chest and forehead carried at the height that leaves.
 */
export const frog: Family = {
  id: 'frog',
  needs: () => keysOn(sides, 'hipSpread'),
  heights: (input) => {
    const { trunk } = frogTrunk(input);
    return [
      { slot: 'underKnees', side: 'both', rawCm: FROG_PAD_CM, isChosen: true },
      chestNeed(trunk),
      foreheadNeed(trunk),
    ];
  },
  figure: (input, built) => {
    const { body } = input;
    const { hip, trunk } = frogTrunk(input);
    const out = frogSpreadDeg(input);
    const knee: Point = [hip[0], body.kneeFrontCm];
    const aside = body.thighCm * Math.sin((out * Math.PI) / 180);
    const drop = body.kneeFrontCm - body.footTopCm;
    const ankle: Point = [knee[0] - Math.sqrt(body.shinCm ** 2 - drop ** 2), body.footTopCm];
    return {
      posture: postureFrom({
        near: {
          knee,
          ankle,
          heel: [ankle[0] - 2, ankle[1] + 3],
          toe: [ankle[0] - 0.4 * body.footCm, 1.5],
          aside: { knee: aside, ankle: aside, toe: aside + 0.4 * body.footCm },
        },
        hip,
        upper: upperFigure(input, trunk, floorAhead(trunk.shoulder, body), 1),
        pelvisDeg: 0,
        pelvisLeanDeg: trunk.leanDeg,
        supports: [
          ...foldSupports(trunk, built),
          ...(built.underKnees
            ? [
                {
                  slot: 'underKnees',
                  xCm: knee[0],
                  bottomCm: 0,
                  topCm: Math.min(built.underKnees, knee[1] - 1),
                },
              ]
            : []),
        ],
      }),
      demands: sides.map((side) => ({
        range: 'hipSpread',
        side,
        needDeg: out - strapped.frogSpread.value,
        haveDeg: rangeValue(input.values, 'hipSpread', side),
      })),
      findings: { halfAngleDeg: out },
    };
  },
  why: (input, need) => {
    if (need.slot === 'underKnees') return [{ code: 'frog-knees' }];
    const side = stifferSide(input.values, 'hipSpread');
    return [
      { code: 'spread-knees', deg: rangeValue(input.values, 'hipSpread', side), side },
      ...(foldWhy(need, fold.highestForeheadProp.value) ?? []),
    ];
  },
};
const FROG_PAD_CM = 2;
