import { Link } from 'expo-router';
import Search from 'lucide-react-native/icons/search';
import SlidersHorizontal from 'lucide-react-native/icons/sliders-horizontal';
import { useDeferredValue, useState } from 'react';
import { View } from 'react-native';
import { approaches } from '@/core/approaches/approaches';
import type { Person } from '@/core/formats/book';
import type { Plan, PlanPose } from '@/core/formats/plan';
import { practisedPoses } from '@/core/plan/practised';
import { calledSo, plain } from '@/core/poses/called';
import { poseById, posesIn, type Pose } from '@/core/poses/poses';
import type { Shelf } from '@/core/props/shelf';
import { selectSessionsOf, selectOwnShelf, selectShelf } from '@/store/selectors';
import type { Units } from '@/ui/format';
import { Field } from '@/ui/Field';
import { Chips, Press } from '@/ui/Press';
import { Print } from '@/ui/Print';
import { Screen } from '@/ui/Screen';
import { Sheet } from '@/ui/Sheet';
import { tone } from '@/ui/tones';
import { Aside, Words } from '@/ui/Words';
import { todayIso, useOjas, usePerson, useUnits, useWords } from '../hooks';
import { usePlan } from '../reckoned';
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

/** What is practised; of a new student, what one starts with. */
const placesFor = (isNew: boolean): readonly { id: Place; words: string }[] => [
  { id: 'practised', words: isNew ? 'Start here' : 'Practised' },
  ...poseGroups.map((id) => ({ id, words: groupNames[id] })),
];
type Place = 'practised' | Pose['group'];

/** Every pose of a student today, in pieces of the shelf. */
export function PlanScreen({ id }: { readonly id: string }) {
  const person = usePerson(id);
  const [place, setPlace] = useState<Place>('practised');
  const [filter, setFilter] = useState<Filter>('all');
  const [open, setOpen] = useState<'find' | 'set' | null>(null);
  const [sought, setSought] = useState('');
  const found = calledSo(sought);
  const seeking = found.length > 0 || plain(sought).length > 1;
  const plan = usePlan(id, seeking ? found : place === 'practised' ? [] : posesIn(place));
  const shelf = useOjas(selectShelf);
  const ownShelf = useOjas(selectOwnShelf);
  const units = useUnits();
  const wide = useWide();
  const sessions = useOjas((state) => selectSessionsOf(state, id));
  if (!person || !plan) return <NoStudent />;
  const practised = practisedPoses(sessions);
  const inPlace = ({ pose }: PlanPose) =>
    seeking
      ? found.some((one) => one === pose)
      : place === 'practised'
        ? practised.has(pose)
        : poseById(pose)?.group === place;
  const shown = plan.poses.filter((planned) => inPlace(planned) && shows[filter](planned));
  const toggle = (which: 'find' | 'set') => setOpen(open === which ? null : which);
  const approach = approaches[plan.approach];
  const shownWords = filters.find((one) => one.id === filter)?.words.toLowerCase() ?? '';
  return (
    <Screen
      title={person.name}
      wide
      beside={
        <View className="flex-row gap-1">
          <Press
            kind="quiet"
            className="px-3"
            aria-label="Find a pose"
            aria-expanded={open === 'find'}
            icon={<Search size={22} color={tone('thread')} aria-hidden />}
            onPress={() => {
              setSought('');
              toggle('find');
            }}
          />
          <Press
            kind="quiet"
            className="px-3"
            aria-label={`Set what is shown: ${approach.name}, ${shownWords}`}
            aria-expanded={open === 'set'}
            icon={<SlidersHorizontal size={22} color={tone('thread')} aria-hidden />}
            onPress={() => toggle('set')}
          />
          <Print />
        </View>
      }
      foot={
        <Link href={`/students/${id}/mat`} asChild>
          <Press kind="main">To the mat</Press>
        </Link>
      }
    >
      <View className="-mt-3 gap-2">
        <StudentTabs id={id} here="plan" />
        {open === 'find' ? (
          <Field
            label="Find a pose, in English or Sanskrit"
            value={sought}
            onChangeText={setSought}
            autoFocus
          />
        ) : (
          <Chips
            label="Which poses"
            options={placesFor(sessions.length === 0)}
            chosen={place}
            onChoose={setPlace}
            inOneRow
          />
        )}
        {open === 'set' ? (
          <Sheet>
            <Chips label="What of them" options={filters} chosen={filter} onChoose={setFilter} />
            <Words>
              Approach: <Words className="font-semibold">{approach.name}</Words>. {approach.inShort}
            </Words>
            <Link href={`/students/${id}`} asChild>
              <Press>Change the approach or its choices</Press>
            </Link>
            <Aside>
              The band on a rail, and the heights in brackets, hold four in five such bodies.
            </Aside>
          </Sheet>
        ) : (
          <Aside>
            {approach.name}
            {filter === 'all' ? '' : ` · ${shownWords}`}
          </Aside>
        )}
      </View>
      <ToDoFirst id={id} plan={plan} emptyShelf={ownShelf.length === 0} />
      {shown.length === 0 ? (
        <Words>
          {seeking
            ? `No pose is called “${sought.trim()}”.`
            : 'No pose of these is like that today.'}
        </Words>
      ) : null}
      <Cards key={`${place}/${filter}/${seeking}`} {...{ shown, person, shelf, units, wide }} />
      <Aside>
        Ojas supports a trained teacher. It does not replace a doctor’s or physiotherapist’s word,
        nor local rules of practice.
      </Aside>
    </Screen>
  );
}

