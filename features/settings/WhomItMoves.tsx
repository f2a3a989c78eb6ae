import { Link } from 'expo-router';
import { useState } from 'react';
import { View } from 'react-native';
import { recordIn } from '@/core/recordIn';
import type { Parameter } from '@/core/parameters';
import { selectPeople, selectRecord, selectShelf } from '@/store/selectors';
import type { RootState } from '@/store/store';
import { length } from '@/ui/format';
import { Field } from '@/ui/Field';
import { readNumber } from '@/ui/number';
import { Press } from '@/ui/Press';
import { Aside, Words } from '@/ui/Words';
import { slotName } from '@/ui/words/words';
import type { MovedHeight } from '@/core/advise/moved';
import { studentsMoved, type StudentMoved } from '@/workers/moved';
import { useOjas, useOjasList, useToday, useUnits } from '../hooks';
import { poseTitle } from '../plan/words';
import { meant, told, unitIn } from './inUnits';

/** A value worth trying: one that its own doubt allows, or a tenth more. */
const another = ({ value, sd }: Parameter) => value + (sd > 0 ? sd : Math.abs(value) * 0.1 || 1);
/** More than this are counted, not named. */
const NAMED = 8;

type Outcome =
  | { readonly is: 'idle' }
  | { readonly is: 'reckoning' }
  | { readonly is: 'failed'; readonly words: string }
  | { readonly is: 'done'; readonly moved: readonly StudentMoved[]; readonly of: number };

interface WhomItMovesProps {
  readonly group: string;
  readonly name: string;
  readonly words: string;
  readonly parameter: Parameter;
}

/** Whom another value of a number would move, and where: tried in a program of its own, nothing of the book changes. */
export function WhomItMoves({ group, name, words, parameter }: WhomItMovesProps) {
  const units = useUnits();
  const today = useToday();
  const shelf = useOjas(selectShelf);
  const people = useOjas(selectPeople);
  const left = useOjas((state) => state.storage.left);
  const records = useOjasList((state: RootState) =>
    people.flatMap(({ id }) => selectRecord(state, id) ?? []),
  );
  const [typed, setTyped] = useState(() => String(told(another(parameter), parameter.unit, units)));
  const [outcome, setOutcome] = useState<Outcome>({ is: 'idle' });
  const read = readNumber(typed);
  const tryIt = async () => {
    if (!read.ok) return;
    setOutcome({ is: 'reckoning' });
    const value = meant(read.value, parameter.unit, units);
    setOutcome(
      await studentsMoved({ records, shelf, today }, { group, name, value }).then(
        (moved): Outcome => ({ is: 'done', moved, of: records.length }),
        (error: Error): Outcome => ({ is: 'failed', words: error.message }),
      ),
    );
  };
  return (
    <View className="gap-2 border-l-2 border-line pb-2 pl-3">
      <Field
        label={`${words}: what if it were`}
        hint={unitIn(parameter.unit, units)}
        value={typed}
        inputMode="decimal"
        onChangeText={setTyped}
        fault={read.ok ? undefined : read.words}
      />
      <Press onPress={tryIt} disabled={!read.ok || left > 0 || outcome.is === 'reckoning'}>
        Whom would it move?
      </Press>
      {left > 0 ? <Words role="status">Reading the records: {left} to come…</Words> : null}
      <View role="status" className="gap-1">
        <Told outcome={outcome} students={records.length} />
      </View>
      <Aside>
        Tried beside your work: what Ojas reckons with, and what is planned, stay as they are.
      </Aside>
    </View>
  );
}

function Told({ outcome, students }: { readonly outcome: Outcome; readonly students: number }) {
  if (outcome.is === 'idle') return null;
  if (outcome.is === 'reckoning')
    return (
      <Words>
        Reckoning {students} {students === 1 ? 'student' : 'students'} twice…
      </Words>
    );
  if (outcome.is === 'failed')
    return (
      <Words className="text-rust">
        With this number it cannot be reckoned: {outcome.words} Try one nearer to what it is.
      </Words>
    );
  const { moved, of } = outcome;
  if (moved.length === 0)
    return (
      <Words>
        Nothing would be laid otherwise for anyone: no height moves as far as the next piece of this
        shelf.
      </Words>
    );
  return (
    <>
      <Words className="font-semibold">
        {moved.length} of {of} would sit, kneel or lie on something else:
      </Words>
      {moved.slice(0, NAMED).map((one) => (
        <OneMoved key={one.person} moved={one} />
      ))}
      {moved.length > NAMED ? <Words>and {moved.length - NAMED} others by less.</Words> : null}
    </>
  );
}

function OneMoved({ moved: { person, heights } }: { readonly moved: StudentMoved }) {
  const name = useOjas((state) => recordIn(state.people, person)?.name ?? person);
  const units = useUnits();
  const [first, ...others] = heights;
  if (!first) return null;
  const rest =
    others.length === 0
      ? ''
      : `; ${others.length} more ${others.length === 1 ? 'height' : 'heights'}`;
  const laid = ({ cm, over }: MovedHeight['from']) =>
    cm === 0 ? 'nothing' : `${length(cm, units)}${over ? ` on the ${over}` : ''}`;
  return (
    <Words>
      <Link
        href={`/students/${person}/poses/${first.pose}` as '/students'}
        className="font-semibold underline"
      >
        {name}
      </Link>
      : {heightWords(first)} {laid(first.from)} → {laid(first.to)}
      {rest}
    </Words>
  );
}

const heightWords = ({ pose, poseSide, slot, part, side }: MovedHeight) =>
  `${poseTitle({ pose, side: poseSide })}, ${slotName({ slot, ...(part ? { part } : {}), side }).toLowerCase()}`;
