import { formatRFC3339 } from 'date-fns/formatRFC3339';
import { placeKey } from '@/core/advise/order';
import type { Person } from '@/core/formats/book';
import type { Lesson } from '@/core/formats/lesson';
import type { PlanPose } from '@/core/formats/plan';
import type { PlannedStep } from '@/core/lessons/planLesson';
import {
  broughtUp,
  goesOnAt,
  longerBy,
  nowIn,
  pausedAt,
  turnedTo,
  type Run,
} from '@/core/lessons/running';
import { stepById } from '@/core/lessons/steps';
import { together, type OwnStep } from '@/core/lessons/together';
import { ledEnded, ledMoved, ledStarted, type Led } from '@/store/led';
import { matOf, onMatOf, poseAgain, poseDone, poseSkipped, type Settled } from '@/store/mat';
import { selectPlan } from '@/store/reckoned';
import type { RootState, Thunk } from '@/store/store';
import { todayIso } from '../hooks';
import { beginSession } from '../mat/beginTogether';
import { holdNow } from '../mat/holdClock';
import { endSession, outcomeOf } from '../mat/session';

/** This moment in milliseconds of the clock that never goes back. */
export const nowMs = (): number => Date.parse(holdNow());

/** One student's part in a lesson that begins. */
export interface Begins {
  readonly person: Person;
  readonly steps: readonly PlannedStep[];
  readonly pace: number;
  /** What lies there otherwise than planned. */
  readonly settled?: Record<string, Settled[]>;
}

/** The place of what somebody does in a step; null where it is no pose. */
export const placeOf = (own: OwnStep | null | undefined): string | null =>
  own?.is === 'pose' ? placeKey({ pose: own.id, side: own.side }) : null;

/** Puts everybody on their mats, and leads them. */
export const beginLesson =
  (lesson: Pick<Lesson, 'id' | 'name'>, parts: readonly Begins[], nowMs: number): Thunk =>
  (dispatch) => {
    const { steps, segments } = together(parts.map((one) => ({ ...one, person: one.person.id })));
    for (const { person, settled } of parts)
      dispatch(
        beginSession(
          person,
          steps.flatMap(({ whose }) => placeOf(whose[person.id]) ?? []),
          settled,
        ),
      );
    dispatch(
      ledStarted({
        lesson: { id: lesson.id, name: lesson.name },
        people: parts.map(({ person }) => person.id),
        startedAt: formatRFC3339(new Date(nowMs), { fractionDigits: 3 }),
        steps: steps.map(({ of, whose }) => ({ of, whose: { ...whose } })),
        segments: [...segments],
        at: 0,
        sinceMs: nowMs,
        pausedMs: null,
        moreSeconds: 0,
        setUpSeconds: 0,
      }),
    );
  };

/** A pose that is planned for somebody in a lesson. */
export function plannedAt(state: RootState, person: string, place: string): PlanPose | undefined {
  const { now } = state.led;
  const poses = (now?.steps ?? []).flatMap(({ whose }) => {
    const own = whose[person];
    const within = own?.is === 'step' ? stepById(own.id)?.at : undefined;
    return own?.is === 'pose' ? [own.id] : within && within !== 'standing' ? [within] : [];
  });
  const plan = selectPlan(state, person, todayIso(), [...new Set(poses)].join(','));
  return plan?.poses.find((one) => placeKey(one) === place);
}

/** Shorter than this nothing was held. */
const HARDLY_SECONDS = 10;

/** What was held by everybody in a step, for so long, is written down; what hardly was is left out. */
const stepHeld =
  (
    led: Led,
    { step, seconds: whole }: Led['segments'][number],
    heldSeconds: number,
    setUpSeconds: number,
  ): Thunk =>
  (dispatch, getState) => {
    const extra = Math.max(0, heldSeconds - whole);
    for (const [person, own] of Object.entries(led.steps[step]?.whose ?? {})) {
      const place = placeOf(own);
      const mat = matOf(getState().mat, person);
      if (!own || place === null || !mat || mat.poses[mat.at] !== place) continue;
      const planned = plannedAt(getState(), person, place);
      // While somebody else still held, one's own time was over.
      const held = Math.round(Math.min(heldSeconds, own.seconds + extra));
      if (!planned || heldSeconds < HARDLY_SECONDS) dispatch(onMatOf(person, poseSkipped()));
      else
        dispatch(
          onMatOf(
            person,
            poseDone({
              ...outcomeOf(mat, planned, { feeling: {} }, held),
              ...(own.seconds < planned.holdSeconds && held >= own.seconds
                ? { forTheClock: true }
                : {}),
              ...(setUpSeconds > 0 ? { setUpSeconds: Math.round(setUpSeconds) } : {}),
            }),
          ),
        );
    }
  };

/** Leaves a step out for everybody who has it before them. */
const stepLeft =
  (led: Led, step: number): Thunk =>
  (dispatch, getState) => {
    for (const [person, own] of Object.entries(led.steps[step]?.whose ?? {})) {
      const mat = matOf(getState().mat, person);
      const place = placeOf(own);
      if (place !== null && mat?.poses[mat.at] === place) dispatch(onMatOf(person, poseSkipped()));
    }
  };

/** One stretch is over after so many seconds: what that means for the mats, and how long was set up so far. */
const passed =
  (led: Led, at: number, seconds: number, setUpSeconds: number): Thunk<number> =>
  (dispatch) => {
    const segment = led.segments[at];
    if (segment?.phase === 'build' || segment?.phase === 'enter') return setUpSeconds + seconds;
    if (segment?.phase !== 'hold') return setUpSeconds;
    dispatch(stepHeld(led, segment, seconds, setUpSeconds));
    return 0;
  };

