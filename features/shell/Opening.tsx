import { View } from 'react-native';
import { openStorage } from '@/store/store';
import { Press } from '@/ui/Press';
import { Screen } from '@/ui/Screen';
import { Words } from '@/ui/Words';
import { useOjas, useOjasDispatch } from '../hooks';
import { NoAnswer } from '../pages/late';
import { SaveCopy, useSecondCopy, WhatHelps } from './SecondCopy';

/** The storage does not answer: nothing is known of the book, so nothing can be begun. */
export function Unreachable() {
  const words = useOjas((state) => state.storage.fault);
  const dispatch = useOjasDispatch();
  const copy = useSecondCopy();
  return (
    <Screen title="Your records cannot be reached">
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
      <WhatHelps />
    </Screen>
  );
}

/**
 * The storage is asked and says nothing: words after a while, then ways on; nothing is begun as if there were no book.
 */
export function Waiting() {
  const waits = useOjas((state) => state.storage.waits);
  if (waits === 'too-long') return <NoAnswer />;
  return (
    <View className="flex-1 items-center justify-center gap-3 bg-paper p-6">
      <Words role="status">
        {waits === null
          ? 'Opening your records…'
          : 'Opening your records… The storage of this browser has not answered yet. It is still waited for, and nothing is lost by waiting.'}
      </Words>
    </View>
  );
}
