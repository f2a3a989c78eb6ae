import { cosDeg, sinDeg } from '../../angles';
import { armCm, type Body } from '../../body/body';
import { child, reclined, ends } from '../../parameters';
import { priorOf, sides, type ReadingSide } from '../../ranges/ranges';
import type { HeightReason, HeightReasons } from '../../reasons';
import { leastOf, rangeValue, valueOf } from '../inputs';
import {
  keysOn,
  otherSide,
  worked,
  type Built,
  type Family,
  type FamilyInput,
  type SlotNeed,
} from '../family';
import {
  armToward,
  between,
  handOnStrap,
  postureFrom,
  upperFrom,
  type Leg,
  type Point,
} from '../posture';
import { liftedLeg, lyingFigure, lyingHip, lyingNeck, lyingShoulder } from './reclinedOpen';

/** Heights that nothing reckons: where to begin, and to go on rung by rung. */
export const byTrying = (
  { rawCm }: SlotNeed,
  under: HeightReasons['by-trying']['under'],
  side: ReadingSide = 'both',
): HeightReason[] => [{ code: 'by-trying', cm: rawCm, under, side }];

/** Knees bent, feet standing: as near as they like. */
const standingFeet = ({ body }: FamilyInput): Leg => {
  const hip = lyingHip(body);
  const leg = liftedLeg(hip, 52, 104, body);
  return {
    ...leg,
    heel: [leg.ankle[0] - 0.25 * body.footCm, 1],
    toe: [leg.ankle[0] + 0.6 * body.footCm, 1.4],
  };
};

/** Legs over a roll. */
const overRoll = ({ body }: FamilyInput, rollCm: number): Leg => {
  const hip = lyingHip(body);
  const rise =
    Math.asin(Math.min(0.9, Math.max(0, rollCm + body.kneeBackCm - hip[1]) / body.thighCm)) *
    (180 / Math.PI);
  const kneeY = hip[1] + body.thighCm * sinDeg(rise);
  const fall =
    Math.asin(Math.min(0.95, Math.max(0, kneeY - body.ankleOverHeelCm) / body.shinCm)) *
    (180 / Math.PI);
  return liftedLeg(hip, rise, rise + fall, body);
};

/** How far a low back arches off the floor because the pelvis stands tipped forward. */
const archDeg = ({ values }: Pick<FamilyInput, 'values'>) =>
  reclined.archShare.value *
  Math.max(0, valueOf(values, 'pelvicTilt.standing') - usualStanding.mean);
const usualStanding = priorOf('pelvicTilt.standing', 'unknown');

/** A roll for the knees at rest: more where the hips cannot lie flat, or the low back arches. */
const restRollCm = (input: FamilyInput) => {
  const { body, values, settings } = input;
  const shortDeg = Math.max(0, -settings.share * leastOf(values, 'hipExtension', sides));
  return reclined.restRoll.value + body.thighCm * sinDeg(Math.max(shortDeg, archDeg(input)));
};

/** Lying on the back with the knees bent, or over a roll. */
function lyingFamily(id: string, roll: boolean): Family {
  return {
    id,
    ...(roll ? { bears: { underKnees: { as: 'one under both', fitted: true } } as const } : {}),
    needs: () => (roll ? [...keysOn(sides, 'hipExtension'), 'pelvicTilt.standing'] : []),
    heights: (input) => [
      ...(roll
        ? [{ slot: 'underKnees' as const, side: 'both' as const, rawCm: restRollCm(input) }]
        : []),
      lyingNeck(input.body),
    ],
    figure: (input, built: Built) => {
      const { body } = input;
      const upper = lyingFigure(body, built);
      const leg = roll ? overRoll(input, built.underKnees ?? 0) : standingFeet(input);
      return {
        posture: postureFrom({
          near: leg,
          hip: lyingHip(body),
          upper,
          pelvisDeg: 0,
          pelvisLeanDeg: upper.pelvisLeanDeg,
          supports: [
            ...upper.supports.filter(({ slot }) => slot === 'neck'),
            ...(built.underKnees
              ? [{ slot: 'underKnees', xCm: leg.knee[0] - 2, bottomCm: 0, topCm: built.underKnees }]
              : []),
          ],
        }),
        demands: roll
          ? sides.map((side) => ({
              range: 'hipExtension',
              side,
              needDeg: 0,
              haveDeg: rangeValue(input.values, 'hipExtension', side),
            }))
          : [],
        findings: {},
      };
    },
    why: (input, need) =>
      need.slot === 'neck'
        ? [{ code: 'lying-head', cm: need.rawCm }]
        : [
            {
              code: 'rest-knees',
              cm: need.rawCm,
              standsDeg:
                archDeg(input) > TOLD_DEG ? valueOf(input.values, 'pelvicTilt.standing') : null,
            },
          ],
  };
}
/** Less of an arch is told nobody. */
const TOLD_DEG = 2;

