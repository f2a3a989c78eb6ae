import type { Plan } from '@/core/formats/plan';
import type { Words } from './words';

/** A plan with its reasons in words beside their codes, for those who read it outside the app. */
export const wordedPlan = (plan: Plan, say: Words): Plan => ({
  ...plan,
  poses: plan.poses.map((pose) => ({
    ...pose,
    words: [...pose.reasons, ...pose.refer].map(say.reason),
    slots: pose.slots.map((slot) => ({ ...slot, words: say.reasonsOn(slot) })),
  })),
});
