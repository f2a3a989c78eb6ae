import type { Practice, SessionPose } from '../formats/book';
import { daysBetween, type LocalDay, dayOf } from '../formats/time';
import { decision as parameter } from '../parameters';
import type { RaiseReason } from '../poses/pose';
import type { RangeId } from '../ranges/ranges';
import type { Alarm, Complaint, Reason } from '../reasons';
import { daysIdle, easesFor, hurtIn, staysFor } from './atHome';
import { dials, type DialId, type DialTurn } from '../dials';
import { sidelessKey, slotKey, type SlotKey, type SlotName } from '../slots';
import { standsOver } from '../lies';

export type Action = 'first' | 'rest' | 'raise' | 'keep' | 'lower';

/** What a decision comes to: a slot that comes down eases where it stood too high; gentler is eased without a support. */
export type DecisionWord = 'first' | 'rest' | 'ease' | 'gentle' | 'keep' | 'deepen';

/** What answers a complaint: a slot that moves by one rung, a dial that is turned, or words alone. */
export interface Easing {
  readonly slot: SlotKey | null;
  readonly dial: DialId | null;
  readonly way: 'raise' | 'lower';
  /** Said where no support is the answer. */
  readonly cue: Reason | null;
}

/** What to do with a pose today, with its reasons. */
export interface Decision {
  readonly action: Action;
  readonly word: DecisionWord;
  /** The one slot that moves, as a slot key; null when none does. */
  readonly slot: SlotKey | null;
  /** The dial that is turned instead; null when none is. */
  readonly dial: DialId | null;
  /** Only the one rung, however unlikely it is to be enough: for the day's sake, not for what the body said. */
  readonly oneRung?: true;
  readonly reasons: readonly Reason[];
  readonly refer: Reason | null;
  /** By the wide step. */
  readonly isWide?: true;
  /** Another slot that comes down in the same visit, for a joint of its own. */
  readonly with?: {
    readonly slot: SlotKey;
    readonly reasons: readonly Reason[];
    readonly isWide?: true;
  };
  /** The rung that was weighed, by its slot, with its odds. */
  readonly weighed?: { readonly slot: SlotKey; readonly odds: Reason<'rung-odds'> };
}

/** One earlier time of a pose, as the decision sees it. */
export interface Earlier {
  readonly at: string;
  readonly outcome: SessionPose;
}

/** A slot that could come down one rung. */
export interface Rung {
  readonly slot: SlotKey;
  readonly fromCm: number;
  readonly toCm: number;
  /** Chance that the student's range supports the lower rung. */
  readonly chance: number;
  /** Chance that is asked of it where no joint is at risk. */
  readonly asked?: number;
  /** The range whose doubt makes most of the height's; null where none does. */
  readonly decides: RangeId | null;
  /** By the wide step. */
  readonly isWide?: true;
  /** It only fills what the others leave, and goes with them. */
  readonly fills?: true;
}

/** How the student comes today. */
export const dayIds = ['usual', 'cold', 'tired', 'sore'] as const;
export type Day = (typeof dayIds)[number];

export interface DecisionInput {
  readonly today: LocalDay;
  readonly day: Day;
  /** Oldest first. */
  readonly earlier: readonly Earlier[];
  /** What was said of it at home since it was last seen, oldest first. */
  readonly atHome: readonly Practice[];
  /**
   * The next rung down of each slot that stands on something, in the pose's order; computed only when it is asked for.
   */
  readonly rungs: () => readonly Rung[];
  /**
   * Why nothing comes down where no rung is: nothing lies there that could, all is fitted to the body and not to a range
   * that grows, or the shelf has no such step.
   */
  readonly whyStays: () => Reason<'nothing-lies' | 'fitted' | 'no-step'>;
  readonly veryMobile: boolean;
  /**
   * Today's re-check lies below the last estimate by more than is believable as chance, with what eases for its sake.
   */
  readonly lowCheck: { readonly reason: Reason<'low-check'>; readonly easing: Easing } | null;
  readonly strengthAllowed: number;
  /** Chance of being enough that a lower rung must have. */
  readonly chanceAsked: number;
  /** What eases the pose, for a reason. */
  readonly easingFor: (why: RaiseReason) => Easing;
  /** Slots of which a fault that was seen last time says that they stand too low. */
  readonly faulted: ReadonlySet<SlotName>;
  /** A fault that was seen the last two times, with what mends it. */
  readonly seenAgain: { readonly fault: string; readonly easing: Easing } | null;
  /** What a first build is made from. */
  readonly firstFrom: Omit<Reason<'first-time'>, 'code'>;
  /** A dial that stands eased and may be given back, with the way back; null where none does. */
  readonly easedDial: DialTurn | null;
}

