import { Link } from 'expo-router';
import { recordIn } from '@/core/recordIn';
import type { Person } from '@/core/formats/book';
import { matOf } from '@/store/mat';
import { Screen } from '@/ui/Screen';
import { Words } from '@/ui/Words';
import { useOjas, useOjasList, usePerson } from '../hooks';
import { NoStudent } from '../students/NoStudent';
import { AfterLesson } from './AfterLesson';
import { ChooseLesson } from './ChooseLesson';
import { Led } from './Led';

interface LessonOfProps {
  readonly people: readonly Person[];
  readonly title: string;
}

/** A lesson is chosen, led, and asked after: for one student, or for all of a class. */
function LessonOf({ people, title }: LessonOfProps) {
  const led = useOjas((state) => state.led.now);
  const inIt = useOjasList((state) =>
    (led?.people ?? []).flatMap((id) => recordIn(state.people, id) ?? []),
  );
  const busy = useOjasList((state) => people.filter(({ id }) => matOf(state.mat, id)));
  const isTheirs = led?.people.some((id) => people.some((one) => one.id === id)) ?? false;
  if (led && isTheirs)
    return led.at >= led.segments.length ? (
      <AfterLesson led={led} people={inIt} />
    ) : (
      <Led key={led.startedAt} led={led} people={inIt} />
    );
  if (led)
    return (
      <Screen title={title}>
        <Words>{led.lesson.name} is led already; end it first.</Words>
        <Link
          href={`/students/${led.people[0]}/lesson` as '/students'}
          className="min-h-12 py-3 font-text text-base text-thread underline"
        >
          To that lesson
        </Link>
      </Screen>
    );
  if (busy.length > 0)
    return (
      <Screen title={title}>
        <Words>On a mat already: {busy.map(({ name }) => name).join(', ')}. End that first.</Words>
        <Link
          href={`/students/${busy[0]?.id}/mat` as '/students'}
          className="min-h-12 py-3 font-text text-base text-thread underline"
        >
          To the mat
        </Link>
      </Screen>
    );
  return <ChooseLesson title={title} people={people} />;
}

/** A lesson for one student. */
export function LessonScreen({ id }: { readonly id: string }) {
  const person = usePerson(id);
  return person ? (
    <LessonOf people={[person]} title={`A lesson for ${person.name}`} />
  ) : (
    <NoStudent />
  );
}

/** A lesson for all of a class. */
export function ClassLessonScreen({ id }: { readonly id: string }) {
  const it = useOjas((state) => recordIn(state.classes, id));
  const people = useOjasList((state) =>
    (it?.people ?? []).flatMap((one) => recordIn(state.people, one) ?? []),
  );
  if (!it || people.length === 0)
    return (
      <Screen title="No such class">
        <Words>This class has ended, or nobody is in it.</Words>
      </Screen>
    );
  return <LessonOf people={people} title={`A lesson for ${it.name ?? 'the class'}`} />;
}
