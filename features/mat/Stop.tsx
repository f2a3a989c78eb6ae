import { useState } from 'react';
import { View } from 'react-native';
import { stopWords, type StopWord } from '@/core/formats/book';
import type { PlanPose } from '@/core/formats/plan';
import { poseById } from '@/core/poses/poses';
import { Press } from '@/ui/Press';
import { Sheet } from '@/ui/Sheet';
import { Title, Words } from '@/ui/Words';
import { BodyOutline } from './BodyOutline';
import { MatFrame } from './place';
import type { Felt } from './session';

const stopMeans: Readonly<Record<StopWord, string>> = {
  sharp: 'Sharp',
  electric: 'Electric',
  spreading: 'Spreading',
  joint: 'Joint',
  dizzy: 'Dizzy',
  numb: 'Numb',
};

/** Where a word says that it is; the others do not say. */
const saidOf: Readonly<Partial<Record<StopWord, 'joint' | 'nerve'>>> = {
  joint: 'joint',
  electric: 'nerve',
  spreading: 'nerve',
  numb: 'nerve',
};

interface StopWordsProps {
  readonly onWord: (word: StopWord) => void;
  readonly onBack: () => void;
}

/** What is felt, over the whole screen: one more tap, and the way out is shown. */
export const StopWords = ({ onWord, onBack }: StopWordsProps) => (
  <MatFrame
    title="Stop: what is felt?"
    foot={<Press onPress={onBack}>Nothing: back to the pose</Press>}
  >
    <View role="group" aria-label="Stop words" className="gap-3">
      {stopWords.map((word) => (
        <Press key={word} kind="warn" className="min-h-16 border-2" onPress={() => onWord(word)}>
          {stopMeans[word]}
        </Press>
      ))}
    </View>
  </MatFrame>
);

interface StoppedProps {
  readonly word: StopWord;
  readonly planned: PlanPose;
  readonly onRecord: (felt: Felt) => Promise<void>;
  readonly onBack: () => void;
}

/** A stop word: out of the pose in its safe order, and written down. */
export function Stopped({ word, planned, onRecord, onBack }: StoppedProps) {
  const exit = poseById(planned.pose)?.exit ?? [];
  const place = saidOf[word];
  const [spot, setSpot] = useState<string | null>(null);
  // What was said, and nothing of strength, pelvis or breath: nobody looked at them.
  const felt: Felt = {
    feeling: { ...(place ? { place } : {}), ...(spot === null ? {} : { spot }) },
    stop: word,
  };
  return (
    <MatFrame
      title={`${stopMeans[word]}: out of the pose`}
      foot={
        <Press kind="main" onPress={() => onRecord(felt)}>
          Out: save it
        </Press>
      }
    >
      <Sheet>
        {exit.map((cue, i) => (
          <Words key={cue} className="text-lg">
            {i + 1}. {cue}
          </Words>
        ))}
      </Sheet>
      <Words className="text-lg">
        {word === 'joint'
          ? 'Next time the support is one step higher. A joint that goes on speaking: to a physiotherapist.'
          : word === 'dizzy'
            ? 'Sit low and breathe until it has passed. Dizziness that returns: to a doctor.'
            : 'This pose rests for two weeks. If it comes back or stays: to a doctor or physiotherapist before this pose again.'}
      </Words>
      {word === 'dizzy' ? null : (
        <Sheet>
          <Title level={2}>Where was it?</Title>
          <BodyOutline chosen={spot} onChoose={setSpot} />
        </Sheet>
      )}
      <Press onPress={onBack}>It was a slip: back to the pose</Press>
    </MatFrame>
  );
}
