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

/** What is dragged up and down with a pointer: the web's own events, for a native gesture would not see a mouse. */
function useDrag({ valueCm, scale, onMove }: Pick<DragEdgeProps, 'valueCm' | 'scale' | 'onMove'>) {
  const grip = useRef<{ y: number; cm: number; scale: number } | null>(null);
  return {
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
  };
}

const movable = { touchAction: 'none', cursor: 'ns-resize' };

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
  const drag = useDrag({ valueCm, scale, onMove });
  const events = {
    ...drag,
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
          ...movable,
        } as unknown as ViewProps['style']
      }
      {...events}
    >
      <View className="h-2 w-9 rounded-sm border-2 border-thread bg-sheet" />
    </View>
  );
}

type DragSupportProps = Pick<DragEdgeProps, 'valueCm' | 'leftPx' | 'topPx' | 'scale' | 'onMove'> & {
  readonly heightPx: number;
};
/** As wide a place as a finger finds. */
const LEAST_PX = 32;

/**
 * The support itself, where it lies under the figure: a pointer takes hold of it; keys and ears have the edge on the
 * rail.
 */
export function DragSupport({ heightPx, leftPx, topPx, ...of }: DragSupportProps) {
  const tall = Math.max(LEAST_PX, heightPx);
  return (
    <View
      aria-hidden
      testID="support"
      className="absolute"
      style={
        {
          left: leftPx - SIZE_PX / 2,
          top: topPx - (tall - heightPx) / 2,
          width: SIZE_PX,
          height: tall,
          ...movable,
        } as unknown as ViewProps['style']
      }
      {...(useDrag(of) as unknown as ViewProps)}
    />
  );
}
