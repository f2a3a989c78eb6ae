import { scaleLinear, scaleTime } from 'd3-scale';
import { curveStepAfter, line } from 'd3-shape';
import { parseISO } from 'date-fns/parseISO';
import Svg, { Circle, Path } from '../svg';
import { tone } from '../tones';
import { Ends } from './Ends';
import { Heights } from './Heights';
import { lookOf } from './looks';

export interface Steps {
  readonly name: string;
  readonly steps: readonly {
    readonly at: string;
    readonly value: number;
    readonly warned: boolean;
  }[];
  /** Steps that were tried within a visit: filled where they were quiet, crossed where one spoke. */
  readonly tried?: readonly {
    readonly at: string;
    readonly value: number;
    readonly word: boolean;
  }[];
}

interface StepChartProps {
  readonly courses: readonly Steps[];
  /** A value as it is shown: "12 cm", "30°". */
  readonly written: (value: number) => string;
  readonly words: string;
}

const [WIDTH, HEIGHT, LEFT, FOOT] = [340, 170, 46, 22];
/** Heights or settings as they stood from one time to the next; where a joint spoke, the mark is a triangle. */
export function StepChart({ courses, written, words }: StepChartProps) {
  const all = courses.flatMap(({ steps, tried = [] }) => [...steps, ...tried]);
  if (all.length === 0) return null;
  const times = all.map(({ at }) => parseISO(at)).sort((a, b) => a.getTime() - b.getTime());
  const [first, last] = [times[0] as Date, times.at(-1) as Date];
  const x = scaleTime()
    .domain([first, last])
    .range([LEFT + 8, WIDTH - 10]);
  const y = scaleLinear()
    .domain([0, Math.max(...all.map(({ value }) => value), 1)])
    .nice(4)
    .range([HEIGHT - FOOT, 10]);
  const xOf = (at: string) => x(parseISO(at));
  return (
    <Svg
      width="100%"
      height={HEIGHT}
      viewBox={`0 0 ${WIDTH} ${HEIGHT}`}
      role="img"
      aria-label={words}
    >
      <Heights scale={y} leftPx={LEFT} rightPx={WIDTH} written={written} />
      {courses.map(({ name, steps }, i) => (
        <Path
          key={name}
          d={
            line<Steps['steps'][number]>()
              .x(({ at }) => xOf(at))
              .y(({ value }) => y(value))
              .curve(curveStepAfter)([...steps]) ?? ''
          }
          fill="none"
          stroke={tone(lookOf(i).colour)}
          strokeWidth={2}
          strokeDasharray={lookOf(i).dash}
        />
      ))}
      {courses.flatMap(({ name, steps }, i) =>
        steps.map(({ at, value, warned }, j) =>
          warned ? (
            <Path
              key={`${name}/${j}`}
              d={`M${xOf(at)} ${y(value) - 7}l6 11h-12z`}
              fill={tone('rust')}
              stroke={tone('sheet')}
              strokeWidth={1}
            />
          ) : (
            <Circle
              key={`${name}/${j}`}
              cx={xOf(at)}
              cy={y(value)}
              r={3.5}
              fill={tone('sheet')}
              stroke={tone(lookOf(i).colour)}
              strokeWidth={1.5}
            />
          ),
        ),
      )}
      {courses.flatMap(({ name, tried = [] }, i) =>
        tried.map(({ at, value, word }, j) =>
          word ? (
            <Path
              key={`${name}/tried/${j}`}
              d={`M${xOf(at) - 3} ${y(value) - 3}l6 6m0 -6l-6 6`}
              stroke={tone('rust')}
              strokeWidth={1.5}
            />
          ) : (
            <Circle
              key={`${name}/tried/${j}`}
              cx={xOf(at)}
              cy={y(value)}
              r={2.2}
              fill={tone(lookOf(i).colour)}
            />
          ),
        ),
      )}
      <Ends
        days={[first.toISOString(), last.toISOString()]}
        fromPx={LEFT + 8}
        toPx={WIDTH - 10}
        yPx={HEIGHT - 5}
      />
    </Svg>
  );
}
