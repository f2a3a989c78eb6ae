import { useLocalSearchParams } from 'expo-router';
import { LessonScreen } from '@/features/pages/late';

export default function Lesson() {
  const { id } = useLocalSearchParams<{ id: string }>();
  return <LessonScreen key={id} id={id} />;
}
