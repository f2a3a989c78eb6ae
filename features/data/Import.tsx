import { useCallback, useEffect, useRef, useState } from 'react';
import { View } from 'react-native';
import type { Book } from '@/core/formats/book';
import { parseBook, type Parsed } from '@/core/formats/check';
import {
  allFromBook,
  mergeBook,
  mergeChange,
  nothingChosen,
  type Chosen,
  type Merge,
} from '@/store/merge';
import {
  commitMerged,
  factsOf,
  keepAside,
  readSecondCopy,
  replaceSecondCopy,
  secondCopy,
} from '@/store/store';
import { date, since } from '@/ui/format';
import { Press } from '@/ui/Press';
import { Sheet } from '@/ui/Sheet';
import { WorkBar, type Share } from '@/ui/WorkBar';
import { Aside, Title, Words } from '@/ui/Words';
import type { ToldFault } from '@/ui/words/words';
import { readBook } from '@/workers/book';
import { isSealed, unsealed } from '@/workers/seal';
import { freshId, todayIso, useOjas, useOjasDispatch, useWords } from '../hooks';
import { Asked } from './Conflicts';
import { Faults, Refused } from './Faults';
import { chooseFile, saveFile } from './files';
import { Passphrase } from './Passphrase';
import { roomWords, tooLargeWords } from './room';

/** More than two thousand students' records for years: a file larger than this is something else. */
const MOST_BYTES = 400_000_000;

type Step =
  | { readonly at: 'idle' }
  | (Share & { readonly at: 'working' })
  | { readonly at: 'refused'; readonly file: string; readonly faults: readonly ToldFault[] }
  | {
      readonly at: 'ready';
      readonly file: string;
      readonly merge: Merge;
      readonly notes: readonly ToldFault[];
      readonly chosen: Chosen;
    }
  | { readonly at: 'locked'; readonly file: File; readonly fault?: string }
  | { readonly at: 'done'; readonly words: string };

/** What comes in from a file, or from the second copy; compared with what is here before anything is done. */
export function Import() {
  const facts = useOjas(factsOf);
  const dispatch = useOjasDispatch();
  const say = useWords();
  const [step, setStep] = useState<Step>({ at: 'idle' });
  /** Ends what is under way. Going elsewhere ends reading too; what is being stored goes on. */
  const stop = useRef(new AbortController());
  const isReading = useRef(false);
  useEffect(
    () => () => {
      if (isReading.current) stop.current.abort();
    },
    [],
  );
  const begin = (words: string, reads: boolean) => {
    stop.current = new AbortController();
    isReading.current = reads;
    const told = (done: number, of: number) =>
      setStep({ at: 'working', words, share: of > 0 ? done / of : null });
    told(0, 0);
    return { told, stop: stop.current.signal };
  };
  const look = (file: string, parsed: Parsed<Book>) =>
    setStep(
      parsed.ok
        ? {
            at: 'ready',
            file,
            merge: mergeBook(parsed.value, facts),
            notes: parsed.notes.map(say.fault),
            chosen: nothingChosen,
          }
        : { at: 'refused', file, faults: parsed.faults.map(say.fault) },
    );
  const take = async () => {
    const file = await chooseFile('.json,.age,application/json');
    if (!file) return;
    if (file.size > MOST_BYTES)
      return setStep({
        at: 'refused',
        file: file.name,
        faults: [
          {
            path: 'the file',
            words: tooLargeWords(file.size, MOST_BYTES, 'a backup'),
          },
        ],
      });
    const short = await roomWords(file.size);
    if (short)
      return setStep({
        at: 'refused',
        file: file.name,
        faults: [{ path: 'the storage', words: short }],
      });
    return (await isSealed(file)) ? setStep({ at: 'locked', file }) : read(file.name, file);
  };
  const read = async (name: string, file: Blob) => {
    const watch = begin(`Reading ${name}`, true);
    const parsed = await readBook(file, todayIso(), watch.told, watch.stop);
    return parsed ? look(name, parsed) : setStep({ at: 'idle' });
  };
  const unlock = async (file: File, passphrase: string) => {
    begin(`Opening ${file.name}`, true);
    const opened = await unsealed(file, passphrase);
    return typeof opened === 'string'
      ? setStep({ at: 'locked', file, fault: notOpened[opened] })
      : read(file.name, opened);
  };
  const bringIn = async (merge: Merge, chosen: Chosen) => {
    const change = mergeChange(merge, chosen, freshId('m'));
    const outcome = await dispatch(commitMerged({ ...change, watch: begin('Taking in', false) }));
    if (!outcome.ok) return setStep({ at: 'idle' });
    await dispatch(keepAside(merge.setAside));
    return setStep({
      at: 'done',
      words: `${change.put.length} records came in.${merge.setAside.length > 0 ? ` ${merge.setAside.length} that could not be read lie below.` : ''}`,
    });
  };
  return (
    <Sheet>
      <Title level={2}>Import</Title>
      <Words>
        What is here already stays. A field that was changed on one side alone is taken from there;
        what both changed is shown, and you choose.
      </Words>
      <Press onPress={take}>Restore a backup</Press>
      <SecondCopy onTake={(text) => look('The second copy', parseBook(text, todayIso()))} />
      <View role="status" aria-live="polite" className="gap-2">
        {step.at === 'working' ? <WorkBar {...step} onStop={() => stop.current.abort()} /> : null}
        {step.at === 'locked' ? (
          <Locked {...step} onOpen={(passphrase) => unlock(step.file, passphrase)} />
        ) : null}
        {step.at === 'refused' ? <Refused file={step.file} faults={step.faults} /> : null}
        {step.at === 'ready' ? (
          <Ready
            {...step}
            onChoose={(chosen) => setStep({ ...step, chosen })}
            onTake={(chosen) => bringIn(step.merge, chosen)}
            onLeave={() => setStep({ at: 'idle' })}
          />
        ) : null}
        {step.at === 'done' ? <Words>{step.words}</Words> : null}
      </View>
    </Sheet>
  );
}

