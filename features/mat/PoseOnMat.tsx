import { memo, useDeferredValue, useState } from 'react';
import { View } from 'react-native';
import { bodyFrom } from '@/core/body/body';
import { howOf, type How } from '@/core/advise/how';
import { liesIn } from '@/core/lies';
import { placeKey } from '@/core/advise/order';
import { asPlanned } from '@/core/learn/settled';
import type { Person, StopWord } from '@/core/formats/book';
import type { DialSetting } from '@/core/dials';
import type { Estimates } from '@/core/estimate/estimate';
import type { PlanPose, PlanSlot } from '@/core/formats/plan';
import { inPoseOf, solveFigure, type InPose } from '@/core/build/solve';
import { selectShelf } from '@/store/selectors';
import {
  heldSeconds,
  leftRunning,
  matSteps,
  poseSkipped,
  stepTaken,
  stepUndone,
  type Mat,
  type MatStep,
  type Settled,
} from '@/store/mat';
import { stacksOf } from '@/ui/figure/stacks';
import { PoseScene } from '@/ui/PoseScene';
import { Chips, Press } from '@/ui/Press';
import { Sheet } from '@/ui/Sheet';
import { Aside, Title, Words } from '@/ui/Words';
import { useOjas, useOjasDispatch, useUnits } from '../hooks';
import { useEstimates } from '../reckoned';
import { railColumns } from '../plan/columns';
import { PoseLine } from '../plan/PoseLine';
import { figureWords, poseTitle } from '../plan/words';
import { YoursBeside } from '../plan/Yours';
import { Build } from './Build';
import { Dials } from './Dials';
import { Feel, feltOf, heldAsSaid, missingIn, nothingSaid, type Said } from './Feel';
import { Hold } from './Hold';
import { holdNow } from './holdClock';
import { HowLong } from './HowLong';
import { Look } from './Look';
import { Mats } from './Mats';
import { MatFrame, useBeginsAtTop, useMatDispatch } from './place';
import { Rungs } from './Rungs';
import { builtOf, dialsOn, endSession, recordPose, type Felt } from './session';
import { Stopped, StopWords } from './Stop';
import { Try } from './Try';
import { slotKey } from '@/core/slots';

const stepWords: Readonly<Record<MatStep, string>> = {
  build: 'Build',
  enter: 'Enter',
  look: 'Look',
  hold: 'Hold',
  feel: 'Feel',
};
const steps = matSteps.map((id) => ({ id, words: stepWords[id] }));
interface PoseOnMatProps {
  readonly person: Person;
  readonly planned: PlanPose;
  readonly mat: Mat;
  /** No other mat is on the screen. */
  readonly alone: boolean;
  readonly onEnded: () => void;
}

