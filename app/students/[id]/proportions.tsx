import { useLocalSearchParams } from 'expo-router';
import { ProportionsScreen } from '@/features/pages/late';

export default function Proportions() {
  const { id } = useLocalSearchParams<{ id: string }>();
  return <ProportionsScreen key={id} id={id} />;
}
