import { useState } from 'react';
import { View } from 'react-native';
import type { Body } from '@/core/body/body';
import type { Posture } from '@/core/geometry/posture';
import type { Estimates } from '@/core/estimate/estimate';
import type { Person } from '@/core/formats/book';
import type { PlanPose } from '@/core/formats/plan';
import { solveFigure } from '@/core/plan/solve';
import { poseById } from '@/core/poses/poses';
import type { Shelf } from '@/core/props/shelf';
import { stackWords } from '@/core/props/stack';
import { degrees, length, type Units } from '@/ui/format';
import { AboveScene } from '@/ui/AboveScene';
import { isSpatial } from '@/ui/figure/above';
import { PoseScene } from '@/ui/PoseScene';
import { Press } from '@/ui/Press';
import { Sheet } from '@/ui/Sheet';
import { Aside, Title, Words } from '@/ui/Words';
import { ActionMark } from './ActionMark';
import { Ahead } from './Ahead';
import { PoseChoices } from './PoseChoices';
import { TryHeights } from './TryHeights';
import { railColumns } from './columns';
import { figureWords, heightWords, inputWords, poseName, poseTitle, statusWords } from './words';
import { slotKey } from '@/core/slots';
import { rangeName, slotName, wordsIn } from '@/ui/words/words';

interface PoseCardProps {
  readonly person: Person;
  readonly estimates: Estimates;
  readonly planned: PlanPose;
  readonly body: Body;
  readonly shelf: Shelf;
  readonly units: Units;
  readonly mostHeightPx?: number;
}

/** One pose of the plan: its figure and rail, its pieces, its reason, and on asking its working. */
export function PoseCard({
  planned,
  person,
  estimates,
  body,
  shelf,
  units,
  mostHeightPx = 260,
}: PoseCardProps) {
  const [why, setWhy] = useState(false);
  const [trying, setTrying] = useState(false);
  const [without, setWithout] = useState(false);
  const [above, setAbove] = useState(false);
  const say = wordsIn(units);
  const pose = poseById(planned.pose);
  const stage = pose?.stages.find(({ id }) => id === planned.stage)?.name;
  const built = planned.slots.filter(
    ({ stack, stackCm, isLength }) => stack.length > 0 && (isLength || stackCm > 0.3),
  );
  return (
    <Sheet role="article" aria-label={poseTitle(planned)}>
      <View className="flex-row flex-wrap items-start justify-between gap-2">
        <View className="shrink">
          <Title level={2}>{poseTitle(planned)}</Title>
          <Aside>{[pose?.sanskrit, stage].filter(Boolean).join(' · ')}</Aside>
        </View>
        {planned.posture ? <ActionMark action={planned.decision.action} /> : null}
      </View>
      {planned.status === 'offered' ? null : (
        <Words className="font-semibold text-rust">
          {statusWords[planned.status]}
          {planned.instead ? `: ${poseName(planned.instead)}` : ''}
        </Words>
      )}
      {planned.reasons.map(say.reason).map((words) => (
        <Words key={words}>{words}</Words>
      ))}
      {planned.posture ? (
        <>
          {above ? (
            <AboveScene
              posture={planned.posture as Posture}
              body={body}
              side={planned.side}
              words={`${poseTitle(planned)}, seen from above.`}
              mostHeightPx={mostHeightPx}
            />
          ) : trying ? (
            <TryHeights
              planned={planned}
              person={person}
              estimates={estimates}
              shelf={shelf}
              units={units}
            />
          ) : (
            <PoseScene
              posture={planned.posture as Posture}
              over={
                without
                  ? solveFigure(
                      { person, pose: planned.pose, side: planned.side, shelf },
                      estimates,
                      {},
                    ).posture
                  : null
              }
              body={body}
              shelf={shelf}
              stacks={stacksOf(planned)}
              columns={railColumns(planned)}
              units={units}
              words={figureWords(planned, units)}
              mostHeightPx={mostHeightPx}
            />
          )}
          <View className="gap-3">
            {built.map((slot) => (
              <View key={slotKey(slot)} className="gap-0.5 border-l-4 border-tape pl-3">
                <Words>
                  <Words className="font-semibold">{slotName(slot)} </Words>
                  {slot.isLength ? length(slot.targetCm, units) : length(slot.stackCm, units)}
                </Words>
                <Words>{stackWords(slot.stack, shelf)}</Words>
                <Aside>{say.reasons(slot.reasons)}</Aside>
              </View>
            ))}
            {built.length === 0 ? (
              <Words>Nothing underneath: the floor is near enough.</Words>
            ) : null}
          </View>
          <View className="flex-row flex-wrap gap-2">
            <Press aria-expanded={why} onPress={() => setWhy(!why)}>
              {why ? 'Hide the working' : 'Why'}
            </Press>
            <Press aria-pressed={without} onPress={() => setWithout(!without)}>
              {without ? 'Without: shown' : 'Without support'}
            </Press>
            {isSpatial(planned.posture as Posture) ? (
              <Press aria-pressed={above} onPress={() => setAbove(!above)}>
                {above ? 'From the side' : 'From above'}
              </Press>
            ) : null}
            {railColumns(planned).length > 0 ? (
              <Press aria-pressed={trying} onPress={() => setTrying(!trying)}>
                {trying ? 'Back to the plan' : 'Try other heights'}
              </Press>
            ) : null}
          </View>
          {why ? <Working planned={planned} shelf={shelf} units={units} /> : null}
          {why ? (
            <Ahead
              planned={planned}
              person={person}
              estimates={estimates}
              shelf={shelf}
              units={units}
            />
          ) : null}
          {why ? <PoseChoices person={person} pose={planned.pose} /> : null}
        </>
      ) : null}
      {planned.refer.length > 0 ? <Aside>{say.reasons(planned.refer)}</Aside> : null}
    </Sheet>
  );
}

