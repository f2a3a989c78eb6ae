import { useState } from 'react';
import { View } from 'react-native';
import type { Body } from '@/core/body/body';
import type { Posture } from '@/core/geometry/posture';
import type { Estimates } from '@/core/estimate/estimate';
import type { Person } from '@/core/formats/book';
import type { PlanPose } from '@/core/formats/plan';
import { inPoseOf, solveFigure } from '@/core/plan/solve';
import { piecesIn } from '@/core/plan/pieces';
import { poseById, stagesOf } from '@/core/poses/poses';
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
import { Gate, PoseChoices, Ways } from './PoseChoices';
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

/** How a pose is shown: as planned, without its supports, from above, or with heights that are being tried. */
type Shown = 'plan' | 'without' | 'above' | 'trying';

/** One pose of the plan: its figure and rail, its pieces, its reason, and on asking its working. */
export function PoseCard(card: PoseCardProps) {
  const { planned, units } = card;
  const say = wordsIn(units);
  const pose = poseById(planned.pose);
  const stage = pose && stagesOf(pose, planned.way).find(({ id }) => id === planned.stage)?.name;
  const pieces = piecesIn(planned);
  return (
    <Sheet role="article" aria-label={poseTitle(planned)}>
      <View className="flex-row flex-wrap items-start justify-between gap-2">
        <View className="shrink">
          <Title level={2}>{poseTitle(planned)}</Title>
          <Aside>
            {[
              pose?.sanskrit,
              stage,
              planned.posture ? `${pieces} ${pieces === 1 ? 'piece' : 'pieces'}` : null,
            ]
              .filter(Boolean)
              .join(' · ')}
          </Aside>
        </View>
        {planned.posture ? <ActionMark word={planned.decision.word} /> : null}
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
      <Ways person={card.person} pose={planned.pose} side={planned.side} way={planned.way} />
      {planned.posture ? <Offered {...card} /> : <Gate person={card.person} planned={planned} />}
      {planned.refer.length > 0 ? <Aside>{say.reasons(planned.refer)}</Aside> : null}
    </Sheet>
  );
}

/** What comes before and after a pose, what is easier and harder, and what does at home. */
function Around({ pose: id }: { readonly pose: string }) {
  const pose = poseById(id);
  if (!pose) return null;
  const named = (ids: readonly (string | undefined)[]) =>
    ids.flatMap((one) => (one === undefined ? [] : [poseName(one)])).join(', ');
  const lines = [
    ['Before it', named(pose.warmUps)],
    ['After it', named(pose.counterposes)],
    ['Easier', named([pose.easier])],
    ['Harder', named([pose.harder])],
    ['More of it', pose.more ?? ''],
    ['At home', pose.atHome],
    ['Every day', pose.homeDose ?? ''],
  ].filter(([, words]) => words);
  return (
    <View className="gap-1 rounded-md bg-well p-3">
      <Title level={3}>Around this pose</Title>
      {lines.map(([name, words]) => (
        <Words key={name}>
          <Words className="font-semibold">{name}: </Words>
          {words}
        </Words>
      ))}
    </View>
  );
}

/** What is shown of a pose that is offered, with the ways to look at it. */
function Offered(card: PoseCardProps) {
  const { planned, person, shelf, units } = card;
  const [why, setWhy] = useState(false);
  const [shown, setShown] = useState<Shown>('plan');
  const toggle = (id: Shown, on: string, off: string) => (
    <Press aria-pressed={shown === id} onPress={() => setShown(shown === id ? 'plan' : id)}>
      {shown === id ? on : off}
    </Press>
  );
  return (
    <>
      <Scene {...card} shown={shown} />
      <Pieces {...card} />
      <View className="flex-row flex-wrap gap-2">
        <Press aria-expanded={why} onPress={() => setWhy(!why)}>
          {why ? 'Hide the working' : 'Why'}
        </Press>
        {toggle('without', 'Without: shown', 'Without support')}
        {isSpatial(planned.posture as Posture)
          ? toggle('above', 'From the side', 'From above')
          : null}
        {railColumns(planned).length > 0
          ? toggle('trying', 'Back to the plan', 'Try other heights')
          : null}
      </View>
      {why ? (
        <>
          <Working planned={planned} shelf={shelf} units={units} />
          <Around pose={planned.pose} />
          <Ahead {...card} />
          <PoseChoices person={person} pose={planned.pose} />
        </>
      ) : null}
    </>
  );
}

function Scene({
  planned,
  person,
  estimates,
  body,
  shelf,
  units,
  mostHeightPx = 260,
  shown,
}: PoseCardProps & { readonly shown: Shown }) {
  const posture = planned.posture as Posture;
  if (shown === 'above')
    return (
      <AboveScene
        posture={posture}
        body={body}
        side={planned.side}
        words={`${poseTitle(planned)}, seen from above.`}
        mostHeightPx={mostHeightPx}
      />
    );
  if (shown === 'trying')
    return (
      <TryHeights
        planned={planned}
        person={person}
        estimates={estimates}
        shelf={shelf}
        units={units}
      />
    );
  const inPose = inPoseOf(person, planned, shelf);
  return (
    <PoseScene
      posture={posture}
      over={shown === 'without' ? solveFigure(inPose, estimates, {}).posture : null}
      body={body}
      shelf={shelf}
      stacks={stacksOf(planned)}
      columns={railColumns(planned)}
      units={units}
      words={figureWords(planned, units)}
      mostHeightPx={mostHeightPx}
    />
  );
}

/** A gap that is offered to be filled is at least so high, in cm. */
const WORTH_OFFERING_CM = 3;

/** What lies where, piece by piece, and why. */
function Pieces({ planned, shelf, units }: Pick<PoseCardProps, 'planned' | 'shelf' | 'units'>) {
  const built = planned.slots.filter(
    ({ stack, stackCm, isLength }) => stack.length > 0 && (isLength || stackCm > 0.3),
  );
  const optional = poseById(planned.pose)?.optional ?? [];
  const wanted = planned.slots.filter(
    ({ slot, stack, targetCm }) =>
      optional.includes(slot) && stack.length === 0 && targetCm >= WORTH_OFFERING_CM,
  );
  return (
    <View className="gap-3">
      {built.map((slot) => (
        <View key={slotKey(slot)} className="gap-0.5 border-l-4 border-tape pl-3">
          <Words>
            <Words className="font-semibold">{slotName(slot)} </Words>
            {slot.isLength ? length(slot.targetCm, units) : length(slot.stackCm, units)}
          </Words>
          <Words>{stackWords(slot.stack, shelf)}</Words>
          <Aside>{wordsIn(units).reasons(slot.reasons)}</Aside>
        </View>
      ))}
      <SetAs planned={planned} units={units} />
      {built.length === 0 ? <Words>Nothing underneath: the floor is near enough.</Words> : null}
      {wanted.length > 0 ? (
        <Aside>
          If wanted:{' '}
          {wanted
            .map((slot) => `${slotName(slot).toLowerCase()} ${length(slot.targetCm, units)}`)
            .join(', ')}
          .
        </Aside>
      ) : null}
    </View>
  );
}

/** What is set of the pose itself. */
function SetAs({ planned, units }: Pick<PoseCardProps, 'planned' | 'units'>) {
  if (planned.dials.length === 0) return null;
  const say = wordsIn(units);
  return (
    <Words>
      {planned.dials
        .map(({ dial, value }) => `${say.dial(dial)} ${say.dialValue(dial, value)}`)
        .join(' · ')}
    </Words>
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
