import type { PlanPose } from '@/core/formats/plan';
import type { Units } from '@/ui/format';
import { Words } from '@/ui/Words';
import { wordsIn } from '@/ui/words/words';
import { poseName, statusWords } from './words';

interface SaidProps {
  readonly planned: PlanPose;
  readonly units: Units;
}

/** How a pose stands with the student's cautions today, and why it is as it is. */
export function Said({ planned, units }: SaidProps) {
  const say = wordsIn(units);
  return (
    <>
      {planned.status === 'offered' ? null : (
        <Words className="font-semibold text-rust">
          {statusWords[planned.status]}
          {planned.instead ? `: ${poseName(planned.instead)}` : ''}
        </Words>
      )}
      {planned.reasons.map(say.reason).map((words) => (
        <Words key={words}>{words}</Words>
      ))}
    </>
  );
}
