import { useEffect, useRef, useState } from 'react';
import { Image, View, type ViewProps, type View as ViewType } from 'react-native';
import Svg, { Circle, Line, Polyline } from '@/ui/svg';
import type { Spot } from '@/core/protocols/photoWay';
import { Press } from '@/ui/Press';
import { HaloText } from '@/ui/figure/HaloText';
import { tone } from '@/ui/tones';
import type { Picture } from './openPicture';
import { movedBy, onBoard, panned, wholePicture, zoomed, type BoardView, type Size } from './view';

/** A point that can be moved: a landmark, or an end of the level line. */
export interface Mark {
  readonly id: string;
  readonly name: string;
  readonly at: Spot;
}

interface PictureBoardProps {
  readonly picture: Picture;
  readonly landmarks: readonly Mark[];
  /** Ends of a line laid along the floor or a plumb line; none where the picture is straight. */
  readonly line: readonly Mark[];
  readonly onMove: (id: string, at: Spot) => void;
}

const HANDLE_PX = 44;
const LOUPE_PX = 112;
const LOUPE_TIMES = 3;
const STEPS: Readonly<Record<string, Spot>> = {
  ArrowLeft: [-1, 0],
  ArrowRight: [1, 0],
  ArrowUp: [0, -1],
  ArrowDown: [0, 1],
};

type Change = (to: (view: BoardView) => BoardView) => void;

/** Pinched, dragged or wheeled: how the fingers change what is shown of a picture. */
function useZoom(change: Change, size: Size, board: Size) {
  const fingers = useRef(new Map<number, Spot>());
  const frame = useRef<HTMLElement | null>(null);
  const wheel = useRef<(event: WheelEvent) => void>(() => undefined);
  useEffect(() => {
    wheel.current = (event) => {
      event.preventDefault();
      const { left, top } = (event.currentTarget as HTMLElement).getBoundingClientRect();
      change((before) =>
        zoomed(
          before,
          Math.exp(-event.deltaY / 400),
          [event.clientX - left, event.clientY - top],
          size,
          board,
        ),
      );
    };
  });
  useEffect(() => {
    const element = frame.current;
    const roll = (event: WheelEvent) => wheel.current(event);
    // React listens to wheels passively, and a passive listener cannot keep the page from scrolling.
    element?.addEventListener('wheel', roll, { passive: false });
    return () => element?.removeEventListener('wheel', roll);
  }, [board.width > 0]); // eslint-disable-line react-hooks/exhaustive-deps

  const pan = {
    onPointerDown: (event: React.PointerEvent<HTMLElement>) => {
      fingers.current.set(event.pointerId, [event.clientX, event.clientY]);
      event.currentTarget.setPointerCapture(event.pointerId);
    },
    onPointerMove: (event: React.PointerEvent<HTMLElement>) => {
      const before = fingers.current.get(event.pointerId);
      if (!before) return;
      const now: Spot = [event.clientX, event.clientY];
      const other = [...fingers.current.entries()].find(([id]) => id !== event.pointerId)?.[1];
      fingers.current.set(event.pointerId, now);
      const { left, top } = event.currentTarget.getBoundingClientRect();
      if (!other)
        return change((one) => panned(one, [now[0] - before[0], now[1] - before[1]], size, board));
      const apart = (a: Spot) => Math.max(1, Math.hypot(a[0] - other[0], a[1] - other[1]));
      return change((one) =>
        zoomed(
          one,
          apart(now) / apart(before),
          [(now[0] + other[0]) / 2 - left, (now[1] + other[1]) / 2 - top],
          size,
          board,
        ),
      );
    },
    onPointerUp: (event: React.PointerEvent<HTMLElement>) =>
      void fingers.current.delete(event.pointerId),
    onPointerCancel: (event: React.PointerEvent<HTMLElement>) =>
      void fingers.current.delete(event.pointerId),
  } as unknown as ViewProps;

  const framed = (view: ViewType | null) =>
    void (frame.current = view as unknown as HTMLElement | null);
  return { framed, pan };
}

