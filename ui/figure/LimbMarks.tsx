import { Circle, G } from '../svg';
import { tone } from '../tones';
import { HaloText } from './HaloText';
import type { LimbMark } from './marks';

interface LimbMarksProps {
  readonly marks: readonly LimbMark[];
  readonly line: number;
  readonly fontCm: number;
}

/** "8° left" beside each joint: what it still has; what it lacks is red and says so. */
export const LimbMarks = ({ marks, line, fontCm }: LimbMarksProps) => (
  <>
    {marks.map(({ at: [x, y], inHandDeg }) => {
      const short = inHandDeg < -0.5;
      return (
        <G key={`${x}/${y}`}>
          <Circle
            cx={x}
            cy={-y}
            r={line * 3}
            fill={tone(short ? 'rust' : 'thread')}
            stroke={tone('sheet')}
            strokeWidth={line}
          />
          <HaloText
            x={x + line * 5}
            y={-y - line * 4}
            fontSize={fontCm}
            fontWeight={short ? 'bold' : 'normal'}
            behind="sheet"
            haloWidth={line * 3}
          >
            {`${short ? '−' : '+'}${Math.abs(Math.round(inHandDeg))}°`}
          </HaloText>
        </G>
      );
    })}
  </>
);
