import type { PlanSlot } from '@/core/formats/plan';
import type { Piece } from '@/core/props/stack';
import { slotKey } from '@/core/slots';

/** What lies under a slot of the figure, by slot key. */
export type Stacks = Readonly<
  Record<string, { readonly pieces: readonly Piece[]; readonly heightCm: number }>
>;

/** The stacks of a pose's slots, as a picture draws them. */
export const stacksOf = (slots: readonly PlanSlot[]): Stacks =>
  Object.fromEntries(
    slots.map((slot) => [slotKey(slot), { pieces: slot.stack, heightCm: slot.stackCm }]),
  );