/**
 * A session that speaks for coming down: full time, muscle only and nothing strong, as was said; and nobody saw the
 * breath held, the pelvis off or a lean to one side. What was not looked at speaks neither way.
 */
export function wentWell(outcome: SessionPose): boolean {
  const { strength, place } = outcome.feeling;
  return (
    outcome.stop === undefined &&
    strength !== undefined &&
    strength <= parameter.easyFeeling.value &&
    (place === 'muscle' || place === 'none') &&
    outcome.breath !== 'held' &&
    (outcome.list ?? 'none') === 'none' &&
    (outcome.pelvis ?? 'upright') === 'upright' &&
    heldWhole(outcome) &&
    outcome.nextDay !== 'worse'
  );
}

/** The whole planned time, or all of it that the clock allowed; where none was planned, what was held is the whole. */
export const heldWhole = ({ heldSeconds, plannedSeconds, forTheClock }: SessionPose) =>
  forTheClock === true || heldSeconds >= parameter.fullTime.value * (plannedSeconds ?? heldSeconds);

/** Whether the last two times both ended before the whole time. */
export const cutShortTwice = (earlier: readonly SessionPose[]): boolean =>
  earlier.length >= 2 && earlier.slice(-2).every((one) => !heldWhole(one));

const spotIn = ({ feeling: { spot } }: SessionPose) => (spot === undefined ? {} : { spot });

/** Why the support must go up after a session; null when nothing asks for it. */
export function askedForMore(
  outcome: SessionPose,
  strengthAllowed: number,
): { why: RaiseReason; complaint: Complaint } | null {
  const { feeling } = outcome;
  const { strength = 0 } = feeling;
  if (feeling.place === 'joint' || outcome.stop === 'joint')
    return { why: 'joint', complaint: { of: 'joint', ...spotIn(outcome) } };
  if (feeling.place === 'low-back')
    return { why: 'low-back', complaint: { of: 'low-back', ...spotIn(outcome) } };
  if (strength >= parameter.strongFeeling.value)
    return { why: 'strong', complaint: { of: 'strong', strength, overAllowed: false } };
  if (strength > strengthAllowed && feeling.place !== 'none')
    return { why: 'strong', complaint: { of: 'strong', strength, overAllowed: true } };
  if (outcome.breath === 'held') return { why: 'strong', complaint: { of: 'breath' } };
  if (outcome.pelvis === 'rolled') return { why: 'rolled', complaint: { of: 'rolled' } };
  if (outcome.pelvis === 'arched') return { why: 'arched', complaint: { of: 'arched' } };
  if (outcome.nextDay === 'worse') return { why: 'other', complaint: { of: 'next-day' } };
  return null;
}

/** A decision that moves nothing. */
export const still = (
  action: 'first' | 'rest' | 'keep',
  reasons: readonly Reason[],
  refer: Reason | null = null,
): Decision => ({ action, word: action, slot: null, dial: null, reasons, refer });
const ease = (
  { slot, dial, way, cue }: Easing,
  reason: Reason,
  refer: Reason | null = null,
): Decision => ({
  action: way,
  word: slot === null ? 'gentle' : 'ease',
  slot,
  dial,
  reasons: cue ? [reason, cue] : [reason],
  refer,
});

/** What was felt at a stop, or as from a nerve, that rests a pose; a joint and dizziness have answers of their own. */
function alarmIn({ stop, feeling }: SessionPose): Alarm | null {
  if (stop !== undefined && stop !== 'joint' && stop !== 'dizzy') return stop;
  return feeling.place === 'nerve' && stop !== 'dizzy' ? 'nerve' : null;
}

/** The alarm of the last time for whose sake a pose still rests today; null where it may be done. */
export function restsFor(last: Earlier | undefined, today: LocalDay): Alarm | null {
  const alarm = last ? alarmIn(last.outcome) : null;
  if (!last || daysBetween(dayOf(last.at), today) >= parameter.restDays.value) return null;
  return alarm;
}

/** Stop and refer, or raise, for what the last session or today says; null where nothing does. */
function easing({ today, day, lowCheck, easingFor, ...input }: DecisionInput, last: Earlier) {
  const { outcome } = last;
  const on = dayOf(last.at);
  const alarm = alarmIn(outcome);
  if (alarm !== null) {
    const refer: Reason = { code: 'refer-alarm' };
    return restsFor(last, today) !== null
      ? still('rest', [{ code: 'left-out', alarm, on }], refer)
      : ease(easingFor('other'), { code: 'after-alarm', alarm, on }, refer);
  }
  if (outcome.stop === 'dizzy')
    return ease(easingFor('other'), { code: 'after-dizzy', on }, { code: 'refer-dizzy' });
  const more = askedForMore(outcome, input.strengthAllowed);
  if (more)
    return ease(
      easingFor(more.why),
      { code: 'last-time', on, complaint: more.complaint },
      more.why === 'joint' ? { code: 'refer-joint' } : null,
    );
  const saidAtHome = easesFor(input.atHome);
  if (saidAtHome) return { ...ease(easingFor('other'), saidAtHome), oneRung: true as const };
  const days = daysIdle(input.atHome, last.at, today);
  if (days > parameter.longAway.value)
    return { ...ease(easingFor('other'), { code: 'long-away', days }), oneRung: true as const };
  const { seenAgain } = input;
  if (seenAgain) return ease(seenAgain.easing, { code: 'seen-again', fault: seenAgain.fault, on });
  if (day !== 'usual')
    return { ...ease(easingFor('other'), { code: 'heavy-day', day }), oneRung: true as const };
  return lowCheck && ease(lowCheck.easing, lowCheck.reason);
}

