import type { DrawnPiece } from './layers';
import { Circle, Ellipse, G, Line, Path, Rect } from '../svg';
import { kinds, lieOf, type PropKind } from '@/core/props/kinds';
import { tone } from '../tones';

interface PropPieceProps {
  readonly kind: PropKind;
  readonly state: string;
  /** Middle, and the lower and upper edge, in centimetres over the floor. */
  readonly xCm: number;
  readonly bottomCm: number;
  readonly topCm: number;
  /** Narrowed where a drawing has no room. */
  readonly mostWidthCm?: number;
  /** Thickness of lines, in centimetres of the picture. */
  readonly line: number;
}

/** How deep a piece is, seen from the side. */
export function pieceDepthCm(kind: PropKind, state: string, heightCm: number): number {
  const { on } = lieOf(kind, state);
  if (on === 'roll') return heightCm * 1.08;
  return on === undefined ? kinds[kind].depthCm : kinds[kind].lies[0].heightCm;
}

/** What lies on something narrower is folded to it, and hangs over it by no more than this. */
const OVERHANG_CM = 4;

/** A chair that is sat on sideways is seen from its front. */
export const SIDEWAYS = 'sideways';

/** How wide each piece of a pile is drawn, from its foot up. */
export function pileWidthsCm(pieces: readonly DrawnPiece[], mostWidthCm: number): number[] {
  let belowCm = mostWidthCm;
  return pieces.map(({ kind, state, bottomCm, topCm }) => {
    belowCm = Math.min(belowCm, pieceDepthCm(kind, state, topCm - bottomCm));
    const widthCm = belowCm;
    belowCm = Math.min(mostWidthCm, widthCm + OVERHANG_CM);
    return widthCm;
  });
}

/** One piece of a prop to scale, with the texture of what it is made of. */
export function PropPiece({
  kind,
  state,
  xCm,
  bottomCm,
  topCm,
  mostWidthCm = Infinity,
  line,
}: PropPieceProps) {
  const height = topCm - bottomCm;
  if (height <= 0.05) return null;
  const width = Math.min(mostWidthCm, pieceDepthCm(kind, state, height));
  const [x, y] = [xCm - width / 2, -topCm];
  const ink = { stroke: tone('ink'), strokeWidth: line };
  if (lieOf(kind, state).on === 'roll')
    return (
      <Roll
        x={xCm}
        y={-bottomCm - height / 2}
        rx={width / 2}
        ry={height / 2}
        fill={tone('wool')}
        line={line}
      />
    );
  const { look } = kinds[kind];
  switch (look) {
    case 'wool':
    case 'sheet':
      return (
        <Fold
          x={x}
          y={y}
          width={width}
          height={height}
          layers={Math.min(8, Number(state.split('-')[1] ?? 1) || 1)}
          line={line}
          cloth={look}
        />
      );
    case 'round':
      return width >= 20 && mostWidthCm > 22 ? (
        <G>
          <Ellipse
            cx={xCm}
            cy={y + height / 2}
            rx={width / 2}
            ry={height / 2}
            fill={tone('cotton')}
            {...ink}
          />
          <Ellipse
            cx={xCm}
            cy={y + height / 2}
            rx={width / 2.7}
            ry={height / 2.7}
            fill="none"
            stroke={tone('cotton-dark')}
            strokeWidth={line * 0.7}
            strokeDasharray={`${line * 2} ${line * 1.6}`}
          />
          <Circle cx={xCm} cy={y + height / 2} r={line * 1.2} fill={tone('cotton-dark')} />
        </G>
      ) : (
        <Padded x={x} y={y} width={width} height={height} line={line} />
      );
    case 'padded':
      return <Padded x={x} y={y} width={width} height={height} line={line} />;
    case 'chair':
      return state === SIDEWAYS ? (
        <FrontChair x={x} y={y} width={width} line={line} />
      ) : (
        <G>
          <Path
            d={`M${xCm - width / 2 + 1} 0V${y}M${xCm + width / 2 - 1} 0V${y - 38}`}
            fill="none"
            stroke={tone('cork-dark')}
            strokeWidth={2.6}
          />
          <Rect x={x} y={y} width={width} height={3} rx={1} fill={tone('cork')} {...ink} />
          <Line
            x1={xCm + width / 2 - 1}
            x2={xCm + width / 2 - 1}
            y1={y - 38}
            y2={y - 26}
            stroke={tone('cork')}
            strokeWidth={4}
          />
        </G>
      );
    default:
      return (
        <Grained
          x={x}
          y={y}
          width={width}
          height={height}
          line={line}
          pale={look === 'pale cork'}
        />
      );
  }
}

