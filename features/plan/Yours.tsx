import { View } from 'react-native';
import { overstepsOf, ownDials, ownHeights, type Overstep } from '@/core/advise/own';
import { placeKey } from '@/core/advise/order';
import { inPoseOf, solveFigure } from '@/core/build/solve';
import type { Person } from '@/core/formats/book';
import type { DialSetting } from '@/core/dials';
import type { PlanPose } from '@/core/formats/plan';
import { recordIn } from '@/core/recordIn';
import { slotKey } from '@/core/slots';
import { poseTakenBack, type Settled } from '@/store/mat';
import { selectShelf } from '@/store/selectors';
import { degrees, inSentence, length, type Units } from '@/ui/format';
import { Press } from '@/ui/Press';
import { Words } from '@/ui/Words';
import { rangeName, slotName, type Words as Say } from '@/ui/words/words';
import { useOjas, useOjasDispatch, useUnits, useWords } from '../hooks';
import { useEstimates } from '../reckoned';
import { poseTitle } from './words';

interface YoursProps {
  readonly person: Person;
  readonly planned: PlanPose;
}

const overstepWords = (one: Overstep, units: Units, say: Say): string =>
  one.of === 'joint'
    ? `${rangeName(one.range)}, ${one.side}: this asks for ${degrees(one.deg)} more than there is.`
    : `${say.caution(one.caution).short}: ${slotName(one.slot).toLowerCase()} under the ${length(one.slot.stackCm, units)} that are reckoned for it.`;

interface BesideProps extends YoursProps {
  readonly lying: readonly Settled[];
  readonly dials: readonly DialSetting[];
  /** Joints that are overstepped are told beside the figure already. */
  readonly isDrawn?: boolean;
}

/** What the teacher set otherwise beside what is reckoned, and what it oversteps; nothing where all stands as planned. */
export function YoursBeside({ person, planned, lying, dials, isDrawn }: BesideProps) {
  const units = useUnits();
  const say = useWords();
  const shelf = useOjas(selectShelf);
  const estimates = useEstimates(person.id) ?? {};
  const own = ownHeights(planned, lying);
  const set = ownDials(planned, dials);
  if (own.length === 0 && set.length === 0) return null;
  const built = Object.fromEntries(lying.map((one) => [slotKey(one), one.heightCm]));
  const inPose = inPoseOf(person, planned, shelf, dials.length > 0 ? dials : planned.dials);
  const { demands } = solveFigure(inPose, estimates, built);
  const over = overstepsOf(planned, own, demands).filter(({ of }) => !isDrawn || of !== 'joint');
  return (
    <View className="gap-1 border-l-4 border-ochre pl-3" role="status">
      {own.map(({ slot, ownCm }) => (
        <Words key={slotKey(slot)}>
          <Words className="font-semibold">Yours: </Words>
          {slotName(slot).toLowerCase()} {length(ownCm, units)}; reckoned{' '}
          {length(slot.stackCm, units)}.
        </Words>
      ))}
      {set.map((one) => (
        <Words key={one.dial}>
          <Words className="font-semibold">Yours: </Words>
          {inSentence(say.dial(one.dial))} {say.dialValue(one.dial, one.own)}; reckoned{' '}
          {say.dialValue(one.dial, one.planned)}.
        </Words>
      ))}
      {over.map((one) => (
        <Words key={overstepWords(one, units, say)} className="text-rust">
          {overstepWords(one, units, say)}
        </Words>
      ))}
    </View>
  );
}

/** What was laid out for the next session otherwise than planned, taken back in a tap. */
export function Yours({ person, planned }: YoursProps) {
  const dispatch = useOjasDispatch();
  const pose = placeKey(planned);
  const laid = useOjas(({ mat }) => recordIn(mat.laid, person.id)?.poses[pose]);
  if (!laid) return null;
  const { settled: lying, dials } = laid;
  if (ownHeights(planned, lying).length + ownDials(planned, dials).length === 0) return null;
  return (
    <View className="gap-1">
      <YoursBeside {...{ person, planned, lying, dials }} />
      <Press
        kind="quiet"
        className="self-start"
        aria-label={`Back to what is reckoned: ${poseTitle(planned)}`}
        onPress={() => dispatch(poseTakenBack({ person: person.id, pose }))}
      >
        Back to what is reckoned
      </Press>
    </View>
  );
}
