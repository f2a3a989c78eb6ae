import { View } from 'react-native';
import type { SessionPose } from '@/core/formats/book';
import { firstAndLast, type FirstAndLast } from '@/core/lessons/firstAndLast';
import { stageNameOf } from '@/core/poses/poses';
import { length, type Units } from '@/ui/format';
import { Title, Words } from '@/ui/Words';
import { slotName } from '@/ui/words/words';
import { useUnits } from '../hooks';
import { poseTitle } from './words';

/** What was said or seen, both times, where it is not the same. */
const changedFrom = (was: string | number | undefined, is: string | number | undefined) =>
  was === undefined || is === undefined || was === is ? null : `${was} → ${is}`;

/** What is not the same at the end: where it came to rest, heights, strength, pelvis. */
function differences({ first, last, heights }: FirstAndLast, units: Units): readonly string[] {
  const stage = (one: SessionPose) => stageNameOf(one.pose, one.stage) ?? undefined;
  const told = (name: string, change: string | null) =>
    change === null ? [] : [`${name} ${change}`];
  return [
    ...(changedFrom(stage(first), stage(last)) === null
      ? []
      : [`${stage(first)} → ${stage(last)}`]),
    ...heights.map(
      ({ slot, firstCm, lastCm }) =>
        `${slotName(slot)} ${length(firstCm, units)} → ${length(lastCm, units)}`,
    ),
    ...told('strength', changedFrom(first.feeling.strength, last.feeling.strength)),
    ...told('pelvis', changedFrom(first.pelvis, last.pelvis)),
  ];
}

/** The same pose at the beginning of a visit and at its end, side by side; nothing where none came twice. */
export function Compared({ poses }: { readonly poses: readonly SessionPose[] }) {
  const units = useUnits();
  const twice = firstAndLast({ poses: [...poses] });
  if (twice.length === 0) return null;
  return (
    <View role="region" aria-label="First and last" className="gap-1">
      <Title level={3}>First and last</Title>
      {twice.map((one) => {
        const told = differences(one, units);
        return (
          <Words key={one.place}>
            <Words className="font-semibold">{poseTitle(one.last)}: </Words>
            {told.length > 0
              ? told.join('; ')
              : 'built alike both times, and nothing else was said'}
          </Words>
        );
      })}
    </View>
  );
}
