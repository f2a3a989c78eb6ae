import { useMemo, useState } from 'react';
import { View } from 'react-native';
import { dialCourses, heightCourses, triedIn, timesOf, type Time } from '@/core/advise/progress';
import { believableDifference, type StudentRecord } from '@/core/estimate/estimate';
import { looksAt, type Look } from '@/core/estimate/looks';
import type { Person, Session, SessionPose } from '@/core/formats/book';
import { poseById, stageNameOf } from '@/core/poses/poses';
import { keyOf, ranges, rangeIds, sides, type RangeId } from '@/core/ranges/ranges';
import { slotRefOf } from '@/core/slots';
import { selectRecord, selectSessionsOf, selectShelf } from '@/store/selectors';
import { Course } from '@/ui/charts/Course';
import { StageChart } from '@/ui/charts/StageChart';
import { StepChart, type Steps } from '@/ui/charts/StepChart';
import { WhenNear } from '@/ui/WhenNear';
import { lookOf } from '@/ui/charts/looks';
import { date, degrees, length, minutes, withDoubt } from '@/ui/format';
import { Chips } from '@/ui/Press';
import { Print } from '@/ui/Print';
import { Screen } from '@/ui/Screen';
import { Sheet } from '@/ui/Sheet';
import { Aside, Title, Words } from '@/ui/Words';
import { dialName, rangeName, slotName, wordsIn } from '@/ui/words/words';
import { useOjas, usePerson, useUnits } from '../hooks';
import { useEstimates, usePlan } from '../reckoned';
import { Ahead } from '../plan/Ahead';
import { poseName, poseTitle } from '../plan/words';
import { useWide } from '../shell/Shell';
import { NoStudent } from '../students/NoStudent';
import { StudentTabs } from '../students/StudentTabs';
import { BeforeAndNow } from './BeforeAndNow';
import { Charted } from './Charted';
import { Months } from './Months';

/** What changed over the weeks: ranges with their doubt, heights step by step, before and now. */
export function ProgressScreen({ id }: { readonly id: string }) {
  const person = usePerson(id);
  const record = useOjas((state) => selectRecord(state, id));
  const sessions = useOjas((state) => selectSessionsOf(state, id));
  const wide = useWide();
  if (!person || !record) return <NoStudent />;
  return (
    <Screen title={person.name} wide beside={<Print />}>
      <StudentTabs id={id} here="progress" />
      <Months person={person} record={record} sessions={sessions} />
      <View className={wide ? 'flex-row items-start gap-4' : 'gap-4'}>
        <View className={wide ? 'flex-1' : ''}>
          <Ranges person={person} record={record} />
        </View>
        <View className={wide ? 'flex-1' : ''}>
          <Poses person={person} record={record} sessions={sessions} />
        </View>
      </View>
    </Screen>
  );
}

interface OfRecord {
  readonly person: Person;
  readonly record: StudentRecord;
}

/** The range with the longest course. */
const mostRead = ({ readings }: StudentRecord): RangeId | undefined =>
  rangeIds.reduce<{ id?: RangeId; times: number }>(
    (most, id) => {
      const times = readings.filter(({ range }) => range === id).length;
      return times > most.times ? { id, times } : most;
    },
    { times: 0 },
  ).id;

/** Ranges that were read, each with its band, and left against right. */
function Ranges({ person, record }: OfRecord) {
  const read = rangeIds.filter((id) => record.readings.some(({ range }) => range === id));
  const [chosen, setChosen] = useState<RangeId | undefined>(mostRead(record));
  const here = chosen && read.includes(chosen) ? chosen : read[0];
  return (
    <Sheet role="region" aria-label="Ranges">
      <Title level={2}>Ranges</Title>
      {here ? (
        <>
          <Chips
            label="Which range"
            options={read.map((id) => ({ id, words: rangeName(id) }))}
            chosen={here}
            onChoose={setChosen}
            inOneRow
          />
          <OneRange key={here} person={person} record={record} range={here} />
        </>
      ) : (
        <Words>Nothing was read yet. Two readings on different days begin a course.</Words>
      )}
    </Sheet>
  );
}

const ONE_SIDE = ['left'] as const;
/** More readings than this are shown from their latest on: the course of years stays quick. */
const MOST_LOOKS = 60;

