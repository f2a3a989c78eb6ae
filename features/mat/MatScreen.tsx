import { Link, useRouter } from 'expo-router';
import { useState } from 'react';
import { View } from 'react-native';
import type { PlanPose } from '@/core/formats/plan';
import { practisedPoses } from '@/core/plan/practised';
import { poseById, posesIn, type Pose } from '@/core/poses/poses';
import { dayIds, type Day } from '@/core/adapt/decide';
import { daySaid, matCleared, matStarted } from '@/store/mat';
import { selectDay, selectSessionsOf } from '@/store/selectors';
import { Chips, Press, Tick } from '@/ui/Press';
import { Screen } from '@/ui/Screen';
import { Sheet } from '@/ui/Sheet';
import { Title, Words } from '@/ui/Words';
import { minutes } from '@/ui/format';
import { nowIso, todayIso, useOjas, useOjasDispatch, usePerson, usePlan, useWords } from '../hooks';
import { ActionMark } from '../plan/ActionMark';
import { groupNames, poseGroups, poseTitle, statusWords } from '../plan/words';
import { StudentTabs } from '../students/StudentTabs';
import { PoseOnMat } from './PoseOnMat';
import { doable, endSession, matKey } from './session';
import { NoStudent } from '../students/NoStudent';

/** The session: which poses, then one pose at a time. */
export function MatScreen({ id }: { readonly id: string }) {
  const person = usePerson(id);
  const mat = useOjas((state) => state.mat.now);
  const plan = usePlan(
    id,
    mat?.person === id ? mat.poses.map((key) => key.split('/')[0] as string) : [],
  );
  const day = useOjas((state) => selectDay(state, id, todayIso()));
  const dispatch = useOjasDispatch();
  const router = useRouter();
  const other = usePerson(mat?.person ?? '');
  if (!person || !plan) return <NoStudent />;
  if (mat && mat.person !== id) {
    return (
      <Screen title={person.name}>
        <StudentTabs id={id} here="mat" />
        <Sheet>
          <Words>
            {other?.name ?? 'Somebody'} is still on the mat. Finish that session first, or leave it.
          </Words>
          <Link href={`/students/${mat.person}/mat`} asChild>
            <Press kind="main">Back to {other?.name ?? 'that session'}</Press>
          </Link>
          <Press onPress={() => dispatch(endSession())}>End it and keep what was done</Press>
          <Press kind="warn" onPress={() => dispatch(matCleared())}>
            Drop it
          </Press>
        </Sheet>
      </Screen>
    );
  }
  if (!mat)
    return (
      <Choose
        id={id}
        name={person.name}
        day={day}
        onDay={(said) => dispatch(daySaid({ person: id, on: todayIso(), day: said }))}
        onStart={(poses) => dispatch(matStarted({ person: id, poses, at: nowIso(), day }))}
      />
    );
  const key = mat.poses[mat.at];
  const planned = plan.poses.find((one) => matKey(one) === key);
  if (!planned) {
    return (
      <Screen title={person.name}>
        <StudentTabs id={id} here="mat" />
        <Words>Every pose of this session is done.</Words>
        <Press
          kind="main"
          onPress={() =>
            dispatch(endSession()).then(
              (outcome) => outcome.ok && router.replace(`/students/${id}/record`),
            )
          }
        >
          Record the session
        </Press>
      </Screen>
    );
  }
  return (
    <PoseOnMat
      key={key}
      person={person}
      planned={planned}
      mat={mat}
      onEnded={() => router.replace(`/students/${id}/record`)}
    />
  );
}

const dayWords: Readonly<Record<Day, string>> = {
  usual: 'As usual',
  cold: 'Cold',
  tired: 'Tired',
  sore: 'Sore',
};

interface ChooseProps {
  readonly id: string;
  readonly name: string;
  readonly day: Day;
  readonly onDay: (day: Day) => void;
  readonly onStart: (poses: string[]) => void;
}

function Choose({ id, name, day, onDay, onStart }: ChooseProps) {
  const say = useWords();
  const sessions = useOjas((state) => selectSessionsOf(state, id));
  const practised = practisedPoses(sessions);
  const [more, setMore] = useState<Pose['group'] | null>(null);
  // Poses added from a group stay when another group is opened.
  const [looked, setLooked] = useState<readonly string[]>([]);
  const plan = usePlan(id, looked);
  const doableNow = plan ? doable(plan) : [];
  const can = doableNow.map(matKey);
  const [chosen, setChosen] = useState<readonly string[]>(
    doableNow.filter(({ pose }) => practised.has(pose)).map(matKey),
  );
  if (!plan) return <NoStudent />;
  const open = (group: Pose['group']) => {
    setMore(group === more ? null : group);
    setLooked([...new Set([...looked, ...posesIn(group)])]);
  };
  const seconds = plan.poses
    .filter((one) => chosen.includes(matKey(one)))
    .reduce((sum, one) => sum + one.holdSeconds, 0);
  const toggle = (key: string) =>
    setChosen(
      chosen.includes(key)
        ? chosen.filter((one) => one !== key)
        : can.filter((one) => one === key || chosen.includes(one)),
    );
  const line = (planned: PlanPose) => {
    const key = matKey(planned);
    return (
      <Sheet key={key}>
        <View className="flex-row flex-wrap items-center justify-between gap-2">
          {can.includes(key) ? (
            <Tick checked={chosen.includes(key)} onToggle={() => toggle(key)}>
              {poseTitle(planned)}
            </Tick>
          ) : (
            <Title level={3}>{poseTitle(planned)}</Title>
          )}
          {can.includes(key) ? (
            <ActionMark word={planned.decision.word} />
          ) : (
            <Words className="text-rust">
              {statusWords[planned.status] || 'Leave it out today'}
            </Words>
          )}
        </View>
        {can.includes(key)
          ? null
          : planned.reasons.map((reason) => {
              const words = say.reason(reason);
              return <Words key={words}>{words}</Words>;
            })}
      </Sheet>
    );
  };
  return (
    <Screen
      title={name}
      foot={
        <Press
          kind="main"
          disabled={chosen.length === 0}
          onPress={() => onStart([...chosen])}
        >{`Begin: ${chosen.length} ${chosen.length === 1 ? 'pose' : 'poses'}, ${minutes(seconds)} of holding`}</Press>
      }
    >
      <StudentTabs id={id} here="mat" />
      <View className="gap-1">
        <Words className="font-semibold">How does {name.split(' ')[0]} come today?</Words>
        <Chips
          label="How today is"
          options={dayIds.map((one) => ({ id: one, words: dayWords[one] }))}
          chosen={day}
          onChoose={onDay}
        />
      </View>
      <Words>
        What will be done today? A pose that its cautions forbid, or that rests, is not on offer.
      </Words>
      {plan.poses
        .filter(
          (planned) =>
            practised.has(planned.pose) ||
            (chosen.includes(matKey(planned)) && poseById(planned.pose)?.group !== more),
        )
        .map(line)}
      <Title level={2}>Add other poses</Title>
      <Chips
        label="Add other poses"
        options={poseGroups.map((group) => ({ id: group, words: groupNames[group] }))}
        chosen={more}
        onChoose={open}
      />
      {more
        ? plan.poses
            .filter(({ pose }) => poseById(pose)?.group === more && !practised.has(pose))
            .map(line)
        : null}
    </Screen>
  );
}
