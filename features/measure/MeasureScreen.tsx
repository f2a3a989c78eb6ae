import { Link } from 'expo-router';
import { useEffect, useMemo, useRef, useState } from 'react';
import { View, type View as ViewType } from 'react-native';
import { contextOf, type Estimates } from '@/core/estimate/estimate';
import type { Person, Reading } from '@/core/formats/book';
import type { Plan } from '@/core/formats/plan';
import { visitSteps } from '@/core/advise/visit';
import { Excursion } from '@/core/measure/excursion';
import { freerWay } from '@/core/measure/shown';
import { type RangeId, type Side } from '@/core/ranges/ranges';
import { editFields, type FactRef } from '@/store/facts';
import {
  rangeClosed,
  rangeOpened,
  rangePassed,
  visitBegan,
  visitEnded,
  type Measuring,
} from '@/store/measuring';
import type { MethodId } from '@/core/protocols/protocols';
import { selectMethod, selectRecord } from '@/store/selectors';
import { commit, recordNow } from '@/store/store';
import { decidesWords } from '@/ui/decides';
import { Press } from '@/ui/Press';
import { Screen } from '@/ui/Screen';
import { Sheet } from '@/ui/Sheet';
import { Title, Words } from '@/ui/Words';
import { useOjas, useOjasDispatch, usePerson, useUnits } from '../hooks';
import { useEstimates, usePlan } from '../reckoned';
import { NoStudent } from '../students/NoStudent';
import { StudentTabs } from '../students/StudentTabs';
import { Entry } from './Entry';
import { useEntry, wayOrFirst, type EntryWork } from './useEntry';
import { History } from './History';
import { Overview } from './Overview';
import { Dial } from './tilt/sources';
import { TiltFoot, usualHabits, type TiltHabits } from './tilt/TiltReading';
import { useTilt } from './tilt/useTilt';
import { rangeName } from '@/ui/words/words';

/** Measuring one student: a led visit, or one range after another. */
export function MeasureScreen({ id }: { readonly id: string }) {
  const person = usePerson(id);
  const estimates = useEstimates(id);
  const plan = usePlan(id);
  return person && estimates && plan ? (
    <Measure person={person} estimates={estimates} plan={plan} />
  ) : (
    <NoStudent />
  );
}

interface MeasureProps {
  readonly person: Person;
  readonly estimates: Estimates;
  readonly plan: Plan;
}

function Measure({ person, estimates, plan }: MeasureProps) {
  const { id } = person;
  const now = useOjas((state) => state.measuring.now);
  const measuring: Measuring | null = now?.person === id ? now : null;
  const dispatch = useOjasDispatch();
  const units = useUnits();
  const tilt = useTilt();
  const [dial] = useState(() => new Dial());
  const [habits, setHabits] = useState(usualHabits);
  const visit = measuring?.visit ?? null;
  const method = useOjas(selectMethod);
  const work = useEntry(
    person,
    measuring?.entry ?? null,
    method,
    estimates,
    habits,
    visit !== null,
  );

  const open = (range: RangeId, side: Side) =>
    void dispatch(
      rangeOpened({
        person: id,
        range,
        side,
        protocol: wayOrFirst(range, side, method, person)?.id ?? '',
      }),
    );
  const steps = useVisit(person, plan, measuring, method);
  const goingOn = useGoingOn(work ? `${work.entry.range}/${work.entry.side}` : null);
  useForgetting(measuring);
  return (
    <Screen
      title={person.name}
      wide
      foot={<Foot id={id} work={work} tilt={tilt} habits={habits} />}
    >
      <StudentTabs id={id} here="measure" />
      {visit ? (
        <VisitBar
          visit={visit}
          steps={steps}
          entry={measuring?.entry ?? null}
          onPass={(range) => void dispatch(rangePassed(range))}
          onLeave={() => void dispatch(visitEnded())}
        />
      ) : null}
      {work ? (
        <>
          {visit ? null : <Press onPress={() => void dispatch(rangeClosed())}>All ranges</Press>}
          <Entry
            work={work}
            person={person}
            estimates={estimates}
            tilt={tilt}
            dial={dial}
            habits={habits}
            onHabits={setHabits}
            {...goingOn}
            otherSideNext={visit ? leadsOver(steps, work.entry) : work.range.sided}
          />
          <Past
            person={person}
            estimates={estimates}
            range={work.entry.range}
            side={work.entry.side}
          />
        </>
      ) : visit ? null : (
        <Overview
          person={person}
          plan={plan}
          estimates={estimates}
          units={units}
          onVisit={(kind) => void dispatch(visitBegan({ person: id, kind }))}
          onPick={open}
        />
      )}
    </Screen>
  );
}

