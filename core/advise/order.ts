import type { PlanPose, PlanSlot } from '../formats/plan';
import { poseById, type Pose, type PoseId } from '../poses/poses';
import { purposeOf } from '../props/slots';
import { usedBy, type Piece, type Stack } from '../props/stack';
import type { ReadingSide } from '../ranges/ranges';
import { slotKey, type SlotKey } from '../slots';
import { mayLie, type InPose } from '../build/solve';

/** A planned pose's place in a session: `hero/both`. */
export type PlaceKey = string;
export const placeKey = ({ pose, side }: { pose: string; side: ReadingSide }): PlaceKey =>
  `${pose}/${side}`;
/** The pose of a place, by its id. */
export const poseIdAt = (key: PlaceKey): string => key.split('/')[0] ?? '';
const poseOf = (key: PlaceKey) => poseById(poseIdAt(key));

/**
 * Poses of a sequence as they can be done today: both sides of each, one after the other; what is not on offer is left
 * out.
 */
export function placesOf(
  sequence: readonly string[],
  offered: readonly Pick<PlanPose, 'pose' | 'side'>[],
): PlaceKey[] {
  return sequence.flatMap((id) => offered.filter(({ pose }) => pose === id).map(placeKey));
}

/** Whether a planned pose may be done today without asking anybody first. */
export const isDoable = ({ status, decision, posture }: PlanPose): boolean =>
  (status === 'offered' || status === 'changed') && decision.action !== 'rest' && posture !== null;

/** What a session ends with; other rests may begin it, too. */
const FINAL_REST: PoseId = 'rest';

/** What is amiss in an order, or would be good in it. */
export type OrderAdvice =
  | {
      readonly says: 'warm-first';
      readonly pose: PoseId;
      readonly add: PoseId;
      readonly at: number;
    }
  | {
      readonly says: 'deep-early';
      readonly pose: PoseId;
      readonly after: PoseId;
      readonly at: number;
    }
  | {
      readonly says: 'counter-after';
      readonly pose: PoseId;
      readonly add: PoseId;
      readonly at: number;
    }
  | { readonly says: 'rest-last'; readonly pose: PoseId; readonly at: number };

/**
 * What an order asks for: a warm-up where a pose has none before it, a deep pose that stands before what warms it, a
 * counterpose where none follows, and rest at the end.
 *
 * @param can poses that may be proposed today.
 */
export function adviceOn(order: readonly PlaceKey[], can: ReadonlySet<string>): OrderAdvice[] {
  const ids = order.map((key) => poseOf(key)?.id);
  const advice: OrderAdvice[] = [];
  const told = new Set<string>();
  for (const [at, key] of order.entries()) {
    const pose = poseOf(key);
    if (!pose || told.has(pose.id)) continue;
    told.add(pose.id);
    const [before, after] = [ids.slice(0, at), ids.slice(at + 1)];
    if (pose.id === FINAL_REST && after.some((id) => id !== undefined && id !== FINAL_REST))
      advice.push({ says: 'rest-last', pose: pose.id, at });
    if (wantsWarmth(pose) && !pose.warmUps.some((id) => before.includes(id))) {
      const later = pose.warmUps.find((id) => after.includes(id));
      const add = pose.warmUps.find((id) => can.has(id));
      if (later) advice.push({ says: 'deep-early', pose: pose.id, after: later, at });
      else if (add) advice.push({ says: 'warm-first', pose: pose.id, add, at });
    }
    const last = ids.lastIndexOf(pose.id);
    if (wantsTakingBack(pose) && !isTakenBack(pose, ids.slice(last + 1))) {
      const add = pose.counterposes.find((id) => can.has(id));
      if (add) advice.push({ says: 'counter-after', pose: pose.id, add, at: last });
    }
  }
  // One counterpose after the last pose that wants it serves those before, too.
  return advice.filter(
    (one, i) =>
      one.says !== 'counter-after' ||
      !advice.some(
        (other, j) =>
          other.says === 'counter-after' &&
          other.add === one.add &&
          (other.at > one.at || (other.at === one.at && j > i)),
      ),
  );
}

/** Whether a pose wants to be warmed up for: what only a rest comes before may come first. */
export const wantsWarmth = ({ warmUps }: Pose) => warmUps.some((id) => !poseById(id)?.hold.isRest);

/**
 * Poses that something should follow: what must be warmed twice over, is gated, or gives way to another when too high.
 */
