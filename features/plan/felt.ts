import { dayIds, type Day } from '@/core/learn/decide';

/** Where a pose may be felt, as it is asked at the mat and put right in the record. */
export const places = [
  { id: 'muscle', words: 'In muscle' },
  { id: 'none', words: 'Hardly anywhere' },
  { id: 'joint', words: 'At a joint line' },
  { id: 'low-back', words: 'In the low back' },
  { id: 'nerve', words: 'Nerve-like' },
] as const;
/** What some of the strengths mean, so that two teachers write the same number. */
const meant: Readonly<Record<number, string>> = {
  0: 'none',
  3: 'mild',
  5: 'clear',
  8: 'strong',
  10: 'worst',
};
/** How strong, out of ten. */
export const strengths = Array.from({ length: 11 }, (_, i) => ({
  id: String(i),
  words: String(i),
  meant: meant[i] ?? '',
}));

const dayWords: Readonly<Record<Day, string>> = {
  usual: 'As usual',
  cold: 'Cold',
  tired: 'Tired',
  sore: 'Sore',
};
/** How a student comes, as it is asked before a session and put right in the record. */
export const days = dayIds.map((id) => ({ id, words: dayWords[id] }));
