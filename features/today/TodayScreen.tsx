import { firstName } from '@/ui/firstName';
import { Link } from 'expo-router';
import { useState } from 'react';
import { Pressable, View } from 'react-native';
import type { Person } from '@/core/formats/book';
import { recordIn } from '@/core/recordIn';
import { unansweredCautions } from '@/core/safety/verdict';
import { selectOwnShelf, selectPeople, selectSessionsOf } from '@/store/selectors';
import { clock, ago } from '@/ui/format';
import { Field } from '@/ui/Field';
import { Press } from '@/ui/Press';
import { Screen } from '@/ui/Screen';
import { Sheet } from '@/ui/Sheet';
import { WhenNear } from '@/ui/WhenNear';
import { Aside, Title, Words } from '@/ui/Words';
import { useOjas, useOjasList, usePerson, useToday } from '../hooks';
import { ComerWork, Evening, FetchForAll, FetchForClass } from '../pages/late';
import { LeftOnMats } from '../shell/LeftOnMats';
import { LookAround } from '../shell/sample';
import { useWide } from '../shell/Shell';
import { BackupDue } from './BackupDue';
import { comersOf, type Comer, type Coming } from '../visits/comers';
import { ComingOn } from '../visits/late';
import { VisitMark } from '../visits/VisitMark';

const SHOWN_AT_FIRST = 6;
/** Cards that stand on a phone's first screen. */
const SEEN_AT_FIRST = 2;

/** Who comes, what to re-check, and what changes since last time. */
export function TodayScreen() {
  const people = useOjas(selectPeople);
  const latest = useOjas((state) => state.sessions);
  const mat = useOjas((state) => state.mat.now);
  const parked = useOjasList((state) => Object.keys(state.mat.parked));
  const measuring = useOjas((state) => state.measuring.now);
  const shelf = useOjas(selectOwnShelf);
  const { left } = useOjas((state) => state.storage);
  const others = useOjas((state) => state.storage.onOtherMats);
  const [sought, setSought] = useState('');
  const today = useToday();
  const somethingComes = useOjas(
    (state) => Object.keys(state.visits).length + Object.keys(state.classes).length > 0,
  );
  if (people.length === 0) return <Empty shelfEmpty={shelf.length === 0} />;
  const lastAt = new Map<string, string>();
  for (const { person, at } of Object.values(latest))
    if ((lastAt.get(person) ?? '') < at) lastAt.set(person, at);
  const found = people
    .filter(({ name }) => name.toLowerCase().includes(sought.trim().toLowerCase()))
    .sort(
      (a, b) =>
        (lastAt.get(b.id) ?? '').localeCompare(lastAt.get(a.id) ?? '') ||
        a.name.localeCompare(b.name),
    );
  return (
    <Screen
      title="Today"
      wide
      beside={
        <Link
          href={'/week' as '/students'}
          className="min-h-12 py-3 font-text text-base font-semibold text-thread underline"
        >
          Week
        </Link>
      }
    >
      {mat ? <Resume person={mat.person} what="session" /> : null}
      {parked.map((id) => (
        <Resume key={id} person={id} what="session" />
      ))}
      {measuring?.entry && (measuring.visit !== null || measuring.entry.values.length > 0) ? (
        <Resume person={measuring.person} what="measuring" />
      ) : null}
      <LeftOnMats />
      {left > 0 ? <Words role="status">Reading the records: {left} records to come…</Words> : null}
      {others.length > 0 ? (
        <Words>
          On the mat in another window:{' '}
          {others.map((id) => people.find((one) => one.id === id)?.name ?? 'somebody').join(', ')}.
        </Words>
      ) : null}
      <BackupDue />
      <FirstSteps />
      <Field label="Who comes?" hint="find by name" value={sought} onChangeText={setSought} />
      {somethingComes ? (
        <ComingOn day={today}>
          {(coming) => <Cards coming={coming} found={found} seeking={sought.trim() !== ''} />}
        </ComingOn>
      ) : (
        <Cards coming={NOBODY} found={found} seeking={sought.trim() !== ''} />
      )}
      {found.length === 0 ? <Words>Nobody is called “{sought}”.</Words> : null}
    </Screen>
  );
}

