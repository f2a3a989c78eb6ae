import { useLocalSearchParams } from 'expo-router';
import { MeasureScreen } from '@/features/measure/MeasureScreen';

export default function Measure() {
  const { id } = useLocalSearchParams<{ id: string }>();
  return <MeasureScreen key={id} id={id} />;
}
