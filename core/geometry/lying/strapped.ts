import type { HeightReason } from '../../reasons';
import { asinDeg, sinDeg } from '../../angles';
import { armCm } from '../../body/body';
import { crossLegged, strapped as parameter, ends } from '../../parameters';
import { palmGapCm } from '../arms';
import { crossedLeg } from '../crossedLeg';
import { crossedSeatCm, usableRotation, type CrossedForm } from '../sitting/crossedSeat';
import { rangeValue, valueOf } from '../inputs';
import {
  keysOn,
  otherSide,
  worked,
  type Family,
  type FamilyInput,
  type Figure,
  type SlotNeed,
} from '../family';
import { palmWhy } from '../sitting/longSit';
import {
  along,
  armToward,
  between,
  handOnStrap,
  headFrom,
  legOf,
  postureFrom,
  spineFrom,
  upperFrom,
  type Point,
} from '../posture';
import { liftedLeg, lyingFigure, lyingHip, lyingShoulder } from './reclinedOpen';

const crossed: CrossedForm = {
  kneeDeg: crossLegged.crossedKnee.value,
  footShare: crossLegged.footHeight.value,
  pastShare: 0,
};

/** What the hand cannot reach of the way to the foot, or as long as the strap is let out. */
const strapTo = (shoulder: Point, foot: Point, { body, settings }: FamilyInput) =>
  settings.dials.strap ?? Math.max(0, between(shoulder, foot) - armCm(body));

const raisedHamstring = ({ values, settings, side }: FamilyInput) =>
  settings.share * rangeValue(values, 'hamstring', worked(side));

/** As far as the hamstring lets a straight leg rise with the pelvis flat. */
const highestDeg = (input: FamilyInput) =>
  Math.min(input.settings.hipFlexionMostDeg, raisedHamstring(input), ends.legRaise.value);

/** Straight leg raised on the back. */
function raisedLying(input: FamilyInput) {
  const rise = input.settings.dials.legHeight ?? highestDeg(input);
  const leg = liftedLeg(lyingHip(input.body), rise, 0, input.body);
  const shoulder = lyingShoulder(input.body);
  return { rise, leg, shoulder };
}

/** A hip that cannot lie flat lifts its knee by so much. */
function otherKneeCm(input: FamilyInput): number {
  const missing = Math.max(
    0,
    -input.settings.share * rangeValue(input.values, 'hipExtension', otherSide(worked(input.side))),
  );
  return input.body.thighCm * sinDeg(missing);
}

/** Reclined leg raise: the strap makes up what the arm does not reach; also the re-check of the hamstring. */
export const legRaise: Family = {
  id: 'leg raise',
  needs: (side) => [
    ...keysOn([worked(side)], 'hamstring'),
    ...keysOn([otherSide(worked(side))], 'hipExtension'),
  ],
  dials: (input) => {
    const { leg, shoulder } = raisedLying(input);
    return { legHeight: highestDeg(input), strap: strapTo(shoulder, leg.toe, input) };
  },
  heights: (input) => {
    const { leg, shoulder } = raisedLying(input);
    return [
      { slot: 'underKnees', side: 'both', rawCm: otherKneeCm(input) },
      { slot: 'strap', side: 'both', rawCm: strapTo(shoulder, leg.toe, input), isLength: true },
    ];
  },
  figure: (input, built) => {
    const { body } = input;
    const hip = lyingHip(body);
    const { rise, leg, shoulder } = raisedLying(input);
    const kneeDown =
      (built.underKnees ?? 0) > 0
        ? Math.asin(Math.min(0.6, (built.underKnees ?? 0) / body.thighCm)) * (180 / Math.PI)
        : 0;
    const low = liftedLeg(hip, kneeDown, 2 * kneeDown + 4, body);
    const lying = lyingFigure(body, built);
    const side = worked(input.side);
    return {
      posture: postureFrom({
        near: leg,
        far: low,
        hip,
        upper: upperFrom(
          lying.spine,
          lying,
          armToward(
            shoulder,
            handOnStrap(shoulder, leg.toe, strapTo(shoulder, leg.toe, input)),
            body,
            -1,
          ),
        ),
        pelvisDeg: 0,
        pelvisLeanDeg: lying.pelvisLeanDeg,
        strapTo: leg.toe,
        supports: built.underKnees
          ? [{ slot: 'underKnees', xCm: low.knee[0] - 2, bottomCm: 0, topCm: built.underKnees }]
          : [],
      }),
      demands: [
        {
          range: 'hamstring',
          side,
          needDeg: rise,
          haveDeg: rangeValue(input.values, 'hamstring', side),
        },
      ],
      findings: { raisedDeg: rise, strapCm: strapTo(shoulder, leg.toe, input) },
    };
  },
  why: (input, need) => {
    const side = worked(input.side);
    if (need.slot === 'underKnees') return [{ code: 'other-thigh', cm: need.rawCm }];
    return [
      {
        code: 'raised-strap',
        deg: rangeValue(input.values, 'hamstring', side),
        side,
        cm: need.rawCm,
        seated: false,
      },
    ];
  },
};

