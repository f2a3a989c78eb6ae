import { useState } from 'react';
import { View } from 'react-native';
import type { Person } from '@/core/formats/book';
import type { Lesson } from '@/core/formats/lesson';
import { fetchedTogether, placeKey } from '@/core/advise/order';
import {
  fitInto,
  leastSeconds,
  partsOf,
  shortSeconds,
  wholeSeconds,
  withFates,
  type Fate,
} from '@/core/lessons/fit';
import { secondsOf } from '@/core/lessons/timeline';
import { together, type Part } from '@/core/lessons/together';
import type { LessonPlan, PlannedStep } from '@/core/lessons/planLesson';
import { stepById } from '@/core/lessons/steps';
import { selectShelf } from '@/store/selectors';
import { clock, hour } from '@/ui/format';
import { Chips, Press, Tick } from '@/ui/Press';
import { Screen } from '@/ui/Screen';
import { Sheet } from '@/ui/Sheet';
import { Aside, Title, Words } from '@/ui/Words';
import { formatRFC3339 } from 'date-fns/formatRFC3339';
import { nowIso, useOjas, useOjasDispatch, useWords } from '../hooks';
import { unlockSound } from '../sound/chime';
import { poseName } from '../plan/words';
import { beginLesson, nowMs } from './lead';
import { OwnLessons } from './OwnLessons';
import { useLessons, useStudentsLessons, type StudentsLesson } from './useLesson';

interface ChooseLessonProps {
  readonly title: string;
  readonly people: readonly Person[];
}

const TIMES = ['all', '15', '20', '30', '40', '60'] as const;
type Time = (typeof TIMES)[number];
const MINUTE = 60;
const inMinutes = (seconds: number) => Math.max(1, Math.round(seconds / MINUTE));

/** The hour at which so many seconds from now are over. */
const untilWords = (seconds: number) =>
  clock(hour(formatRFC3339(Date.parse(nowIso()) + seconds * 1000)));

/** A lesson, the time there is, and what that leaves of it; then it is led. */
export function ChooseLesson({ title, people }: ChooseLessonProps) {
  const dispatch = useOjasDispatch();
  const lessons = useLessons();
  const [chosen, setChosen] = useState(lessons[0]?.id ?? '');
  const [time, setTime] = useState<Time>('all');
  const [own, setOwn] = useState<Readonly<Record<number, Fate>>>({});
  const lesson = lessons.find(({ id }) => id === chosen);
  const mine = useStudentsLessons(
    lesson,
    people.map(({ id }) => id),
  );
  const most = time === 'all' ? Infinity : Number(time) * MINUTE;
  const fitted = fitAll(mine, most);
  if (!lesson || !fitted) return null;
  const { longest, wholeOfAll } = fitted;
  const fates = fitted.fates.map((fate, i) => own[i] ?? fate);
  const parts = partsAs(mine, longest, fates).map((one) => ({
    ...one,
    person: people.find(({ id }) => id === one.person) as Person,
  }));
  const led = together(parts.map((one) => ({ ...one, person: one.person.id })));
  const seconds = secondsOf(led.segments);
  const choose = (id: string) => {
    setChosen(id);
    setOwn({});
  };
  return (
    <Screen
      title={title}
      foot={
        <Press
          kind="main"
          disabled={led.steps.length === 0}
          onPress={() => {
            unlockSound();
            dispatch(beginLesson(lesson, parts, nowMs()));
          }}
        >{`Go: ${led.steps.length} steps, until ${untilWords(seconds)}`}</Press>
      }
    >
      <Chips
        label="Lesson"
        options={lessons.map(({ id, name }) => ({ id, words: name }))}
        chosen={chosen}
        onChoose={choose}
      />
      <View className="gap-1">
        <Words className="font-semibold">How long is there?</Words>
        <Chips
          label="Minutes"
          options={TIMES.map((id) => ({
            id,
            words: id === 'all' ? `All, ${inMinutes(wholeOfAll)} min` : id,
          }))}
          chosen={time}
          onChoose={(id) => {
            setTime(id);
            setOwn({});
          }}
        />
      </View>
      <Fits
        {...{ lesson, lessons, people, most, seconds }}
        least={fitted.least}
        onChoose={choose}
      />
      <Steps
        plan={longest.plan}
        fates={fates}
        onFate={(part, fate) => setOwn({ ...own, [part]: fate })}
      />
      <Fetch parts={parts} />
      <OwnLessons lesson={lesson} onTaken={choose} />
      {mine.map(({ person, plan }) => (
        <LeftOut
          key={person}
          plan={plan}
          name={people.length > 1 ? people.find(({ id }) => id === person)?.name : undefined}
        />
      ))}
    </Screen>
  );
}

