import type { Stack } from '../props/stack';
import type { SlotKey } from '../slots';

/** A step as it was tried today. */
export interface TriedToday {
  readonly heightCm: number;
  readonly word: boolean;
}

/** A height to be found within the visit: what is tried, one step under the other, and what is held then. */
export interface TrialLadder {
  /** From the start down; the next one is tried only where nothing spoke. */
  readonly tries: readonly Stack[];
  /** What is held where the step of the same place in `tries` spoke. */
  readonly afterWord: readonly Stack[];
  /** What is held where none of them spoke. */
  readonly afterQuiet: Stack;
}

/** A height that is worth finding on the mat today, in one slot of a pose. */
export interface Trial extends TrialLadder {
  readonly slot: SlotKey;
  /** Today's chance that the first step down is enough. */
  readonly chance: number;
}

/** How much trying would tell: most where the first step down is as likely enough as not. */
export const tells = ({ chance }: Pick<Trial, 'chance'>): number => chance * (1 - chance);

/** What a ladder is made from. */
export interface LadderInput {
  /** The start, and the steps of the shelf under it, each lower than the one before. */
  readonly steps: readonly Stack[];
  /** One step over the start; null where the shelf builds none. */
  readonly up: Stack | null;
  /** Today's chance that a height is enough, with what was tried. */
  readonly chance: (heightCm: number, tried: readonly TriedToday[]) => number;
  /** Chance that the next step must have to be tried. */
  readonly asked: number;
  /** Steps that are tried at most, the start included. */
  readonly looks: number;
  /** What is held goes up until it has this chance; null where what was quiet is held. */
  readonly held: number | null;
}

const quiet = ({ heightCm }: Stack): TriedToday => ({ heightCm, word: false });

/**
 * The steps that are worth trying today: down as long as the next one is likely enough with what was quiet before it. A
 * word ends it, one step up. Null where the first step down is not likely enough, or there is none.
 */
export function trialLadder(input: LadderInput): TrialLadder | null {
  const { steps, up, chance, asked, looks } = input;
  const [start, first] = steps;
  if (!start || !first || looks < 2 || chance(first.heightCm, []) < asked) return null;
  const tries = [start];
  for (const next of steps.slice(1, looks)) {
    if (chance(next.heightCm, tries.map(quiet)) < asked) break;
    tries.push(next);
  }
  if (tries.length < 2) return null;
  const afterWord = tries.map((spoke, at) => {
    const before = tries.slice(0, at);
    const tried = [...before.map(quiet), { heightCm: spoke.heightCm, word: true }];
    return at === 0 ? (up ?? start) : sureEnough(input, before, tried);
  });
  return { tries, afterWord, afterQuiet: sureEnough(input, tries, tries.map(quiet)) };
}

/** The lowest of what was quiet that is sure enough to be held today; the start where none is. */
function sureEnough(
  { chance, held }: LadderInput,
  those: readonly Stack[],
  tried: readonly TriedToday[],
): Stack {
  const [start] = those as readonly [Stack];
  const lowest = those.at(-1) ?? start;
  if (held === null) return lowest;
  return those.findLast(({ heightCm }) => chance(heightCm, tried) >= held) ?? start;
}
