import { asinDeg, atan2Deg, cosDeg, sinDeg } from '../angles';
import { armCm, type Body } from '../body/body';
import { kneelingLegs } from '../geometry/kneeling/kneelingSeat';
import { longFoot, longLegs, sittingSpine } from '../geometry/sitting/longSit';
import {
  along,
  armToward,
  headFrom,
  legOf,
  legWithFoot,
  postureFrom,
  spineFrom,
  upperFrom,
  type Leg,
  type Point,
  type Posture,
} from '../geometry/posture';
import { lyingFigure, lyingHip } from '../geometry/lying/reclinedOpen';
import { kneeling } from '../parameters';
import {
  heelOf,
  fingersPastPalmCm,
  fingertipPitchDeg,
  kneeBendFromHeelCm,
  shinAtWallDeg,
  straddleDeg,
  toeAheadCm,
  type ProtocolId,
} from '../protocols/protocols';

/** A body seen from the front or from above: joints in the plane of the picture. */
export interface FlatBody {
  readonly seen: 'front' | 'above';
  /** From the hip down, each as hip, knee, ankle, toe. */
  readonly legs: readonly (readonly [Point, Point, Point, Point])[];
  readonly hips: readonly [Point, Point];
  readonly spine: readonly Point[];
  readonly shoulders: readonly [Point, Point];
  readonly head: Point;
}

/** What stands about: a table, a stool, a wall, the seat that was noted. */
export interface Furniture {
  readonly is: 'table' | 'stool' | 'wall' | 'seat';
  readonly fromX: number;
  readonly toX: number;
  readonly topCm: number;
}

/** Where a tool goes: an edge laid along, or a tape between two points. */
export interface ToolPlace {
  readonly is: 'edge' | 'tape';
  readonly from: Point;
  readonly to: Point;
}

/** How a range is read, drawn: the body at one value, the tool, and what is held still. */
export interface MeasuringFigure {
  readonly body: { readonly side: Posture } | { readonly flat: FlatBody };
  readonly tools: readonly ToolPlace[];
  /** Where the other hand holds still. */
  readonly hold: Point | null;
  /** The angle that is read, anticlockwise from one direction to another. */
  readonly angle: { readonly at: Point; readonly fromDeg: number; readonly toDeg: number } | null;
  readonly furniture: readonly Furniture[];
  /** The points that a photo is read from, in their order; empty where no photo reads it. */
  readonly landmarks: readonly Point[];
  /** The part worth seeing large, where the whole body would make the tool too small. */
  readonly closeUp?: {
    readonly left: number;
    readonly right: number;
    readonly bottom: number;
    readonly top: number;
  };
}

/** A point so far off in a direction, anticlockwise from forward. */
const toward = (from: Point, deg: number, cm: number): Point => along(from, 90 - deg, cm);

/** A leg from its hip: the thigh's direction, the knee's bend, and how far the foot points. */
function legFrom(
  hip: Point,
  thighDeg: number,
  bendDeg: number,
  body: Body,
  pointDeg = 0,
): Leg & { readonly shinDeg: number } {
  const shinDeg = thighDeg - bendDeg;
  const footDeg = shinDeg + 90 - pointDeg;
  const knee = toward(hip, thighDeg, body.thighCm);
  const ankle = toward(knee, shinDeg, body.shinCm);
  const sole = toward(ankle, shinDeg, 0.6 * body.ankleOverHeelCm);
  return {
    knee,
    ankle,
    heel: toward(sole, footDeg, -0.22 * body.footCm),
    toe: toward(sole, footDeg, 0.72 * body.footCm),
    shinDeg,
  };
}

/** The middle of the heel of a drawn leg, where a tape begins. */
function heelMiddle({ knee, shinDeg }: Leg & { readonly shinDeg: number }, body: Body): Point {
  const { alongCm, backCm } = heelOf(body);
  return toward(toward(knee, shinDeg, alongCm), shinDeg + 90, -backCm);
}