/** Everybody's part, once the parts of the longest of them have their fates. */
const partsAs = (
  mine: readonly StudentsLesson[],
  longest: StudentsLesson,
  fates: readonly Fate[],
): readonly Part[] =>
  mine.map(({ person, plan, pace }) => ({
    person,
    steps: plan === longest.plan ? withFates(plan, fates) : alike(plan, longest.plan, fates),
    pace,
  }));

/** Nobody is asked for the shortest of a class more often than this. */
const MOST_TRIES = 6;

/**
 * What fits into a time for all of them at once: by the one who takes longest, shortened further for as long as the
 * others hold the room up.
 */
function fitAll(mine: readonly StudentsLesson[], most: number) {
  const longest = mine.reduce<StudentsLesson | null>(
    (before, one) =>
      !before || wholeSeconds(one.plan, one.pace) > wholeSeconds(before.plan, before.pace)
        ? one
        : before,
    null,
  );
  if (!longest) return null;
  const parts = partsOf(longest.plan);
  const lasts = (fates: readonly Fate[]) =>
    secondsOf(together(partsAs(mine, longest, fates)).segments);
  const whole = parts.map((): Fate => 'whole');
  const shortest = parts.map(({ isKept }): Fate => (isKept ? 'short' : 'dropped'));
  const wholeOfAll = lasts(whole);
  const told = { longest, wholeOfAll };
  if (wholeOfAll <= most) return { ...told, fates: whole, least: null };
  let aim = most;
  for (let tries = 0; tries < MOST_TRIES; tries += 1) {
    const { fates, seconds } = fitInto(longest.plan, aim, longest.pace);
    if (!fates)
      return { ...told, fates: shortest, least: mine.length > 1 ? lasts(shortest) : seconds };
    const over = lasts(fates) - most;
    if (over <= 0) return { ...told, fates, least: null };
    aim -= over;
  }
  return { ...told, fates: shortest, least: lasts(shortest) };
}

/** A lesson of somebody in a class, shortened where the longest of them is; what warms and takes back stays. */
function alike(plan: LessonPlan, longest: LessonPlan, fates: readonly Fate[]) {
  const fateOf = new Map(
    partsOf(longest).flatMap((part, i) =>
      part.steps.map((at) => [longest.steps[at]?.of, fates[i] ?? 'whole'] as const),
    ),
  );
  return withFates(
    plan,
    partsOf(plan).map(({ steps, isKept }): Fate => {
      const fate = fateOf.get(plan.steps[steps[0] ?? 0]?.of) ?? 'whole';
      return fate === 'dropped' && isKept ? 'short' : fate;
    }),
  );
}

interface FitsProps {
  readonly lesson: Lesson;
  readonly lessons: readonly Lesson[];
  readonly people: readonly Person[];
  readonly most: number;
  readonly seconds: number;
  /** How long it takes at the least, where that is too long. */
  readonly least: number | null;
  readonly onChoose: (id: string) => void;
}

/** Whether it fits; where it cannot, what would. */
function Fits({ lesson, lessons, people, most, seconds, least, onChoose }: FitsProps) {
  if (least === null && (most === Infinity || seconds <= most + MINUTE / 2))
    return <Aside role="status">{`About ${inMinutes(seconds)} minutes with setting up.`}</Aside>;
  return (
    <Sheet role="region" aria-label="Too little time">
      <Words role="status">
        {least === null
          ? `${inMinutes(seconds - most)} minutes over, as you have it.`
          : `${lesson.name} takes ${inMinutes(least)} minutes at the least: what warms and what takes back stays.`}
      </Words>
      {least === null ? null : (
        <Shorter
          {...{ people, most, onChoose }}
          others={lessons.filter(({ id }) => id !== lesson.id)}
        />
      )}
    </Sheet>
  );
}

/** Lessons that fit into the time that there is. */
function Shorter({
  others,
  people,
  most,
  onChoose,
}: {
  readonly others: readonly Lesson[];
  readonly people: readonly Person[];
  readonly most: number;
  readonly onChoose: (id: string) => void;
}) {
  return others.map((one) => (
    <OneShorter key={one.id} lesson={one} {...{ people, most, onChoose }} />
  ));
}

function OneShorter({
  lesson,
  people,
  most,
  onChoose,
}: {
  readonly lesson: Lesson;
  readonly people: readonly Person[];
  readonly most: number;
  readonly onChoose: (id: string) => void;
}) {
  const mine = useStudentsLessons(
    lesson,
    people.map(({ id }) => id),
  );
  const least = Math.max(...mine.map(({ plan, pace }) => leastSeconds(plan, pace)));
  if (mine.length === 0 || least > most) return null;
  return <Press onPress={() => onChoose(lesson.id)}>{`${lesson.name} fits`}</Press>;
}

