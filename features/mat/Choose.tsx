import { firstName } from '@/ui/firstName';
import { Link } from 'expo-router';
import { useState } from 'react';
import { View } from 'react-native';
import { recordIn } from '@/core/recordIn';
import type { Day } from '@/core/learn/decide';
import type { Person } from '@/core/formats/book';
import type { Plan, PlanPose } from '@/core/formats/plan';
import {
  adviceOn,
  fetchedFor,
  movedLeast,
  movesOf,
  oneSeatFor,
  placesOf,
  poseIdAt,
  withAdvice,
  type OneSeat,
  type OrderAdvice,
  placeKey,
} from '@/core/advise/order';
import { mendOrder } from '@/core/advise/mendOrder';
import { practisedPoses } from '@/core/plan/practised';
import { inPoseOf } from '@/core/build/solve';
import { poseById, posesIn, type Pose } from '@/core/poses/poses';
import { shippedSequences } from '@/core/poses/sequences';
import { stackWords } from '@/core/props/stack';
import type { Settled } from '@/store/mat';
import { selectSessionsOf, selectSettings, selectShelf } from '@/store/selectors';
import { length, minutes } from '@/ui/format';
import { Chips, Press, Tick } from '@/ui/Press';
import { Screen } from '@/ui/Screen';
import { Sheet } from '@/ui/Sheet';
import { Aside, Title, Words } from '@/ui/Words';
import { freshId, useOjas, useUnits, useWords } from '../hooks';
import { useEstimates, usePlan } from '../reckoned';
import { ActionMark } from '../plan/ActionMark';
import { days } from '../plan/felt';
import { AskNextDay } from '../plan/NextDay';
import { groupNames, poseGroups, poseName, poseTitle, statusWords } from '../plan/words';
import { LeftOnMats } from '../shell/LeftOnMats';
import { StudentTabs } from '../students/StudentTabs';
import { GiveToOthers, KeepSequence, LaidOut } from './Keep';
import { Mats } from './Mats';
import { adviceWords, amissWords, mendWords, settledOn } from './order';
import { OrderList, type Row } from './OrderList';
import { doable } from './session';

interface ChooseProps {
  readonly person: Person;
  readonly day: Day;
  readonly onDay: (day: Day) => void;
  readonly onStart: (poses: string[], settled: Record<string, Settled[]>) => void;
}

const PRACTISED = 'practised';
const LAID = 'laid';
const rowFor = (key: string): Row => ({ id: freshId('row'), key, on: true });

