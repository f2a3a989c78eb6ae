import { useState } from 'react';
import { Pressable, View } from 'react-native';
import Svg, { G } from '@/ui/svg';
import { spotAt, spotKey, spots, type SpotId } from '@/core/spots';
import type { FeltPlace } from '@/core/formats/book';
import type { Point } from '@/core/geometry/posture';
import type { ReadingSide } from '@/core/ranges/ranges';
import { FlatFigure } from '@/ui/figure/FlatFigure';
import { capital } from '@/ui/format';
import { Chips } from '@/ui/Press';
import { Aside } from '@/ui/Words';
import { wordsIn } from '@/ui/words/words';

/** A part of the body that a thumb finds, with the spots in it. */
interface Part {
  readonly id: string;
  readonly words: string;
  readonly seen: 'front' | 'back';
  /** From the middle, and over the floor, in centimetres of the drawn body. */
  readonly at: Point;
  readonly side: ReadingSide;
  readonly spots: readonly SpotId[];
}

/** On both sides: seen from the front, the right side is on the left of the picture. */
const onBoth = (
  id: string,
  words: string,
  seen: Part['seen'],
  [x, y]: Point,
  of: readonly SpotId[],
): readonly Part[] =>
  (['left', 'right'] as const).map((side) => ({
    id: `${id}-${side}`,
    words: `${side === 'left' ? 'Left' : 'Right'} ${words}`,
    seen,
    at: [(side === 'left') === (seen === 'front') ? x : -x, y],
    side,
    spots: of,
  }));
const inMiddle = (id: SpotId, words: string, seen: Part['seen'], at: Point): Part => ({
  id,
  words,
  seen,
  at,
  side: 'both',
  spots: [id],
});

export const parts: readonly Part[] = [
  ...onBoth('shoulder', 'shoulder', 'front', [16, 138], ['shoulder']),
  ...onBoth('hip', 'hip', 'front', [13, 95], ['front-hip', 'outer-hip']),
  ...onBoth('thigh', 'thigh, front', 'front', [16, 68], ['front-thigh', 'groin']),
  ...onBoth(
    'knee',
    'knee',
    'front',
    [18, 41],
    ['inner-knee', 'outer-knee', 'front-knee', 'behind-knee'],
  ),
  ...onBoth('ankle', 'ankle', 'front', [19, 14], ['front-ankle', 'behind-ankle', 'shin']),
  inMiddle('neck', 'Neck', 'back', [0, 146]),
  inMiddle('low-back', 'Low back', 'back', [0, 114]),
  ...onBoth('seat', 'seat', 'back', [14, 88], ['back-pelvis', 'outer-hip', 'sit-bone']),
  ...onBoth('back-thigh', 'thigh, behind', 'back', [16, 60], ['back-thigh', 'sit-bone']),
  ...onBoth('calf', 'calf', 'back', [18, 28], ['calf', 'behind-ankle']),
];

const STATURE = 170;
const [HALF_CM, TOP_CM, UNDER_CM] = [40, 172, 4];
export const THUMB_PX = 44;
/** Pixels of a centimetre at most, where there is room. */
const MOST_SCALE = 1.85;
/** Pixels of a centimetre on a sheet so wide: two bodies stand side by side. */
export const scaleFor = (widthPx: number) => Math.min(MOST_SCALE, widthPx / (4 * HALF_CM));
/** The width of a phone's sheet, until the place itself is known. */
const USUAL_PX = 326;

const leg = (x: number): readonly Point[] => [
  [x * 0.6, 90],
  [x, 46],
  [x * 1.1, 8],
  [x * 1.3, 2],
];
const outline = {
  legs: [leg(-17), leg(17)],
  hips: [
    [-10, 90],
    [10, 90],
  ],
  spine: [
    [0, 90],
    [0, 114],
    [0, 138],
  ],
  shoulders: [
    [-15, 138],
    [15, 138],
  ],
  arms: [
    [
      [-15, 138],
      [-25, 110],
      [-28, 84],
    ],
    [
      [15, 138],
      [25, 110],
      [28, 84],
    ],
  ],
  head: [0, 160],
} as const;

const placeOf = (spot: SpotId): FeltPlace => spots[spot];
/** Whether something felt there asks for an answer, and not only for time. */
const isAsking = ({ spots: of }: Part) => of.some((spot) => placeOf(spot) !== 'muscle');
const shortName = (spot: SpotId) => capital(wordsIn('cm').spot(spot).replace(/^the /, ''));

interface BodyOutlineProps {
  /** A spot with its side, as it is kept. */
  readonly chosen: string | null;
  readonly onChoose: (spot: string, place: FeltPlace) => void;
}

/** A body from the front and from behind, to tap where it was felt: the part, then where in it. */
export function BodyOutline({ chosen, onChoose }: BodyOutlineProps) {
  const [widthPx, setWidthPx] = useState(USUAL_PX);
  const at = spotAt(chosen ?? undefined);
  const [partId, setPartId] = useState<string | null>(null);
  const part = parts.find(({ id }) => id === partId);
  const scale = scaleFor(widthPx);
  const heightPx = (TOP_CM + UNDER_CM) * scale;
  const views = ['front', 'back'] as const;
  const choose = (of: Part, spot: SpotId) => {
    setPartId(of.id);
    onChoose(spotKey({ spot, side: of.side }), placeOf(spot));
  };
  return (
    <View
      onLayout={({ nativeEvent }) => setWidthPx(nativeEvent.layout.width)}
      className="w-full items-center gap-1"
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
              viewBox={`${-HALF_CM} ${-TOP_CM} ${2 * HALF_CM} ${TOP_CM + UNDER_CM}`}
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
            {parts
              .filter((one) => one.seen === seen)
              .map((one) => (
                <Pressable
                  key={one.id}
                  role="radio"
                  aria-checked={one === part && at !== null}
                  aria-label={one.words}
                  onPress={() => choose(one, one.spots[0] as SpotId)}
                  className={`absolute items-center justify-center rounded-full border-2 ${one === part && at ? 'border-thread bg-thread' : isAsking(one) ? 'border-rust bg-sheet/70' : 'border-ink bg-sheet/70'}`}
                  style={{
                    width: THUMB_PX,
                    height: THUMB_PX,
                    left: (HALF_CM + one.at[0]) * scale - THUMB_PX / 2,
                    top: (TOP_CM - one.at[1]) * scale - THUMB_PX / 2,
                  }}
                />
              ))}
          </View>
        ))}
      </View>
      {part && at && part.spots.length > 1 ? (
        <Chips
          label={`Where in the ${part.words.toLowerCase()}`}
          options={part.spots.map((spot) => ({ id: spot, words: shortName(spot) }))}
          chosen={at.spot}
          onChoose={(spot) => choose(part, spot)}
        />
      ) : null}
      <Aside>
        {at
          ? `Felt at ${wordsIn('cm').spot(chosen ?? '')}.`
          : 'Tap where it was felt, from the front or from behind. Red rings hold joints, the sit bones and the low back.'}
      </Aside>
    </View>
  );
}