/** Whether what is left of a visit has the other side of what is read now. */
const leadsOver = (steps: ReturnType<typeof useVisit>, { range, side }: EntryWork['entry']) =>
  steps.some((step) => step.range === range && step.sides.some((one) => one !== side));

/** What is left of a visit; it opens by itself what comes next, and ends with its summary when nothing is left. */
function useVisit(person: Person, plan: Plan, measuring: Measuring | null, method: MethodId) {
  const dispatch = useOjasDispatch();
  const { id } = person;
  const visit = measuring?.visit ?? null;
  const steps = useMemo(
    () => (visit ? visitSteps(visit.kind, plan, visit.done, visit.passed) : []),
    [visit, plan],
  );
  const next = visit && !measuring?.entry ? steps[0] : undefined;
  const nextSide: Side = next?.sides[0] === 'right' ? 'right' : 'left';
  const nextWay = next && wayOrFirst(next.range, nextSide, method, person)?.id;
  useEffect(() => {
    if (next && nextWay)
      dispatch(rangeOpened({ person: id, range: next.range, side: nextSide, protocol: nextWay }));
  }, [next, nextSide, nextWay, id, dispatch]);
  return steps;
}

/**
 * Goes to the top where another range or side is read than before, so that nobody reads a knee as a hamstring, and tells
 * that it did.
 *
 * @param what is read now; null between one and the next.
 */
function useGoingOn(what: string | null) {
  const top = useRef<ViewType>(null);
  const [at, setAt] = useState({ what, went: false });
  if (what !== null && at.what !== what) setAt({ what, went: at.what !== null });
  const { went } = at;
  useEffect(() => {
    const heading = top.current as unknown as HTMLElement | null;
    if (!went || what === null) return;
    heading?.scrollIntoView?.({ block: 'start' });
    heading?.focus?.({ preventScroll: true });
  }, [what, went]);
  return { top, went };
}

/** What was opened and never begun is not gone on with when one comes back. */
function useForgetting(measuring: Measuring | null) {
  const dispatch = useOjasDispatch();
  const idle = useRef(
    measuring?.entry !== null && measuring?.visit == null && measuring?.entry?.values.length === 0,
  );
  useEffect(() => {
    if (idle.current) dispatch(rangeClosed());
    idle.current = false;
  }, [dispatch]);
}

interface FootProps {
  readonly id: string;
  readonly work: EntryWork | null;
  readonly tilt: ReturnType<typeof useTilt>;
  readonly habits: TiltHabits;
}

/** Follows one way of reading through both sides, from each new zero on; none where nothing is raised and brought back. */
function useExcursion(work: EntryWork | null, zeroed: unknown): Excursion | null {
  const way = work?.way;
  const freer = work ? freerWay(work.protocol, work.context) : 1;
  return useMemo(
    () =>
      zeroed === null || !way || way.isHeld || way.places.length > 1
        ? null
        : new Excursion(freer, way),
    [way, freer, zeroed],
  );
}

