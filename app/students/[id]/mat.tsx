import { useLocalSearchParams } from 'expo-router';
import { MatScreen } from '@/features/pages/late';

export default function Mat() {
  const { id } = useLocalSearchParams<{ id: string }>();
  return <MatScreen key={id} id={id} />;
}