/** One pose fills the screen, step by step; stop words are always one tap away. */
export function PoseOnMat({ person, planned, mat, alone, onEnded }: PoseOnMatProps) {
  const dispatch = useOjasDispatch();
  const onMat = useMatDispatch();
  const shelf = useOjas(selectShelf);
  const estimates = useEstimates(person.id) ?? {};
  const [stopped, setStopped] = useState<StopWord>();
  const [stopping, setStopping] = useState(false);
  /** What was felt, while it is asked how long a hold really was that was left running. */
  const [asked, setAsked] = useState<Felt | null>(null);
  const [said, setSaid] = useState(nothingSaid);
  const round = mat.done.findLast(
    ({ pose, side }) => pose === planned.pose && side === planned.side,
  );
  const heading = useBeginsAtTop();
  const key = placeKey(planned);
  // What is said of a height comes at once; the figure follows.
  const drawn = useDeferredValue(mat);
  const settled = mat.settled[key] ?? asPlanned(planned);
  const set = dialsOn(mat, planned);
  const inPose = inPoseOf(person, planned, shelf, set);
  const now = asItLies(planned, settled);
  const lying = now.slots.filter(liesIn);
  const how = howOf(now);
  const finish = async (felt: Felt, heldAs?: number) => {
    const whole = planned.holdSeconds + mat.moreSeconds;
    if (heldAs === undefined && leftRunning(heldSeconds(mat, holdNow()), whole))
      return setAsked(felt);
    const last = mat.at + 1 >= mat.poses.length;
    const outcome = await dispatch(recordPose(person.id, planned, felt, heldAs));
    return outcome.ok && last ? onEnded() : undefined;
  };
  const record = () => {
    const felt = feltOf(said);
    if (felt) void finish(felt, heldAsSaid(said, { planned, mat }));
  };
  if (asked)
    return (
      <HowLong
        held={heldSeconds(mat, holdNow())}
        planned={planned.holdSeconds}
        title={poseTitle(planned)}
        onSaid={(seconds) => finish(asked, seconds)}
        onBack={() => setAsked(null)}
      />
    );
  if (stopping && !stopped)
    return <StopWords onWord={setStopped} onBack={() => setStopping(false)} />;
  if (stopped)
    return (
      <Stopped
        word={stopped}
        planned={planned}
        onRecord={(felt) => finish(felt)}
        onBack={() => {
          setStopped(undefined);
          setStopping(false);
        }}
      />
    );
  return (
    <MatFrame
      title={poseTitle(planned)}
      beside={
        <Aside>{`${mat.at + 1} of ${mat.poses.length}${alone ? ` · ${person.name}` : ''}`}</Aside>
      }
      foot={
        <Foot
          step={mat.step}
          said={said}
          last={mat.at + 1 >= mat.poses.length}
          onStop={() => setStopping(true)}
          onRecord={record}
        />
      }
    >
      <View ref={heading} tabIndex={-1}>
        <Chips
          label="Step"
          inOneLine
          options={steps}
          chosen={mat.step}
          onChoose={(step) => onMat(stepTaken(step))}
        />
      </View>
      {mat.step === 'feel' ? null : <Scene {...{ person, planned }} mat={drawn} />}
      {mat.step === 'feel' || mat.trials[key] ? null : (
        <YoursBeside {...{ person, planned }} lying={settled} dials={set} />
      )}
      <OfStep
        {...{ person, planned, mat, settled, lying, how, inPose, estimates, set }}
        {...{ said, onSay: setSaid }}
        onRecord={(felt) => void finish(felt)}
      />
      {round && (mat.step === 'build' || mat.step === 'feel') ? (
        <Sheet>
          <PoseLine title="The round before, today" outcome={round} />
        </Sheet>
      ) : null}
      {alone ? <Mats id={person.id} /> : null}
      <WaysOut id={person.id} mustRecord={said.place === 'joint'} onEnded={onEnded} />
    </MatFrame>
  );
}

/** A pose with what lies there now. */
const asItLies = (planned: PlanPose, settled: readonly Settled[]): PlanPose => ({
  ...planned,
  slots: planned.slots.map((slot) => {
    const here = settled.find((one) => slotKey(one) === slotKey(slot));
    return here ? { ...slot, stack: here.pieces, stackCm: here.heightCm } : slot;
  }),
});

/** The figure on what lies there. */
const Scene = memo(function Scene({
  person,
  planned,
  mat,
}: Pick<PoseOnMatProps, 'person' | 'planned' | 'mat'>) {
  const units = useUnits();
  const shelf = useOjas(selectShelf);
  const estimates = useEstimates(person.id) ?? {};
  const settled = mat.settled[placeKey(planned)] ?? asPlanned(planned);
  const inPose = inPoseOf(person, planned, shelf, dialsOn(mat, planned));
  const { posture } = solveFigure(inPose, estimates, builtOf(settled));
  const now = asItLies(planned, settled);
  return (
    <PoseScene
      posture={posture}
      body={bodyFrom(person.statureCm, person.bodyCm)}
      shelf={shelf}
      units={units}
      words={figureWords(now, units)}
      mostHeightPx={mat.step === 'build' ? 240 : 160}
      stacks={stacksOf(now.slots)}
      columns={railColumns(now)}
    />
  );
});

interface WaysOutProps {
  readonly id: string;
  /** A joint spoke: the pose is recorded, not skipped. */
  readonly mustRecord: boolean;
  readonly onEnded: () => void;
}

