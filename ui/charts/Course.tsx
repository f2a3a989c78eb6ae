import { scaleLinear, scaleTime } from 'd3-scale';
import { area, line } from 'd3-shape';
import Svg, { Circle, Line, Path } from '../svg';
import type { Look } from '@/core/estimate/looks';
import { date, withDoubt } from '../format';
import { tone } from '../tones';
import { Ends } from './Ends';
import { Heights } from './Heights';

const [WIDTH, HEIGHT, LEFT, FOOT] = [340, 150, 34, 22];

interface CourseProps {
  readonly looks: readonly Look[];
  readonly name: string;
}

/** The level with its band through time, and each look upon it; real changes are filled. */
export function Course({ looks, name }: CourseProps) {
  const times = looks.map(({ reading }) => new Date(reading.at));
  const all = looks.flatMap(({ mean, sem, level }) => [
    mean - 1.28 * sem,
    mean + 1.28 * sem,
    level.mean - 1.28 * level.sd,
    level.mean + 1.28 * level.sd,
  ]);
  const x = scaleTime()
    .domain([times[0] as Date, times.at(-1) as Date])
    .range([LEFT + 8, WIDTH - 8]);
  const y = scaleLinear()
    .domain([Math.min(...all), Math.max(...all)])
    .nice(4)
    .range([HEIGHT - FOOT, 8]);
  const at = (i: number) => x(times[i] as Date);
  const band =
    area<Look>()
      .x((_, i) => at(i))
      .y0(({ level }) => y(level.mean - 1.28 * level.sd))
      .y1(({ level }) => y(level.mean + 1.28 * level.sd))([...looks]) ?? '';
  const course =
    line<Look>()
      .x((_, i) => at(i))
      .y(({ level }) => y(level.mean))([...looks]) ?? '';
  const last = looks.at(-1) as Look;
  return (
    <Svg
      width="100%"
      height={HEIGHT}
      viewBox={`0 0 ${WIDTH} ${HEIGHT}`}
      role="img"
      aria-label={`${name} through time: ${looks.length} readings from ${date((looks[0] as Look).day)} to ${date(last.day)}, now ${withDoubt(last.level.mean, last.level.sd)}`}
    >
      <Heights scale={y} leftPx={LEFT} rightPx={WIDTH} written={(deg) => `${deg}°`} />
      <Path d={band} fill={tone('thread', 0.18)} />
      <Path d={course} fill="none" stroke={tone('thread')} strokeWidth={2} />
      {looks.map(({ mean, sem, reading }, i) => (
        <Line
          key={`e${reading.id}`}
          x1={at(i)}
          x2={at(i)}
          y1={y(mean - 1.28 * sem)}
          y2={y(mean + 1.28 * sem)}
          stroke={tone('ink')}
          strokeWidth={1}
        />
      ))}
      {looks.map(({ mean, reading, change }, i) => (
        <Circle
          key={reading.id}
          cx={at(i)}
          cy={y(mean)}
          r={change ? 6 : 4.5}
          fill={tone(change ? 'moss' : 'sheet')}
          stroke={tone('ink')}
          strokeWidth={1.5}
        />
      ))}
      <Ends
        days={[(looks[0] as Look).day, last.day]}
        fromPx={LEFT + 8}
        toPx={WIDTH - 8}
        yPx={HEIGHT - 5}
      />
    </Svg>
  );
}
