import { useLocalSearchParams } from 'expo-router';
import { PlanScreen } from '@/features/pages/late';

export default function Plan() {
  const { id } = useLocalSearchParams<{ id: string }>();
  return <PlanScreen key={id} id={id} />;
}
