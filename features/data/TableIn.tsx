import { useState } from 'react';
import { View } from 'react-native';
import { Press } from '@/ui/Press';
import { Words } from '@/ui/Words';
import { chooseFile } from './files';
import { LookAtTable } from './lateCsv';
import { tooLargeWords } from './room';

/** More than years of readings: a larger file is something else. */
const MOST_BYTES = 40_000_000;

type Step =
  | { readonly at: 'idle' }
  | { readonly at: 'refused'; readonly words: string }
  | { readonly at: 'chosen'; readonly file: File }
  | { readonly at: 'done'; readonly words: string };

/** A table comes in from a spreadsheet: looked at first, and taken in as far as the teacher says. */
export function TableIn() {
  const [step, setStep] = useState<Step>({ at: 'idle' });
  const choose = async () => {
    const file = await chooseFile('.csv,.tsv,.txt,text/csv,text/tab-separated-values');
    if (!file) return;
    setStep(
      file.size > MOST_BYTES
        ? {
            at: 'refused',
            words: tooLargeWords(file.size, MOST_BYTES, 'a table'),
          }
        : { at: 'chosen', file },
    );
  };
  return (
    <>
      <Words>
        A table of readings, poses or heights comes in, too: its first row names the columns, as in
        one that is saved here.
      </Words>
      <View className="flex-row">
        <Press onPress={choose}>Take in a table</Press>
      </View>
      <View role="status" aria-live="polite" className="gap-2">
        {step.at === 'refused' ? <Words className="text-rust">{step.words}</Words> : null}
        {step.at === 'done' ? <Words>{step.words}</Words> : null}
      </View>
      {step.at === 'chosen' ? (
        <LookAtTable
          key={`${step.file.name}/${step.file.lastModified}`}
          file={step.file}
          onDone={(words) => setStep(words ? { at: 'done', words } : { at: 'idle' })}
        />
      ) : null}
    </>
  );
}
