import { Link } from 'expo-router';
import { useState } from 'react';
import { View } from 'react-native';
import type { ClassRecord } from '@/core/formats/book';
import { selectPeople } from '@/store/selectors';
import { commit } from '@/store/store';
import { clock, date } from '@/ui/format';
import { Press, Tick } from '@/ui/Press';
import { Aside, Words } from '@/ui/Words';
import { useOjas, useOjasDispatch } from '../hooks';
import { classKept, ends, fallsOut } from './changes';
import type { Occurrence } from './comers';
import { repeatWords } from './when';

/** Who is in a class, each a line to tick. */
export function Who({
  chosen,
  onChoose,
}: {
  readonly chosen: readonly string[];
  readonly onChoose: (people: readonly string[]) => void;
}) {
  const people = useOjas(selectPeople);
  return (
    <View role="group" aria-label="Who is in the class" className="max-h-64 overflow-scroll">
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
        <Words className="min-w-[52px] font-semibold">{what.time ? clock(what.time) : '–'}</Words>
        <Words className="flex-1 py-3 font-semibold">{title}</Words>
        <Aside>{repeatWords(what)}</Aside>
      </View>
      {here.length === 0 ? <Words>Nobody in it yet.</Words> : null}
      <View className="flex-row flex-wrap gap-x-4">
        {here.map(({ id, name }) => (
          <Link
            key={id}
            href={`/students/${id}/plan`}
            className="min-h-12 py-3 font-text text-base text-thread underline"
          >
            {name}
          </Link>
        ))}
      </View>
      <Link
        href={`/classes/${what.id}` as '/students'}
        className="min-h-12 py-3 font-text text-base text-thread underline"
        aria-label={`What everybody in ${title} needs`}
      >
        What everybody needs, on one sheet
      </Link>
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
            Ends here
          </Press>
        ) : null}
      </View>
    </View>
  );
}
