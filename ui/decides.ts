import type { Plan } from '@/core/formats/plan';
import { poseName } from '@/core/poses/poses';
import { countWord } from './format';

type Decided = Plan['measureNext'][number]['decides'][number];

const counted = (count: number, one: string, many: string) =>
  `${countWord(count)} ${count === 1 ? one : many}`;

/** So many poses are named; of more, the first and how many. */
const MOST_NAMED = 3;

/** What a reading is good for: "decides four heights: Staff, Hero and two more poses". */
export function decidesWords(decides: readonly Decided[]): string {
  const poses = [...new Set(decides.map(({ pose }) => poseName(pose)))];
  if (poses.length === 0) return 'decides no height alone';
  const shown = poses.length > MOST_NAMED ? poses.slice(0, MOST_NAMED - 1) : poses.slice(0, -1);
  const left = poses.slice(shown.length);
  const last = left.length > 1 ? counted(left.length, 'more pose', 'more poses') : left[0];
  const named = shown.length > 0 ? `${shown.join(', ')} and ${last}` : last;
  return `decides ${counted(decides.length, 'height', 'heights')}: ${named}`;
}

/** How many of the heights of a plan some readings decide together. */
export const heightsWords = (decides: readonly Decided[]): string =>
  counted(decides.length, 'height', 'heights');