/** The edge of a phone or protractor along a limb, on the side that is turned outward. */
function edgeAlong(from: Point, to: Point, offCm: number, at = 0.5): ToolPlace {
  const deg = atan2Deg(to[1] - from[1], to[0] - from[0]);
  const middle = toward(
    [from[0] + at * (to[0] - from[0]), from[1] + at * (to[1] - from[1])],
    deg + 90,
    offCm,
  );
  return {
    is: 'edge',
    from: toward(middle, deg, -HALF_PHONE_CM),
    to: toward(middle, deg, HALF_PHONE_CM),
  };
}
const HALF_PHONE_CM = 7.5;
const tape = (from: Point, to: Point): ToolPlace => ({ is: 'tape', from, to });

/** On the back, face up, feet to the right; one leg does something, the other lies or does something else. */
function onBack(body: Body, near: Leg, far?: Leg): Posture {
  const upper = lyingFigure(body, {});
  return {
    ...legOf(near),
    far: legOf(far ?? flatLeg(body)),
    hip: lyingHip(body),
    ...upper,
    supports: [],
    pelvisDeg: 0,
  };
}
const flatLeg = (body: Body) =>
  legFrom(
    lyingHip(body),
    -asinDeg((body.seatToHipCm - body.ankleOverHeelCm) / (body.thighCm + body.shinCm)),
    0,
    body,
    25,
  );

/** On the back on something high. */
function onTable(body: Body, topCm: number): { posture: Posture; hip: Point } {
  const lift = ([x, y]: Point): Point => [x, y + topCm];
  const flat = onBack(body, flatLeg(body));
  const hip = lift(flat.hip);
  return {
    posture: {
      ...flat,
      hip,
      spine: flat.spine.map(lift),
      head: lift(flat.head),
      elbow: lift(flat.elbow),
      hand: lift(flat.hand),
    },
    hip,
  };
}

/** Face down, feet to the left. */
function faceDown(body: Body, near: Leg): Posture {
  const hip: Point = [0, body.seatToHipCm];
  const spine = spineFrom(hip, body.trunkCm, 90, 90);
  const shoulder = spine.at(-1) as Point;
  const upper = upperFrom(
    spine,
    headFrom(shoulder, body, 68),
    armToward(shoulder, [shoulder[0] - 0.99 * armCm(body), 4], body, -1),
  );
  return postureFrom({
    near,
    far: legOf(proneLeg(body, 0, 88)),
    hip,
    upper,
    pelvisDeg: 0,
    pelvisLeanDeg: 90,
    supports: [],
  });
}
const proneLeg = (body: Body, bendDeg: number, pointDeg = 30) =>
  legFrom(
    [0, body.seatToHipCm],
    180 + asinDeg((body.seatToHipCm - body.kneeFrontCm) / body.thighCm),
    bendDeg,
    body,
    pointDeg,
  );

/** Upright over given legs, arms loose. */
function upright(
  body: Body,
  hip: Point,
  legs: Leg,
  far: Leg | undefined,
  { lean = 0, hand }: { lean?: number; hand?: Point } = {},
): Posture {
  const spine = spineFrom(hip, body.trunkCm, lean, 0);
  const shoulder = spine.at(-1) as Point;
  const own: Point = hand ?? [shoulder[0] + 3, shoulder[1] - armCm(body)];
  return postureFrom({
    near: legs,
    far: far && legOf(far),
    hip,
    upper: upperFrom(spine, headFrom(shoulder, body, 2), armToward(shoulder, own, body, -1)),
    pelvisDeg: lean,
    pelvisLeanDeg: lean,
    supports: [],
  });
}

const side = (posture: Posture, more: Partial<Omit<MeasuringFigure, 'body'>>): MeasuringFigure => ({
  body: { side: posture },
  tools: [],
  hold: null,
  angle: null,
  furniture: [],
  landmarks: [],
  ...more,
});

