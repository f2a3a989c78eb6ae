import { View } from 'react-native';
import { howOf } from '@/core/advise/how';
import { standInsFor } from '@/core/advise/standIns';
import type { PlanPose } from '@/core/formats/plan';
import type { Shelf } from '@/core/props/shelf';
import type { Units } from '@/ui/format';
import { Sheet } from '@/ui/Sheet';
import { Aside, Title, Words } from '@/ui/Words';
import { countWords } from '@/ui/words/counted';
import { slotName } from '@/ui/words/words';
import { PoseGlance, type Lengths } from '../plan/PoseFigure';
import { SupportLines } from '../plan/Supports';

const FIGURE_PX = { width: 220, height: 150 } as const;

/** What every sheet begins with. */
export const HOW_IT_SHOULD_BE =
  'Build each pose before you go into it. It should be comfortable from the first breath: a mild pull in the muscle is as it should be, pain is not. Too much? One layer more.';

/** How long, in words: "45 seconds", "2 minutes", "8 breaths". */
export function longWords(planned: PlanPose): string {
  if (planned.times !== null) return countWords(planned, planned.times);
  const [whole, rest] = [
    Math.floor(planned.holdSeconds / 60),
    Math.round(planned.holdSeconds % 60),
  ];
  if (whole === 0 || planned.holdSeconds < 90) return `${Math.round(planned.holdSeconds)} seconds`;
  return `${whole} ${whole === 1 ? 'minute' : 'minutes'}${rest > 0 ? ` and ${rest} seconds` : ''}`;
}

/** At home nothing is told of what lay in the studio the last time. */
const unmoved = (planned: PlanPose): PlanPose => ({
  ...planned,
  slots: planned.slots.map((slot) => ({ ...slot, lastCm: null })),
});

interface PoseAtHomeProps {
  readonly planned: PlanPose;
  /** The lengths that the figure is drawn with. */
  readonly body: Lengths;
  /** What is at home. */
  readonly shelf: Shelf;
  readonly units: Units;
  readonly isOneOfTwo: boolean;
  readonly eachSide: string;
}

/** What lies where, its figure, what else would do, and how it is done. */
export function PoseAtHome({ planned, body, shelf, units, isOneOfTwo, eachSide }: PoseAtHomeProps) {
  const { slots, also } = standInsFor(planned);
  return (
    <View className="gap-2">
      {isOneOfTwo ? (
        <Words className="font-semibold">{planned.side === 'left' ? 'Left' : 'Right'}</Words>
      ) : null}
      <View className="flex-row flex-wrap items-end gap-4">
        {planned.posture ? (
          <View style={{ width: FIGURE_PX.width }}>
            <PoseGlance
              planned={planned}
              posture={planned.posture}
              person={body}
              shelf={shelf}
              units={units}
              mostHeightPx={FIGURE_PX.height}
            />
          </View>
        ) : null}
        <View className="min-w-56 flex-1 gap-2">
          <SupportLines planned={unmoved(planned)} shelf={shelf} units={units} />
        </View>
      </View>
      {slots.length > 0 ? (
        <Aside>
          Or:{' '}
          {slots
            .map(({ slot, said }) => `${slotName({ slot: slot.slot }).toLowerCase()}, ${said}`)
            .join('; ')}
          .
        </Aside>
      ) : null}
      {also ? <Aside>{also}</Aside> : null}
      <Steps planned={planned} />
      <Words>
        <Words className="font-semibold">How long: </Words>
        {longWords(planned)}
        {eachSide}.
      </Words>
    </View>
  );
}

/** In, what to look at, and out again. */
function Steps({ planned }: { readonly planned: PlanPose }) {
  const { entry, look, exit } = howOf(planned);
  const parts = [
    { title: 'Go in', lines: entry },
    { title: 'Look', lines: look },
    { title: 'Come out', lines: exit },
  ];
  return (
    <View className="flex-row flex-wrap gap-x-6 gap-y-3">
      {parts.map(({ title, lines }) => (
        <View key={title} className="min-w-52 flex-1 gap-0.5">
          <Words className="font-semibold">{title}</Words>
          {lines.map((line, i) => (
            <Words key={line}>
              {title === 'Look' ? '· ' : `${i + 1}. `}
              {line}
            </Words>
          ))}
        </View>
      ))}
    </View>
  );
}

export const WhenToStop = () => (
  <Sheet role="region" aria-label="When to stop" className="break-inside-avoid">
    <Title level={2}>When to stop</Title>
    <Words>
      Sharp, electric, spreading or numb, a joint that speaks, dizziness: come out at once, the way
      you came in, and rest.
    </Words>
    <Words>
      Leave that pose out until we have seen each other. What stays longer than a day, comes at
      night or makes a leg weak goes to a doctor or a physiotherapist.
    </Words>
  </Sheet>
);
