import { useRef } from 'react';
import { View, type ViewProps } from 'react-native';
import { length, type Units } from './format';

interface DragEdgeProps {
  /** What is moved, for those who hear the screen. */
  readonly label: string;
  readonly valueCm: number;
  readonly units: Units;
  readonly mostCm: number;
  /** Middle of the edge in the picture, in points from its left and top. */
  readonly leftPx: number;
  readonly topPx: number;
  /** Points per centimetre. */
  readonly scale: number;
  readonly onMove: (cm: number) => void;
}

const SIZE_PX = 44;
const STEPS: Readonly<Record<string, number>> = {
  ArrowUp: 0.5,
  ArrowDown: -0.5,
  PageUp: 2,
  PageDown: -2,
};

/** The top edge of a support, to be dragged up and down, or moved with the arrow keys. */
export function DragEdge({
  label,
  valueCm,
  units,
  mostCm,
  leftPx,
  topPx,
  scale,
  onMove,
}: DragEdgeProps) {
  const grip = useRef<{ y: number; cm: number; scale: number } | null>(null);
  // The web's own events: a native gesture would not see a mouse.
  const pointer = {
    onPointerDown: (event: React.PointerEvent<HTMLElement>) => {
      event.currentTarget.setPointerCapture(event.pointerId);
      // The picture may change its scale while it answers; the hand keeps to the one it began with.
      grip.current = { y: event.clientY, cm: valueCm, scale };
    },
    onPointerMove: (event: React.PointerEvent<HTMLElement>) => {
      if (grip.current)
        onMove(grip.current.cm + (grip.current.y - event.clientY) / grip.current.scale);
    },
    onPointerUp: () => {
      grip.current = null;
    },
    onKeyDown: (event: React.KeyboardEvent<HTMLElement>) => {
      const step = STEPS[event.key];
      if (step === undefined) return;
      event.preventDefault();
      onMove(valueCm + step);
    },
  } as unknown as ViewProps;
  return (
    <View
      role="slider"
      tabIndex={0}
      aria-label={label}
      aria-valuenow={valueCm}
      aria-valuemin={0}
      aria-valuemax={mostCm}
      aria-orientation="vertical"
      aria-valuetext={length(valueCm, units)}
      className="absolute items-center justify-center"
      style={
        {
          left: leftPx - SIZE_PX / 2,
          top: topPx - SIZE_PX / 2,
          width: SIZE_PX,
          height: SIZE_PX,
          touchAction: 'none',
          cursor: 'ns-resize',
        } as unknown as ViewProps['style']
      }
      {...pointer}
    >
      <View className="h-2 w-9 rounded-sm border-2 border-thread bg-sheet" />
    </View>
  );
}
