import { Link } from 'expo-router';
import { Screen } from '@/ui/Screen';

export default function NotFound() {
  return (
    <Screen title="There is no such place">
      <Link href="/" className="font-text text-base text-thread underline">
        Back to today
      </Link>
    </Screen>
  );
}
