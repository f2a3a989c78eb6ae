import { View } from 'react-native';
import Svg, { Circle, Line } from 'react-native-svg';
import { phoneTilt } from '@/core/parameters';
import { tone } from '@/ui/tones';
import { Aside, Words } from '@/ui/Words';
import { useTiltView, type Tilt } from './useTilt';

interface LiveTiltProps {
  readonly tilt: Tilt;
  /** From the turn of the edge to the value that is read. */
  readonly valueOf: (deg: number) => number;
  /** What the number is, in a word or two. */
  readonly what: string;
}

const SIZE = 72;
const RADIUS = 30;
const ROUND = 2 * Math.PI * RADIUS;

/** The angle of this instant, large, with a ring that closes while it is held still. */
export function LiveTilt({ tilt, valueOf, what }: LiveTiltProps) {
  const view = useTiltView(tilt);
  const deg = view?.deg ?? 0;
  const turn = (deg * Math.PI) / 180;
  const skewed = view !== null && Math.abs(view.skewDeg) > phoneTilt.mostSkew.value;
  return (
    <View className="flex-row items-center gap-3">
      <Svg width={SIZE} height={SIZE} viewBox={`${-SIZE / 2} ${-SIZE / 2} ${SIZE} ${SIZE}`} aria-hidden>
        <Circle r={RADIUS} fill="none" stroke={tone('line')} strokeWidth={4} />
        <Circle r={RADIUS} fill="none" stroke={tone('moss')} strokeWidth={6} strokeDasharray={`${(view?.still ?? 0) * ROUND} ${ROUND}`} transform="rotate(-90)" />
        <Line x1={-RADIUS + 6} y1={0} x2={RADIUS - 6} y2={0} stroke={tone('line')} strokeWidth={2} />
        <Line x1={0} y1={0} x2={(RADIUS - 6) * Math.cos(turn)} y2={-(RADIUS - 6) * Math.sin(turn)} stroke={tone('thread')} strokeWidth={5} strokeLinecap="round" />
      </Svg>
      <View className="shrink">
        <Words className="font-title text-5xl font-bold text-ink" nativeID="live-angle">{view === null ? '–' : `${Math.round(valueOf(deg))}°`}</Words>
        <Aside>{skewed ? 'turned on its side: lay the edge along the limb' : what}</Aside>
      </View>
    </View>
  );
}
