import { wayKey, type ApproachId } from '../approaches/approaches';
import { bodyFrom, type Body, type TapedBody } from '../body/body';
import type { StudentRecord } from '../estimate/estimate';
import type { Person, Reading } from '../formats/book';
import type { LocalDay } from '../formats/time';
import type { PlanPose, PlanSlot } from '../formats/plan';
import { decision } from '../parameters';
import { mostCmAt, staysEmptyOver } from '../prepare/limits';
import { piecesIn } from '../build/pieces';
import { planStudent } from '../plan/plan';
import { ordinaryAt, type Heights, type OrdinaryHeights } from '../poses/ordinary';
import { poseById, poses, type Pose } from '../poses/poses';
import { slotRule } from '../props/slots';
import { stackFaults } from '../props/stack';
import { cautionIds } from '../safety/ids';
import type { Point } from '../geometry/posture';
import type { Shelf } from '../props/shelf';
import { rangeIds, ranges, sides, type RangeId } from '../ranges/ranges';
import { sidelessKey, slotKey, type SlotName } from '../slots';
import { chanceFrom, seedOf, type Chance } from './chance';
import { practisedElsewhere } from './practised';
import { daySwing, drawLengths, measure, simulateStudent, truthOn } from './student';
import { lies } from '../lies';

export interface RoomWish {
  readonly people: number;
  readonly seed: number;
  readonly approach?: ApproachId;
}

/** How far the figures of a slot agree with what an ordinary room uses; null where nothing is known of that slot. */
export interface Agreement {
  readonly usual: Heights;
  readonly high: Heights;
  readonly mostCm: number;
  /** Why it need not agree, where it cannot. */
  readonly unlike: string | null;
  readonly middleAgrees: boolean;
  readonly highAgrees: boolean;
  /**
   * What is built does not agree, while what is asked for does, or a rung would make it: this shelf has no nearer one.
   */
  readonly byShelf: boolean;
}

/** One slot of a pose over the whole room. Heights in centimetres as built; sides are counted apart. */
export interface RoomSlot {
  readonly slot: SlotName;
  /** Share of those who do the pose for whom anything stands here. */
  readonly built: number;
  readonly tenth: number;
  readonly middle: number;
  readonly ninetieth: number;
  readonly largest: number;
  /** Share that stands at the most that anybody builds, or over it. */
  readonly atMost: number;
  readonly agreement: Agreement | null;
}

/** A pose over the whole room. */
export interface RoomPose {
  readonly pose: string;
  /** Share of people who are offered it, on either side. */
  readonly offered: number;
  /** What is practised in its place, with the share of people. */
  readonly instead: Readonly<Record<string, number>>;
  readonly stages: Readonly<Record<string, number>>;
  readonly piecesMiddle: number;
  readonly piecesMost: number;
  readonly slots: readonly RoomSlot[];
}

const TODAY = '2026-03-02' as LocalDay;
/** Readings are a week old: measured, and not of this very day. */
const MEASURED_AT = '2026-02-23T10:00:00Z';
/** Lengths of one body spread about the usual share of stature by this much. */
const LENGTH_SPREAD = 0.035;

/** Lengths as a tape tells them. */
const lengthsOf = (statureCm: number, chance: Chance): TapedBody =>
  Object.fromEntries(
    Object.entries(drawLengths(statureCm, LENGTH_SPREAD, chance)).map(([length, cm]) => [
      length,
      Math.round(cm * 10) / 10,
    ]),
  );

function somebody(index: number, approach: ApproachId, chance: Chance): Person {
  const sex = index % 2 === 0 ? 'woman' : 'man';
  const statureCm = Math.round(chance.normal(sex === 'woman' ? 166 : 179, 7));
  return {
    id: `room-${index}`,
    name: `Ordinary ${index}`,
    statureCm,
    bodyCm: lengthsOf(statureCm, chance),
    sex,
    cautions: [],
    approach,
    // Half of the room sits in the squat, for the sake of what a seat is in it.
    choices: { ...practisedElsewhere, ...(index % 4 < 2 ? { [wayKey('squat')]: 'seat' } : {}) },
    home: [],
    veryMobile: false,
  };
}

/** Ranges that are read on both legs, or once, of everybody in the room. */
const readHere = rangeIds.filter(
  (id): id is RangeId =>
    id !== 'pelvicTilt.longSit' && id !== 'pelvicTilt.sits' && ranges[id].unit === 'deg',
);

/**
 * An ordinary adult of the room, measured once with a protractor. The same seed and number are always the same person.
 */
export function ordinaryAdult(index: number, seed: number, approach: ApproachId): StudentRecord {
  const chance = chanceFrom(seedOf(seed, index));
  const person = somebody(index, approach, chance);
  const student = simulateStudent(person, TODAY, chance);
  const truth = truthOn(student, TODAY, daySwing(chance));
  const readings = readHere.flatMap((id): Reading[] =>
    (ranges[id].sided ? sides : (['left'] as const)).map((side) => ({
      ...measure(student, id, side, 'protractor', MEASURED_AT, truth, chance),
      id: `${id}/${side}`,
    })),
  );
  return { person, readings, sessions: [] };
}

