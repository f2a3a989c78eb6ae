import { useCallback, useEffect, useState } from 'react';
import { View } from 'react-native';
import type { Book } from '@/core/formats/book';
import { parseBook, parseBookFile, type Parsed } from '@/core/formats/check';
import type { Fact } from '@/core/formats/facts';
import type { Fault } from '@/core/formats/limits';
import { DAYS_TO_BRING_BACK, removedStudents, undoable } from '@/store/acts';
import { differences, mergeBook, mergeChange, type Conflict, type Merge } from '@/store/merge';
import {
  commit,
  factsOf,
  forgetSetAside,
  keepAside,
  readSecondCopy,
  replaceSecondCopy,
  secondCopy,
  undo,
} from '@/store/store';
import type { SetAside } from '@/store/vault';
import { date, since } from '@/ui/format';
import { Press } from '@/ui/Press';
import { Screen } from '@/ui/Screen';
import { Sheet } from '@/ui/Sheet';
import { Aside, Title, Words } from '@/ui/Words';
import { nowIso, todayIso, useOjas, useOjasDispatch } from '../hooks';
import { chooseFile, saveFile } from './files';
import { saveBook } from './saveBook';
import { rangeName } from '@/ui/words/words';

/** More than two thousand students' records for years: a file larger than this is something else. */
const MOST_BYTES = 400_000_000;
const SHOWN_AT_FIRST = 12;

type Step =
  | { readonly at: 'idle' }
  | { readonly at: 'refused'; readonly file: string; readonly faults: readonly Fault[] }
  | {
      readonly at: 'ready';
      readonly file: string;
      readonly merge: Merge;
      readonly notes: readonly Fault[];
    }
  | { readonly at: 'done'; readonly words: string };

/** Backup, and what comes in from a file. */
export function DataScreen() {
  return (
    <Screen title="Data">
      <Export />
      <Import />
      <SetAsides />
      <Acts />
    </Screen>
  );
}

function Export() {
  const dispatch = useOjasDispatch();
  const { people, readings, sessions, shelf } = useOjas(factsOf);
  const setAside = useOjas((state) => state.storage.setAside.length);
  const heads = useOjas((state) => state.undo.heads);
  const removed = removedStudents(heads, nowIso()).flatMap((one) => one.removed?.name ?? []);
  const count = (records: object) => Object.keys(records).length;
  return (
    <Sheet>
      <Title level={2}>Export</Title>
      <Words>
        {count(people)} students, {count(readings)} readings, {count(sessions)} sessions,{' '}
        {count(shelf)} kinds of props. One file holds all of it, health answers too: keep it where
        others do not read.
      </Words>
      {setAside > 0 ? (
        <Words>
          {setAside === 1
            ? 'One record that could not be read goes'
            : `${setAside} records that could not be read go`}{' '}
          along as found.
        </Words>
      ) : null}
      {removed.length > 0 ? (
        <Words>
          Left out: {removed.join(', ')}, removed in the last {DAYS_TO_BRING_BACK} days. Pictures
          stay on this device.
        </Words>
      ) : (
        <Aside>Pictures stay on this device.</Aside>
      )}
      <Press kind="main" onPress={() => dispatch(saveBook())}>
        Export the book
      </Press>
    </Sheet>
  );
}

