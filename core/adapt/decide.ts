import type { SessionPose } from '../formats/book';
import { daysBetween, type LocalDay, dayOf } from '../formats/time';
import { decision as parameter } from '../parameters';
import type { RaiseReason } from '../poses/pose';

export type Action = 'first' | 'rest' | 'raise' | 'keep' | 'lower';

/** What to do with a pose today, with its reasons in words. */
export interface Decision {
  readonly action: Action;
  /** The one slot that moves, as a slot key; null when none does. */
  readonly slot: string | null;
  /** Only the one rung, however unlikely it is to be enough: for the day's sake, not for what the body said. */
  readonly oneRung?: true;
  readonly reasons: readonly string[];
  readonly refer: string | null;
}

/** One earlier time of a pose, as the decision sees it. */
export interface Earlier {
  readonly at: string;
  readonly outcome: SessionPose;
}

/** A slot that could come down one rung. */
export interface Rung {
  readonly slot: string;
  readonly fromCm: number;
  readonly toCm: number;
  /** Chance that the student's range supports the lower rung. */
  readonly chance: number;
}

/** How the student comes today. */
export const dayIds = ['usual', 'cold', 'tired', 'sore'] as const;
export type Day = (typeof dayIds)[number];

export interface DecisionInput {
  readonly today: LocalDay;
  readonly day: Day;
  /** Oldest first. */
  readonly earlier: readonly Earlier[];
  /** The next rung down of each slot that stands on something, in the pose's order; computed only when it is asked for. */
  readonly rungs: () => readonly Rung[];
  readonly veryMobile: boolean;
  /** Today's re-check lies below the last estimate by more than is believable as chance: words for the teacher. */
  readonly lowCheck: string | null;
  readonly strengthAllowed: number;
  /** Chance of being enough that a lower rung must have. */
  readonly chanceAsked: number;
  /** The slot that goes up for a reason. */
  readonly slotToRaise: (why: RaiseReason) => string;
}

const dayFormat = new Intl.DateTimeFormat('en-GB', {
  day: 'numeric',
  month: 'short',
  timeZone: 'UTC',
});
const day = (at: string) => dayFormat.format(Date.parse(dayOf(at)));

/** A session that speaks for coming down: full time, easy breath, muscle only, nothing strong, pelvis upright. */
export function wentWell(outcome: SessionPose): boolean {
  return (
    outcome.stop === undefined &&
    outcome.feeling.strength <= parameter.easyFeeling.value &&
    ['muscle', 'none'].includes(outcome.feeling.place) &&
    outcome.breath === 'easy' &&
    outcome.pelvis === 'upright' &&
    heldWhole(outcome) &&
    outcome.nextDay !== 'worse'
  );
}

/** The whole planned time; where none was planned, what was held is the whole. */
export const heldWhole = ({ heldSeconds, plannedSeconds }: SessionPose) =>
  heldSeconds >= parameter.fullTime.value * (plannedSeconds ?? heldSeconds);

const STOPS = {
  sharp: 'a sharp feeling',
  electric: 'an electric feeling',
  spreading: 'a spreading feeling',
  numb: 'numbness',
  dizzy: 'dizziness',
  joint: 'a joint',
} as const;

/** Why the support must go up after a session; null when nothing asks for it. */
export function askedForMore(
  outcome: SessionPose,
  strengthAllowed: number,
): { why: RaiseReason; words: string } | null {
  const { feeling } = outcome;
  if (feeling.place === 'joint' || outcome.stop === 'joint')
    return { why: 'joint', words: 'felt at a joint line' };
  if (feeling.place === 'low-back') return { why: 'low-back', words: 'felt in the low back' };
  if (feeling.strength >= parameter.strongFeeling.value)
    return { why: 'strong', words: `felt at ${feeling.strength} of 10` };
  if (feeling.strength > strengthAllowed && feeling.place !== 'none')
    return {
      why: 'strong',
      words: `felt at ${feeling.strength} of 10, over what this approach allows`,
    };
  if (outcome.breath === 'held') return { why: 'strong', words: 'the breath was held' };
  if (outcome.pelvis === 'rolled') return { why: 'rolled', words: 'the pelvis rolled back' };
  if (outcome.pelvis === 'arched') return { why: 'arched', words: 'the low back arched' };
  if (outcome.nextDay === 'worse') return { why: 'other', words: 'worse the next day' };
  return null;
}

const nothing = (action: Action, reasons: string[], refer: string | null = null): Decision => ({
  action,
  slot: null,
  reasons,
  refer,
});

/**
 * Lower, keep, raise or rest: one pose, one side, today. The order is fixed: stop and refer, raise, keep, lower; the
 * first that applies is the answer. Only one slot moves.
 */