interface StepsProps {
  readonly plan: LessonPlan;
  readonly fates: readonly Fate[];
  readonly onFate: (part: number, fate: Fate) => void;
}

const nameOf = (id: string) => stepById(id)?.name ?? poseName(id);

/** What is told of a step: how long or how often, what it stands for, and what the clock does to it. */
function stepNote(
  own: readonly PlannedStep[],
  fate: Fate,
  isCompared: (place: string) => boolean,
): string {
  const [first] = own;
  if (!first) return '';
  const seconds = fate === 'short' ? shortSeconds(first) : first.seconds;
  const sidesToo = own.filter(({ of }) => of === first.of).length > 1 ? ', each side' : '';
  return [
    fate === 'dropped' ? 'left out for the clock' : `${seconds} s${sidesToo}`,
    ...(fate === 'short' && seconds < first.seconds ? ['shorter for the clock'] : []),
    ...(first.standsFor === null ? [] : [`in place of ${nameOf(first.standsFor)}`]),
    ...(first.is === 'step' && first.isSmaller ? ['small, for a caution'] : []),
    ...markNote(own, isCompared),
  ].join(' · ');
}

/** Whether it is the first of what comes again, or the last, as far as both are done. */
function markNote(
  own: readonly PlannedStep[],
  isCompared: (place: string) => boolean,
): readonly string[] {
  const one = own.find((step) => step.is === 'pose' && isCompared(placeKey(step.planned)));
  if (one?.is !== 'pose' || one.mark === null) return [];
  return [one.mark === 'first' ? 'the first time' : 'again, to compare'];
}

/** Step by step; what is not ticked is left out. */
function Steps({ plan, fates, onFate }: StepsProps) {
  const parts = partsOf(plan);
  const compared = new Set(
    withFates(plan, fates).flatMap((one) =>
      one.is === 'pose' && one.mark !== null ? [placeKey(one.planned)] : [],
    ),
  );
  return (
    <Sheet>
      <Title level={2}>Step by step</Title>
      {parts.map((part, i) => {
        const own = part.steps.map((at) => plan.steps[at] as PlannedStep);
        const fate = fates[i] ?? 'whole';
        const names = [
          ...new Set(
            own.map((one) => (one.is === 'pose' ? poseName(one.planned.pose) : one.step.name)),
          ),
        ];
        return (
          <View key={part.steps[0]}>
            <Tick
              checked={fate !== 'dropped'}
              onToggle={() => onFate(i, fate === 'dropped' ? 'whole' : 'dropped')}
            >
              {names.join(', ')}
            </Tick>
            <Aside className="-mt-2 pb-1 pl-9">
              {stepNote(own, fate, (place) => compared.has(place))}
            </Aside>
          </View>
        );
      })}
    </Sheet>
  );
}

/** What is fetched before anything begins. */
function Fetch({
  parts,
}: {
  readonly parts: readonly { readonly steps: readonly PlannedStep[] }[];
}) {
  const shelf = useOjas(selectShelf);
  const counts = fetchedTogether(
    parts.map(({ steps }) => steps.flatMap((one) => (one.is === 'pose' ? [one.planned] : []))),
  );
  const fetched = [...counts].flatMap(([id, count]) => {
    const item = shelf.find((one) => one.id === id);
    return item ? `${count} ${item.name.toLowerCase()}` : [];
  });
  return fetched.length > 0 ? <Words>Fetch {fetched.join(', ')}.</Words> : null;
}

const whyWords = {
  refused: 'not for now',
  'ask-first': 'waits for a go-ahead',
  rested: 'rests today',
  unknown: 'of a later version: kept, and left out',
  'comes-anyway': 'what serves in its place comes anyway',
  'not-built': 'cannot be built of this shelf',
} as const;

/** What of the lesson is not done today, and why. */
function LeftOut({ plan, name }: { readonly plan: LessonPlan; readonly name: string | undefined }) {
  const say = useWords();
  if (plan.left.length === 0) return null;
  return (
    <Sheet>
      <Title level={3}>{name ? `Not today: ${name}` : 'Not today'}</Title>
      {plan.left.map(({ of, id, why, reasons }) => (
        <View key={of} className="gap-0.5">
          <Words className="font-semibold">
            {nameOf(id)}: <Words className="text-rust">{whyWords[why]}</Words>
          </Words>
          {reasons.map((reason) => {
            const words = say.reason(reason);
            return <Words key={words}>{words}</Words>;
          })}
        </View>
      ))}
    </Sheet>
  );
}
