import { useLocalSearchParams } from 'expo-router';
import { StudentScreen } from '@/features/students/StudentScreen';

export default function Student() {
  const { id } = useLocalSearchParams<{ id: string }>();
  return <StudentScreen key={id} id={id} />;
}