const NOBODY: Coming = { visits: [], classes: [] };

interface CardsProps {
  readonly coming: Coming;
  /** Who fits what is sought, the last one here first. */
  readonly found: readonly Person[];
  readonly seeking: boolean;
}

/** Who comes today in the order of hours, what is fetched for them all, and everybody else. */
function Cards({ coming, found, seeking }: CardsProps) {
  const wide = useWide();
  const { left, arrived } = useOjas((state) => state.storage);
  const [all, setAll] = useState(false);
  const comers = new Map(comersOf(coming).map((one) => [one.person, one]));
  const expected = [...comers.keys()].flatMap((key) => found.find(({ id }) => id === key) ?? []);
  const others = found.filter((one) => !expected.includes(one));
  const shown = all || seeking ? others : others.slice(0, SHOWN_AT_FIRST);
  const list = wide ? 'flex-row flex-wrap gap-4' : 'gap-4';
  const first = [...expected, ...shown].slice(0, SEEN_AT_FIRST);
  const card = ({ id, name }: Person) => (
    <View key={id} className={wide ? 'min-w-[380px] flex-1' : ''}>
      {left > 0 && !recordIn(arrived, id) ? (
        <OnTheirWay name={name} />
      ) : (
        <ComerCard id={id} coming={comers.get(id)} isFirst={first.some((one) => one.id === id)} />
      )}
    </View>
  );
  return (
    <>
      {expected.length > 0 ? (
        <>
          {seeking || left > 0
            ? null
            : coming.classes.map(({ what, on }) => <Evening key={what.id} it={what} on={on} />)}
          <Title level={2}>Comes today</Title>
          <View className={list}>{expected.map(card)}</View>
          {expected.length > 1 && !seeking && left === 0 ? (
            <WhenNear roomPx={WORK_PX}>
              <FetchForAll people={expected} />
            </WhenNear>
          ) : null}
          {seeking || left > 0
            ? null
            : coming.classes.map(({ what }) => (
                <WhenNear key={what.id} roomPx={WORK_PX}>
                  <FetchForClass it={what} />
                </WhenNear>
              ))}
          {shown.length > 0 ? <Title level={2}>Everybody else</Title> : null}
        </>
      ) : null}
      <View className={list}>{shown.map(card)}</View>
      {shown.length < others.length ? (
        <Press onPress={() => setAll(true)}>Show the other {others.length - shown.length}</Press>
      ) : null}
    </>
  );
}

/** What a new teacher does first: each goes when it is done, and all of them with the first session. */
function FirstSteps() {
  const [person] = useOjas(selectPeople);
  const hasShelf = useOjas((state) => selectOwnShelf(state).length > 0);
  const hasRead = useOjas(({ readings }) => Object.keys(readings).length > 0);
  const hasDone = useOjas(({ sessions }) => Object.keys(sessions).length > 0);
  const reading = useOjas(({ storage }) => storage.left > 0);
  if (!person || hasDone || reading) return null;
  const first = firstName(person.name);
  const steps = [
    {
      done: hasShelf,
      says: 'What lies on your shelf, so that heights become pieces that you have.',
      does: 'Fill the shelf',
      href: '/shelf',
    },
    {
      done: hasRead,
      says: `How far ${first} moves: two readings a side are enough to begin.`,
      does: `Measure ${first}`,
      href: `/students/${person.id}/measure`,
    },
    {
      done: false,
      says: 'A first session: what is settled on is where the next one begins.',
      does: 'On the mat',
      href: `/students/${person.id}/mat`,
    },
  ].filter(({ done }) => !done);
  return (
    <Sheet role="region" aria-label="First steps">
      <Title level={2}>First steps</Title>
      {steps.map(({ says, does, href }) => (
        <View key={does} className="gap-1 border-t border-line pt-2">
          <Words>{says}</Words>
          <Link href={href as '/students'} asChild>
            <Press className="self-start">{does}</Press>
          </Link>
        </View>
      ))}
    </Sheet>
  );
}