/** Good times that are asked for: one is enough where a rung is as good as sure and nothing was raised before it. */
function timesAsked(earlier: readonly Earlier[], good: number, input: DecisionInput): number {
  const before = earlier[earlier.length - 1 - good];
  const raised =
    before !== undefined && askedForMore(before.outcome, input.strengthAllowed) !== null;
  const isSure = () =>
    input
      .rungs()
      .some(
        ({ slot, chance }) =>
          !input.faulted.has(sidelessKey(slot)) && chance >= parameter.sureRung.value,
      );
  // What had to be eased on the mat was no good time all through.
  const wasEased = (earlier.at(-1)?.outcome.eased ?? []).length > 0;
  return good > 0 && !raised && !wasEased && isSure() ? 1 : parameter.goodSessions.value;
}

/** Why nothing may come down yet, whatever the ranges say; null where it may. */
function keeping(input: DecisionInput, last: Earlier): Reason | null {
  const { today, earlier } = input;
  const { outcome } = last;
  const days = daysBetween(last.at, today);
  const times = input.atHome.length;
  if (days > parameter.longestGap.value)
    return { code: 'long-gap', days, ...(times > 0 ? { atHome: times } : {}) };
  const muchAtHome = staysFor(input.atHome);
  if (muchAtHome) return muchAtHome;
  if (!heldWhole(outcome))
    return {
      code: 'not-held',
      heldSeconds: outcome.heldSeconds,
      plannedSeconds: outcome.plannedSeconds ?? 0,
      again: cutShortTwice(earlier.map((one) => one.outcome)),
    };
  if (outcome.list === 'left' || outcome.list === 'right')
    return {
      code: 'leaned',
      side: outcome.list,
      on: dayOf(last.at),
      sits: outcome.settled.some(({ slot }) => slot === 'seat' || slot === 'hipLevel'),
    };
  if (input.veryMobile) return { code: 'very-mobile' };
  const good = goodRunning(earlier, input.strengthAllowed);
  if (good >= parameter.goodSessions.value || good >= timesAsked(earlier, good, input)) return null;
  // Where nothing could come down, no good times are counted for it.
  const rungs = input.rungs();
  if (rungs.length === 0 && !input.easedDial) return null;
  const before = earlier[earlier.length - 1 - good];
  return {
    code: 'more-sessions',
    good,
    asked: parameter.goodSessions.value,
    raised:
      before !== undefined &&
      rungs.some(({ slot, fills }) => !fills && stoodHigher(outcome, before.outcome, slot)),
  };
}

/** Whether a support stood higher than it did before. */
function stoodHigher(outcome: SessionPose, before: SessionPose, key: SlotKey): boolean {
  const heightIn = ({ settled }: SessionPose) =>
    settled.find((one) => slotKey(one) === key)?.heightCm ?? 0;
  return standsOver(heightIn(outcome), heightIn(before));
}

/**
 * Chance asked of a rung after so many good sessions at one height: the longer it has stood quietly, the sooner a step
 * is tried, since only trying tells more.
 */
function patient(chanceAsked: number, good: number): number {
  const { goodSessions, patience, mostPatience } = parameter;
  const waited = Math.max(0, good - goodSessions.value);
  return chanceAsked - Math.min(mostPatience.value, patience.value * waited);
}

/**
 * Lower, keep, raise or rest: one pose, one side, today. The order is fixed: stop and refer, raise, keep, lower; the
 * first that applies is the answer. One slot moves; a second one only down, for another joint, where it is sure.
 */
