import { useLocalSearchParams } from 'expo-router';
import { PoseScreen } from '@/features/pages/late';

export default function PosePage() {
  const { id, pose, side } = useLocalSearchParams<{ id: string; pose: string; side?: string }>();
  return <PoseScreen key={`${id}/${pose}`} id={id} pose={pose} side={side} />;
}
