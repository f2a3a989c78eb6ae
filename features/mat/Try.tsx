import { useEffect } from 'react';
import { View } from 'react-native';
import { useHotkeys } from 'react-hotkeys-hook';
import { placeKey } from '@/core/advise/order';
import type { Person } from '@/core/formats/book';
import type { PlanPose } from '@/core/formats/plan';
import { asSettled } from '@/core/learn/settled';
import type { Trial } from '@/core/learn/trialLadder';
import { isMoved } from '@/core/lies';
import { hold as parameter } from '@/core/parameters';
import { stackWords, type Stack } from '@/core/props/stack';
import { slotKey, slotRefOf } from '@/core/slots';
import { stepTried, tryingEnded, type Mat, type Settled } from '@/store/mat';
import { selectTrial, selectVisitTrial } from '@/store/reckoned';
import { selectShelf } from '@/store/selectors';
import { length } from '@/ui/format';
import { Press } from '@/ui/Press';
import { rungWords } from '@/ui/rungWords';
import { Sheet } from '@/ui/Sheet';
import { Aside, Title, Words } from '@/ui/Words';
import { slotName } from '@/ui/words/words';
import { todayIso, useOjas, useUnits } from '../hooks';
import { chime } from '../sound/chime';
import { useMatDispatch } from './place';
import { jointSpoke } from './session';

interface TryProps {
  readonly person: Person;
  readonly planned: PlanPose;
  readonly mat: Mat;
  readonly settled: readonly Settled[];
}

/** By the letter, wherever it lies on the keyboard. */
const BY_KEY = { useKey: true, preventDefault: true };

/** Two or three breaths on a step; then it is asked. */
const LISTEN_MS = 3 * parameter.breath.value * 1000;

/** Whether a height may be tried here now: one pose a visit, on what was planned, before its hold and before any pain. */
function isOpen({ mat, planned, settled }: TryProps, { slot, tries }: Trial): boolean {
  const key = placeKey(planned);
  const tried = mat.trials[key] ?? [];
  const elsewhere = Object.entries(mat.trials).some(
    ([pose, those]) => pose !== key && those.length > 0,
  );
  const begun = mat.holdingSince !== null || mat.heldSeconds > 0;
  if (elsewhere || begun || jointSpoke(mat) || mat.untried.includes(key)) return false;
  const here = settled.find((one) => slotKey(one) === slot);
  const start = tries[0]?.heightCm ?? 0;
  return here !== undefined && (tried.length > 0 || !isMoved(here.heightCm - start));
}

/** A height found within the visit: a few breaths on each step, down as long as nothing speaks, one up where it does. */
export function Try(props: TryProps) {
  const { person, planned, mat, settled } = props;
  const today = todayIso();
  const key = placeKey(planned);
  // What is still to come of this visit, and not left untried.
  const places = mat.poses.slice(mat.at).filter((one) => !mat.untried.includes(one));
  const best = useOjas((state) => selectVisitTrial(state, person.id, today, places)?.place ?? null);
  const own = useOjas((state) => selectTrial(state, person.id, today, planned));
  // What was begun goes on; else it is tried where it would tell most.
  const trial = mat.trials[key] || best === key ? own : null;
  return trial && isOpen(props, trial) ? (
    <Steps {...{ trial, planned, settled }} tried={mat.trials[key] ?? []} />
  ) : null;
}

interface StepsProps extends Pick<TryProps, 'planned' | 'settled'> {
  readonly trial: Trial;
  readonly tried: Mat['trials'][string];
}

function Steps({ trial, planned, settled, tried }: StepsProps) {
  const dispatch = useMatDispatch();
  const shelf = useOjas(selectShelf);
  const units = useUnits();
  const at = tried.length;
  const now = trial.tries[at];
  const next = trial.tries[at + 1];
  const spoke = tried.at(-1)?.word === true;
  const isDone = spoke || now === undefined;
  useEffect(() => {
    if (isDone) return undefined;
    const timer = setTimeout(chime, LISTEN_MS);
    return () => clearTimeout(timer);
  }, [at, isDone]);
  const name = slotName(slotRefOf(trial.slot));
  const here = settled.find((one) => slotKey(one) === trial.slot);
  const answer = (word: boolean) => {
    if (!here || !now || isDone) return;
    const to = (word ? trial.afterWord[at] : (next ?? trial.afterQuiet)) as Stack;
    const { slot, part, side, heightCm } = asSettled(here, now);
    dispatch(
      stepTried({
        pose: placeKey(planned),
        trial: { slot, ...(part ? { part } : {}), side, heightCm, word },
        settled: settled.map((one) => (one === here ? asSettled(one, to) : one)),
      }),
    );
  };
  // By keys, or a clicker's two.
  const keys = { ...BY_KEY, enabled: !isDone };
  useHotkeys(['q', 'pagedown'], () => answer(false), keys, [at, isDone]);
  useHotkeys(['x', 'pageup'], () => answer(true), keys, [at, isDone]);
  if (!here) return null;
  if (isDone)
    return (
      <Sheet>
        <Title level={2}>Found for today</Title>
        <View role="status" aria-live="polite">
          <Words className="text-lg">
            {name} {length(here.heightCm, units)}:{' '}
            {spoke ? 'the step under it spoke.' : 'nothing spoke down to here.'} Hold on this.
          </Words>
          <Aside>{stackWords(here.pieces, shelf)}</Aside>
        </View>
      </Sheet>
    );
  const does = (to: Stack) =>
    `${rungWords(now.pieces, to.pieces, shelf) ?? stackWords(to.pieces, shelf)}; ${length(to.heightCm, units)}.`;
  return (
    <Sheet>
      <Title level={2}>Find the height</Title>
      <View role="status" aria-live="polite">
        <Words className="text-lg">
          {name} {length(now.heightCm, units)}: two or three breaths. Does anything speak?
        </Words>
        <Aside>
          {next ? `If quiet: ${does(next)}` : 'If quiet: this is the height for today.'}
        </Aside>
      </View>
      <View className="flex-row gap-2">
        <Press kind="main" className="min-h-20 flex-1" onPress={() => answer(false)}>
          Quiet
        </Press>
        <Press className="min-h-20 flex-1" onPress={() => answer(true)}>
          A word
        </Press>
      </View>
      <Press
        kind="quiet"
        className="self-start"
        onPress={() => dispatch(tryingEnded(placeKey(planned)))}
      >
        Hold it as it lies
      </Press>
    </Sheet>
  );
}
