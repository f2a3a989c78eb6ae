import { useMemo, useState } from 'react';
import { View } from 'react-native';
import { gateKey, wayKey } from '@/core/approaches/approaches';
import { bodyFrom } from '@/core/body/body';
import type { LocalDay } from '@/core/formats/time';
import type { PlanPose } from '@/core/formats/plan';
import type { Posture } from '@/core/geometry/posture';
import { planStudent } from '@/core/plan/plan';
import { poses, type Pose } from '@/core/poses/poses';
import { starterShelf } from '@/core/props/usualShelves';
import { exampleBodies, exampleRecord } from '@/core/sim/examples';
import { AboveScene } from '@/ui/AboveScene';
import { isSpatial } from '@/ui/figure/above';
import { stacksOf } from '@/ui/figure/stacks';
import { PoseScene } from '@/ui/PoseScene';
import { Chips, Press } from '@/ui/Press';
import { Screen } from '@/ui/Screen';
import { Sheet } from '@/ui/Sheet';
import { Aside, Title, Words } from '@/ui/Words';
import { length } from '@/ui/format';
import { todayIso, useUnits } from '../hooks';
import {
  figureWords,
  groupNames,
  poseGroups,
  poseName,
  poseTitle,
  shortSlot,
  statusWords,
} from '../plan/words';
import { isWanted, lies } from '@/core/lies';

/** Every pose as it is reckoned and drawn for five example bodies on a small shelf. */
export function DrawingsScreen() {
  const [group, setGroup] = useState<Pose['group']>('seated');
  const [above, setAbove] = useState(false);
  const day = todayIso();
  const drawn = useMemo(() => {
    const rows = poses.filter((pose) => pose.group === group).flatMap(rowsOf);
    return rows.map((row) => ({
      ...row,
      figures: exampleBodies.map((body) => ({ body, planned: drawnFor(body, row, day) })),
    }));
  }, [group, day]);
  const units = useUnits();
  return (
    <Screen title="Five bodies in every pose" wide>
      <Words>
        Simulated bodies: a usual one, a short, a tall, a stiff and a free one, each on what a small
        shelf builds for it; first as it is proposed, then in each way. One-sided poses show the
        left side.
      </Words>
      <Chips
        label="Which poses"
        options={poseGroups.map((id) => ({ id, words: groupNames[id] }))}
        chosen={group}
        onChoose={setGroup}
      />
      <View className="flex-row">
        <Press aria-pressed={above} onPress={() => setAbove(!above)}>
          {above ? 'From the side' : 'From above'}
        </Press>
      </View>
      {drawn.map(({ name, figures }) => (
        <Sheet key={name} role="article" aria-label={name}>
          <Title level={2}>{name}</Title>
          <View className="flex-row flex-wrap gap-3">
            {figures.map(({ body, planned }) => (
              <View key={body.id} className="min-w-[150px] flex-1">
                <Drawn
                  words={`${body.words}, ${length(body.statureCm, units)}`}
                  statureCm={body.statureCm}
                  planned={planned}
                  above={above}
                />
              </View>
            ))}
          </View>
        </Sheet>
      ))}
    </Screen>
  );
}

interface Row {
  readonly pose: string;
  readonly way: string | null;
  readonly name: string;
}

/** A pose as it is proposed, then each of its ways. */
const rowsOf = ({ id, ways = [] }: Pose): readonly Row[] => [
  { pose: id, way: null, name: poseName(id) },
  ...ways.map((way) => ({ pose: id, way: way.id, name: `${poseName(id)}: ${way.name}` })),
];

/** One example body in one row, with all that must come first taken as practised. */
function drawnFor(body: (typeof exampleBodies)[number], { pose, way }: Row, day: LocalDay) {
  const record = exampleRecord(body, day);
  const choices = {
    ...record.person.choices,
    [gateKey(pose)]: 'practised',
    ...(way === null ? {} : { [wayKey(pose)]: way }),
  };
  const person = { ...record.person, choices };
  return planStudent({ ...record, person }, starterShelf, day, { poses: [pose] })
    .poses[0] as PlanPose;
}

interface DrawnProps {
  readonly words: string;
  readonly statureCm: number;
  readonly planned: PlanPose;
  readonly above: boolean;
}

function Drawn({ words, statureCm, planned, above }: DrawnProps) {
  const units = useUnits();
  const posture = planned.posture as Posture | null;
  const body = bodyFrom(statureCm);
  const heights = planned.slots
    .filter(({ stackCm, isLength, targetCm }) => (isLength ? isWanted(targetCm) : lies(stackCm)))
    .map(
      (slot) =>
        `${shortSlot(slot.slot).toLowerCase()} ${length(slot.isLength ? slot.targetCm : slot.stackCm, units)}`,
    );
  return (
    <View className="gap-1">
      {posture === null ? (
        <Words>
          {statusWords[planned.status]}
          {planned.instead ? `: ${poseName(planned.instead)}` : ''}
        </Words>
      ) : above && isSpatial(posture) ? (
        <AboveScene
          posture={posture}
          body={body}
          side={planned.side}
          words={`${poseTitle(planned)}, ${words}, seen from above.`}
          mostHeightPx={150}
        />
      ) : (
        <PoseScene
          posture={posture}
          body={body}
          shelf={starterShelf}
          columns={[]}
          units={units}
          words={`${words}: ${figureWords(planned, units)}`}
          mostHeightPx={150}
          stacks={stacksOf(planned.slots)}
        />
      )}
      <Words className="font-semibold">{words}</Words>
      <Aside>{[...new Set(heights)].join(' · ') || 'nothing beneath'}</Aside>
    </View>
  );
}
