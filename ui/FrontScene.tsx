import { View } from 'react-native';
import Svg, { Line, Rect, Text as SvgText } from './svg';
import type { Body } from '@/core/body/body';
import type { Point, Posture } from '@/core/geometry/posture';
import type { Shelf } from '@/core/props/shelf';
import type { ReadingSide } from '@/core/ranges/ranges';
import type { Stacks } from './figure/stacks';
import { FrontFigure } from './figure/FrontFigure';
import { fromFront, type FrontSupport } from './figure/front';
import { drawnPieces } from './figure/layers';
import { PropPiece } from './figure/PropPiece';
import { tone } from './tones';
import { useWidth } from './useWidth';

interface FrontSceneProps {
  readonly posture: Posture;
  readonly body: Body;
  /** The side that works; the near leg of the figure is that one. */
  readonly side: ReadingSide;
  readonly shelf: Shelf;
  readonly stacks: Stacks;
  readonly words: string;
  readonly mostHeightPx: number;
}

const ROOM_CM = 10;
const FOOT_PX = 22;
/** As wide as a folded blanket is drawn, a support under a thigh less so. */
const [SEAT_WIDTH_CM, THIGH_WIDTH_CM] = [44, 18];

/** The student from the front: how the knees stand against the hips, and what lies under each. */
export function FrontScene({
  posture,
  body,
  side,
  shelf,
  stacks,
  words,
  mostHeightPx,
}: FrontSceneProps) {
  const [widthPx, onLayout] = useWidth();
  const s = body.statureCm;
  const seen = fromFront(posture, body);
  // The student faces the viewer: their left is on the right of the picture; a worked right leg is mirrored.
  const flip = side === 'right' ? -1 : 1;
  const turn = ([z, y]: Point): Point => [z * flip, y];
  const all = [...seen.legs.flat(), ...seen.shoulders].map(turn);
  const half = Math.max(...all.map(([z]) => Math.abs(z))) + ROOM_CM;
  const top = seen.head[1] + 0.06 * s + 2;
  const scale = Math.max(0.4, Math.min(widthPx / (2 * half), (mostHeightPx - FOOT_PX) / top));
  const line = 1.1 / scale;
  const hipY = seen.hips[0]?.[1] ?? 0;
  return (
    <View onLayout={onLayout} className="w-full">
      <View role="img" aria-label={words} className="items-center">
        {widthPx > 0 ? (
          <Svg
            width={2 * half * scale}
            height={top * scale + FOOT_PX}
            viewBox={`${-half} ${-top} ${2 * half} ${top + FOOT_PX / scale}`}
          >
            <Line
              x1={-half}
              x2={half}
              y1={0}
              y2={0}
              stroke={tone('ink')}
              strokeWidth={line * 1.4}
            />
            {seen.supports.map((support) => (
              <Stacked
                key={support.key}
                support={{ ...support, z: support.z * flip }}
                stack={stacks[support.key.split('/')[0] as string]}
                shelf={shelf}
                line={line}
              />
            ))}
            <FrontFigure
              seen={{
                legs: seen.legs.map((leg) => leg.map(turn)),
                hips: seen.hips.map(turn),
                shoulders: seen.shoulders.map(turn),
                head: seen.head,
              }}
              statureCm={s}
              line={line}
            />
            <Line
              x1={-half}
              x2={half}
              y1={-hipY}
              y2={-hipY}
              stroke={tone('thread')}
              strokeWidth={line * 1.2}
              strokeDasharray={`${line * 4} ${line * 3}`}
            />
            <SvgText
              x={-half}
              y={15 / scale}
              fontSize={12 / scale}
              fontFamily="OjasText"
              fill={tone('ink')}
            >
              {flip > 0 ? 'right' : 'left'}
            </SvgText>
            <SvgText
              x={half}
              y={15 / scale}
              fontSize={12 / scale}
              fontFamily="OjasText"
              fill={tone('ink')}
              textAnchor="end"
            >
              {flip > 0 ? 'left' : 'right'}
            </SvgText>
          </Svg>
        ) : null}
      </View>
    </View>
  );
}

/** The pieces of one support; a plain box where none are known. */
function Stacked({
  support: { z, bottomCm, topCm, key },
  stack,
  shelf,
  line,
}: {
  readonly support: FrontSupport;
  readonly stack: Stacks[string] | undefined;
  readonly shelf: Shelf;
  readonly line: number;
}) {
  const width = key.startsWith('seat') ? SEAT_WIDTH_CM : THIGH_WIDTH_CM;
  const drawn = stack ? drawnPieces(stack.pieces, shelf, bottomCm, topCm - bottomCm) : [];
  if (drawn.length === 0)
    return (
      <Rect
        x={z - width / 2}
        y={-topCm}
        width={width}
        height={topCm - bottomCm}
        fill={tone('tape')}
        stroke={tone('ink')}
        strokeWidth={line}
      />
    );
  return drawn.map((piece, i) => (
    <PropPiece key={i} {...piece} xCm={z} mostWidthCm={width} line={line} />
  ));
}