function Empty({ shelfEmpty }: { readonly shelfEmpty: boolean }) {
  return (
    <Screen title="Today">
      <Sheet>
        <Title level={2}>Begin with one student</Title>
        <Words>
          Enter a name and a height. Measure how the pelvis tilts, how long the hamstrings are and
          how far the knees bend: two readings a side are enough to begin.
        </Words>
        <Words>
          Ojas turns that into the height of every support, in pieces of your own shelf, and
          remembers what was settled on.
        </Words>
        <Link href="/students/new" asChild>
          <Press kind="main">New student</Press>
        </Link>
        {shelfEmpty ? (
          <Link href="/shelf" asChild>
            <Press>Fill the shelf</Press>
          </Link>
        ) : null}
        <Link href="/more/data" asChild>
          <Press>Restore a backup</Press>
        </Link>
        <LookAround />
      </Sheet>
    </Screen>
  );
}

/** What was interrupted, one tap away. */
function Resume({
  person,
  what,
}: {
  readonly person: string;
  readonly what: 'session' | 'measuring';
}) {
  const name = usePerson(person)?.name;
  if (name === undefined) return null;
  return (
    <Sheet className="border-thread">
      <Title level={2}>
        {what === 'session' ? `${name} is still on the mat` : `${name} is half measured`}
      </Title>
      <Link href={`/students/${person}/${what === 'session' ? 'mat' : 'measure'}`} asChild>
        <Press kind="main">
          {what === 'session' ? 'Go on with the session' : 'Go on measuring'}
        </Press>
      </Link>
    </Sheet>
  );
}

/** A student whose records are still being read. */
const OnTheirWay = ({ name }: { readonly name: string }) => (
  <Sheet role="article" aria-label={name} className="flex-1">
    <Title level={2}>{name}</Title>
    <Aside>Records on their way</Aside>
  </Sheet>
);

interface ComerCardProps {
  readonly id: string;
  /** It is among the first of the day. */
  readonly isFirst: boolean;
  readonly coming: Comer | undefined;
}

/** As high as what is reckoned for a student is at least. */
const WORK_PX = 88;

/** Who comes stands there at once; what is reckoned for them follows, once it is near what is seen. */
function ComerCard({ id, isFirst, coming }: ComerCardProps) {
  const person = usePerson(id);
  const last = useOjas((state) => selectSessionsOf(state, id).at(-1));
  if (!person) return null;
  const open = unansweredCautions(person.cautions, person.sex).length;
  return (
    <Sheet role="article" aria-label={person.name} className="flex-1">
      <Link href={`/students/${id}/plan`} asChild>
        <Pressable className="min-h-12 justify-center">
          <Title level={2}>
            {coming?.time ? `${clock(coming.time)} · ` : ''}
            {person.name}
          </Title>
          <Aside>
            {coming?.inClass ? `In ${coming.inClass.name ?? 'a class'} · ` : ''}
            {last ? `On the mat ${ago(last.at)}` : 'Not on the mat yet'}
            {open > 0 ? ` · ${open} questions open` : ''}
          </Aside>
        </Pressable>
      </Link>
      {/* Its room is there before it is: what stands under it does not move from under a finger. */}
      <View className="gap-3" style={{ minHeight: WORK_PX }}>
        <WhenNear isSeen={isFirst} roomPx={WORK_PX}>
          <ComerWork person={person} />
        </WhenNear>
      </View>
      {coming?.inClass ? null : <VisitMark person={person} coming={coming?.visit} />}
    </Sheet>
  );
}