export function decide(input: DecisionInput): Decision {
  const { today, earlier, slotToRaise } = input;
  const last = earlier.at(-1);
  const heavy = input.day === 'usual' ? null : `A ${input.day} day: one rung higher than usual.`;
  if (!last)
    return nothing('first', [
      'First time: built from the measurements.',
      ...(heavy ? [heavy] : []),
    ]);
  const { outcome } = last;

  const serious =
    outcome.stop !== undefined && outcome.stop !== 'joint'
      ? STOPS[outcome.stop]
      : outcome.feeling.place === 'nerve'
        ? 'a nerve-like feeling'
        : null;
  if (serious !== null && outcome.stop !== 'dizzy') {
    const since = daysBetween(last.at, today);
    const refer =
      'If it comes back, or stays: to a doctor or physiotherapist before this pose again.';
    if (since < parameter.restDays.value)
      return nothing('rest', [`Left out today: ${serious} on ${day(last.at)}.`], refer);
    return {
      action: 'raise',
      slot: slotToRaise('other'),
      reasons: [
        `${serious} on ${day(last.at)}: one rung higher, and with care.`.replace(/^./, (c) =>
          c.toUpperCase(),
        ),
      ],
      refer,
    };
  }
  if (outcome.stop === 'dizzy')
    return {
      action: 'raise',
      slot: slotToRaise('other'),
      reasons: [`Dizziness on ${day(last.at)}: one rung higher, rise in stages.`],
      refer: 'Dizziness that returns: to a doctor.',
    };

  const more = askedForMore(outcome, input.strengthAllowed);
  if (more)
    return {
      action: 'raise',
      slot: slotToRaise(more.why),
      reasons: [`Last time, ${day(last.at)}: ${more.words}.`],
      refer: more.why === 'joint' ? 'A joint that goes on speaking: to a physiotherapist.' : null,
    };
  if (heavy !== null)
    return {
      action: 'raise',
      slot: slotToRaise('other'),
      oneRung: true,
      reasons: [heavy],
      refer: null,
    };
  if (input.lowCheck !== null)
    return { action: 'raise', slot: slotToRaise('other'), reasons: [input.lowCheck], refer: null };

  const gap = daysBetween(last.at, today);
  if (gap > parameter.longestGap.value)
    return nothing('keep', [`${gap} days since the last time: settle in again first.`]);
  if (!heldWhole(outcome))
    return nothing('keep', [
      `Held ${Math.round(outcome.heldSeconds)} of ${Math.round(outcome.plannedSeconds ?? 0)} s last time: the whole time first.`,
    ]);
  if (input.veryMobile)
    return nothing('keep', [
      'Very mobile: support at mid-range, never deeper; add strength instead.',
    ]);

  const running = goodRunning(earlier, input.strengthAllowed);
  const before = earlier[earlier.length - 1 - running];
  if (running < parameter.goodSessions.value) {
    const raised =
      before && askedForMore(before.outcome, input.strengthAllowed) ? 'raised recently, ' : '';
    return nothing('keep', [
      `${raised}${running} good ${running === 1 ? 'session' : 'sessions'} at this height; ${parameter.goodSessions.value} are asked for.`.replace(
        /^./,
        (c) => c.toUpperCase(),
      ),
    ]);
  }
  const rungs = input.rungs();
  if (rungs.length === 0)
    return nothing('keep', [
      standsOnFloor(outcome)
        ? 'Nothing lies there that could be taken away.'
        : `The shelf has no step of ${parameter.mostRung.value} cm or less below this.`,
    ]);
  const next = rungs.find(({ chance }) => chance >= input.chanceAsked);
  if (next) {
    return {
      action: 'lower',
      slot: next.slot,
      reasons: [
        `${running} good sessions running, and ${Math.round(next.chance * 100)} in 100 that the range supports ${next.toCm.toFixed(1)} cm.`,
      ],
      refer: null,
    };
  }
  const best = rungs.reduce((a, b) => (b.chance > a.chance ? b : a));
  return nothing('keep', [
    `${running} good sessions, but only ${Math.floor(best.chance * 100)} in 100 that the range supports the next rung; ${Math.round(input.chanceAsked * 100)} are asked for.`,
  ]);
}

const standsOnFloor = ({ settled }: SessionPose) => settled.every(({ heightCm }) => heightCm < 0.5);

/** Good sessions running, all at the heights of the last one. */
export function goodRunning(earlier: readonly Earlier[], strengthAllowed: number): number {
  const last = earlier.at(-1);
  if (!last) return 0;
  let running = 0;
  for (const { outcome } of [...earlier].reverse()) {
    if (
      !wentWell(outcome) ||
      askedForMore(outcome, strengthAllowed) ||
      !sameHeights(outcome, last.outcome)
    )
      break;
    running += 1;
  }
  return running;
}

const sameHeights = (a: SessionPose, b: SessionPose) =>
  b.settled.every(({ slot, part, heightCm }) => {
    const there = a.settled.find((one) => one.slot === slot && one.part === part);
    return there !== undefined && Math.abs(there.heightCm - heightCm) <= parameter.sameHeight.value;
  });
