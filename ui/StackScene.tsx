import { View } from 'react-native';
import Svg, { Line } from './svg';
import type { Shelf } from '@/core/props/shelf';
import type { Piece } from '@/core/props/stack';
import { drawnPieces } from './figure/layers';
import { pileWidthsCm, PropPiece } from './figure/PropPiece';
import { isRamp, Ramp } from './figure/Ramp';
import { tone } from './tones';

interface StackSceneProps {
  readonly pieces: readonly Piece[];
  readonly heightCm: number;
  readonly shelf: Shelf;
  /** The build in words. */
  readonly words: string;
}

/** A fold of 1 cm is still seen, but where a chair stands under it. */
const PX_PER_CM = 8;
const MOST_HEIGHT_PX = 290;
const WIDTH_PX = 124;
const FOOT_PX = 4;

/** One support drawn large, piece on piece from the floor; its true scale stands on the rail. */
export function StackScene({ pieces, heightCm, shelf, words }: StackSceneProps) {
  const pxPerCm = Math.min(PX_PER_CM, MOST_HEIGHT_PX / (heightCm + 1));
  const line = 1.2 / pxPerCm;
  const width = WIDTH_PX / pxPerCm;
  const top = heightCm + 1;
  const drawn = drawnPieces(pieces, shelf, 0, heightCm);
  const widths = pileWidthsCm(drawn, width - 1);
  return (
    <View role="img" aria-label={words}>
      <Svg
        width={WIDTH_PX}
        height={top * pxPerCm + FOOT_PX}
        viewBox={`${-width / 2} ${-top} ${width} ${top + FOOT_PX / pxPerCm}`}
      >
        {drawn.map((piece, i) => (
          <PropPiece key={i} {...piece} xCm={0} mostWidthCm={widths[i] ?? 0} line={line} />
        ))}
        <Line
          x1={-width / 2}
          x2={width / 2}
          y1={0}
          y2={0}
          stroke={tone('ink')}
          strokeWidth={line * 1.6}
        />
      </Svg>
    </View>
  );
}

/** How far the foot of a drawn ramp lies from under the blades, and how wide the picture is, in cm. */
const [RAMP_RUN_CM, RAMP_WIDTH_CM] = [44, 78];
const RAMP_WIDTH_PX = 200;

/** A ramp drawn as it lies: its foot on the floor, its head end on what stands beneath. */
export function RampScene({ pieces, heightCm, shelf, words }: StackSceneProps) {
  const stacks = { 'back.high': { pieces, heightCm } };
  if (!isRamp(stacks, shelf)) return <StackScene {...{ pieces, heightCm, shelf, words }} />;
  const pxPerCm = RAMP_WIDTH_PX / RAMP_WIDTH_CM;
  const top = heightCm * 1.5 + 3;
  const line = 1.2 / pxPerCm;
  return (
    <View role="img" aria-label={words}>
      <Svg
        width={RAMP_WIDTH_PX}
        height={top * pxPerCm + FOOT_PX}
        viewBox={`-6 ${-top} ${RAMP_WIDTH_CM} ${top + FOOT_PX / pxPerCm}`}
      >
        <Ramp
          support={{
            xCm: 0,
            topCm: Math.min(4, heightCm / 2),
            toXCm: RAMP_RUN_CM,
            toTopCm: heightCm,
          }}
          stacks={stacks}
          shelf={shelf}
          line={line}
        />
        <Line
          x1={-6}
          x2={RAMP_WIDTH_CM - 6}
          y1={0}
          y2={0}
          stroke={tone('ink')}
          strokeWidth={line * 1.6}
        />
      </Svg>
    </View>
  );
}
