import { firstName } from '@/ui/firstName';
import { Link } from 'expo-router';
import { useState } from 'react';
import { View } from 'react-native';
import { firstForHome, homePoses, needsGoAhead, type HomePose } from '@/core/advise/homePoses';
import { shelfAtHome } from '@/core/advise/instead';
import type { Person } from '@/core/formats/book';
import type { PlanPose } from '@/core/formats/plan';
import { poseById } from '@/core/poses/poses';
import { selectPlanAtHome } from '@/store/reckoned';
import { date, type Units } from '@/ui/format';
import { Chips, Press, Tick } from '@/ui/Press';
import { Print } from '@/ui/Print';
import { Screen } from '@/ui/Screen';
import { Sheet } from '@/ui/Sheet';
import { Title, Words } from '@/ui/Words';
import { wordsIn } from '@/ui/words/words';
import { useOjas, usePerson, useToday, useUnits } from '../hooks';
import { poseName } from '../plan/words';
import { NoStudent } from '../students/NoStudent';
import { dailyAtHome, WEEKS_AT_HOME } from '../visits/entries';
import { NextTime } from '../visits/late';
import { saveCalendar } from '../visits/saveCalendar';
import { OnPhone } from './phone/late';
import { HOW_IT_SHOULD_BE, PoseAtHome, WhenToStop } from './PoseAtHome';

const sizes = [
  { id: 'usual', words: 'Usual print' },
  { id: 'large', words: 'Large print' },
] as const;
type Size = (typeof sizes)[number]['id'];
/** What is printed is set for two poses to a page; this is read on the floor, from a mat. */
const zooms: Readonly<Record<Size, string>> = {
  usual: 'print:[zoom:1.3]',
  large: '[zoom:1.3] print:[zoom:2]',
};

/** What a student takes home on paper: some poses, built of what is at home, how they are done, and when to stop. */
export function HomeSheetScreen({ id }: { readonly id: string }) {
  const person = usePerson(id);
  const today = useToday();
  const plan = useOjas((state) => selectPlanAtHome(state, id, today));
  const [size, setSize] = useState<Size>('usual');
  const [chosen, setChosen] = useState<readonly string[] | null>(null);
  const [onPhone, setOnPhone] = useState(false);
  if (!person || !plan) return <NoStudent />;
  const all = homePoses(plan.poses);
  const taken = new Set(chosen ?? firstForHome(all));
  const there = all.filter(({ pose }) => taken.has(pose));
  const turn = (pose: string) =>
    setChosen(
      all.map((one) => one.pose).filter((one) => (one === pose ? !taken.has(one) : taken.has(one))),
    );
  return (
    <Screen title={`To take home: ${person.name}`} beside={<Print />} wide>
      <View className="gap-3 print:hidden">
        <Words>
          What is ticked stands on the sheet. Print it, or save it as a file from there.
        </Words>
        <View className="gap-1">
          {all.map((one) => (
            <Tick key={one.pose} checked={taken.has(one.pose)} onToggle={() => turn(one.pose)}>
              {poseName(one.pose)}
              {needsGoAhead(one) ? ': once the written go-ahead is here' : ''}
            </Tick>
          ))}
        </View>
        <Chips label="Size of print" options={sizes} chosen={size} onChoose={setSize} />
        <View className="flex-row flex-wrap gap-2">
          <Link href={`/students/${id}/home` as '/students'} asChild>
            <Press>What is at home</Press>
          </Link>
          <Press aria-expanded={onPhone} onPress={() => setOnPhone(!onPhone)}>
            On their own phone
          </Press>
          <Press
            disabled={there.length === 0}
            onPress={() =>
              void saveCalendar('at-home', [
                dailyAtHome(
                  id,
                  there.map(({ pose }) => poseName(pose)),
                  today,
                ),
              ])
            }
          >
            {`For their calendar, ${WEEKS_AT_HOME} weeks`}
          </Press>
        </View>
        {onPhone ? <ForPhone person={person} there={there} /> : null}
      </View>
      <View className={`gap-4 ${zooms[size]}`}>
        <Head person={person} />
        {there.map((one, i) => (
          <OnePose key={one.pose} {...{ one, person }} number={i + 1} />
        ))}
        {there.length === 0 ? <Words>Nothing is ticked yet.</Words> : <WhenToStop />}
      </View>
    </Screen>
  );
}

