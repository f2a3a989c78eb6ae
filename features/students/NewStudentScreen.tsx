import { useState } from 'react';
import type { Person } from '@/core/formats/book';
import { put } from '@/store/facts';
import { commit } from '@/store/store';
import { Screen } from '@/ui/Screen';
import { Words } from '@/ui/Words';
import { freshId, useOjasDispatch, useUnits } from '../hooks';
import { useWayOn } from '../useWayOn';
import { StudentForm, type PersonFields } from '../forms/StudentForm';

/** A new student: then the questions, then the measuring. */
export function NewStudentScreen() {
  const dispatch = useOjasDispatch();
  const wayOn = useWayOn();
  const units = useUnits();
  // One form makes one student, however often it is sent.
  const [id] = useState(() => freshId('p'));
  const save = async ({ birthYear, ...fields }: PersonFields) => {
    const person: Person = {
      id,
      ...fields,
      ...(birthYear === undefined ? {} : { birthYear }),
      bodyCm: {},
      cautions: [],
      choices: {},
      home: [],
    };
    const outcome = await dispatch(
      commit({ words: `${person.name} added`, put: [put('people', person)], remove: [] }),
    );
    if (outcome.ok) wayOn(`/students/${person.id}/intake`);
  };
  return (
    <Screen title="New student">
      <Words>
        Only the name and the height are needed. What is not measured yet is assumed, and the plan
        says so.
      </Words>
      <StudentForm units={units} saveWords="Save and ask the questions" onSave={save} />
    </Screen>
  );
}
