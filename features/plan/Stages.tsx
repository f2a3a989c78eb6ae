import { View } from 'react-native';
import type { PlanPose } from '@/core/formats/plan';
import type { Stage } from '@/core/poses/pose';
import { poseById, stagesOf } from '@/core/poses/poses';
import { sidelessKey, slotKey, slotRefOf, type SlotRef } from '@/core/slots';
import { length, type Units } from '@/ui/format';
import { Aside, Words } from '@/ui/Words';
import { slotName } from '@/ui/words/words';

interface StagesProps {
  readonly planned: PlanPose;
  readonly units: Units;
}

/** The stages of a pose as a path, most supported first: where the student stands, and what opens the next. */
export function Stages({ planned, units }: StagesProps) {
  const pose = poseById(planned.pose);
  const stages = pose ? stagesOf(pose, planned.way) : [];
  const here = stages.findIndex(({ id }) => id === planned.stage);
  if (stages.length < 2 || here < 0) return null;
  return (
    <View role="list" aria-label="Stages" className="gap-1">
      {stages.map((stage, i) => (
        <View
          key={stage.id}
          role="listitem"
          aria-current={i === here ? 'step' : undefined}
          className={`border-l-4 py-1 pl-3 ${i === here ? 'border-thread' : 'border-line'}`}
        >
          <Words className={i === here ? 'font-semibold' : i < here ? 'text-faint' : ''}>
            {stage.name}
            {i === here ? ' — here' : ''}
          </Words>
          {i === here + 1 ? (
            <Aside>{opensWords(stages[here] as Stage, planned, units)}</Aside>
          ) : null}
        </View>
      ))}
    </View>
  );
}

/** What opens the stage after one: its slot comes down under the height from which that one begins. */
function opensWords({ from, over }: Stage, { slots }: PlanPose, units: Units): string {
  if (over) return `Comes once ${called(slotRefOf(over))} can be built low enough.`;
  if (!from) return 'Comes by itself as the supports come down.';
  const name = called(slotRefOf(from.slot));
  const stands = Math.max(
    0,
    ...slots.filter((slot) => sidelessKey(slotKey(slot)) === from.slot).map((one) => one.stackCm),
  );
  const opens =
    from.cm > NOTHING_UNDER_CM
      ? `this is under ${length(from.cm, units)}`
      : 'nothing is needed here';
  return `Comes once ${opens}: ${name}, today ${length(stands, units)}.`;
}

/** So low, nothing is needed any more. */
const NOTHING_UNDER_CM = 1;
/** A slot within a sentence. */
const called = (slot: SlotRef) => slotName(slot).toLowerCase();
