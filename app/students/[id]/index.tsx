import { useLocalSearchParams } from 'expo-router';
import { StudentScreen } from '@/features/pages/late';

export default function Student() {
  const { id } = useLocalSearchParams<{ id: string }>();
  return <StudentScreen key={id} id={id} />;
}
