import { curveCatmullRomClosed, line } from 'd3-shape';
import type { Point } from '@/core/geometry/posture';

/** Pictures have y down; the reckoning has y up. */
export const flip = ([x, y]: Point): Point => [x, -y];
const n = (x: number) => x.toFixed(2);

/** The hull of two circles: a tapered limb. Centres in reckoned coordinates. */
export function limb(from: Point, fromRadius: number, to: Point, toRadius: number): string {
  const [a, b] = [flip(from), flip(to)];
  const distance = Math.hypot(b[0] - a[0], b[1] - a[1]);
  if (distance <= Math.abs(fromRadius - toRadius))
    return circle(fromRadius >= toRadius ? from : to, Math.max(fromRadius, toRadius));
  const direction = Math.atan2(b[1] - a[1], b[0] - a[0]);
  const phi = Math.acos((fromRadius - toRadius) / distance);
  const on = ([x, y]: Point, r: number, angle: number) =>
    `${n(x + r * Math.cos(angle))} ${n(y + r * Math.sin(angle))}`;
  const [r, s] = [n(fromRadius), n(toRadius)];
  return [
    `M${on(a, fromRadius, direction + phi)}`,
    `L${on(b, toRadius, direction + phi)}`,
    `A${s} ${s} 0 ${phi > Math.PI / 2 ? 1 : 0} 0 ${on(b, toRadius, direction - phi)}`,
    `L${on(a, fromRadius, direction - phi)}`,
    `A${r} ${r} 0 ${phi < Math.PI / 2 ? 1 : 0} 0 ${on(a, fromRadius, direction + phi)}Z`,
  ].join('');
}

export function circle(centre: Point, radius: number): string {
  const [x, y] = flip(centre);
  const r = n(radius);
  return `M${n(x - radius)} ${n(y)}A${r} ${r} 0 1 0 ${n(x + radius)} ${n(y)}A${r} ${r} 0 1 0 ${n(x - radius)} ${n(y)}Z`;
}

/**
 * Half depths of the trunk behind and before the spine line, as shares of stature, from the hip (0) to the shoulder
 * (1).
 */
const depths: readonly { readonly at: number; readonly back: number; readonly front: number }[] = [
  { at: 0, back: 0.05, front: 0.044 },
  { at: 0.15, back: 0.057, front: 0.05 },
  { at: 0.4, back: 0.055, front: 0.054 },
  { at: 0.7, back: 0.058, front: 0.062 },
  { at: 0.9, back: 0.053, front: 0.056 },
  { at: 1, back: 0.034, front: 0.036 },
];

/** A smooth closed shape laid along the spine. */
export function trunk(spine: readonly Point[], statureCm: number): string {
  const at = (share: number) => spine[Math.round(share * (spine.length - 1))] as Point;
  const normal = (share: number): Point => {
    const i = Math.round(share * (spine.length - 1));
    const [a, b] = [
      spine[Math.max(0, i - 1)] as Point,
      spine[Math.min(spine.length - 1, i + 1)] as Point,
    ];
    const length = Math.hypot(b[0] - a[0], b[1] - a[1]);
    return [(b[1] - a[1]) / length, -(b[0] - a[0]) / length];
  };
  const side = (share: number, depth: number): Point => {
    const [[x, y], [nx, ny]] = [at(share), normal(share)];
    return flip([x + nx * depth * statureCm, y + ny * depth * statureCm]);
  };
  const outline = [
    ...depths.map(({ at: share, front }) => side(share, front)),
    ...[...depths].reverse().map(({ at: share, back }) => side(share, -back)),
  ];
  return line<Point>().curve(curveCatmullRomClosed.alpha(0.5))(outline) ?? '';
}

/** A point given in head units (x to the face, y to the crown) as it lies in the picture. */
const inHead =
  (centre: Point, crownDeg: number, unit: number) =>
  (x: number, y: number): string => {
    const lean = (crownDeg * Math.PI) / 180;
    const [cx, cy] = centre;
    const px = cx + unit * (x * Math.cos(lean) + y * Math.sin(lean));
    const py = cy + unit * (-x * Math.sin(lean) + y * Math.cos(lean));
    return `${n(px)} ${n(-py)}`;
  };

/** A head in profile with its face turned forward, its hair, and a closed eye. */
export function head(
  centre: Point,
  crownDeg: number,
  statureCm: number,
): { skull: string; hair: string; eye: string; ear: string } {
  const p = inHead(centre, crownDeg, 0.066 * statureCm);
  return {
    skull: `M${p(-0.1, 1)}C${p(0.42, 1.04)} ${p(0.78, 0.72)} ${p(0.78, 0.28)}C${p(0.78, 0.14)} ${p(0.74, 0.1)} ${p(0.78, 0)}C${p(0.84, -0.1)} ${p(0.94, -0.2)} ${p(0.94, -0.28)}C${p(0.94, -0.34)} ${p(0.8, -0.34)} ${p(0.78, -0.38)}C${p(0.84, -0.46)} ${p(0.82, -0.52)} ${p(0.77, -0.55)}C${p(0.82, -0.64)} ${p(0.8, -0.86)} ${p(0.6, -0.92)}C${p(0.38, -0.94)} ${p(0.16, -0.8)} ${p(-0.05, -0.66)}L${p(-0.6, -0.66)}C${p(-0.84, -0.4)} ${p(-0.92, -0.1)} ${p(-0.92, 0.18)}C${p(-0.92, 0.68)} ${p(-0.6, 1)} ${p(-0.1, 1)}Z`,
    hair: `M${p(0.68, 0.58)}C${p(0.42, 0.6)} ${p(0.2, 0.42)} ${p(0.12, 0.06)}C${p(0.02, -0.02)} ${p(-0.12, -0.3)} ${p(-0.3, -0.42)}C${p(-0.5, -0.52)} ${p(-0.7, -0.5)} ${p(-0.78, -0.42)}C${p(-1, -0.1)} ${p(-1.02, 0.2)} ${p(-0.98, 0.36)}C${p(-0.9, 0.86)} ${p(-0.56, 1.08)} ${p(-0.06, 1.08)}C${p(0.32, 1.08)} ${p(0.58, 0.88)} ${p(0.68, 0.58)}Z`,
    eye: `M${p(0.44, 0.02)}Q${p(0.54, -0.07)} ${p(0.66, 0)}`,
    ear: `M${p(-0.02, 0.02)}C${p(0.12, 0.06)} ${p(0.14, -0.26)} ${p(0, -0.28)}`,
  };
}

/** The pelvis as a tilting bowl about the hip centre: its outline and its rim. */
export function bowl(
  hip: Point,
  leanDeg: number,
  statureCm: number,
): { outline: string; rim: string } {
  const p = inHead(hip, leanDeg, 0.01 * statureCm);
  return {
    outline: `M${p(-4.6, 4.4)}C${p(-5, 0.6)} ${p(-3.6, -3.4)} ${p(-1.2, -4.2)}C${p(0.6, -4.7)} ${p(2.2, -3)} ${p(3.2, -1)}C${p(4, 0.6)} ${p(4.4, 2)} ${p(4.6, 3.4)}Q${p(0, 1.6)} ${p(-4.6, 4.4)}Z`,
    rim: `M${p(-4.6, 4.4)}Q${p(0.2, 5.8)} ${p(4.6, 3.4)}`,
  };
}
