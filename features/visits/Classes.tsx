import { useState } from 'react';
import { View } from 'react-native';
import type { ClassRecord } from '@/core/formats/book';
import { selectPeople } from '@/store/selectors';
import { commit } from '@/store/store';
import { Field } from '@/ui/Field';
import { date } from '@/ui/format';
import { Press, Tick } from '@/ui/Press';
import { Sheet } from '@/ui/Sheet';
import { Aside, Title, Words } from '@/ui/Words';
import { freshId, useOjas, useOjasDispatch, useToday } from '../hooks';
import { classKept, ends, fallsOut } from './changes';
import type { Occurrence } from './occurrences';
import { repeatWords, useWhen } from './when';

/** Who is in a class, each a line to tick. */
function Who({
  chosen,
  onChoose,
}: {
  readonly chosen: readonly string[];
  readonly onChoose: (people: readonly string[]) => void;
}) {
  const people = useOjas(selectPeople);
  return (
    <View role="group" aria-label="Who is in the class" className="max-h-72 overflow-scroll">
      {people.map(({ id, name }) => (
        <Tick
          key={id}
          checked={chosen.includes(id)}
          onToggle={() =>
            onChoose(chosen.includes(id) ? chosen.filter((one) => one !== id) : [...chosen, id])
          }
        >
          {name}
        </Tick>
      ))}
    </View>
  );
}

/** Several students at the same hour. */
export function AddClass() {
  const dispatch = useOjasDispatch();
  const [name, setName] = useState('');
  const [people, setPeople] = useState<readonly string[]>([]);
  const { fields, value } = useWhen(useToday(), 'every week');
  const ready = name.trim() !== '' && people.length > 0 && value !== null;
  const add = async () => {
    if (!ready) return;
    const it: ClassRecord = {
      id: freshId('class'),
      name: name.trim(),
      people: [...people],
      ...value,
    };
    const { ok } = await dispatch(commit(classKept(it, `${name.trim()} added`)));
    if (!ok) return;
    setName('');
    setPeople([]);
  };
  return (
    <Sheet role="region" aria-label="Add a class">
      <Title level={2}>Add a class</Title>
      <Field
        label="Its name"
        hint="such as Hips and hamstrings"
        value={name}
        onChangeText={setName}
        maxLength={80}
      />
      <Who chosen={people} onChoose={setPeople} />
      {fields}
      <Press kind="main" disabled={!ready} onPress={add}>
        {ready ? `Add ${name.trim()}, ${people.length} in it` : 'Name it and tick who is in it'}
      </Press>
    </Sheet>
  );
}

/** A class on its day: who is in it, and what may be changed. */
export function ClassLine({ one }: { readonly one: Occurrence<ClassRecord> }) {
  const { what } = one;
  const dispatch = useOjasDispatch();
  const all = useOjas(selectPeople);
  const [people, setPeople] = useState<readonly string[] | null>(null);
  const title = what.name ?? 'Class';
  const here = all.filter(({ id }) => what.people?.includes(id));
  const keep = async () => {
    if (!people) return;
    await dispatch(
      commit(classKept({ ...what, people: [...people] }, `${title} has ${people.length} in it`)),
    );
    setPeople(null);
  };
  return (
    <View className="gap-1 border-t border-line pb-2">
      <View className="flex-row flex-wrap items-center gap-x-3">
        <Words className="min-w-[52px] font-semibold">{what.time ?? '–'}</Words>
        <Words className="flex-1 py-3 font-semibold">{title}</Words>
        <Aside>{repeatWords(what)}</Aside>
      </View>
      <Words>{here.length === 0 ? 'Nobody in it yet.' : namesOf(here)}</Words>
      {people ? (
        <>
          <Who chosen={people} onChoose={setPeople} />
          <Press kind="main" onPress={keep}>
            Keep who is in it
          </Press>
        </>
      ) : null}
      <View className="flex-row flex-wrap gap-2">
        <Press
          kind="quiet"
          aria-label={`Who is in ${title}`}
          aria-expanded={people !== null}
          onPress={() => setPeople(people ? null : here.map(({ id }) => id))}
        >
          Who is in it
        </Press>
        <Press
          kind="quiet"
          aria-label={`${title} is not on ${date(one.on)}`}
          onPress={() =>
            dispatch(commit(fallsOut('classes', one, `${title} is not on ${date(one.on)}`)))
          }
        >
          Not this day
        </Press>
        {what.repeats ? (
          <Press
            kind="quiet"
            aria-label={`${title} ends`}
            onPress={() => dispatch(commit(ends('classes', what, `${title} ends`)))}
          >
            No more
          </Press>
        ) : null}
      </View>
    </View>
  );
}

const namesOf = (people: readonly { readonly name: string }[]) =>
  people.map(({ name }) => name).join(', ');
