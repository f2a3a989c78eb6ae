import { Link } from 'expo-router';
import { useState } from 'react';
import { View } from 'react-native';
import { howOf } from '@/core/advise/how';
import { firstForHome, homePoses, needsGoAhead, type HomePose } from '@/core/advise/homePoses';
import { shelfAtHome } from '@/core/advise/instead';
import { standInsFor } from '@/core/advise/standIns';
import type { Person } from '@/core/formats/book';
import type { PlanPose } from '@/core/formats/plan';
import { poseById } from '@/core/poses/poses';
import { selectPlanAtHome } from '@/store/reckoned';
import { date, type Units } from '@/ui/format';
import { Chips, Press, Tick } from '@/ui/Press';
import { Print } from '@/ui/Print';
import { Screen } from '@/ui/Screen';
import { Sheet } from '@/ui/Sheet';
import { Aside, Title, Words } from '@/ui/Words';
import { countWords } from '@/ui/words/counted';
import { slotName, wordsIn } from '@/ui/words/words';
import { useOjas, usePerson, useToday, useUnits } from '../hooks';
import { PoseGlance } from '../plan/PoseFigure';
import { SupportLines } from '../plan/Supports';
import { poseName } from '../plan/words';
import { NoStudent } from '../students/NoStudent';
import { NextTime } from '../visits/late';

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

const FIGURE_PX = { width: 220, height: 150 } as const;

/** What a student takes home on paper: some poses, built of what is at home, how they are done, and when to stop. */
export function HomeSheetScreen({ id }: { readonly id: string }) {
  const person = usePerson(id);
  const today = useToday();
  const plan = useOjas((state) => selectPlanAtHome(state, id, today));
  const [size, setSize] = useState<Size>('usual');
  const [chosen, setChosen] = useState<readonly string[] | null>(null);
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
        <Link href={`/students/${id}/home` as '/students'} asChild>
          <Press>What is at home</Press>
        </Link>
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

/** Whose sheet it is, of what day, and when they come again. */
function Head({ person }: { readonly person: Person }) {
  const today = useToday();
  return (
    <View className="gap-1">
      <Words>
        For {person.name.split(' ')[0]}, {date(today)}.
      </Words>
      <NextTime person={person.id} />
      <Words>
        Build each pose before you go into it. It should be comfortable from the first breath: a
        mild pull in the muscle is as it should be, pain is not. Too much? One layer more.
      </Words>
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
        <OneBuild
          key={planned.side}
          {...{ planned, person, units }}
          isOneOfTwo={builds.length > 1}
          eachSide={bothAlike ? ' on each side' : ''}
        />
      ))}
      {dose ? <Words>{dose}</Words> : null}
      <Cautions sides={sides} units={units} />
    </Sheet>
  );
}

function longWords(planned: PlanPose): string {
  if (planned.times !== null) return countWords(planned, planned.times);
  const [whole, rest] = [
    Math.floor(planned.holdSeconds / 60),
    Math.round(planned.holdSeconds % 60),
  ];
  if (whole === 0 || planned.holdSeconds < 90) return `${Math.round(planned.holdSeconds)} seconds`;
  return `${whole} ${whole === 1 ? 'minute' : 'minutes'}${rest > 0 ? ` and ${rest} seconds` : ''}`;
}

/** On paper nothing is told of what lay in the studio the last time. */
const unmoved = (planned: PlanPose): PlanPose => ({
  ...planned,
  slots: planned.slots.map((slot) => ({ ...slot, lastCm: null })),
});

interface OneBuildProps {
  readonly planned: PlanPose;
  readonly person: Person;
  readonly units: Units;
  readonly isOneOfTwo: boolean;
  readonly eachSide: string;
}

/** What lies where, its figure, what else would do, and how it is done. */
function OneBuild({ planned, person, units, isOneOfTwo, eachSide }: OneBuildProps) {
  const shelf = shelfAtHome(person);
  const { slots, also } = standInsFor(planned);
  return (
    <View className="gap-2">
      {isOneOfTwo ? (
        <Words className="font-semibold">{planned.side === 'left' ? 'Left' : 'Right'}</Words>
      ) : null}
      <View className="flex-row flex-wrap items-end gap-4">
        {planned.posture ? (
          <View style={{ width: FIGURE_PX.width }}>
            <PoseGlance
              planned={planned}
              posture={planned.posture}
              person={person}
              shelf={shelf}
              units={units}
              mostHeightPx={FIGURE_PX.height}
            />
          </View>
        ) : null}
        <View className="min-w-56 flex-1 gap-2">
          <SupportLines planned={unmoved(planned)} shelf={shelf} units={units} />
        </View>
      </View>
      {slots.length > 0 ? (
        <Aside>
          Or:{' '}
          {slots
            .map(({ slot, said }) => `${slotName({ slot: slot.slot }).toLowerCase()}, ${said}`)
            .join('; ')}
          .
        </Aside>
      ) : null}
      {also ? <Aside>{also}</Aside> : null}
      <Steps planned={planned} />
      <Words>
        <Words className="font-semibold">How long: </Words>
        {longWords(planned)}
        {eachSide}.
      </Words>
    </View>
  );
}

/** In, what to look at, and out again. */
function Steps({ planned }: { readonly planned: PlanPose }) {
  const { entry, look, exit } = howOf(planned);
  const parts = [
    { title: 'Go in', lines: entry },
    { title: 'Look', lines: look },
    { title: 'Come out', lines: exit },
  ];
  return (
    <View className="flex-row flex-wrap gap-x-6 gap-y-3">
      {parts.map(({ title, lines }) => (
        <View key={title} className="min-w-52 flex-1 gap-0.5">
          <Words className="font-semibold">{title}</Words>
          {lines.map((line, i) => (
            <Words key={line}>
              {title === 'Look' ? '· ' : `${i + 1}. `}
              {line}
            </Words>
          ))}
        </View>
      ))}
    </View>
  );
}

interface CautionsProps {
  readonly sides: readonly PlanPose[];
  readonly units: Units;
}

/** What to mind in this pose, on one side or the other, and whom to ask. */
function Cautions({ sides, units }: CautionsProps) {
  const say = wordsIn(units);
  const said = [
    ...sides.flatMap(({ reasons }) => reasons.filter(({ code }) => code === 'caution')),
    ...sides.flatMap(({ refer }) => refer),
  ]
    .map(say.reasonAtHome)
    .filter((words, i, all) => words !== '' && all.indexOf(words) === i);
  return said.map((words) => <Words key={words}>{words}</Words>);
}

const WhenToStop = () => (
  <Sheet role="region" aria-label="When to stop" className="break-inside-avoid">
    <Title level={2}>When to stop</Title>
    <Words>
      Sharp, electric, spreading or numb, a joint that speaks, dizziness: come out at once, the way
      you came in, and rest.
    </Words>
    <Words>
      Leave that pose out until we have seen each other. What stays longer than a day, comes at
      night or makes a leg weak goes to a doctor or a physiotherapist.
    </Words>
  </Sheet>
);
