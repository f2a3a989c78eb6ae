import { format } from 'date-fns/format';
import { parseISO } from 'date-fns/parseISO';
import { startOfWeek } from 'date-fns/startOfWeek';
import { Link } from 'expo-router';
import { useState } from 'react';
import { View } from 'react-native';
import type { Visit } from '@/core/formats/book';
import { dayOf, daysBetween, isDay, shiftDays, type LocalDay } from '@/core/formats/time';
import { practisedPoses } from '@/core/plan/practised';
import { poseById } from '@/core/poses/poses';
import { selectPeople, selectReadingsOf, selectSessionsOf, selectVisits } from '@/store/selectors';
import { commit } from '@/store/store';
import { Field } from '@/ui/Field';
import { ago, date } from '@/ui/format';
import { Chips, Press } from '@/ui/Press';
import { Screen } from '@/ui/Screen';
import { Sheet } from '@/ui/Sheet';
import { Aside, Title, Words } from '@/ui/Words';
import { freshId, useOjas, useOjasDispatch, useOjasList, usePerson, useToday } from '../hooks';
import { comes, comesNoMore, staysAway } from './changes';
import { hourFault } from './hour';
import { occurrencesBetween, type Occurrence } from './occurrences';

const DAYS = 7;
/** The Monday of a day's week. */
const mondayOf = (day: LocalDay) =>
  format(startOfWeek(parseISO(day), { weekStartsOn: 1 }), 'yyyy-MM-dd') as LocalDay;
const dayWords = (day: LocalDay) => format(parseISO(day), 'EEEE d MMM');

/** Who comes when, week by week; who is due for a reading, and who has not been here for long. */
export function CalendarScreen() {
  const today = useToday();
  const visits = useOjas(selectVisits);
  const [monday, setMonday] = useState<LocalDay>(() => mondayOf(today));
  const coming = occurrencesBetween(visits, monday, shiftDays(monday, DAYS - 1));
  const days = Array.from({ length: DAYS }, (_, i) => shiftDays(monday, i));
  return (
    <Screen title="Week">
      <View className="flex-row flex-wrap items-center gap-2">
        <Press onPress={() => setMonday(shiftDays(monday, -DAYS))}>Week before</Press>
        <Press disabled={monday === mondayOf(today)} onPress={() => setMonday(mondayOf(today))}>
          This week
        </Press>
        <Press onPress={() => setMonday(shiftDays(monday, DAYS))}>Week after</Press>
      </View>
      <Words role="status">
        {date(monday)} to {date(shiftDays(monday, DAYS - 1))}: {coming.length}{' '}
        {coming.length === 1 ? 'visit' : 'visits'}.
      </Words>
      {days.map((day) => (
        <Day
          key={day}
          day={day}
          isToday={day === today}
          coming={coming.filter(({ on }) => on === day)}
        />
      ))}
      <AddVisit />
      <Due />
    </Screen>
  );
}

interface DayProps {
  readonly day: LocalDay;
  readonly isToday: boolean;
  readonly coming: readonly Occurrence[];
}

function Day({ day, isToday, coming }: DayProps) {
  if (coming.length === 0)
    return (
      <Aside>
        {dayWords(day)}
        {isToday ? ', today' : ''}: nobody
      </Aside>
    );
  return (
    <Sheet className={isToday ? 'border-thread' : ''} role="region" aria-label={dayWords(day)}>
      <Title level={2}>
        {dayWords(day)}
        {isToday ? ', today' : ''}
      </Title>
      {coming.map((one) => (
        <Coming key={one.visit.id} one={one} />
      ))}
    </Sheet>
  );
}

const repeatWords = ({ repeats }: Visit) =>
  Object.entries(rules).find(([, rule]) => rule === repeats)?.[0] ?? (repeats ? 'repeats' : '');

function Coming({ one }: { readonly one: Occurrence }) {
  const dispatch = useOjasDispatch();
  const person = usePerson(one.visit.person);
  if (!person) return null;
  const { visit } = one;
  return (
    <View className="flex-row flex-wrap items-center gap-x-3 border-t border-line">
      <Words className="min-w-[52px] font-semibold">{visit.time ?? '–'}</Words>
      <Link
        href={`/students/${person.id}/plan`}
        className="min-h-12 flex-1 py-3 font-text text-base text-thread underline"
      >
        {person.name}
      </Link>
      <Aside>{repeatWords(visit)}</Aside>
      <Press
        kind="quiet"
        aria-label={`${person.name} does not come on ${date(one.on)}`}
        onPress={() => dispatch(commit(staysAway(one, person.name)))}
      >
        Not this day
      </Press>
      {visit.repeats ? (
        <Press
          kind="quiet"
          aria-label={`${person.name} no longer comes at that hour`}
          onPress={() => dispatch(commit(comesNoMore(visit, person.name)))}
        >
          No more
        </Press>
      ) : null}
    </View>
  );
}

