import { Link } from 'expo-router';
import { useMemo, useState } from 'react';
import { Pressable, Text, View } from 'react-native';
import {
  createColumnHelper,
  flexRender,
  getCoreRowModel,
  getFilteredRowModel,
  getSortedRowModel,
  useReactTable,
  type Header,
  type Row,
  type SortingState,
} from '@tanstack/react-table';
import { isDueForReading } from '@/core/advise/due';
import { newsRank, type RangeNews } from '@/core/advise/rangeNews';
import type { StudentRecord } from '@/core/estimate/estimate';
import { rangeIds, ranges, type RangeId } from '@/core/ranges/ranges';
import { unansweredCautions } from '@/core/safety/verdict';
import { selectClasses, selectPeople, selectRecord } from '@/store/selectors';
import { ago, date } from '@/ui/format';
import { Field } from '@/ui/Field';
import { Chips } from '@/ui/Press';
import { Aside, Words } from '@/ui/Words';
import { rangeName } from '@/ui/words/words';
import { useOjas, useOjasList, useToday, useWords } from '../hooks';
import { useWide } from '../shell/Shell';
import { NobodyYet, seenWords, StudentLine } from './StudentLine';
import { useNews } from './useNews';

interface Student {
  readonly record: StudentRecord;
  /** The moment of the last session; empty for who was never on the mat. */
  readonly lastAt: string;
  /** The moment of the last reading; empty for who was never read. */
  readonly readAt: string;
  readonly isDue: boolean;
  readonly toAsk: number;
  readonly cautions: readonly string[];
  readonly classes: readonly string[];
  readonly news: RangeNews | undefined;
}

const ALL = 'all';
const WITH_CAUTION = 'caution';
const TO_ASK = 'ask';
const DUE = 'due';

/** What a reading of a range comes to so far, in a few words. */
export function newsWords(news: RangeNews | undefined): string {
  if (news === undefined) return '…';
  switch (news.is) {
    case 'unread':
      return 'never read';
    case 'once':
      return `${news.nowDeg.toFixed(0)}° ${news.side}, read once, ${date(news.on)}`;
    case 'same':
      return `${news.nowDeg.toFixed(0)}° ${news.side}, no change beyond chance`;
    case 'changed':
      return `${news.nowDeg.toFixed(0)}° ${news.side}, ${Math.abs(news.byDeg).toFixed(0)}° ${news.byDeg > 0 ? 'freer' : 'stiffer'} since ${date(news.since)}`;
  }
}

const column = createColumnHelper<Student>();
/** Columns by what they are sorted by; a range that is looked at has one of its own. */
const columnsFor = (range: RangeId | null) => [
  column.accessor(({ record }) => record.person.name, { id: 'name', header: 'Name' }),
  column.accessor('lastAt', {
    id: 'last',
    header: 'Last here',
    cell: ({ row }) => seenWords(row.original.lastAt),
  }),
  column.accessor('readAt', {
    id: 'read',
    header: 'Last read',
    cell: ({ row: { original } }) =>
      `${original.readAt ? ago(original.readAt) : 'never'}${original.isDue ? ', due' : ''}`,
  }),
  column.accessor('toAsk', {
    id: 'ask',
    header: 'To ask',
    cell: ({ getValue }) => (getValue() > 0 ? String(getValue()) : ''),
  }),
  column.accessor(({ cautions }) => cautions.length, {
    id: 'cautions',
    header: 'To mind',
    cell: ({ row }) => row.original.cautions.join(', '),
  }),
  ...(range
    ? [
        column.accessor(({ news }) => (news ? newsRank(news) : -1), {
          id: 'news',
          header: rangeName(range),
          cell: ({ row }) => newsWords(row.original.news),
        }),
      ]
    : []),
];

const sorts = [
  { id: 'name', words: 'Name', desc: false },
  { id: 'last', words: 'Last here', desc: true },
  { id: 'away', words: 'Longest away', desc: false },
  { id: 'read', words: 'Longest unread', desc: false },
  { id: 'news', words: 'Changed most', desc: true },
] as const;
type SortId = (typeof sorts)[number]['id'];

