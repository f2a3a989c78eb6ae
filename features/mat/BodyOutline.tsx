import { useState } from 'react';
import { Pressable, View } from 'react-native';
import Svg, { G } from '@/ui/svg';
import type { FeltPlace } from '@/core/formats/book';
import type { Point } from '@/core/geometry/posture';
import { FlatFigure } from '@/ui/figure/FlatFigure';
import { Aside } from '@/ui/Words';

interface Spot {
  readonly id: string;
  readonly words: string;
  readonly place: FeltPlace;
  readonly seen: 'front' | 'back';
  /** From the middle, and over the floor, in centimetres of the drawn body. */
  readonly at: Point;
}

/**
 * Where it may be felt, each with the kind of place that it is. Joints on one leg, muscles on the other: room for a
 * thumb.
 */
const spots: readonly Spot[] = [
  { id: 'hip', words: 'Hip joint', place: 'joint', seen: 'front', at: [-11, 88] },
  { id: 'knee', words: 'Knee', place: 'joint', seen: 'front', at: [-10, 49] },
  { id: 'ankle', words: 'Ankle', place: 'joint', seen: 'front', at: [-10, 12] },
  { id: 'groin', words: 'Inner thigh', place: 'muscle', seen: 'front', at: [5, 78] },
  { id: 'front-thigh', words: 'Front of the thigh', place: 'muscle', seen: 'front', at: [16, 60] },
  { id: 'shin', words: 'Shin', place: 'muscle', seen: 'front', at: [10, 28] },
  { id: 'low-back', words: 'Low back', place: 'low-back', seen: 'back', at: [0, 106] },
  { id: 'outer-hip', words: 'Outer hip and seat', place: 'muscle', seen: 'back', at: [-15, 86] },
  { id: 'back-thigh', words: 'Back of the thigh', place: 'muscle', seen: 'back', at: [13, 64] },
  { id: 'calf', words: 'Calf', place: 'muscle', seen: 'back', at: [-10, 30] },
];

const STATURE = 170;
const [HALF_CM, TOP_CM] = [40, 172];
const THUMB_PX = 40;
/** The width of a phone's sheet, until the place itself is known. */
const USUAL_PX = 326;

const leg = (x: number): readonly Point[] => [
  [x, 88],
  [x * 1.05, 48],
  [x, 8],
  [x * 1.2, 2],
];
const outline = {
  legs: [leg(-10), leg(10)],
  hips: [
    [-9, 88],
    [9, 88],
  ],
  spine: [
    [0, 88],
    [0, 112],
    [0, 138],
  ],
  shoulders: [
    [-11, 138],
    [11, 138],
  ],
  head: [0, 160],
} as const;

interface BodyOutlineProps {
  readonly chosen: string | null;
  readonly onChoose: (spot: string, place: FeltPlace) => void;
}

/** A body from the front and from behind, to tap where it was felt. */
export function BodyOutline({ chosen, onChoose }: BodyOutlineProps) {
  const [widthPx, setWidthPx] = useState(USUAL_PX);
  const scale = Math.min(1.85, widthPx / (4 * HALF_CM));
  const heightPx = TOP_CM * scale;
  const views = ['front', 'back'] as const;
  return (
    <View
      onLayout={({ nativeEvent }) => setWidthPx(nativeEvent.layout.width)}
      className="w-full items-center"
    >
      <View
        role="radiogroup"
        aria-label="Where on the body"
        className="flex-row"
        style={{ height: heightPx }}
      >
        {views.map((seen) => (
          <View key={seen} style={{ width: 2 * HALF_CM * scale, height: heightPx }}>
            <Svg
              width="100%"
              height="100%"
              viewBox={`${-HALF_CM} ${-TOP_CM} ${2 * HALF_CM} ${TOP_CM}`}
              aria-hidden
            >
              <G opacity={0.85}>
                <FlatFigure
                  {...outline}
                  face={seen === 'front'}
                  statureCm={STATURE}
                  line={1.1 / scale}
                />
              </G>
            </Svg>
            {spots
              .filter((spot) => spot.seen === seen)
              .map((spot) => (
                <Pressable
                  key={spot.id}
                  role="radio"
                  aria-checked={chosen === spot.id}
                  aria-label={spot.words}
                  onPress={() => onChoose(spot.id, spot.place)}
                  className={`absolute items-center justify-center rounded-full border-2 ${chosen === spot.id ? 'border-thread bg-thread' : spot.place === 'muscle' ? 'border-ink bg-sheet/70' : 'border-rust bg-sheet/70'}`}
                  style={{
                    width: THUMB_PX,
                    height: THUMB_PX,
                    left: (HALF_CM + spot.at[0]) * scale - THUMB_PX / 2,
                    top: (TOP_CM - spot.at[1]) * scale - THUMB_PX / 2,
                  }}
                />
              ))}
          </View>
        ))}
      </View>
      <Aside>
        {spots.find(({ id }) => id === chosen)?.words ??
          'Tap where it was felt: from the front, and from behind. Red rings are joints and the low back.'}
      </Aside>
    </View>
  );
}
