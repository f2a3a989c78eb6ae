import { useState } from 'react';
import { View } from 'react-native';
import type { Session, SessionPose } from '@/core/formats/book';
import { edit, put } from '@/store/facts';
import { commit } from '@/store/store';
import { date, minutes } from '@/ui/format';
import { Field } from '@/ui/Field';
import { Chips, Press } from '@/ui/Press';
import { Sheet } from '@/ui/Sheet';
import { Title, Words } from '@/ui/Words';
import { useOjasDispatch } from '../hooks';
import { places, strengths } from '../plan/felt';
import { NextDay } from '../plan/NextDay';
import { PoseLine } from '../plan/PoseLine';
import { poseTitle } from '../plan/words';
import { Whose } from './Whose';

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
  const change = (words: string, to: (now: Session) => Session) =>
    dispatch(commit({ words, put: [], remove: [], edit: [edit('sessions', session.id, to)] }));
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
        <View key={i} className="gap-2">
          <PoseLine title={poseTitle(one)} outcome={one} />
          {open ? (
            <EditPose
              outcome={one}
              onChange={(to) => changePose(i, `${poseTitle(one)} of ${day} corrected`, to)}
            />
          ) : null}
        </View>
      ))}
      {open ? (
        <Note
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
      {last || open ? <NextDay session={session} /> : null}
      <View className="flex-row flex-wrap gap-1 print:hidden">
        <Press
          kind="quiet"
          aria-expanded={open}
          aria-label={open ? `Leave the session of ${day}` : `Correct the session of ${day}`}
          onPress={() => setOpen(!open)}
        >
          {open ? 'Done' : 'Correct'}
        </Press>
        <Press
          kind="quiet"
          aria-label={`Remove the session of ${day}`}
          onPress={() =>
            dispatch(
              commit({
                words: `Session of ${day} removed`,
                put: [],
                remove: [{ kind: 'sessions', id: session.id }],
              }),
            )
          }
        >
          Remove this session
        </Press>
      </View>
    </Sheet>
  );
}

interface EditPoseProps {
  readonly outcome: SessionPose;
  readonly onChange: (to: (now: SessionPose) => SessionPose) => unknown;
}

const STEP_SECONDS = 30;
const MOST_SECONDS = 7200;

/** Where and how strong it was felt, and how long it was held: each change is stored at once, and can be undone. */
function EditPose({ outcome, onChange }: EditPoseProps) {
  const title = poseTitle(outcome);
  const hold = (by: number) =>
    onChange((now) => ({
      ...now,
      heldSeconds: Math.min(MOST_SECONDS, Math.max(0, now.heldSeconds + by)),
    }));
  return (
    <View className="gap-2 pl-3">
      <Chips
        label={`Where it was felt, ${title}`}
        options={places}
        chosen={outcome.feeling.place ?? null}
        onChoose={(place) =>
          onChange((now) => {
            const { spot: _, ...feeling } = now.feeling;
            return { ...now, feeling: { ...feeling, place } };
          })
        }
      />
      <Chips
        label={`How strong, ${title}`}
        options={strengths}
        chosen={outcome.feeling.strength === undefined ? null : String(outcome.feeling.strength)}
        onChoose={(strength) =>
          onChange((now) => ({
            ...now,
            feeling: { ...now.feeling, strength: Number(strength) },
          }))
        }
        asScale
      />
      <View className="flex-row flex-wrap items-center gap-2">
        <Words>{minutes(outcome.heldSeconds)} held</Words>
        <Press aria-label={`Half a minute less, ${title}`} onPress={() => hold(-STEP_SECONDS)}>
          −
        </Press>
        <Press aria-label={`Half a minute more, ${title}`} onPress={() => hold(STEP_SECONDS)}>
          +
        </Press>
      </View>
    </View>
  );
}

const MOST_LETTERS = 4000;

function Note({
  note,
  onKeep,
}: {
  readonly note: string;
  readonly onKeep: (note: string) => unknown;
}) {
  const [typed, setTyped] = useState(note);
  return (
    <View className="gap-2">
      <Field
        label="Note"
        value={typed}
        onChangeText={setTyped}
        maxLength={MOST_LETTERS}
        multiline
      />
      <Press disabled={typed.trim() === note} onPress={() => onKeep(typed.trim())}>
        Keep the note
      </Press>
    </View>
  );
}
