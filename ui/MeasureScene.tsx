import { useState } from 'react';
import { View } from 'react-native';
import Svg, { Circle, G, Line, Path, Rect } from './svg';
import { atan2Deg, cosDeg, sinDeg } from '@/core/angles';
import type { Body } from '@/core/body/body';
import type { Furniture, MeasuringFigure, ToolPlace } from '@/core/measure/figures';
import type { Point } from '@/core/geometry/posture';
import { boundsOf } from './figure/bounds';
import { Figure } from './figure/Figure';
import { FlatFigure } from './figure/FlatFigure';
import { tone } from './tones';

interface MeasureSceneProps {
  readonly figure: MeasuringFigure;
  readonly body: Body;
  /** The picture in words. */
  readonly words: string;
  readonly mostHeightPx: number;
  /** Only the body, with dots on the points that a photo is read from: what a camera would see. */
  readonly asPhoto?: boolean;
  /** Only the body and its furniture. */
  readonly bare?: boolean;
}

const ROOM_CM = 4;
/** Radius of a drawn angle, as a share of stature. */
const ARC = 0.17;

/** Room that a drawing takes, y up. */
export function roomOf(
  { body: drawn, tools, furniture, angle, closeUp }: MeasuringFigure,
  body: Body,
): { left: number; right: number; bottom: number; top: number } {
  if (closeUp) return closeUp;
  const points: Point[] = [
    ...tools.flatMap(({ from, to }) => [from, to]),
    ...furniture.flatMap(({ fromX, toX, topCm }): Point[] => [
      [Math.max(fromX, -120), topCm],
      [toX, topCm],
    ]),
  ];
  if (angle)
    points.push(
      ...[angle.fromDeg, (angle.fromDeg + angle.toDeg) / 2, angle.toDeg].map((deg): Point => [
        angle.at[0] + ARC * body.statureCm * cosDeg(deg),
        angle.at[1] + ARC * body.statureCm * sinDeg(deg),
      ]),
    );
  const flesh = 0.07 * body.statureCm;
  const own =
    'side' in drawn
      ? boundsOf(drawn.side, body)
      : (() => {
          const joints = [...drawn.flat.legs.flat(), ...drawn.flat.shoulders, drawn.flat.head];
          return {
            left: Math.min(...joints.map(([x]) => x)) - flesh,
            right: Math.max(...joints.map(([x]) => x)) + flesh,
            top: Math.max(...joints.map(([, y]) => y)) + flesh,
          };
        })();
  const low =
    'flat' in drawn && drawn.flat.seen === 'above'
      ? Math.min(...drawn.flat.legs.flat().map(([, y]) => y)) - flesh
      : 0;
  return {
    left: Math.min(own.left, ...points.map(([x]) => x)) - ROOM_CM,
    right: Math.max(own.right, ...points.map(([x]) => x)) + ROOM_CM,
    bottom: Math.min(low, ...points.map(([, y]) => y)) - ROOM_CM,
    top: Math.max(own.top, ...points.map(([, y]) => y)) + ROOM_CM,
  };
}

/** How a range is read: the body, the tool where it goes, what is held still, and the angle. */
export function MeasureScene({
  figure,
  body,
  words,
  mostHeightPx,
  asPhoto = false,
  bare = false,
}: MeasureSceneProps) {
  const [widthPx, setWidthPx] = useState(0);
  const { left, right, bottom, top } = roomOf(figure, body);
  const scale = Math.max(0.3, Math.min(widthPx / (right - left), mostHeightPx / (top - bottom)));
  return (
    <View onLayout={({ nativeEvent }) => setWidthPx(nativeEvent.layout.width)} className="w-full">
      <View role="img" aria-label={words} className="items-center">
        {widthPx > 0 ? (
          <Svg
            width={(right - left) * scale}
            height={(top - bottom) * scale}
            viewBox={`${left} ${-top} ${right - left} ${top - bottom}`}
          >
            <MeasureDrawing
              figure={figure}
              body={body}
              line={1.1 / scale}
              asPhoto={asPhoto}
              bare={bare}
            />
          </Svg>
        ) : null}
      </View>
    </View>
  );
}

/** The drawing alone, for a picture in centimetres with y down. */
export function MeasureDrawing({
  figure,
  body,
  line,
  asPhoto = false,
  bare = false,
}: Pick<MeasureSceneProps, 'figure' | 'body' | 'asPhoto' | 'bare'> & { readonly line: number }) {
  const { body: drawn, tools, hold, angle, furniture, landmarks } = figure;
  const { left, right } = roomOf(figure, body);
  const above = 'flat' in drawn && drawn.flat.seen === 'above';
  const marked = !asPhoto && !bare;
  return (
    <G>
      {above ? null : (
        <Line x1={left} x2={right} y1={0} y2={0} stroke={tone('ink')} strokeWidth={line * 1.4} />
      )}
      {furniture.map((piece, i) => (
        <FurniturePiece key={i} piece={piece} line={line} />
      ))}
      {'side' in drawn ? (
        <Figure posture={drawn.side} body={body} stacks={{}} shelf={[]} line={line} />
      ) : (
        <FlatFigure
          {...drawn.flat}
          face={drawn.flat.seen === 'front'}
          statureCm={body.statureCm}
          line={line}
        />
      )}
      {marked && angle ? <Angle {...angle} radiusCm={ARC * body.statureCm} line={line} /> : null}
      {marked && hold ? <Hold at={hold} line={line} /> : null}
      {marked ? tools.map((tool, i) => <Tool key={i} tool={tool} line={line} />) : null}
      {asPhoto
        ? landmarks.map(([x, y], i) => (
            <Circle
              key={i}
              cx={x}
              cy={-y}
              r={1.1}
              fill={tone('rust')}
              stroke={tone('paper')}
              strokeWidth={0.5}
            />
          ))
        : null}
    </G>
  );
}

