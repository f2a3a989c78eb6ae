/** Lengths that may be taped, by their names in a book. `arm` is shoulder to palm. */
export const tapedLengths = [
  'thigh',
  'shin',
  'trunk',
  'arm',
  'foot',
  'ankleHeight',
  'hipWidth',
  'seatToHip',
] as const;
export type TapedLength = (typeof tapedLengths)[number];
