import { useEffect, useMemo, useState } from 'react';
import { View } from 'react-native';
import { bookOf } from '@/core/formats/bookText';
import type { Fault } from '@/core/formats/faults';
import {
  ordersIn,
  tableIn,
  type DayOrder,
  type Rows,
  type TableIn as Read,
} from '@/core/formats/tablesIn';
import { methodIds, methods, type MethodId } from '@/core/protocols/protocols';
import { rangeIds, type RangeId } from '@/core/ranges/ranges';
import { commit, factsOf } from '@/store/store';
import { Chips, Press } from '@/ui/Press';
import { Words } from '@/ui/Words';
import { rangeName } from '@/ui/words/words';
import { freshId, todayIso, useOjas, useOjasDispatch, useWords } from '../hooks';
import { Faults, Refused } from './Faults';
import { rowsOf, textOf } from './csvText';

interface LookAtTableProps {
  readonly file: File;
  /** With what came of it; with nothing where it was left. */
  readonly onDone: (words?: string) => void;
}

/** A table that was chosen, read. */
export function LookAtTable({ file, onDone }: LookAtTableProps) {
  const [rows, setRows] = useState<Rows | null>(null);
  useEffect(() => {
    let isHere = true;
    void file.arrayBuffer().then(
      (bytes) => isHere && setRows(rowsOf(textOf(bytes))),
      () => isHere && onDone(`${file.name} could not be read.`),
    );
    return () => {
      isHere = false;
    };
    // Read once for each file.
    // eslint-disable-next-line react-hooks/exhaustive-deps
  }, [file]);
  return rows ? <Look file={file.name} {...{ rows, onDone }} /> : null;
}

const orders: readonly { readonly id: DayOrder; readonly words: string }[] = [
  { id: 'day-first', words: 'Day, then month' },
  { id: 'month-first', words: 'Month, then day' },
];
const ways = methodIds
  .filter((id) => id !== 'from-pose')
  .map((id) => ({ id, words: methods[id].name }));
const rangeNames = Object.fromEntries(rangeIds.map((id) => [id, rangeName(id)])) as Readonly<
  Record<RangeId, string>
>;

const isFault = (read: Read | Fault): read is Fault => 'says' in read;
const lines = (many: number) => (many === 1 ? 'One line' : `${many} lines`);
const kinds: Readonly<Record<Read['kind'], string>> = {
  readings: 'readings',
  poses: 'poses done',
  heights: 'heights built',
};

/** What the table does not say, with its question above it. */
const Asked = <Id extends string>(of: Parameters<typeof Chips<Id>>[0]) => (
  <View className="gap-1">
    <Words className="font-semibold">{of.label}</Words>
    <Chips {...of} />
  </View>
);

interface LookProps {
  readonly file: string;
  readonly rows: Rows;
  readonly onDone: (words?: string) => void;
}

/** What a table would bring, what in it cannot be read, and what must be asked. */
function Look({ file, rows, onDone }: LookProps) {
  const facts = useOjas(factsOf);
  const dispatch = useOjasDispatch();
  const say = useWords();
  const couldBe = useMemo(() => ordersIn(rows), [rows]);
  const [order, setOrder] = useState<DayOrder | null>(
    couldBe.length > 1 ? null : (couldBe[0] ?? 'day-first'),
  );
  const [method, setMethod] = useState<MethodId>('protractor');
  const read = useMemo(
    () =>
      tableIn(rows, bookOf(facts), {
        order: order ?? 'day-first',
        method,
        today: todayIso(),
        rangeNames,
        freshId,
      }),
    [rows, facts, order, method],
  );
  if (isFault(read))
    return (
      <View className="gap-2" role="status">
        <Refused file={file} faults={[say.fault(read)]} />
      </View>
    );
  const take = async () => {
    const words = `${lines(read.fresh)} of ${file} taken in`;
    const { ok } = await dispatch(commit({ words, put: read.facts, remove: [] }));
    if (ok) onDone(`${words}.`);
  };
  return (
    <View className="gap-3 border-l-4 border-tape pl-3" role="group" aria-label={file}>
      <Words>
        {file}, {kinds[read.kind]}: {read.fresh} new, {read.known} here already,{' '}
        {read.faults.length} that cannot be read.
      </Words>
      {couldBe.length > 1 ? (
        <Asked
          label="How its days are written"
          options={orders}
          chosen={order}
          onChoose={setOrder}
        />
      ) : null}
      {read.asksMethod ? (
        <Asked label="How it was measured" options={ways} chosen={method} onChoose={setMethod} />
      ) : null}
      <Faults faults={read.faults.map(say.fault)} />
      {read.fresh > 0 ? (
        <Press kind="main" disabled={order === null} onPress={take}>
          {order === null
            ? 'Say how its days are written'
            : read.faults.length > 0
              ? `Take in the ${read.fresh} that can be read`
              : `Take in ${lines(read.fresh).toLowerCase()}`}
        </Press>
      ) : null}
      <Press kind="quiet" onPress={() => onDone()}>
        Leave it
      </Press>
    </View>
  );
}