/** How a visit may repeat, as rules of RFC 5545. */
const rules = { 'every week': 'FREQ=WEEKLY', 'every two weeks': 'FREQ=WEEKLY;INTERVAL=2' } as const;
const repeatChoices = [
  { id: 'once', words: 'Once' },
  { id: 'every week', words: 'Every week' },
  { id: 'every two weeks', words: 'Every two weeks' },
] as const;
type Repeat = (typeof repeatChoices)[number]['id'];
const MOST_NAMES = 8;

function AddVisit() {
  const dispatch = useOjasDispatch();
  const today = useToday();
  const people = useOjas(selectPeople);
  const [sought, setSought] = useState('');
  const [person, setPerson] = useState<string | null>(null);
  const [on, setOn] = useState<string>(today);
  const [time, setTime] = useState('');
  const [repeat, setRepeat] = useState<Repeat>('once');
  if (people.length === 0) return null;
  const found = people
    .filter(({ name }) => name.toLowerCase().includes(sought.trim().toLowerCase()))
    .slice(0, MOST_NAMES);
  const chosen = people.find(({ id }) => id === person);
  const dayFault = isDay(on) ? undefined : 'A day such as 2026-03-02 is expected.';
  const timeFault = time === '' ? undefined : hourFault(time);
  const add = async () => {
    if (!chosen || dayFault || timeFault) return;
    const visit: Visit = {
      id: freshId('visit'),
      person: chosen.id,
      on,
      ...(time === '' ? {} : { time }),
      ...(repeat === 'once' ? {} : { repeats: rules[repeat] }),
    };
    await dispatch(commit(comes(visit, chosen.name)));
    setPerson(null);
    setSought('');
  };
  return (
    <Sheet>
      <Title level={2}>Add a visit</Title>
      <Field label="Who" hint="find by name" value={sought} onChangeText={setSought} />
      <Chips
        label="Who comes"
        options={found.map(({ id, name }) => ({ id, words: name }))}
        chosen={person}
        onChoose={setPerson}
      />
      <Field
        label="Day"
        hint="year-month-day"
        value={on}
        fault={dayFault}
        onChangeText={setOn}
        maxLength={10}
      />
      <Field
        label="Hour"
        hint="such as 18:15; may stay open"
        value={time}
        fault={timeFault}
        onChangeText={setTime}
        maxLength={5}
      />
      <Chips label="Repeats" options={repeatChoices} chosen={repeat} onChoose={setRepeat} />
      <Press
        kind="main"
        disabled={!chosen || dayFault !== undefined || timeFault !== undefined}
        onPress={add}
      >
        {chosen ? `Add ${chosen.name}` : 'Choose who comes'}
      </Press>
    </Sheet>
  );
}

/** Readings older than this are worth another look, in days; so long away is long. */
const OLD_READING_DAYS = 42;
const LONG_AWAY_DAYS = 21;

/** Who is due for a reading, who has not been here for long, and who practises at home every day. */
function Due() {
  const today = useToday();
  const people = useOjas(selectPeople);
  const readings = useOjasList((state) => people.map(({ id }) => selectReadingsOf(state, id)));
  const sessions = useOjasList((state) => people.map(({ id }) => selectSessionsOf(state, id)));
  const due = people.map((person, i) => ({
    person,
    readAt: readings[i]?.at(-1)?.at,
    hereAt: sessions[i]?.at(-1)?.at,
    doses: [...practisedPoses(sessions[i] ?? [])].flatMap((id) => {
      const pose = poseById(id);
      return pose?.homeDose ? [`${pose.name}: ${pose.homeDose}`] : [];
    }),
  }));
  const older = (at: string | undefined, days: number) =>
    at === undefined || daysBetween(dayOf(at), today) >= days;
  const parts = [
    {
      title: 'Due for a reading',
      none: 'Everybody was read within six weeks.',
      lines: due
        .filter(({ readAt }) => older(readAt, OLD_READING_DAYS))
        .map(({ person, readAt }) => ({
          person,
          words: readAt ? `read ${ago(readAt)}` : 'not read yet',
          href: `/students/${person.id}/measure`,
        })),
    },
    {
      title: 'Not here for long',
      none: 'Everybody was here within three weeks.',
      lines: due
        .filter(({ hereAt }) => hereAt !== undefined && older(hereAt, LONG_AWAY_DAYS))
        .map(({ person, hereAt }) => ({
          person,
          words: `on the mat ${ago(hereAt as string)}`,
          href: `/students/${person.id}/plan`,
        })),
    },
    {
      title: 'Every day at home',
      none: 'Nobody practises a pose that is meant for every day.',
      lines: due.flatMap(({ person, doses }) =>
        doses.map((words) => ({ person, words, href: `/students/${person.id}/home` })),
      ),
    },
  ];
  return (
    <>
      {parts.map(({ title, none, lines }) => (
        <Sheet key={title} role="region" aria-label={title}>
          <Title level={2}>{title}</Title>
          {lines.length === 0 ? <Aside>{none}</Aside> : null}
          {lines.map(({ person, words, href }) => (
            <View key={person.id + words} className="border-t border-line pb-2">
              <Link
                href={href as '/students'}
                className="min-h-12 py-3 font-text text-base text-thread underline"
              >
                {person.name}
              </Link>
              <Words>{words}</Words>
            </View>
          ))}
        </Sheet>
      ))}
    </>
  );
}