/** Hip bend of thighs beside the ribs: knees wide bend further than knees together. */
const babyBendDeg = ({ values, settings }: FamilyInput) =>
  Math.min(
    settings.hipFlexionMostDeg,
    leastOf(values, 'hipFlexion', sides) + child.wideKnees.value,
    MOST_BEND_DEG,
  );
const MOST_BEND_DEG = 140;

/** Thighs past upright beside the trunk, shins upright, hands or a strap at the feet. */
function babyLeg(input: FamilyInput): Leg {
  const { body } = input;
  const bends = babyBendDeg(input);
  return liftedLeg(lyingHip(body), bends, bends - 90, body);
}
const footAboveCm = (input: FamilyInput) =>
  Math.max(0, between(lyingShoulder(input.body), babyLeg(input).toe) - armCm(input.body));

/** On the back, knees toward the armpits, feet held from inside or by a strap. */
export const happyBaby: Family = {
  id: 'happy baby',
  needs: () => keysOn(sides, 'hipFlexion'),
  dials: (input) => {
    const strap = footAboveCm(input);
    return strap > 0 ? { strap } : {};
  },
  heights: (input) => [
    lyingNeck(input.body),
    {
      slot: 'strap',
      side: 'both',
      rawCm: input.settings.dials.strap ?? footAboveCm(input),
      isLength: true,
    },
  ],
  figure: (input, built) => {
    const { body } = input;
    const leg = babyLeg(input);
    const lying = lyingFigure(body, built);
    const shoulder = lyingShoulder(body);
    const strapCm = input.settings.dials.strap ?? footAboveCm(input);
    return {
      posture: postureFrom({
        near: leg,
        hip: lyingHip(body),
        upper: upperFrom(
          lying.spine,
          lying,
          armToward(shoulder, handOnStrap(shoulder, leg.toe, strapCm), body, -1),
        ),
        pelvisDeg: 0,
        pelvisLeanDeg: lying.pelvisLeanDeg,
        ...(strapCm > 0 ? { strapTo: leg.toe } : {}),
        supports: lying.supports.filter(({ slot }) => slot === 'neck'),
      }),
      demands: sides.map((side) => ({
        range: 'hipFlexion',
        side,
        needDeg: babyBendDeg(input) - child.wideKnees.value,
        haveDeg: rangeValue(input.values, 'hipFlexion', side),
      })),
      findings: { strapCm },
    };
  },
  why: (_input, need) =>
    need.slot === 'neck'
      ? [{ code: 'lying-head', cm: need.rawCm }]
      : [{ code: 'strap-to-soles', cm: need.rawCm }],
};

export const constructive = lyingFamily('lying, knees bent', false);
export const rest = lyingFamily('lying at rest', true);

