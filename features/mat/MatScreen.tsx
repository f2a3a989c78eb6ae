import { Link } from 'expo-router';
import { useEffect, useRef } from 'react';
import { ScrollView, View } from 'react-native';
import { recordIn } from '@/core/recordIn';
import { placeKey, poseIdAt } from '@/core/advise/order';
import type { Person } from '@/core/formats/book';
import type { Plan, PlanPose } from '@/core/formats/plan';
import { answersKnown, daySaid, matOf, matTaken, onMatOf, type Mat } from '@/store/mat';
import { selectDay } from '@/store/selectors';
import type { RootState } from '@/store/store';
import { Press } from '@/ui/Press';
import { useWidth } from '@/ui/useWidth';
import { Title, Words } from '@/ui/Words';
import { todayIso, useOjas, useOjasDispatch, useOjasList, usePerson } from '../hooks';
import { useWayOn } from '../useWayOn';
import { usePlan } from '../reckoned';
import { useWide } from '../shell/Shell';
import { NoStudent } from '../students/NoStudent';
import { StudentTabs } from '../students/StudentTabs';
import { beginSession } from './beginTogether';
import { Choose } from './Choose';
import { News } from './News';
import { MatFrame, OnMat } from './place';
import { PoseOnMat } from './PoseOnMat';
import { answersOf, reconsidered, sameAnswers } from './reconsider';
import { endSession } from './session';

/** The session: which poses, then one pose at a time; on a wide screen beside everybody else who is on a mat. */
export function MatScreen({ id }: { readonly id: string }) {
  const person = usePerson(id);
  const onMat = useOjas(({ mat }) => mat.now?.person === id);
  const waits = useOjas((state) => recordIn(state.mat.parked, id) !== undefined);
  const all = useOjasList(peopleOnMats);
  const day = useOjas((state) => selectDay(state, id, todayIso()));
  const wide = useWide();
  const dispatch = useOjasDispatch();
  const wayOn = useWayOn();
  // Whoever is on a mat beside this one is turned to.
  useEffect(() => {
    if (waits) dispatch(matTaken(id));
  }, [waits, id, dispatch]);
  if (!person) return <NoStudent />;
  if (!onMat)
    return (
      <Choose
        person={person}
        day={day}
        onDay={(said) => dispatch(daySaid({ person: id, on: todayIso(), day: said }))}
        onStart={(poses, settled) => dispatch(beginSession(person, poses, settled))}
      />
    );
  const ended = () => wayOn(`/students/${id}/record`);
  if (!wide || all.length < 2) return <OneMat id={id} is="screen" onEnded={ended} />;
  // Of several the others go on here: the screen is that of one of them.
  const goOn = (one: string) => {
    const next = all.find((other) => other !== one);
    if (one === id && next) wayOn(`/students/${next}/mat`);
  };
  return <SideBySide people={all} onEnded={goOn} />;
}

/** Everybody on a mat, in the order in which they came onto it. */
const peopleOnMats = ({ mat: { now, parked } }: RootState): readonly string[] =>
  [...(now ? [now] : []), ...Object.values(parked)]
    .sort((a, b) => a.startedAt.localeCompare(b.startedAt))
    .map(({ person }) => person);

interface SideBySideProps {
  readonly people: readonly string[];
  readonly onEnded: (id: string) => void;
}

/** As narrow as a mat may be, and the gap between two, as laid out below. */
const LEAST_PX = 340;
const GAP_PX = 16;

/** Each mat in a column of its own, its stop word always in sight. */
function SideBySide({ people, onEnded }: SideBySideProps) {
  const [widthPx, onLayout] = useWidth();
  const gapsPx = GAP_PX * (people.length - 1);
  const eachPx = Math.max(LEAST_PX, (widthPx - gapsPx) / people.length);
  return (
    <View role="main" className="flex-1 gap-2 bg-paper px-4 pb-4 pt-3">
      <View className="flex-row items-center justify-between">
        <Title level={1}>On the mat</Title>
        <Link href="/" className="min-h-12 py-3 font-text text-base text-thread underline">
          One more student
        </Link>
      </View>
      <ScrollView
        horizontal
        onLayout={onLayout}
        className="flex-1"
        contentContainerClassName="flex-row gap-4"
      >
        {people.map((id) => (
          <View key={id} style={{ width: eachPx }}>
            <OneMat id={id} is="column" onEnded={() => onEnded(id)} />
          </View>
        ))}
      </ScrollView>
    </View>
  );
}

interface OneMatProps {
  readonly id: string;
  readonly is: 'screen' | 'column';
  readonly onEnded: () => void;
}

/** What is on the mat of one student now. */
function OneMat({ id, is, onEnded }: OneMatProps) {
  const person = usePerson(id);
  const mat = useOjas((state) => matOf(state.mat, id));
  const plan = usePlan(id, [...(mat?.poses ?? []).map(poseIdAt), ...(mat?.news?.leftOut ?? [])]);
  const planned = plan?.poses.find((one) => placeKey(one) === mat?.poses[mat.at]);
  useReconsidering(mat, plan, person, planned);
  if (!person || !plan || !mat) return null;
  const key = mat.poses[mat.at];
  return (
    <OnMat
      value={{
        person: id,
        name: person.name,
        is,
        news: (
          <>
            <InLesson id={id} />
            <News name={person.name} mat={mat} plan={plan} />
          </>
        ),
      }}
    >
      {planned ? (
        <PoseOnMat
          key={`${mat.at}/${key}`}
          person={person}
          planned={planned}
          mat={mat}
          alone={is === 'screen'}
          onEnded={onEnded}
        />
      ) : (
        <AllDone id={id} name={person.name} isAlone={is === 'screen'} onEnded={onEnded} />
      )}
    </OnMat>
  );
}

/** The way back to the lesson that this mat is part of. */
function InLesson({ id }: { readonly id: string }) {
  const led = useOjas((state) => state.led.now);
  if (!led?.people.includes(id)) return null;
  return (
    <Link
      href={`/students/${id}/lesson` as '/students'}
      className="min-h-12 py-3 font-text text-base text-thread underline"
    >
      Back to the lesson: {led.lesson.name}
    </Link>
  );
}

/**
 * Answers about health that come while the session runs, here, in another window or from a file, change what is still
 * to come.
 */
function useReconsidering(
  mat: Mat | undefined,
  plan: Plan | undefined,
  person: Person | undefined,
  planned: PlanPose | undefined,
) {
  const dispatch = useOjasDispatch();
  /** As it was planned before the answers that are new. */
  const before = useRef<PlanPose | null>(null);
  useEffect(() => {
    if (!mat || !plan || !person) return;
    const answers = answersOf(person);
    if (mat.answers === undefined) dispatch(onMatOf(person.id, answersKnown(answers)));
    else if (!sameAnswers(mat.answers, answers))
      dispatch(onMatOf(person.id, reconsidered(mat, plan, person, before.current)));
    else before.current = planned ?? null;
  }, [mat, plan, person, planned, dispatch]);
}

interface AllDoneProps {
  readonly id: string;
  readonly name: string;
  readonly isAlone: boolean;
  readonly onEnded: () => void;
}

function AllDone({ id, name, isAlone, onEnded }: AllDoneProps) {
  const dispatch = useOjasDispatch();
  return (
    <MatFrame title={name}>
      {isAlone ? <StudentTabs id={id} here="mat" /> : null}
      <Words>Every pose of this session is done.</Words>
      <Press
        kind="main"
        onPress={() => dispatch(endSession(id)).then((outcome) => outcome.ok && onEnded())}
      >
        Record the session
      </Press>
    </MatFrame>
  );
}
