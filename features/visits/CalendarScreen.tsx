import { format } from 'date-fns/format';
import { parseISO } from 'date-fns/parseISO';
import { startOfWeek } from 'date-fns/startOfWeek';
import { Link } from 'expo-router';
import { useState } from 'react';
import { View } from 'react-native';
import { recordIn } from '@/core/recordIn';
import type { ClassRecord, Visit } from '@/core/formats/book';
import { shiftDays, type LocalDay } from '@/core/formats/time';
import { selectClasses, selectPeople, selectVisits } from '@/store/selectors';
import { commit } from '@/store/store';
import { clock, date } from '@/ui/format';
import { Press } from '@/ui/Press';
import { Screen } from '@/ui/Screen';
import { Sheet } from '@/ui/Sheet';
import { Aside, Title, Words } from '@/ui/Words';
import { useOjas, useOjasDispatch, usePerson, useToday } from '../hooks';
import { Add } from './Add';
import { ends, fallsOut } from './changes';
import { ClassLine } from './ClassLine';
import { useComing } from './ComingOn';
import { Due } from './Due';
import { ForCalendar } from './ForCalendar';
import { inOrder, type Occurrence } from './comers';
import { isUnread, repeatWords } from './when';

const DAYS = 7;
/** The Monday of a day's week. */
const mondayOf = (day: LocalDay) =>
  format(startOfWeek(parseISO(day), { weekStartsOn: 1 }), 'yyyy-MM-dd') as LocalDay;
const dayWords = (day: LocalDay) => format(parseISO(day), 'EEEE d MMM');
const counted = (many: number, one: string, more: string) => `${many} ${many === 1 ? one : more}`;

/** Who comes when, week by week; who is due for a reading, and who has not been here for long. */
export function CalendarScreen() {
  const today = useToday();
  const somebody = useOjas((state) => selectPeople(state).length > 0);
  const [monday, setMonday] = useState<LocalDay>(() => mondayOf(today));
  const { visits, classes } = useComing(monday, shiftDays(monday, DAYS - 1));
  const all = inOrder<Visit | ClassRecord>([...visits, ...classes]);
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
        {date(monday)} to {date(shiftDays(monday, DAYS - 1))}:{' '}
        {counted(visits.length, 'visit', 'visits')}
        {classes.length > 0 ? `, ${counted(classes.length, 'class', 'classes')}` : ''}.
      </Words>
      {days.map((day) => (
        <Day
          key={day}
          day={day}
          isToday={day === today}
          coming={all.filter(({ on }) => on === day)}
        />
      ))}
      <NotRead />
      {somebody ? <Add /> : null}
      <Due />
      {somebody ? <ForCalendar /> : null}
    </Screen>
  );
}

interface DayProps {
  readonly day: LocalDay;
  readonly isToday: boolean;
  readonly coming: readonly Occurrence<Visit | ClassRecord>[];
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
      {coming.map((one) =>
        'person' in one.what ? (
          <VisitLine key={one.what.id} one={one as Occurrence<Visit>} />
        ) : (
          <ClassLine key={one.what.id} one={one as Occurrence<ClassRecord>} />
        ),
      )}
    </Sheet>
  );
}

/** What repeats by rules of other programs: kept, shown, and to be ended here. */
function NotRead() {
  const dispatch = useOjasDispatch();
  const people = useOjas((state) => state.people);
  const visits = useOjas(selectVisits).filter(isUnread);
  const classes = useOjas(selectClasses).filter(isUnread);
  if (visits.length + classes.length === 0) return null;
  const lines = [
    ...visits.map((what) => ({
      kind: 'visits' as const,
      what,
      name: recordIn(people, what.person)?.name ?? '',
    })),
    ...classes.map((what) => ({ kind: 'classes' as const, what, name: what.name ?? 'Class' })),
  ];
  return (
    <Sheet role="region" aria-label="Not read here">
      <Title level={2}>Not read here</Title>
      <Words>
        These came from a file with a rule of repetition that is not read here. They are kept as
        they came, and stand in the week on their first day alone.
      </Words>
      {lines.map(({ kind, what, name }) => (
        <View
          key={kind + what.id}
          className="flex-row flex-wrap items-center gap-x-3 border-t border-line"
        >
          <Words className="flex-1 py-3">
            <Words className="font-semibold">{name}</Words>
            {what.on ? `, from ${date(what.on)}` : ''}: {what.repeats}
          </Words>
          <Press
            kind="quiet"
            aria-label={`${name} no longer repeats`}
            onPress={() => dispatch(commit(ends(kind, what, `${name} no longer repeats`)))}
          >
            Take it out
          </Press>
        </View>
      ))}
    </Sheet>
  );
}

function VisitLine({ one }: { readonly one: Occurrence<Visit> }) {
  const { what } = one;
  const dispatch = useOjasDispatch();
  const person = usePerson(what.person);
  if (!person) return null;
  const away = `${person.name} does not come on ${date(one.on)}`;
  const over = `${person.name} no longer comes at that hour`;
  return (
    <View className="flex-row flex-wrap items-center gap-x-3 border-t border-line">
      <Words className="min-w-[52px] font-semibold">{what.time ? clock(what.time) : '–'}</Words>
      <Link
        href={`/students/${person.id}/plan`}
        className="min-h-12 flex-1 py-3 font-text text-base text-thread underline"
      >
        {person.name}
      </Link>
      <Aside>{repeatWords(what)}</Aside>
      <Press
        kind="quiet"
        aria-label={away}
        onPress={() => dispatch(commit(fallsOut('visits', one, away)))}
      >
        Not this day
      </Press>
      {what.repeats ? (
        <Press
          kind="quiet"
          aria-label={over}
          onPress={() => dispatch(commit(ends('visits', what, over)))}
        >
          Comes no more
        </Press>
      ) : null}
    </View>
  );
}
