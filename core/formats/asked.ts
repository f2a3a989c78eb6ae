/** What a number of a file counts: centimetres, or things. */
export const counted = [
  'cm',
  'letters',
  'entries',
  'values',
  'students',
  'poses',
  'props',
  'shelves',
  'sequences',
  'lesson-steps',
  'ways-to-lie',
] as const;
export type Counted = (typeof counted)[number];

/** What a record's own field asks for, where that is more than its kind. */
export const askedFor = [
  'name-needed',
  'id-needed',
  'id-unfit',
  'whole-number',
  'moment',
  'year',
  'day',
  'hour',
  'kind-and-id',
  'book-format',
  'shelf-format',
  'lesson-format',
  'no-such-pose',
] as const;
export type AskedFor = (typeof askedFor)[number];

/** A message of a schema: what its number counts, or what it asks for. Its words are in `ui/words`. */
export const says = <T extends Counted | AskedFor>(word: T): T => word;
