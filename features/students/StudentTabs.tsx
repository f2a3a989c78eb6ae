import { Link } from 'expo-router';
import { Pressable, View } from 'react-native';
import { Words } from '@/ui/Words';

const tabs = [
  { id: 'student', name: 'Student', path: '' },
  { id: 'measure', name: 'Measure', path: '/measure' },
  { id: 'plan', name: 'Plan', path: '/plan' },
  { id: 'mat', name: 'Mat', path: '/mat' },
  { id: 'record', name: 'Record', path: '/record' },
  { id: 'progress', name: 'Progress', path: '/progress' },
] as const;

/** The way through a student: each step is one tap from the next. */
export function StudentTabs({
  id,
  here,
}: {
  readonly id: string;
  readonly here: (typeof tabs)[number]['id'];
}) {
  return (
    <View
      role="navigation"
      aria-label="Of this student"
      className="flex-row flex-wrap justify-between border-b border-line sm:justify-start sm:gap-x-4"
    >
      {tabs.map((tab) => (
        <Link key={tab.id} href={`/students/${id}${tab.path}` as '/students'} asChild>
          <Pressable
            aria-current={tab.id === here ? 'page' : undefined}
            className={`min-h-12 max-w-full justify-center border-b-4 px-0.5 sm:px-1 ${tab.id === here ? 'border-thread' : 'border-transparent'}`}
          >
            <Words className={tab.id === here ? 'font-semibold text-thread' : 'text-faint'}>
              {tab.name}
            </Words>
          </Pressable>
        </Link>
      ))}
    </View>
  );
}
