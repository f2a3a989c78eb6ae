import { z } from '../z';
import { approachIds } from '../approaches/approaches';
import { rangeIds } from '../ranges/ranges';
import type { Reason, SlotReason, Surface } from '../reasons';
import { dialIds } from '../dials';
import { slotIds, type SlotKey } from '../slots';
import { moment, pieceSchema, sideSchema } from './book';

/** A reason: its code, with its numbers beside it. */
const reasonSchema = z.looseObject({ code: z.string() }) as unknown as z.ZodType<Reason>;
const slotReasonSchema = reasonSchema as unknown as z.ZodType<SlotReason>;
const slotKeySchema = z.string() as unknown as z.ZodType<SlotKey>;
const surfaceSchema = z.string() as unknown as z.ZodType<Surface>;
const point = z.tuple([z.number(), z.number()]);
const stackSchema = z.object({ pieces: z.array(pieceSchema), heightCm: z.number() });

export const planSlotSchema = z.object({
  slot: z.enum(slotIds),
  part: z.enum(['low', 'high']).optional(),
  side: sideSchema,
  /** Most likely height; 0 is the floor. */
  targetCm: z.number().min(0),
  lowCm: z.number().min(0),
  highCm: z.number().min(0),
  stack: z.array(pieceSchema),
  stackCm: z.number().min(0),
  /** What it stands on, where that is not the floor. */
  over: surfaceSchema.optional(),
  /** A strap's length, not a height. */
  isLength: z.boolean().optional(),
  /** Why it stands so, in the order in which it is said. */
  reasons: z.array(slotReasonSchema),
  /** The same in words, where the plan is for reading outside the app. */
  words: z.string().optional(),
  /** What the stack does against last time, for the slot that moves. */
  action: z.enum(['first', 'lower', 'keep', 'raise']),
  lastCm: z.number().nullable(),
  /** What lay there last time; left out before any. */
  last: z.array(pieceSchema).optional(),
  widestInput: z.string().nullable(),
  offsetCm: z.number(),
  offsetSdCm: z.number(),
  /** Height from the ranges alone, before what was learned on the mat; may be below the floor. */
  reckonedCm: z.number(),
  /** The stack's rivals: other pieces for the same height. */
  others: z.array(stackSchema),
});

const aside = z.object({ knee: z.number(), ankle: z.number(), toe: z.number() }).optional();
const leg = { knee: point, ankle: point, heel: point, toe: point, aside };
const arm = { elbow: point, hand: point };
export const postureSchema = z.object({
  hip: point,
  ...leg,
  far: z.object(leg).optional(),
  strapTo: point.optional(),
  spine: z.array(point),
  head: point,
  crownDeg: z.number(),
  ...arm,
  farArm: z.object(arm).optional(),
  pelvisDeg: z.number(),
  pelvisLeanDeg: z.number(),
  supports: z.array(
    z.object({
      slot: z.string(),
      xCm: z.number(),
      bottomCm: z.number(),
      topCm: z.number(),
      toXCm: z.number().optional(),
      toTopCm: z.number().optional(),
      leanDeg: z.number().optional(),
      sideways: z.literal(true).optional(),
    }),
  ),
});

export const planPoseSchema = z.object({
  pose: z.string(),
  side: sideSchema,
  stage: z.string(),
  /** The way in which it is set up; empty where the pose has but one. */
  way: z.string(),
  /** The approach's answers that are in force for it, after what the cautions change of them. */
  answers: z.record(z.string(), z.string()),
  /** What ruled out the ways that come before it. */
  notTaken: z.array(reasonSchema),
  status: z.enum(['offered', 'changed', 'instead', 'ask-first', 'forbidden']),
  instead: z.string().nullable(),
  reasons: z.array(reasonSchema),
  refer: z.array(reasonSchema),
  words: z.array(z.string()).optional(),
  decision: z.object({
    action: z.enum(['first', 'rest', 'raise', 'keep', 'lower']),
    /** What that comes to: a slot that comes down eases where it stood too high. */
    word: z.enum(['first', 'rest', 'ease', 'gentle', 'keep', 'deepen']),
    slot: slotKeySchema.nullable(),
    /** What is turned of the pose itself, where that answers better than a support. */
    dial: z.enum(dialIds).nullable(),
    reasons: z.array(reasonSchema),
    refer: reasonSchema.nullable(),
  }),
  slots: z.array(planSlotSchema),
  /** What is set of the pose itself, beside what is reckoned for this body; degrees, or centimetres. */
  dials: z.array(z.object({ dial: z.enum(dialIds), reckoned: z.number(), value: z.number() })),
  demands: z.array(
    z.object({
      range: z.enum(rangeIds),
      side: sideSchema,
      needDeg: z.number(),
      haveDeg: z.number(),
    }),
  ),
  findings: z.record(z.string(), z.number()),
  /**
   * Degrees by which a range is freer in this pose than it was read, as the mat has shown; the figure is drawn with
   * them.
   */
  taught: z.partialRecord(z.enum(rangeIds), z.number()),
  /** Poses that warm it and that take it back, an easier and a harder one: what is open to this student today. */
  around: z.object({
    before: z.array(z.string()),
    after: z.array(z.string()),
    easier: z.string().nullable(),
    harder: z.string().nullable(),
  }),
  holdSeconds: z.number().min(0),
  /** Of a movement that is counted with the breath; null for a pose that is held. */
  times: z.number().int().nullable(),
  joints: z.record(z.string(), point),
  posture: postureSchema.nullable(),
});

export const planSchema = z.object({
  format: z.literal('ojas-plan/2'),
  person: z.string(),
  date: moment,
  approach: z.enum(approachIds),
  /** Intake questions without an answer. */
  unanswered: z.array(z.string()),
  ranges: z.array(
    z.object({
      range: z.enum(rangeIds),
      side: sideSchema,
      mean: z.number(),
      sd: z.number().min(0),
      driftPerWeek: z.number(),
      lastAt: z.string().nullable(),
      source: z.enum(['measured', 'other-side', 'assumed']),
    }),
  ),
  measureNext: z.array(
    z.object({
      range: z.enum(rangeIds),
      side: sideSchema,
      /** By how much the heights of the plan would narrow, summed over its slots. */
      gainCm: z.number(),
      /** The heights that it would make surer by as much as is felt, those that gain most first. */
      decides: z.array(z.object({ pose: z.string(), slot: z.enum(slotIds) })),
    }),
  ),
  poses: z.array(planPoseSchema),
});

export type Plan = z.infer<typeof planSchema>;
export type PlanPose = z.infer<typeof planPoseSchema>;
export type PlanSlot = z.infer<typeof planSlotSchema>;
