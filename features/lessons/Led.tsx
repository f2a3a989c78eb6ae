import { useEffect, useRef, useState } from 'react';
import { createPortal } from 'react-dom';
import { useWindowDimensions, View, type ViewStyle } from 'react-native';
import { bodyFrom } from '@/core/body/body';
import type { Person, StopWord } from '@/core/formats/book';
import type { PlanPose } from '@/core/formats/plan';
import type { Posture } from '@/core/geometry/posture';
import { nowIn, type Now } from '@/core/lessons/running';
import { stepById } from '@/core/lessons/steps';
import type { OwnStep } from '@/core/lessons/together';
import { hold } from '@/core/parameters';
import { formatRFC3339 } from 'date-fns/formatRFC3339';
import type { Led as LedLesson } from '@/store/led';
import { matOf } from '@/store/mat';
import { selectSettings, selectShelf } from '@/store/selectors';
import type { Thunk } from '@/store/store';
import { stacksOf } from '@/ui/figure/stacks';
import { firstName } from '@/ui/firstName';
import { clock, hour, minutes } from '@/ui/format';
import { PoseScene } from '@/ui/PoseScene';
import { Press } from '@/ui/Press';
import { Sheet } from '@/ui/Sheet';
import { Screen } from '@/ui/Screen';
import { Aside, Title, Words } from '@/ui/Words';
import { useOjas, useOjasDispatch, useOjasList, useUnits } from '../hooks';
import { marksOf } from '../mat/Hold';
import { OnMat } from '../mat/place';
import { Stopped, StopWords } from '../mat/Stop';
import { useSeconds } from '../mat/useSeconds';
import { answersOf, sameAnswers } from '../mat/reconsider';
import { recordPose } from '../mat/session';
import { railColumns } from '../plan/columns';
import { figureWords } from '../plan/words';
import { AloudTick } from '../sound/AloudTick';
import { chime, unlockSound } from '../sound/chime';
import { speak } from '../sound/speak';
import { useAwake } from '../useAwake';
import {
  endHere,
  goOn,
  keepUp,
  leaveOut,
  ledFromMat,
  longer,
  nowMs,
  onceMore,
  onward,
  pause,
  placeOf,
  plannedAt,
} from './lead';
import { MovingFigure } from './MovingFigure';
import { buildLines, dose, phaseWords, saidIn, stepTitle, stretchLines } from './stepWords';
import { useKeys } from './useKeys';
import { useLocked } from './useLocked';

interface LedProps {
  readonly led: LedLesson;
  readonly people: readonly Person[];
}

const LONGER_SECONDS = 30;
const atHour = (ms: number) => clock(hour(formatRFC3339(ms)));

/** What one student does in a stretch, with what is planned for it. */
interface Doing {
  readonly person: Person;
  readonly own: OwnStep | null;
  readonly planned: PlanPose | undefined;
}

/** What each does in a step. */
function useDoing({ led, people }: LedProps, step: number | undefined): readonly Doing[] {
  const whose = step === undefined ? undefined : led.steps[step]?.whose;
  const plans = useOjasList((state) =>
    people.map(({ id }) => {
      const own = whose?.[id];
      const place = own && (placeOf(own) ?? withinPlace(own));
      return place ? plannedAt(state, id, place) : undefined;
    }),
  );
  return people.map((person, i) => ({
    person,
    own: whose?.[person.id] ?? null,
    planned: plans[i],
  }));
}

/** The pose that a movement is done in, by its place. */
const withinPlace = (own: OwnStep): string | null => {
  const at = stepById(own.id)?.at;
  return at && at !== 'standing' ? `${at}/both` : null;
};

