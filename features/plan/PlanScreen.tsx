import { Link } from 'expo-router';
import { useState } from 'react';
import { View } from 'react-native';
import { approaches } from '@/core/approaches/approaches';
import { bodyFrom } from '@/core/body/body';
import type { PlanPose } from '@/core/formats/plan';
import { practisedPoses } from '@/core/plan/practised';
import { poseById, posesIn, type Pose } from '@/core/poses/poses';
import { selectSessionsOf, selectShelf } from '@/store/selectors';
import { Chips, Press } from '@/ui/Press';
import { Screen } from '@/ui/Screen';
import { Sheet } from '@/ui/Sheet';
import { Aside, Title, Words } from '@/ui/Words';
import { todayIso, useEstimates, useOjas, usePerson, usePlan, useUnits, useWords } from '../hooks';
import { useWide } from '../shell/Shell';
import { StudentTabs } from '../students/StudentTabs';
import { PoseCard } from './PoseCard';
import { groupNames, poseGroups } from './words';
import { NoStudent } from '../students/NoStudent';

const filters = [
  { id: 'all', words: 'Everything' },
  { id: 'moves', words: 'What changes' },
  { id: 'cautions', words: 'With cautions' },
] as const;
type Filter = (typeof filters)[number]['id'];

const shows: Readonly<Record<Filter, (planned: PlanPose) => boolean>> = {
  all: () => true,
  moves: ({ decision }) => decision.action !== 'keep' && decision.action !== 'first',
  cautions: ({ status }) => status !== 'offered',
};

const places = [
  { id: 'practised', words: 'Practised' },
  ...poseGroups.map((id) => ({ id, words: groupNames[id] })),
] as const;
type Place = 'practised' | Pose['group'];

/** Every pose of a student today, in pieces of the shelf. */
export function PlanScreen({ id }: { readonly id: string }) {
  const say = useWords();
  const person = usePerson(id);
  const [place, setPlace] = useState<Place>('practised');
  const plan = usePlan(id, place === 'practised' ? [] : posesIn(place));
  const estimates = useEstimates(id);
  const shelf = useOjas(selectShelf);
  const units = useUnits();
  const wide = useWide();
  const sessions = useOjas((state) => selectSessionsOf(state, id));
  const [filter, setFilter] = useState<Filter>('all');
  if (!person || !plan || !estimates) return <NoStudent />;
  const body = bodyFrom(person.statureCm, person.bodyCm);
  const practised = practisedPoses(sessions);
  const inPlace = ({ pose }: PlanPose) =>
    place === 'practised' ? practised.has(pose) : poseById(pose)?.group === place;
  const shown = plan.poses.filter((planned) => inPlace(planned) && shows[filter](planned));
  return (
    <Screen
      title={person.name}
      wide
      foot={
        <Link href={`/students/${id}/mat`} asChild>
          <Press kind="main">To the mat</Press>
        </Link>
      }
    >
      <StudentTabs id={id} here="plan" />
      {plan.unanswered.length > 0 ? (
        <Sheet className="border-rust">
          <Title level={2}>
            {plan.unanswered.length === 1
              ? 'One question is not answered'
              : `${plan.unanswered.length} questions are not answered`}
          </Title>
          <Words>
            Unknown is not “no”:{' '}
            {plan.unanswered
              .slice(0, 4)
              .map((one) => say.caution(one).name)
              .join(', ')}
            {plan.unanswered.length > 4 ? ' and more' : ''}.
          </Words>
          <Link href={`/students/${id}/intake`} asChild>
            <Press>Ask now</Press>
          </Link>
        </Sheet>
      ) : null}
      {shelf.length === 0 ? (
        <Sheet>
          <Words>The shelf is empty, so heights cannot be built yet.</Words>
          <Link href="/shelf" asChild>
            <Press>Fill the shelf</Press>
          </Link>
        </Sheet>
      ) : null}
      {plan.date > todayIso() ? (
        <Words role="status">Today’s session is recorded; this is the plan for next time.</Words>
      ) : null}
      <View className="gap-1">
        <Words>
          Approach: <Words className="font-semibold">{approaches[plan.approach].name}</Words>
        </Words>
        <Aside>
          {approaches[plan.approach].inShort} Heights show the band within which four in five such
          bodies lie.
        </Aside>
      </View>
      <Chips
        label="Which poses"
        options={places as readonly { id: Place; words: string }[]}
        chosen={place}
        onChoose={setPlace}
      />
      <Chips label="What of them" options={filters} chosen={filter} onChoose={setFilter} />
      {shown.length === 0 ? <Words>No pose of these is like that today.</Words> : null}
      <View className={wide ? 'flex-row flex-wrap gap-4' : 'gap-4'}>
        {shown.map((planned) => (
          <View
            key={`${planned.pose}/${planned.side}`}
            className={wide ? 'min-w-[380px] flex-1' : ''}
          >
            <PoseCard
              planned={planned}
              person={person}
              estimates={estimates}
              body={body}
              shelf={shelf}
              units={units}
            />
          </View>
        ))}
      </View>
      <Aside>
        Ojas supports a trained teacher. It does not replace a doctor’s or physiotherapist’s word,
        nor local rules of practice.
      </Aside>
    </Screen>
  );
}