function Import() {
  const facts = useOjas(factsOf);
  const dispatch = useOjasDispatch();
  const [step, setStep] = useState<Step>({ at: 'idle' });
  const look = (file: string, parsed: Parsed<Book>) =>
    setStep(
      parsed.ok
        ? { at: 'ready', file, merge: mergeBook(parsed.value, facts), notes: parsed.notes }
        : { at: 'refused', file, faults: parsed.faults },
    );
  const take = async () => {
    const file = await chooseFile('.json,application/json');
    if (!file) return;
    if (file.size > MOST_BYTES)
      return setStep({
        at: 'refused',
        file: file.name,
        faults: [
          {
            path: 'the file',
            words: `${Math.round(file.size / 1e6)} MB is more than a book can be (${MOST_BYTES / 1e6} MB): choose another file.`,
          },
        ],
      });
    return look(file.name, parseBookFile(new Uint8Array(await file.arrayBuffer()), todayIso()));
  };
  const merge = async (merged: Merge, takeConflicts: boolean) => {
    const change = mergeChange(merged, takeConflicts);
    const outcome = await dispatch(commit(change));
    if (!outcome.ok) return setStep({ at: 'idle' });
    await dispatch(keepAside(merged.setAside));
    return setStep({
      at: 'done',
      words: `${change.put.length} records came in.${merged.setAside.length > 0 ? ` ${merged.setAside.length} that could not be read lie below.` : ''}`,
    });
  };
  return (
    <Sheet>
      <Title level={2}>Import</Title>
      <Words>What is here already stays as it is; what differs is shown first.</Words>
      <Press onPress={take}>Choose a book</Press>
      <SecondCopy onTake={(text) => look('The second copy', parseBook(text, todayIso()))} />
      <View role="status" aria-live="polite" className="gap-2">
        {step.at === 'refused' ? (
          <>
            <Words className="font-semibold text-rust">
              {step.file} was not taken in; nothing stored has changed.
            </Words>
            <Faults faults={step.faults} />
          </>
        ) : null}
        {step.at === 'ready' ? (
          <>
            <Words>
              {step.file}: {step.merge.fresh.length} new, {step.merge.same} the same as here,{' '}
              {step.merge.conflicts.length} that differ from what is here.
            </Words>
            {step.merge.setAside.length > 0 ? (
              <Words>
                {step.merge.setAside.length} more could not be read where the book was written: they
                come along as found.
              </Words>
            ) : null}
            <Faults faults={step.notes} />
            <Conflicts conflicts={step.merge.conflicts} />
            {step.merge.fresh.length > 0 || step.merge.conflicts.length === 0 ? (
              <Press kind="main" onPress={() => merge(step.merge, false)}>
                Take in what is new
              </Press>
            ) : null}
            {step.merge.conflicts.length > 0 ? (
              <Press kind="warn" onPress={() => merge(step.merge, true)}>
                Take in all, replacing {step.merge.conflicts.length}
              </Press>
            ) : null}
            <Press kind="quiet" onPress={() => setStep({ at: 'idle' })}>
              Leave it
            </Press>
          </>
        ) : null}
        {step.at === 'done' ? <Words>{step.words}</Words> : null}
      </View>
    </Sheet>
  );
}

/** The copy that this browser keeps beside the book: one of a book that was here before may still be taken in. */
function SecondCopy({ onTake }: { readonly onTake: (text: string) => void }) {
  const dispatch = useOjasDispatch();
  const [copy, setCopy] = useState<SecondCopyTold>(null);
  const look = useCallback(() => void dispatch(secondCopy()).then(setCopy), [dispatch]);
  useEffect(look, [look]);
  if (!copy) return null;
  const withText = async (work: (text: string) => unknown) => {
    const text = await dispatch(readSecondCopy());
    if (text !== null) work(text);
  };
  const save = (text: string) =>
    saveFile(`ojas-second-copy-${todayIso()}.json`, [text], 'application/json');
  const held = `${copy.people} students, ${copy.readings} readings, ${copy.sessions} sessions`;
  if (copy.isOfThisBook)
    return (
      <Aside>
        This browser keeps a second copy, written after each session: {held},{' '}
        {copy.at ? since(copy.at) : 'earlier'}.
      </Aside>
    );
  return (
    <View className="gap-2 border-l-4 border-tape pl-3">
      <Words>
        A second copy of an earlier book lies in this browser: {held}
        {copy.at ? `, of ${date(copy.at)}` : ''}. It stays until a copy of this book holds as much.
      </Words>
      <Press onPress={() => withText(onTake)}>Look what the second copy would bring</Press>
      <Press
        kind="quiet"
        onPress={() => withText((text) => (save(text), dispatch(replaceSecondCopy()).then(look)))}
      >
        Save it as a file, and keep a copy of this book in its place
      </Press>
    </View>
  );
}
type SecondCopyTold = Awaited<ReturnType<ReturnType<typeof secondCopy>>>;

