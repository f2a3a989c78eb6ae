/** A first visit takes what narrows the heights most; a re-check looks again at one or two of it. */
export const visitKinds = ['first', 'recheck'] as const;
export type VisitKind = (typeof visitKinds)[number];