/** A lesson as it is led: what goes on, how long still, and what comes next; by itself, or by a tap or a key. */
export function Led({ led, people }: LedProps) {
  const dispatch = useOjasDispatch();
  const runs = led.pausedMs === null;
  const [moment, look] = useSeconds(led.sinceMs);
  const ms = Date.parse(moment);
  const now = nowIn(led, ms);
  const segment = led.segments[now.at];
  const [far, setFar] = useState(false);
  const [stopping, setStopping] = useState<Doing | 'who' | null>(null);
  const doing = useDoing({ led, people }, segment?.step);
  const next = useDoing({ led, people }, nextStep(led, now.at));
  useAwake(true);
  useEffect(() => {
    dispatch(keepUp(ms));
  }, [ms, dispatch]);
  // Somebody may come back from their mat.
  const alone = people.length === 1 ? people[0]?.id : undefined;
  useEffect(() => {
    if (alone !== undefined) dispatch(ledFromMat(alone, nowMs()));
  }, [alone, dispatch]);
  useAloud(led, now, doing, next);
  const act = (does: (at: number) => Thunk) => {
    unlockSound();
    dispatch(does(nowMs()));
    look();
  };
  const does = {
    pause: () => act(runs ? pause : goOn),
    onward: () => act(onward),
    again: () => act(onceMore),
    longer: () => act((at) => longer(LONGER_SECONDS, at)),
    far: () => setFar(!far),
  };
  useKeys(does);
  const [lead] = doing;
  const title = lead?.own ? stepTitle(lead.own) : 'Rest';
  useLocked({
    title,
    under: `${minutes(now.leftSeconds)} left · ends ${atHour(now.endsMs)}`,
    runs,
    play: () => act(goOn),
    pause: () => act(pause),
    next: does.onward,
    again: does.again,
  });
  if (!segment || !lead) return null;
  const stop = () => {
    act(pause);
    setStopping(doing.length === 1 ? lead : 'who');
  };
  if (stopping)
    return (
      <Stopping
        who={stopping}
        doing={doing}
        onWho={setStopping}
        onBack={() => setStopping(null)}
        onSaid={(person) => {
          act((at) => ledFromMat(person, at));
          setStopping(null);
        }}
      />
    );
  const view = { led, now, doing, next, runs, title };
  if (far) return <Far {...view} onNear={() => setFar(false)} onPause={does.pause} />;
  return (
    <Screen
      title={title}
      beside={<Aside>{`${segment.step + 1} of ${led.steps.length}`}</Aside>}
      foot={
        <View className="flex-row gap-2">
          <Press
            kind="warn"
            className="min-h-14 min-w-[84px] border-2"
            aria-label="Stop: what is felt?"
            onPress={stop}
          >
            Stop
          </Press>
          <Press className="min-h-14 flex-1" onPress={does.pause}>
            {runs ? 'Pause' : 'Go on'}
          </Press>
          <Press kind="main" className="min-h-14 flex-1" onPress={does.onward}>
            {segment.phase === 'build' || segment.phase === 'enter' ? 'Ready' : 'Onward'}
          </Press>
        </View>
      }
    >
      <Answered people={people} onEnd={() => act(endHere)} onPause={() => act(pause)} />
      <Scene {...view} />
      <Time {...view} />
      {doing.length > 1 ? <Mats {...view} /> : <Lines {...view} />}
      <Coming {...view} />
      <View className="flex-row flex-wrap gap-2">
        <Press onPress={does.again}>Once more</Press>
        <Press onPress={does.longer}>{`${LONGER_SECONDS} seconds longer`}</Press>
        <Press onPress={() => act(leaveOut)}>Leave it out</Press>
        <Press onPress={does.far}>Seen from afar</Press>
        <Press onPress={() => act(endHere)}>End it here</Press>
      </View>
      <AloudTick>Say it aloud: what comes, and how</AloudTick>
    </Screen>
  );
}

interface AnsweredProps {
  readonly people: readonly Person[];
  readonly onPause: () => void;
  readonly onEnd: () => void;
}

