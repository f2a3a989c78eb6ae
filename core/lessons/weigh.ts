import type { CautionAnswer } from '../formats/book';
import { dayOf } from '../formats/time';
import type { ReadingSide } from '../ranges/ranges';
import type { Reason } from '../reasons';
import { cautionById } from '../safety/cautions';
import { rulesOn, yesOf } from '../safety/verdict';
import type { StepEntry } from './step';
import { stepById } from './steps';

/** What the answers about health make of a movement. */
export interface StepVerdict {
  readonly is: 'done' | 'smaller' | 'refused';
  /** What speaks against it, or asks for less of it. */
  readonly reasons: readonly Reason[];
}

interface Speaks {
  readonly refuses: boolean;
  readonly reason: Reason;
}

/**
 * Weighs every "yes" against a movement, by what it does to a body, as poses are weighed. What would be changed of a
 * pose is done smaller; what waits for a go-ahead, and whatever this version cannot weigh, is left out.
 */
export function weighStep(
  { traits, kind }: Pick<StepEntry, 'traits' | 'kind'>,
  side: ReadingSide,
  answers: readonly CautionAnswer[],
): StepVerdict {
  // The ways between are gone by everybody who may come at all.
  const rests = kind === 'transition' ? ({ isRest: true } as const) : {};
  const found = yesOf(answers).flatMap((answer): Speaks[] => {
    const caution = cautionById(answer.id);
    if (!caution)
      return [
        {
          refuses: kind === 'movement',
          reason: { code: 'caution-unknown', caution: answer.id, reading: false },
        },
      ];
    const goAheadOn = answer.goAheadAt === undefined ? null : dayOf(answer.goAheadAt);
    return rulesOn(
      caution,
      { traits, hold: rests },
      side,
      answer.side,
      undefined,
      answer.spots,
    ).map((rule) => ({
      refuses: rule.does === 'forbid' || (rule.does === 'ask-first' && goAheadOn === null),
      reason: {
        code: 'caution',
        caution: caution.id,
        rule: rule.says,
        goAheadOn: rule.does === 'ask-first' ? goAheadOn : null,
      },
    }));
  });
  const refusing = found.filter(({ refuses }) => refuses);
  if (refusing.length > 0) return { is: 'refused', reasons: refusing.map(({ reason }) => reason) };
  return { is: found.length > 0 ? 'smaller' : 'done', reasons: found.map(({ reason }) => reason) };
}

/**
 * The movement itself, or the first of those that are easier which nothing speaks against; null where there is none.
 */
export function servingStep(
  step: StepEntry,
  side: ReadingSide,
  answers: readonly CautionAnswer[],
): { readonly step: StepEntry; readonly isSmaller: boolean } | null {
  const passed = new Set<string>();
  for (let one: StepEntry | undefined = step; one && !passed.has(one.id);) {
    passed.add(one.id);
    const { is } = weighStep(one, one.sides === 'each' ? side : 'both', answers);
    if (is !== 'refused') return { step: one, isSmaller: is === 'smaller' };
    one = one.easier === undefined ? undefined : stepById(one.easier);
  }
  return null;
}