/** The way on; while a phone reads, what it shows. */
function Foot({ id, work, tilt, habits }: FootProps) {
  const excursion = useExcursion(work, tilt.zeroed);
  if (!work?.way || !tilt.running || work.caution.leftOut)
    return (
      <Link href={`/students/${id}/plan`} asChild>
        <Press kind={work ? 'plain' : 'main'}>See the plan</Press>
      </Link>
    );
  const { entry, range, protocol } = work;
  return (
    <TiltFoot
      key={`${protocol.id}${entry.side}`}
      tilt={tilt}
      way={work.way}
      habits={habits}
      who={range.sided ? (entry.side === 'left' ? 'Left' : 'Right') : ''}
      excursion={excursion}
      canBeMeant={work.canBeMeant}
      onTaken={(value) => void work.take(value)}
    />
  );
}

interface VisitBarProps {
  readonly visit: NonNullable<Measuring['visit']>;
  readonly steps: ReturnType<typeof visitSteps>;
  readonly entry: Measuring['entry'];
  readonly onPass: (range: RangeId) => void;
  readonly onLeave: () => void;
}

/** Where a visit stands, and the ways on and out. */
function VisitBar({ visit, steps, entry, onPass, onLeave }: VisitBarProps) {
  const name = visit.kind === 'first' ? 'Visit' : 'Re-check';
  if (!entry) {
    if (steps.length > 0) return null;
    return (
      <Sheet>
        <Title level={2}>{name} done</Title>
        <Words role="status">
          {visit.done.length === 0
            ? 'Nothing was read.'
            : `Read: ${visit.done.map((one) => rangeName(one).toLowerCase()).join(', ')}.`}
          {visit.passed.length > 0
            ? ` Passed over: ${visit.passed.map((one) => rangeName(one).toLowerCase()).join(', ')}.`
            : ''}
        </Words>
        <Press onPress={onLeave}>All ranges</Press>
      </Sheet>
    );
  }
  const here = steps.find(({ range }) => range === entry.range);
  const passedBy = new Set([...visit.done, ...visit.passed].filter((one) => one !== entry.range))
    .size;
  return (
    <View className="flex-row flex-wrap items-center justify-between gap-2 border-l-4 border-thread pl-3">
      <Words role="status" className="shrink">
        {name}: {passedBy + 1} of {passedBy + Math.max(1, steps.length)}
        {here ? ` · ${decidesWords(here.decides)}` : ''}
      </Words>
      <View className="flex-row flex-wrap gap-2">
        <Press onPress={() => onPass(entry.range)}>Skip</Press>
        <Press kind="quiet" onPress={onLeave}>
          Stop here
        </Press>
      </View>
    </View>
  );
}

/** What was read of a range before, to be looked at and put right. */
function Past({
  person,
  estimates,
  range,
  side,
}: {
  readonly person: Person;
  readonly estimates: Estimates;
  readonly range: RangeId;
  readonly side: Side;
}) {
  const record = useOjas((state) => selectRecord(state, person.id));
  const pictures = useOjas((state) => state.pictures);
  const dispatch = useOjasDispatch();
  const name = rangeName(range).toLowerCase();
  const change = async (before: Reading, after: Reading) => {
    const outcome = await dispatch(
      commit({
        words: `Reading of ${name} changed`,
        put: [],
        edit: [editFields('readings', before, after)],
        remove: [],
      }),
    );
    return outcome.ok
      ? null
      : { refused: outcome.words, now: dispatch(recordNow('readings', before.id)) ?? before };
  };
  const remove = (reading: Reading) => {
    const picture: FactRef[] = pictures[reading.id] ? [{ kind: 'pictures', id: reading.id }] : [];
    void dispatch(
      commit({
        words: `Reading of ${name} removed`,
        put: [],
        remove: [{ kind: 'readings', id: reading.id }, ...picture],
      }),
    );
  };
  return (
    record && (
      <History
        record={record}
        range={range}
        side={side}
        pictures={pictures}
        context={contextOf(record.person, estimates)}
        onChange={change}
        onRemove={remove}
      />
    )
  );
}