/** The first of many lines, and the rest on asking. */
function useFirst<T>(all: readonly T[]) {
  const [open, setOpen] = useState(false);
  const more = all.length - SHOWN_AT_FIRST;
  return {
    shown: open ? all : all.slice(0, SHOWN_AT_FIRST),
    rest:
      more > 0 && !open ? (
        <Press kind="quiet" onPress={() => setOpen(true)}>{`Show the other ${more}`}</Press>
      ) : null,
  };
}

function Faults({ faults }: { readonly faults: readonly Fault[] }) {
  const { shown, rest } = useFirst(faults);
  return (
    <>
      {shown.map(({ path, words }) => (
        <Words key={path + words}>
          <Words className="font-semibold">{path}: </Words>
          {words}
        </Words>
      ))}
      {rest}
    </>
  );
}

/** Each record that differs, with every field that does: here, and in the book. */
function Conflicts({ conflicts }: { readonly conflicts: readonly Conflict[] }) {
  const { shown, rest } = useFirst(conflicts);
  return (
    <>
      {shown.map((conflict) => (
        <View
          key={conflict.fact.kind + conflict.fact.id}
          className="gap-1 border-l-4 border-tape pl-3"
        >
          <Words className="font-semibold">{titleOf(conflict.fact)}</Words>
          <Differences conflict={conflict} />
        </View>
      ))}
      {rest}
    </>
  );
}

/** A record as a teacher would call it. */
function titleOf({ kind, id, record }: Fact): string {
  if (kind === 'people' || kind === 'shelf') return record.name;
  if (kind === 'readings') return `${rangeName(record.range)}, ${date(record.at)}`;
  if (kind === 'sessions') return `Session of ${date(record.at)}`;
  return kind === 'settings' ? 'Settings' : `${kind}: ${id}`;
}

function Differences({ conflict }: { readonly conflict: Conflict }) {
  const { shown, rest } = useFirst(differences(conflict));
  return (
    <>
      {shown.map(({ field, here, there }) => (
        <Words key={field}>
          {field}: {here} here, {there} in the book
        </Words>
      ))}
      {rest}
    </>
  );
}

function SetAsides() {
  const setAside = useOjas((state) => state.storage.setAside);
  const { shown, rest } = useFirst(setAside);
  if (setAside.length === 0) return null;
  return (
    <Sheet className="border-rust">
      <Title level={2}>
        {setAside.length === 1
          ? 'One record could not be read'
          : `${setAside.length} records could not be read`}
      </Title>
      <Words>They are kept as they are, and left out of everything.</Words>
      {shown.map((one) => (
        <Unreadable key={one.at} one={one} />
      ))}
      {rest}
    </Sheet>
  );
}

function Unreadable({ one }: { readonly one: SetAside }) {
  const dispatch = useOjasDispatch();
  return (
    <View className="gap-1 border-t border-line pt-2">
      <Words className="font-semibold">{one.of.key}</Words>
      <Words>{one.words}</Words>
      <View className="flex-row flex-wrap gap-2">
        <Press
          onPress={() =>
            saveFile('ojas-record.txt', [`${one.of.key}\n${one.of.text}\n`], 'text/plain')
          }
        >
          Export it
        </Press>
        <Press kind="warn" onPress={() => dispatch(forgetSetAside(one))}>
          Forget it
        </Press>
      </View>
    </View>
  );
}

/** What was done last, to be taken back in order. */
function Acts() {
  const dispatch = useOjasDispatch();
  const heads = useOjas((state) => state.undo.heads);
  const acts = undoable(heads).reverse();
  if (acts.length === 0) return null;
  return (
    <Sheet>
      <Title level={2}>Done last</Title>
      {acts.map(({ seq, words, at }, i) => (
        <View key={seq} className="flex-row flex-wrap items-center gap-2 border-t border-line pt-2">
          <Words className="flex-1">
            {words} <Words className="text-faint">{since(at)}</Words>
          </Words>
          {i === 0 ? <Press onPress={() => dispatch(undo(seq))}>Undo this</Press> : null}
        </View>
      ))}
      <Aside>The last twenty can be taken back, the newest first.</Aside>
    </Sheet>
  );
}