/** The picture with its points: dragged by mouse, touch or arrow keys, under a loupe; pinched or wheeled to zoom. */
export function PictureBoard({ picture, landmarks, line, onMove }: PictureBoardProps) {
  const [widthPx, setWidthPx] = useState(0);
  const [held, setHeld] = useState<string | null>(null);
  const [view, setView] = useState<BoardView | null>(null);
  const size: Size = { width: picture.widthPx, height: picture.heightPx };
  const board: Size = {
    width: widthPx,
    height: Math.min(480, Math.max(200, (widthPx * size.height) / size.width)),
  };
  const shown = view ?? wholePicture(size, board);
  // From the newest view: two fingers move within one frame, and neither may undo the other.
  const change = (to: (view: BoardView) => BoardView) =>
    setView((before) => to(before ?? wholePicture(size, board)));
  const middle: Spot = [board.width / 2, board.height / 2];

  const { framed, pan } = useZoom(change, size, board);
  const heldMark = [...landmarks, ...line].find(({ id }) => id === held);
  return (
    <View className="gap-2">
      <View onLayout={({ nativeEvent }) => setWidthPx(nativeEvent.layout.width)} className="w-full">
        {widthPx > 0 ? (
          <View
            ref={framed}
            className="overflow-hidden rounded-md border border-line bg-well"
            style={
              {
                width: board.width,
                height: board.height,
                touchAction: 'none',
              } as unknown as ViewProps['style']
            }
            {...pan}
          >
            <Image
              source={{ uri: picture.url }}
              role="img"
              aria-label="The picture to be marked"
              style={{
                position: 'absolute',
                left: -shown.left * shown.scale,
                top: -shown.top * shown.scale,
                width: size.width * shown.scale,
                height: size.height * shown.scale,
              }}
              resizeMode="stretch"
            />
            <Lines landmarks={landmarks} line={line} shown={shown} board={board} />
            {[...line, ...landmarks].map((mark) => (
              <Handle
                key={mark.id}
                mark={mark}
                size={size}
                view={shown}
                isLine={line.includes(mark)}
                onHold={setHeld}
                onMove={(at) => onMove(mark.id, at)}
              />
            ))}
            {heldMark ? (
              <Loupe
                picture={picture}
                at={heldMark.at}
                scale={shown.scale * LOUPE_TIMES}
                right={onBoard(heldMark.at, shown)[0] < board.width / 2}
              />
            ) : null}
          </View>
        ) : null}
      </View>
      <View className="flex-row gap-2">
        <Press
          aria-label="Zoom in"
          onPress={() => change((one) => zoomed(one, 1.5, middle, size, board))}
        >
          +
        </Press>
        <Press
          aria-label="Zoom out"
          onPress={() => change((one) => zoomed(one, 1 / 1.5, middle, size, board))}
        >
          −
        </Press>
        <Press onPress={() => setView(null)}>Whole picture</Press>
      </View>
    </View>
  );
}

/** The line through the points with their names, over the picture. */
function Lines({
  landmarks,
  line,
  shown,
  board,
}: Pick<PictureBoardProps, 'landmarks' | 'line'> & {
  readonly shown: BoardView;
  readonly board: Size;
}) {
  const spots = landmarks.map(({ at }) => onBoard(at, shown));
  return (
    <Svg
      width={board.width}
      height={board.height}
      style={{ position: 'absolute', pointerEvents: 'none' }}
      aria-hidden
    >
      {line.length === 2 ? (
        <Over from={onBoard(line[0]!.at, shown)} to={onBoard(line[1]!.at, shown)} />
      ) : null}
      <Polyline
        points={spots.map(([x, y]) => `${x},${y}`).join(' ')}
        fill="none"
        stroke="white"
        strokeWidth={5}
        strokeOpacity={0.7}
      />
      <Polyline
        points={spots.map(([x, y]) => `${x},${y}`).join(' ')}
        fill="none"
        stroke={tone('thread')}
        strokeWidth={2}
      />
      {spots.map(([x, y], i) => (
        <HaloText
          key={i}
          x={x > board.width / 2 ? x - 14 : x + 14}
          y={y - 12}
          textAnchor={x > board.width / 2 ? 'end' : 'start'}
          fontSize={14}
          behind="paper"
          haloWidth={4}
        >
          {landmarks[i]?.name ?? ''}
        </HaloText>
      ))}
    </Svg>
  );
}

const Over = ({ from, to }: { readonly from: Spot; readonly to: Spot }) => (
  <Line
    x1={from[0]}
    y1={from[1]}
    x2={to[0]}
    y2={to[1]}
    stroke={tone('ochre')}
    strokeWidth={2}
    strokeDasharray="8 5"
  />
);