/** The value under which so large a share of sorted numbers lies. */
const quantile = (sorted: readonly number[], share: number) =>
  sorted[Math.min(sorted.length - 1, Math.floor(share * sorted.length))] ?? 0;

const within = (cm: number, [from, to]: Heights, slackCm: number) =>
  cm >= from - slackCm && cm <= to + slackCm;
/** Heights nearer than this count as one. */
const SLACK_CM = decision.sameHeight.value;
/** A shelf of books has no rung nearer than one book. */
const RUNG_CM = 3;

function agreementOf(
  ordinary: OrdinaryHeights | undefined,
  built: Quantiles,
  asked: Quantiles,
): Agreement | null {
  if (!ordinary) return null;
  const { usual, high, mostCm, unlike = null } = ordinary;
  const agrees = ({ middle, ninetieth }: Quantiles, slackCm = SLACK_CM) =>
    [within(middle, usual, slackCm), within(ninetieth, high, slackCm)] as const;
  const [middleAgrees, highAgrees] = agrees(built);
  return {
    unlike,
    usual,
    high,
    mostCm,
    middleAgrees,
    highAgrees,
    byShelf:
      !(middleAgrees && highAgrees) &&
      (agrees(asked).every(Boolean) || agrees(built, RUNG_CM).every(Boolean)),
  };
}

const isDone = ({ status }: PlanPose) =>
  status === 'offered' || status === 'changed' || status === 'ask-first';
const share = (part: number, whole: number) => (whole === 0 ? 0 : part / whole);

interface Quantiles {
  readonly tenth: number;
  readonly middle: number;
  readonly ninetieth: number;
  readonly largest: number;
}
function quantilesOf(heights: readonly number[]): Quantiles {
  const sorted = [...heights].sort((a, b) => a - b);
  return {
    tenth: quantile(sorted, 0.1),
    middle: quantile(sorted, 0.5),
    ninetieth: quantile(sorted, 0.9),
    largest: sorted.at(-1) ?? 0,
  };
}

/** A slot as it was built for one person, and the height that was asked for there. */
interface Stood {
  readonly builtCm: number;
  readonly askedCm: number;
}

function slotFigures(pose: string, slot: SlotName, all: readonly Stood[]): RoomSlot {
  const ordinary = ordinaryAt(pose, slot);
  const standing = all.filter(({ builtCm }) => lies(builtCm));
  const counted = ordinary?.ifBuilt ? standing : all;
  const built = quantilesOf(counted.map(({ builtCm }) => builtCm));
  const asked = quantilesOf(counted.map(({ askedCm }) => askedCm));
  const heights = all.map(({ builtCm }) => builtCm);
  return {
    slot,
    built: share(standing.length, heights.length),
    ...built,
    atMost: ordinary
      ? share(heights.filter((cm) => cm >= ordinary.mostCm - SLACK_CM).length, heights.length)
      : 0,
    agreement: agreementOf(ordinary, built, asked),
  };
}

const countedBy = (ids: readonly string[], of: number): Record<string, number> =>
  Object.fromEntries(
    [...new Set(ids)].sort().map((id) => [id, share(ids.filter((one) => one === id).length, of)]),
  );

function poseFigures(pose: string, planned: readonly PlanPose[]): RoomPose {
  const done = planned.filter(isDone);
  const pieces = done.map(piecesIn).sort((a, b) => a - b);
  const names = [
    ...new Set(done.flatMap(({ slots }) => slots.map((slot) => sidelessKey(slotKey(slot))))),
  ];
  return {
    pose,
    offered: share(done.length, planned.length),
    instead: countedBy(
      planned.flatMap(({ status, instead }) => (status === 'instead' && instead ? [instead] : [])),
      planned.length,
    ),
    stages: countedBy(
      done.map(({ stage }) => stage),
      done.length,
    ),
    piecesMiddle: quantile(pieces, 0.5),
    piecesMost: pieces.at(-1) ?? 0,
    slots: names.map((name) =>
      slotFigures(
        pose,
        name,
        done.flatMap(({ slots }) =>
          slots
            .filter((slot) => !slot.isLength && sidelessKey(slotKey(slot)) === name)
            .map(({ stackCm, targetCm }) => ({
              builtCm: stackCm,
              askedCm: lies(stackCm) ? targetCm : 0,
            })),
        ),
      ),
    ),
  };
}

/** Every pose planned for a room of ordinary measured adults who come for the first time. */
export function roomFigures({ people, seed, approach }: RoomWish, shelf: Shelf): RoomPose[] {
  const planned = new Map<string, PlanPose[]>(poses.map(({ id }) => [id, []]));
  for (let index = 0; index < people; index++) {
    const record = ordinaryAdult(index, seed, approach ?? 'built-up-alignment');
    for (const one of planStudent(record, shelf, TODAY).poses) planned.get(one.pose)?.push(one);
  }
  return [...planned].map(([pose, all]) => poseFigures(pose, all));
}

