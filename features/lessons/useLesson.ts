import { useMemo } from 'react';
import { recordIn } from '@/core/recordIn';
import type { Lesson } from '@/core/formats/lesson';
import { shippedLessons } from '@/core/lessons/lessons';
import { paceOf } from '@/core/lessons/pace';
import { lessonFor, type LessonPlan } from '@/core/lessons/planLesson';
import { selectVisitTask } from '@/store/reckoned';
import { selectSettings } from '@/store/selectors';
import { useOjas, useOjasList, useToday } from '../hooks';

/** Every lesson there is: the teacher's own, then those that ship. */
export function useLessons(): readonly Lesson[] {
  const own = useOjas(selectSettings).lessons;
  return useMemo(() => [...(own ?? []), ...shippedLessons], [own]);
}

/** A lesson as a student does it today, and how quick they are. */
export interface StudentsLesson {
  readonly person: string;
  readonly plan: LessonPlan;
  readonly pace: number;
}

/** A lesson as each of some students does it today. */
export function useStudentsLessons(
  lesson: Lesson | undefined,
  people: readonly string[],
): readonly StudentsLesson[] {
  const today = useToday();
  const tasks = useOjasList((state) =>
    people.flatMap((id) => (recordIn(state.people, id) ? selectVisitTask(state, id, today) : [])),
  );
  return useMemo(
    () =>
      lesson
        ? tasks.flatMap((task) =>
            task
              ? [
                  {
                    person: task.record.person.id,
                    plan: lessonFor(lesson, task.record, task.shelf, task.today, {
                      day: task.day ?? 'usual',
                    }),
                    pace: paceOf(task.record.sessions),
                  },
                ]
              : [],
          )
        : [],
    [lesson, tasks],
  );
}
