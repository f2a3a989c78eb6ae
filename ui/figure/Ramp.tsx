import { G, Path } from '../svg';
import type { SupportPlace } from '@/core/geometry/posture';
import type { Shelf } from '@/core/props/shelf';
import { isMade } from '@/core/props/kinds';
import { tone } from '../tones';
import { drawnPieces } from './layers';
import { PropPiece } from './PropPiece';
import type { Stacks } from './stacks';

interface RampProps {
  readonly support: Pick<SupportPlace, 'xCm' | 'topCm' | 'toXCm' | 'toTopCm'>;
  readonly stacks: Stacks;
  readonly shelf: Shelf;
  /** Thickness of an ink line, in centimetres of the picture. */
  readonly line: number;
}

/** Whether the back lies on something long; else its blocks are a pile under the blades. */
export const isRamp = (stacks: Stacks, shelf: Shelf) => {
  const top = stacks['back.high']?.pieces.at(-1);
  const kind = shelf.find(({ id }) => id === top?.item)?.kind;
  return kind === undefined || isMade(kind, 'long');
};

const RAMP_THICK_CM = 11;
/** What carries the head end stands so far on from under the blades. */
const BESIDE_CM = 4;

/** A ramp: a bolster along the back, its high end on what the stack has beneath. */
export function Ramp({ support, stacks, shelf, line }: RampProps) {
  const { xCm, topCm, toXCm = xCm, toTopCm = topCm } = support;
  const pieces = stacks['back.high']?.pieces ?? [];
  if (pieces.length === 0) return null;
  const angle = Math.atan2(toTopCm - topCm, toXCm - xCm);
  const thick = Math.min(RAMP_THICK_CM, Math.max(3, toTopCm * 0.6));
  const reach = Math.hypot(toXCm - xCm, toTopCm - topCm);
  // On past the shoulder blades to the head.
  const far = reach * 1.45;
  const highX = toXCm + BESIDE_CM;
  const underside = toTopCm + BESIDE_CM * Math.tan(angle) - thick / Math.abs(Math.cos(angle));
  const props = drawnPieces(
    pieces.slice(0, Math.max(1, pieces.length - 1)),
    shelf,
    0,
    Math.max(0, underside),
  );
  // A bolster along the back, thinner where it would sink into the floor.
  const [along, down] = [
    { x: Math.cos(angle), y: Math.sin(angle) },
    {
      x: Math.cos(angle) <= 0 ? -Math.sin(angle) : Math.sin(angle),
      y: Math.cos(angle) <= 0 ? Math.cos(angle) : -Math.cos(angle),
    },
  ];
  const end = { x: xCm + along.x * far, y: topCm + along.y * far };
  const at = (x: number, y: number, depth: number) => {
    const under = y + down.y * depth;
    return `${(x + down.x * depth).toFixed(2)} ${(-Math.max(0.3, under)).toFixed(2)}`;
  };
  return (
    <G>
      {props.map((piece, i) => (
        <PropPiece key={i} {...piece} xCm={highX} mostWidthCm={18} line={line} />
      ))}
      <Path
        d={`M${xCm} ${-topCm}L${end.x.toFixed(2)} ${(-end.y).toFixed(2)}L${at(end.x, end.y, thick)}L${at(xCm, topCm, thick)}Z`}
        fill={tone('cotton')}
        stroke={tone('ink')}
        strokeWidth={line}
        strokeLinejoin="round"
      />
      <Path
        d={`M${at(xCm, topCm, thick / 2)}L${at(end.x, end.y, thick / 2)}`}
        fill="none"
        stroke={tone('cotton-dark')}
        strokeWidth={line * 0.8}
        strokeDasharray={`${line * 2} ${line * 1.4}`}
      />
    </G>
  );
}
