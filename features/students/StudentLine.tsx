import { Link } from 'expo-router';
import { Pressable, View } from 'react-native';
import type { Person } from '@/core/formats/book';
import { unansweredCautions } from '@/core/safety/verdict';
import { ago, length } from '@/ui/format';
import { Aside, Title, Words } from '@/ui/Words';
import { useUnits } from '../hooks';

/** When somebody was last on the mat; an empty moment is never. */
export const seenWords = (lastAt: string) =>
  lastAt ? `on the mat ${ago(lastAt)}` : 'not on the mat yet';

export const NobodyYet = () => (
  <Words>
    Nobody here yet. A student needs a name and a height; everything else can follow on the mat.
  </Words>
);

interface StudentLineProps {
  readonly person: Person;
  /** The moment of the last session; empty for who was never on the mat. */
  readonly lastAt: string;
  /** What is told of a range that is looked at. */
  readonly news?: string | null;
}

/** One student in a list, a tap away. */
export function StudentLine({ person, lastAt, news = null }: StudentLineProps) {
  const units = useUnits();
  const open = unansweredCautions(person.cautions, person.sex).length;
  return (
    <View role="listitem">
      <Link href={`/students/${person.id}`} asChild>
        <Pressable className="min-h-14 flex-row items-center justify-between gap-3 rounded-md border border-line bg-sheet px-4 py-2">
          <View className="shrink">
            <Title level={3}>{person.name}</Title>
            <Aside>
              {length(person.statureCm, units)} · {seenWords(lastAt)}
            </Aside>
            {news === null ? null : <Words>{news}</Words>}
          </View>
          {open > 0 ? <Words className="text-sm text-rust">{open} to ask</Words> : null}
        </Pressable>
      </Link>
    </View>
  );
}