/** Something about health was answered since the lesson was laid: it stands still, and is to be laid anew. */
function Answered({ people, onPause, onEnd }: AnsweredProps) {
  const mats = useOjasList((state) => people.map(({ id }) => matOf(state.mat, id)?.answers));
  const whose = people.filter((person, i) => {
    const known = mats[i];
    return known !== undefined && !sameAnswers(known, answersOf(person));
  });
  const isNew = whose.length > 0;
  const pauses = useRef(onPause);
  useEffect(() => {
    pauses.current = onPause;
  });
  useEffect(() => {
    if (isNew) pauses.current();
  }, [isNew]);
  if (!isNew) return null;
  return (
    <Sheet role="alert" className="border-rust">
      <Words>
        {`What was answered about the health of ${whose.map(({ name }) => firstName(name)).join(' and ')} has changed: what is still to come was laid before. End it here, and choose the lesson anew.`}
      </Words>
      <Press kind="warn" onPress={onEnd}>
        End it, to lay it anew
      </Press>
    </Sheet>
  );
}

/** The step after the one of a stretch; none after the last. */
function nextStep(led: LedLesson, at: number): number | undefined {
  const step = led.segments[at]?.step ?? -1;
  return led.segments.find((one, i) => i > at && one.step !== step)?.step;
}

interface Going {
  readonly led: LedLesson;
  readonly now: Now;
  readonly doing: readonly Doing[];
  readonly next: readonly Doing[];
  readonly runs: boolean;
  readonly title: string;
}

/** A bell as a hold or a movement begins and as it is over, and what is said with it. */
function useAloud(led: LedLesson, now: Now, doing: readonly Doing[], next: readonly Doing[]): void {
  const shelf = useOjas(selectShelf);
  const aloud = useOjas(selectSettings).cuesAloud ?? false;
  const said = useRef<number | null>(null);
  useEffect(() => {
    const segment = led.segments[now.at];
    if (said.current === now.at || led.pausedMs !== null) return;
    said.current = now.at;
    chime();
    const [lead] = doing;
    if (!aloud || !segment || !lead?.own) return;
    speak(saidIn(lead.own, segment.phase, lead.planned, next[0]?.own ?? null, shelf));
  }, [led, now.at, doing, next, aloud, shelf]);
  // Out of a movement there is no way of its own: what comes is said in its last breath.
  const told = useRef<number | null>(null);
  const isLastBreath =
    led.segments[now.at]?.phase === 'move' && now.leftSeconds <= hold.breath.value + 1;
  useEffect(() => {
    const coming = next[0]?.own;
    if (!isLastBreath || told.current === now.at || !aloud || !coming) return;
    told.current = now.at;
    speak(`Next: ${stepTitle(coming)}`);
  }, [isLastBreath, now.at, aloud, next]);
}

/** The figure as it is now, or as it will be once it is built. */
function Scene({ doing, led, now, runs }: Going) {
  const shelf = useOjas(selectShelf);
  const units = useUnits();
  const [lead] = doing;
  const phase = led.segments[now.at]?.phase;
  if (!lead?.own) return null;
  const { own, person, planned } = lead;
  const step = own.is === 'step' ? stepById(own.id) : undefined;
  if (step)
    return (
      <MovingFigure
        person={person}
        step={step}
        within={planned ?? null}
        moves={runs && phase === 'move'}
        mostHeightPx={220}
      />
    );
  if (!planned?.posture) return null;
  return (
    <PoseScene
      posture={planned.posture as Posture}
      body={bodyFrom(person.statureCm, person.bodyCm)}
      shelf={shelf}
      units={units}
      words={figureWords(planned, units)}
      mostHeightPx={220}
      stacks={stacksOf(planned.slots)}
      columns={phase === 'build' ? railColumns(planned) : []}
    />
  );
}

/** What a counted movement has come to: "3 of 8". */
function countedSoFar({ own }: Doing, { goneSeconds, leftSeconds }: Now): string | null {
  if (!own || own.times === null) return null;
  const share = goneSeconds / Math.max(1, goneSeconds + leftSeconds);
  return `${Math.min(own.times, Math.floor(share * own.times) + 1)} of ${own.times}`;
}