/** Keeps up with the clock: what is over is written down, in its order, also what was over while nobody looked. */
export const keepUp =
  (nowMs: number): Thunk =>
  (dispatch, getState) => {
    const { now: led } = getState().led;
    if (!led) return;
    const next = broughtUp(led, nowMs);
    if (next === led) return;
    let { setUpSeconds } = led;
    for (let at = led.at; at < next.at; at += 1) {
      const more = at === led.at ? led.moreSeconds : 0;
      setUpSeconds = dispatch(
        passed(led, at, (led.segments[at]?.seconds ?? 0) + more, setUpSeconds),
      );
    }
    dispatch(moved(next, setUpSeconds));
  };

const moved = ({ at, sinceMs, pausedMs, moreSeconds }: Run, setUpSeconds?: number) =>
  ledMoved({
    at,
    sinceMs,
    pausedMs,
    moreSeconds,
    ...(setUpSeconds === undefined ? {} : { setUpSeconds }),
  });

/** Something done to the lesson as it stands, once it is up with the clock. */
const onLed =
  (nowMs: number, change: (led: Led) => Run | Thunk): Thunk =>
  (dispatch, getState) => {
    dispatch(keepUp(nowMs));
    const { now: led } = getState().led;
    if (!led) return;
    const next = change(led);
    if (typeof next === 'function') dispatch(next);
    else dispatch(moved(next));
  };

export const pause = (nowMs: number) => onLed(nowMs, (led) => pausedAt(led, nowMs));
export const goOn = (nowMs: number) => onLed(nowMs, (led) => goesOnAt(led, nowMs));
export const longer = (seconds: number, nowMs: number) =>
  onLed(nowMs, (led) => longerBy(led, seconds, nowMs));

/** On to the next stretch: ready sooner, or out of a hold before its time. */
export const onward = (nowMs: number) =>
  onLed(nowMs, (led) => (dispatch) => {
    const { goneSeconds } = nowIn(led, nowMs);
    const setUpSeconds = dispatch(passed(led, led.at, goneSeconds, led.setUpSeconds));
    dispatch(moved(turnedTo(led, led.at + 1, nowMs), setUpSeconds));
  });

/** Past all that is left of this step. */
export const leaveOut = (nowMs: number) =>
  onLed(nowMs, (led) => (dispatch) => {
    const step = led.segments[led.at]?.step ?? 0;
    dispatch(stepLeft(led, step));
    const next = led.segments.findIndex((one, i) => i > led.at && one.step !== step);
    dispatch(moved(turnedTo(led, next < 0 ? led.segments.length : next, nowMs), 0));
  });

/** A hold or a movement that has only just begun is not what is meant by once more. */
const JUST_BEGUN_SECONDS = 5;

/** The last hold or movement once more; one that is written down already is done again beside it. */
export const onceMore = (nowMs: number) =>
  onLed(nowMs, (led) => (dispatch, getState) => {
    const isDone = (i: number) => ['hold', 'move'].includes(led.segments[i]?.phase ?? '');
    const { goneSeconds } = nowIn(led, nowMs);
    const from = isDone(led.at) && goneSeconds >= JUST_BEGUN_SECONDS ? led.at : led.at - 1;
    let at = from;
    while (at >= 0 && !isDone(at)) at -= 1;
    if (at < 0) return;
    if (at < led.at)
      for (const step of new Set(led.segments.slice(at, led.at).map((one) => one.step)))
        for (const [person, own] of Object.entries(led.steps[step]?.whose ?? {})) {
          const place = placeOf(own);
          const mat = matOf(getState().mat, person);
          // What comes is still to come; only what is over is put before it.
          if (place !== null && mat && mat.poses[mat.at] !== place)
            dispatch(onMatOf(person, poseAgain(place)));
        }
    dispatch(moved(turnedTo(led, at, nowMs), 0));
  });

/**
 * Led on from where a student's mat is, once something was done there by hand: with what follows the last pose that is
 * over, a movement among it. A mat that is free again has ended it.
 */
export const ledFromMat = (person: string, nowMs: number) =>
  onLed(nowMs, (led) => (dispatch, getState) => {
    const mat = matOf(getState().mat, person);
    if (!mat) return void dispatch(ledEnded());
    const placeAt = (step: number) => placeOf(led.steps[step]?.whose[person]);
    const here = led.segments[led.at]?.step ?? led.steps.length;
    const place = mat.poses[mat.at];
    // In a movement, or in the pose that is on the mat, nothing was done by hand.
    if (placeAt(here) === null || placeAt(here) === place) return;
    const coming = led.steps.findIndex((_, i) => i > here && placeAt(i) === place);
    const until = place === undefined || coming < 0 ? led.steps.length : coming;
    const over = led.steps.findLastIndex((_, i) => i < until && placeAt(i) !== null);
    const at = led.segments.findIndex(({ step }) => step > over);
    dispatch(moved(turnedTo(led, at < 0 ? led.segments.length : at, nowMs), 0));
  });

/** It ends here: what is still to come is not done, and it is asked how it was. */
export const endHere = (nowMs: number) =>
  onLed(nowMs, (led) => turnedTo(goesOnAt(led, nowMs), led.segments.length, nowMs));

/** Writes the lesson into everybody's record; what cannot be stored stays on its mat. */
export const recordLesson = (): Thunk<Promise<boolean>> => async (dispatch, getState) => {
  const people = getState().led.now?.people ?? [];
  for (const person of people) {
    const outcome = await dispatch(endSession(person));
    if (!outcome.ok) return false;
  }
  dispatch(ledEnded());
  return true;
};
