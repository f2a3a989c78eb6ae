import { z } from '../z';
import { personSchema, shelfItemSchema, sideSchema } from '../formats/book';
import { type PlanPose, type PlanSlot, postureSchema } from '../formats/plan';
import { poseById } from '../poses/poses';
import type { Shelf } from '../props/shelf';
import { slotIds } from '../slots';
import { staysFreeIn } from '../lies';

/**
 * A sheet to take home as it goes along in an address: some poses as they are built of what is at home, and nothing of
 * the student but a first name and the lengths that the figure is drawn with.
 *
 * Lengths are whole half centimetres, angles whole degrees: finer than a phone draws them.
 */
const half = z.number().int().min(-2000).max(2000);
const degrees = z.number().int().min(-360).max(360);
const point = z.tuple([half, half]);
const leg = z.tuple([point, point, point, point, z.tuple([half, half, half]).nullable()]);
const arm = z.tuple([point, point]);
const support = z.tuple([
  z.string().max(40),
  half,
  half,
  half,
  z.union([z.tuple([half.nullable(), half.nullable(), degrees.nullable(), z.boolean()]), z.null()]),
]);
const postureWire = z.tuple([
  point,
  leg,
  leg.nullable(),
  z.array(point).max(20),
  point,
  arm,
  arm.nullable(),
  point.nullable(),
  z.tuple([degrees, degrees, degrees]),
  z.array(support).max(20),
]);
/** A slot: which, on which side, what is asked and built, what it stands on, and of what. */
const slotWire = z.tuple([
  z.enum(slotIds),
  z.enum(['', 'low', 'high']),
  sideSchema,
  z.tuple([half, half, half]),
  z.string().max(20),
  z.tuple([z.boolean(), z.boolean()]),
  z
    .array(z.tuple([z.string().max(80), z.string().max(40), z.number().int().min(1).max(50)]))
    .max(20),
]);
const poseWire = z.tuple([
  z.string().max(40),
  sideSchema,
  z.string().max(40),
  z.string().max(40),
  z.tuple([z.number().int().min(0).max(7200), z.number().int().min(1).max(500).nullable()]),
  z.array(slotWire).max(30),
  postureWire,
  /** Done on both sides, built alike. */
  z.boolean(),
  /** The approach's answers that the way in depends on. */
  z.record(z.string().max(40), z.string().max(40)),
]);
export const takenHomeSchema = z.object({
  format: z.literal('ojas-taken-home/1'),
  /** Of this sheet: what is done by it is told by it. */
  id: z.string().min(1).max(40),
  name: z.string().max(40),
  at: z.iso.date(),
  units: z.enum(['cm', 'in']),
  statureCm: personSchema.shape.statureCm,
  bodyCm: personSchema.shape.bodyCm,
  /** What it is built of; empty where that is what is found in most flats. */
  home: z.array(shelfItemSchema).max(60),
  poses: z.array(poseWire).max(20),
  /** What is to be minded, pose by pose, where the teacher sends it along. */
  minded: z.record(z.string().max(40), z.array(z.string().max(400)).max(12)),
});
type Wire = z.infer<typeof takenHomeSchema>;

/** The poses of a sheet, each with whether its other side is built alike. */
export interface TakenPose {
  readonly planned: PlanPose;
  readonly bothAlike: boolean;
}
export interface TakenHome extends Omit<Wire, 'format' | 'poses'> {
  readonly poses: readonly TakenPose[];
}

const toHalf = (cm: number) => Math.round(cm * 2);
const toCm = (halves: number) => halves / 2;
type XY = readonly [number, number];
const packXY = ([x, y]: XY): [number, number] => [toHalf(x), toHalf(y)];
const openXY = ([x, y]: XY): [number, number] => [toCm(x), toCm(y)];

type Posture = z.infer<typeof postureSchema>;
type LegOf = Pick<Posture, 'knee' | 'ankle' | 'heel' | 'toe' | 'aside'>;
const packLeg = ({ knee, ankle, heel, toe, aside }: LegOf): z.infer<typeof leg> => [
  packXY(knee),
  packXY(ankle),
  packXY(heel),
  packXY(toe),
  aside ? [toHalf(aside.knee), toHalf(aside.ankle), toHalf(aside.toe)] : null,
];
const openLeg = ([knee, ankle, heel, toe, aside]: z.infer<typeof leg>): LegOf => ({
  knee: openXY(knee),
  ankle: openXY(ankle),
  heel: openXY(heel),
  toe: openXY(toe),
  ...(aside ? { aside: { knee: toCm(aside[0]), ankle: toCm(aside[1]), toe: toCm(aside[2]) } } : {}),
});

const packPosture = (of: Posture): z.infer<typeof postureWire> => [
  packXY(of.hip),
  packLeg(of),
  of.far ? packLeg(of.far) : null,
  of.spine.map(packXY),
  packXY(of.head),
  [packXY(of.elbow), packXY(of.hand)],
  of.farArm ? [packXY(of.farArm.elbow), packXY(of.farArm.hand)] : null,
  of.strapTo ? packXY(of.strapTo) : null,
  [Math.round(of.crownDeg), Math.round(of.pelvisDeg), Math.round(of.pelvisLeanDeg)],
  of.supports.map(({ slot, xCm, bottomCm, topCm, toXCm, toTopCm, leanDeg, sideways }) => {
    const isPlain = [toXCm, toTopCm, leanDeg, sideways].every((one) => one === undefined);
    const or = (value: number | undefined, to: (one: number) => number) =>
      value === undefined ? null : to(value);
    return [
      slot,
      toHalf(xCm),
      toHalf(bottomCm),
      toHalf(topCm),
      isPlain
        ? null
        : [or(toXCm, toHalf), or(toTopCm, toHalf), or(leanDeg, Math.round), sideways === true],
    ];
  }),
];