/** Reclined figure four: one ankle across the other thigh; the standing foot is raised only when that is easy. */
export const figureFour: Family = {
  id: 'figure four',
  needs: (side) => keysOn([worked(side)], 'hipRotation'),
  heights: (input) => [
    lyingNeck(input.body),
    { slot: 'feet', side: 'both', rawCm: 0, isChosen: true },
  ],
  figure: (input, built) => {
    const { body } = input;
    const hip = lyingHip(body);
    const upper = lyingFigure(body, built);
    const standing = standingFeet(input);
    // The crossed thigh stands, a little outward, and its shin lies across the other thigh.
    const side = worked(input.side);
    const out = 0.3 * body.thighCm;
    const upright = Math.sqrt(body.thighCm ** 2 - out ** 2);
    const knee: Point = [hip[0] + upright * cosDeg(58), hip[1] + upright * sinDeg(58)];
    const lying: Point = [knee[0] - 0.18 * body.shinCm, knee[1] - 0.04 * body.shinCm];
    const reach = Math.sqrt(body.shinCm ** 2 - between(knee, lying) ** 2);
    return {
      posture: postureFrom({
        near: {
          knee,
          ankle: lying,
          heel: [lying[0] - 2, lying[1] - 2],
          toe: [lying[0] + 4, lying[1] + 10],
          aside: { knee: out, ankle: out - reach, toe: out - reach },
        },
        far: standing,
        hip,
        upper,
        pelvisDeg: 0,
        pelvisLeanDeg: upper.pelvisLeanDeg,
        supports: upper.supports.filter(({ slot }) => slot === 'neck'),
      }),
      demands: [
        {
          range: 'hipRotation',
          side,
          needDeg: 45,
          haveDeg: rangeValue(input.values, 'hipRotation', side),
        },
      ],
      findings: {},
    };
  },
  why: (_input, need) =>
    need.slot === 'neck' ? [{ code: 'lying-head', cm: need.rawCm }] : [{ code: 'standing-foot' }],
};

/** Somebody who lies half on the side needs more under the head than on the back. */
const sideLyingHead = (body: Body): SlotNeed => ({
  ...lyingNeck(body),
  rawCm: lyingNeck(body).rawCm + reclined.sideLyingHead.value,
});

/** Twists and the side-lying thigh stretch: small gaps, met by trying. */
function turned(
  id: string,
  slots: readonly ('underKnees' | 'feet' | 'shoulder')[],
  strap: boolean,
): Family {
  const startOf = {
    underKnees: 'ladderStart.crossedKnee',
    feet: 'ladderStart.lyingFoot',
    shoulder: 'ladderStart.lyingShoulder',
  } as const;
  const what = {
    underKnees: 'top knee',
    feet: 'back foot',
    shoulder: 'shoulder',
  } as const;
  return {
    id,
    needs: (side) => [
      ...slots.map((slot) => startOf[slot]),
      ...(strap ? keysOn([otherSide(worked(side))], 'kneeFlexion.prone', 'hipExtension') : []),
    ],
    heights: (input) => [
      ...slots.map((slot): SlotNeed => ({
        slot,
        side: 'both',
        rawCm: valueOf(input.values, startOf[slot]),
      })),
      ...(strap ? [sideLyingHead(input.body)] : []),
      ...(strap
        ? [
            {
              slot: 'strap' as const,
              side: 'both' as const,
              rawCm: footBehindCm(input),
              isLength: true,
            },
          ]
        : []),
    ],
    figure: (input, built) => {
      const { body } = input;
      const hip = lyingHip(body);
      const upper = lyingFigure(body, built);
      // Seen from the side, the knees of a twist lie across: their thighs come forward and over.
      const near = turnedLeg(hip, body);
      const far = strap ? behindLeg(input, hip) : near;
      return {
        posture: postureFrom({
          near,
          far,
          hip,
          upper,
          pelvisDeg: 0,
          pelvisLeanDeg: upper.pelvisLeanDeg,
          strapTo: strap ? far.toe : undefined,
          supports: [
            ...(built.underKnees
              ? [{ slot: 'underKnees', xCm: near.knee[0], bottomCm: 0, topCm: built.underKnees }]
              : []),
            ...(built.feet
              ? [{ slot: 'feet', xCm: near.toe[0], bottomCm: 0, topCm: built.feet }]
              : []),
            ...(built.shoulder
              ? [
                  {
                    slot: 'shoulder',
                    xCm: (upper.spine.at(-1) as Point)[0],
                    bottomCm: 0,
                    topCm: built.shoulder,
                  },
                ]
              : []),
          ],
        }),
        demands: strap
          ? [
              {
                range: 'kneeFlexion.prone',
                side: otherSide(worked(input.side)),
                needDeg:
                  input.settings.share *
                  rangeValue(input.values, 'kneeFlexion.prone', otherSide(worked(input.side))),
                haveDeg: rangeValue(
                  input.values,
                  'kneeFlexion.prone',
                  otherSide(worked(input.side)),
                ),
              },
            ]
          : [],
        findings: {},
      };
    },
    why: (_input, need) =>
      need.slot === 'neck'
        ? [{ code: 'lying-head', cm: need.rawCm }]
        : need.slot === 'strap'
          ? [{ code: 'strap-behind', cm: need.rawCm }]
          : byTrying(need, what[need.slot as 'feet']),
  };
}

