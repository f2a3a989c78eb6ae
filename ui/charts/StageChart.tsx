import { scalePoint, scaleTime } from 'd3-scale';
import { curveStepAfter, line } from 'd3-shape';
import { parseISO } from 'date-fns/parseISO';
import Svg, { Circle, Line, Path, Text } from '../svg';
import { tone } from '../tones';
import { Ends } from './Ends';

interface StageChartProps {
  /** Names of the stages, the most supported first. */
  readonly stages: readonly string[];
  /** In which of them it stood, time after time. */
  readonly times: readonly { readonly at: string; readonly stage: string }[];
  readonly words: string;
}

const [WIDTH, ROW, HEAD, FOOT, SIDE] = [340, 30, 20, 22, 12];

/** From stage to stage, downward as supports go away: each time is a dot on the line of its stage. */
export function StageChart({ stages, times, words }: StageChartProps) {
  const [first, last] = [times[0], times.at(-1)];
  if (!first || !last) return null;
  const height = HEAD + ROW * (stages.length - 1) + FOOT + 8;
  const x = scaleTime()
    .domain([parseISO(first.at), parseISO(last.at)])
    .range([SIDE, WIDTH - SIDE]);
  const y = scalePoint()
    .domain(stages)
    .range([HEAD, HEAD + ROW * (stages.length - 1)]);
  const xOf = ({ at }: { readonly at: string }) => (first.at === last.at ? SIDE : x(parseISO(at)));
  const yOf = ({ stage }: { readonly stage: string }) => y(stage) ?? HEAD;
  const ends = first.at.slice(0, 10) === last.at.slice(0, 10) ? [first] : [first, last];
  return (
    <Svg
      width="100%"
      height={height}
      viewBox={`0 0 ${WIDTH} ${height}`}
      role="img"
      aria-label={words}
    >
      {stages.map((stage) => (
        <Text
          key={stage}
          x={SIDE}
          y={(y(stage) ?? HEAD) - 6}
          fontSize={11}
          fontFamily="OjasText"
          fill={tone(stage === last.stage ? 'ink' : 'faint')}
        >
          {stage}
        </Text>
      ))}
      {stages.map((stage) => (
        <Line
          key={stage}
          x1={SIDE}
          x2={WIDTH - SIDE}
          y1={y(stage)}
          y2={y(stage)}
          stroke={tone('line')}
          strokeWidth={1}
        />
      ))}
      <Path
        d={line<(typeof times)[number]>().x(xOf).y(yOf).curve(curveStepAfter)([...times]) ?? ''}
        fill="none"
        stroke={tone('thread')}
        strokeWidth={2}
      />
      {times.map((one, i) => (
        <Circle
          key={i}
          cx={xOf(one)}
          cy={yOf(one)}
          r={3.5}
          fill={tone('sheet')}
          stroke={tone('thread')}
          strokeWidth={1.5}
        />
      ))}
      <Ends days={ends.map(({ at }) => at)} fromPx={SIDE} toPx={WIDTH - SIDE} yPx={height - 5} />
    </Svg>
  );
}