/** What is done today: a sequence or what is practised, its order, and what that order asks for. */
export function Choose({ person, day, onDay, onStart }: ChooseProps) {
  const { id, name } = person;
  const sessions = useOjas((state) => selectSessionsOf(state, id));
  const practised = practisedPoses(sessions);
  const own = useOjas(selectSettings).sequences ?? [];
  const estimates = useEstimates(id);
  const shelf = useOjas(selectShelf);
  // Poses that were looked at stay when another group is opened.
  const [looked, setLooked] = useState<readonly string[]>([]);
  const usual = usePlan(id);
  const laid = useOjas(({ mat }) => recordIn(mat.laid, id));
  const someoneElse = useOjas(({ mat }) => mat.now !== null || Object.keys(mat.parked).length > 0);
  const [rows, setRows] = useState<readonly Row[]>(() =>
    (usual ? doable(usual) : [])
      .filter(({ pose }) => practised.has(pose))
      .map((one) => rowFor(placeKey(one))),
  );
  /** A sequence whose poses are being planned. */
  const [coming, setComing] = useState<readonly string[] | null>(laid?.order ?? null);
  const plan = usePlan(id, [...new Set([...looked, ...(coming ?? []), ...aroundOf(rows)])]);
  const offered = plan ? doable(plan) : [];
  const planOf = (key: string) => offered.find((one) => placeKey(one) === key);
  const [sequence, setSequence] = useState<string>(laid?.order ? LAID : PRACTISED);
  const [oneSeat, setOneSeat] = useState(false);
  const look = (poses: readonly string[]) => setLooked([...new Set([...looked, ...poses])]);
  if (coming && plan) {
    look(coming);
    setRows(placesOf(coming, offered).map(rowFor));
    setComing(null);
  }
  if (!plan || !estimates) return null;

  const posesOf = (chosen: string) =>
    chosen === LAID ? (laid?.order ?? []) : sequencePoses(chosen, own, practised);
  const chooseSequence = (chosen: string) => {
    setSequence(chosen);
    const poses = posesOf(chosen);
    look(poses);
    setComing(poses);
  };
  const order = rows.filter(({ on, key }) => on && planOf(key)).map(({ key }) => key);
  const planned = order.map((key) => planOf(key) as PlanPose);
  const seconds = planned.reduce((sum, one) => sum + one.holdSeconds, 0);
  const seat = oneSeatFor(planned, (one) => inPoseOf(person, one, shelf));
  const toggle = (key: string) =>
    setRows(
      rows.some((row) => row.on && row.key === key)
        ? rows.filter((row) => row.key !== key)
        : [...rows.filter((row) => row.key !== key), rowFor(key)],
    );
  return (
    <Screen
      title={name}
      foot={
        <Press
          kind="main"
          disabled={planned.length === 0}
          onPress={() =>
            onStart(
              order,
              oneSeat && seat ? settledOn(seat, planned, person, estimates, shelf) : {},
            )
          }
        >{`Begin: ${planned.length} ${planned.length === 1 ? 'pose' : 'poses'}, ${minutes(seconds)} of holding`}</Press>
      }
    >
      <StudentTabs id={id} here="mat" />
      <LeftOnMats of={id} />
      {someoneElse ? <Mats id={id} /> : null}
      <AskNextDay session={sessions.at(-1)} />
      <View className="gap-1">
        <Words className="font-semibold">How does {firstName(name)} come today?</Words>
        <Chips label="How today is" options={days} chosen={day} onChoose={onDay} />
      </View>
      <Link href={`/students/${id}/lesson` as '/students'} asChild>
        <Press>Lead a whole lesson</Press>
      </Link>
      <Chips
        label="Sequence"
        options={[
          ...(laid?.order ? [{ id: LAID, words: 'As laid out' }] : []),
          { id: PRACTISED, words: 'As practised' },
          ...[...own, ...shippedSequences].map((one) => ({ id: one.id, words: one.name })),
        ]}
        chosen={sequence}
        onChoose={chooseSequence}
        inOneRow
      />
      <OrderList
        rows={rows.filter(({ key }) => planOf(key))}
        planOf={planOf}
        onChange={setRows}
        onAgain={({ key }) => setRows([...rows, rowFor(key)])}
      />
      <LaidOut person={id} laid={laid} />
      <LeftOut plan={plan} poses={posesOf(sequence)} />
      {planned.length > 1 ? (
        <AsksFor
          {...{ offered, planned, seat, oneSeat }}
          onOneSeat={() => setOneSeat(!oneSeat)}
          onReorder={(keys) => setRows(reordered(rows, keys))}
        />
      ) : null}
      <AddOthers
        {...{ plan, rows, practised }}
        onOpen={(group) => look(posesIn(group))}
        onToggle={toggle}
      />
      <KeepSequence poses={planned.map(({ pose }) => pose)} />
      <GiveToOthers person={id} poses={planned.map(({ pose }) => pose)} />
    </Screen>
  );
}

interface AddOthersProps {
  readonly plan: Plan;
  readonly rows: readonly Row[];
  readonly practised: ReadonlySet<string>;
  readonly onOpen: (group: Pose['group']) => void;
  readonly onToggle: (key: string) => void;
}

/** Poses that are not practised yet, by their groups. */
function AddOthers({ plan, rows, practised, onOpen, onToggle }: AddOthersProps) {
  const [more, setMore] = useState<Pose['group'] | null>(null);
  return (
    <>
      <Title level={2}>Add other poses</Title>
      <Chips
        label="Add other poses"
        options={poseGroups.map((group) => ({ id: group, words: groupNames[group] }))}
        chosen={more}
        onChoose={(group) => {
          setMore(group === more ? null : group);
          onOpen(group);
        }}
      />
      {more ? (
        <Sheet>
          {doable(plan)
            .filter(({ pose }) => poseById(pose)?.group === more && !practised.has(pose))
            .map((one) => (
              <View key={placeKey(one)} className="flex-row flex-wrap items-center justify-between">
                <Tick
                  checked={rows.some(({ key, on }) => on && key === placeKey(one))}
                  onToggle={() => onToggle(placeKey(one))}
                >
                  {poseTitle(one)}
                </Tick>
                <ActionMark word={one.decision.word} />
              </View>
            ))}
        </Sheet>
      ) : null}
      {more ? <LeftOut plan={plan} poses={posesIn(more)} /> : null}
    </>
  );
}

/** What warms the poses of an order and what takes them back, so that it can be proposed. */
const aroundOf = (rows: readonly Row[]): readonly string[] =>
  rows.flatMap(({ key }) => {
    const pose = poseById(poseIdAt(key));
    return pose ? [...pose.warmUps, ...pose.counterposes] : [];
  });

/** Rows in the order of these places; what is not among them stays unticked at the end. */
function reordered(rows: readonly Row[], keys: readonly string[]): Row[] {
  const left = [...rows];
  const taken = keys.map((key) => {
    const at = left.findIndex((row) => row.on && row.key === key);
    return at < 0 ? rowFor(key) : (left.splice(at, 1)[0] as Row);
  });
  return [...taken, ...left.map((row) => ({ ...row, on: false }))];
}