interface HandleProps {
  readonly mark: Mark;
  readonly size: Size;
  readonly view: BoardView;
  readonly isLine: boolean;
  readonly onHold: (id: string | null) => void;
  readonly onMove: (at: Spot) => void;
}

/** A point with room for a thumb around it. */
function Handle({ mark, size, view, isLine, onHold, onMove }: HandleProps) {
  const grip = useRef<{ finger: Spot; at: Spot } | null>(null);
  const [x, y] = onBoard(mark.at, view);
  const events = {
    onPointerDown: (event: React.PointerEvent<HTMLElement>) => {
      event.stopPropagation();
      event.currentTarget.setPointerCapture(event.pointerId);
      grip.current = { finger: [event.clientX, event.clientY], at: mark.at };
      onHold(mark.id);
    },
    onPointerMove: (event: React.PointerEvent<HTMLElement>) => {
      event.stopPropagation();
      if (grip.current)
        onMove(
          movedBy(
            grip.current.at,
            [event.clientX - grip.current.finger[0], event.clientY - grip.current.finger[1]],
            view,
            size,
          ),
        );
    },
    onPointerUp: (event: React.PointerEvent<HTMLElement>) => {
      event.stopPropagation();
      grip.current = null;
      onHold(null);
    },
    onPointerCancel: () => {
      grip.current = null;
      onHold(null);
    },
    onFocus: () => onHold(mark.id),
    onBlur: () => onHold(null),
    onKeyDown: (event: React.KeyboardEvent<HTMLElement>) => {
      const step = STEPS[event.key];
      if (!step) return;
      event.preventDefault();
      const far = event.shiftKey ? 10 : 1;
      onMove(movedBy(mark.at, [step[0] * far, step[1] * far], view, size));
    },
  } as unknown as ViewProps;
  return (
    <View
      role="slider"
      tabIndex={0}
      aria-label={mark.name}
      aria-valuenow={Math.round(mark.at[0])}
      aria-valuemin={0}
      aria-valuemax={size.width}
      aria-valuetext={`${Math.round(mark.at[0])} across, ${Math.round(mark.at[1])} down`}
      className="absolute items-center justify-center"
      style={
        {
          left: x - HANDLE_PX / 2,
          top: y - HANDLE_PX / 2,
          width: HANDLE_PX,
          height: HANDLE_PX,
          touchAction: 'none',
          cursor: 'grab',
        } as unknown as ViewProps['style']
      }
      {...events}
    >
      <View
        className={`h-5 w-5 items-center justify-center border-2 bg-sheet/40 ${isLine ? 'rounded-sm border-ochre' : 'rounded-full border-thread'}`}
      >
        <View className={`h-1 w-1 rounded-full ${isLine ? 'bg-ochre' : 'bg-thread'}`} />
      </View>
    </View>
  );
}

/** What lies under the finger, larger, in the far corner. */
function Loupe({
  picture,
  at,
  scale,
  right,
}: {
  readonly picture: Picture;
  readonly at: Spot;
  readonly scale: number;
  readonly right: boolean;
}) {
  const half = LOUPE_PX / 2;
  return (
    <View
      className="absolute top-2 overflow-hidden rounded-full border-2 border-thread bg-well"
      style={{
        width: LOUPE_PX,
        height: LOUPE_PX,
        pointerEvents: 'none',
        ...(right ? { right: 8 } : { left: 8 }),
      }}
      aria-hidden
    >
      <Image
        source={{ uri: picture.url }}
        style={{
          position: 'absolute',
          left: half - at[0] * scale,
          top: half - at[1] * scale,
          width: picture.widthPx * scale,
          height: picture.heightPx * scale,
        }}
        resizeMode="stretch"
      />
      <Svg width={LOUPE_PX} height={LOUPE_PX} style={{ position: 'absolute' }}>
        <Line
          x1={half}
          x2={half}
          y1={half - 22}
          y2={half + 22}
          stroke={tone('rust')}
          strokeWidth={1}
        />
        <Line
          x1={half - 22}
          x2={half + 22}
          y1={half}
          y2={half}
          stroke={tone('rust')}
          strokeWidth={1}
        />
        <Circle cx={half} cy={half} r={4} fill="none" stroke={tone('rust')} strokeWidth={1} />
      </Svg>
    </View>
  );
}
