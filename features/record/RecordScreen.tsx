import { Link } from 'expo-router';
import { View } from 'react-native';
import type { Session, SessionPose } from '@/core/formats/book';
import { practisedPoses } from '@/core/plan/practised';
import { edit } from '@/store/facts';
import { selectSessionsOf } from '@/store/selectors';
import { commit } from '@/store/store';
import { date } from '@/ui/format';
import { Chips, Press } from '@/ui/Press';
import { Screen } from '@/ui/Screen';
import { Sheet } from '@/ui/Sheet';
import { Title, Words } from '@/ui/Words';
import { useOjas, useOjasDispatch, usePerson, usePlan, useWords } from '../hooks';
import { actionWords, poseTitle } from '../plan/words';
import { StudentTabs } from '../students/StudentTabs';
import { NoStudent } from '../students/NoStudent';
import { PoseLine } from '../plan/PoseLine';

const nextDay = [
  { id: 'better', words: 'Better' },
  { id: 'same', words: 'The same' },
  { id: 'worse', words: 'Worse' },
] as const;
/** What was settled on, session by session, and what it means for next time. */
export function RecordScreen({ id }: { readonly id: string }) {
  const say = useWords();
  const person = usePerson(id);
  const sessions = useOjas((state) => selectSessionsOf(state, id));
  const plan = usePlan(id);
  const dispatch = useOjasDispatch();
  if (!person || !plan) return <NoStudent />;
  const remove = (session: Session) =>
    dispatch(
      commit({
        words: `Session of ${date(session.at)} removed`,
        put: [],
        remove: [{ kind: 'sessions', id: session.id }],
      }),
    );
  const sayNextDay = (session: Session, said: NonNullable<SessionPose['nextDay']>) =>
    void dispatch(
      commit({
        words: `The day after ${date(session.at)}: ${said}`,
        put: [],
        remove: [],
        edit: [
          edit('sessions', session.id, (now) => ({
            ...now,
            poses: now.poses.map((one) => ({ ...one, nextDay: said })),
          })),
        ],
      }),
    );
  const practised = practisedPoses(sessions);
  return (
    <Screen
      title={person.name}
      foot={
        <Link href="/" asChild>
          <Press kind="main">Back to today</Press>
        </Link>
      }
    >
      <StudentTabs id={id} here="record" />
      {sessions.length === 0 ? (
        <Words>No session yet. What is settled on at the mat is written here.</Words>
      ) : null}
      {[...sessions].reverse().map((session, i) => (
        <Sheet key={session.id}>
          <Title level={2}>{date(session.at)}</Title>
          {session.note ? <Words>{session.note}</Words> : null}
          {session.poses.map((one) => (
            <PoseLine key={one.pose + one.side} title={poseTitle(one)} outcome={one} />
          ))}
          {i === 0 ? (
            <View className="gap-1">
              <Words>How was the next day?</Words>
              <Chips
                label="How was the next day"
                options={nextDay}
                chosen={session.poses[0]?.nextDay ?? null}
                onChoose={(said) => sayNextDay(session, said)}
              />
            </View>
          ) : null}
          <Press
            kind="quiet"
            aria-label={`Remove the session of ${date(session.at)}`}
            onPress={() => remove(session)}
          >
            Remove this session
          </Press>
        </Sheet>
      ))}
      {sessions.length > 0 ? (
        <Sheet>
          <Title level={2}>Next time</Title>
          {plan.poses
            .filter(({ posture, pose }) => posture !== null && practised.has(pose))
            .map(({ pose, side, decision }) => (
              <Words key={`${pose}/${side}`}>
                <Words className="font-semibold">
                  {poseTitle({ pose, side })}: {actionWords[decision.word].words.toLowerCase()}
                  .{' '}
                </Words>
                {say.reasons(decision.reasons)}
              </Words>
            ))}
        </Sheet>
      ) : null}
    </Screen>
  );
}
