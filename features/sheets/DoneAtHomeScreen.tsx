import { firstName } from '@/ui/firstName';
import { Link } from 'expo-router';
import { useEffect, useState } from 'react';
import { View } from 'react-native';
import { practicesIn, type Done, type HomeLog } from '@/core/advise/homeLog';
import type { Person } from '@/core/formats/book';
import { groupedBy } from '@/core/grouped';
import { dayOf } from '@/core/formats/time';
import { recordIn } from '@/core/recordIn';
import { put } from '@/store/facts';
import { selectPeople } from '@/store/selectors';
import { commit } from '@/store/store';
import { FindName } from '@/ui/FindName';
import { date } from '@/ui/format';
import { Press } from '@/ui/Press';
import { Screen } from '@/ui/Screen';
import { Sheet } from '@/ui/Sheet';
import { Aside, Title, Words } from '@/ui/Words';
import { chooseFile } from '../data/files';
import { useOjas, useOjasDispatch, useToday } from '../hooks';
import { poseTitle } from '../plan/words';
import { felts, timesWords } from './phone/homeLog';
import { homeLogIn } from './phone/late';

const faults = {
  damaged:
    'This holds nothing that was done at home, or was cut short. Let them show the code, or send the file, once more.',
  later:
    'This was written by a newer Ojas. Load this page anew, with a network, and take it in then.',
  unreachable: 'A part of this page could not be loaded. Try again when there is a network.',
} as const;

type Brought = HomeLog | keyof typeof faults | 'none';

const read = (text: string): Promise<Brought> =>
  Promise.resolve(homeLogIn(text)).catch(() => 'unreachable' as const);

/** What a student did at home comes back: by the code on their phone, or by a file. */
export function DoneAtHomeScreen() {
  const [brought, setBrought] = useState<Brought>('none');
  useEffect(() => {
    const open = () => void read(window.location.hash.slice(1)).then(setBrought);
    open();
    window.addEventListener('hashchange', open);
    return () => window.removeEventListener('hashchange', open);
  }, []);
  const choose = async () => {
    const file = await chooseFile('.json,application/json');
    if (file) setBrought(await read(await file.text()));
  };
  return (
    <Screen title="Done at home">
      {typeof brought !== 'string' ? (
        <TakeIn key={`${brought.sheet}/${brought.done.length}`} log={brought} />
      ) : brought === 'none' ? (
        <Words>
          On their phone, under what they did, is a code for you. Scan it with this device’s camera,
          or open the file that they sent.
        </Words>
      ) : (
        <Words role="alert">{faults[brought]}</Words>
      )}
      <View className="flex-row">
        <Press onPress={choose}>Open the file</Press>
      </View>
      <Aside>
        What is said counts for less than what you saw: it may hold a step back, or ease one, and
        brings no support down.
      </Aside>
    </Screen>
  );
}

const sameFirst = (name: string) => firstName(name).toLowerCase();

/** Whose it is, what it holds, and what of it is new. */
function TakeIn({ log }: { readonly log: HomeLog }) {
  const dispatch = useOjasDispatch();
  const today = useToday();
  const people = useOjas(selectPeople);
  const kept = useOjas((state) => state.practices);
  const knownAs = Object.values(kept).find(({ sheet }) => sheet === log.sheet)?.person ?? null;
  const namesakes = people.filter(({ name }) => sameFirst(name) === sameFirst(log.name));
  const [person, setPerson] = useState<string | null>(
    knownAs ?? (namesakes.length === 1 ? (namesakes[0]?.id ?? null) : null),
  );
  const [isDone, setIsDone] = useState(false);
  const chosen = people.find(({ id }) => id === person);
  const { practices, known, afterToday } = practicesIn(
    log,
    person ?? '',
    today,
    (id) => recordIn(kept, id) !== undefined,
  );
  const take = async () => {
    if (!chosen) return;
    const { ok } = await dispatch(
      commit({
        words: `${chosen.name}: ${timesWords(practices.length)} at home taken in`,
        put: practices.map((one) => put('practices', one)),
        remove: [],
      }),
    );
    setIsDone(ok);
  };
  return (
    <>
      <WhatWasDone log={log} />
      <NotTaken {...{ known, afterToday }} fresh={practices.length} />
      {knownAs === null ? (
        <Sheet>
          <FindName
            label="Whose it is"
            people={people}
            chosen={person}
            onChoose={setPerson}
            sought={namesakes.length > 0 ? log.name : ''}
          />
        </Sheet>
      ) : null}
      {practices.length > 0 ? (
        <Press kind="main" disabled={!chosen} onPress={take}>
          {chosen ? `Take it in for ${chosen.name}` : 'Choose whose it is'}
        </Press>
      ) : null}
      {isDone || practices.length === 0 ? (
        <Outcome isEmpty={log.done.length === 0} {...{ isDone, chosen }} />
      ) : null}
    </>
  );
}

