import { G, Path } from '../svg';
import type { Point } from '@/core/geometry/posture';
import { tone } from '../tones';
import { Merged } from './Merged';
import { circle, limb } from './outlines';

interface FlatFigureProps {
  /** From the hip down: hip, knee, ankle, toe. */
  readonly legs: readonly (readonly Point[])[];
  readonly hips: readonly Point[];
  readonly spine: readonly Point[];
  readonly shoulders: readonly Point[];
  /** From the shoulder down: shoulder, elbow, hand; left out where they do not matter. */
  readonly arms?: readonly (readonly Point[])[];
  readonly head: Point;
  /** Seen from the front there is a face, from above there is hair. */
  readonly face?: boolean;
  readonly statureCm: number;
  /** Thickness of an ink line, in centimetres of the picture. */
  readonly line: number;
}

/** A body whose limbs lie in the plane of the picture: from above, or from the front. */
export function FlatFigure({
  legs,
  hips,
  spine,
  shoulders,
  arms = [],
  head,
  face = false,
  statureCm: s,
  line,
}: FlatFigureProps) {
  return (
    <G>
      {arms.map((arm, i) => {
        const [shoulder, elbow, hand] = arm as [Point, Point, Point];
        return (
          <Merged
            key={i}
            paths={[
              limb(shoulder, 0.026 * s, elbow, 0.02 * s),
              limb(elbow, 0.02 * s, hand, 0.016 * s),
            ]}
            fill={tone('skin')}
            line={line}
          />
        );
      })}
      {legs.map((leg, i) => {
        const [hip, knee, ankle, toe] = leg as [Point, Point, Point, Point];
        return (
          <G key={i}>
            <Merged
              paths={[limb(ankle, 0.019 * s, toe, 0.012 * s)]}
              fill={tone('skin')}
              line={line}
            />
            <Merged
              paths={[limb(hip, 0.05 * s, knee, 0.034 * s), limb(knee, 0.033 * s, ankle, 0.02 * s)]}
              fill={tone('trouser')}
              line={line}
            />
          </G>
        );
      })}
      <Merged
        paths={[limb(hips[0] as Point, 0.055 * s, hips[1] as Point, 0.055 * s)]}
        fill={tone('trouser')}
        line={line}
      />
      <Merged
        paths={[
          ...spine.slice(1).map((point, i) => limb(spine[i] as Point, 0.06 * s, point, 0.06 * s)),
          limb(shoulders[0] as Point, 0.045 * s, shoulders[1] as Point, 0.045 * s),
        ]}
        fill={tone('shirt')}
        line={line}
      />
      <Path
        d={circle(head, 0.05 * s)}
        fill={tone(face ? 'skin' : 'hair')}
        stroke={tone('ink')}
        strokeWidth={line}
      />
      {face ? (
        <Path
          d={`M${head[0] - 0.022 * s} ${-head[1]}h${0.012 * s}M${head[0] + 0.01 * s} ${-head[1]}h${0.012 * s}M${head[0] - 0.012 * s} ${-head[1] + 0.024 * s}q${0.012 * s} ${0.008 * s} ${0.024 * s} 0`}
          stroke={tone('ink')}
          strokeWidth={line * 0.8}
          fill="none"
        />
      ) : null}
    </G>
  );
}