const notOpened = {
  passphrase: 'It does not open by this passphrase: every letter, capital and space counts.',
  damaged:
    'The file is damaged or was cut short. Take another copy of it; this one cannot be opened.',
  failed: 'It could not be opened on this device now: try again.',
} as const;

interface LockedProps {
  readonly file: File;
  readonly fault?: string;
  readonly onOpen: (passphrase: string) => void;
}

/** A file that asks for its passphrase. */
function Locked({ file, fault, onOpen }: LockedProps) {
  const [passphrase, setPassphrase] = useState('');
  return (
    <>
      <Passphrase
        hint={`of ${file.name}`}
        fault={fault}
        value={passphrase}
        onChange={setPassphrase}
      />
      <Press kind="main" disabled={passphrase === ''} onPress={() => onOpen(passphrase)}>
        Open it
      </Press>
    </>
  );
}

interface ReadyProps {
  readonly file: string;
  readonly merge: Merge;
  readonly notes: readonly ToldFault[];
  readonly chosen: Chosen;
  readonly onChoose: (chosen: Chosen) => void;
  readonly onTake: (chosen: Chosen) => Promise<void>;
  readonly onLeave: () => void;
}

/** What the file would bring, what it asks, and the ways on. */
function Ready({ file, merge, notes, chosen, onChoose, onTake, onLeave }: ReadyProps) {
  const { fresh, merged, conflicts, removedHere, removedThere, setAside } = merge;
  const coming = fresh.filter(({ kind }) => kind !== 'gone');
  const asks = removedHere.length + removedThere.length > 0;
  const brings = fresh.length + merged.length > 0 || asks;
  return (
    <>
      <Words>
        {file}: {coming.length} new, {merge.same} the same as here,{' '}
        {merged.length > 0 ? `${merged.length} brought up to date field by field, ` : ''}
        {conflicts.length} that differ from what is here.
      </Words>
      {setAside.length > 0 ? (
        <Words>
          {setAside.length === 1 ? 'One record' : `${setAside.length} records`} that cannot be read
          here, or could not where the backup was written, will lie aside as found.
        </Words>
      ) : null}
      <Faults faults={notes} />
      <Asked merge={merge} chosen={chosen} onChoose={onChoose} />
      {brings || conflicts.length === 0 || Object.keys(chosen.parts).length > 0 ? (
        <Press kind="main" onPress={() => onTake(chosen)}>
          {conflicts.length > 0 || asks ? 'Take in, as chosen' : 'Take in what is new'}
        </Press>
      ) : null}
      {conflicts.length > 0 ? (
        <Press kind="warn" onPress={() => onTake({ ...chosen, ...partsFromBook(merge) })}>
          Take in all, replacing {conflicts.length}
        </Press>
      ) : null}
      <Press kind="quiet" onPress={onLeave}>
        Leave it
      </Press>
    </>
  );
}

const partsFromBook = (merge: Merge) => ({ parts: allFromBook(merge).parts });

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
        A second copy of earlier records lies in this browser: {held}
        {copy.at ? `, of ${date(copy.at)}` : ''}. It stays until a copy of these records holds as
        much.
      </Words>
      <Press onPress={() => withText(onTake)}>Look what the second copy would bring</Press>
      <Press
        kind="quiet"
        onPress={() => withText((text) => (save(text), dispatch(replaceSecondCopy()).then(look)))}
      >
        Save it as a file, and keep a copy of these records in its place
      </Press>
    </View>
  );
}
type SecondCopyTold = Awaited<ReturnType<ReturnType<typeof secondCopy>>>;
