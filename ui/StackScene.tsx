import { View } from 'react-native';
import Svg, { Line } from 'react-native-svg';
import type { Shelf } from '@/core/props/shelf';
import type { Piece } from '@/core/props/stack';
import { drawnPieces } from './figure/layers';
import { PropPiece } from './figure/PropPiece';
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
  return (
    <View role="img" aria-label={words}>
      <Svg
        width={WIDTH_PX}
        height={top * pxPerCm + FOOT_PX}
        viewBox={`${-width / 2} ${-top} ${width} ${top + FOOT_PX / pxPerCm}`}
      >
        {drawnPieces(pieces, shelf, 0, heightCm).map((piece, i) => (
          <PropPiece key={i} {...piece} xCm={0} mostWidthCm={width - 1} line={line} />
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
