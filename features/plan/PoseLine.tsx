import { View } from 'react-native';
import type { SessionPose } from '@/core/formats/book';
import { stackWords } from '@/core/props/stack';
import { slotKey } from '@/core/slots';
import { selectAllProps } from '@/store/selectors';
import { length, minutes } from '@/ui/format';
import { Aside, Words } from '@/ui/Words';
import { slotName } from '@/ui/words/words';
import { useOjas, useUnits, useWords } from '../hooks';
import { lies } from '@/core/lies';

const placeWords: Readonly<Record<SessionPose['feeling']['place'], string>> = {
  muscle: 'in muscle',
  joint: 'at a joint line',
  nerve: 'nerve-like',
  'low-back': 'in the low back',
  none: 'hardly anywhere',
};

interface PoseLineProps {
  readonly title: string;
  readonly outcome: SessionPose;
}

/** What was settled on in a pose at one time, and how it felt. */
export function PoseLine({ title, outcome }: PoseLineProps) {
  const shelf = useOjas(selectAllProps);
  const units = useUnits();
  const say = useWords();
  const { feeling, stop } = outcome;
  return (
    <View className="gap-0.5 border-l-4 border-tape pl-3">
      <Words className="font-semibold">{title}</Words>
      {outcome.settled
        .filter(({ heightCm }) => lies(heightCm))
        .map((one) => (
          <Words key={slotKey(one)}>
            {slotName(one)} {length(one.heightCm, units)}: {stackWords(one.pieces, shelf)}
          </Words>
        ))}
      {(outcome.dials ?? []).map(({ dial, value }) => (
        <Words key={dial}>
          {say.dial(dial)} {say.dialValue(dial, value)}
        </Words>
      ))}
      <Aside>
        {minutes(outcome.heldSeconds)} held · {feeling.strength} of 10 {placeWords[feeling.place]}
        {outcome.pelvis === 'upright' ? '' : ` · pelvis ${outcome.pelvis}`}
        {outcome.breath === 'held' ? ' · breath held' : ''}
        {stop ? ` · stopped: ${stop}` : ''}
        {outcome.overruled ? ' · against the advice' : ''}
        {outcome.why ? ` · ${outcome.why}` : ''}
      </Aside>
    </View>
  );
}