/** Every student with what the list is sorted and narrowed by. */
function useStudents(range: RangeId | null) {
  const say = useWords();
  const today = useToday();
  const people = useOjas(selectPeople);
  const classes = useOjas(selectClasses);
  const found = useOjasList((state) => people.flatMap(({ id }) => selectRecord(state, id) ?? []));
  const records = useMemo(() => [...found], [found]);
  const { news, left } = useNews(records, range);
  const students = useMemo(
    () =>
      records.map((record): Student => ({
        record,
        lastAt: record.sessions.at(-1)?.at ?? '',
        readAt: record.readings.at(-1)?.at ?? '',
        isDue: isDueForReading(record.readings.at(-1)?.at, today),
        toAsk: unansweredCautions(record.person.cautions, record.person.sex).length,
        cautions: record.person.cautions.flatMap(({ id, answer }) =>
          answer === 'yes' ? [say.caution(id).short] : [],
        ),
        classes: classes.flatMap(({ id, people: of }) =>
          of?.includes(record.person.id) ? [id] : [],
        ),
        news: news.get(record.person.id),
      })),
    [records, classes, news, say, today],
  );
  return { students, classes, left };
}

/** Ranges that are most asked after, first. */
const LOOKED_FIRST: readonly RangeId[] = ['hamstring', 'kneeFlexion.hipBent', 'hipRotation'];
const looked: readonly RangeId[] = [...new Set([...LOOKED_FIRST, ...rangeIds])].filter(
  (id) => ranges[id].unit === 'deg',
);
const MOST_LOOKED = 8;

/** Everybody, found by name, sorted and narrowed: a list on a phone, a table where it is wide. */
export function StudentTable() {
  const wide = useWide();
  const [sought, setSought] = useState('');
  const [shown, setShown] = useState<string>(ALL);
  const [range, setRange] = useState<RangeId | null>(null);
  const [sort, setSort] = useState<SortId>('name');
  const { students, classes, left } = useStudents(range);
  const columns = useMemo(() => columnsFor(range), [range]);
  const data = useMemo(
    () =>
      students.filter(
        (one) =>
          shown === ALL ||
          (shown === WITH_CAUTION && one.cautions.length > 0) ||
          (shown === TO_ASK && one.toAsk > 0) ||
          (shown === DUE && one.isDue) ||
          one.classes.includes(shown),
      ),
    [students, shown],
  );
  const sorting = useMemo((): SortingState => {
    const { id, desc } = sorts.find((one) => one.id === sort) ?? sorts[0];
    return [{ id: id === 'away' ? 'last' : id, desc }];
  }, [sort]);
  // eslint-disable-next-line react-hooks/incompatible-library -- nothing of it is memoised
  const table = useReactTable({
    data,
    columns,
    state: { sorting, globalFilter: sought.trim() },
    globalFilterFn: (row: Row<Student>, _column, words: string) =>
      row.original.record.person.name.toLowerCase().includes(words.toLowerCase()),
    // There are no pages, and what resets them would draw it all again and again.
    autoResetPageIndex: false,
    getCoreRowModel: getCoreRowModel(),
    getFilteredRowModel: getFilteredRowModel(),
    getSortedRowModel: getSortedRowModel(),
  });
  const { rows } = table.getRowModel();
  if (students.length === 0) return <NobodyYet />;
  const choose = (id: SortId) => {
    setSort(id);
    if (id === 'news' && range === null) setRange('hamstring');
  };
  return (
    <>
      <Field label="Find by name" value={sought} onChangeText={setSought} />
      <Narrowing {...{ shown, setShown, classes }} />
      <View className="gap-1">
        <Words>In order of</Words>
        <Chips label="In order of" options={sorts} chosen={sort} onChoose={choose} />
      </View>
      {range === null ? null : (
        <View className="gap-1">
          <Words>Change in</Words>
          <Chips
            label="Change in"
            options={looked.slice(0, MOST_LOOKED).map((id) => ({ id, words: rangeName(id) }))}
            chosen={range}
            onChoose={setRange}
            inOneRow
          />
          {left > 0 ? <Aside role="status">Reckoning, {left} to come…</Aside> : null}
        </View>
      )}
      {rows.length === 0 ? (
        <Words>
          {sought.trim() ? `Nobody is called “${sought}”.` : 'Nobody here is like that.'}
        </Words>
      ) : null}
      {wide ? (
        <AsTable headers={table.getFlatHeaders()} rows={rows} onSort={choose} />
      ) : (
        <View role="list" className="gap-2">
          {rows.map(({ original }) => (
            <StudentLine
              key={original.record.person.id}
              person={original.record.person}
              lastAt={original.lastAt}
              news={original.news ? newsWords(original.news) : null}
            />
          ))}
        </View>
      )}
    </>
  );
}

