import { useLocalSearchParams } from 'expo-router';
import { IntakeScreen } from '@/features/pages/late';

export default function Intake() {
  const { id } = useLocalSearchParams<{ id: string }>();
  return <IntakeScreen key={id} id={id} />;
}
