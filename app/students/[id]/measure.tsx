import { useLocalSearchParams } from 'expo-router';
import { MeasureScreen } from '@/features/pages/late';

export default function Measure() {
  const { id } = useLocalSearchParams<{ id: string }>();
  return <MeasureScreen key={id} id={id} />;
}