const sequencePoses = (
  chosen: string,
  own: readonly { readonly id: string; readonly poses: readonly string[] }[],
  practised: ReadonlySet<string>,
): readonly string[] =>
  [...own, ...shippedSequences].find(({ id }) => id === chosen)?.poses ?? [...practised];

/** Poses that cannot be done today, each with its reason. */
function LeftOut({ plan, poses }: { readonly plan: Plan; readonly poses: readonly string[] }) {
  const say = useWords();
  const can = new Set(doable(plan).map(placeKey));
  const left = plan.poses.filter((one) => poses.includes(one.pose) && !can.has(placeKey(one)));
  if (left.length === 0) return null;
  return (
    <Sheet>
      <Title level={3}>Not today</Title>
      {left.map((one) => (
        <View key={placeKey(one)} className="gap-0.5">
          <Words className="font-semibold">
            {poseTitle(one)}
            {': '}
            <Words className="text-rust">{statusWords[one.status] || 'Leave it out today'}</Words>
          </Words>
          {one.reasons.map((reason) => {
            const words = say.reason(reason);
            return <Words key={words}>{words}</Words>;
          })}
        </View>
      ))}
    </Sheet>
  );
}

/** Setting up a pose takes about so long, in seconds. */
const SETTING_UP = 45;

interface AsksForProps {
  readonly offered: readonly PlanPose[];
  readonly planned: readonly PlanPose[];
  readonly seat: OneSeat | null;
  readonly oneSeat: boolean;
  readonly onOneSeat: () => void;
  readonly onReorder: (keys: readonly string[]) => void;
}

/** Time, fetching, one seat, and what would be better. */
function AsksFor({ offered, planned, seat, oneSeat, onOneSeat, onReorder }: AsksForProps) {
  const shelf = useOjas(selectShelf);
  const units = useUnits();
  const order = planned.map(placeKey);
  const advice = adviceOn(order, new Set(offered.map(({ pose }) => pose)));
  const moves = movesOf(planned);
  const least = movedLeast(planned);
  const whole = planned.reduce((sum, one) => sum + one.holdSeconds + SETTING_UP, 0);
  const fetched = [...fetchedFor(planned)].flatMap(([id, count]) => {
    const item = shelf.find((one) => one.id === id);
    return item ? `${count} ${item.name.toLowerCase()}` : [];
  });
  return (
    <Sheet role="region" aria-label="What this order asks for">
      <Title level={2}>What this order asks for</Title>
      <Words>
        About {Math.round(whole / 60)} minutes with setting up.{' '}
        {fetched.length > 0 ? `Fetch ${fetched.join(', ')}. ` : ''}
        {moves} {moves === 1 ? 'piece is' : 'pieces are'} carried or refolded in all.
      </Words>
      {movesOf(least) < moves ? (
        <Press onPress={() => onReorder(least.map(placeKey))}>
          {`Order that moves ${moves - movesOf(least)} fewer`}
        </Press>
      ) : null}
      {seat ? (
        <View className="gap-1">
          <Press aria-pressed={oneSeat} onPress={onOneSeat}>
            {oneSeat
              ? `One seat throughout, ${length(seat.stack.heightCm, units)}: taken`
              : `One seat throughout: ${length(seat.stack.heightCm, units)}`}
          </Press>
          <Aside>
            {stackWords(seat.stack.pieces, shelf)}, for{' '}
            {[...new Set(seat.places.map((key) => poseName(poseIdAt(key))))].join(', ')}.
          </Aside>
        </View>
      ) : null}
      <Amiss advice={advice} order={order} offered={offered} onReorder={onReorder} />
    </Sheet>
  );
}

interface AmissProps extends Pick<AsksForProps, 'offered' | 'onReorder'> {
  readonly advice: readonly OrderAdvice[];
  readonly order: readonly string[];
}

/** What is amiss in the order in one sentence, mended by one tap; each by itself where that is wanted. */
function Amiss({ advice, order, offered, onReorder }: AmissProps) {
  const [open, setOpen] = useState(false);
  const [only] = advice;
  if (!only) return null;
  const mended = mendOrder(order, offered);
  const single = advice.length === 1;
  return (
    <View className="gap-2">
      <Words>{single ? adviceWords(only).words : amissWords(advice)}</Words>
      <Press onPress={() => onReorder(mended.keys)}>{mendWords(mended)}</Press>
      {single ? null : (
        <Press kind="quiet" aria-expanded={open} onPress={() => setOpen(!open)}>
          One by one
        </Press>
      )}
      {open && !single
        ? advice.map((one) => {
            const { words, does } = adviceWords(one);
            return (
              <View key={words} className="gap-1">
                <Words>{words}</Words>
                <Press onPress={() => onReorder(withAdvice(order, one, offered))}>{does}</Press>
              </View>
            );
          })
        : null}
    </View>
  );
}
