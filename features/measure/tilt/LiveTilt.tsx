import { useEffect, useRef, useState } from 'react';
import { View } from 'react-native';
import type { TiltView } from '@/core/measure/tilt';
import { phoneTilt } from '@/core/parameters';
import { tone } from '@/ui/tones';
import { Aside } from '@/ui/Words';
import type { Tilt } from './useTilt';

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
const NEEDLE = RADIUS - 6;

/**
 * The angle of this instant, large, with a ring that closes while it is held still. It is written straight into the
 * page, once a frame: drawing it anew sixty times a second would cost a slow phone its smoothness.
 */
export function LiveTilt({ tilt, valueOf, what }: LiveTiltProps) {
  const [skewed, setSkewed] = useState(false);
  const number = useRef<HTMLDivElement>(null);
  const ring = useRef<SVGCircleElement>(null);
  const needle = useRef<SVGLineElement>(null);
  const value = useRef(valueOf);
  useEffect(() => {
    value.current = valueOf;
  });
  const { follow } = tilt;
  useEffect(() => {
    let next: TiltView | null = null;
    let frame = 0;
    const paint = () => {
      frame = 0;
      if (!next || !number.current) return;
      const words = `${Math.round(value.current(next.deg))}°`;
      if (number.current.textContent !== words) number.current.textContent = words;
      ring.current?.setAttribute('stroke-dasharray', `${(next.still * ROUND).toFixed(1)} ${ROUND}`);
      needle.current?.setAttribute('transform', `rotate(${(-next.deg).toFixed(1)})`);
      setSkewed(Math.abs(next.skewDeg) > phoneTilt.mostSkew.value);
    };
    const unfollow = follow((seen) => {
      next = seen;
      if (frame === 0) frame = requestAnimationFrame(paint);
    });
    return () => {
      unfollow();
      cancelAnimationFrame(frame);
    };
  }, [follow]);
  return (
    <View className="max-w-full shrink flex-row flex-wrap items-center gap-3">
      <svg
        width={SIZE}
        height={SIZE}
        viewBox={`${-SIZE / 2} ${-SIZE / 2} ${SIZE} ${SIZE}`}
        aria-hidden
      >
        <circle r={RADIUS} fill="none" stroke={tone('line')} strokeWidth={4} />
        <circle
          ref={ring}
          r={RADIUS}
          fill="none"
          stroke={tone('moss')}
          strokeWidth={6}
          strokeDasharray={`0 ${ROUND}`}
          transform="rotate(-90)"
        />
        <line x1={-NEEDLE} y1={0} x2={NEEDLE} y2={0} stroke={tone('line')} strokeWidth={2} />
        <line
          ref={needle}
          x1={0}
          y1={0}
          x2={NEEDLE}
          y2={0}
          stroke={tone('thread')}
          strokeWidth={5}
          strokeLinecap="round"
        />
      </svg>
      <View className="max-w-full shrink">
        <div
          ref={number}
          style={{
            fontFamily: 'OjasTitle',
            fontWeight: 700,
            fontSize: '3rem',
            lineHeight: 1,
            color: tone('ink'),
          }}
        >
          –
        </div>
        <Aside>{skewed ? 'turned on its side: lay the edge along the limb' : what}</Aside>
      </View>
    </View>
  );
}