interface NotTakenProps {
  readonly known: number;
  readonly afterToday: number;
  readonly fresh: number;
}

/** What of it is not taken in, and why. */
const NotTaken = ({ known, afterToday, fresh }: NotTakenProps) => (
  <>
    {known > 0 && fresh > 0 ? (
      <Words>
        Of it {known} {known === 1 ? 'time' : 'times'} came in before.
      </Words>
    ) : null}
    {afterToday > 0 ? (
      <Words>
        Of it {afterToday} {afterToday === 1 ? 'time is' : 'times are'} dated after today and stay
        out: the clock of that phone was set wrong.
      </Words>
    ) : null}
  </>
);

interface OutcomeProps {
  readonly isEmpty: boolean;
  readonly isDone: boolean;
  readonly chosen: Person | undefined;
}

/** What came of it, and where to go on. */
const Outcome = ({ isEmpty, isDone, chosen }: OutcomeProps) => (
  <View className="gap-2" role="status">
    <Words>
      {isEmpty
        ? 'Nothing was done by this sheet yet.'
        : isDone
          ? 'Taken in.'
          : 'All of it is here already.'}
    </Words>
    {chosen ? (
      <View className="flex-row flex-wrap gap-2">
        <Link href={`/students/${chosen.id}/plan` as '/students'} asChild>
          <Press>The plan</Press>
        </Link>
        <Link href={`/students/${chosen.id}/record` as '/students'} asChild>
          <Press>The record</Press>
        </Link>
      </View>
    ) : null}
  </View>
);

/** What was done, pose by pose. */
function WhatWasDone({ log: { name, done } }: { readonly log: HomeLog }) {
  const poses = [...groupedBy(done, ({ pose, side }) => `${pose}/${side}`).values()];
  const [first, last] = [done[0], done.at(-1)];
  if (!first || !last) return null;
  return (
    <Sheet role="region" aria-label="What was done">
      <Title level={2}>{name ? `From ${name}’s phone` : 'From their phone'}</Title>
      <Words>
        {timesWords(done.length)},{' '}
        {dayOf(first.at) === dayOf(last.at)
          ? date(last.at)
          : `${date(first.at)} to ${date(last.at)}`}
        .
      </Words>
      {poses.map((times) => (
        <OnePose key={`${times[0]?.pose}/${times[0]?.side}`} times={times} />
      ))}
    </Sheet>
  );
}

/** How it was, counted: "4 times: just right 3, too much 1". */
function saidOf(times: readonly Done[]): string {
  const said = felts.flatMap(({ id, words }) => {
    const many = times.filter(({ felt }) => felt === id).length;
    return many > 0 ? [{ words: words.toLowerCase(), many }] : [];
  });
  return said.length === 1
    ? `${timesWords(times.length)}, ${said[0]?.words}`
    : `${timesWords(times.length)}: ${said.map(({ words, many }) => `${words} ${many}`).join(', ')}`;
}

function OnePose({ times }: { readonly times: readonly Done[] }) {
  const [one] = times;
  if (!one) return null;
  return (
    <Words className={times.some(({ felt }) => felt === 'pain') ? 'text-rust' : ''}>
      <Words className="font-semibold">{poseTitle(one)}: </Words>
      {saidOf(times)}
    </Words>
  );
}
