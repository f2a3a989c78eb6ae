import type { Reason } from '../reasons';
import type { CautionAnswer, Person } from '../formats/book';
import { dayOf } from '../formats/time';
import { poseById, type Pose, type PoseId } from '../poses/poses';
import type { PoseWay } from '../poses/pose';
import { asksNoJoint, hasTrait, type Answered, type Trait } from '../poses/traits';
import type { ReadingSide } from '../ranges/ranges';
import { cautionById, effectOf, type Caution, type Rule } from './cautions';
import { cautionIds, type CautionId, type RuleId } from './ids';
import { sparesKnee, type PoseChange } from './changes';

export type Status = 'offered' | 'changed' | 'instead' | 'ask-first' | 'forbidden';

/** What the intake says of one pose. */
export interface Verdict {
  readonly status: Status;
  readonly instead: PoseId | null;
  /** What the rules that forbid it name in its place, in order; each may itself be refused. */
  readonly candidates: readonly PoseId[];
  readonly changes: ReadonlySet<PoseChange>;
  /** Whose knee is kept further from its end, where a change keeps one so. */
  readonly kneeSide: ReadingSide;
  readonly reasons: readonly Reason[];
  readonly refer: readonly Reason[];
}

const answerTo = (answers: readonly CautionAnswer[], id: string) =>
  answers.filter((answer) => answer.id === id).at(-1);

/** Questions not answered yet: unknown is not "no". */
export const unansweredCautions = (
  answers: readonly CautionAnswer[],
  sex: Person['sex'] = 'unknown',
): CautionId[] =>
  cautionIds.filter(
    (id) => isAskedOf(id, sex) && (answerTo(answers, id)?.answer ?? 'unanswered') === 'unanswered',
  );

/** Whether a question fits a person: a man is not asked whether he is pregnant. */
export const isAskedOf = (id: CautionId, sex: Person['sex']): boolean =>
  id !== 'pregnancy' || sex !== 'man';

const strictness: readonly Status[] = ['offered', 'changed', 'ask-first', 'instead', 'forbidden'];
const strictest = (statuses: readonly Status[]): Status =>
  statuses.reduce<Status>(
    (a, b) => (strictness.indexOf(b) > strictness.indexOf(a) ? b : a),
    'offered',
  );

/** What one rule that touches a pose comes to, once a written go-ahead is weighed in. */
function statusOf(rule: Rule, pose: Pose, goAheadAt: string | undefined): Status {
  switch (rule.does) {
    case 'ask-first':
      return goAheadAt === undefined ? 'ask-first' : 'changed';
    case 'change':
      return 'changed';
    case 'forbid':
      return insteadOf(rule, pose).length === 0 ? 'forbidden' : 'instead';
  }
}

/** Reasons, each once. */
export const different = (reasons: readonly Reason[]): Reason[] => [
  ...new Map(reasons.map((one) => [JSON.stringify(one), one])).values(),
];

/** What was answered with yes, the latest answer to each question and side; kept for as long as the answers live. */
const yesIn = new WeakMap<readonly CautionAnswer[], readonly CautionAnswer[]>();
/** What was answered with yes, the newest answer to each question and side. */
export function yesOf(answers: readonly CautionAnswer[]): readonly CautionAnswer[] {
  const known = yesIn.get(answers);
  if (known) return known;
  const latest = new Map(answers.map((one) => [`${one.id}/${one.side ?? ''}`, one]));
  const yes = [...latest.values()].filter(({ answer }) => answer === 'yes');
  yesIn.set(answers, yes);
  return yes;
}

/** A pose, with what one of its ways does more. */
type WeighedPose = Pose & Pick<PoseWay, 'also'>;
/** Whatever does something to a body: a pose, or a movement of a lesson. */
type Weighable = Pick<WeighedPose, 'traits' | 'traitsIf' | 'also'> & {
  readonly hold: { readonly isRest?: true };
};

/** The rules of a caution that a pose, or a movement, meets: on the sore side alone where one was named. */
export function rulesOn(
  { sided, rules }: Caution,
  pose: Weighable,
  side: ReadingSide,
  sore: ReadingSide = 'both',
  choices?: Answered,
  spots: readonly string[] = [],
): readonly Rule[] {
  return rules.filter(
    ({ on, where }) =>
      (where === undefined || where.some((spot) => spots.includes(spot))) &&
      isMet(on, pose, (trait) => hasTrait(pose, trait, side, sided ? sore : 'both', choices)),
  );
}

/** Whether a pose does what a rule speaks of. */
function isMet(on: Rule['on'], pose: Weighable, has: (trait: Trait) => boolean): boolean {
  if (on === 'all') return true;
  return on === 'but-rests' ? !asksNoJoint(pose) : on.some(has);
}

/** What serves in place of a pose that a rule forbids. */
function insteadOf(rule: Rule, { id, group }: Pose): readonly PoseId[] {
  if (rule.does !== 'forbid' || rule.instead === undefined) return [];
  const instead =
    typeof rule.instead === 'string' ? rule.instead : (rule.instead[id] ?? rule.instead[group]);
  return instead === undefined ? [] : [instead];
}