const stacksOf = (planned: PlanPose) =>
  Object.fromEntries(
    planned.slots.map((slot) => [slotKey(slot), { pieces: slot.stack, heightCm: slot.stackCm }]),
  );

/** Every number's answer to "why": what was asked, what is there, and what makes it doubtful. */
function Working({ planned, shelf, units }: Pick<PoseCardProps, 'planned' | 'shelf' | 'units'>) {
  return (
    <View className="gap-4 rounded-md bg-well p-3">
      <View className="gap-1">
        <Title level={3}>What the pose asks of the joints</Title>
        {planned.demands.map(({ range, side, needDeg, haveDeg }) => (
          <Words key={range + side}>
            {rangeName(range)}, {side}: asks {degrees(needDeg)}, has {degrees(haveDeg)}
            {needDeg > haveDeg ? ` — ${degrees(needDeg - haveDeg)} short` : ''}
          </Words>
        ))}
      </View>
      {planned.slots
        .filter(({ targetCm, highCm }) => targetCm > 0.3 || highCm > 1)
        .map((slot) => (
          <View key={slotKey(slot)} className="gap-1">
            <Title level={3}>
              {slotName(slot)}: {heightWords(slot, units)}
            </Title>
            <Words>{wordsIn(units).reasons(slot.reasons)}</Words>
            {slot.isLength ? null : (
              <Aside>
                Reckoned {length(Math.max(0, slot.reckonedCm), units)}; learned on the mat{' '}
                {slot.offsetCm >= 0 ? '+' : '−'}
                {length(Math.abs(slot.offsetCm), units)} ± {length(1.2816 * slot.offsetSdCm, units)}
                . What widens it most: {inputWords(slot.widestInput)}.
              </Aside>
            )}
            {slot.stackCm > 0 && !slot.isLength ? (
              <Aside>
                Built {length(slot.stackCm, units)},{' '}
                {length(Math.abs(slot.stackCm - slot.targetCm), units)}{' '}
                {slot.stackCm >= slot.targetCm ? 'over' : 'under'} the target.
              </Aside>
            ) : null}
            {slot.others.map((other, i) => (
              <Aside key={i}>
                Or {length(other.heightCm, units)}: {stackWords(other.pieces, shelf)}
              </Aside>
            ))}
          </View>
        ))}
    </View>
  );
}
