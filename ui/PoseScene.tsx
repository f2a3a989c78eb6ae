import { useState } from 'react';
import { View } from 'react-native';
import Svg, { Line } from './svg';
import type { Body } from '@/core/body/body';
import type { Posture } from '@/core/geometry/posture';
import type { Shelf } from '@/core/props/shelf';
import { slotRefOf, type SlotKey } from '@/core/slots';
import { boundsOf, type Bounds } from './figure/bounds';
import { Figure } from './figure/Figure';
import type { LimbMark } from './figure/marks';
import { LimbMarks } from './figure/LimbMarks';
import type { Stacks } from './figure/stacks';
import { DragEdge, DragSupport } from './DragEdge';
import { columnMiddlePx, Rail, railWidthPx, type RailColumn } from './Rail';
import { tone } from './tones';
import { useWidth } from './useWidth';

interface PoseSceneProps {
  readonly posture: Posture;
  /** A second figure laid over the first. */
  readonly over?: Posture | null;
  readonly body: Body;
  readonly shelf: Shelf;
  readonly stacks: Stacks;
  readonly columns: readonly RailColumn[];
  readonly units: 'cm' | 'in';
  /** The picture in words. */
  readonly words: string;
  readonly mostHeightPx: number;
  /** Makes the top edges on the rail movable: called with a column's key and the height wished for. */
  readonly onMove?: (key: string, cm: number) => void;
  readonly moveMostCm?: number;
  /** What each joint still has in hand. */
  readonly marks?: readonly LimbMark[];
}

const FOOT_PX = 22;

/** A picture that would be so much larger is drawn anew. */
const TOO_ROOMY = 1.2;
const fits = (room: Bounds, need: Bounds) =>
  room.left <= need.left &&
  room.right >= need.right &&
  room.top >= need.top &&
  room.right - room.left < TOO_ROOMY * (need.right - need.left) &&
  room.top < TOO_ROOMY * need.top;
/** What is moved soon takes a little more. */
const MORE_CM = 2;

/** Room for a picture that keeps its scale under the hand: most of its lines then stay as they are drawn. */
function useRoom(need: Bounds): Bounds {
  const [room, setRoom] = useState(need);
  if (fits(room, need)) return room;
  const next = {
    left: need.left - MORE_CM,
    right: need.right + MORE_CM,
    top: need.top + MORE_CM,
  };
  setRoom(next);
  return next;
}

/** So low, nothing can be taken hold of, in cm. */
const HELD_FROM_CM = 1;
/**
 * The supports under the figure that stand for one column of the rail each: what stands on two sides is moved there.
 */
const heldBy = ({ supports }: Posture, columns: readonly RailColumn[]) =>
  columns.flatMap((column) => {
    const { slot } = slotRefOf(column.key as SlotKey);
    const ofSlot = columns.filter(({ key }) => slotRefOf(key as SlotKey).slot === slot);
    const place = supports.find((one) => one.slot === slot);
    if (ofSlot.length !== 1 || !place || place.toXCm !== undefined) return [];
    const { xCm, topCm, bottomCm } = place;
    return topCm - bottomCm < HELD_FROM_CM ? [] : [{ column, xCm, topCm, bottomCm }];
  });

/** The figure and the rail in one picture of one scale. */
export function PoseScene({
  posture,
  over,
  body,
  shelf,
  stacks,
  columns,
  units,
  words,
  mostHeightPx,
  onMove,
  moveMostCm = 0,
  marks = [],
}: PoseSceneProps) {
  const [widthPx, onLayout] = useWidth();
  const all = [posture, ...(over ? [over] : [])].map((one) => boundsOf(one, body));
  const { left, right, top } = useRoom({
    left: Math.min(...all.map((one) => one.left)) - 1,
    right: Math.max(...all.map((one) => one.right)) + 3,
    top: Math.max(
      ...all.map((one) => one.top),
      ...columns.map(({ highCm, stackCm }) => Math.min(highCm, stackCm + 20) + 4),
    ),
  });
  const railPx = columns.length > 0 ? railWidthPx(columns.length) : 0;
  const scale = Math.max(
    0.4,
    Math.min((widthPx - railPx) / (right - left), (mostHeightPx - FOOT_PX) / top),
  );
  const [width, height] = [right - left + railPx / scale, top + FOOT_PX / scale];
  const line = 1.1 / scale;
  return (
    <View onLayout={onLayout} className="w-full">
      {/* In the tree from the start, so that it can be heard before it is drawn. */}
      <View role="img" aria-label={words} className="items-center">
        {widthPx > 0 ? (
          <Svg
            width={width * scale}
            height={height * scale}
            viewBox={`${left} ${-top} ${width} ${height}`}
          >
            <Line
              x1={left}
              x2={left + width}
              y1={0}
              y2={0}
              stroke={tone('ink')}
              strokeWidth={line * 1.4}
            />
            <Figure posture={posture} body={body} stacks={stacks} shelf={shelf} line={line} />
            {over ? (
              <Figure posture={over} body={body} stacks={{}} shelf={shelf} line={line} ghost />
            ) : null}
            <LimbMarks marks={marks} line={line} fontCm={12 / scale} />
            {columns.length > 0 ? (
              <Rail
                columns={columns}
                shelf={shelf}
                xCm={right}
                topCm={top}
                scale={scale}
                units={units}
              />
            ) : null}
          </Svg>
        ) : null}
      </View>
      {widthPx > 0 && onMove
        ? heldBy(posture, columns).map(({ column, xCm, topCm, bottomCm }) => (
            <DragSupport
              key={column.key}
              valueCm={column.stackCm}
              scale={scale}
              onMove={(cm) => onMove(column.key, cm)}
              leftPx={(widthPx - width * scale) / 2 + (xCm - left) * scale}
              topPx={(top - topCm) * scale}
              heightPx={(topCm - bottomCm) * scale}
            />
          ))
        : null}
      {widthPx > 0 && onMove
        ? columns.map((column, i) => (
            <DragEdge
              units={units}
              key={column.key}
              label={`Height, ${column.name.toLowerCase()}`}
              valueCm={column.stackCm}
              mostCm={moveMostCm}
              scale={scale}
              onMove={(cm) => onMove(column.key, cm)}
              leftPx={
                (widthPx - width * scale) / 2 + (right - left) * scale + columnMiddlePx(i) - 3
              }
              topPx={(top - column.stackCm) * scale}
            />
          ))
        : null}
    </View>
  );
}
