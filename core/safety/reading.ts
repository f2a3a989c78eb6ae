import type { CautionAnswer } from '../formats/book';
import { dayOf } from '../formats/time';
import {
  protocolsOf,
  type MethodId,
  type Protocol,
  type ReadingTrait,
} from '../protocols/protocols';
import type { RangeId, ReadingSide } from '../ranges/ranges';
import type { Reason } from '../reasons';
import { cautionById } from './cautions';
import type { CautionId, ReadingRuleId } from './ids';
import { different, yesOf } from './verdict';

/** What a caution does to a way of reading: leave it out, or take care. */
export interface ReadingEffect {
  readonly on: 'all' | readonly ReadingTrait[];
  readonly leaveOut: boolean;
  readonly says: ReadingRuleId;
}

const leaveOut = (on: ReadingEffect['on'], says: ReadingRuleId): ReadingEffect => ({
  on,
  leaveOut: true,
  says,
});
const takeCare = (on: ReadingEffect['on'], says: ReadingRuleId): ReadingEffect => ({
  on,
  leaveOut: false,
  says,
});

const soreKnee = [takeCare(['bendsKnee'], 'read-gently'), takeCare(['kneels'], 'read-from-high')];

/** By caution. */
export const readingEffects: Readonly<Record<CautionId, readonly ReadingEffect[]>> = {
  'hip-replacement': [
    leaveOut(['hipToEnd'], 'read-no-hip-end'),
    takeCare(['liftsLeg'], 'read-raise-low'),
  ],
  'knee-meniscus': soreKnee,
  'knee-ligament': soreKnee,
  'knee-pain': soreKnee,
  'knee-arthritis': soreKnee,
  'knee-replacement': [...soreKnee, leaveOut(['kneels'], 'read-kneeling-asked')],
  'low-back-disc': [
    leaveOut(['rounds'], 'read-no-rounding'),
    takeCare(['straightLeg'], 'read-slowly'),
  ],
  sciatica: [
    leaveOut(['legAndBack'], 'read-no-leg-and-back'),
    takeCare(['liftsLeg'], 'read-nerve-line'),
  ],
  sacroiliac: [takeCare(['movesPelvis'], 'read-short-of-end')],
  'hamstring-origin': [leaveOut(['straightLeg'], 'read-no-straight-end')],
  osteoporosis: [leaveOut(['rounds'], 'read-no-rounding'), takeCare('all', 'read-well-before-end')],
  pregnancy: [
    leaveOut(['faceDown'], 'read-not-face-down'),
    takeCare(['onBack'], 'read-not-long-on-back'),
    takeCare('all', 'read-not-pushed'),
  ],
  'head-pressure': [
    leaveOut(['headLow'], 'read-head-not-low'),
    takeCare(['onBack'], 'read-up-in-stages'),
  ],
  'very-mobile': [takeCare('all', 'read-first-resistance')],
  'recent-or-unexplained': [leaveOut('all', 'read-nothing')],
  'ankle-foot': [
    leaveOut(['kneels'], 'read-no-kneel'),
    takeCare(['bendsAnkle'], 'read-as-far-as-goes'),
  ],
  shoulder: [leaveOut(['armOverhead'], 'read-no-overhead')],
  'under-18': [takeCare('all', 'read-adult-present')],
};

export interface ReadingVerdict {
  readonly leftOut: boolean;
  readonly reasons: readonly Reason[];
  readonly refer: readonly Reason[];
}

interface Said {
  readonly leaveOut: boolean;
  readonly reason: Reason;
  readonly refer?: CautionId;
}

/**
 * What one caution says of a way of reading on a side; a caution of a newer book cannot be weighed here and is asked
 * about.
 */
function saidOf(answer: CautionAnswer, { traits }: Protocol, side: ReadingSide): Said[] {
  const caution = cautionById(answer.id);
  if (!caution)
    return [
      { leaveOut: false, reason: { code: 'caution-unknown', caution: answer.id, reading: true } },
    ];
  const sore = caution.sided ? (answer.side ?? 'both') : 'both';
  const meant = sore === 'both' || side === 'both' || sore === side || traits.includes('bothSides');
  if (!meant) return [];
  return readingEffects[caution.id]
    .filter(({ on }) => on === 'all' || on.some((trait) => traits.includes(trait)))
    .map(({ leaveOut, says }) => ({
      leaveOut: leaveOut && answer.goAheadAt === undefined,
      reason: {
        code: 'caution',
        caution: caution.id,
        rule: says,
        goAheadOn: leaveOut && answer.goAheadAt !== undefined ? dayOf(answer.goAheadAt) : null,
      },
      ...(leaveOut ? { refer: caution.id } : {}),
    }));
}

/** What the intake says of reading by a protocol on a side: a written go-ahead turns "leave out" into "take care". */
export function readingVerdict(
  protocol: Protocol,
  side: ReadingSide,
  answers: readonly CautionAnswer[],
): ReadingVerdict {
  const found = yesOf(answers).flatMap((answer) => saidOf(answer, protocol, side));
  const refer = new Set(found.flatMap((one) => one.refer ?? []));
  return {
    leftOut: found.some(({ leaveOut }) => leaveOut),
    reasons: different(found.map(({ reason }) => reason)),
    refer: [...refer].map((caution) => ({ code: 'refer', caution })),
  };
}

/** Ways of reading a range on a side that no caution leaves out. */
export const allowedWays = (
  range: RangeId,
  side: ReadingSide,
  answers: readonly CautionAnswer[],
): readonly Protocol[] =>
  protocolsOf(range).filter((protocol) => !readingVerdict(protocol, side, answers).leftOut);

/**
 * The way of reading that suits the method at hand, among those that no caution leaves out; undefined where all are.
 */
export function wayFor(
  range: RangeId,
  side: ReadingSide,
  method: MethodId,
  answers: readonly CautionAnswer[],
): Protocol | undefined {
  const allowed = allowedWays(range, side, answers);
  return allowed.find(({ methods }) => methods.includes(method)) ?? allowed[0];
}

/** Whether any way of reading a range on a side is left open. */
export const mayRead = (
  range: RangeId,
  side: ReadingSide,
  answers: readonly CautionAnswer[],
): boolean => allowedWays(range, side, answers).length > 0;