/** A chair seen from its front: its back stands wide behind whoever sits sideways. */
function FrontChair({ x, y, width, line }: Omit<BoxProps, 'height'>) {
  const wood = { fill: 'none', stroke: tone('cork-dark'), strokeWidth: 2.6 };
  return (
    <G>
      <Path d={`M${x + 1} 0V${y - 38}M${x + width - 1} 0V${y - 38}`} {...wood} />
      <Path
        d={`M${x + 1} ${y - 36}H${x + width - 1}M${x + 1} ${y - 27}H${x + width - 1}`}
        {...wood}
      />
      <Rect
        x={x - 1}
        y={y}
        width={width + 2}
        height={3}
        rx={1}
        fill={tone('cork')}
        stroke={tone('ink')}
        strokeWidth={line}
      />
    </G>
  );
}

interface BoxProps {
  readonly x: number;
  readonly y: number;
  readonly width: number;
  readonly height: number;
  readonly line: number;
}

/** Cork: a box with grain. */
function Grained({ x, y, width, height, line, pale }: BoxProps & { readonly pale: boolean }) {
  const grains = Array.from({ length: Math.round((width * height) / 14) }, (_, i) => {
    // Spread evenly without chance: golden-ratio steps.
    const [u, v] = [(i * 0.618034) % 1, (i * 0.754878 + 0.3) % 1];
    return {
      x: x + 0.8 + u * (width - 1.6),
      y: y + 0.5 + v * (height - 1),
      r: 0.22 + 0.2 * ((i * 0.37) % 1),
    };
  });
  return (
    <G>
      <Rect
        x={x}
        y={y}
        width={width}
        height={height}
        rx={0.8}
        fill={tone(pale ? 'tape' : 'cork')}
        stroke={tone('ink')}
        strokeWidth={line}
      />
      {grains.map((grain, i) => (
        <Circle key={i} cx={grain.x} cy={grain.y} r={grain.r} fill={tone('cork-dark', 0.55)} />
      ))}
    </G>
  );
}

/** Cloth folded so many times: each layer has its rounded fold. */
function Fold({
  x,
  y,
  width,
  height,
  layers: folded,
  line,
  cloth,
}: BoxProps & { readonly layers: number; readonly cloth: 'wool' | 'sheet' }) {
  // No more layers than can be told apart at this size.
  const layers = Math.max(1, Math.min(folded, Math.floor(height / (line * 2.6))));
  const thick = height / layers;
  return (
    <G>
      {Array.from({ length: layers }, (_layer, i) => (
        <Rect
          key={i}
          x={x + (i % 2) * 0.7}
          y={y + i * thick}
          width={width - 0.7}
          height={thick}
          rx={Math.min(thick / 2, 2.2)}
          fill={tone(cloth)}
          stroke={tone('ink')}
          strokeWidth={line * 0.8}
        />
      ))}
      {height > 1.4 ? (
        <Path
          d={`M${x + width * 0.18} ${y + 0.3}V${y + height - 0.3}M${x + width * 0.24} ${y + 0.3}V${y + height - 0.3}`}
          stroke={tone('wool-dark', 0.7)}
          strokeWidth={line * 0.8}
        />
      ) : null}
    </G>
  );
}

/** A bolster or cushion: padded, with a seam. */
function Padded({ x, y, width, height, line }: BoxProps) {
  return (
    <G>
      <Rect
        x={x}
        y={y}
        width={width}
        height={height}
        rx={Math.min(height / 2.2, width / 4, 6)}
        fill={tone('cotton')}
        stroke={tone('ink')}
        strokeWidth={line}
      />
      <Path
        d={`M${x + 1} ${y + height / 2}Q${x + width / 2} ${y + height / 2 + height * 0.12} ${x + width - 1} ${y + height / 2}`}
        fill="none"
        stroke={tone('cotton-dark')}
        strokeWidth={line * 0.8}
        strokeDasharray={`${line * 2} ${line * 1.4}`}
      />
    </G>
  );
}

/** A roll seen from its end: a spiral. */
function Roll({
  x,
  y,
  rx,
  ry,
  fill,
  line,
}: {
  readonly x: number;
  readonly y: number;
  readonly rx: number;
  readonly ry: number;
  readonly fill: string;
  readonly line: number;
}) {
  const turns = 3;
  const spiral = Array.from({ length: 60 }, (_, i) => {
    const t = i / 59;
    const angle = t * turns * 2 * Math.PI;
    return `${(x + rx * t * Math.cos(angle)).toFixed(2)} ${(y + ry * t * Math.sin(angle)).toFixed(2)}`;
  });
  return (
    <G>
      <Ellipse cx={x} cy={y} rx={rx} ry={ry} fill={fill} stroke={tone('ink')} strokeWidth={line} />
      <Path
        d={`M${spiral.join('L')}`}
        fill="none"
        stroke={tone('wool-dark')}
        strokeWidth={line * 0.8}
      />
    </G>
  );
}
