import type { CautionAnswer } from '../formats/book';
import { dayOf } from '../formats/time';
import { cautionById, cautions, inScope, type Change, type Effect } from './cautions';

export type Status = 'offered' | 'changed' | 'instead' | 'ask-first' | 'forbidden';

/** What the intake says of one pose. */
export interface Verdict {
  readonly status: Status;
  readonly instead: string | null;
  readonly changes: ReadonlySet<Change>;
  readonly reasons: readonly string[];
  readonly refer: readonly string[];
}

const answerTo = (answers: readonly CautionAnswer[], id: string) =>
  answers.filter((answer) => answer.id === id).at(-1);

/** Questions not answered yet: unknown is not "no". */
export const unansweredCautions = (answers: readonly CautionAnswer[]): string[] =>
  cautions
    .filter(({ id }) => (answerTo(answers, id)?.answer ?? 'unanswered') === 'unanswered')
    .map(({ id }) => id);

const strictness: readonly Status[] = ['offered', 'changed', 'ask-first', 'instead', 'forbidden'];
const strictest = (statuses: readonly Status[]): Status =>
  statuses.reduce<Status>(
    (a, b) => (strictness.indexOf(b) > strictness.indexOf(a) ? b : a),
    'offered',
  );

/** What one effect that touches a pose comes to, once a written go-ahead is weighed in. */
function statusOf(
  effect: Effect,
  goAheadAt: string | undefined,
): { status: Status; words: string } {
  switch (effect.effect) {
    case 'ask-first':
      return goAheadAt === undefined
        ? { status: 'ask-first', words: effect.words }
        : { status: 'changed', words: `${effect.words} Go-ahead noted on ${dayOf(goAheadAt)}.` };
    case 'change':
      return { status: 'changed', words: effect.words };
    case 'forbid':
      return {
        status: effect.instead === undefined ? 'forbidden' : 'instead',
        words: effect.words,
      };
  }
}

/** What was answered with yes, the latest answer to each question and side; kept for as long as the answers live. */
const yesIn = new WeakMap<readonly CautionAnswer[], readonly CautionAnswer[]>();
export function yesOf(answers: readonly CautionAnswer[]): readonly CautionAnswer[] {
  const known = yesIn.get(answers);
  if (known) return known;
  const latest = new Map(answers.map((one) => [`${one.id}/${one.side ?? ''}`, one]));
  const yes = [...latest.values()].filter(({ answer }) => answer === 'yes');
  yesIn.set(answers, yes);
  return yes;
}

/** Weighs every "yes" against a pose: the strictest effect rules, and every change in force is kept. */
export function verdictOn(
  poseId: string,
  answers: readonly CautionAnswer[],
  passed: readonly string[] = [],
): Verdict {
  const found = yesOf(answers).map((answer) => {
    const caution = cautionById(answer.id);
    // A caution of a newer book, unknown here, cannot be weighed: it is asked about.
    if (!caution) return { effects: [askAbout(answer.id)], refer: [], goAheadAt: undefined };
    const effects = caution.effects.filter(({ poses }) => inScope(poses, poseId));
    return {
      effects,
      refer: effects.length > 0 ? [caution.refer] : [],
      goAheadAt: answer.goAheadAt,
    };
  });
  const weighed = found.flatMap(({ effects, goAheadAt }) =>
    effects.map((effect) => statusOf(effect, goAheadAt)),
  );
  const effects = found.flatMap((one) => one.effects);
  const strict = strictest(weighed.map((one) => one.status));
  const instead =
    strict === 'instead'
      ? firstAllowed(
          effects.flatMap((effect) => (effect.effect === 'forbid' && effect.instead) || []),
          answers,
          [...passed, poseId],
        )
      : null;
  return {
    status: strict === 'instead' && instead === null ? 'forbidden' : strict,
    instead,
    changes: new Set(
      effects.flatMap((effect) => (effect.effect === 'change' ? [effect.change] : [])),
    ),
    reasons: [...new Set(weighed.map(({ words }) => words))],
    refer: [...new Set(found.flatMap(({ refer }) => refer))],
  };
}

/** The first of some poses that no caution forbids; one that is itself replaced leads on to what replaces it. */
export function firstAllowed(
  candidates: readonly string[],
  answers: readonly CautionAnswer[],
  passed: readonly string[] = [],
): string | null {
  for (const pose of candidates) {
    if (passed.includes(pose)) continue;
    const { status, instead } = verdictOn(pose, answers, passed);
    if (status === 'instead') return instead;
    if (status !== 'forbidden') return pose;
  }
  return null;
}

const askAbout = (id: string): Effect => ({
  effect: 'ask-first',
  poses: 'all',
  words: `“${id}” is answered yes and this version does not know it: ask before offering this.`,
});