interface CardsProps {
  readonly shown: readonly PlanPose[];
  readonly person: Person;
  readonly shelf: Shelf;
  readonly units: Units;
  readonly wide: boolean;
}

/** Cards that a screen begins with; the rest follow when there is time. */
const firstCards = (wide: boolean) => (wide ? 2 : 1);

function Cards({ shown, person, shelf, units, wide }: CardsProps) {
  const many = useDeferredValue(shown.length, firstCards(wide));
  return (
    <View className={`-mt-2 ${wide ? 'flex-row flex-wrap gap-4' : 'gap-4'}`}>
      {shown.slice(0, many).map((planned, i) => (
        <View
          key={`${planned.pose}/${planned.side}`}
          className={wide ? 'min-w-[380px] flex-1' : ''}
        >
          <PoseCard isFirst={i < firstCards(wide)} {...{ planned, person, shelf, units }} />
        </View>
      ))}
    </View>
  );
}

interface ToDoFirstProps {
  readonly id: string;
  readonly plan: Plan;
  readonly emptyShelf: boolean;
}

/** What stands before the plan: questions that were not asked, a shelf without props, a session that is done. */
function ToDoFirst({ id, plan, emptyShelf }: ToDoFirstProps) {
  const say = useWords();
  const open = plan.unanswered.length;
  return (
    <>
      {open > 0 ? (
        <Link
          href={`/students/${id}/intake`}
          className="min-h-12 rounded-md border border-rust bg-sheet px-3 py-3 font-text text-base text-rust underline"
        >
          {open === 1 ? 'One question is not answered' : `${open} questions are not answered`}:
          unknown is not “no” (
          {plan.unanswered
            .slice(0, 2)
            .map((one) => say.caution(one).name)
            .join(', ')}
          {open > 2 ? ' …' : ''}). Ask now
        </Link>
      ) : null}
      {emptyShelf ? (
        <Sheet>
          <Words>Built as a usual small shelf would build it; yours takes two minutes.</Words>
          <Link href="/shelf" asChild>
            <Press>Fill the shelf</Press>
          </Link>
        </Sheet>
      ) : null}
      {plan.date > todayIso() ? (
        <Words role="status">Today’s session is recorded; this is the plan for next time.</Words>
      ) : null}
    </>
  );
}
