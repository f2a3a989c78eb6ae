import { useLocalSearchParams } from 'expo-router';
import { ClassLessonScreen } from '@/features/pages/late';

export default function ClassLesson() {
  const { id } = useLocalSearchParams<{ id: string }>();
  return <ClassLessonScreen key={id} id={id} />;
}
