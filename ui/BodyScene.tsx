import { useState } from 'react';
import { View } from 'react-native';
import Svg, { G, Line, Path } from './svg';
import { armCm, type Body } from '@/core/body/body';
import type { TapedLength } from '@/core/body/lengths';
import type { Point } from '@/core/geometry/posture';
import { flatBody, measuringFigure } from '@/core/measure/figures';
import { Figure } from './figure/Figure';
import { FlatFigure } from './figure/FlatFigure';
import { HaloText } from './figure/HaloText';
import { tone } from './tones';

interface BodySceneProps {
  readonly body: Body;
  /** Lengths that are taped: drawn whole; the others are dashed. */
  readonly taped: readonly TapedLength[];
  /** The length that is being taped. */
  readonly active: TapedLength | null;
  /** A length as it is written. */
  readonly written: (cm: number) => string;
  readonly words: string;
  readonly mostHeightPx: number;
}

interface Measure {
  readonly id: TapedLength;
  readonly name: string;
  readonly cm: number;
  readonly from: Point;
  readonly to: Point;
}

/** Room for words beside the side view: to its left, and between it and the front view. */
const [LEFT_PX, BETWEEN_PX, RIGHT_PX, FOOT_PX] = [92, 96, 16, 26];
/** Half widths of the two views, in centimetres. */
const [SIDE_CM, FRONT_CM] = [30, 29];

/** A body from the side and from the front, with each length as it is taped. */
export function BodyScene({ body, taped, active, written, words, mostHeightPx }: BodySceneProps) {
  const [widthPx, setWidthPx] = useState(0);
  const drawn = measuringFigure('pelvic-tilt.standing', 10, body)?.body;
  if (!drawn || !('side' in drawn)) return null;
  const { hip, knee, ankle, heel, toe, spine } = drawn.side;
  const shoulder = spine.at(-1) as Point;
  const half = body.hipWidthCm / 2;
  const spacing = body.hipSpacingCm / 2;
  const legAt = (x: number): readonly [Point, Point, Point, Point] => [
    [x, hip[1]],
    [x, knee[1]],
    [x, ankle[1]],
    [x, 3],
  ];
  const front = flatBody(body, 'front', hip[1], [legAt(-spacing), legAt(spacing)]);
  const upright = (
    id: TapedLength,
    name: string,
    cm: number,
    x: number,
    low: number,
    high: number,
  ): Measure => ({ id, name, cm, from: [x, low], to: [x, high] });
  const top = body.statureCm + 6;
  const scale = Math.max(
    0.3,
    Math.min(
      (widthPx - LEFT_PX - BETWEEN_PX - RIGHT_PX) / (2 * SIDE_CM + 2 * FRONT_CM),
      (mostHeightPx - FOOT_PX) / top,
    ),
  );
  const [left, below] = [-SIDE_CM + 6 - LEFT_PX / scale, -FOOT_PX / scale];
  const frontX = SIDE_CM + BETWEEN_PX / scale + FRONT_CM - 6;
  const right = frontX + FRONT_CM + RIGHT_PX / scale;
  const measures: Measure[] = [
    upright('thigh', 'Thigh', body.thighCm, 26, knee[1], hip[1]),
    upright('shin', 'Shin', body.shinCm, 26, ankle[1], knee[1]),
    upright('ankleHeight', 'Ankle height', body.ankleHeightCm, 36, 0, body.ankleHeightCm),
    upright('trunk', 'Trunk', body.trunkCm, -24, hip[1], shoulder[1]),
    upright('seatToHip', 'Seat to hip', body.seatToHipCm, -24, hip[1] - body.seatToHipCm, hip[1]),
    upright('arm', 'Arm', armCm(body), 32, shoulder[1] - armCm(body), shoulder[1]),
    { id: 'foot', name: 'Foot', cm: body.footCm, from: [heel[0] - 2, -7], to: [toe[0], -7] },
    {
      id: 'hipWidth',
      name: 'Hip width',
      cm: body.hipWidthCm,
      from: [frontX - half, hip[1] - 26],
      to: [frontX + half, hip[1] - 26],
    },
  ];
  const line = 1.1 / scale;
  return (
    <View onLayout={({ nativeEvent }) => setWidthPx(nativeEvent.layout.width)} className="w-full">
      <View role="img" aria-label={words} className="items-center">
        {widthPx > 0 ? (
          <Svg
            width={(right - left) * scale}
            height={(top - below) * scale}
            viewBox={`${left} ${-top} ${right - left} ${top - below}`}
          >
            <Line
              x1={left}
              x2={right}
              y1={0}
              y2={0}
              stroke={tone('ink')}
              strokeWidth={line * 1.4}
            />
            <Figure posture={drawn.side} body={body} stacks={{}} shelf={[]} line={line} />
            <G transform={`translate(${frontX} 0)`}>
              <FlatFigure {...front} face statureCm={body.statureCm} line={line} />
            </G>
            {measures.map((measure) => (
              <Taped
                key={measure.id}
                measure={measure}
                sure={taped.includes(measure.id)}
                active={measure.id === active}
                written={written(measure.cm)}
                line={line}
                fontCm={11.5 / scale}
              />
            ))}
          </Svg>
        ) : null}
      </View>
    </View>
  );
}

/** One length between its ends, with its number. */
function Taped({
  measure: { name, from, to },
  sure,
  active,
  written,
  line,
  fontCm,
}: {
  readonly measure: Measure;
  readonly sure: boolean;
  readonly active: boolean;
  readonly written: string;
  readonly line: number;
  readonly fontCm: number;
}) {
  const flat = from[1] === to[1];
  const colour = tone(active ? 'rust' : 'thread');
  const [x, y] = [(from[0] + to[0]) / 2, -(from[1] + to[1]) / 2];
  const outward = from[0] < 0 && !flat;
  const end = 2.4;
  const place = {
    x: flat ? x : x + (outward ? -4 : 4),
    y: flat ? y + fontCm * 1.1 : y + fontCm * 0.35,
    textAnchor: flat ? 'middle' : outward ? 'end' : 'start',
    fontSize: fontCm,
    fontWeight: sure ? 'bold' : 'normal',
  } as const;
  const ticks = flat
    ? `M${from[0]} ${-from[1] - end}v${2 * end}M${to[0]} ${-to[1] - end}v${2 * end}`
    : `M${from[0] - end} ${-from[1]}h${2 * end}M${to[0] - end} ${-to[1]}h${2 * end}`;
  return (
    <G>
      <Path
        d={`M${from[0]} ${-from[1]}L${to[0]} ${-to[1]}`}
        stroke={colour}
        strokeWidth={line * (active ? 3 : 1.8)}
        strokeDasharray={sure ? '' : `${line * 4} ${line * 3}`}
      />
      <Path d={ticks} stroke={colour} strokeWidth={line * (active ? 3 : 1.8)} />
      <HaloText {...place} behind="sheet" haloWidth={line * 4}>{`${name} ${written}`}</HaloText>
    </G>
  );
}
