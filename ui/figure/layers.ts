import type { PropKind } from '@/core/props/kinds';
import { loadedCm, type Shelf } from '@/core/props/shelf';
import type { Piece } from '@/core/props/stack';

/** A piece of a stack as it is drawn: its share of the stack's height. */
export interface DrawnPiece {
  readonly kind: PropKind;
  readonly state: string;
  readonly bottomCm: number;
  readonly topCm: number;
}

/** The pieces of a stack from its foot up, scaled so that together they stand as high as the stack does under load. */
export function drawnPieces(
  pieces: readonly Piece[],
  shelf: Shelf,
  bottomCm: number,
  heightCm: number,
): DrawnPiece[] {
  const found = pieces.flatMap(({ item: id, state: stateId }) => {
    const item = shelf.find((one) => one.id === id);
    const state = item?.states.find((one) => one.id === stateId);
    return item && state
      ? [{ kind: item.kind, state: stateId, cm: loadedCm(item, state, 0.5) }]
      : [];
  });
  const whole = found.reduce((sum, { cm }) => sum + cm, 0);
  let at = bottomCm;
  return found.map(({ kind, state, cm }) => {
    const from = at;
    at += whole === 0 ? 0 : (cm / whole) * heightCm;
    return { kind, state, bottomCm: from, topCm: at };
  });
}