function OneRange({ person, record, range }: OfRecord & { readonly range: RangeId }) {
  const estimates = useEstimates(person.id) ?? {};
  const own = useMemo(
    () => ({
      ...record,
      readings: record.readings.filter((one) => one.range === range).slice(-2 * MOST_LOOKS),
    }),
    [record, range],
  );
  const parts = ranges[range].sided ? sides : ONE_SIDE;
  const courses = useMemo(
    () => parts.map((side) => ({ side, looks: looksAt(own, range, side).slice(-MOST_LOOKS) })),
    [own, range, parts],
  );
  const name = rangeName(range);
  const [left, right] = [estimates[keyOf(range, 'left')], estimates[keyOf(range, 'right')]];
  return (
    <View className="gap-4">
      {courses.map(({ side, looks }) => {
        const named = ranges[range].sided ? `${name}, ${side}` : name;
        const real = looks.filter(({ change }) => change !== null);
        return (
          <View key={side} className="gap-1">
            <Title level={3}>{named}</Title>
            {looks.length > 1 ? (
              <Charted name={`${person.name} ${named}`} rows={rangeRows(looks)}>
                <Course looks={looks} name={named} />
              </Charted>
            ) : (
              <Words>{looks.length === 0 ? 'Not read.' : 'Read once.'}</Words>
            )}
            {looks.length > 1 ? (
              <Words>
                {real.length === 0
                  ? 'No change beyond what chance explains.'
                  : real
                      .map(
                        ({ day, change }) =>
                          `${date(day)}: ${degrees(Math.abs(change?.deg ?? 0))} ${(change?.deg ?? 0) > 0 ? 'freer' : 'stiffer'}`,
                      )
                      .join('; ')}
              </Words>
            ) : null}
          </View>
        );
      })}
      {ranges[range].sided && left && right ? (
        <Words>
          <Words className="font-semibold">Left against right: </Words>
          {withDoubt(left.mean, left.sd)} and {withDoubt(right.mean, right.sd)},{' '}
          {Math.abs(left.mean - right.mean) > believableDifference(left.sd, right.sd, 0)
            ? `the ${left.mean > right.mean ? 'left' : 'right'} is freer by ${degrees(Math.abs(left.mean - right.mean))}.`
            : 'no difference beyond what chance explains.'}
        </Words>
      ) : null}
    </View>
  );
}

const rangeRows = (looks: readonly Look[]): string[][] => [
  ['Day', 'Read', 'Believed', 'Doubt', 'Real change'],
  ...looks.map(({ day, mean, level, change }) => [
    day,
    mean.toFixed(1),
    level.mean.toFixed(1),
    (1.2816 * level.sd).toFixed(1),
    change ? change.deg.toFixed(1) : '',
  ]),
];

interface OfSessions extends OfRecord {
  readonly sessions: readonly Session[];
}

/** As high as the courses of a pose are at least. */
const COURSES_PX = 400;

/** Every pose that was done, with its heights, settings, holds, and the figure before and now. */
function Poses({ person, record, sessions }: OfSessions) {
  const places = [
    ...new Map(
      sessions.flatMap(({ poses }) =>
        poses
          .filter(({ pose }) => poseById(pose))
          .map(({ pose, side }) => [`${pose}/${side}`, { pose, side }] as const),
      ),
    ),
  ];
  const [chosen, setChosen] = useState<string | undefined>(places[0]?.[0]);
  const place = places.find(([key]) => key === chosen)?.[1];
  return (
    <Sheet role="region" aria-label="Heights">
      <Title level={2}>Heights, settings and holds</Title>
      {places.length === 0 ? (
        <Words>No session yet. What is settled on at the mat is drawn here.</Words>
      ) : (
        <Chips
          label="Which pose"
          options={places.map(([key, one]) => ({ id: key, words: poseTitle(one) }))}
          chosen={chosen ?? null}
          onChoose={setChosen}
          inOneRow
        />
      )}
      {place ? (
        <WhenNear roomPx={COURSES_PX}>
          <OnePose key={chosen} {...{ person, record, sessions }} {...place} />
        </WhenNear>
      ) : null}
    </Sheet>
  );
}

interface OnePoseProps extends OfSessions {
  readonly pose: string;
  readonly side: SessionPose['side'];
}