/** A leg drawn up and laid across the body. */
function turnedLeg(hip: Point, body: Body): Leg {
  const { thighCm } = body;
  const aside = -0.6 * thighCm;
  const y = 0.3 * thighCm;
  const forward = Math.sqrt(thighCm ** 2 - aside ** 2 - (y - hip[1]) ** 2);
  const knee: Point = [hip[0] + forward, y];
  const drop = y - body.ankleHeightCm;
  const ankle: Point = [knee[0] + 0.25 * body.shinCm, body.ankleHeightCm];
  const sideways = Math.sqrt(Math.max(0, body.shinCm ** 2 - (0.25 * body.shinCm) ** 2 - drop ** 2));
  return {
    knee,
    ankle,
    heel: [ankle[0] - 2, 2],
    toe: [ankle[0] + 0.5 * body.footCm, 2],
    aside: { knee: aside, ankle: aside - sideways, toe: aside - sideways },
  };
}

/** The lower leg of the side-lying stretch, flat on the floor: thigh a little behind, heel drawn toward the seat. */
function behindLeg(input: FamilyInput, hip: Point): Leg {
  const { body, settings, values } = input;
  const side = otherSide(worked(input.side));
  const back = Math.max(0, settings.share * rangeValue(values, 'hipExtension', side));
  const turned =
    back +
    Math.min(ends.heelToSeat.value, settings.share * rangeValue(values, 'kneeFlexion.prone', side));
  const knee: Point = [hip[0] + body.thighCm * cosDeg(back), hip[1]];
  const ankle: Point = [knee[0] + body.shinCm * cosDeg(turned), hip[1]];
  const kneeAside = -body.thighCm * sinDeg(back);
  const ankleAside = kneeAside - body.shinCm * sinDeg(turned);
  const toeward = turned - 40;
  return {
    knee,
    ankle,
    heel: [ankle[0] + 2, ankle[1] - 2],
    toe: [ankle[0] + 0.6 * body.footCm * cosDeg(toeward), ankle[1] - 2],
    aside: {
      knee: kneeAside,
      ankle: ankleAside,
      toe: ankleAside - 0.6 * body.footCm * sinDeg(toeward),
    },
  };
}

function footBehindCm(input: FamilyInput): number {
  const hip = lyingHip(input.body);
  const shoulder = lyingShoulder(input.body);
  const { ankle, aside } = behindLeg(input, hip);
  return Math.max(0, Math.hypot(between(shoulder, ankle), aside?.ankle ?? 0) - armCm(input.body));
}

export const catsTail = turned(
  'side-lying thigh stretch',
  ['underKnees', 'feet', 'shoulder'],
  true,
);
export const crossedTwist = turned('reclined twist', ['underKnees', 'shoulder'], false);
