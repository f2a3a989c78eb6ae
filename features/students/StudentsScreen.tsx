import { Link, Slot, usePathname } from 'expo-router';
import { useState } from 'react';
import { ScrollView, View } from 'react-native';
import { selectPeople, selectSessionsOf } from '@/store/selectors';
import { DAYS_TO_BRING_BACK, removedStudents } from '@/store/acts';
import { forgetRemoved, undo } from '@/store/store';
import { since } from '@/ui/format';
import { Field } from '@/ui/Field';
import { Press } from '@/ui/Press';
import { Screen } from '@/ui/Screen';
import { Sheet } from '@/ui/Sheet';
import { Title, Words } from '@/ui/Words';
import { nowIso, useOjas, useOjasDispatch, usePerson } from '../hooks';
import { useWide } from '../shell/Shell';
import { StudentTable } from './lateTable';
import { NobodyYet, StudentLine } from './StudentLine';

/**
 * On a wide screen the list stays beside the student, but where several are on the mat: their mats need the width. On a
 * phone each has the screen to itself.
 */
export function StudentsFrame() {
  const wide = useWide();
  const path = usePathname();
  const severalMats = useOjas(
    ({ mat: { now, parked } }) => now !== null && Object.keys(parked).length > 0,
  );
  if (!wide || path === '/students' || (severalMats && path.endsWith('/mat'))) return <Slot />;
  return (
    <View className="flex-1 flex-row">
      <View role="complementary" aria-label="Students" className="w-72 border-r border-line">
        <ScrollView contentContainerClassName="gap-2 p-3">
          <StudentList />
        </ScrollView>
      </View>
      <View className="flex-1">
        <Slot />
      </View>
    </View>
  );
}

/** Everybody, found by name. */
export function StudentsScreen() {
  return (
    <Screen
      title="Students"
      wide
      beside={
        <Link href="/students/new" asChild>
          <Press kind="main">New student</Press>
        </Link>
      }
    >
      <StudentTable />
      <Removed />
    </Screen>
  );
}

/** Students who were removed: for some weeks each can be brought back, with everything that was theirs. */
function Removed() {
  const dispatch = useOjasDispatch();
  const heads = useOjas((state) => state.undo.heads);
  const removed = removedStudents(heads, nowIso());
  if (removed.length === 0) return null;
  return (
    <Sheet>
      <Title level={2}>Removed in the last {DAYS_TO_BRING_BACK} days</Title>
      {removed.map(({ seq, at, removed: student }) => (
        <View key={seq} className="flex-row flex-wrap items-center gap-2 border-t border-line pt-2">
          <Words className="flex-1">
            {student?.name}, {since(at)}
          </Words>
          <Press aria-label={`Bring back ${student?.name}`} onPress={() => dispatch(undo(seq))}>
            Bring back
          </Press>
          <Press
            kind="quiet"
            aria-label={`Forget ${student?.name} for good`}
            onPress={() => dispatch(forgetRemoved(seq))}
          >
            Forget for good
          </Press>
        </View>
      ))}
    </Sheet>
  );
}

function StudentList() {
  const people = useOjas(selectPeople);
  const [sought, setSought] = useState('');
  const found = people.filter(({ name }) =>
    name.toLowerCase().includes(sought.trim().toLowerCase()),
  );
  return (
    <>
      {people.length === 0 ? (
        <NobodyYet />
      ) : (
        <Field label="Find by name" value={sought} onChangeText={setSought} />
      )}
      {people.length > 0 && found.length === 0 ? <Words>Nobody is called “{sought}”.</Words> : null}
      <View role="list" className="gap-2">
        {found.map(({ id }) => (
          <ListedStudent key={id} id={id} />
        ))}
      </View>
    </>
  );
}

function ListedStudent({ id }: { readonly id: string }) {
  const person = usePerson(id);
  const last = useOjas((state) => selectSessionsOf(state, id).at(-1));
  return person ? <StudentLine person={person} lastAt={last?.at ?? ''} /> : null;
}
