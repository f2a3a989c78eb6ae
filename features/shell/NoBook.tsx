import { useState } from 'react';
import { useRouter } from 'expo-router';
import { View } from 'react-native';
import type { Book } from '@/core/formats/book';
import { parseBook, parseBookFile, type Parsed } from '@/core/formats/check';
import { factsOfBook } from '@/core/formats/bookText';
import { beginAnew, bringBack, lookInto } from '@/store/store';
import type { Mark } from '@/store/spare';
import { date } from '@/ui/format';
import { Press } from '@/ui/Press';
import { Screen } from '@/ui/Screen';
import { Aside, Words } from '@/ui/Words';
import { chooseFile } from '../data/files';
import { todayIso, useOjasDispatch, useWords } from '../hooks';
import { SaveCopy, useSecondCopy, WhatHelps } from './SecondCopy';

/** After ten seconds without an answer: ways on, none of which begins as if there were no book. */
export function NoAnswer() {
  const dispatch = useOjasDispatch();
  const copy = useSecondCopy();
  const say = useWords();
  const [fault, setFault] = useState<string>();
  const look = (parsed: Parsed<Book>) =>
    parsed.ok
      ? void dispatch(lookInto(parsed.value))
      : setFault(`It cannot be looked into: ${say.faults(parsed.faults.slice(0, 3))}`);
  const open = async () => {
    const file = await chooseFile('.json,application/json');
    if (file) look(parseBookFile(new Uint8Array(await file.arrayBuffer()), todayIso()));
  };
  return (
    <Screen title="The storage does not answer">
      <Words role="alert">
        The browser was asked for your records ten seconds ago and has said nothing since. Your
        students may all be there: it is still waited for.
      </Words>
      <Press kind="main" onPress={() => window.location.reload()}>
        Load the app anew and try again
      </Press>
      <Press onPress={open}>Look into a backup</Press>
      {copy === null ? null : (
        <Press onPress={() => look(parseBook(copy, todayIso()))}>Look into the second copy</Press>
      )}
      <SaveCopy copy={copy} />
      {fault ? (
        <Words role="alert" className="text-rust">
          {fault}
        </Words>
      ) : null}
      <Aside>
        A backup that is looked into shows its plans and sessions. Nothing done meanwhile is saved.
      </Aside>
      <WhatHelps />
    </Screen>
  );
}

/** The browser threw the book away: says so, and offers what is left of it. */
export function Lost({ mark }: { readonly mark: Mark }) {
  const dispatch = useOjasDispatch();
  const router = useRouter();
  const copy = useSecondCopy();
  const say = useWords();
  const [fault, setFault] = useState<string>();
  const takeCopy = async () => {
    const parsed = parseBook(copy ?? '', todayIso());
    if (!parsed.ok)
      return setFault(
        `The second copy cannot be taken in: ${say.faults(parsed.faults.slice(0, 3))}`,
      );
    const outcome = await dispatch(
      bringBack(factsOfBook(parsed.value), parsed.value.setAside ?? []),
    );
    return outcome.ok ? undefined : setFault(outcome.words);
  };
  return (
    <Screen title="The browser has lost your records">
      <View role="alert">
        <Words>
          Your records were here{mark.at ? ` on ${date(mark.at)}` : ''}: {mark.people} students,{' '}
          {mark.readings} readings, {mark.sessions} sessions. The browser’s storage is empty now,
          and nobody emptied it here.
        </Words>
      </View>
      {copy === null ? (
        <Words>No second copy was found in this browser.</Words>
      ) : (
        <Press kind="main" onPress={takeCopy}>
          Bring back the second copy
        </Press>
      )}
      {fault ? (
        <Words role="alert" className="text-rust">
          {fault}
        </Words>
      ) : null}
      <SaveCopy copy={copy} />
      {copy === null ? null : (
        <Words>
          The second copy stays here meanwhile: it can still be taken in under Data, whatever is
          begun now.
        </Words>
      )}
      <Press onPress={() => dispatch(beginAnew()).then(() => router.replace('/more/data'))}>
        Restore a backup
      </Press>
      <Aside>
        {mark.exportedAt
          ? `A backup was last saved on ${date(mark.exportedAt)}.`
          : 'No backup was ever saved from here.'}
      </Aside>
      <Press kind="quiet" onPress={() => dispatch(beginAnew())}>
        Begin with no records
      </Press>
    </Screen>
  );
}
