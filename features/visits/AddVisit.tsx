import { useState } from 'react';
import { selectPeople } from '@/store/selectors';
import { commit } from '@/store/store';
import { Field } from '@/ui/Field';
import { Chips, Press } from '@/ui/Press';
import { Sheet } from '@/ui/Sheet';
import { Title } from '@/ui/Words';
import { freshId, useOjas, useOjasDispatch, useToday } from '../hooks';
import { comes } from './changes';
import { useWhen } from './when';

const MOST_NAMES = 8;

/** One student comes on a day, or every week. */
export function AddVisit() {
  const dispatch = useOjasDispatch();
  const people = useOjas(selectPeople);
  const [sought, setSought] = useState('');
  const [person, setPerson] = useState<string | null>(null);
  const { fields, value } = useWhen(useToday());
  const found = people
    .filter(({ name }) => name.toLowerCase().includes(sought.trim().toLowerCase()))
    .slice(0, MOST_NAMES);
  const chosen = people.find(({ id }) => id === person);
  const add = async () => {
    if (!chosen || !value) return;
    await dispatch(
      commit(comes({ id: freshId('visit'), person: chosen.id, ...value }, chosen.name)),
    );
    setPerson(null);
    setSought('');
  };
  return (
    <Sheet role="region" aria-label="Add a visit">
      <Title level={2}>Add a visit</Title>
      <Field label="Who" hint="find by name" value={sought} onChangeText={setSought} />
      <Chips
        label="Who comes"
        options={found.map(({ id, name }) => ({ id, words: name }))}
        chosen={person}
        onChoose={setPerson}
      />
      {fields}
      <Press kind="main" disabled={!chosen || !value} onPress={add}>
        {chosen ? `Add ${chosen.name}` : 'Choose who comes'}
      </Press>
    </Sheet>
  );
}
