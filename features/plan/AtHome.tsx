import { Link } from 'expo-router';
import { View } from 'react-native';
import type { Person } from '@/core/formats/book';
import type { PlanPose } from '@/core/formats/plan';
import { shelfAtHome } from '@/core/advise/instead';
import { standInsFor } from '@/core/advise/standIns';
import { poseById } from '@/core/poses/poses';
import { selectPlanAtHome } from '@/store/reckoned';
import type { Units } from '@/ui/format';
import { Press } from '@/ui/Press';
import { Aside, Words } from '@/ui/Words';
import { slotName } from '@/ui/words/words';
import { useOjas, useToday } from '../hooks';
import { SupportLines } from './Supports';

interface AtHomeProps {
  readonly person: Person;
  readonly planned: PlanPose;
  readonly units: Units;
}

/** What else would do for what lies there. */
function StandIns({ planned }: { readonly planned: PlanPose }) {
  const { slots, also } = standInsFor(planned);
  return (
    <View className="gap-1">
      {slots.length > 0 ? <Aside>Or of what is at hand:</Aside> : null}
      {slots.map(({ slot, said }) => (
        <Words key={slot.slot}>
          <Words className="font-semibold">{slotName({ slot: slot.slot })} </Words>
          {said}
        </Words>
      ))}
      {also ? <Words>{also}</Words> : null}
    </View>
  );
}

/** The same pose rebuilt of what this student has at home. */
export function AtHome({ person, planned, units }: AtHomeProps) {
  const today = useToday();
  const plan = useOjas((state) => selectPlanAtHome(state, person.id, today, planned.pose));
  const there = plan?.poses.find(({ side }) => side === planned.side);
  const pose = poseById(planned.pose);
  return (
    <View className="gap-3">
      {there?.posture ? (
        <>
          <SupportLines planned={there} shelf={shelfAtHome(person)} units={units} />
          <StandIns planned={there} />
        </>
      ) : (
        <Words>Not at home for now.</Words>
      )}
      {pose?.homeDose ? (
        <Words>
          <Words className="font-semibold">Every day: </Words>
          {pose.homeDose}
        </Words>
      ) : null}
      <Aside>
        {person.home.length > 0
          ? `Of what ${person.name} has at home.`
          : 'Of what is found in most flats; nothing is noted of this one.'}
      </Aside>
      <View className="flex-row flex-wrap gap-2">
        <Link href={`/students/${person.id}/sheet` as '/students'} asChild>
          <Press>A sheet to take home</Press>
        </Link>
        <Link href={`/students/${person.id}/home` as '/students'} asChild>
          <Press>What is at home</Press>
        </Link>
      </View>
    </View>
  );
}
