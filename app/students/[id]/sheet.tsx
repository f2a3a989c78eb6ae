import { useLocalSearchParams } from 'expo-router';
import { HomeSheetScreen } from '@/features/pages/late';

export default function HomeSheet() {
  const { id } = useLocalSearchParams<{ id: string }>();
  return <HomeSheetScreen key={id} id={id} />;
}
