import { useState } from 'react';
import { View } from 'react-native';
import { placeKey } from '@/core/advise/order';
import { notTheirs } from '@/core/advise/whose';
import type { Person, Session, SessionPose } from '@/core/formats/book';
import { dayOf, isDay } from '@/core/formats/time';
import { lessonOfSession } from '@/core/lessons/ofSession';
import { calledSo } from '@/core/poses/called';
import { edit, put } from '@/store/facts';
import { selectSessionsOf, selectSettings } from '@/store/selectors';
import { commit } from '@/store/store';
import { DayField } from '@/ui/DayField';
import { date, hour } from '@/ui/format';
import { Field } from '@/ui/Field';
import { Chips, Press } from '@/ui/Press';
import { Sheet } from '@/ui/Sheet';
import { Fault, Title, Words } from '@/ui/Words';
import { freshId, useOjas, useOjasDispatch, usePerson, useSet, useToday, useWords } from '../hooks';
import { days } from '../plan/felt';
import { Compared } from '../plan/Compared';
import { NextDay } from '../plan/NextDay';
import { PoseLine } from '../plan/PoseLine';
import { poseTitle } from '../plan/words';
import { usePlan } from '../reckoned';
import { asLast } from './asLast';
import { EditPose } from './EditPose';
import { Note } from './Note';
import { refusal, Whose } from './Whose';

/** One session: what was settled on and felt, corrected where it was noted wrong, with its note. */
export function SessionSheet({
  session,
  last,
}: {
  readonly session: Session;
  readonly last: boolean;
}) {
  const dispatch = useOjasDispatch();
  const [open, setOpen] = useState(false);
  const day = date(session.at);
  const person = usePerson(session.person);
  const say = useWords();
  const [fault, setFault] = useState<string | null>(null);
  /** The pose that is being corrected: one at a time, where there are several. */
  const [inHand, setInHand] = useState(session.poses.length === 1 ? 0 : null);
  /** What makes of it a session that this student cannot have had is refused by name. */
  const change = (words: string, to: (now: Session) => Session) => {
    const refused =
      person && !notTheirs(session, person) ? refusal(to(session), person, say) : null;
    setFault(refused);
    if (refused === null)
      dispatch(commit({ words, put: [], remove: [], edit: [edit('sessions', session.id, to)] }));
  };
  const leaveOut = (at: number) => {
    const one = session.poses[at];
    setInHand(null);
    if (one)
      change(`${poseTitle(one)} left out of ${day}`, (now) => ({
        ...now,
        poses: now.poses.filter((_, other) => other !== at),
      }));
  };
  const remove = () =>
    dispatch(
      commit({
        words: `Session of ${day} removed`,
        put: [],
        remove: [{ kind: 'sessions', id: session.id }],
      }),
    );
  const changePose = (at: number, words: string, to: (now: SessionPose) => SessionPose) =>
    change(words, (now) => ({
      ...now,
      poses: now.poses.map((one, i) => (i === at ? to(one) : one)),
    }));
  return (
    <Sheet>
      <Title level={2}>{day}</Title>
      {session.note ? <Words>{session.note}</Words> : null}
      {session.poses.map((one, i) => (
        <View key={i} className="gap-2 print:break-inside-avoid">
          <PoseLine title={poseTitle(one)} outcome={one} />
          {open && inHand !== i ? (
            <Press
              kind="quiet"
              className="self-start"
              aria-label={`Correct ${poseTitle(one)}`}
              onPress={() => setInHand(i)}
            >
              Correct this pose
            </Press>
          ) : null}
          {open && person && inHand === i ? (
            <EditPose
              person={person}
              outcome={one}
              onChange={(to) => changePose(i, `${poseTitle(one)} of ${day} corrected`, to)}
              onLeaveOut={session.poses.length > 1 ? () => leaveOut(i) : undefined}
            />
          ) : null}
        </View>
      ))}
      {open && person ? (
        <>
          <AddPose
            person={person}
            session={session}
            onAdd={(pose) =>
              change(`${poseTitle(pose)} added to ${day}`, (now) => ({
                ...now,
                poses: [...now.poses, pose],
              }))
            }
          />
          <When key={session.at} session={session} onChange={change} />
        </>
      ) : null}
      {fault ? <Fault>{fault}</Fault> : null}
      {open ? (
        <Note
          label="Note"
          note={session.note ?? ''}
          onKeep={(note) =>
            change(`Note of ${day} kept`, ({ note: _, ...now }) =>
              note === '' ? now : { ...now, note },
            )
          }
        />
      ) : null}
      {open ? (
        <Whose
          session={session}
          onMove={({ id, name }) =>
            dispatch(
              commit({
                words: `Session of ${day} is ${name}’s now`,
                put: [put('sessions', { ...session, person: id })],
                remove: [],
              }),
            )
          }
        />
      ) : null}
      <Compared poses={session.poses} />
      {open ? <AsLesson session={session} day={day} /> : null}
      {last || open ? <NextDay session={session} /> : null}
      <Foot day={day} open={open} onToggle={() => setOpen(!open)} onRemove={remove} />
    </Sheet>
  );
}

