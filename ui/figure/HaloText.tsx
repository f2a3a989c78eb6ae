import { Text, type TextProps } from '../svg';
import { tone } from '../tones';

interface HaloTextProps extends Omit<TextProps, 'children' | 'fill' | 'stroke'> {
  readonly children: string;
  /** What it stands on. */
  readonly behind: 'paper' | 'sheet';
  readonly haloWidth: number;
}

/** Words with an edge of what they stand on, to be read over any drawing or picture. */
export const HaloText = ({ behind, haloWidth, children, ...place }: HaloTextProps) => (
  <>
    <Text
      {...place}
      fontFamily="OjasText"
      fill={tone(behind)}
      stroke={tone(behind)}
      strokeWidth={haloWidth}
    >
      {children}
    </Text>
    <Text {...place} fontFamily="OjasText" fill={tone('ink')}>
      {children}
    </Text>
  </>
);
