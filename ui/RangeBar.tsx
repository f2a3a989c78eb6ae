import { View } from 'react-native';
import Svg, { Line, Path, Rect } from './svg';
import type { RangeEstimate } from '@/core/estimate/estimate';
import type { Range, ReadingSide } from '@/core/ranges/ranges';
import { ago, withDoubt } from './format';
import { tone } from './tones';
import { Aside, Words } from './Words';
import { rangeName } from './words/words';

interface RangeBarProps {
  readonly estimate: RangeEstimate;
  readonly range: Range;
  readonly side: ReadingSide;
}

const WIDTH = 320;
const HEIGHT = 16;

/** A range with its doubt on a scale of what is usual: the hatched stretch is the middle four fifths of adults. */
export function RangeBar({ estimate, range, side }: RangeBarProps) {
  const { mean, sd, lastAt, source, driftPerWeek } = estimate;
  const usual = range.prior ?? { mean, sd };
  const [low, high] = [
    Math.min(mean - 3 * sd, usual.mean - 3 * usual.sd),
    Math.max(mean + 3 * sd, usual.mean + 3 * usual.sd),
  ];
  const x = (value: number) => ((value - low) / (high - low)) * WIDTH;
  const value =
    range.unit === 'deg' ? withDoubt(mean, sd) : `${mean.toFixed(2)} ± ${(1.28 * sd).toFixed(2)}`;
  const moving =
    range.unit === 'deg' && Math.abs(driftPerWeek) >= 0.15
      ? `, ${driftPerWeek > 0 ? 'gaining' : 'losing'} ${Math.abs(driftPerWeek).toFixed(1)}° a week`
      : '';
  const age =
    source === 'other-side'
      ? 'from the other side'
      : lastAt
        ? `${ago(lastAt)}${moving}`
        : 'assumed';
  return (
    <View className="gap-0.5">
      <View className="flex-row flex-wrap justify-between gap-x-3">
        <Words>
          {rangeName(range.id)}
          {side === 'both' ? '' : `, ${side}`}
        </Words>
        <Words className="font-semibold">{value}</Words>
      </View>
      <Svg
        width="100%"
        height={HEIGHT}
        viewBox={`0 0 ${WIDTH} ${HEIGHT}`}
        preserveAspectRatio="none"
        aria-hidden
      >
        <Rect
          x={x(usual.mean - 1.28 * usual.sd)}
          y={3}
          width={x(usual.mean + 1.28 * usual.sd) - x(usual.mean - 1.28 * usual.sd)}
          height={10}
          fill={tone('well')}
        />
        <Line x1={0} x2={WIDTH} y1={8} y2={8} stroke={tone('line')} strokeWidth={1} />
        <Rect
          x={x(mean - 1.28 * sd)}
          y={5}
          width={x(mean + 1.28 * sd) - x(mean - 1.28 * sd)}
          height={6}
          fill={tone('thread', 0.45)}
        />
        <Path d={`M${x(mean)} 1V15`} stroke={tone('thread')} strokeWidth={3} />
      </Svg>
      <Aside>{age}</Aside>
    </View>
  );
}