/** The raised leg of a seated pose: the knee bends until the hamstring lets the thigh stand so high. */
function raisedSeated(input: FamilyInput, hip: Point, riseDeg: number) {
  const coupling = valueOf(input.values, 'hamstringCoupling');
  const { body } = input;
  const kneeY = hip[1] + body.thighCm * sinDeg(riseDeg);
  // A foot that would hang under the floor stands on it instead.
  const most = riseDeg + asinDeg((kneeY - body.ankleHeightCm) / body.shinCm);
  const kneeDeg = Math.min(
    most,
    Math.max(
      0,
      (90 + input.settings.pelvisTargetDeg + riseDeg - raisedHamstring(input)) / coupling,
    ),
  );
  return { kneeDeg, leg: liftedLeg(hip, riseDeg, kneeDeg, body) };
}

/** Seated, one leg raised on a strap; the other is crossed and sets the seat. */
function raisedLegSeat(id: string, usualDeg: number, overhead: boolean): Family {
  const riseDeg = ({ settings }: FamilyInput) => settings.dials.legHeight ?? usualDeg;
  const raised = (input: FamilyInput, hip: Point) => raisedSeated(input, hip, riseDeg(input));
  const seatNeed = (input: FamilyInput): number =>
    crossedSeatCm(input, otherSide(worked(input.side)), crossed);
  const upright = ({ body }: FamilyInput, seatCm: number): { hip: Point; shoulder: Point } => {
    const hip: Point = [0, seatCm + body.seatToHipCm];
    return { hip, shoulder: along(hip, 0, body.trunkCm) };
  };
  const strap = (input: FamilyInput, seatCm: number): SlotNeed[] => {
    const { hip, shoulder } = upright(input, seatCm);
    const length = strapTo(shoulder, raised(input, hip).leg.toe, input);
    return [
      { slot: 'strap', side: 'both', rawCm: length, isLength: true },
      ...(overhead
        ? [
            {
              slot: 'hands' as const,
              side: 'both' as const,
              rawCm: palmGapCm(shoulder, input.body),
            },
          ]
        : []),
    ];
  };
  return {
    id,
    ...(overhead ? { bears: { hands: 'one' } as const } : {}),
    needs: (side) => [
      'hamstringCoupling',
      ...keysOn([worked(side)], 'hamstring'),
      ...keysOn([otherSide(worked(side))], 'hipRotation', 'hipFlexion'),
    ],
    heights: (input) => {
      const seat = seatNeed(input);
      return [{ slot: 'seat', side: 'both', rawCm: seat }, ...strap(input, Math.max(0, seat))];
    },
    dials: (input) => ({
      legHeight: standsAtWall(input) ? highestDeg(input) : usualDeg,
      strap: strap(input, Math.max(0, seatNeed(input)))[0]?.rawCm ?? 0,
    }),
    afterBuilt: (input, { seat = 0 }) => strap(input, seat),
    figure: (input, built) => {
      if (standsAtWall(input)) return atTheWall(input);
      const { body } = input;
      const seatCm = built.seat ?? 0;
      const { hip, shoulder } = upright(input, seatCm);
      const spine = spineFrom(hip, body.trunkCm, 0, 0);
      const { kneeDeg, leg } = raised(input, hip);
      const strapCm = strapTo(shoulder, leg.toe, input);
      const other = otherSide(worked(input.side));
      const low = crossedLeg(
        hip[1],
        usableRotation(input, other),
        { kneeDeg: crossed.kneeDeg, footCm: crossed.footShare * body.statureCm, pastMidlineCm: 0 },
        body,
      );
      return {
        posture: postureFrom({
          near: leg,
          far: legOf(low),
          hip,
          upper: upperFrom(
            spine,
            headFrom(shoulder, body, 2),
            armToward(shoulder, handOnStrap(shoulder, leg.toe, strapCm), body, -1),
          ),
          pelvisDeg: input.settings.pelvisTargetDeg,
          pelvisLeanDeg: 0,
          strapTo: leg.toe,
          supports: [
            { slot: 'seat', xCm: hip[0] - 5, bottomCm: 0, topCm: seatCm },
            ...(built.hands
              ? [{ slot: 'hands', xCm: hip[0] - 26, bottomCm: 0, topCm: built.hands }]
              : []),
          ],
        }),
        demands: [
          {
            range: 'hamstring',
            side: worked(input.side),
            needDeg:
              90 +
              input.settings.pelvisTargetDeg +
              riseDeg(input) -
              valueOf(input.values, 'hamstringCoupling') * kneeDeg,
            haveDeg: rangeValue(input.values, 'hamstring', worked(input.side)),
          },
        ],
        findings: { kneeBendDeg: kneeDeg, kneeRiseDeg: low.thighRiseDeg },
      };
    },
    why: raisedLegWhy,
  };
}

