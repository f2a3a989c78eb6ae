import { G, Line, Path, Rect, Text as SvgText } from './svg';
import type { Shelf } from '@/core/props/shelf';
import type { Piece } from '@/core/props/stack';
import { drawnPieces } from './figure/layers';
import { PropPiece } from './figure/PropPiece';
import { tone } from './tones';
import { isMoved } from '@/core/lies';

/** A slot's stack as it stands on the rail. */
export interface RailColumn {
  readonly key: string;
  readonly name: string;
  readonly pieces: readonly Piece[];
  readonly stackCm: number;
  readonly targetCm: number;
  readonly lowCm: number;
  readonly highCm: number;
  readonly lastCm: number | null;
}

interface RailProps {
  readonly columns: readonly RailColumn[];
  readonly shelf: Shelf;
  /** Left edge of the tape, in centimetres of the picture. */
  readonly xCm: number;
  /** Height of the tape. */
  readonly topCm: number;
  /** Picture points per centimetre: what is written keeps its size. */
  readonly scale: number;
  readonly units: 'cm' | 'in';
}

/** Widths in picture points. */
const TAPE_PX = 24;
const COLUMN_PX = 50;

export const railWidthPx = (columns: number) => TAPE_PX + 4 + columns * COLUMN_PX;
/** Middle of a column, in points from the tape's left edge. */
export const columnMiddlePx = (column: number) => TAPE_PX + 4 + (column + 0.5) * COLUMN_PX;

/**
 * A tailor's tape up the edge of the drawing, and on it each slot's stack to scale: with its band, where it stood last
 * time, and where it goes.
 */
export function Rail({ columns, shelf, xCm, topCm, scale, units }: RailProps) {
  const px = (points: number) => points / scale;
  const step = units === 'in' ? 2.54 : 1;
  const every = units === 'in' ? 4 : scale < 3.4 ? 10 : 5;
  const fine = px(3) > step ? every / 2 : 1;
  const ticks = Array.from({ length: Math.floor(topCm / (step * fine)) + 1 }, (_, i) => i * fine);
  return (
    <G>
      <Rect
        x={xCm}
        y={-topCm}
        width={px(TAPE_PX)}
        height={topCm}
        fill={tone('tape')}
        stroke={tone('ink')}
        strokeWidth={px(1)}
      />
      {ticks.map((tick) => {
        const whole = tick % every === 0;
        return (
          <Line
            key={tick}
            x1={xCm}
            x2={xCm + px(whole ? 9 : 5)}
            y1={-tick * step}
            y2={-tick * step}
            stroke="#211e1a"
            strokeWidth={px(whole ? 1.4 : 0.8)}
          />
        );
      })}
      {ticks
        .filter((tick) => tick % every === 0 && tick > 0 && tick * step < topCm - px(8))
        .map((tick) => (
          <SvgText
            key={tick}
            x={xCm + px(TAPE_PX - 3)}
            y={-tick * step + px(4)}
            fontSize={px(11)}
            fontFamily="OjasText"
            fill="#211e1a"
            textAnchor="end"
          >
            {tick}
          </SvgText>
        ))}
      {columns.map((column, i) => (
        <Column
          key={column.key}
          column={column}
          shelf={shelf}
          xCm={xCm + px(columnMiddlePx(i))}
          px={px}
        />
      ))}
    </G>
  );
}

function Column({
  column,
  shelf,
  xCm,
  px,
}: {
  readonly column: RailColumn;
  readonly shelf: Shelf;
  readonly xCm: number;
  readonly px: (points: number) => number;
}) {
  const { pieces, stackCm, targetCm, lowCm, highCm, lastCm, name } = column;
  const half = px(COLUMN_PX / 2 - 6);
  const bandX = xCm + half;
  const moved = lastCm !== null && isMoved(lastCm - stackCm);
  return (
    <G>
      {drawnPieces(pieces, shelf, 0, stackCm).map((piece, i) => (
        <PropPiece
          key={i}
          {...piece}
          xCm={xCm - px(3)}
          mostWidthCm={half * 2 - px(9)}
          line={px(1)}
        />
      ))}
      <Path
        d={`M${bandX - px(4)} ${-highCm}h${px(8)}M${bandX} ${-highCm}V${-lowCm}M${bandX - px(4)} ${-lowCm}h${px(8)}`}
        fill="none"
        stroke={tone('thread')}
        strokeWidth={px(1.6)}
      />
      <Path
        d={`M${bandX - px(5)} ${-targetCm}l${px(5)} ${-px(4)}l${px(5)} ${px(4)}l${-px(5)} ${px(4)}Z`}
        fill={tone('thread')}
      />
      {moved ? (
        <G>
          <Line
            x1={xCm - half}
            x2={xCm + half}
            y1={-lastCm}
            y2={-lastCm}
            stroke={tone('rust')}
            strokeWidth={px(1.6)}
            strokeDasharray={`${px(4)} ${px(3)}`}
          />
          <Arrow xCm={xCm - px(3)} fromCm={lastCm} toCm={stackCm} px={px} />
        </G>
      ) : null}
      <SvgText
        x={xCm - px(2)}
        y={px(15)}
        fontSize={px(12)}
        fontFamily="OjasText"
        fill={tone('ink')}
        textAnchor="middle"
      >
        {name}
      </SvgText>
    </G>
  );
}

/** Where a height goes from where it stood; set over the stack so that even a small step is seen. */
function Arrow({
  xCm,
  fromCm,
  toCm,
  px,
}: {
  readonly xCm: number;
  readonly fromCm: number;
  readonly toCm: number;
  readonly px: (points: number) => number;
}) {
  const down = toCm < fromCm;
  const top = Math.max(fromCm, toCm) + px(24);
  const [tail, tip] = down ? [top, top - px(16)] : [top - px(16), top];
  const head = px(down ? -5 : 5);
  return (
    <Path
      d={`M${xCm} ${-tail}V${-tip}m${-px(4)} ${head}l${px(4)} ${-head}l${px(4)} ${head}`}
      fill="none"
      stroke={tone(down ? 'moss' : 'rust')}
      strokeWidth={px(2)}
      strokeLinecap="round"
      strokeLinejoin="round"
    />
  );
}
