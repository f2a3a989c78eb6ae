import { Circle, G, Path } from '../svg';
import type { Point } from '@/core/geometry/posture';
import { tone } from '../tones';
import type { FromFront } from './front';
import { Merged } from './Merged';
import { circle, flip, limb } from './outlines';

interface FrontFigureProps {
  readonly seen: Pick<FromFront, 'legs' | 'hips' | 'shoulders' | 'head'>;
  readonly statureCm: number;
  /** Thickness of an ink line, in centimetres of the picture. */
  readonly line: number;
}

/** A body that sits facing the viewer: the trunk behind, the legs before it, hands on the thighs. */
export function FrontFigure({ seen, statureCm: s, line }: FrontFigureProps) {
  const { legs, hips, shoulders, head } = seen;
  const [near, far] = legs as [readonly Point[], readonly Point[]];
  return (
    <G>
      <Path d={circle([head[0], head[1] + 0.008 * s], 0.056 * s)} fill={tone('hair')} />
      <Merged
        paths={[limb([0, head[1]], 0.024 * s, [0, shoulderY(shoulders)], 0.03 * s)]}
        fill={tone('skin')}
        line={line}
      />
      <Path
        d={torso(shoulders, hips, s)}
        fill={tone('shirt')}
        stroke={tone('ink')}
        strokeWidth={line}
        strokeLinejoin="round"
      />
      <Head centre={head} s={s} line={line} />
      {[far, near].map((leg, i) => (
        <Leg key={i} leg={leg} s={s} line={line} />
      ))}
      {shoulders.map((shoulder, i) => (
        <Arm key={i} shoulder={shoulder} leg={i === 0 ? near : far} s={s} line={line} />
      ))}
    </G>
  );
}

const shoulderY = (shoulders: readonly Point[]) => (shoulders[0] as Point)[1];

/** From the shoulders in to the waist and out to the hips. */
function torso(shoulders: readonly Point[], hips: readonly Point[], s: number): string {
  const [top, foot] = [shoulderY(shoulders), (hips[0] as Point)[1] - 0.03 * s];
  const wide = Math.abs((shoulders[0] as Point)[0]);
  const hip = Math.abs((hips[0] as Point)[0]) + 0.045 * s;
  const waistY = foot + 0.42 * (top - foot);
  const at = (x: number, y: number) =>
    flip([x, y])
      .map((one) => one.toFixed(2))
      .join(' ');
  const half = (sign: 1 | -1) => ({
    neck: at(sign * 0.04 * s, top + 0.035 * s),
    shoulder: at(sign * wide, top + 0.012 * s),
    armpit: at(sign * (wide - 0.012 * s), top - 0.07 * s),
    waist: at(sign * 0.078 * s, waistY),
    hip: at(sign * hip, foot + 0.02 * s),
    foot: at(sign * hip * 0.8, foot - 0.02 * s),
  });
  const [l, r] = [half(-1), half(1)];
  return `M${l.neck}L${r.neck}Q${r.shoulder} ${r.armpit}Q${r.waist} ${r.hip}L${r.foot}L${l.foot}L${l.hip}Q${l.waist} ${l.armpit}Q${l.shoulder} ${l.neck}Z`;
}

function Head({ centre: [x, y], s, line }: { centre: Point; s: number; line: number }) {
  return (
    <G>
      <Path
        d={circle([x, y - 0.006 * s], 0.047 * s)}
        fill={tone('skin')}
        stroke={tone('ink')}
        strokeWidth={line}
      />
      <Path
        d={`M${x - 0.046 * s} ${-y - 0.006 * s}A${0.047 * s} ${0.047 * s} 0 0 1 ${x + 0.046 * s} ${-y - 0.006 * s}Q${x} ${-y - 0.05 * s} ${x - 0.046 * s} ${-y - 0.006 * s}Z`}
        fill={tone('hair')}
      />
      {[-1, 1].map((sign) => (
        <Circle
          key={sign}
          cx={x + sign * 0.017 * s}
          cy={-y + 0.004 * s}
          r={0.0045 * s}
          fill={tone('ink')}
        />
      ))}
      <Path
        d={`M${x - 0.012 * s} ${-y + 0.027 * s}q${0.012 * s} ${0.006 * s} ${0.024 * s} 0`}
        stroke={tone('ink')}
        strokeWidth={line * 0.8}
        fill="none"
      />
    </G>
  );
}

interface LimbProps {
  readonly leg: readonly Point[];
  readonly s: number;
  readonly line: number;
}

function Leg({ leg, s, line }: LimbProps) {
  const [hip, knee, ankle, toe] = leg as [Point, Point, Point, Point];
  return (
    <G>
      <Merged paths={[limb(hip, 0.05 * s, knee, 0.035 * s)]} fill={tone('trouser')} line={line} />
      <Merged paths={[limb(ankle, 0.02 * s, toe, 0.013 * s)]} fill={tone('skin')} line={line} />
      <Merged
        paths={[limb(knee, 0.034 * s, ankle, 0.021 * s)]}
        fill={tone('trouser')}
        line={line}
      />
    </G>
  );
}

/** A hand rests two thirds along the thigh; the elbow hangs a little out. */
function Arm({ shoulder, leg, s, line }: LimbProps & { readonly shoulder: Point }) {
  const [hip, knee] = leg as [Point, Point];
  const along = (i: 0 | 1) => hip[i] + 0.68 * (knee[i] - hip[i]);
  const hand: Point = [along(0), along(1) + 0.045 * s];
  const sign = Math.sign(shoulder[0]) || 1;
  const elbow: Point = [
    (shoulder[0] + hand[0]) / 2 + sign * 0.02 * s,
    shoulder[1] + 0.58 * (hand[1] - shoulder[1]),
  ];
  return (
    <G>
      <Merged
        paths={[limb(elbow, 0.021 * s, hand, 0.015 * s), circle(hand, 0.021 * s)]}
        fill={tone('skin')}
        line={line}
      />
      <Merged
        paths={[
          limb(
            [shoulder[0] - sign * 0.012 * s, shoulder[1] - 0.012 * s],
            0.03 * s,
            elbow,
            0.023 * s,
          ),
        ]}
        fill={tone('shirt')}
        line={line}
      />
    </G>
  );
}
