import type { SessionPose, Session } from '@/core/formats/book';
import { isDoable, placeKey } from '@/core/advise/order';
import { movesOf, type DialSetting } from '@/core/dials';
import type { Estimates } from '@/core/estimate/estimate';
import type { Plan, PlanPose } from '@/core/formats/plan';
import { goesAgainst } from '@/core/learn/evidence';
import { isMoved, isWanted } from '@/core/lies';
import { asPlanned, asSettled } from '@/core/learn/settled';
import { dialsIn, followsDials, nearestStack, type InPose } from '@/core/build/solve';
import { usedBy, type Stack, type Used } from '@/core/props/stack';
import { put } from '@/store/facts';
import {
  dialTurned,
  heldSeconds,
  wasTimed,
  matCleared,
  matOf,
  MOST_HELD_SECONDS,
  onMatOf,
  poseDone,
  rungMoved,
  sessionIdOf,
  type Mat,
  type Settled,
} from '@/store/mat';
import { commit, type Outcome, type Thunk } from '@/store/store';
import { holdNow } from './holdClock';
import { slotKey } from '@/core/slots';

/** Poses that may be done today without asking anybody first. */
export const doable = (plan: Plan): PlanPose[] => plan.poses.filter(isDoable);

/** Whether a joint spoke in this session: then no support comes down in it. */
export const jointSpoke = ({ done }: Mat) =>
  done.some(({ feeling, stop }) => feeling.place === 'joint' || stop === 'joint');

/** What the other slots of a pose use, its strap too. */
export const usedBeside = (planned: PlanPose, settled: readonly Settled[], slot: Settled): Used =>
  usedBy([
    ...settled.filter((one) => one !== slot).map(({ pieces }) => pieces),
    ...planned.slots.filter(({ isLength }) => isLength).map(({ stack }) => stack),
  ]);

/** What is set of the pose itself: as on the mat, else as planned. */
export const dialsOn = (mat: Mat, planned: PlanPose): readonly DialSetting[] =>
  mat.dials[placeKey(planned)] ?? planned.dials;

/**
 * What lies there once the dials are moved from where they stood: what fills a gap follows it, everything else stays.
 */
export function settledAfterTurn(
  inPose: InPose,
  estimates: Estimates,
  before: readonly DialSetting[],
  planned: PlanPose,
  settled: readonly Settled[],
): Settled[] {
  const follows = followsDials(inPose, estimates, builtOf(settled), movesOf(before));
  return refilled(
    inPose,
    planned,
    settled,
    (one) => one.heightCm + (follows.get(slotKey(one)) ?? 0),
  );
}

/** What lies there once each slot stands nearest to the height that is wanted of it; what is as good as there stays. */
export const refilled = (
  inPose: InPose,
  planned: PlanPose,
  settled: readonly Settled[],
  wantedCmOf: (one: Settled) => number,
): Settled[] =>
  settled.map((one) => {
    const wantedCm = wantedCmOf(one);
    if (!isMoved(wantedCm - one.heightCm)) return one;
    return asSettled(
      one,
      !isWanted(wantedCm)
        ? { pieces: [], heightCm: 0 }
        : nearestStack(inPose, one.slot, wantedCm, usedBeside(planned, settled, one)),
    );
  });

/** What comes of a dial set to a value: the dials as they then stand, and what follows them. */
export function dialSet(
  planned: PlanPose,
  inPose: InPose,
  estimates: Estimates,
  set: readonly DialSetting[],
  settled: readonly Settled[],
  { dial, reckoned }: DialSetting,
  value: number,
) {
  const there = { ...inPose, moves: { ...movesOf(set), [dial]: value - reckoned } };
  return dialTurned({
    pose: placeKey(planned),
    dials: dialsIn(there, estimates),
    settled: settledAfterTurn(there, estimates, set, planned, settled),
  });
}

/** What comes of one support moved to another stack: what lies there then, and when into the hold it was. */
export const rungTo = (
  planned: PlanPose,
  mat: Mat,
  settled: readonly Settled[],
  from: Settled,
  to: Stack,
) => {
  const { slot, part, side, heightCm } = from;
  const put = asSettled(from, to);
  return rungMoved({
    pose: placeKey(planned),
    slot: { slot, ...(part ? { part } : {}), side },
    fromCm: heightCm,
    toCm: to.heightCm,
    atSeconds: Math.min(MOST_HELD_SECONDS, heldSeconds(mat, holdNow())),
    settled: settled.includes(from)
      ? settled.map((one) => (one === from ? put : one))
      : [...settled, put],
  });
};

