import { useState } from 'react';
import { View } from 'react-native';
import { parseBook, type Fault } from '@/core/formats/check';
import { bookOf } from '@/store/facts';
import { mergeBook, mergeChange, type Merge } from '@/store/merge';
import { commit, factsOf, forgetSetAside } from '@/store/store';
import { Press } from '@/ui/Press';
import { Screen } from '@/ui/Screen';
import { Sheet } from '@/ui/Sheet';
import { Aside, Title, Words } from '@/ui/Words';
import { todayIso, useOjas, useOjasDispatch } from '../hooks';
import { chooseFile, saveFile } from './files';

const MOST_BYTES = 64 * 1024 * 1024;
const SHOWN_FAULTS = 12;

type Step =
  | { readonly at: 'idle' }
  | { readonly at: 'refused'; readonly file: string; readonly faults: readonly Fault[] }
  | { readonly at: 'ready'; readonly file: string; readonly merge: Merge }
  | { readonly at: 'done'; readonly words: string };

/** Backup, and what comes in from a file. */
export function DataScreen() {
  const facts = useOjas(factsOf);
  const setAside = useOjas((state) => state.storage.setAside);
  const dispatch = useOjasDispatch();
  const [step, setStep] = useState<Step>({ at: 'idle' });
  const book = bookOf(facts);

  const take = async () => {
    const file = await chooseFile('.json,application/json');
    if (!file) return;
    if (file.size > MOST_BYTES) return setStep({ at: 'refused', file: file.name, faults: [{ path: 'the file', words: `${Math.round(file.size / 1e6)} MB is more than a book can be (${Math.round(MOST_BYTES / 1e6)} MB): choose another file.` }] });
    const parsed = parseBook(await file.text(), todayIso());
    setStep(parsed.ok ? { at: 'ready', file: file.name, merge: mergeBook(parsed.value, facts) } : { at: 'refused', file: file.name, faults: parsed.faults });
  };
  const merge = async (merged: Merge, takeConflicts: boolean) => {
    const change = mergeChange(merged, takeConflicts);
    const outcome = await dispatch(commit(change));
    setStep(outcome.ok ? { at: 'done', words: `${change.put.length} records came in.` } : { at: 'idle' });
  };
  return (
    <Screen title="Data">
      <Sheet>
        <Title level={2}>Export</Title>
        <Words>{book.people.length} students, {book.readings.length} readings, {book.sessions.length} sessions, {book.shelf.length} kinds of props. One file holds all of it, health answers too: keep it where others do not read.</Words>
        <Press kind="main" onPress={() => saveFile(`ojas-book-${todayIso()}.json`, JSON.stringify(book, null, 1), 'application/json')}>Export the book</Press>
      </Sheet>
      <Sheet>
        <Title level={2}>Import</Title>
        <Words>What is here already stays as it is; what differs is shown first.</Words>
        <Press onPress={() => void take()}>Choose a book</Press>
        <View role="status" aria-live="polite" className="gap-2">
          {step.at === 'refused' ? (
            <>
              <Words className="font-semibold text-rust">{step.file} was not taken in; nothing stored has changed.</Words>
              {step.faults.slice(0, SHOWN_FAULTS).map(({ path, words }) => <Words key={path + words}><Words className="font-semibold">{path}: </Words>{words}</Words>)}
              {step.faults.length > SHOWN_FAULTS ? <Aside>and {step.faults.length - SHOWN_FAULTS} more</Aside> : null}
            </>
          ) : null}
          {step.at === 'ready' ? (
            <>
              <Words>{step.file}: {step.merge.fresh.length} new, {step.merge.same} the same as here, {step.merge.conflicts.length} that differ from what is here.</Words>
              {step.merge.conflicts.slice(0, SHOWN_FAULTS).map(({ kind, id }) => <Aside key={kind + id}>{kind}: {id}</Aside>)}
              {step.merge.fresh.length > 0 || step.merge.conflicts.length === 0 ? <Press kind="main" onPress={() => void merge(step.merge, false)}>Take in what is new</Press> : null}
              {step.merge.conflicts.length > 0 ? <Press kind="warn" onPress={() => void merge(step.merge, true)}>Take in all, replacing {step.merge.conflicts.length}</Press> : null}
              <Press kind="quiet" onPress={() => setStep({ at: 'idle' })}>Leave it</Press>
            </>
          ) : null}
          {step.at === 'done' ? <Words>{step.words}</Words> : null}
        </View>
      </Sheet>
      {setAside.length > 0 ? (
        <Sheet className="border-rust">
          <Title level={2}>{setAside.length === 1 ? 'One record could not be read' : `${setAside.length} records could not be read`}</Title>
          <Words>They are kept as they are, and left out of everything.</Words>
          {setAside.map(({ key, words, text }) => (
            <View key={key} className="gap-1 border-t border-line pt-2">
              <Words className="font-semibold">{key}</Words>
              <Words>{words}</Words>
              <View className="flex-row flex-wrap gap-2">
                <Press onPress={() => saveFile('ojas-record.txt', `${key}\n${text}\n`, 'text/plain')}>Export it</Press>
                <Press kind="warn" onPress={() => void dispatch(forgetSetAside(key))}>Forget it</Press>
              </View>
            </View>
          ))}
        </Sheet>
      ) : null}
    </Screen>
  );
}
