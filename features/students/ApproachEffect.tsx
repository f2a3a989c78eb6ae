import { useMemo } from 'react';
import { approachEffect } from '@/core/advise/approachEffect';
import type { ApproachId } from '@/core/approaches/approaches';
import type { Person } from '@/core/formats/book';
import { planStudent } from '@/core/plan/plan';
import { practisedPoses } from '@/core/plan/practised';
import { poses } from '@/core/poses/poses';
import { selectRecord, selectShelf } from '@/store/selectors';
import { inSentence, length, minutes } from '@/ui/format';
import { Aside } from '@/ui/Words';
import { slotName } from '@/ui/words/words';
import { useOjas, useToday, useUnits } from '../hooks';
import { poseName } from '../plan/words';

/** So many supports are named. */
const MOST_NAMED = 3;

interface ApproachEffectProps {
  readonly person: Person;
  /** The approach that is thought of, and not yet taken. */
  readonly approach: ApproachId;
}

/** What another approach would do to this student's plan, before it is taken. */
export function ApproachEffect({ person, approach }: ApproachEffectProps) {
  const record = useOjas((state) => selectRecord(state, person.id));
  const shelf = useOjas(selectShelf);
  const today = useToday();
  const units = useUnits();
  const effect = useMemo(() => {
    if (!record || approach === record.person.approach) return null;
    const practised = practisedPoses(record.sessions);
    const planIn = (thought: ApproachId) =>
      planStudent({ ...record, person: { ...record.person, approach: thought } }, shelf, today, {
        poses: poses.map(({ id }) => id).filter((id) => practised.has(id)),
      }).poses;
    return approachEffect(planIn(record.person.approach), planIn(approach));
  }, [record, approach, shelf, today]);
  if (!effect) return null;
  const { holds, otherwise, lost, gained } = effect;
  const named = otherwise
    .slice(0, MOST_NAMED)
    .map(
      ({ pose, slot, fromCm, toCm }) =>
        `${poseName(pose)}, ${inSentence(slotName(slot))} ${length(fromCm, units)} → ${length(toCm, units)}`,
    );
  const more = otherwise.length - named.length;
  const lines = [
    holds[0] === holds[1]
      ? 'Holding stays as it is.'
      : `Holding ${minutes(holds[0])} → ${minutes(holds[1])} in all.`,
    otherwise.length === 0
      ? 'Every support stays as it stands.'
      : `Otherwise: ${named.join('; ')}${more > 0 ? `; and ${more} more` : ''}.`,
    ...(lost.length > 0 ? [`No longer: ${lost.map(poseName).join(', ')}.`] : []),
    ...(gained.length > 0 ? [`New: ${gained.map(poseName).join(', ')}.`] : []),
  ];
  return (
    <Aside role="status">
      In {person.name}’s plan: {inSentence(lines.join(' '))}
    </Aside>
  );
}
