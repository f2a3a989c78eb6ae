import { useState } from 'react';
import { selectPeople } from '@/store/selectors';
import { commit } from '@/store/store';
import { Field } from '@/ui/Field';
import { FindName } from '@/ui/FindName';
import { Chips, Press } from '@/ui/Press';
import { Sheet } from '@/ui/Sheet';
import { Title } from '@/ui/Words';
import { freshId, useOjas, useOjasDispatch, useToday } from '../hooks';
import { classKept, comes } from './changes';
import { Who } from './ClassLine';
import { useWhen, type When } from './when';

const kinds = [
  { id: 'visit', words: 'One student' },
  { id: 'class', words: 'A class' },
] as const;

/** A visit or a class comes into the week. */
export function Add() {
  const [kind, setKind] = useState<(typeof kinds)[number]['id']>('visit');
  const when = useWhen(useToday());
  return (
    <Sheet role="region" aria-label="Add to the week">
      <Title level={2}>Add to the week</Title>
      <Chips label="What is added" options={kinds} chosen={kind} onChoose={setKind} />
      {kind === 'visit' ? <AddVisit when={when} /> : <AddClass when={when} />}
    </Sheet>
  );
}

function AddVisit({ when: { fields, value } }: { readonly when: When }) {
  const dispatch = useOjasDispatch();
  const people = useOjas(selectPeople);
  const [person, setPerson] = useState<string | null>(null);
  // The next one is sought anew.
  const [added, setAdded] = useState(0);
  const chosen = people.find(({ id }) => id === person);
  const add = async () => {
    if (!chosen || !value) return;
    const visit = { id: freshId('visit'), person: chosen.id, ...value };
    const { ok } = await dispatch(commit(comes(visit, chosen.name)));
    if (!ok) return;
    setPerson(null);
    setAdded(added + 1);
  };
  return (
    <>
      <FindName
        key={added}
        label="Who comes"
        {...{ people }}
        chosen={person}
        onChoose={setPerson}
      />
      {fields}
      <Press kind="main" disabled={!chosen || !value} onPress={add}>
        {chosen ? `Add ${chosen.name}` : 'Choose who comes'}
      </Press>
    </>
  );
}

function AddClass({ when: { fields, value } }: { readonly when: When }) {
  const dispatch = useOjasDispatch();
  const [typed, setTyped] = useState('');
  const [people, setPeople] = useState<readonly string[]>([]);
  const name = typed.trim();
  const isNamed = name !== '' && people.length > 0;
  const add = async () => {
    if (!isNamed || !value) return;
    const it = { id: freshId('class'), name, people: [...people], ...value };
    const { ok } = await dispatch(commit(classKept(it, `${name} added`)));
    if (!ok) return;
    setTyped('');
    setPeople([]);
  };
  return (
    <>
      <Field
        label="Its name"
        hint="such as Hips and hamstrings"
        value={typed}
        onChangeText={setTyped}
        maxLength={80}
      />
      <Who chosen={people} onChoose={setPeople} />
      {fields}
      <Press kind="main" disabled={!isNamed || !value} onPress={add}>
        {isNamed ? `Add ${name}, ${people.length} in it` : 'Name it and tick who is in it'}
      </Press>
    </>
  );
}