/**
 * Weighs every "yes" against a pose: the strictest rule rules, and every change in force is kept.
 *
 * @param side the side that the pose works; both where it has none.
 * @param choices the answers in force for this pose; where they are not known, the worst of them counts.
 * @param passed poses that this one already stands in for.
 */
export function verdictOn(
  pose: WeighedPose,
  side: ReadingSide,
  answers: readonly CautionAnswer[],
  choices?: Answered,
  passed: readonly PoseId[] = [],
): Verdict {
  const found = yesOf(answers).flatMap((answer) => weigh(answer, pose, side, choices));
  const rules = found.flatMap(({ rule }) => rule ?? []);
  const strict = strictest(found.map(({ status }) => status));
  const candidates = rules.flatMap((rule) => insteadOf(rule, pose));
  const instead =
    strict === 'instead' ? firstAllowed(candidates, side, answers, [...passed, pose.id]) : null;
  return {
    status: strict === 'instead' && instead === null ? 'forbidden' : strict,
    instead,
    candidates: strict === 'instead' ? candidates : [],
    changes: new Set(rules.flatMap((rule) => (rule.does === 'change' ? [rule.change] : []))),
    kneeSide: kneeSideOf(found),
    reasons: toldOnce(found),
    refer: different(found.flatMap(({ refer }) => refer)),
  };
}

/** What is said: what two answers ask alike once, and of two that ask for the same the one that says it closer. */
function toldOnce(found: readonly Weighed[]): Reason[] {
  const closer = new Set(found.flatMap(({ rule }) => rule?.saysFor ?? []));
  const told = found.filter(
    ({ rule }, at) =>
      !rule || (!closer.has(rule.says) && found.findIndex((other) => other.rule === rule) === at),
  );
  return different(told.map(({ reason }) => reason));
}

/** The side that is kept from its end: one alone where every caution that says so names that one. */
function kneeSideOf(found: readonly Weighed[]): ReadingSide {
  const named = new Set(
    found
      .filter(({ rule }) => rule?.does === 'change' && sparesKnee(rule.change))
      .map(({ sore }) => sore),
  );
  const [only] = named;
  return named.size === 1 && only ? only : 'both';
}

interface Weighed {
  readonly rule?: Rule;
  /** The side that was named, of a caution that has sides. */
  readonly sore?: ReadingSide | undefined;
  readonly status: Status;
  readonly reason: Reason;
  readonly refer: readonly Reason[];
}

/**
 * What one answer of "yes" does to a pose. A caution of a newer book, unknown here, cannot be weighed: it is asked
 * about.
 */
function weigh(
  answer: CautionAnswer,
  pose: WeighedPose,
  side: ReadingSide,
  choices: Answered | undefined,
): Weighed[] {
  const caution = cautionById(answer.id);
  if (!caution)
    return [
      {
        status: 'ask-first',
        reason: { code: 'caution-unknown', caution: answer.id, reading: false },
        refer: [],
      },
    ];
  const goAheadOn = answer.goAheadAt === undefined ? null : dayOf(answer.goAheadAt);
  return rulesOn(caution, pose, side, answer.side, choices, answer.spots).map((rule) => ({
    rule,
    sore: caution.sided ? answer.side : undefined,
    status: statusOf(rule, pose, answer.goAheadAt),
    reason: {
      code: 'caution',
      caution: caution.id,
      rule: rule.says,
      goAheadOn: rule.does === 'ask-first' ? goAheadOn : null,
    },
    refer: [{ code: 'refer', caution: caution.id }],
  }));
}

/** Of what was said of a pose, what refuses it or asks first: how it would be changed is not said where it is not done. */
export const withoutChanges = (reasons: readonly Reason[]): readonly Reason[] =>
  reasons.filter((one) => one.code !== 'caution' || effectOf(one.caution, one.rule) !== 'change');

/** The caution, and what it says, that forbids what a way does more than its pose; null where none does. */
export function refusalOfWay(
  pose: Pose,
  { also }: Pick<PoseWay, 'also'>,
  side: ReadingSide,
  answers: readonly CautionAnswer[],
): { readonly caution: CautionId; readonly rule: RuleId } | null {
  if (also === undefined) return null;
  const { status, reasons } = verdictOn({ ...pose, also }, side, answers);
  if (status !== 'forbidden' && status !== 'instead') return null;
  const forbids = reasons.find(
    (one): one is Reason<'caution'> =>
      one.code === 'caution' && effectOf(one.caution, one.rule) === 'forbid',
  );
  return forbids ? { caution: forbids.caution, rule: forbids.rule as RuleId } : null;
}

/** The first of some poses that no caution forbids; one that is itself replaced leads on to what replaces it. */
function firstAllowed(
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
      undefined,
      passed,
    );
    if (status === 'instead') return instead;
    if (status !== 'forbidden') return id;
  }
  return null;
}
