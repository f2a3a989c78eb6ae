import { useLocalSearchParams } from 'expo-router';
import { ProgressScreen } from '@/features/pages/late';

export default function Progress() {
  const { id } = useLocalSearchParams<{ id: string }>();
  return <ProgressScreen key={id} id={id} />;
}
