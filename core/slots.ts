import type { ReadingSide, Side } from './ranges/ranges';

/** The places of a pose where something may lie. */
export const slotIds = [
  'seat',
  'underKnees',
  'behindKnee',
  'underThigh',
  'outerHip',
  'hipLevel',
  'underShin',
  'ankle',
  'heels',
  'feet',
  'hands',
  'forehead',
  'chest',
  'back',
  'neck',
  'shoulder',
  'strap',
] as const;
export type SlotId = (typeof slotIds)[number];

/** A slot as a pose's table calls it: a ramp has a low and a high end. */
export type SlotName = SlotId | 'back.low' | 'back.high';
/** A slot of a planned pose: `seat`, `back.high`, `underThigh:left`. */
export type SlotKey = SlotName | `${SlotName}:${Side}`;

/** A slot of a pose; a ramp has two parts. */
export interface SlotRef {
  readonly slot: SlotId;
  readonly part?: 'low' | 'high' | undefined;
  /** Left or right only where a pose that works both sides at once supports them apart. */
  readonly side?: ReadingSide | undefined;
}

/** The key of a slot: its name, the end of a ramp, and the side where supports stand apart. */
export const slotKey = ({ slot, part, side }: SlotRef): SlotKey => {
  const end = (part ? `${slot}.${part}` : slot) as SlotName;
  return side === 'left' || side === 'right' ? `${end}:${side}` : end;
};
/** A slot key without its side: the name by which a pose's table calls both. */
export const sidelessKey = (key: SlotKey): SlotName => {
  const colon = key.lastIndexOf(':');
  return (colon < 0 ? key : key.slice(0, colon)) as SlotName;
};
/** Whether a key means a slot: itself, or both of a pair where it names no side. */
export const meansSlot = (key: SlotKey, slot: SlotKey): boolean =>
  key === slot || key === sidelessKey(slot);
/** A slot key taken apart again: `back.high`, `underThigh:left`. */
export function slotRefOf(key: SlotKey): SlotRef {
  const [name = '', side] = key.split(':');
  const [slot, part] = name.split('.');
  return {
    slot: slot as SlotId,
    ...(part ? { part: part as 'low' | 'high' } : {}),
    ...(side ? { side: side as Side } : {}),
  };
}
