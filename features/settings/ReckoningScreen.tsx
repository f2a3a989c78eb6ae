import { Link } from 'expo-router';
import { decision } from '@/core/parameters';
import { Press } from '@/ui/Press';
import { Screen } from '@/ui/Screen';
import { Sheet } from '@/ui/Sheet';
import { Title, Words } from '@/ui/Words';
import { Numbers } from './Numbers';

/** The reckoning in plain words, and every number that it assumes. */
export function ReckoningScreen() {
  return (
    <Screen title="How it reckons">
      <Sheet>
        <Title level={2}>In short</Title>
        <Words>
          The body is a chain of straight segments as long as the student’s own. For each pose, Ojas
          asks how far hips, knees and front thighs would have to go on the floor, and raises the
          supports until nobody is asked for more than they have, with a little to spare.
        </Words>
        <Words>
          Every range is a belief with a doubt: readings narrow it, time widens it. The doubt is
          carried through to the height, which is why a height comes with a band: in four of five
          such bodies it lies inside.
        </Words>
        <Words>
          What goes well on the mat says “no more than this is needed”; what is felt at a joint says
          “more than this”. A support comes down one step when two sessions running went well and it
          is very likely ({Math.round(decision.chance.value * 1000) / 10} in a hundred) that the
          day’s range carries the next one; after a single good time where that is as good as sure (
          {Math.round(decision.sureRung.value * 100)} in a hundred).
        </Words>
        <Link href={'/more/how' as '/more'} asChild>
          <Press>Read it whole, with drawings</Press>
        </Link>
      </Sheet>
      <Numbers />
    </Screen>
  );
}