/** How long still, in large figures; and always when it ends. */
function Time({ led, now, doing, runs }: Going) {
  const phase = led.segments[now.at]?.phase ?? 'way';
  const [lead] = doing;
  const count = lead && (phase === 'move' || phase === 'hold') ? countedSoFar(lead, now) : null;
  return (
    <View className="items-center">
      <Aside>{runs ? phaseWords[phase] : `${phaseWords[phase]} · standing still`}</Aside>
      <View role="timer" aria-label={`${minutes(now.leftSeconds)} left`}>
        <Words className="text-center text-5xl font-semibold">
          {count ?? minutes(Math.ceil(now.leftSeconds))}
        </Words>
      </View>
      {count === null ? null : <Aside>{minutes(Math.ceil(now.leftSeconds))}</Aside>}
      <Aside>{`Ends at ${atHour(now.endsMs)}`}</Aside>
    </View>
  );
}

/** What is told of this stretch: of a hold only what its last mark says. */
function Lines({ led, now, doing }: Going) {
  const shelf = useOjas(selectShelf);
  const units = useUnits();
  const [lead] = doing;
  const phase = led.segments[now.at]?.phase ?? 'way';
  if (!lead?.own) return <Words className="text-center text-lg">Rest as you are.</Words>;
  const { own, planned, person } = lead;
  const mark =
    phase === 'hold' && planned
      ? marksOf({ ...planned, holdSeconds: own.seconds }, person)
          .filter(({ atSeconds }) => atSeconds <= now.goneSeconds)
          .at(-1)?.words
      : undefined;
  const lines = mark ? [mark] : stretchLines(own, phase, planned, shelf, units);
  return (
    <View role="status" aria-live="polite" className="gap-1">
      {lines.map((line) => (
        <Words key={line} className="text-lg">
          {line}
        </Words>
      ))}
    </View>
  );
}

/** What somebody's mat needs in a stretch: what is laid while it is built, then what they do, until they are done. */
function matWords(
  { own, planned }: Doing,
  phase: LedLesson['segments'][number]['phase'],
  goneSeconds: number,
  build: readonly string[],
): string {
  if (own === null) return 'rests';
  if (phase === 'hold' && goneSeconds > own.seconds) return `${stepTitle(own)}: done, rests`;
  const how = dose(own, planned);
  const told = [stepTitle(own), ...(how === '' ? [] : [how])].join(', ');
  return phase === 'build' && build.length > 0 ? `${told} · ${build.join('; ')}` : told;
}

/** Who needs what, a line for each mat. */
function Mats({ doing, led, now }: Going) {
  const shelf = useOjas(selectShelf);
  const units = useUnits();
  const phase = led.segments[now.at]?.phase ?? 'way';
  return (
    <Sheet role="region" aria-label="Mats">
      {doing.map((one) => (
        <Words key={one.person.id}>
          <Words className="font-semibold">{firstName(one.person.name)}: </Words>
          {matWords(
            one,
            phase,
            now.goneSeconds,
            one.own?.is === 'pose' && one.planned ? buildLines(one.planned, shelf, units) : [],
          )}
        </Words>
      ))}
    </Sheet>
  );
}

/** What comes next, before it comes. */
function Coming({ next }: Going) {
  const shelf = useOjas(selectShelf);
  const units = useUnits();
  const [lead] = next;
  if (!lead) return <Aside>This is the last one.</Aside>;
  const { own, planned } = lead;
  if (!own) return <Aside>Next: rest</Aside>;
  const lying = own.is === 'pose' && planned ? buildLines(planned, shelf, units) : [];
  const how = dose(own, planned);
  return (
    <Sheet role="region" aria-label="Next">
      <Title level={3}>{`Next: ${stepTitle(own)}`}</Title>
      {how === '' ? null : <Aside>{how}</Aside>}
      {lying.map((line) => (
        <Words key={line}>{line}</Words>
      ))}
    </Sheet>
  );
}

