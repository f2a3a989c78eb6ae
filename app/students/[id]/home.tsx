import { useLocalSearchParams } from 'expo-router';
import { HomeScreen } from '@/features/pages/late';

export default function Home() {
  const { id } = useLocalSearchParams<{ id: string }>();
  return <HomeScreen key={id} id={id} />;
}