/** The rear and the front hip-bone point of a pelvis that tilts so, front lower +. */
function hipBones(hip: Point, tiltDeg: number, body: Body): readonly [rear: Point, front: Point] {
  const middle: Point = [hip[0], hip[1] + 0.045 * body.statureCm];
  return [
    toward(middle, -tiltDeg, -0.045 * body.statureCm),
    toward(middle, -tiltDeg, 0.045 * body.statureCm),
  ];
}
const acrossPelvis = (
  bones: readonly [Point, Point],
  tiltDeg: number,
): Partial<MeasuringFigure> => ({
  tools: [{ is: 'edge', from: toward(bones[0], -tiltDeg, -4), to: toward(bones[1], -tiltDeg, 4) }],
  angle: { at: bones[0], fromDeg: Math.min(0, -tiltDeg), toDeg: Math.max(0, -tiltDeg) },
  landmarks: bones,
});

function legRaise(deg: number, body: Body): MeasuringFigure {
  const hip = lyingHip(body);
  const leg = legFrom(hip, deg, 0, body);
  const flat = flatLeg(body);
  return side(onBack(body, leg, flat), {
    tools: [edgeAlong(leg.knee, leg.ankle, 0.034 * body.statureCm)],
    hold: [hip[0] + 2, hip[1] + 0.05 * body.statureCm],
    angle: { at: hip, fromDeg: 0, toDeg: deg },
    landmarks: [flat.heel, hip, leg.ankle],
  });
}

function heelDrawnIn(
  bendDeg: number,
  body: Body,
): Leg & { readonly thighDeg: number; readonly shinDeg: number } {
  // As far as the thigh comes up by itself when the heel is drawn in.
  const thighDeg = 60 + 0.35 * bendDeg;
  return { ...legFrom(lyingHip(body), thighDeg, bendDeg, body, 20), thighDeg };
}

/** Standing at a wall: the shin leans, the heel stays down, the other leg is behind. */
function leaningShin(
  leanDeg: number,
  body: Body,
): { posture: Posture; knee: Point; ankle: Point; toeX: number } {
  const ankle: Point = [0, body.ankleOverHeelCm + 0.01 * body.statureCm];
  const knee: Point = [
    ankle[0] + body.shinCm * sinDeg(leanDeg),
    ankle[1] + body.shinCm * cosDeg(leanDeg),
  ];
  const hip = toward(knee, 118, body.thighCm);
  const toeX = toeAheadCm(body);
  const near: Leg = { knee, ankle, heel: [-0.22 * body.footCm, 2], toe: [toeX, 1.5] };
  const back = Math.max(
    0.2 * body.statureCm,
    Math.sqrt(Math.max(1, (body.thighCm + body.shinCm) ** 2 - (hip[1] - 9) ** 2)),
  );
  const farAnkle: Point = [hip[0] - back, 9];
  const farKnee: Point = [hip[0] - back * 0.48, hip[1] - (hip[1] - 9) * 0.52];
  const far: Leg = {
    knee: farKnee,
    ankle: farAnkle,
    heel: [farAnkle[0] - 4, 6],
    toe: [farAnkle[0] + 0.6 * body.footCm, 1.5],
  };
  return { posture: upright(body, hip, near, far, { lean: 4 }), knee, ankle, toeX };
}

/** Hips, trunk, shoulders and head in the plane of the picture, over given legs. */
export const flatBody = (
  body: Body,
  seen: FlatBody['seen'],
  hipY: number,
  legs: FlatBody['legs'],
): FlatBody => {
  const half = 0.105 * body.statureCm;
  const hips = [
    [-body.hipSpacingCm / 2, hipY],
    [body.hipSpacingCm / 2, hipY],
  ] as const;
  const top = hipY + body.trunkCm;
  return {
    seen,
    legs,
    hips,
    spine: [
      [0, hipY],
      [0, hipY + body.trunkCm * 0.5],
      [0, top - 4],
    ],
    shoulders: [
      [-half, top],
      [half, top],
    ],
    head: [0, top + 0.11 * body.statureCm],
  };
};

