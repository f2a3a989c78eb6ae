import type { Session } from '../formats/book';
import type { Lesson, LessonStep } from '../formats/lesson';

/** The step that a pose of a session was, as long as it was held. */
const stepOf = ({ pose, side, heldSeconds }: Session['poses'][number]): LessonStep => ({
  is: 'pose',
  id: pose,
  ...(side === 'both' ? {} : { side }),
  ...(heldSeconds >= 5 ? { seconds: Math.round(heldSeconds) } : {}),
});

/** A session as a lesson: both sides of a pose, one right after the other, are one step. */
export function lessonOfSession(
  { poses }: Pick<Session, 'poses'>,
  id: string,
  name: string,
): Lesson {
  const steps: LessonStep[] = [];
  for (const one of poses.filter(({ stop }) => stop === undefined)) {
    const [step, before] = [stepOf(one), steps.at(-1)];
    if (before?.id === step.id && before.side && step.side && before.side !== step.side)
      steps[steps.length - 1] = {
        is: 'pose',
        id: step.id,
        seconds: Math.max(before.seconds ?? 0, step.seconds ?? 0) || undefined,
      };
    else steps.push(step);
  }
  return { id, name, steps };
}
