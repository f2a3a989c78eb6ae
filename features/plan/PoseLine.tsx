import { View } from 'react-native';
import type { FeltPlace, SessionPose } from '@/core/formats/book';
import { stageNameOf } from '@/core/poses/poses';
import { stackWords } from '@/core/props/stack';
import { slotKey } from '@/core/slots';
import { triedSteps, untakenSteps } from '@/core/learn/tried';
import { selectNamedProps } from '@/store/selectors';
import { length, minutes } from '@/ui/format';
import { Aside, Words } from '@/ui/Words';
import { slotName, type Words as Say } from '@/ui/words/words';
import { useOjas, useUnits, useWords } from '../hooks';
import { lies } from '@/core/lies';

const placeWords: Readonly<Record<FeltPlace, string>> = {
  muscle: 'in muscle',
  joint: 'at a joint line',
  nerve: 'nerve-like',
  'low-back': 'in the low back',
  none: 'hardly anywhere',
};

/** What was said of a feeling; nothing of what was not. */
const feltWords = ({ strength, place, spot }: SessionPose['feeling'], say: Say) =>
  [
    strength === undefined ? '' : `${strength} of 10`,
    spot === undefined ? (place ? placeWords[place] : '') : `at ${say.spot(spot)}`,
  ]
    .filter((one) => one !== '')
    .join(' ');

interface PoseLineProps {
  readonly title: string;
  readonly outcome: SessionPose;
}

/** What was settled on in a pose at one time, and how it felt. */
export function PoseLine({ title, outcome }: PoseLineProps) {
  const shelf = useOjas(selectNamedProps);
  const units = useUnits();
  const say = useWords();
  const { feeling, stop } = outcome;
  const felt = feltWords(feeling, say);
  const stage = stageNameOf(outcome.pose, outcome.stage);
  return (
    <View className="gap-0.5 border-l-4 border-tape pl-3">
      <Words className="font-semibold">{title}</Words>
      {stage === null ? null : <Words>{stage}</Words>}
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
      <TriedLine outcome={outcome} />
      <Aside>
        {minutes(outcome.heldSeconds)} held
        {felt === '' ? '' : ` · ${felt}`}
        {(outcome.pelvis ?? 'upright') === 'upright' ? '' : ` · pelvis ${outcome.pelvis}`}
        {(outcome.list ?? 'none') === 'none' ? '' : ` · leaned to the ${outcome.list}`}
        {outcome.breath === 'held' ? ' · breath held' : ''}
        {(outcome.eased ?? []).map((spot) => ` · eased at ${say.spot(spot)}`).join('')}
        {stop ? ` · stopped: ${stop}` : ''}
        {outcome.overruled ? ' · against the advice' : ''}
        {outcome.why ? ` · ${outcome.why}` : ''}
      </Aside>
      {outcome.note ? <Words>{outcome.note}</Words> : null}
    </View>
  );
}

/** Steps that were tried within the visit: what they said, and what of them could not be taken. */
function TriedLine({ outcome }: Pick<PoseLineProps, 'outcome'>) {
  const units = useUnits();
  const say = useWords();
  const [taken, left] = [triedSteps(outcome), untakenSteps(outcome)];
  const said = ({ heightCm, word, spot }: (typeof left)[number]) =>
    `${length(heightCm, units)} ${word ? `a word${spot ? ` (${say.spot(spot)})` : ''}` : 'quiet'}`;
  return (
    <>
      {taken.length > 0 ? <Aside>Tried: {taken.map(said).join(', ')}</Aside> : null}
      {left.length > 0 ? (
        <Aside>
          Kept, not reckoned with: {left.map((one) => `“${one.slot}” ${said(one)}`).join(', ')}
        </Aside>
      ) : null}
    </>
  );
}
