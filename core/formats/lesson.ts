import { z } from '../z';
import { says } from './asked';
import { open } from './open';

/**
 * One step of a lesson: a pose, or what lies between two of them. One that a later version names is kept as it came and
 * left out where it is led.
 */
export const lessonStepSchema = open({
  is: z.string().min(1).max(20),
  id: z.string().min(1).max(120),
  /** One side alone; both, one after the other, where left out. */
  side: z.enum(['left', 'right']).optional(),
  /** Held no longer than this. */
  seconds: z.number().min(5).max(7200).optional(),
  /** So often, where it is counted. */
  times: z.number().int().min(1).max(60).optional(),
});

export const lessonSchema = open({
  id: z.string().min(1).max(120),
  name: z.string().trim().min(1, says('name-needed')).max(80),
  steps: z.array(lessonStepSchema).min(1, says('lesson-steps')).max(80, says('lesson-steps')),
  /** What it is for: poses that are dropped last where time is short. */
  aim: z.array(z.string().max(120)).max(20).optional(),
});

/** A lesson by itself, to take along or give away. */
export const lessonFileSchema = open({
  format: z.literal('ojas-lesson/1', { error: says('lesson-format') }),
  ...lessonSchema.shape,
});

export type LessonStep = z.infer<typeof lessonStepSchema>;
export type Lesson = z.infer<typeof lessonSchema>;