/** What is asked for so high is missed where nothing lies, in cm. */
const MISSED_CM = 5;
/**
 * Whether a slot lies on nothing without a word: not wanted, not planted or on the thighs, and not said to stay free.
 */
const isSilent = (pose: Pose, slot: PlanSlot) =>
  slot.stack.length === 0 &&
  slot.targetCm >= MISSED_CM &&
  pose.optional?.includes(slot.slot) !== true &&
  !slot.reasons.some(({ code }) => code === 'stays-free') &&
  !(
    ['hands', 'underKnees'].includes(slot.slot) &&
    staysEmptyOver(pose, slotKey(slot), slot.reckonedCm)
  );

/**
 * What nobody would build, in one planned pose: too many pieces, a pile that the rules forbid, a support over its most;
 * and what lies on nothing without a word.
 */
function faultsOfPose(planned: PlanPose, body: Body, shelf: Shelf): string[] {
  const pose = poseById(planned.pose);
  if (!pose) return [];
  const pieces = piecesIn(planned);
  const most = decision.mostPieces.value;
  return [
    ...(pieces > most ? [`${pieces} pieces`] : []),
    ...planned.slots.flatMap((slot) => {
      const key = slotKey(slot);
      if (slot.isLength) return [];
      const faults = stackFaults(
        slot.stack,
        shelf,
        slotRule(slot.slot, pose.family, body, planned.way),
      );
      const over = slot.stackCm > mostCmAt(pose, key) + 1;
      return [
        ...faults,
        ...(over ? [`stands ${slot.stackCm.toFixed(1)} cm`] : []),
        ...(isSilent(pose, slot) ? [`nothing for ${slot.targetCm.toFixed(1)} cm, unsaid`] : []),
      ].map((words) => `${key}: ${words}`);
    }),
  ].map((words) => `${planned.pose} ${planned.side}: ${words}`);
}

/** How an ordinary room folds forward from sitting: shares of its people. */
export interface FoldFigures {
  /** Fold over one leg, its knee bent less than so much that it still counts as long. */
  readonly longKnee: number;
  /** Seated folds with the knees on a roll. */
  readonly onRoll: number;
  /** Seated folds whose head rests on nothing. */
  readonly headFree: number;
}

/** A knee bent so far is still a long leg's; the last half degree is nobody's to see. */
const LONG_KNEE_DEG = 25.5;
const kneeBendDeg = ([hx, hy]: Point, [kx, ky]: Point, [ax, ay]: Point): number => {
  const turn = Math.abs(Math.atan2(hy - ky, hx - kx) - Math.atan2(ay - ky, ax - kx));
  return 180 - (Math.min(turn, 2 * Math.PI - turn) * 180) / Math.PI;
};
const liesAt = ({ slots }: PlanPose, slot: SlotName) =>
  slots.some((one) => slotKey(one) === slot && one.stack.length > 0 && lies(one.stackCm));

/** Seated folds planned for a room of ordinary measured adults who come for the first time. */
export function foldFigures({ people, seed, approach }: RoomWish, shelf: Shelf): FoldFigures {
  const planned = Array.from({ length: people }, (_, index) => {
    const { person, ...record } = ordinaryAdult(index, seed, approach ?? 'built-up-alignment');
    const asked = { ...record, person: { ...person, choices: {} } };
    return planStudent(asked, shelf, TODAY, { poses: ['seated-fold', 'head-to-knee'] }).poses;
  }).flat();
  const of = (pose: string) => planned.filter((one) => one.pose === pose && one.posture !== null);
  const [both, one] = [of('seated-fold'), of('head-to-knee')];
  const long = one.filter(({ posture }) => {
    const { hip, far } = posture as NonNullable<PlanPose['posture']>;
    return far !== undefined && kneeBendDeg(hip, far.knee, far.ankle) < LONG_KNEE_DEG;
  });
  return {
    longKnee: share(long.length, one.length),
    onRoll: share(both.filter((fold) => liesAt(fold, 'underKnees')).length, both.length),
    headFree: share(both.filter((fold) => !liesAt(fold, 'forehead')).length, both.length),
  };
}

/** Everything that nobody would build, over a room whose people have each of the cautions in turn, or none. */
export function roomFaults({ people, seed, approach }: RoomWish, shelf: Shelf): string[] {
  const each = [null, ...cautionIds];
  return each.flatMap((caution) =>
    Array.from({ length: people }, (_, index) => {
      const record = ordinaryAdult(index, seed, approach ?? 'built-up-alignment');
      const cautions = caution ? [{ id: caution, answer: 'yes' as const, at: MEASURED_AT }] : [];
      const person = { ...record.person, cautions };
      const plan = planStudent({ ...record, person }, shelf, TODAY);
      const body = bodyFrom(person.statureCm, person.bodyCm);
      return plan.poses
        .flatMap((planned) => faultsOfPose(planned, body, shelf))
        .map((words) => `${caution ?? 'no caution'}, ${person.id}, ${words}`);
    }).flat(),
  );
}
