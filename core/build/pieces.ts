import type { PlanPose } from '../formats/plan';
import { countAll } from '../props/stack';

/** How many pieces a planned pose asks for; twins for two hands are two. */
export const piecesIn = ({ slots }: Pick<PlanPose, 'slots'>) =>
  slots.reduce((sum, { stack }) => sum + countAll(stack), 0);
