import type { Choices } from '../approaches/approaches';
import { hold as parameter } from '../parameters';
import type { Pose } from '../poses/poses';

const BREATHS = 8;
/** Seconds by which a hold may grow from one time to the next. */
const GROWS_SECONDS = { minutes: 15, long: 30 } as const;

/**
 * How long to hold, in seconds: by the approach and by the times done, never more than doubled from last time.
 *
 * @param earlier what was held before, oldest first.
 */
export function holdFor(
  { hold }: Pick<Pose, 'hold'>,
  earlier: readonly { readonly heldSeconds: number }[],
  choices: Pick<Choices, 'hold'>,
): number {
  const { firstSeconds, mostSeconds } = hold;
  if (choices.hold === 'breaths') return BREATHS * parameter.breath.value;
  const last = earlier.at(-1)?.heldSeconds;
  if (last === undefined || last === 0) return firstSeconds;
  const wish = Math.min(mostSeconds, firstSeconds + earlier.length * GROWS_SECONDS[choices.hold]);
  return Math.min(wish, Math.max(firstSeconds, last * parameter.longestGrowth.value));
}
