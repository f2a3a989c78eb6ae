import { useEffect, useState } from 'react';
import { View } from 'react-native';
import { useHotkeys } from 'react-hotkeys-hook';
import { placeKey } from '@/core/advise/order';
import { rungsFrom } from '@/core/build/solve';
import { asSettled } from '@/core/learn/settled';
import { speaksOf, triedSteps, type TriedStep } from '@/core/learn/tried';
import type { Trial } from '@/core/learn/trialLadder';
import { isMoved, standsOver } from '@/core/lies';
import { hold as parameter } from '@/core/parameters';
import { stackWords, type Stack } from '@/core/props/stack';
import { slotKey, slotRefOf, type SlotKey } from '@/core/slots';
import { stepTried, trialFelt, tryingEnded, type Settled } from '@/store/mat';
import { selectTriable, selectTrial, selectVisitTrial } from '@/store/reckoned';
import { selectShelf } from '@/store/selectors';
import { length } from '@/ui/format';
import { Press } from '@/ui/Press';
import { rungWords } from '@/ui/rungWords';
import { Sheet } from '@/ui/Sheet';
import { Aside, Title, Words } from '@/ui/Words';
import { slotName } from '@/ui/words/words';
import { todayIso, useOjas, useUnits } from '../hooks';
import { chime } from '../sound/chime';
import { BodyOutline } from './BodyOutline';
import { FeltAnswer } from './FeltAnswer';
import type { OnTheMat } from './mend';
import { useMatDispatch } from './place';
import { jointSpoke, usedBeside } from './session';

/** By the letter, wherever it lies on the keyboard. */
const BY_KEY = { useKey: true, preventDefault: true };

/** Two or three breaths on a step; then it is asked. */
const LISTEN_MS = 3 * parameter.breath.value * 1000;

const NONE: readonly TriedStep[] = [];
const triedOn = ({ mat, planned }: OnTheMat): readonly TriedStep[] => {
  const trials = mat.trials[placeKey(planned)];
  return trials ? triedSteps({ trials }) : NONE;
};
const isSame = (aCm: number, bCm: number) => !isMoved(aCm - bCm);

/** What is asked of a height that lies there, and what comes of either answer. */
interface Asked {
  readonly here: Settled;
  readonly now: Stack;
  /** What lay there before, where the teacher went to this step of their own. */
  readonly startCm?: number;
  /** The next step down, where there is one to try. */
  readonly next: Stack | null;
  readonly afterQuiet: Stack;
  readonly afterWord: Stack;
}

/** The step of a ladder that lies there now; null where the ladder is at its end, or was left by hand. */
function askedOf(trial: Trial, { settled, ...of }: OnTheMat): Asked | null {
  const tried = triedOn({ settled, ...of });
  const isOnIt = tried.every(
    (one, i) =>
      slotKey(one) === trial.slot &&
      !one.word &&
      isSame(one.heightCm, trial.tries[i]?.heightCm ?? -1),
  );
  const [now, next] = trial.tries.slice(tried.length);
  const here = settled.find((one) => slotKey(one) === trial.slot);
  if (!isOnIt || !now || !here || !isSame(here.heightCm, now.heightCm)) return null;
  const afterWord = trial.afterWord[tried.length] ?? now;
  return { here, now, next: next ?? null, afterQuiet: next ?? trial.afterQuiet, afterWord };
}

/** A height that the teacher went down to of their own, and that nobody has listened to yet. */
function askedOfOwn(triable: readonly SlotKey[], of: OnTheMat): Asked | null {
  const { inPose, planned, settled } = of;
  const tried = triedOn(of);
  const last = tried.at(-1);
  for (const here of settled) {
    const key = slotKey(here);
    const slot = planned.slots.find((one) => slotKey(one) === key);
    const startCm = slot?.stackCm ?? 0;
    if (!standsOver(startCm, here.heightCm) || !triable.includes(key)) continue;
    // What was quiet lower down is quiet here; after a word, a step over it is not asked of again.
    const isHeard = tried.some(
      (one) =>
        slotKey(one) === key &&
        (one.word
          ? one === last && standsOver(here.heightCm, one.heightCm)
          : !standsOver(one.heightCm, here.heightCm)),
    );
    if (isHeard) continue;
    const { above } = rungsFrom(inPose, here.slot, here, usedBeside(planned, settled, here));
    return { here, now: here, startCm, next: null, afterQuiet: here, afterWord: above ?? here };
  }
  return null;
}

/** Whether a height may be tried here now: before the hold and before any pain, and not where it was left untried. */
function isOpen({ mat, planned }: OnTheMat): boolean {
  const begun = mat.holdingSince !== null || mat.heldSeconds > 0;
  return !begun && !jointSpoke(mat) && !mat.untried.includes(placeKey(planned));
}

/** Whether one was begun in another pose of this visit. */
const isElsewhere = ({ mat, planned }: OnTheMat) =>
  Object.entries(mat.trials).some(
    ([pose, those]) => pose !== placeKey(planned) && those.length > 0,
  );

interface TryProps extends OnTheMat {
  readonly id: string;
  /** Beside the rungs stands what is asked of a step that the teacher went down to of their own. */
  readonly is: 'advised' | 'own';
}

/**
 * A height found within the visit: a few breaths on each step, down as long as nothing speaks, one up where it does. A
 * step that the teacher goes down to of their own is heard like any other.
 */
