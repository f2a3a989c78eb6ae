import { useState } from 'react';
import { View } from 'react-native';
import Svg, { G, Line, Path, Text as SvgText } from 'react-native-svg';
import type { Body } from '@/core/body/body';
import type { Point, Posture } from '@/core/geometry/posture';
import type { ReadingSide } from '@/core/ranges/ranges';
import { fromAbove } from './figure/above';
import { Merged } from './figure/Merged';
import { circle, limb } from './figure/outlines';
import { tone } from './tones';

interface AboveSceneProps {
  readonly posture: Posture;
  readonly body: Body;
  /** The side that works; the near leg of the figure is that one. */
  readonly side: ReadingSide;
  readonly words: string;
  readonly mostHeightPx: number;
}

const ROOM_CM = 12;

/** The student from above, facing right: how far the knees fall open, where the feet lie. */
export function AboveScene({ posture, body, side, words, mostHeightPx }: AboveSceneProps) {
  const [widthPx, setWidthPx] = useState(0);
  const s = body.statureCm;
  const seen = fromAbove(posture, body);
  // Facing right, the left of the body is up; a worked right leg is mirrored down.
  const flip = side === 'right' ? -1 : 1;
  const turn = ([x, z]: Point): Point => [x, z * flip];
  const all = [...seen.legs.flat(), ...seen.shoulders, seen.head].map(turn);
  const [left, right] = [Math.min(...all.map(([x]) => x)) - ROOM_CM, Math.max(...all.map(([x]) => x)) + ROOM_CM];
  const half = Math.max(...all.map(([, z]) => Math.abs(z))) + ROOM_CM;
  const scale = Math.max(0.4, Math.min(widthPx / (right - left), mostHeightPx / (2 * half)));
  const line = 1.1 / scale;
  const legPaths = (leg: readonly Point[]) => {
    const [hip, knee, ankle, toe] = leg.map(turn) as [Point, Point, Point, Point];
    return { cloth: [limb(hip, 0.05 * s, knee, 0.034 * s), limb(knee, 0.033 * s, ankle, 0.02 * s)], foot: [limb(ankle, 0.019 * s, toe, 0.012 * s)] };
  };
  const shoulders = seen.shoulders.map(turn) as [Point, Point];
  const hips = seen.hips.map(turn) as [Point, Point];
  return (
    <View onLayout={({ nativeEvent }) => setWidthPx(nativeEvent.layout.width)} className="w-full">
      <View role="img" aria-label={words} className="items-center">
        {widthPx > 0 ? (
          <Svg width={(right - left) * scale} height={2 * half * scale} viewBox={`${left} ${-half} ${right - left} ${2 * half}`}>
            <Line x1={left} x2={right} y1={0} y2={0} stroke={tone('line')} strokeWidth={line} strokeDasharray={`${line * 3} ${line * 3}`} />
            {seen.legs.map((leg, i) => {
              const { cloth, foot } = legPaths(leg);
              return <G key={i}><Merged paths={foot} fill={tone('skin')} line={line} /><Merged paths={cloth} fill={tone('trouser')} line={line} /></G>;
            })}
            <Merged paths={[limb(hips[0], 0.055 * s, hips[1], 0.055 * s)]} fill={tone('trouser')} line={line} />
            <Merged paths={[...seen.spine.slice(1).map((point, i) => limb(turn(seen.spine[i] as Point), 0.06 * s, turn(point), 0.06 * s)), limb(shoulders[0], 0.045 * s, shoulders[1], 0.045 * s)]} fill={tone('shirt')} line={line} />
            <Path d={circle(turn(seen.head), 0.05 * s)} fill={tone('hair')} stroke={tone('ink')} strokeWidth={line} />
            <SvgText x={left + 1} y={-half + 14 / scale} fontSize={12 / scale} fontFamily="OjasText" fill={tone('ink')}>left</SvgText>
            <SvgText x={left + 1} y={half - 5 / scale} fontSize={12 / scale} fontFamily="OjasText" fill={tone('ink')}>right</SvgText>
          </Svg>
        ) : null}
      </View>
    </View>
  );
}