/** Heights lying on the mat, by slot key. */
export const builtOf = (settled: readonly Settled[]) =>
  Object.fromEntries(settled.map((one) => [slotKey(one), one.heightCm]));

/** What is said of a pose and seen in it; what is absent was not. */
export type Felt = Pick<SessionPose, 'feeling' | 'pelvis' | 'breath' | 'stop' | 'list' | 'note'>;

/** Changes of height that one record can hold: the last ones. */
const MOST_CHANGES = 60;

/** Steps tried that one record can hold: the last ones. */
const MOST_TRIALS = 30;

/** Spots that one record can hold: the last ones. */
const MOST_EASED = 10;

/** What is recorded of a pose: what was settled on, how long it was held, and how it felt. */
export function outcomeOf(mat: Mat, planned: PlanPose, felt: Felt, held: number): SessionPose {
  const key = placeKey(planned);
  const settled = mat.settled[key] ?? asPlanned(planned);
  const changes = (mat.changes[key] ?? []) as NonNullable<SessionPose['changes']>;
  // Lowered by hand against a "keep" or "raise", or raised against a "lower": the teacher knows better, and it is
  // learned from.
  const overruled =
    felt.stop === undefined &&
    felt.feeling.place !== 'joint' &&
    goesAgainst(changes, planned.decision);
  return {
    pose: planned.pose,
    stage: planned.stage,
    side: planned.side,
    settled,
    plannedSeconds: planned.holdSeconds,
    heldSeconds: held,
    faults: mat.faults[key] ?? [],
    ...(mat.trials[key] ? { trials: mat.trials[key].slice(-MOST_TRIALS) } : {}),
    ...(mat.eased[key] ? { eased: mat.eased[key].slice(-MOST_EASED) } : {}),
    ...(changes.length > 0 ? { changes: changes.slice(-MOST_CHANGES) } : {}),
    ...(overruled ? { overruled: true } : {}),
    ...(mat.whys[key] ? { why: mat.whys[key] } : {}),
    ...(dialsOn(mat, planned).length > 0 ? { dials: [...dialsOn(mat, planned)] } : {}),
    ...felt,
  };
}

/**
 * Records a pose, held for as long as is said or else as the timer ran; after the last one the session becomes a fact.
 */
export const recordPose =
  (person: string, planned: PlanPose, felt: Felt, heldAs?: number): Thunk<Promise<Outcome>> =>
  async (dispatch, getState) => {
    const mat = matOf(getState().mat, person);
    if (!mat) return { ok: true };
    // Not timed, it was held as planned unless something else is said.
    const untimed = felt.stop === undefined && !wasTimed(mat);
    const held = heldAs ?? (untimed ? planned.holdSeconds : heldSeconds(mat, holdNow()));
    dispatch(onMatOf(person, poseDone(outcomeOf(mat, planned, felt, held))));
    const after = matOf(getState().mat, person);
    return after && after.at >= after.poses.length ? dispatch(endSession(person)) : { ok: true };
  };

/** Ends the session: what was done is kept, and the mat is free. */
export const endSession =
  (person: string): Thunk<Promise<Outcome>> =>
  async (dispatch, getState) => {
    const mat = matOf(getState().mat, person);
    if (!mat) return { ok: true };
    if (mat.done.length > 0) {
      const session: Session = {
        id: sessionIdOf(mat),
        person: mat.person,
        at: mat.startedAt,
        ...(mat.day === 'usual' ? {} : { day: mat.day }),
        poses: mat.done,
      };
      const outcome = await dispatch(
        commit({
          words: `Session recorded: ${mat.done.length} ${mat.done.length === 1 ? 'pose' : 'poses'}`,
          put: [put('sessions', session)],
          remove: [],
        }),
      );
      if (!outcome.ok) return outcome;
    }
    dispatch(onMatOf(person, matCleared()));
    return { ok: true };
  };
