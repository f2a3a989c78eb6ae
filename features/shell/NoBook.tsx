import { useEffect, useState } from 'react';
import { useRouter } from 'expo-router';
import { View } from 'react-native';
import { parseBook } from '@/core/formats/check';
import { factsOfBook } from '@/core/formats/bookText';
import { faultWords } from '@/core/formats/facts';
import { beginAnew, bringBack, openStorage, readSecondCopy } from '@/store/store';
import type { Mark } from '@/store/spare';
import { date } from '@/ui/format';
import { Press } from '@/ui/Press';
import { Screen } from '@/ui/Screen';
import { Sheet } from '@/ui/Sheet';
import { Aside, Title, Words } from '@/ui/Words';
import { saveFile } from '../data/files';
import { todayIso, useOjas, useOjasDispatch } from '../hooks';

/** The second copy that this browser keeps, once it is known whether there is one. */
function useSecondCopy(): string | null {
  const dispatch = useOjasDispatch();
  const [copy, setCopy] = useState<string | null>(null);
  useEffect(() => void dispatch(readSecondCopy()).then(setCopy), [dispatch]);
  return copy;
}

const SaveCopy = ({ copy }: { readonly copy: string | null }) =>
  copy === null ? null : (
    <Press
      onPress={() => saveFile(`ojas-second-copy-${todayIso()}.json`, [copy], 'application/json')}
    >
      Save the second copy as a file
    </Press>
  );

/** The storage does not answer: nothing is known of the book, so nothing can be begun. */
export function Unreachable() {
  const words = useOjas((state) => state.storage.fault);
  const dispatch = useOjasDispatch();
  const copy = useSecondCopy();
  return (
    <Screen title="The book cannot be reached">
      <View role="alert">
        <Words>{words}</Words>
      </View>
      <Words>
        Your students may all be there: the browser only does not let Ojas look. Until it does,
        nothing can be begun, taken in or exported.
      </Words>
      <Press kind="main" onPress={() => dispatch(openStorage())}>
        Try again
      </Press>
      <Press onPress={() => window.location.reload()}>Load the app anew</Press>
      <SaveCopy copy={copy} />
      <Sheet>
        <Title level={2}>What often helps</Title>
        <Words>
          Close other windows of Ojas, then try again. Leave a private window. Allow this page to
          store data. Free some space on the device.
        </Words>
      </Sheet>
    </Screen>
  );
}

/** The browser threw the book away: says so, and offers what is left of it. */
export function Lost({ mark }: { readonly mark: Mark }) {
  const dispatch = useOjasDispatch();
  const router = useRouter();
  const copy = useSecondCopy();
  const [fault, setFault] = useState<string>();
  const takeCopy = async () => {
    const parsed = parseBook(copy ?? '', todayIso());
    if (!parsed.ok)
      return setFault(
        `The second copy cannot be taken in: ${faultWords(parsed.faults.slice(0, 3))}`,
      );
    const outcome = await dispatch(
      bringBack(factsOfBook(parsed.value), parsed.value.setAside ?? []),
    );
    return outcome.ok ? undefined : setFault(outcome.words);
  };
  return (
    <Screen title="The browser has lost the book">
      <View role="alert">
        <Words>
          A book was here{mark.at ? ` on ${date(mark.at)}` : ''}: {mark.people} students,{' '}
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
        Take in an exported book
      </Press>
      <Aside>
        {mark.exportedAt
          ? `The book was last exported on ${date(mark.exportedAt)}.`
          : 'The book was never exported from here.'}
      </Aside>
      <Press kind="quiet" onPress={() => dispatch(beginAnew())}>
        Begin with an empty book
      </Press>
    </Screen>
  );
}
