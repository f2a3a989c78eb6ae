import { Pressable, View } from 'react-native';
import type { Body } from '@/core/body/body';
import { measuringFigure } from '@/core/measure/figures';
import type { Protocol } from '@/core/protocols/protocols';
import { MeasureScene } from '@/ui/MeasureScene';
import { Press } from '@/ui/Press';
import { Aside, Words } from '@/ui/Words';

interface EyeReadingProps {
  readonly protocol: Protocol;
  readonly body: Body;
  readonly steps: readonly number[];
  readonly seatCm: number;
  /** Error of one such reading, and whether it is this teacher's own. */
  readonly semDeg: number;
  readonly proven: boolean;
  /** The picture that is chosen, and not yet taken. */
  readonly picked: number | null;
  readonly onPicked: (value: number | null) => void;
  readonly onTaken: (value: number) => void;
}

/** Drawn steps of a range beside each other: the nearest is picked, or one between two. */
export function EyeReading({
  protocol,
  body,
  steps,
  seatCm,
  semDeg,
  proven,
  picked,
  onPicked,
  onTaken,
}: EyeReadingProps) {
  const half = steps.length > 1 ? ((steps[1] as number) - (steps[0] as number)) / 2 : 5;
  const take = (value: number) => {
    onPicked(null);
    onTaken(value);
  };
  return (
    <View className="gap-2">
      <Words>Which comes nearest? Look first, then pick.</Words>
      <View role="radiogroup" aria-label="Nearest drawing" className="flex-row flex-wrap gap-2">
        {steps.map((value) => {
          const figure = measuringFigure(protocol.id, value, body, seatCm);
          return (
            <Pressable
              key={value}
              role="radio"
              aria-checked={value === picked}
              aria-label={`About ${value} degrees`}
              onPress={() => onPicked(value)}
              style={{ width: '31%' }}
              className={`min-h-12 items-center rounded-md border-2 p-1 ${value === picked ? 'border-thread bg-wash' : 'border-line bg-sheet'}`}
            >
              {figure ? (
                <MeasureScene
                  figure={figure}
                  body={body}
                  words={`Drawn at ${value} degrees`}
                  mostHeightPx={96}
                  bare
                />
              ) : null}
              <Words className={value === picked ? 'font-semibold' : ''}>{value}°</Words>
            </Pressable>
          );
        })}
      </View>
      {picked === null ? null : (
        <View className="flex-row flex-wrap gap-2">
          <Press onPress={() => take(picked - half)}>A little less</Press>
          <Press kind="main" onPress={() => take(picked)}>
            Use {picked}°
          </Press>
          <Press onPress={() => take(picked + half)}>A little more</Press>
        </View>
      )}
      <Aside>
        {proven
          ? `Your own eye reads this to ± ${(1.28 * semDeg).toFixed(0)}°, proven by practice.`
          : `An eye reads this to about ± ${(1.28 * semDeg).toFixed(0)}°; practice proves your own.`}
      </Aside>
    </View>
  );
}
