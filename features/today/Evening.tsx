import { Link, useRouter } from 'expo-router';
import { useState } from 'react';
import { View } from 'react-native';
import type { ClassRecord } from '@/core/formats/book';
import type { LocalDay } from '@/core/formats/time';
import { edit } from '@/store/facts';
import { selectPeople } from '@/store/selectors';
import { commit } from '@/store/store';
import { clock, date } from '@/ui/format';
import { Chips, Press } from '@/ui/Press';
import { Sheet } from '@/ui/Sheet';
import { Title, Words } from '@/ui/Words';
import { useOjas, useOjasDispatch } from '../hooks';
import { beginTogether } from '../mat/beginTogether';

type Came = NonNullable<ClassRecord['came']>[number];
const ways = [
  { id: 'here', words: 'Here' },
  { id: 'late', words: 'Late' },
  { id: 'away', words: 'Not today' },
] as const;

interface EveningProps {
  readonly it: ClassRecord;
  readonly on: LocalDay;
}

/** A class on its day: who is there, in one tap each, and everybody's mat at once. */
export function Evening({ it, on }: EveningProps) {
  const dispatch = useOjasDispatch();
  const router = useRouter();
  const people = useOjas(selectPeople).filter(({ id }) => it.people?.includes(id));
  const [without, setWithout] = useState<readonly string[]>([]);
  if (people.length === 0) return null;
  const title = it.name ?? 'The class';
  const isOf = (id: string) =>
    it.came?.find((one) => one.on === on && one.person === id)?.is ?? null;
  const said = (those: readonly string[], is: Came['is'], words: string) =>
    dispatch(
      commit({
        words,
        put: [],
        edit: [
          edit('classes', it.id, (now) => ({
            ...now,
            came: [
              ...(now.came ?? []).filter((one) => one.on !== on || !those.includes(one.person)),
              ...those.map((person): Came => ({ on, person, is })),
            ],
          })),
        ],
        remove: [],
      }),
    );
  const here = people.filter(({ id }) => isOf(id) === 'here');
  const unsaid = people.filter(({ id }) => isOf(id) === null);
  const begin = () => {
    const those = here.map(({ id }) => id);
    const onMats = dispatch(beginTogether(those));
    setWithout(those.filter((id) => !onMats.includes(id)));
    if (onMats.length === those.length) router.push(`/students/${onMats[0]}/mat` as '/students');
  };
  const names = (ids: readonly string[]) =>
    people.flatMap(({ id, name }) => (ids.includes(id) ? name : [])).join(', ');
  return (
    <Sheet role="region" aria-label={`${title}, ${date(on)}`}>
      <Title level={2}>
        {it.time ? `${clock(it.time)} · ` : ''}
        {title}
      </Title>
      {people.map(({ id, name }) => (
        <View key={id} className="gap-1">
          <Words className="font-semibold">{name}</Words>
          <Chips
            label={`Whether ${name} is here`}
            options={ways}
            chosen={isOf(id)}
            onChoose={(is) => void said([id], is, `${name}: ${wordsOf(is)}`)}
            inOneRow
          />
        </View>
      ))}
      {unsaid.length > 1 ? (
        <Press
          onPress={() =>
            void said(
              unsaid.map(({ id }) => id),
              'here',
              `${title}: everybody is here`,
            )
          }
        >
          {unsaid.length === people.length ? 'All are here' : `The other ${unsaid.length} are here`}
        </Press>
      ) : null}
      <Press kind="main" disabled={here.length === 0} onPress={begin}>
        {here.length === 0
          ? 'Begin the class: say who is here'
          : `Begin the class: ${here.length} ${here.length === 1 ? 'mat' : 'mats'}`}
      </Press>
      <Link
        href={`/classes/${it.id}` as '/students'}
        className="min-h-12 py-3 font-text text-base text-thread underline"
      >
        What everybody needs, on one sheet
      </Link>
      {without.length > 0 ? (
        <Words role="status" className="text-rust">
          Nothing is practised yet by {names(without)}: choose their poses on their own mat.
        </Words>
      ) : null}
    </Sheet>
  );
}
const wordsOf = (is: Came['is']) => ways.find(({ id }) => id === is)?.words.toLowerCase() ?? '';
