import { Link } from 'expo-router';
import { Screen } from '@/ui/Screen';

/** Said where an address names nobody. */
export const NoStudent = () => (
  <Screen title="No such student">
    <Link href="/students" className="font-text text-base text-thread underline">
      All students
    </Link>
  </Screen>
);
