import { acosDeg, asinDeg, cosDeg, sinDeg } from '../angles';
import type { Body } from '../body/body';
import { crossLegged, ends } from '../parameters';
import { sides } from '../ranges/ranges';
import type { FamilyInput } from './family';
import { leastOf } from './inputs';
import type { Leg, Point } from './posture';

/** How a leg is crossed, opened or stacked in front of the pelvis. */
export interface Crossing {
  readonly kneeDeg: number;
  /** Ankle centre over the floor. */
  readonly footCm: number;
  /** How far the ankle lies past the midline, minus on its own side. */
  readonly pastMidlineCm: number;
}

/** Soles together, heels near: the leg of a soles-together seat, on its own or beside a long one. */
export const solesTogether = ({ statureCm }: Body): Crossing => ({
  kneeDeg: crossLegged.solesNearKnee.value,
  footCm: crossLegged.footHeight.value * statureCm,
  pastMidlineCm: 0,
});

/** From the hip to the ankle of a leg whose knee is bent so far. */
export const heelsAwayCm = (kneeDeg: number, { thighCm, shinCm }: Body) =>
  Math.sqrt(thighCm ** 2 + shinCm ** 2 + 2 * thighCm * shinCm * cosDeg(kneeDeg));
/** Where the heels lie for a form that bends the knees so far, or further away where these knees bend less. */
export const heelsFor = (kneeDeg: number, { values, body }: FamilyInput) =>
  heelsAwayCm(Math.min(kneeDeg, leastOf(values, 'kneeFlexion.hipBent', sides)), body);
/** Bend of the knee with the ankle so far from the hip. */
const kneeAtDeg = (awayCm: number, { thighCm, shinCm }: Body) =>
  acosDeg((awayCm ** 2 - thighCm ** 2 - shinCm ** 2) / (2 * thighCm * shinCm));

/**
 * A crossing with the heels where they are set; heels further away spread the thigh less, which spares outward turn.
 */
export function withHeels(
  usual: Crossing,
  awayCm: number | undefined,
  body: Body,
): Crossing & { readonly sparedDeg: number } {
  if (awayCm === undefined) return { ...usual, sparedDeg: 0 };
  const kneeDeg = kneeAtDeg(awayCm, body);
  return {
    ...usual,
    kneeDeg,
    sparedDeg: crossLegged.sparedByHeels.value * (usual.kneeDeg - kneeDeg),
  };
}

/** A solved leg in space. */
export interface CrossedLeg extends Leg {
  /** Thigh over the horizontal, minus when the knee lies lower than the hip. */
  readonly thighRiseDeg: number;
  /** Knee bend at which a foot at this height exists; less than asked where the feet had to slide away. */
  readonly kneeDeg: number;
}

/** The two terms of the foot's height over the hip: rise·A − cos(rise)·B, with the rotation in B. */
const terms = (kneeDeg: number, rotationDeg: number, { thighCm, shinCm }: Body) => ({
  a: thighCm + shinCm * cosDeg(kneeDeg),
  b: shinCm * sinDeg(kneeDeg) * cosDeg(rotationDeg),
});

/**
 * Cosine of the rotation that puts the foot at its height with the thigh at `riseDeg`; outside ±1 no foot lies there.
 */
function rotationCosine(
  hipY: number,
  riseDeg: number,
  kneeDeg: number,
  footCm: number,
  { thighCm, shinCm }: Body,
): number {
  return (
    (hipY - footCm + (thighCm + shinCm * cosDeg(kneeDeg)) * sinDeg(riseDeg)) /
    (shinCm * sinDeg(kneeDeg) * cosDeg(riseDeg))
  );
}

const SLIDES_BY = 1;

export interface ThighRise {
  readonly riseDeg: number;
  readonly kneeDeg: number;
  /** Rotation in use: less than there is where the knee already lies on the floor. */
  readonly rotationDeg: number;
}

/**
 * How high the thigh stands for a hip this high with this much outward rotation; minus below the horizontal. The knee
 * comes no lower than the floor, and where no foot could lie as low as it must, the feet slide away from the body.
 */
