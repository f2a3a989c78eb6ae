import type { Body } from '../body/body';
import {
  headFrom,
  postureFrom,
  spineFrom,
  upperFrom,
  type Point,
  type Posture,
} from '../geometry/posture';

/** Shares of the foot that lie behind the ankle and before it. */
const [HEEL_SHARE, TOE_SHARE] = [0.24, 0.72];
const SOLE_CM = 1.2;

/** Somebody who stands, arms hanging. */
export function standingPosture(body: Body): Posture {
  const knee: Point = [0, body.ankleHeightCm + body.shinCm];
  const hip: Point = [0, knee[1] + body.thighCm];
  const spine = spineFrom(hip, body.trunkCm, 0, 0);
  const shoulder: Point = spine.at(-1) ?? hip;
  const elbow: Point = [shoulder[0], shoulder[1] - body.upperArmCm];
  return postureFrom({
    near: {
      knee,
      ankle: [0, body.ankleHeightCm],
      heel: [-HEEL_SHARE * body.footCm, SOLE_CM],
      toe: [TOE_SHARE * body.footCm, SOLE_CM],
    },
    hip,
    upper: upperFrom(spine, headFrom(shoulder, body, 0), {
      elbow,
      hand: [elbow[0], elbow[1] - body.forearmCm],
    }),
    pelvisDeg: 0,
    pelvisLeanDeg: 0,
    supports: [],
  });
}
