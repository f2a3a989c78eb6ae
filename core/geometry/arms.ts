import { armCm, type Body } from '../body/body';
import type { Point } from './posture';

/** An arm that hangs and presses is not quite straight. */
const HANGING_SHARE = 0.98;

/** How high a palm under the shoulder stands over the floor; below 0 the arm bends. */
export const palmGapCm = (shoulder: Point, body: Body, share = HANGING_SHARE) =>
  shoulder[1] - share * armCm(body);