export function thighRiseDeg(
  hipY: number,
  rotationDeg: number,
  crossing: Crossing,
  body: Body,
): ThighRise {
  const onFloorDeg = asinDeg((body.kneeBackCm - hipY) / body.thighCm);
  const { a, b } = terms(crossing.kneeDeg, rotationDeg, body);
  const drop = (crossing.footCm - hipY) / Math.hypot(a, b);
  // Past level, the formula lets a thigh drop to the floor within a centimetre or two of seat: no hip does that.
  const overLevel = hipY - hipForRiseCm(0, rotationDeg, crossing, body);
  const gentle = overLevel > 0 ? -crossLegged.fallWithHeight.value * overLevel : -90;
  const exact = Math.abs(drop) <= 1 ? (Math.atan2(b, a) * 180) / Math.PI + asinDeg(drop) : -90;
  if (exact >= onFloorDeg && exact >= gentle)
    return { riseDeg: exact, kneeDeg: crossing.kneeDeg, rotationDeg };
  const riseDeg = Math.max(gentle, onFloorDeg);
  let kneeDeg = crossing.kneeDeg;
  while (
    kneeDeg > SLIDES_BY &&
    Math.abs(rotationCosine(hipY, riseDeg, kneeDeg, crossing.footCm, body)) > 1
  )
    kneeDeg -= SLIDES_BY;
  return {
    riseDeg,
    kneeDeg,
    rotationDeg: acosDeg(rotationCosine(hipY, riseDeg, kneeDeg, crossing.footCm, body)),
  };
}

/** The hip height at which the thigh stands at `riseDeg`. */
export function hipForRiseCm(
  riseDeg: number,
  rotationDeg: number,
  crossing: Crossing,
  body: Body,
): number {
  const { a, b } = terms(crossing.kneeDeg, rotationDeg, body);
  return crossing.footCm - a * sinDeg(riseDeg) + b * cosDeg(riseDeg);
}

/**
 * The outward rotation that a thigh at `riseDeg` over a hip this high must be using: the inverse, for a knee gap read
 * with a tape.
 */
export const rotationFrom = (
  hipY: number,
  riseDeg: number,
  crossing: Crossing,
  body: Body,
): number => acosDeg(rotationCosine(hipY, riseDeg, crossing.kneeDeg, crossing.footCm, body));

/** The whole leg in space: the thigh turns outward until the ankle comes to lie as far across as it must. */
export function crossedLeg(
  hipY: number,
  mostRotationDeg: number,
  crossing: Crossing,
  body: Body,
): CrossedLeg {
  const { riseDeg, kneeDeg, rotationDeg } = thighRiseDeg(hipY, mostRotationDeg, crossing, body);
  const { thighCm, shinCm, hipSpacingCm, footCm } = body;
  const wanted = -(hipSpacingCm / 2 + crossing.pastMidlineCm);
  // The ankle lies outward by p·sin(turn) − q·cos(turn).
  const p =
    cosDeg(riseDeg) * (thighCm + shinCm * cosDeg(kneeDeg)) +
    shinCm * sinDeg(kneeDeg) * cosDeg(rotationDeg) * sinDeg(riseDeg);
  const q = shinCm * sinDeg(kneeDeg) * sinDeg(rotationDeg);
  const turn = Math.min(
    ends.crossedMost.value,
    Math.max(
      ends.crossedLeast.value,
      (Math.atan2(q, p) * 180) / Math.PI + asinDeg(wanted / Math.hypot(p, q)),
    ),
  );
  const thigh = {
    x: cosDeg(riseDeg) * cosDeg(turn),
    y: sinDeg(riseDeg),
    z: cosDeg(riseDeg) * sinDeg(turn),
  };
  // Down at no rotation, inward and forward at a full one.
  const bent = {
    x: cosDeg(rotationDeg) * sinDeg(riseDeg) * cosDeg(turn) + sinDeg(rotationDeg) * sinDeg(turn),
    y: -cosDeg(rotationDeg) * cosDeg(riseDeg),
    z: cosDeg(rotationDeg) * sinDeg(riseDeg) * sinDeg(turn) - sinDeg(rotationDeg) * cosDeg(turn),
  };
  const shin = {
    x: cosDeg(kneeDeg) * thigh.x + sinDeg(kneeDeg) * bent.x,
    y: cosDeg(kneeDeg) * thigh.y + sinDeg(kneeDeg) * bent.y,
    z: cosDeg(kneeDeg) * thigh.z + sinDeg(kneeDeg) * bent.z,
  };
  const knee: Point = [thighCm * thigh.x, hipY + thighCm * thigh.y];
  const ankle: Point = [knee[0] + shinCm * shin.x, knee[1] + shinCm * shin.y];
  const kneeAside = thighCm * thigh.z;
  const ankleAside = kneeAside + shinCm * shin.z;
  // The foot lies on its outer edge, on from the shin.
  const reach = 0.55 * footCm;
  const level = Math.hypot(shin.x, shin.z) || 1;
  const toe: Point = [
    ankle[0] + (reach * (shin.x + 0.6 * thigh.x)) / level,
    Math.max(1, ankle[1] - 1),
  ];
  return {
    thighRiseDeg: riseDeg,
    kneeDeg,
    knee,
    ankle,
    toe,
    heel: [ankle[0] - 0.15 * footCm * shin.x, Math.max(1.2, ankle[1] - 1.5)],
    aside: {
      knee: kneeAside,
      ankle: ankleAside,
      toe: ankleAside + (reach * (shin.z + 0.6 * thigh.z)) / level,
    },
  };
}
