import { Text } from '../svg';
import { date } from '../format';
import { tone } from '../tones';

interface EndsProps {
  /** The first day of a chart, and the last one where it is another. */
  readonly days: readonly string[];
  readonly fromPx: number;
  readonly toPx: number;
  readonly yPx: number;
}

/** The days at which a chart begins and ends, at its foot. */
export const Ends = ({ days, fromPx, toPx, yPx }: EndsProps) => (
  <>
    {days.map((day, i) => (
      <Text
        key={i}
        x={i === 0 ? fromPx : toPx}
        y={yPx}
        fontSize={11}
        fontFamily="OjasText"
        fill={tone('faint')}
        textAnchor={i === 0 ? 'start' : 'end'}
      >
        {date(day)}
      </Text>
    ))}
  </>
);