/** On the back or sitting, from above, head up in the picture: a leg that goes aside by so much from straight down. */
const asideLeg = (
  hip: Point,
  outDeg: number,
  sign: 1 | -1,
  body: Body,
): readonly [Point, Point, Point, Point] => {
  const deg = -90 + sign * outDeg;
  const knee = toward(hip, deg, body.thighCm);
  const ankle = toward(knee, deg, body.shinCm);
  return [hip, knee, ankle, toward(ankle, deg, 0.4 * body.footCm)];
};

/** The heel of a leg that goes aside, its foot square: as far beyond the ankle as a sole lies under it. */
const heelAside = (leg: FlatBody['legs'][number] | undefined, { ankleHeightCm }: Body): Point => {
  const [, knee, ankle] = leg as FlatBody['legs'][number];
  return toward(ankle, atan2Deg(ankle[1] - knee[1], ankle[0] - knee[0]), ankleHeightCm);
};

const around = (
  points: readonly Point[],
  roomCm: number,
): NonNullable<MeasuringFigure['closeUp']> => ({
  left: Math.min(...points.map(([x]) => x)) - roomCm,
  right: Math.max(...points.map(([x]) => x)) + roomCm,
  bottom: Math.min(...points.map(([, y]) => y)) - roomCm,
  top: Math.max(...points.map(([, y]) => y)) + roomCm,
});

type Drawing = (value: number, body: Body, seatCm: number) => MeasuringFigure;

/** The drawing of each way of reading: apart from its entry, for only measuring draws it. */
/** A thigh drawn to the chest. */
function thighToChest(deg: number, body: Body): MeasuringFigure {
  const hip = lyingHip(body);
  const leg = legFrom(hip, deg, 125, body, 15);
  const flat = flatLeg(body);
  return side(onBack(body, leg, flat), {
    tools: [edgeAlong(hip, leg.knee, 0.045 * body.statureCm, 0.6)],
    angle: { at: hip, fromDeg: 0, toDeg: deg },
    landmarks: [flat.heel, hip, leg.knee],
  });
}

