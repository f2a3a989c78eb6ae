import { G, Path } from '../svg';
import { tone } from '../tones';

/** Several outlines as one: all inked first, then all filled, so that only the outer line is left. */
export function Merged({
  paths,
  fill,
  line,
}: {
  readonly paths: readonly string[];
  readonly fill: string;
  readonly line: number;
}) {
  return (
    <G>
      {paths.map((d, i) => (
        <Path
          key={`i${i}`}
          d={d}
          fill={tone('ink')}
          stroke={tone('ink')}
          strokeWidth={line * 2}
          strokeLinejoin="round"
        />
      ))}
      {paths.map((d, i) => (
        <Path key={`f${i}`} d={d} fill={fill} />
      ))}
    </G>
  );
}
