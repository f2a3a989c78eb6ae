import type { PlanPose } from '@/core/formats/plan';
import { holdOf, poseById } from '@/core/poses/poses';

/** What a pose counts in one of its ways in place of a clock. */
const countedOf = ({ pose, way }: Pick<PlanPose, 'pose' | 'way'>) => {
  const known = poseById(pose);
  return known ? holdOf(known, way).counted?.of : undefined;
};

/** How often: "5 breaths", "3 rounds", "8 times, with the breath". */
export function countWords(planned: Pick<PlanPose, 'pose' | 'way'>, times: number): string {
  const of = countedOf(planned);
  return of ? `${times} ${of}` : `${times} times, with the breath`;
}

/** What is said as the counting begins. */
export const countingWords = (planned: Pick<PlanPose, 'pose' | 'way'>): string =>
  ({
    breaths: 'Let the body settle; then count.',
    rounds: 'Down with the breath out, half up with the breath in.',
    movements: 'One breath, one movement.',
  })[countedOf(planned) ?? 'movements'];
