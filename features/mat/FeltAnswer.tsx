import { View } from 'react-native';
import { spotAt } from '@/core/spots';
import { placeKey } from '@/core/advise/order';
import { answeredBy, answerTo } from '@/core/poses/felt';
import { poseById } from '@/core/poses/poses';
import { slotKey, type SlotKey } from '@/core/slots';
import { spotEased, stepTaken } from '@/store/mat';
import { selectShelf } from '@/store/selectors';
import { Press } from '@/ui/Press';
import { Words } from '@/ui/Words';
import { useOjas, useUnits } from '../hooks';
import { doMend, mendOf, mendWords, type OnTheMat, type Remedy } from './mend';
import { useMatDispatch } from './place';

/** What the pose has of what answers a spot: of a pair that stands apart, the side that was felt. */
function remediesAt(spot: string, { planned }: OnTheMat): readonly Remedy[] {
  const [at, pose] = [spotAt(spot), poseById(planned.pose)];
  const answer = at && answerTo(planned.pose, at.spot);
  if (!at || !pose || !answer) return [];
  const has = new Set(planned.slots.map(slotKey));
  return answeredBy(answer, pose, planned.way).map((one): Remedy => {
    if ('dial' in one) return one;
    const ofSide = `${one.slot}:${at.side}` as SlotKey;
    return { ...one, slot: has.has(ofSide) ? ofSide : one.slot };
  });
}

/** What answers something felt, at once: done by a tap, kept as what eases, and the pose held again. */
export function FeltAnswer({ spot, ...of }: OnTheMat & { readonly spot: string }) {
  const dispatch = useMatDispatch();
  const shelf = useOjas(selectShelf);
  const units = useUnits();
  const at = spotAt(spot);
  const answer = at && answerTo(of.planned.pose, at.spot);
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
  return (
    <View role="status" aria-live="polite" className="gap-2 rounded-md bg-well p-3">
      <Words className="text-lg font-semibold">{answer.says}</Words>
      {found ? <Words>{mendWords(found.remedy, found.mend, shelf, units)}</Words> : null}
      <Press className="self-start" onPress={ease}>
        {found ? 'Do it, and hold again' : 'Done: hold again'}
      </Press>
    </View>
  );
}
