import { turned, type DialSetting, type DialTurn } from '@/core/dials';
import type { Estimates } from '@/core/estimate/estimate';
import type { PlanPose } from '@/core/formats/plan';
import { asSettled } from '@/core/learn/settled';
import { rungsFrom, type InPose } from '@/core/build/solve';
import type { Remedy as PoseRemedy } from '@/core/poses/pose';
import { stackWords, type Stack } from '@/core/props/stack';
import type { Shelf } from '@/core/props/shelf';
import { meansSlot, slotKey, slotRefOf, type SlotKey } from '@/core/slots';
import type { Mat, Settled } from '@/store/mat';
import { length, type Units } from '@/ui/format';
import { dialName, slotName, wordsIn } from '@/ui/words/words';
import type { useMatDispatch } from './place';
import { dialSet, rungTo, usedBeside } from './session';

/** A pose as it lies and is set on the mat. */
export interface OnTheMat {
  readonly inPose: InPose;
  readonly estimates: Estimates;
  readonly planned: PlanPose;
  readonly mat: Mat;
  readonly settled: readonly Settled[];
  readonly set: readonly DialSetting[];
}

/** What mends something: a slot, of a pair one side alone where it is named; a dial; or words. */
export type Remedy =
  | Exclude<PoseRemedy, { readonly slot: unknown }>
  | { readonly slot: SlotKey; readonly way: 'raise' | 'lower' };

/** What would be done about something seen or felt. */
type Mend =
  | { readonly does: 'rung'; readonly moves: readonly (readonly [Settled, Stack])[] }
  | {
      readonly does: 'dial';
      readonly turn: DialTurn;
      readonly one: DialSetting;
      readonly to: number;
    }
  | { readonly does: 'nothing' };

/** What mends it here and now: a rung of the shelf's own, a turn of a setting, or words alone. */
export function mendOf(remedy: Remedy, { inPose, planned, settled, set }: OnTheMat): Mend {
  if ('cue' in remedy) return { does: 'nothing' };
  if ('dial' in remedy) {
    const one = set.find(({ dial }) => dial === remedy.dial);
    const to = one && turned(remedy, one.value);
    return one && to !== undefined && to !== one.value
      ? { does: 'dial', turn: remedy, one, to }
      : { does: 'nothing' };
  }
  const lying = settled.filter((one) => meansSlot(remedy.slot, slotKey(one)));
  const empty = planned.slots
    .filter((slot) => !slot.isLength && meansSlot(remedy.slot, slotKey(slot)))
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
export function mendWords(remedy: Remedy, mend: Mend, shelf: Shelf, units: Units): string {
  if ('cue' in remedy) return remedy.cue;
  const first = mend.does === 'rung' ? mend.moves[0] : undefined;
  if (first) {
    const [one, to] = first;
    const way = to.heightCm > one.heightCm ? 'higher' : 'lower';
    return `${slotName(one)} one step ${way}, ${length(to.heightCm, units)}: ${stackWords(to.pieces, shelf)}`;
  }
  if (mend.does === 'dial')
    return `${dialName(mend.one.dial)}: ${wordsIn(units).dialValue(mend.one.dial, mend.to)}`;
  return 'dial' in remedy
    ? `${dialName(remedy.dial)} stands at its end.`
    : `${slotName(slotRefOf(remedy.slot))}: the shelf builds no step ${remedy.way === 'raise' ? 'higher' : 'lower'}.`;
}

/** Does it: supports move rung by rung, or what is set of the pose is turned. */
export function doMend(
  mend: Mend,
  of: OnTheMat,
  dispatch: ReturnType<typeof useMatDispatch>,
): void {
  const { inPose, estimates, planned, mat, settled, set } = of;
  let lies = settled;
  if (mend.does === 'rung')
    for (const [one, to] of mend.moves) {
      const moved = rungTo(planned, mat, lies, one, to);
      lies = moved.payload.settled;
      dispatch(moved);
    }
  if (mend.does === 'dial')
    dispatch(dialSet(planned, inPose, estimates, set, settled, mend.one, mend.to));
}
