import { useLocalSearchParams } from 'expo-router';
import { ClassScreen } from '@/features/pages/late';

export default function Class() {
  const { id } = useLocalSearchParams<{ id: string }>();
  return <ClassScreen id={id} />;
}
