import type { ScaleLinear } from 'd3-scale';
import { G, Line, Text } from '../svg';
import { tone } from '../tones';

interface HeightsProps {
  readonly scale: ScaleLinear<number, number>;
  readonly leftPx: number;
  readonly rightPx: number;
  readonly written: (value: number) => string;
}

const TICKS = 4;

/** The lines across a chart, each with its value to the left of it. */
export const Heights = ({ scale, leftPx, rightPx, written }: HeightsProps) =>
  scale.ticks(TICKS).map((tick) => (
    <G key={tick}>
      <Line
        x1={leftPx}
        x2={rightPx}
        y1={scale(tick)}
        y2={scale(tick)}
        stroke={tone('line')}
        strokeWidth={0.7}
      />
      <Text
        x={leftPx - 5}
        y={scale(tick) + 4}
        fontSize={11}
        fontFamily="OjasText"
        fill={tone('faint')}
        textAnchor="end"
      >
        {written(tick)}
      </Text>
    </G>
  ));