const figures: Readonly<Record<ProtocolId, Drawing>> = {
  'pelvic-tilt.standing': (tilt, body) => {
    const hip: Point = [0, body.ankleHeightCm + body.shinCm + body.thighCm];
    const posture = upright(body, hip, legFrom(hip, -90, 2, body), undefined, { lean: tilt - 10 });
    return side(posture, acrossPelvis(hipBones(hip, tilt, body), tilt));
  },
  'pelvic-tilt.long-sit': (tilt, body, seatCm) => {
    const legs = longLegs(seatCm, 0, body);
    const rolled = Math.max(0, 10 - tilt);
    const spine = sittingSpine(legs.hip, rolled, body);
    const shoulder = spine.at(-1) as Point;
    const upper = upperFrom(
      spine,
      headFrom(shoulder, body, rolled * 0.3),
      armToward(shoulder, [legs.hip[0] + 0.55 * body.thighCm, legs.hip[1] + 8], body, -1),
    );
    const posture = postureFrom({
      near: legWithFoot(legs.knee, legs.ankle, longFoot(legs, body)),
      hip: legs.hip,
      upper,
      pelvisDeg: tilt,
      pelvisLeanDeg: -rolled,
      supports: [],
    });
    return side(posture, {
      ...acrossPelvis(hipBones(legs.hip, tilt, body), tilt),
      furniture:
        seatCm > 0
          ? [{ is: 'seat', fromX: legs.hip[0] - 20, toX: legs.hip[0] + 14, topCm: seatCm }]
          : [],
    });
  },
  'pelvic-tilt.tall-chair': (tilt, body) => {
    const slopeDeg = 25;
    const seat =
      body.shinCm + body.ankleHeightCm + body.thighCm * sinDeg(slopeDeg) - body.seatToHipCm;
    const hip: Point = [0, seat + body.seatToHipCm];
    const knee = toward(hip, -slopeDeg, body.thighCm);
    const ankle: Point = [knee[0], knee[1] - body.shinCm];
    const leg: Leg = {
      knee,
      ankle,
      heel: [ankle[0] - 0.22 * body.footCm, 1.5],
      toe: [ankle[0] + 0.72 * body.footCm, 1.5],
    };
    return side(upright(body, hip, leg, undefined, { lean: tilt + 10 }), {
      ...acrossPelvis(hipBones(hip, tilt, body), tilt),
      furniture: [{ is: 'stool', fromX: -24, toX: 12, topCm: seat }],
    });
  },
  'straight-leg-raise.pelvis-watched': legRaise,
  'straight-leg-raise.first-pull': (deg, body) => ({
    ...legRaise(deg, body),
    hold: [0.3 * body.thighCm, body.seatToHipCm],
  }),
  'knee-extension-90': (lag, body) => {
    const hip = lyingHip(body);
    const leg = legFrom(hip, 90, lag, body);
    return side(onBack(body, leg), {
      tools: [edgeAlong(leg.knee, leg.ankle, 0.034 * body.statureCm)],
      hold: toward(hip, 90, 0.7 * body.thighCm),
      angle: { at: leg.knee, fromDeg: leg.shinDeg, toDeg: 90 },
      landmarks: [hip, leg.knee, leg.ankle],
    });
  },
  'fingertip-floor': (gapCm, body) => {
    const hip: Point = [0, body.ankleHeightCm + body.shinCm + body.thighCm];
    const pitch = fingertipPitchDeg(gapCm, body);
    const spine = spineFrom(hip, body.trunkCm, pitch - 20, pitch + 20);
    const shoulder = spine.at(-1) as Point;
    const hand: Point = [shoulder[0], Math.max(2, gapCm + fingersPastPalmCm(body))];
    const upper = upperFrom(
      spine,
      headFrom(shoulder, body, Math.min(170, pitch + 30)),
      armToward(shoulder, hand, body, -1),
    );
    const posture = postureFrom({
      near: legFrom(hip, -90, 0, body),
      hip,
      upper,
      pelvisDeg: 0,
      pelvisLeanDeg: pitch - 20,
      supports: [],
    });
    return side(posture, {
      tools: gapCm > 1 ? [tape([hand[0] + 9, 0], [hand[0] + 9, gapCm])] : [],
      hold: [-5, body.ankleHeightCm + body.shinCm],
    });
  },
  'knee-bend.on-back': (bend, body) => {
    const leg = heelDrawnIn(bend, body);
    return side(onBack(body, leg), {
      tools: [
        edgeAlong(lyingHip(body), leg.knee, 0.045 * body.statureCm, 0.6),
        edgeAlong(leg.knee, leg.ankle, 0.034 * body.statureCm),
      ],
      hold: null,
      angle: { at: leg.knee, fromDeg: leg.thighDeg - bend, toDeg: leg.thighDeg },
      landmarks: [lyingHip(body), leg.knee, leg.ankle],
    });
  },
  'heel-to-seat': (cm, body) => {
    const leg = heelDrawnIn(kneeBendFromHeelCm(cm, body), body);
    return side(onBack(body, leg), { tools: [tape(heelMiddle(leg, body), lyingHip(body))] });
  },
  'kneeling-seat': (seatCm, body) => {
    const legs = kneelingLegs(seatCm, body);
    const spine = spineFrom(legs.hip, body.trunkCm, 0, 0);
    const shoulder = spine.at(-1) as Point;
    const upper = upperFrom(
      spine,
      headFrom(shoulder, body, 2),
      armToward(shoulder, [legs.hip[0] + 0.6 * body.thighCm, legs.hip[1] + 6], body, -1),
    );
    const posture = postureFrom({
      near: legs,
      hip: legs.hip,
      upper,
      pelvisDeg: 0,
      pelvisLeanDeg: 0,
      supports: [],
    });
    return side(posture, {
      tools: [tape([legs.hip[0] - 22, 0], [legs.hip[0] - 22, seatCm])],
      furniture:
        seatCm > 0
          ? [{ is: 'seat', fromX: legs.hip[0] - 14, toX: legs.hip[0] + 8, topCm: seatCm }]
          : [],
    });
  },
  'knee-bend.face-down': (bend, body) => {
    const leg = proneLeg(body, bend);
    return side(faceDown(body, leg), {
      tools: [edgeAlong(leg.ankle, leg.knee, 0.034 * body.statureCm)],
      hold: [2, body.seatToHipCm + 0.05 * body.statureCm],
      angle: { at: leg.knee, fromDeg: leg.shinDeg, toDeg: 180 },
      landmarks: [[0, body.seatToHipCm], leg.knee, leg.ankle],
    });
  },
  'heel-to-seat.face-down': (cm, body) => {
    const leg = proneLeg(body, kneeBendFromHeelCm(cm, body));
    return side(faceDown(body, leg), {
      tools: [tape(heelMiddle(leg, body), [0, body.seatToHipCm])],
      hold: [2, body.seatToHipCm + 0.05 * body.statureCm],
    });
  },
  'thigh-to-chest': (deg, body) => ({
    ...thighToChest(deg, body),
    hold: [0.55 * body.thighCm, body.seatToHipCm + 2],
  }),
  'thigh-to-chest.free': thighToChest,
  'crossed-seat-gap': (gapCm, body, seatCm) => {
    const hip: Point = [0, seatCm + body.seatToHipCm];
    const kneeY = gapCm + body.kneeBackCm;
    const forward = 0.62 * Math.sqrt(Math.max(1, body.thighCm ** 2 - (kneeY - hip[1]) ** 2));
    const knee: Point = [forward, kneeY];
    const ankle: Point = [forward * 0.92, 7];
    const leg: Leg = {
      knee,
      ankle,
      heel: [ankle[0] - 3, 5],
      toe: [ankle[0] + 0.3 * body.footCm, 4],
    };
    return side(upright(body, hip, leg, undefined, { hand: [knee[0] - 6, knee[1] + 8] }), {
      tools: [tape([knee[0] + 8, 0], [knee[0] + 8, gapCm])],
      hold: [hip[0] - 4, hip[1]],
      furniture: seatCm > 0 ? [{ is: 'seat', fromX: -20, toX: 12, topCm: seatCm }] : [],
    });
  },
  'table-edge-rotation': (deg, body) => {
    const hipY = 70;
    const half = body.hipSpacingCm / 2;
    const hips = [
      [-half - 2, hipY],
      [half + 2, hipY],
    ] as const;
    const knees = [
      [-half - 4, hipY - 6],
      [half + 4, hipY - 6],
    ] as const;
    const swung = toward(knees[1], -90 - deg, body.shinCm);
    const flat = flatBody(body, 'front', hipY, [
      [
        hips[0],
        knees[0],
        toward(knees[0], -90, body.shinCm),
        toward(knees[0], -90, body.shinCm + 6),
      ],
      [hips[1], knees[1], swung, toward(swung, -90 - deg, 6)],
    ]);
    return {
      body: { flat },
      tools: [edgeAlong(knees[1], swung, -0.034 * body.statureCm)],
      hold: knees[1],
      angle: { at: knees[1], fromDeg: -90 - deg, toDeg: -90 },
      furniture: [{ is: 'table', fromX: -42, toX: 42, topCm: hipY - 8 }],
      landmarks: [knees[1], swung],
    };
  },
  'straddle-width': (widthCm, body) => {
    const out = straddleDeg(widthCm, body);
    const y = body.thighCm + body.shinCm;
    const flat = flatBody(body, 'above', y, [
      asideLeg([-body.hipSpacingCm / 2, y], out, -1, body),
      asideLeg([body.hipSpacingCm / 2, y], out, 1, body),
    ]);
    return {
      body: { flat },
      tools: [tape(heelAside(flat.legs[0], body), heelAside(flat.legs[1], body))],
      hold: null,
      angle: null,
      furniture: [],
      landmarks: [],
    };
  },
  'spread.on-back': (deg, body) => {
    const y = body.thighCm + body.shinCm;
    const [left, right] = [
      [-body.hipSpacingCm / 2, y],
      [body.hipSpacingCm / 2, y],
    ] as const;
    const moved = asideLeg(right, deg, 1, body);
    const flat = flatBody(body, 'above', y, [asideLeg(left, 0, -1, body), moved]);
    return {
      body: { flat },
      tools: [edgeAlong(moved[0], moved[1], 0, 0.6)],
      hold: left,
      angle: { at: right, fromDeg: -90, toDeg: -90 + deg },
      furniture: [],
      landmarks: [left, right, moved[1]],
    };
  },
  'thigh-behind.edge': (deg, body) => {
    const top = 62;
    const { posture: flat, hip } = onTable(body, top);
    const hanging = legFrom(hip, -deg, 80 - deg, body, 30);
    const held = legFrom(hip, 122, 132, body, 20);
    const posture: Posture = {
      ...flat,
      ...legOf(hanging),
      far: legOf(held),
      hand: toward(held.knee, 200, 4),
    };
    return side(posture, {
      tools: [edgeAlong(hip, hanging.knee, 0.05 * body.statureCm, 0.6)],
      hold: toward(held.knee, -60, 4),
      angle: { at: hip, fromDeg: Math.min(0, -deg), toDeg: Math.max(0, -deg) },
      furniture: [{ is: 'table', fromX: -body.trunkCm - 45, toX: 4, topCm: top }],
      landmarks: [hip, hanging.knee],
    });
  },
  'knee-to-wall': (cm, body) => {
    const { posture, toeX } = leaningShin(shinAtWallDeg(cm, body), body);
    return side(posture, {
      tools: [tape([toeX, 1], [toeX + cm, 1])],
      hold: [-0.2 * body.footCm, 3],
      furniture: [
        { is: 'wall', fromX: toeX + cm, toX: toeX + cm + 4, topCm: 0.62 * body.statureCm },
      ],
      closeUp: around(
        [
          [-0.3 * body.statureCm, 0],
          [toeX + cm, 0.42 * body.statureCm],
        ],
        6,
      ),
    });
  },
  'ankle-bend.shin': (deg, body) => {
    const { posture, knee, ankle, toeX } = leaningShin(deg, body);
    return side(posture, {
      tools: [edgeAlong(knee, ankle, 0.034 * body.statureCm)],
      hold: [-0.2 * body.footCm, 3],
      angle: { at: ankle, fromDeg: 90 - deg, toDeg: 90 },
      landmarks: [knee, ankle, [toeX, 1.5]],
      closeUp: around(
        [
          [-0.3 * body.statureCm, 0],
          [0.3 * body.statureCm, 0.42 * body.statureCm],
        ],
        6,
      ),
    });
  },
  'kneeling-ankle-gap': (gapCm, body) => {
    const knee: Point = [0, body.kneeFrontCm];
    const ankle: Point = [-body.shinCm, body.footTopCm + gapCm];
    const lever = kneeling.ankleLever.value * body.footCm;
    const toe: Point = [ankle[0] - Math.sqrt(Math.max(1, lever ** 2 - gapCm ** 2)) * 1.3, 1.2];
    const hip: Point = [0, body.kneeFrontCm + body.thighCm];
    const leg: Leg = { knee, ankle, heel: [ankle[0] - 2, ankle[1] + 5], toe };
    return side(upright(body, hip, leg, undefined), {
      tools: [tape([ankle[0] - 2, 0], [ankle[0] - 2, Math.max(0.5, gapCm)])],
      closeUp: around(
        [
          [toe[0], 0],
          [knee[0], 0.3 * body.statureCm],
        ],
        10,
      ),
    });
  },
  'ankle-point.lying': (deg, body) => {
    const { posture: flat, hip } = onTable(body, 24);
    const leg = legFrom(hip, -2, 0, body, deg);
    return side(
      { ...flat, ...legOf(leg), far: legOf(legFrom(hip, -2, 0, body, 20)) },
      {
        furniture: [{ is: 'table', fromX: -body.trunkCm - 45, toX: leg.ankle[0] - 7, topCm: 24 }],
        closeUp: around(
          [
            [0.5 * body.thighCm, 0],
            [leg.ankle[0] + body.footCm, 24 + 0.26 * body.statureCm],
          ],
          4,
        ),
        tools: [edgeAlong(leg.ankle, leg.toe, 3)],
        hold: leg.knee,
        angle: { at: leg.ankle, fromDeg: leg.shinDeg + 90 - deg, toDeg: leg.shinDeg + 90 },
        landmarks: [
          leg.knee,
          leg.ankle,
          leg.heel,
          toward(leg.heel, leg.shinDeg + 90 - deg, 0.62 * body.footCm),
        ],
      },
    );
  },
  'spine-fold.seated': (deg, body) => {
    const seat = body.shinCm + body.ankleHeightCm - 4;
    const hip: Point = [0, seat + body.seatToHipCm];
    const knee: Point = [
      Math.sqrt(Math.max(1, body.thighCm ** 2 - (hip[1] - seat - 4) ** 2)),
      seat + 4,
    ];
    const ankle: Point = [knee[0], body.ankleHeightCm];
    const leg: Leg = {
      knee,
      ankle,
      heel: [ankle[0] - 5, 2],
      toe: [ankle[0] + 0.6 * body.footCm, 1.5],
    };
    const spine = spineFrom(hip, body.trunkCm, 0, deg);
    const shoulder = spine.at(-1) as Point;
    const upper = upperFrom(
      spine,
      headFrom(shoulder, body, deg + 20),
      armToward(shoulder, [knee[0] - 8, knee[1] + 10], body, -1),
    );
    const posture = postureFrom({
      near: leg,
      hip,
      upper,
      pelvisDeg: 0,
      pelvisLeanDeg: 0,
      supports: [],
    });
    const back = body.trunkDepthCm;
    return side(posture, {
      tools: [
        edgeAlong(spine[0] as Point, spine[3] as Point, back),
        edgeAlong(spine[9] as Point, shoulder, back),
      ],
      furniture: [{ is: 'stool', fromX: -16, toX: 18, topCm: seat }],
      angle: null,
    });
  },
  'arm-overhead.lying': (deg, body) => {
    const bent = legFrom(lyingHip(body), 52, 104, body, 0);
    const flat = onBack(body, bent, bent);
    const shoulder = flat.spine.at(-1) as Point;
    // From beside the trunk, which lies a little aslope.
    const besideDeg = atan2Deg(flat.hip[1] - shoulder[1], flat.hip[0] - shoulder[0]);
    const elbow = toward(shoulder, besideDeg + deg, body.upperArmCm);
    const hand = toward(elbow, besideDeg + deg, body.forearmCm + body.palmCm);
    const lie = ([x, y]: Point): Point => [x, Math.max(3, y)];
    return side(
      { ...flat, elbow: lie(elbow), hand: lie(hand) },
      {
        tools: [edgeAlong(shoulder, elbow, -0.03 * body.statureCm)],
        hold: along(shoulder, 90, 0.2 * body.statureCm),
        angle: { at: shoulder, fromDeg: besideDeg, toDeg: besideDeg + deg },
        landmarks: [lyingHip(body), shoulder, elbow],
      },
    );
  },
};

/** The drawing of a protocol with the body at one value of it. */
export const measuringFigure = (
  protocol: ProtocolId,
  value: number,
  body: Body,
  seatCm = 0,
): MeasuringFigure => figures[protocol](value, body, seatCm);