/** A session that was good is led again as a lesson, for any student. */
function AsLesson({ session, day }: { readonly session: Session; readonly day: string }) {
  const own = useOjas(selectSettings).lessons ?? [];
  const set = useSet();
  const keep = () => {
    const lesson = lessonOfSession(session, freshId('lesson'), `As on ${day}`);
    return set({ lessons: [...own, lesson] }, `Lesson ${lesson.name} kept`);
  };
  return (
    <Press className="self-start" onPress={keep}>
      Keep it as a lesson
    </Press>
  );
}

interface FootProps {
  readonly day: string;
  readonly open: boolean;
  readonly onToggle: () => void;
  readonly onRemove: () => void;
}

const Foot = ({ day, open, onToggle, onRemove }: FootProps) => (
  <View className="flex-row flex-wrap gap-1 print:hidden">
    <Press
      kind="quiet"
      aria-expanded={open}
      aria-label={open ? `Leave the session of ${day}` : `Correct the session of ${day}`}
      onPress={onToggle}
    >
      {open ? 'Done' : 'Correct'}
    </Press>
    <Press kind="quiet" aria-label={`Remove the session of ${day}`} onPress={onRemove}>
      Remove this session
    </Press>
  </View>
);

interface WhenProps {
  readonly session: Session;
  readonly onChange: (words: string, to: (now: Session) => Session) => unknown;
}

/** The day and the hour of a session, and how the student came. */
function When({ session, onChange }: WhenProps) {
  const today = useToday();
  const [day, setDay] = useState<string>(dayOf(session.at));
  const [time, setTime] = useState(hour(session.at));
  const fault = !isDay(day)
    ? 'Choose the day on which it was.'
    : day > today
      ? 'This day is still to come.'
      : undefined;
  const zone = session.at.slice(10).replace(/^T[\d:.]+/, '');
  const at = time === '' ? day : `${day}T${time}:00${zone === '' ? 'Z' : zone}`;
  const isMoved = day !== dayOf(session.at) || time !== hour(session.at);
  return (
    <>
      <DayField
        label="Day of the session"
        value={day}
        onChange={setDay}
        most={today}
        fault={fault}
      />
      <DayField label="Hour of the session" is="time" value={time} onChange={setTime} />
      {isMoved ? (
        <Press
          disabled={fault !== undefined}
          onPress={() => onChange(`Session moved to ${date(at)}`, (now) => ({ ...now, at }))}
        >
          Keep day and hour
        </Press>
      ) : null}
      <Words>How the student came</Words>
      <Chips
        label="How the student came"
        options={days}
        chosen={session.day ?? 'usual'}
        onChoose={(to) =>
          onChange('How the student came, corrected', ({ day: _, ...now }) =>
            to === 'usual' ? now : { ...now, day: to },
          )
        }
      />
    </>
  );
}

interface AddPoseProps {
  readonly person: Person;
  readonly session: Session;
  readonly onAdd: (pose: SessionPose) => unknown;
}

/** So many names are offered at once. */
const MOST_NAMES = 6;

/** A pose that was done and not noted: as it lay the last time, or as it is planned today. */
function AddPose({ person, session, onAdd }: AddPoseProps) {
  const [sought, setSought] = useState('');
  const sessions = useOjas((state) => selectSessionsOf(state, person.id));
  const ids = calledSo(sought).slice(0, MOST_NAMES);
  const there = new Set(session.poses.map(placeKey));
  const found = (usePlan(person.id, ids)?.poses ?? []).filter(
    (one) => ids.some((id) => id === one.pose) && !there.has(placeKey(one)),
  );
  return (
    <View className="gap-2">
      <Field label="A pose that is missing" value={sought} onChangeText={setSought} />
      {found.map((planned) => (
        <Press
          key={placeKey(planned)}
          onPress={() => {
            onAdd(asLast(planned, sessions));
            setSought('');
          }}
        >
          {`Add ${poseTitle(planned)}`}
        </Press>
      ))}
    </View>
  );
}
