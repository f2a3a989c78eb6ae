import { useState } from 'react';
import { View } from 'react-native';
import { notTheirs } from '@/core/advise/whose';
import type { Person, Session } from '@/core/formats/book';
import { selectPeople } from '@/store/selectors';
import { Field } from '@/ui/Field';
import { Press } from '@/ui/Press';
import { Aside, Fault } from '@/ui/Words';
import type { Words as Say } from '@/ui/words/words';
import { useOjasList, useWords } from '../hooks';
import { poseName } from '../plan/words';

/** So many names are offered at once. */
const MOST_NAMES = 6;

/** Why a session cannot have been a student's, in words; null where it can. */
export const refusal = (session: Session, person: Person, say: Say): string | null => {
  const against = notTheirs(session, person);
  if (!against) return null;
  return against.of === 'not-born'
    ? `${person.name} was born in ${against.year}, after this session.`
    : `${person.name} may not do ${poseName(against.pose)}: ${say.caution(against.caution).short.toLowerCase()}.`;
};

/** A session that was noted with the wrong student goes to the right one in one act; what it taught goes with it. */
export function Whose({
  session,
  onMove,
}: {
  readonly session: Session;
  readonly onMove: (to: Person) => unknown;
}) {
  const say = useWords();
  const people = useOjasList(selectPeople);
  const [open, setOpen] = useState(false);
  const [sought, setSought] = useState('');
  const [fault, setFault] = useState<string | null>(null);
  const others = people.filter(
    ({ id, name }) =>
      id !== session.person && name.toLowerCase().includes(sought.trim().toLowerCase()),
  );
  if (!open)
    return (
      <Press kind="quiet" className="self-start" onPress={() => setOpen(true)}>
        It was somebody else’s
      </Press>
    );
  return (
    <View className="gap-2 rounded-md bg-well p-3">
      <Field label="Whose session was it?" value={sought} onChangeText={setSought} />
      <View className="flex-row flex-wrap gap-2">
        {others.slice(0, MOST_NAMES).map((person) => (
          <Press
            key={person.id}
            onPress={() => {
              const refused = refusal(session, person, say);
              setFault(refused);
              if (refused === null) onMove(person);
            }}
          >
            {person.name}
          </Press>
        ))}
      </View>
      {others.length > MOST_NAMES ? (
        <Aside>{others.length - MOST_NAMES} more: type a part of the name.</Aside>
      ) : null}
      {fault ? <Fault>{fault}</Fault> : null}
    </View>
  );
}
