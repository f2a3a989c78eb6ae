import type { CautionAnswer } from '../formats/book';
import { dayOf } from '../formats/time';
import { poseById, type Pose, type PoseId } from '../poses/poses';
import { hasTrait } from '../poses/traits';
import type { ReadingSide } from '../ranges/ranges';
import {
  cautionById,
  cautionIds,
  type Caution,
  type CautionId,
  type Change,
  type Rule,
} from './cautions';

export type Status = 'offered' | 'changed' | 'instead' | 'ask-first' | 'forbidden';

/** What the intake says of one pose. */
export interface Verdict {
  readonly status: Status;
  readonly instead: PoseId | null;
  readonly changes: ReadonlySet<Change>;
  readonly reasons: readonly string[];
  readonly refer: readonly string[];
}

const answerTo = (answers: readonly CautionAnswer[], id: string) =>
  answers.filter((answer) => answer.id === id).at(-1);

/** Questions not answered yet: unknown is not "no". */
export const unansweredCautions = (answers: readonly CautionAnswer[]): CautionId[] =>
  cautionIds.filter((id) => (answerTo(answers, id)?.answer ?? 'unanswered') === 'unanswered');

const strictness: readonly Status[] = ['offered', 'changed', 'ask-first', 'instead', 'forbidden'];
const strictest = (statuses: readonly Status[]): Status =>
  statuses.reduce<Status>(
    (a, b) => (strictness.indexOf(b) > strictness.indexOf(a) ? b : a),
    'offered',
  );

/** What one rule that touches a pose comes to, once a written go-ahead is weighed in. */
function statusOf(
  rule: Rule,
  pose: Pose,
  goAheadAt: string | undefined,
): { status: Status; words: string } {
  switch (rule.does) {
    case 'ask-first':
      return goAheadAt === undefined
        ? { status: 'ask-first', words: rule.words }
        : { status: 'changed', words: `${rule.words} Go-ahead noted on ${dayOf(goAheadAt)}.` };
    case 'change':
      return { status: 'changed', words: rule.words };
    case 'forbid':
      return {
        status: insteadOf(rule, pose).length === 0 ? 'forbidden' : 'instead',
        words: rule.words,
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

/** The rules of a caution that a pose meets: on the sore side alone where one was named. */
export function rulesOn(
  { sided, rules }: Caution,
  pose: Pose,
  side: ReadingSide,
  sore: ReadingSide = 'both',
): readonly Rule[] {
  return rules.filter(
    ({ on }) =>
      on === 'all' || on.some((trait) => hasTrait(pose.traits, trait, side, sided ? sore : 'both')),
  );
}

/** What serves in place of a pose that a rule forbids. */
function insteadOf(rule: Rule, { group }: Pose): readonly PoseId[] {
  if (rule.does !== 'forbid' || rule.instead === undefined) return [];
  const instead = typeof rule.instead === 'string' ? rule.instead : rule.instead[group];
  return instead === undefined ? [] : [instead];
}

/**
 * Weighs every "yes" against a pose: the strictest rule rules, and every change in force is kept.
 *
 * @param side the side that the pose works; both where it has none.
 * @param passed poses that this one already stands in for.
 */
export function verdictOn(
  pose: Pose,
  side: ReadingSide,
  answers: readonly CautionAnswer[],
  passed: readonly PoseId[] = [],
): Verdict {
  const found = yesOf(answers).map((answer) => {
    const caution = cautionById(answer.id);
    // A caution of a newer book, unknown here, cannot be weighed: it is asked about.
    if (!caution) return { rules: [askAbout(answer.id)], refer: [], goAheadAt: undefined };
    const rules = rulesOn(caution, pose, side, answer.side);
    return {
      rules,
      refer: rules.length > 0 ? [caution.refer] : [],
      goAheadAt: answer.goAheadAt,
    };
  });
  const rules = found.flatMap((one) => one.rules);
  const weighed = found.flatMap((one) =>
    one.rules.map((rule) => statusOf(rule, pose, one.goAheadAt)),
  );
  const strict = strictest(weighed.map((one) => one.status));
  const instead =
    strict === 'instead'
      ? firstAllowed(
          rules.flatMap((rule) => insteadOf(rule, pose)),
          side,
          answers,
          [...passed, pose.id],
        )
      : null;
  return {
    status: strict === 'instead' && instead === null ? 'forbidden' : strict,
    instead,
    changes: new Set(rules.flatMap((rule) => (rule.does === 'change' ? [rule.change] : []))),
    reasons: [...new Set(weighed.map(({ words }) => words))],
    refer: [...new Set(found.flatMap(({ refer }) => refer))],
  };
}

/** The first of some poses that no caution forbids; one that is itself replaced leads on to what replaces it. */
export function firstAllowed(
  candidates: readonly PoseId[],
  side: ReadingSide,
  answers: readonly CautionAnswer[],
  passed: readonly PoseId[] = [],
): PoseId | null {
  for (const id of candidates) {
    const pose = poseById(id);
    if (!pose || passed.includes(id)) continue;
    const { status, instead } = verdictOn(
      pose,
      pose.sides === 'both' ? 'both' : side,
      answers,
      passed,
    );
    if (status === 'instead') return instead;
    if (status !== 'forbidden') return id;
  }
  return null;
}

const askAbout = (id: string): Rule => ({
  does: 'ask-first',
  on: 'all',
  words: `“${id}” is answered yes and this version does not know it: ask before offering this.`,
});
