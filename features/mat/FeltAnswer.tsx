import { View } from 'react-native';
import { placeKey } from '@/core/advise/order';
import { answerAt, answeredBy, slotOnSide } from '@/core/poses/felt';
import { poseById } from '@/core/poses/poses';
import { slotKey } from '@/core/slots';
import { spotEased, stepTaken } from '@/store/mat';
import { selectShelf } from '@/store/selectors';
import { Press } from '@/ui/Press';
import { Words } from '@/ui/Words';
import { useOjas, useUnits } from '../hooks';
import { doMend, mendOf, mendWords, type OnTheMat, type Remedy } from './mend';
import { useMatDispatch } from './place';

/** What the pose has of what answers a spot: of a pair that stands apart, the side that was felt. */
function remediesAt(spot: string, { planned }: OnTheMat): readonly Remedy[] {
  const [felt, pose] = [answerAt(planned.pose, spot), poseById(planned.pose)];
  if (!felt || !pose) return [];
  const has = new Set(planned.slots.map(slotKey));
  return answeredBy(felt.answer, pose, planned.way).map((one): Remedy =>
    'dial' in one
      ? one
      : { ...one, slot: slotOnSide(one.slot, felt.at.side, (key) => has.has(key)) },
  );
}

/** What answers something felt, at once: done by a tap, kept as what eases, and the pose held again. */
export function FeltAnswer({ spot, ...of }: OnTheMat & { readonly spot: string }) {
  const dispatch = useMatDispatch();
  const shelf = useOjas(selectShelf);
  const units = useUnits();
  const answer = answerAt(of.planned.pose, spot)?.answer;
  if (!answer) return null;
  const remedies = remediesAt(spot, of);
  const found = remedies
    .map((remedy) => ({ remedy, mend: mendOf(remedy, of) }))
    .find(({ mend }) => mend.does !== 'nothing');
  const ease = () => {
    if (found) doMend(found.mend, of, dispatch);
    dispatch(spotEased({ pose: placeKey(of.planned), spot }));
    dispatch(stepTaken('hold'));
  };
  const [doIt, done] =
    of.mat.step === 'hold' ? ['Do it', 'Done'] : ['Do it, and hold again', 'Done: hold again'];
  return (
    <View role="status" aria-live="polite" className="gap-2 rounded-md bg-well p-3">
      <Words className="text-lg font-semibold">{answer.says}</Words>
      {found ? <Words>{mendWords(found.remedy, found.mend, shelf, units)}</Words> : null}
      <Press className="self-start" onPress={ease}>
        {found ? doIt : done}
      </Press>
    </View>
  );
}
