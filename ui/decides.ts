import type { Plan } from '@/core/formats/plan';
import { poseById } from '@/core/poses/poses';

type Decided = Plan['measureNext'][number]['decides'][number];

const numbers = ['no', 'one', 'two', 'three', 'four', 'five', 'six', 'seven', 'eight', 'nine'];
const counted = (count: number, one: string, many: string) =>
  `${numbers[count] ?? count} ${count === 1 ? one : many}`;

/** What a reading is good for: "decides four heights: Staff, Hero and two more poses". */
export function decidesWords(decides: readonly Decided[]): string {
  const poses = [...new Set(decides.map(({ pose }) => poseById(pose)?.name ?? pose))];
  const [first, second, ...more] = poses;
  if (first === undefined) return 'decides no height alone';
  const named = second === undefined ? first : more.length > 0 ? `${first}, ${second}` : first;
  const rest =
    more.length > 0
      ? ` and ${counted(more.length, 'more pose', 'more poses')}`
      : second === undefined
        ? ''
        : ` and ${second}`;
  return `decides ${counted(decides.length, 'height', 'heights')}: ${named}${rest}`;
}

/** How many of the heights of a plan some readings decide together. */
export const heightsWords = (decides: readonly Decided[]): string =>
  counted(decides.length, 'height', 'heights');