function OnePose({ person, record, sessions, pose, side }: OnePoseProps) {
  const units = useUnits();
  const say = wordsIn(units);
  const times = timesOf(sessions, pose, side);
  const heights = heightCourses(times).map(({ key, steps }): Steps => ({
    name: slotName(slotRefOf(key)),
    steps,
    tried: triedIn(times, key),
  }));
  const settings = dialCourses(times);
  const title = poseTitle({ pose, side });
  return (
    <View className="gap-4">
      {heights.length > 0 ? (
        <Charted
          name={`${person.name} ${title} heights`}
          rows={stepRows(heights, (value) => length(value, units))}
        >
          <StepChart
            courses={heights}
            written={(value) => length(value, units)}
            words={`${title}, heights through time. ${heights.map((one) => courseWords(one, (value) => length(value, units))).join(' ')}`}
          />
          <Legend courses={heights} />
        </Charted>
      ) : (
        <Words>Nothing was ever laid underneath.</Words>
      )}
      {settings.map(({ key, steps }) => {
        const one: Steps = { name: dialName(key), steps };
        const written = (value: number) => say.dialValue(key, value);
        return (
          <Charted
            key={key}
            name={`${person.name} ${title} ${one.name}`}
            rows={stepRows([one], written)}
          >
            <Title level={3}>{one.name}</Title>
            <StepChart courses={[one]} written={written} words={courseWords(one, written)} />
          </Charted>
        );
      })}
      <Words>
        <Words className="font-semibold">Holds: </Words>
        {holdWords(times)}
      </Words>
      <StagesThroughTime pose={pose} times={times} />
      <BeforeAndNow {...{ person, record, pose, side, times }} />
      <Coming {...{ person, pose, side }} />
    </View>
  );
}

const courseWords = ({ name, steps }: Steps, written: (value: number) => string) =>
  `${name}: ${written(steps[0]?.value ?? 0)} on ${date(steps[0]?.at ?? '')}, ${written(steps.at(-1)?.value ?? 0)} on ${date(steps.at(-1)?.at ?? '')}.`;

const stepRows = (
  courses: readonly Steps[],
  written: (value: number) => string,
): readonly (readonly string[])[] => [
  ['Day', 'What', 'Stood at', 'Joint or stop'],
  ...courses.flatMap(({ name, steps }) =>
    steps.map(({ at, value, warned }) => [at, name, written(value), warned ? 'yes' : '']),
  ),
  ...courses.flatMap(({ name, tried = [] }) =>
    tried.map(({ at, value, word }) => [
      at,
      `${name}, tried`,
      written(value),
      word ? 'a word' : 'quiet',
    ]),
  ),
];

const Legend = ({ courses }: { readonly courses: readonly Steps[] }) => (
  <View className="flex-row flex-wrap gap-x-4">
    {courses.map(({ name }, i) => (
      <Aside key={name}>
        {lookOf(i).sign} {name}
      </Aside>
    ))}
    {courses.some(({ steps }) => steps.some(({ warned }) => warned)) ? (
      <Aside>▲ a joint spoke, or it was stopped</Aside>
    ) : null}
    {courses.some(({ tried = [] }) => tried.length > 0) ? (
      <Aside>● tried and quiet, × tried and it spoke</Aside>
    ) : null}
  </View>
);

function holdWords(times: readonly Time[]): string {
  const [first, last] = [times[0], times.at(-1)];
  if (!first || !last) return 'none yet.';
  return times.length === 1
    ? `${minutes(first.outcome.heldSeconds)} once.`
    : `${minutes(first.outcome.heldSeconds)} at first, ${minutes(last.outcome.heldSeconds)} the last time, over ${times.length} times.`;
}

/** What the heights of the pose may become; that nothing can be told yet is said. */
function Coming({ person, pose, side }: Pick<OnePoseProps, 'person' | 'pose' | 'side'>) {
  const units = useUnits();
  const shelf = useOjas(selectShelf);
  const plan = usePlan(person.id, [pose]);
  const estimates = useEstimates(person.id);
  const planned = plan?.poses.find((one) => one.pose === pose && one.side === side);
  if (!planned?.posture || !estimates) return null;
  return <Ahead {...{ planned, person, estimates, shelf, units }} />;
}

/** The stages that a pose went through, drawn and told: where a head rests is how far a fold has come. */
function StagesThroughTime({
  pose,
  times,
}: {
  readonly pose: string;
  readonly times: readonly Time[];
}) {
  const stood = times.flatMap(({ at, outcome }) => {
    const stage = stageNameOf(pose, outcome.stage);
    return stage === null ? [] : [{ at, stage }];
  });
  if (stood.length === 0) return null;
  const title = `Stages of ${poseName(pose).toLowerCase()}`;
  const own = (poseById(pose)?.stages ?? []).map(({ name }) => name);
  const others = stood.map(({ stage }) => stage).filter((stage) => !own.includes(stage));
  const stages = [...new Set([...others, ...own])];
  const changes = stood.filter(({ stage }, i) => stage !== stood[i - 1]?.stage);
  const told = changes.map(({ at, stage }) => `${date(at)}: ${stage}`);
  return (
    <View>
      <Title level={3}>{title}</Title>
      {stages.length > 1 ? (
        <StageChart stages={stages} times={stood} words={`${title}. ${told.join('. ')}.`} />
      ) : null}
      {told.map((words) => (
        <Words key={words}>{words}</Words>
      ))}
    </View>
  );
}