function openPosture(wire: z.infer<typeof postureWire>): Posture {
  const [hip, near, far, spine, head, nearArm, farArm, strapTo, angles, supports] = wire;
  const [crownDeg, pelvisDeg, pelvisLeanDeg] = angles;
  return {
    hip: openXY(hip),
    ...openLeg(near),
    ...(far ? { far: openLeg(far) } : {}),
    spine: spine.map(openXY),
    head: openXY(head),
    elbow: openXY(nearArm[0]),
    hand: openXY(nearArm[1]),
    ...(farArm ? { farArm: { elbow: openXY(farArm[0]), hand: openXY(farArm[1]) } } : {}),
    ...(strapTo ? { strapTo: openXY(strapTo) } : {}),
    crownDeg,
    pelvisDeg,
    pelvisLeanDeg,
    supports: supports.map(([slot, x, bottom, top, more]) => {
      const [toX, toTop, lean, sideways] = more ?? [null, null, null, false];
      return {
        slot,
        xCm: toCm(x),
        bottomCm: toCm(bottom),
        topCm: toCm(top),
        ...(toX === null ? {} : { toXCm: toCm(toX) }),
        ...(toTop === null ? {} : { toTopCm: toCm(toTop) }),
        ...(lean === null ? {} : { leanDeg: lean }),
        ...(sideways ? { sideways: true as const } : {}),
      };
    }),
  };
}

const packSlot = (one: PlanSlot): z.infer<typeof slotWire> => [
  one.slot,
  one.part ?? '',
  one.side,
  [toHalf(one.targetCm), toHalf(one.stackCm), toHalf(one.reckonedCm)],
  one.over ?? '',
  [one.isLength === true, staysFreeIn(one)],
  one.stack.map(({ item, state, count }) => [item, state, count]),
];

function openSlot(wire: z.infer<typeof slotWire>): PlanSlot {
  const [slot, part, side, [target, stack, reckoned], over, [isLength, isFree], pieces] = wire;
  const targetCm = toCm(target);
  return {
    slot,
    ...(part === '' ? {} : { part }),
    side,
    targetCm,
    lowCm: targetCm,
    highCm: targetCm,
    stack: pieces.map(([item, state, count]) => ({ item, state, count })),
    stackCm: toCm(stack),
    ...(over === '' ? {} : { over: over as NonNullable<PlanSlot['over']> }),
    ...(isLength ? { isLength } : {}),
    reasons: isFree ? [{ code: 'stays-free' } as PlanSlot['reasons'][number]] : [],
    action: 'first',
    lastCm: null,
    widestInput: null,
    offsetCm: 0,
    offsetSdCm: 0,
    reckonedCm: toCm(reckoned),
    others: [],
  };
}

/** Told alone of what is done: nothing of why it is built so, nor of what was decided. */
const untold: Omit<
  PlanPose,
  'pose' | 'side' | 'stage' | 'way' | 'answers' | 'slots' | 'holdSeconds' | 'times' | 'posture'
> = {
  notTaken: [],
  status: 'offered',
  instead: null,
  reasons: [],
  refer: [],
  decision: { action: 'first', word: 'first', slot: null, dial: null, reasons: [], refer: null },
  dials: [],
  demands: [],
  findings: {},
  taught: {},
  around: { before: [], after: [], easier: null, harder: null },
  joints: {},
};

/** What a sheet is made of. */
export interface SheetToTake extends Omit<TakenHome, 'home'> {
  readonly home: Shelf;
}

/** The answers that a pose asks for. */
const answersOf = ({ pose, answers }: PlanPose): Record<string, string> => {
  const asks: readonly string[] = poseById(pose)?.asks ?? [];
  return Object.fromEntries(
    Object.entries(answers).filter(([question]) => asks.includes(question)),
  );
};

/** A prop without whatever else was noted of it. */
const plainItem = ({ id, kind, name, count, softness, states }: Shelf[number]) => ({
  id,
  kind,
  name,
  count,
  softness,
  states: states.map((one) => ({
    id: one.id,
    heightCm: one.heightCm,
    ...(one.loadedCm === undefined ? {} : { loadedCm: one.loadedCm }),
  })),
});

/** A sheet as it is written; what is not done is left out, and so is whatever lies on no sheet. */
export function packTakenHome({ poses, home, ...of }: SheetToTake): Wire {
  const used = new Set(
    poses.flatMap(({ planned }) =>
      planned.slots.flatMap(({ stack }) => stack.map((one) => one.item)),
    ),
  );
  return {
    format: 'ojas-taken-home/1',
    ...of,
    home: home.filter(({ id }) => used.has(id)).map(plainItem),
    poses: poses.flatMap(({ planned, bothAlike }): Wire['poses'] =>
      planned.posture === null
        ? []
        : [
            [
              planned.pose,
              planned.side,
              planned.stage,
              planned.way,
              [Math.round(planned.holdSeconds), planned.times],
              planned.slots.map(packSlot),
              packPosture(planned.posture),
              bothAlike,
              answersOf(planned),
            ],
          ],
    ),
  };
}

/** The same, opened again: poses that are drawn, built and told as on the sheet that was sent. */
export const openTakenHome = ({ format: _, poses, ...of }: Wire): TakenHome => ({
  ...of,
  poses: poses.map(
    ([pose, side, stage, way, [holdSeconds, times], slots, posture, bothAlike, answers]) => ({
      planned: {
        ...untold,
        pose,
        side,
        stage,
        way,
        answers,
        holdSeconds,
        times,
        slots: slots.map(openSlot),
        posture: openPosture(posture),
      },
      bothAlike,
    }),
  ),
});
