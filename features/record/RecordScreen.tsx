import { Link } from 'expo-router';
import { useDeferredValue } from 'react';
import { practisedPoses } from '@/core/plan/practised';
import { selectPracticesOf, selectSessionsOf } from '@/store/selectors';
import { Press } from '@/ui/Press';
import { Print } from '@/ui/Print';
import { Screen } from '@/ui/Screen';
import { Words } from '@/ui/Words';
import { useOjas, usePerson } from '../hooks';
import { usePlan } from '../reckoned';
import { NoStudent } from '../students/NoStudent';
import { StudentTabs } from '../students/StudentTabs';
import { AtHome } from './AtHome';
import { Decisions } from './Decisions';
import { PastSession } from './PastSession';
import { SessionSheet } from './SessionSheet';

/** Sessions shown at once; those of years follow when there is time. */
const AT_FIRST = 6;

/** What was settled on, session by session, and what it means for next time. */
export function RecordScreen({ id }: { readonly id: string }) {
  const person = usePerson(id);
  const sessions = useOjas((state) => selectSessionsOf(state, id));
  const practices = useOjas((state) => selectPracticesOf(state, id));
  const plan = usePlan(id);
  const shown = useDeferredValue(sessions.length, AT_FIRST);
  if (!person || !plan) return <NoStudent />;
  return (
    <Screen
      title={person.name}
      beside={sessions.length > 0 ? <Print /> : null}
      foot={
        <Link href="/" asChild>
          <Press kind="main">Back to today</Press>
        </Link>
      }
    >
      <StudentTabs id={id} here="record" />
      {sessions.length === 0 ? (
        <Words>No session yet. What is settled on at the mat is written here.</Words>
      ) : (
        <Decisions {...{ person, plan, sessions }} practised={practisedPoses(sessions)} />
      )}
      <AtHome {...{ person, practices }} />
      <PastSession {...{ person, plan, sessions }} />
      {[...sessions]
        .reverse()
        .slice(0, shown)
        .map((session, i) => (
          <SessionSheet key={session.id} session={session} last={i === 0} />
        ))}
    </Screen>
  );
}