interface FarProps extends Going {
  readonly onNear: () => void;
  readonly onPause: () => void;
}

const LINE = 1.15;
const big = (fontSize: number) => ({ fontSize, lineHeight: fontSize * LINE });

/** The clock for the far end of the room: one name, one time, one next. */
function Far({ led, now, doing, next, runs, title, onNear, onPause }: FarProps) {
  const { width, height } = useWindowDimensions();
  const figures = Math.min(width * 0.3, height * 0.42);
  const [lead] = doing;
  const phase = led.segments[now.at]?.phase ?? 'way';
  const count = lead && (phase === 'move' || phase === 'hold') ? countedSoFar(lead, now) : null;
  const coming = next[0]?.own;
  // Over everything else of the app.
  return createPortal(
    <View
      role="main"
      className="items-center justify-between bg-paper p-4"
      style={{ position: 'fixed', inset: 0, zIndex: 50 } as unknown as ViewStyle}
    >
      <View className="items-center">
        <Title level={1} className="text-center" style={big(figures * 0.2)}>
          {title}
        </Title>
        <Words className="text-center text-faint" style={big(figures * 0.14)}>
          {runs ? phaseWords[phase] : 'Standing still'}
        </Words>
      </View>
      <View role="timer" aria-label={`${minutes(now.leftSeconds)} left`}>
        <Words className="text-center font-semibold" style={big(figures)}>
          {count ?? minutes(Math.ceil(now.leftSeconds))}
        </Words>
      </View>
      <View className="w-full items-center gap-2">
        <Words className="text-center" style={big(figures * 0.16)}>
          {coming ? `Next: ${stepTitle(coming)}` : 'The last one'}
        </Words>
        <Words className="text-center text-faint" style={big(figures * 0.12)}>
          {`Ends at ${atHour(now.endsMs)}`}
        </Words>
        <View className="flex-row gap-2">
          <Press onPress={onPause}>{runs ? 'Pause' : 'Go on'}</Press>
          <Press onPress={onNear}>Near again</Press>
        </View>
      </View>
    </View>,
    document.body,
  );
}

interface StoppingProps {
  readonly who: Doing | 'who';
  readonly doing: readonly Doing[];
  readonly onWho: (who: Doing) => void;
  readonly onBack: () => void;
  readonly onSaid: (person: string) => void;
}

/** Somebody says stop: who, what it is, and the way out; the lesson stands still meanwhile. */
function Stopping({ who, doing, onWho, onBack, onSaid }: StoppingProps) {
  const dispatch = useOjasDispatch();
  const [word, setWord] = useState<StopWord>();
  if (who === 'who')
    return (
      <Screen title="Whose stop?" foot={<Press onPress={onBack}>Nobody’s: back</Press>}>
        {doing.map((one) => (
          <Press key={one.person.id} kind="warn" onPress={() => onWho(one)}>
            {one.person.name}
          </Press>
        ))}
      </Screen>
    );
  const { person, own, planned } = who;
  const isPose = own?.is === 'pose' && planned !== undefined;
  return (
    <OnMat value={{ person: person.id, name: person.name, is: 'screen', news: null }}>
      {word && isPose ? (
        <Stopped
          word={word}
          planned={planned}
          onRecord={async (felt) => {
            await dispatch(recordPose(person.id, planned, felt));
            onSaid(person.id);
          }}
          onBack={onBack}
        />
      ) : isPose ? (
        <StopWords onWord={setWord} onBack={onBack} />
      ) : (
        <Screen title="Stop" foot={<Press onPress={onBack}>Back to the lesson</Press>}>
          <Words className="text-lg">
            Come to rest. What is felt in a movement is no reading of a support: leave it out, and
            ask a doctor or physiotherapist where it stays.
          </Words>
        </Screen>
      )}
    </OnMat>
  );
}
