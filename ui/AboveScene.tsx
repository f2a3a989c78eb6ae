import { View } from 'react-native';
import Svg, { Line, Text as SvgText } from './svg';
import type { Body } from '@/core/body/body';
import type { Point, Posture } from '@/core/geometry/posture';
import type { ReadingSide } from '@/core/ranges/ranges';
import { fromAbove } from './figure/above';
import { FlatFigure } from './figure/FlatFigure';
import { tone } from './tones';
import { useWidth } from './useWidth';

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
  const [widthPx, onLayout] = useWidth();
  const s = body.statureCm;
  const seen = fromAbove(posture, body);
  // Facing right, the left of the body is up; a worked right leg is mirrored down.
  const flip = side === 'right' ? -1 : 1;
  const turn = ([x, z]: Point): Point => [x, z * flip];
  const all = [...seen.legs.flat(), ...seen.shoulders, seen.head].map(turn);
  const [left, right] = [
    Math.min(...all.map(([x]) => x)) - ROOM_CM,
    Math.max(...all.map(([x]) => x)) + ROOM_CM,
  ];
  const half = Math.max(...all.map(([, z]) => Math.abs(z))) + ROOM_CM;
  const scale = Math.max(0.4, Math.min(widthPx / (right - left), mostHeightPx / (2 * half)));
  const line = 1.1 / scale;
  return (
    <View onLayout={onLayout} className="w-full">
      <View role="img" aria-label={words} className="items-center">
        {widthPx > 0 ? (
          <Svg
            width={(right - left) * scale}
            height={2 * half * scale}
            viewBox={`${left} ${-half} ${right - left} ${2 * half}`}
          >
            <Line
              x1={left}
              x2={right}
              y1={0}
              y2={0}
              stroke={tone('line')}
              strokeWidth={line}
              strokeDasharray={`${line * 3} ${line * 3}`}
            />
            <FlatFigure
              legs={seen.legs.map((leg) => leg.map(turn))}
              hips={seen.hips.map(turn)}
              spine={seen.spine.map(turn)}
              shoulders={seen.shoulders.map(turn)}
              head={turn(seen.head)}
              statureCm={s}
              line={line}
            />
            <SvgText
              x={left + 1}
              y={-half + 14 / scale}
              fontSize={12 / scale}
              fontFamily="OjasText"
              fill={tone('ink')}
            >
              left
            </SvgText>
            <SvgText
              x={left + 1}
              y={half - 5 / scale}
              fontSize={12 / scale}
              fontFamily="OjasText"
              fill={tone('ink')}
            >
              right
            </SvgText>
          </Svg>
        ) : null}
      </View>
    </View>
  );
}
