import { useState } from 'react';
import { View } from 'react-native';
import { placeKey } from '@/core/advise/order';
import { timesOf } from '@/core/advise/progress';
import { recordIn } from '@/core/recordIn';
import type { FeltPlace, Person, SessionPose } from '@/core/formats/book';
import { wentWell } from '@/core/learn/decide';
import type { Led } from '@/store/led';
import { doneSaid, matOf, onMatOf, type Mat } from '@/store/mat';
import { selectSessionsOf } from '@/store/selectors';
import { minutes } from '@/ui/format';
import { Chips, Press, Tick } from '@/ui/Press';
import { Screen } from '@/ui/Screen';
import { Sheet } from '@/ui/Sheet';
import { Aside, Title, Words } from '@/ui/Words';
import { useOjasDispatch, useOjasList } from '../hooks';
import { useWayOn } from '../useWayOn';
import { places, strengths } from '../plan/felt';
import { Compared } from '../plan/Compared';
import { poseTitle } from '../plan/words';
import { plannedAt, recordLesson } from './lead';

interface AfterLessonProps {
  readonly led: Led;
  readonly people: readonly Person[];
}

/** What is said of a pose in one line; nothing where it was not asked or not answered. */
interface SaidOf {
  readonly place?: FeltPlace;
  readonly strength?: number;
}

/** What of a lesson is known by its place on the mat. */
const rowKey = (person: string, i: number) => `${person} ${i}`;

/** Once all is led: how it was, in one sheet, where something was new or changed; then it is recorded. */
export function AfterLesson({ led, people }: AfterLessonProps) {
  const dispatch = useOjasDispatch();
  const wayOn = useWayOn();
  const mats = useOjasList((state) => people.map(({ id }) => matOf(state.mat, id)));
  const [said, setSaid] = useState<Readonly<Record<string, SaidOf>>>({});
  const [undone, setUndone] = useState<readonly string[]>([]);
  const [asBefore, setAsBefore] = useState(false);
  const histories = useOjasList((state) => people.map(({ id }) => selectSessionsOf(state, id)));
  const lastOf = (p: number, one: SessionPose) => {
    const last = timesOf(histories[p] ?? [], one.pose, one.side).at(-1)?.outcome;
    return last && wentWell(last) ? last.feeling : null;
  };
  const amended = (mat: Mat, p: number): Mat['done'] =>
    mat.done.flatMap((one, i) => {
      const key = rowKey(mat.person, i);
      if (undone.includes(key)) return [];
      const felt = said[key] ?? (asBefore ? lastOf(p, one) : null);
      return [felt ? { ...one, feeling: { ...one.feeling, ...felt } } : one];
    });
  const record = async () => {
    for (const [p, mat] of mats.entries())
      if (mat) dispatch(onMatOf(mat.person, doneSaid(amended(mat, p))));
    if (await dispatch(recordLesson())) wayOn(`/students/${people[0]?.id}/record`);
  };
  const count = mats.reduce((sum, mat) => sum + (mat?.done.length ?? 0), 0) - undone.length;
  return (
    <Screen
      title="How was it?"
      foot={
        <Press kind="main" onPress={record}>
          {count > 0
            ? `Record it: ${count} ${count === 1 ? 'hold' : 'holds'}`
            : 'Nothing to record: end'}
        </Press>
      }
    >
      <Aside>{led.lesson.name}. Untick what was not done after all.</Aside>
      {mats.map((mat, p) =>
        mat ? (
          <OfOne
            key={mat.person}
            mat={mat}
            name={people.length > 1 ? (people[p]?.name ?? null) : null}
            said={said}
            undone={undone}
            onSay={(key, more) => setSaid({ ...said, [key]: { ...said[key], ...more } })}
            onDone={(key) =>
              setUndone(
                undone.includes(key) ? undone.filter((one) => one !== key) : [...undone, key],
              )
            }
          />
        ) : null,
      )}
      {count > 0 ? (
        <Tick checked={asBefore} onToggle={() => setAsBefore(!asBefore)}>
          What I say nothing of was as good as last time
        </Tick>
      ) : null}
    </Screen>
  );
}

interface OfOneProps {
  readonly mat: Mat;
  readonly name: string | null;
  readonly said: Readonly<Record<string, SaidOf>>;
  readonly undone: readonly string[];
  readonly onSay: (key: string, more: SaidOf) => void;
  readonly onDone: (key: string) => void;
}

/** Whether a pose was new to somebody, or built otherwise than the last time. */
function useAsked(mat: Mat): readonly boolean[] {
  return useOjasList((state) =>
    mat.done.map((one) => {
      const planned = plannedAt(state, mat.person, placeKey(one));
      return (
        one.stop === undefined &&
        one.feeling.strength === undefined &&
        (planned?.decision.action !== 'keep' || (one.changes ?? []).length > 0)
      );
    }),
  );
}

/** What one student did: asked after where it was new, told where it was not. */
function OfOne({ mat, name, said, undone, onSay, onDone }: OfOneProps) {
  const asked = useAsked(mat);
  return (
    <Sheet>
      {name ? <Title level={2}>{name}</Title> : null}
      <Compared poses={mat.done} />
      {mat.done.length === 0 ? <Words>Nothing was held.</Words> : null}
      {mat.done.map((one, i) => {
        const key = rowKey(mat.person, i);
        const isDone = !undone.includes(key);
        const felt = recordIn(said, key);
        return (
          <View key={key} className="border-t border-line pt-1">
            <Tick checked={isDone} onToggle={() => onDone(key)}>
              {`${poseTitle(one)}, ${minutes(one.heldSeconds)}${one.stop ? ` · stopped: ${one.stop}` : ''}`}
            </Tick>
            {isDone && asked[i] ? (
              <View className="gap-2 pb-2">
                <Chips
                  label={`Where, ${poseTitle(one)}`}
                  options={places}
                  chosen={felt?.place ?? null}
                  onChoose={(place) => onSay(key, { place })}
                />
                <Chips
                  label={`How strong, ${poseTitle(one)}`}
                  options={strengths}
                  chosen={felt?.strength === undefined ? null : String(felt.strength)}
                  onChoose={(strength) => onSay(key, { strength: Number(strength) })}
                  asScale
                />
              </View>
            ) : null}
          </View>
        );
      })}
    </Sheet>
  );
}