/** A step back, past this pose, or out of the session. */
function WaysOut({ id, mustRecord, onEnded }: WaysOutProps) {
  const dispatch = useOjasDispatch();
  const onMat = useMatDispatch();
  const canUndo = useOjas((state) => (state.mat.past[id]?.length ?? 0) > 0);
  return (
    <View className="flex-row flex-wrap gap-2">
      {canUndo ? <Press onPress={() => onMat(stepUndone())}>Undo the last step</Press> : null}
      <Press disabled={mustRecord} onPress={() => onMat(poseSkipped())}>
        Skip this pose
      </Press>
      <Press
        disabled={mustRecord}
        onPress={() => dispatch(endSession(id)).then((outcome) => outcome.ok && onEnded())}
      >
        End the session here
      </Press>
      {mustRecord ? (
        <Aside className="w-full">A joint spoke: record it first, then go on or end.</Aside>
      ) : null}
    </View>
  );
}

interface OfStepProps {
  readonly person: Person;
  readonly planned: PlanPose;
  readonly mat: Mat;
  readonly settled: readonly Settled[];
  readonly lying: readonly PlanSlot[];
  /** True of what is built now. */
  readonly how: How;
  readonly inPose: InPose;
  readonly estimates: Estimates;
  readonly set: readonly DialSetting[];
  readonly said: Said;
  readonly onSay: (said: Said) => void;
  readonly onRecord: (felt: Felt) => void;
}

/** What each step of a pose shows under its figure. */
function OfStep({ mat, said, onSay, onRecord, ...now }: OfStepProps) {
  const { person, planned, settled, lying, how } = now;
  const rungs = <Rungs person={person} planned={planned} settled={settled} mat={mat} />;
  switch (mat.step) {
    case 'build':
      return (
        <>
          <Dials {...now} />
          <Build
            {...{ person, planned, lying, settled }}
            ticked={mat.ticked[placeKey(planned)] ?? []}
          />
          {rungs}
        </>
      );
    case 'enter':
      return <Enter lines={how.entry} />;
    case 'look':
      return (
        <>
          <Dials {...now} />
          <Look {...now} mat={mat} />
          {rungs}
        </>
      );
    case 'hold':
      return (
        <>
          <Dials {...now} />
          <Try is="advised" {...now} mat={mat} id={person.id} />
          <Hold person={person} planned={planned} mat={mat} />
          <Try is="own" {...now} mat={mat} id={person.id} />
          {rungs}
        </>
      );
    case 'feel':
      return <Feel onMat={{ ...now, mat }} exit={how.exit} {...{ said, onSay, onRecord }} />;
  }
}

interface FootProps {
  readonly step: MatStep;
  readonly said: Said;
  readonly last: boolean;
  readonly onStop: () => void;
  readonly onRecord: () => void;
}

/** Stop under the thumb on every step, and the way on; at the end, to the record. */
function Foot({ step, said, last, onStop, onRecord }: FootProps) {
  const onMat = useMatDispatch();
  const next = matSteps[matSteps.indexOf(step) + 1];
  const missing = missingIn(said);
  return (
    <View className="flex-row flex-wrap gap-2">
      {!next && missing.length > 0 ? (
        <Aside role="status" className="w-full">
          Say {missing.join(' and ')}; then it is recorded.
        </Aside>
      ) : null}
      <Press
        kind="warn"
        className="min-h-14 min-w-[96px] border-2"
        aria-label="Stop: what is felt?"
        onPress={onStop}
      >
        Stop
      </Press>
      {next ? (
        <Press
          kind="main"
          className="min-h-14 flex-1"
          onPress={() => onMat(stepTaken(next))}
        >{`Next: ${stepWords[next].toLowerCase()}`}</Press>
      ) : (
        <Press
          kind="main"
          className="min-h-14 flex-1"
          disabled={missing.length > 0}
          onPress={onRecord}
        >
          {last ? 'Record and end' : 'Record, next pose'}
        </Press>
      )}
    </View>
  );
}

const Enter = ({ lines }: { readonly lines: readonly string[] }) => (
  <Sheet>
    <Title level={2}>Enter</Title>
    {lines.map((cue, i) => (
      <Words key={cue} className="text-lg">
        {i + 1}. {cue}
      </Words>
    ))}
  </Sheet>
);