export function decide(asked: DecisionInput): Decision {
  const { earlier, day } = asked;
  let found: readonly Rung[] | undefined;
  const input: DecisionInput = { ...asked, rungs: () => (found ??= asked.rungs()) };
  const last = earlier.at(-1);
  if (!last)
    return still('first', [
      { code: 'first-time', ...input.firstFrom },
      ...[hurtIn(input.atHome)].filter((one) => one !== null),
      ...(day === 'usual' ? [] : [{ code: 'heavy-day' as const, day }]),
    ]);
  const eased = easing(input, last);
  if (eased) return eased;
  const kept = keeping(input, last);
  const easedThen = (last.outcome.eased ?? []).map((spot): Reason => ({
    code: 'eased-then',
    spot,
  }));
  if (kept) return still('keep', [...easedThen, kept]);

  const good = goodRunning(earlier, input.strengthAllowed);
  const all = input.rungs();
  const rungs = all.filter(({ slot }) => !input.faulted.has(sidelessKey(slot)));
  if (rungs.length === 0 && input.easedDial)
    return {
      action: input.easedDial.way,
      word: 'deepen',
      slot: null,
      dial: input.easedDial.dial,
      reasons: [{ code: 'dial-back', good }],
      refer: null,
    };
  if (rungs.length < all.length && rungs.length === 0)
    return still('keep', [{ code: 'fault-stands', on: dayOf(last.at) }]);
  if (rungs.length === 0) return still('keep', [input.whyStays()]);
  const askedOf = ({ asked = input.chanceAsked }: Rung) => patient(asked, good);
  const weighed = (rung: Rung): Decision['weighed'] => ({
    slot: rung.slot,
    odds: { code: 'rung-odds', toCm: rung.toCm, chance: rung.chance, asked: askedOf(rung) },
  });
  // After a single good time only what is as good as sure comes down.
  const least = good < parameter.goodSessions.value ? parameter.sureRung.value : 0;
  const next = rungs.find((rung) => rung.chance >= Math.max(least, askedOf(rung)));
  if (next) return lowering(next, alongWith(next, rungs, askedOf), good, weighed(next));
  const likeliest = rungs.reduce((a, b) => (b.chance > a.chance ? b : a));
  const { decides: range, chance } = likeliest;
  return {
    ...still('keep', [{ code: 'range-unsure', good, range, isRough: chance >= EVEN }]),
    weighed: weighed(likeliest),
  };
}
/** A rung down, with a second one where there is one. */
function lowering(
  next: Rung,
  also: Rung | undefined,
  good: number,
  weighed: Decision['weighed'],
): Decision {
  const supported = ({ toCm }: Rung): readonly Reason[] => [{ code: 'range-supports', good, toCm }];
  const wide = ({ isWide }: Rung) => (isWide ? { isWide } : {});
  return {
    action: 'lower',
    word: 'deepen',
    slot: next.slot,
    dial: null,
    reasons: supported(next),
    refer: null,
    ...(weighed ? { weighed } : {}),
    ...wide(next),
    ...(also ? { with: { slot: also.slot, reasons: supported(also), ...wide(also) } } : {}),
  };
}

/** A second rung of the same visit: as good as sure, for another joint, and both likely enough together. */
const alongWith = (next: Rung, rungs: readonly Rung[], askedOf: (rung: Rung) => number) =>
  rungs.find(
    (rung) =>
      rung.decides !== null &&
      next.decides !== null &&
      rung.decides !== next.decides &&
      sidelessKey(rung.slot) !== sidelessKey(next.slot) &&
      rung.chance >= parameter.sureRung.value &&
      rung.chance * next.chance >= Math.max(askedOf(rung), askedOf(next)),
  );

/** More likely than not: a finer reading may settle it. */
const EVEN = 0.5;

/** Nothing was said of it, and nothing seen: it speaks neither for nor against. */
const isUnsaid = ({ feeling, stop, pelvis, breath, list, nextDay, faults }: SessionPose) =>
  feeling.strength === undefined &&
  feeling.place === undefined &&
  [stop, pelvis, breath, list, nextDay].every((one) => one === undefined) &&
  faults.length === 0;

/** Good sessions running, all at the heights of the last one; one of which nothing was said lies between unseen. */
export function goodRunning(earlier: readonly Earlier[], strengthAllowed: number): number {
  const last = earlier.at(-1);
  if (!last) return 0;
  let running = 0;
  for (const { outcome } of [...earlier].reverse()) {
    if (isUnsaid(outcome) && heldWhole(outcome) && sameHeights(outcome, last.outcome)) continue;
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

/** Nothing of the pose itself was set otherwise, by half a step or more. */
const sameDials = (a: SessionPose, b: SessionPose) =>
  (b.dials ?? []).every(({ dial, value, reckoned }) => {
    const there = a.dials?.find((one) => one.dial === dial);
    const movedBy = value - reckoned - (there ? there.value - there.reckoned : 0);
    return Math.abs(movedBy) < dials[dial].step / 2;
  });

const sameHeights = (a: SessionPose, b: SessionPose) =>
  sameDials(a, b) &&
  b.settled.every((one) => {
    const there = a.settled.find((other) => slotKey(other) === slotKey(one));
    return (
      there !== undefined && Math.abs(there.heightCm - one.heightCm) <= parameter.sameHeight.value
    );
  });
