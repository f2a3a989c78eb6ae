import { armCm, type Body } from '../body/body';
import type { Point } from './posture';

/** An arm that hangs and presses is not quite straight. */
const HANGING_SHARE = 0.98;

/** How high a palm under the shoulder stands over the floor; below 0 the arm bends. */
export const palmGapCm = (shoulder: Point, body: Body, share = HANGING_SHARE) =>
  shoulder[1] - share * armCm(body);

/** A place on the floor ahead that a nearly straight arm reaches. */
export function floorAhead(shoulder: Point, body: Body): Point {
  const reach = 0.97 * armCm(body);
  const drop = Math.min(0.9 * reach, Math.max(0, shoulder[1] - HAND_CM));
  return [shoulder[0] + Math.sqrt(reach ** 2 - drop ** 2), shoulder[1] - drop];
}
const HAND_CM = 2;