export const wantsTakingBack = ({ counterposes, warmUps, gate, insteadOver }: Pose) =>
  counterposes.length > 0 &&
  (warmUps.length > 1 || gate !== undefined || insteadOver !== undefined);

/** Whether a counterpose follows; lying down at the end is as good as lying down after it. */
const isTakenBack = ({ counterposes }: Pose, after: readonly (PoseId | undefined)[]) =>
  counterposes.some(
    (id) => after.includes(id) || (poseById(id)?.hold.isRest && after.includes(FINAL_REST)),
  );

/** Places of a pose that is proposed, put in before or after where it is missed. */
export function withAdvice(
  order: readonly PlaceKey[],
  advice: OrderAdvice,
  offered: readonly Pick<PlanPose, 'pose' | 'side'>[],
): PlaceKey[] {
  switch (advice.says) {
    case 'warm-first':
      return [
        ...order.slice(0, advice.at),
        ...placesOf([advice.add], offered),
        ...order.slice(advice.at),
      ];
    case 'counter-after':
      return [
        ...order.slice(0, advice.at + 1),
        ...placesOf([advice.add], offered),
        ...order.slice(advice.at + 1),
      ];
    case 'deep-early':
      return movedAfter(order, advice.pose, advice.after);
    case 'rest-last': {
      const isIt = (key: PlaceKey) => poseOf(key)?.id === advice.pose;
      return [...order.filter((key) => !isIt(key)), ...order.filter(isIt)];
    }
  }
}

/** An order in which all of one pose comes after the last of another. */
function movedAfter(order: readonly PlaceKey[], pose: string, after: string): PlaceKey[] {
  const of = (id: string) => (key: PlaceKey) => poseOf(key)?.id === id;
  const rest = order.filter((key) => !of(pose)(key));
  const last = rest.findLastIndex(of(after));
  return [...rest.slice(0, last + 1), ...order.filter(of(pose)), ...rest.slice(last + 1)];
}

const piecesOf = ({ slots }: Pick<PlanPose, 'slots'>): readonly Piece[] =>
  slots.flatMap(({ stack }) => stack);

/** Keeps the larger count of each prop. */
function keepMost(most: Map<string, number>, here: ReadonlyMap<string, number>): void {
  for (const [item, count] of here) most.set(item, Math.max(most.get(item) ?? 0, count));
}

/** How many of each prop are fetched for a whole order: the most that any one pose of it uses. */
export function fetchedFor(
  planned: readonly Pick<PlanPose, 'slots'>[],
): ReadonlyMap<string, number> {
  const most = new Map<string, number>();
  for (const one of planned) {
    const here = new Map<string, number>();
    for (const { item, count } of piecesOf(one)) here.set(item, (here.get(item) ?? 0) + count);
    keepMost(most, here);
  }
  return most;
}

/**
 * How many of each prop are fetched where several students are in the same pose at once: for each pose what all of them
 * use, and of those the most.
 *
 * @param plans Each student's poses; who does not do a pose needs nothing for it.
 */
export function fetchedTogether(
  plans: readonly (readonly Pick<PlanPose, 'pose' | 'slots'>[])[],
): ReadonlyMap<string, number> {
  const most = new Map<string, number>();
  for (const pose of new Set(plans.flatMap((poses) => poses.map((one) => one.pose)))) {
    const here = new Map<string, number>();
    for (const poses of plans)
      for (const [item, count] of fetchedFor(poses.filter((one) => one.pose === pose)))
        here.set(item, (here.get(item) ?? 0) + count);
    keepMost(most, here);
  }
  return most;
}

/** What lies in the slots of a pose. */
interface Lying {
  readonly slots: readonly { readonly stack: readonly Piece[] }[];
}

/** Folds and faces of each slot, as one would carry them from pose to pose. */
const laid = ({ slots }: Lying) => {
  const found = new Map<string, number>();
  for (const { stack } of slots)
    for (const { item, state, count } of stack)
      found.set(`${item}/${state}`, (found.get(`${item}/${state}`) ?? 0) + count);
  return found;
};

/** Pieces that are brought, refolded or turned from one pose to the next. */
export function movesBetween(from: Lying, to: Lying): number {
  const [before, after] = [laid(from), laid(to)];
  let moves = 0;
  for (const [piece, count] of after) moves += Math.max(0, count - (before.get(piece) ?? 0));
  return moves;
}