function FurniturePiece({
  piece: { is, fromX, toX, topCm },
  line,
}: {
  readonly piece: Furniture;
  readonly line: number;
}) {
  const ink = { stroke: tone('ink'), strokeWidth: line };
  if (is === 'wall')
    return (
      <Rect x={fromX} y={-topCm} width={toX - fromX} height={topCm} fill={tone('well')} {...ink} />
    );
  if (is === 'seat')
    return (
      <Rect
        x={fromX}
        y={-topCm}
        width={toX - fromX}
        height={topCm}
        rx={1.5}
        fill={tone('wool')}
        {...ink}
      />
    );
  return (
    <G>
      <Path
        d={`M${Math.max(fromX, -110) + 5} 0V${-topCm}M${toX - 5} 0V${-topCm}`}
        stroke={tone('cork-dark')}
        strokeWidth={3}
      />
      <Rect
        x={fromX}
        y={-topCm}
        width={toX - fromX}
        height={4}
        rx={1}
        fill={tone('cork')}
        {...ink}
      />
    </G>
  );
}

/** A tape with its ticks, or the edge of a phone or protractor. */
function Tool({
  tool: { is, from, to },
  line,
}: {
  readonly tool: ToolPlace;
  readonly line: number;
}) {
  const [[x1, y1], [x2, y2]] = [
    [from[0], -from[1]],
    [to[0], -to[1]],
  ] as const;
  const length = Math.hypot(x2 - x1, y2 - y1);
  const turn = atan2Deg(y2 - y1, x2 - x1);
  return (
    <G transform={`translate(${x1} ${y1}) rotate(${turn})`}>
      <Rect
        x={0}
        y={is === 'tape' ? -1.3 : -2.1}
        width={length}
        height={is === 'tape' ? 2.6 : 4.2}
        rx={is === 'tape' ? 0 : 1.4}
        fill={tone('tape')}
        stroke={tone('ink')}
        strokeWidth={line * 1.3}
      />
      {is === 'tape' ? (
        <Path
          d={Array.from(
            { length: Math.floor(length / 5) },
            (_, i) => `M${(i + 1) * 5} -1.3v1.4`,
          ).join('')}
          stroke={tone('ink')}
          strokeWidth={line * 0.8}
        />
      ) : (
        <Path d={`M${length - 3} -1v2`} stroke={tone('ink')} strokeWidth={line * 1.3} />
      )}
    </G>
  );
}

/** The palm that holds still. */
const Hold = ({ at: [x, y], line }: { readonly at: Point; readonly line: number }) => (
  <G>
    <Circle
      cx={x}
      cy={-y}
      r={5}
      fill={tone('sheet', 0.7)}
      stroke={tone('ochre')}
      strokeWidth={line * 2}
      strokeDasharray={`${line * 4} ${line * 2.5}`}
    />
    <Circle cx={x} cy={-y} r={1.2} fill={tone('ochre')} />
  </G>
);

function Angle({
  at: [x, y],
  fromDeg,
  toDeg,
  radiusCm: r,
  line,
}: NonNullable<MeasuringFigure['angle']> & { readonly radiusCm: number; readonly line: number }) {
  const on = (deg: number, radius: number) =>
    `${x + radius * cosDeg(deg)} ${-y - radius * sinDeg(deg)}`;
  const big = Math.abs(toDeg - fromDeg) > 180 ? 1 : 0;
  return (
    <G>
      <Path
        d={`M${x} ${-y}L${on(fromDeg, r)}A${r} ${r} 0 ${big} 0 ${on(toDeg, r)}Z`}
        fill={tone('sheet', 0.75)}
      />
      <Path
        d={`M${on(fromDeg, r * 1.35)}L${x} ${-y}L${on(toDeg, r * 1.35)}`}
        stroke={tone('thread')}
        strokeWidth={line}
        strokeDasharray={`${line * 3} ${line * 2}`}
        fill="none"
      />
      <Path
        d={`M${on(fromDeg, r)}A${r} ${r} 0 ${big} 0 ${on(toDeg, r)}`}
        stroke={tone('thread')}
        strokeWidth={line * 2.4}
        fill="none"
      />
    </G>
  );
}
