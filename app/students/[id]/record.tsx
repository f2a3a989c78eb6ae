import { useLocalSearchParams } from 'expo-router';
import { RecordScreen } from '@/features/pages/late';

export default function Record() {
  const { id } = useLocalSearchParams<{ id: string }>();
  return <RecordScreen key={id} id={id} />;
}