/** No first name is longer in an address. */
const MOST_LETTERS = 40;

interface ForPhoneProps {
  readonly person: Person;
  readonly there: readonly HomePose[];
}

/** The same sheet for the student's own phone: what is to be minded goes along only where the teacher says so. */
function ForPhone({ person, there }: ForPhoneProps) {
  const today = useToday();
  const units = useUnits();
  const [withMinded, setWithMinded] = useState(false);
  const minded = Object.fromEntries(
    there.flatMap(({ pose, sides }) => {
      const said = mindedIn({ sides, units });
      return said.length > 0 ? [[pose, [...said]]] : [];
    }),
  );
  if (there.length === 0) return <Words>Nothing is ticked yet.</Words>;
  return (
    <View className="gap-3">
      {Object.keys(minded).length > 0 ? (
        <Tick checked={withMinded} onToggle={() => setWithMinded(!withMinded)}>
          With what is to be minded, which tells what they answered at the questions
        </Tick>
      ) : null}
      <OnPhone
        sheet={{
          name: firstName(person.name).slice(0, MOST_LETTERS),
          at: today,
          units,
          statureCm: person.statureCm,
          bodyCm: person.bodyCm,
          home: person.home,
          minded: withMinded ? minded : {},
          poses: there.flatMap(({ sides, builds }) =>
            builds.map((planned) => ({ planned, bothAlike: sides.length > builds.length })),
          ),
        }}
      />
    </View>
  );
}

/** Whose sheet it is, of what day, and when they come again. */
function Head({ person }: { readonly person: Person }) {
  const today = useToday();
  return (
    <View className="gap-1">
      <Words>
        For {firstName(person.name)}, {date(today)}.
      </Words>
      <NextTime person={person.id} />
      <Words>{HOW_IT_SHOULD_BE}</Words>
    </View>
  );
}

interface OnePoseProps {
  readonly one: HomePose;
  readonly person: Person;
  readonly number: number;
}

function OnePose({ one: { pose, sides, builds }, person, number }: OnePoseProps) {
  const units = useUnits();
  const dose = poseById(pose)?.homeDose;
  const bothAlike = sides.length > builds.length;
  return (
    <Sheet role="region" aria-label={poseName(pose)} className="break-inside-avoid">
      <Title level={2}>
        {number}. {poseName(pose)}
      </Title>
      {bothAlike ? <Words>Both sides, one after the other, built alike.</Words> : null}
      {builds.map((planned) => (
        <PoseAtHome
          key={planned.side}
          {...{ planned, units }}
          body={person}
          shelf={shelfAtHome(person)}
          isOneOfTwo={builds.length > 1}
          eachSide={bothAlike ? ' on each side' : ''}
        />
      ))}
      {dose ? <Words>{dose}</Words> : null}
      <Cautions sides={sides} units={units} />
    </Sheet>
  );
}

interface CautionsProps {
  readonly sides: readonly PlanPose[];
  readonly units: Units;
}

/** What to mind in this pose, on one side or the other, and whom to ask. */
const Cautions = (of: CautionsProps) =>
  mindedIn(of).map((words) => <Words key={words}>{words}</Words>);

/** The same in words. */
function mindedIn({ sides, units }: CautionsProps): readonly string[] {
  const say = wordsIn(units);
  return [
    ...sides.flatMap(({ reasons }) => reasons.filter(({ code }) => code === 'caution')),
    ...sides.flatMap(({ refer }) => refer),
  ]
    .map(say.reasonAtHome)
    .filter((words, i, all) => words !== '' && all.indexOf(words) === i);
}