export function Try({ id, is, ...of }: TryProps) {
  const { planned, mat } = of;
  const today = todayIso();
  const key = placeKey(planned);
  // What is still to come of this visit, and not left untried.
  const places = mat.poses.slice(mat.at).filter((one) => !mat.untried.includes(one));
  const best = useOjas((state) => selectVisitTrial(state, id, today, places)?.place ?? null);
  const reckoned = useOjas((state) => selectTrial(state, id, today, planned));
  const triable = useOjas((state) => selectTriable(state, id, today, planned));
  if (!isOpen(of)) return null;
  const tried = triedOn(of);
  const last = tried.at(-1);
  // What was begun goes on; else it is tried where it would tell most.
  const trial = last || (best === key && !isElsewhere(of)) ? reckoned : null;
  const advised = trial && askedOf(trial, of);
  const asked = advised ?? askedOfOwn(triable, of);
  const isOwn = asked ? !advised : last?.startCm !== undefined;
  if (isOwn !== (is === 'own')) return null;
  if (asked) return <Ask asked={asked} looks={tried.length} of={of} />;
  return last ? <Found last={last} of={of} /> : null;
}

interface AskProps {
  readonly asked: Asked;
  /** Steps that were heard before this one. */
  readonly looks: number;
  readonly of: OnTheMat;
}

function Ask({ asked, looks, of }: AskProps) {
  const { here, now, startCm, next, afterQuiet, afterWord } = asked;
  const { planned, settled } = of;
  const dispatch = useMatDispatch();
  const shelf = useOjas(selectShelf);
  const units = useUnits();
  useEffect(() => {
    const timer = setTimeout(chime, LISTEN_MS);
    return () => clearTimeout(timer);
  }, [looks]);
  const answer = (word: boolean) => {
    const { slot, part, side, heightCm } = asSettled(here, now);
    const to = word ? afterWord : afterQuiet;
    dispatch(
      stepTried({
        pose: placeKey(planned),
        trial: {
          slot,
          ...(part ? { part } : {}),
          side,
          heightCm,
          word,
          ...(startCm === undefined ? {} : { startCm }),
        },
        settled: settled.map((one) => (one === here ? asSettled(one, to) : one)),
      }),
    );
  };
  // By keys, or a clicker's two.
  useHotkeys(['q', 'pagedown'], () => answer(false), BY_KEY, [asked]);
  useHotkeys(['x', 'pageup'], () => answer(true), BY_KEY, [asked]);
  const does = (to: Stack) =>
    `${rungWords(now.pieces, to.pieces, shelf) ?? stackWords(to.pieces, shelf)}; ${length(to.heightCm, units)}.`;
  return (
    <Sheet>
      <Title level={2}>{startCm === undefined ? 'Find the height' : 'Your own step'}</Title>
      <View role="status" aria-live="polite">
        <Words className="text-lg">
          {slotName(here)} {length(now.heightCm, units)}: two or three breaths. Does anything speak?
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
      <Aside>Sharp, electric, numb: Stop.</Aside>
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

/** What was heard, true of what lies there now. */
function foundWords(last: TriedStep, { heightCm }: Settled, triedWords: string): string {
  const isOver = standsOver(heightCm, last.heightCm);
  if (last.word)
    return isOver
      ? 'the step under it spoke. Hold on this.'
      : 'it spoke, and the shelf builds no step higher: go less far, or leave the pose.';
  return isOver
    ? `nothing spoke down to ${triedWords}; at this height a whole hold is sure. Hold on this.`
    : 'nothing spoke down to here. Hold on this.';
}

/** What was found; after a word, where it was, and what answers that where it is not this height. */
function Found({ last, of }: { readonly last: TriedStep; readonly of: OnTheMat }) {
  const { planned, settled } = of;
  const dispatch = useMatDispatch();
  const shelf = useOjas(selectShelf);
  const units = useUnits();
  const [asks, setAsks] = useState(last.spot !== undefined);
  const key = slotKey(last);
  const here = settled.find((one) => slotKey(one) === key);
  if (!here) return null;
  const felt = (spot: string) => dispatch(trialFelt({ pose: placeKey(planned), spot }));
  const isOther = last.word && !speaksOf(planned.pose, last.spot, key);
  return (
    <Sheet>
      <Title level={2}>Found for today</Title>
      <View role="status" aria-live="polite">
        <Words className="text-lg">
          {slotName(slotRefOf(key))} {length(here.heightCm, units)}:{' '}
          {foundWords(last, here, length(last.heightCm, units))}
        </Words>
        <Aside>{stackWords(here.pieces, shelf)}</Aside>
      </View>
      {last.word && !asks ? (
        <Press kind="quiet" className="self-start" onPress={() => setAsks(true)}>
          Say where it spoke
        </Press>
      ) : null}
      {last.word && asks ? (
        <View className="gap-1">
          <Words>Where did it speak?</Words>
          <BodyOutline chosen={last.spot ?? null} onChoose={felt} />
          {last.spot && isOther ? (
            <>
              <Words>This height is not what answers that: nothing is learned of it.</Words>
              <FeltAnswer {...of} spot={last.spot} />
            </>
          ) : null}
        </View>
      ) : null}
    </Sheet>
  );
}
