import { useState } from 'react';
import { View } from 'react-native';
import { parseLessonFile } from '@/core/formats/check';
import type { Lesson } from '@/core/formats/lesson';
import { selectSettings } from '@/store/selectors';
import { Press } from '@/ui/Press';
import { Fault } from '@/ui/Words';
import { saveFile } from '../data/files';
import { takeInFile } from '../data/takeIn';
import { freshId, useOjas, useSet, useWords } from '../hooks';

const MOST_BYTES = 1_000_000;

/** A lesson goes along as a file, and one comes in; one of the teacher's own can be forgotten. */
export function OwnLessons({
  lesson,
  onTaken,
}: {
  readonly lesson: Lesson;
  readonly onTaken: (id: string) => void;
}) {
  const own = useOjas(selectSettings).lessons ?? [];
  const set = useSet();
  const say = useWords();
  const [fault, setFault] = useState('');
  const take = async () => {
    const taken = await takeInFile(parseLessonFile, 'lesson', MOST_BYTES, say.faults);
    if (!taken) return;
    setFault(taken.fault);
    if (!taken.value) return;
    const { format: _, ...came } = taken.value;
    const id = freshId('lesson');
    await set({ lessons: [...own, { ...came, id }] }, `Lesson ${came.name} taken in`);
    onTaken(id);
  };
  const isOwn = own.some(({ id }) => id === lesson.id);
  return (
    <View className="gap-2">
      <View className="flex-row flex-wrap gap-2">
        <Press
          kind="quiet"
          onPress={() =>
            saveFile(
              `${lesson.name}.lesson.json`,
              [JSON.stringify({ format: 'ojas-lesson/1', ...lesson }, null, 2)],
              'application/json',
            )
          }
        >
          Save it as a file
        </Press>
        <Press kind="quiet" onPress={take}>
          Take in a lesson
        </Press>
        {isOwn ? (
          <Press
            kind="quiet"
            onPress={() =>
              set(
                { lessons: own.filter(({ id }) => id !== lesson.id) },
                `Lesson ${lesson.name} forgotten`,
              )
            }
          >
            {`Forget ${lesson.name}`}
          </Press>
        ) : null}
      </View>
      {fault === '' ? null : <Fault>{fault}</Fault>}
    </View>
  );
}
