import { useState } from 'react';
import { View } from 'react-native';
import { bodyFrom } from '@/core/body/body';
import type { Estimates } from '@/core/estimate/estimate';
import type { Person } from '@/core/formats/book';
import type { PlanPose } from '@/core/formats/plan';
import type { Posture } from '@/core/geometry/posture';
import { inPoseOf, nearestStack, solveFigure } from '@/core/plan/solve';
import { TRY_MOST_CM, triedHeights, tryableCm } from '@/core/plan/tryHeights';
import type { Shelf } from '@/core/props/shelf';
import { stackWords, usedBy } from '@/core/props/stack';
import { degrees, length, type Units } from '@/ui/format';
import { PoseScene } from '@/ui/PoseScene';
import { Aside, Words } from '@/ui/Words';
import { columnsOf, railColumns } from './columns';
import { figureWords } from './words';
import { slotKey } from '@/core/slots';
import { rangeName, slotName } from '@/ui/words/words';

interface TryHeightsProps {
  readonly planned: PlanPose;
  readonly person: Person;
  readonly estimates: Estimates;
  readonly shelf: Shelf;
  readonly units: Units;
}

/** What if it stood higher or lower? Drag an edge on the rail: pelvis, back and knees answer at once; nothing is stored. */
export function TryHeights({ planned, person, estimates, shelf, units }: TryHeightsProps) {
  const [tried, setTried] = useState<Readonly<Record<string, number>>>({});
  const inPose = inPoseOf(person, planned, shelf);
  const { posture, findings, demands } = solveFigure(
    inPose,
    estimates,
    triedHeights(planned, tried),
  );
  const now: PlanPose = {
    ...planned,
    findings: { ...findings },
    slots: planned.slots.reduce<PlanPose['slots']>((done, slot, i) => {
      const cm = tried[slotKey(slot)];
      const beside = [...done, ...planned.slots.slice(i + 1)].map(({ stack }) => stack);
      return [
        ...done,
        cm === undefined
          ? slot
          : {
              ...slot,
              stackCm: cm,
              lastCm: slot.stackCm,
              stack: [...nearestStack(inPose, slot.slot, cm, usedBy(beside)).pieces],
            },
      ];
    }, []),
  };
  // A stack tried down to the floor keeps its place on the rail, so that it can come up again.
  const shown = new Set(railColumns(planned).map(({ key }) => key));
  const columns = columnsOf(now.slots.filter((slot) => shown.has(slotKey(slot))));
  const short = demands.filter(({ needDeg, haveDeg }) => needDeg > haveDeg + 0.5);
  return (
    <View className="gap-2">
      <Aside>
        Drag a top edge on the rail, or use the arrow keys. The dashed figure is the plan.
      </Aside>
      <PoseScene
        posture={posture}
        over={planned.posture as Posture}
        body={bodyFrom(person.statureCm, person.bodyCm)}
        shelf={shelf}
        units={units}
        words={figureWords(now, units)}
        mostHeightPx={280}
        columns={columns}
        stacks={Object.fromEntries(
          now.slots.map((slot) => [slotKey(slot), { pieces: slot.stack, heightCm: slot.stackCm }]),
        )}
        moveMostCm={TRY_MOST_CM}
        onMove={(key, cm) => setTried({ ...tried, [key]: tryableCm(cm) })}
      />
      <View role="status" aria-live="polite" className="gap-1">
        {now.slots
          .filter((slot) => tried[slotKey(slot)] !== undefined)
          .map((slot) => (
            <Words key={slotKey(slot)}>
              {slotName(slot)} {length(slot.stackCm, units)}: {stackWords(slot.stack, shelf)}
            </Words>
          ))}
        <Words>{figureWords(now, units)}</Words>
        {short.map(({ range, side, needDeg, haveDeg }) => (
          <Words key={range + side} className="text-rust">
            {rangeName(range)}, {side}: {degrees(needDeg - haveDeg)} more than there is.
          </Words>
        ))}
      </View>
    </View>
  );
}
