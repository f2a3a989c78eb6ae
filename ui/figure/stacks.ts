import type { Piece } from '@/core/props/stack';

/** What lies under a slot of the figure, by slot key. */
export type Stacks = Readonly<
  Record<string, { readonly pieces: readonly Piece[]; readonly heightCm: number }>
>;