interface NarrowingProps {
  readonly shown: string;
  readonly setShown: (id: string) => void;
  readonly classes: readonly { readonly id: string; readonly name?: string | undefined }[];
}

/** Who is shown: everybody, those with something to mind or to ask, or one class. */
const Narrowing = ({ shown, setShown, classes }: NarrowingProps) => (
  <Chips
    label="Show"
    options={[
      { id: ALL, words: 'Everybody' },
      { id: WITH_CAUTION, words: 'Something to mind' },
      { id: TO_ASK, words: 'Questions open' },
      { id: DUE, words: 'Due for a reading' },
      ...classes.map(({ id, name }) => ({ id, words: name ?? 'A class' })),
    ]}
    chosen={shown}
    onChoose={setShown}
    inOneRow
  />
);

interface AsTableProps {
  readonly headers: readonly Header<Student, unknown>[];
  readonly rows: readonly Row<Student>[];
  readonly onSort: (id: SortId) => void;
}

/** Which order a column's head asks for. */
const sortOf: Readonly<Record<string, SortId>> = {
  name: 'name',
  last: 'last',
  read: 'read',
  news: 'news',
};
const CELL = 'flex-1 justify-center px-3 py-2';

function AsTable({ headers, rows, onSort }: AsTableProps) {
  return (
    <View role="table" aria-label="Students" className="rounded-md border border-line bg-sheet">
      <View role="row" className="flex-row border-b border-line">
        {headers.map((header) => {
          const name = flexRender(header.column.columnDef.header, header.getContext());
          const sorted = header.column.getIsSorted();
          const order = sortOf[header.id];
          return (
            <View
              key={header.id}
              role="columnheader"
              {...(sorted ? { 'aria-sort': sorted === 'desc' ? 'descending' : 'ascending' } : {})}
              className={CELL}
            >
              {order ? (
                <Pressable
                  role="button"
                  onPress={() => onSort(order)}
                  className="min-h-11 justify-center"
                >
                  <Text className="font-text text-base font-semibold text-thread underline">
                    {name}
                    {sorted ? (sorted === 'desc' ? ' ↓' : ' ↑') : ''}
                  </Text>
                </Pressable>
              ) : (
                <Words className="font-semibold">{name}</Words>
              )}
            </View>
          );
        })}
      </View>
      {rows.map((row) => (
        <View key={row.id} role="row" className="flex-row border-b border-line">
          {row.getVisibleCells().map((cell) => (
            <View key={cell.id} role="cell" className={CELL}>
              {cell.column.id === 'name' ? (
                <Link
                  href={`/students/${row.original.record.person.id}`}
                  className="min-h-11 py-2 font-text text-base font-semibold text-thread underline"
                >
                  {row.original.record.person.name}
                </Link>
              ) : (
                <Words>{flexRender(cell.column.columnDef.cell, cell.getContext())}</Words>
              )}
            </View>
          ))}
        </View>
      ))}
    </View>
  );
}
