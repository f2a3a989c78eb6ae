import { scaleLinear } from 'd3-scale';
import Svg, { Circle, Line, Rect, Text } from '../svg';
import { tone } from '../tones';

interface ReadingDotsProps {
  readonly values: readonly number[];
  readonly mean: number;
  readonly sem: number;
  readonly unit: string;
}

const WIDTH = 320;

/** Two or three readings as dots on a small scale, with their mean and its error. */
export function ReadingDots({ values, mean, sem, unit }: ReadingDotsProps) {
  const x = scaleLinear()
    .domain([Math.min(...values, mean - 2 * sem) - 2, Math.max(...values, mean + 2 * sem) + 2])
    .nice()
    .range([10, WIDTH - 10]);
  return (
    <Svg
      width="100%"
      height={48}
      viewBox={`0 0 ${WIDTH} 48`}
      role="img"
      aria-label={`Readings ${values.join(', ')}, mean ${mean.toFixed(0)}${unit}`}
    >
      <Rect
        x={x(mean - 1.28 * sem)}
        y={8}
        width={x(mean + 1.28 * sem) - x(mean - 1.28 * sem)}
        height={20}
        fill={tone('thread', 0.2)}
      />
      <Line x1={10} x2={WIDTH - 10} y1={28} y2={28} stroke={tone('ink')} strokeWidth={1} />
      {x.ticks(6).map((tick) => (
        <Line
          key={tick}
          x1={x(tick)}
          x2={x(tick)}
          y1={28}
          y2={32}
          stroke={tone('ink')}
          strokeWidth={1}
        />
      ))}
      {x.ticks(6).map((tick) => (
        <Text
          key={`t${tick}`}
          x={x(tick)}
          y={44}
          fontSize={11}
          fontFamily="OjasText"
          fill={tone('faint')}
          textAnchor="middle"
        >
          {tick}
        </Text>
      ))}
      <Line x1={x(mean)} x2={x(mean)} y1={4} y2={30} stroke={tone('thread')} strokeWidth={2} />
      {values.map((value, i) => (
        <Circle
          key={i}
          cx={x(value)}
          cy={18}
          r={5}
          fill={tone('sheet')}
          stroke={tone('thread')}
          strokeWidth={2.5}
        />
      ))}
    </Svg>
  );
}