const standsAtWall = ({ settings }: FamilyInput) => settings.way === 'wall';
/** Standing beside a wall, the raised heel on it: as high as the dial says, the standing leg upright. */
function atTheWall(input: FamilyInput): Figure {
  const { body } = input;
  const raisedDeg = input.settings.dials.legHeight ?? highestDeg(input);
  const legCm = body.thighCm + body.shinCm;
  const hip: Point = [0, body.ankleHeightCm + legCm];
  const leg = liftedLeg(hip, raisedDeg - 90, 0, body);
  const spine = spineFrom(hip, body.trunkCm, 0, 0);
  const shoulder = spine.at(-1) as Point;
  const standing = (cm: number): Point => [0, hip[1] - cm];
  const side = worked(input.side);
  return {
    posture: postureFrom({
      near: leg,
      far: {
        knee: standing(body.thighCm),
        ankle: standing(legCm),
        heel: [-0.25 * body.footCm, 1],
        toe: [0.72 * body.footCm, 1.2],
      },
      hip,
      upper: upperFrom(spine, headFrom(shoulder, body, 2), armToward(shoulder, leg.toe, body, -1)),
      pelvisDeg: 0,
      pelvisLeanDeg: 0,
      supports: [],
    }),
    demands: [
      {
        range: 'hamstring',
        side,
        needDeg: raisedDeg,
        haveDeg: rangeValue(input.values, 'hamstring', side),
      },
    ],
    findings: { raisedDeg },
  };
}

function raisedLegWhy(input: FamilyInput, need: SlotNeed): HeightReason[] {
  if (need.slot === 'hands') return palmWhy(need);
  const [side, other] = [worked(input.side), otherSide(worked(input.side))];
  if (need.slot === 'seat')
    return [
      {
        code: 'raised-seat',
        deg: rangeValue(input.values, 'hipRotation', other),
        side: other,
        cm: need.rawCm,
      },
    ];
  return [
    {
      code: 'raised-strap',
      deg: rangeValue(input.values, 'hamstring', side),
      side,
      cm: need.rawCm,
      seated: true,
    },
  ];
}

export const heron = raisedLegSeat('heron', parameter.seatedRaise.value, false);
export const sundial = raisedLegSeat('sundial', parameter.sundialRaise.value, true);