/** Pieces moved over a whole order, with those that are fetched at its beginning. */
export const movesOf = (planned: readonly Pick<PlanPose, 'slots'>[]): number =>
  planned.reduce((sum, one, i) => sum + movesBetween(planned[i - 1] ?? { slots: [] }, one), 0);

/** What must come before what: warm-ups and counterposes keep their side, rest stays last. */
function mayFollow(order: readonly PlanPose[], placed: ReadonlySet<number>, at: number): boolean {
  const pose = poseById((order[at] as PlanPose).pose);
  return order.every(({ pose: id }, i) => {
    if (i === at || placed.has(i)) return true;
    const other = poseById(id);
    const needsFirst =
      (pose?.warmUps.some((one) => one === id) && i < at) ||
      (other?.counterposes.some((one) => one === pose?.id) && i < at) ||
      (pose?.id === FINAL_REST && other?.id !== FINAL_REST) ||
      (id === pose?.id && i < at);
    return !needsFirst;
  });
}

/**
 * The order that moves the least between poses, of those in which warm-ups stay before, counterposes after, both sides
 * together and rest last: always on to the pose that asks for the fewest moves.
 */
export function movedLeast(order: readonly PlanPose[]): PlanPose[] {
  const placed = new Set<number>();
  const done: PlanPose[] = [];
  while (placed.size < order.length) {
    const here = done.at(-1);
    const free = order
      .map((planned, i) => ({ planned, i }))
      .filter(({ i }) => !placed.has(i) && mayFollow(order, placed, i));
    const best = free.reduce<{ i: number; cost: number } | null>((least, { planned, i }) => {
      const other = here && here.pose === planned.pose && here.side !== planned.side ? -100 : 0;
      const cost = movesBetween(here ?? { slots: [] }, planned) + other + i / 1000;
      return least === null || cost < least.cost ? { i, cost } : least;
    }, null);
    if (!best) break;
    placed.add(best.i);
    done.push(order[best.i] as PlanPose);
  }
  const better = done.length === order.length && movesOf(done) < movesOf(order);
  return better ? done : [...order];
}

const SEAT: SlotKey = 'seat';
const seatOf = ({ slots }: Pick<PlanPose, 'slots'>) =>
  slots.find((slot) => slotKey(slot) === SEAT && !slot.isLength);

/** One seat for several poses, and those that it serves. */
export interface OneSeat {
  readonly stack: Stack;
  readonly places: readonly PlaceKey[];
}

/** What tilts may stand so much under its target; what carries may not. */
const UNDER_CM = 1.5;
const HAIR_CM = 0.1;

/** Whether a seat serves a pose: no lower than it asks, no higher than anybody builds, of pieces that are left. */
function serves(stack: Stack, planned: PlanPose, inPose: InPose): boolean {
  const [seat, pose] = [seatOf(planned), poseById(planned.pose)];
  if (!seat || !pose) return false;
  const carries = purposeOf('seat', pose.family) === 'carry';
  const leastCm =
    Math.max(seat.targetCm, carries ? seat.stackCm : 0) - (carries ? HAIR_CM : UNDER_CM);
  const beside = usedBy(planned.slots.filter((one) => one !== seat).map((one) => one.stack));
  return stack.heightCm >= leastCm && mayLie(inPose, 'seat', stack, beside);
}

/**
 * One seat that stays where it is through as many poses of an order as it may: the lowest of those that serve the most.
 * Null where no seat serves two.
 */
export function oneSeatFor(
  order: readonly PlanPose[],
  inPoseOf: (planned: PlanPose) => InPose,
): OneSeat | null {
  const seated = order.filter((planned) => (seatOf(planned)?.stack.length ?? 0) > 0);
  const seats = seated.flatMap((planned) => {
    const seat = seatOf(planned) as PlanSlot;
    return [{ pieces: seat.stack, heightCm: seat.stackCm }, ...seat.others];
  });
  return seats.reduce<OneSeat | null>((best, stack) => {
    const places = seated
      .filter((planned) => serves(stack, planned, inPoseOf(planned)))
      .map(placeKey);
    const unlike = new Set(places.map(poseIdAt)).size;
    if (unlike < 2) return best;
    const more = places.length - (best?.places.length ?? 0);
    return more > 0 || (more === 0 && stack.heightCm < (best?.stack.heightCm ?? 0))
      ? { stack, places }
      : best;
  }, null);
}
