import { View } from 'react-native';
import { turned, type DialSetting, type DialTurn } from '@/core/dials';
import type { Estimates } from '@/core/estimate/estimate';
import type { PlanPose } from '@/core/formats/plan';
import type { How } from '@/core/advise/how';
import { placeKey } from '@/core/advise/order';
import { asSettled } from '@/core/learn/settled';
import { rungsFrom, type InPose } from '@/core/build/solve';
import type { PoseFault, Remedy } from '@/core/poses/pose';
import { stackWords, type Stack } from '@/core/props/stack';
import type { Shelf } from '@/core/props/shelf';
import { sidelessKey, slotKey, slotRefOf } from '@/core/slots';
import { faultToggled, type Mat, type Settled } from '@/store/mat';
import { selectShelf } from '@/store/selectors';
import { length, type Units } from '@/ui/format';
import { Press, Tick } from '@/ui/Press';
import { Sheet } from '@/ui/Sheet';
import { Title, Words } from '@/ui/Words';
import { dialName, slotName, wordsIn } from '@/ui/words/words';
import { useOjas, useUnits } from '../hooks';
import { useMatDispatch } from './place';
import { dialSet, rungTo, usedBeside } from './session';

interface LookProps {
  readonly inPose: InPose;
  readonly estimates: Estimates;
  readonly planned: PlanPose;
  readonly mat: Mat;
  readonly settled: readonly Settled[];
  readonly set: readonly DialSetting[];
}

/** What would be done about something seen. */
type Mend =
  | { readonly does: 'rung'; readonly moves: readonly (readonly [Settled, Stack])[] }
  | {
      readonly does: 'dial';
      readonly turn: DialTurn;
      readonly one: DialSetting;
      readonly to: number;
    }
  | { readonly does: 'nothing' };

/** What mends a fault here and now: a rung of the shelf's own, a turn of a setting, or words alone. */
export function mendOf(remedy: Remedy, { inPose, planned, settled, set }: LookProps): Mend {
  if ('cue' in remedy) return { does: 'nothing' };
  if ('dial' in remedy) {
    const one = set.find(({ dial }) => dial === remedy.dial);
    const to = one && turned(remedy, one.value);
    return one && to !== undefined && to !== one.value
      ? { does: 'dial', turn: remedy, one, to }
      : { does: 'nothing' };
  }
  const lying = settled.filter((one) => sidelessKey(slotKey(one)) === remedy.slot);
  const empty = planned.slots
    .filter((slot) => !slot.isLength && sidelessKey(slotKey(slot)) === remedy.slot)
    .map(({ slot, part, side }) =>
      asSettled({ slot, ...(part ? { part } : {}), side }, { pieces: [], heightCm: 0 }),
    );
  const moves = (lying.length > 0 ? lying : empty).flatMap((one) => {
    const { below, above } = rungsFrom(inPose, one.slot, one, usedBeside(planned, settled, one));
    const to = remedy.way === 'raise' ? above : below;
    return to ? [[one, to] as const] : [];
  });
  return moves.length > 0 ? { does: 'rung', moves } : { does: 'nothing' };
}

/** What a remedy is, in words, with what it comes to here. */
function mendWords(remedy: Remedy, mend: Mend, shelf: Shelf, units: Units): string {
  if ('cue' in remedy) return remedy.cue;
  const first = mend.does === 'rung' ? mend.moves[0] : undefined;
  if (first) {
    const [one, to] = first;
    const way = to.heightCm > one.heightCm ? 'higher' : 'lower';
    return `${slotName(one)} one rung ${way}, ${length(to.heightCm, units)}: ${stackWords(to.pieces, shelf)}`;
  }
  if (mend.does === 'dial')
    return `${dialName(mend.one.dial)}: ${wordsIn(units).dialValue(mend.one.dial, mend.to)}`;
  return 'dial' in remedy
    ? `${dialName(remedy.dial)} stands at its end.`
    : `${slotName(slotRefOf(remedy.slot))}: the shelf builds no rung ${remedy.way === 'raise' ? 'higher' : 'lower'}.`;
}

/** What to look at, and what may be seen, each with what mends it: one tap does it, and figure and build follow. */
export function Look({ how, ...of }: LookProps & { readonly how: How }) {
  const { planned, mat } = of;
  return (
    <>
      <Sheet>
        <Title level={2}>Look</Title>
        {how.look.map((cue) => (
          <Words key={cue} className="text-lg">
            {cue}
          </Words>
        ))}
      </Sheet>
      <Sheet>
        <Title level={2}>Seen anything of this?</Title>
        {how.faults.map((fault) => (
          <Fault
            key={fault.id}
            {...of}
            fault={fault}
            isSeen={(mat.faults[placeKey(planned)] ?? []).includes(fault.id)}
          />
        ))}
      </Sheet>
    </>
  );
}

function Fault({
  fault,
  isSeen,
  ...of
}: LookProps & { readonly fault: PoseFault; readonly isSeen: boolean }) {
  const { inPose, estimates, planned, mat, settled, set } = of;
  const dispatch = useMatDispatch();
  const shelf = useOjas(selectShelf);
  const units = useUnits();
  const pose = placeKey(planned);
  const mend = isSeen ? mendOf(fault, of) : null;
  const mendIt = () => {
    let lies = settled;
    if (mend?.does === 'rung')
      for (const [one, to] of mend.moves) {
        const moved = rungTo(planned, mat, lies, one, to);
        lies = moved.payload.settled;
        dispatch(moved);
      }
    if (mend?.does === 'dial')
      dispatch(dialSet(planned, inPose, estimates, set, settled, mend.one, mend.to));
  };
  return (
    <View>
      <Tick checked={isSeen} onToggle={() => dispatch(faultToggled({ pose, fault: fault.id }))}>
        {fault.seen}
      </Tick>
      {mend ? (
        <View className="gap-1 pl-9">
          <Words className="font-semibold text-rust">{mendWords(fault, mend, shelf, units)}</Words>
          {mend.does === 'nothing' ? null : (
            <Press className="self-start" aria-label={`Do it: ${fault.seen}`} onPress={mendIt}>
              Do it
            </Press>
          )}
        </View>
      ) : null}
    </View>
  );
}
