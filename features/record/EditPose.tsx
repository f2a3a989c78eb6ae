import { useState } from 'react';
import { View } from 'react-native';
import type { Person, SessionPose } from '@/core/formats/book';
import { stacksNear } from '@/core/build/solve';
import { asSettled } from '@/core/learn/settled';
import { poseById } from '@/core/poses/poses';
import { stackWords, usedBy } from '@/core/props/stack';
import { sides } from '@/core/ranges/ranges';
import { lies } from '@/core/lies';
import { slotKey } from '@/core/slots';
import { MOST_HELD_SECONDS } from '@/store/mat';
import { selectShelf } from '@/store/selectors';
import { Field } from '@/ui/Field';
import { fromCm, length, minutes, toCm } from '@/ui/format';
import { readNumber } from '@/ui/number';
import { Chips, Press, Tick } from '@/ui/Press';
import { Words } from '@/ui/Words';
import { slotName } from '@/ui/words/words';
import { useOjas, useUnits } from '../hooks';
import { BodyOutline } from '../mat/BodyOutline';
import { places, strengths } from '../plan/felt';
import { poseTitle } from '../plan/words';
import { Note } from './Note';

type Change = (to: (now: SessionPose) => SessionPose) => unknown;
interface EditPoseProps {
  readonly person: Person;
  readonly outcome: SessionPose;
  /** Each change is stored at once, and can be undone. */
  readonly onChange: Change;
  /** None for the last pose of a session: that is removed whole. */
  readonly onLeaveOut: (() => unknown) | undefined;
}

const sideWords = sides.map((id) => ({ id, words: id === 'left' ? 'Left' : 'Right' }));
const STEP_SECONDS = 30;

/** What was noted of one pose, put right: side, heights and pieces, what was felt and seen, how long, and a note. */
export function EditPose({ person, outcome, onChange, onLeaveOut }: EditPoseProps) {
  const title = poseTitle(outcome);
  const pose = poseById(outcome.pose);
  const { spot, place, strength } = outcome.feeling;
  const hold = (by: number) =>
    onChange((now) => ({
      ...now,
      heldSeconds: Math.min(MOST_HELD_SECONDS, Math.max(0, now.heldSeconds + by)),
    }));
  return (
    <View className="gap-2 pl-3">
      {pose?.sides === 'each' ? (
        <Chips
          label={`Side, ${title}`}
          options={sideWords}
          chosen={outcome.side === 'both' ? null : outcome.side}
          onChoose={(side) => onChange((now) => ({ ...now, side }))}
        />
      ) : null}
      <Heights {...{ person, outcome, onChange }} />
      <BodyOutline
        chosen={spot ?? null}
        onChoose={(at, kind) =>
          onChange((now) => ({ ...now, feeling: { ...now.feeling, spot: at, place: kind } }))
        }
      />
      <Chips
        label={`Where it was felt, ${title}`}
        options={places}
        chosen={place ?? null}
        onChoose={(to) =>
          onChange((now) => {
            const { spot: _, ...feeling } = now.feeling;
            return { ...now, feeling: { ...feeling, place: to } };
          })
        }
      />
      <Chips
        label={`How strong, ${title}`}
        options={strengths}
        chosen={strength === undefined ? null : String(strength)}
        onChoose={(to) =>
          onChange((now) => ({ ...now, feeling: { ...now.feeling, strength: Number(to) } }))
        }
        asScale
      />
      <View className="flex-row flex-wrap items-center gap-2">
        <Words>{minutes(outcome.heldSeconds)} held</Words>
        <Press aria-label={`Half a minute less, ${title}`} onPress={() => hold(-STEP_SECONDS)}>
          −
        </Press>
        <Press aria-label={`Half a minute more, ${title}`} onPress={() => hold(STEP_SECONDS)}>
          +
        </Press>
      </View>
      {pose?.faults.map(({ id, seen }) => (
        <Tick
          key={id}
          checked={outcome.faults.includes(id)}
          onToggle={() =>
            onChange((now) => ({
              ...now,
              faults: now.faults.includes(id)
                ? now.faults.filter((other) => other !== id)
                : [...now.faults, id],
            }))
          }
        >
          {seen}
        </Tick>
      ))}
      <Note
        label={`Note of ${title}`}
        note={outcome.note ?? ''}
        onKeep={(note) => onChange(({ note: _, ...now }) => (note === '' ? now : { ...now, note }))}
      />
      {onLeaveOut ? (
        <Press kind="quiet" className="self-start" onPress={onLeaveOut}>
          {`Leave ${title} out of this record`}
        </Press>
      ) : null}
    </View>
  );
}

type HeightsProps = Pick<EditPoseProps, 'person' | 'outcome' | 'onChange'>;

/** What lay in each slot, to be put right. */
export const Heights = (of: HeightsProps) =>
  of.outcome.settled.map((one) => <EditHeight key={slotKey(one)} {...of} at={slotKey(one)} />);

interface EditHeightProps extends HeightsProps {
  /** The slot, as a slot key. */
  readonly at: string;
}

/** The height that lay in a slot, typed; and of the stacks that come nearest to it the one that it was. */
function EditHeight({ person, outcome, onChange, at }: EditHeightProps) {
  const shelf = useOjas(selectShelf);
  const units = useUnits();
  const here = outcome.settled.find((one) => slotKey(one) === at);
  const [typed, setTyped] = useState<string | null>(null);
  if (!here) return null;
  const name = `${slotName(here)}, ${poseTitle(outcome)}`;
  if (typed === null)
    return (
      <Press
        kind="quiet"
        className="self-start"
        aria-label={`Another height: ${name}`}
        onPress={() => setTyped(String(Number(fromCm(here.heightCm, units).toFixed(1))))}
      >
        {`${slotName(here)}, ${lies(here.heightCm) ? length(here.heightCm, units) : 'nothing'}: it was another height`}
      </Press>
    );
  const read = readNumber(typed);
  const wanted = read.ok ? toCm(read.value, units) : -1;
  const fault =
    wanted < 0 || wanted > MOST_CM
      ? `A height from 0 to ${length(MOST_CM, units)} is expected.`
      : undefined;
  const used = usedBy(outcome.settled.filter((one) => one !== here).map(({ pieces }) => pieces));
  const inPose = { person, pose: outcome.pose, side: outcome.side, shelf };
  const near = fault ? [] : stacksNear(inPose, here.slot, wanted, used);
  const keep = (to: ReturnType<typeof asSettled>) => {
    onChange((now) => ({
      ...now,
      settled: now.settled.map((one) => (slotKey(one) === at ? to : one)),
    }));
    setTyped(null);
  };
  return (
    <View className="gap-2 rounded-md bg-well p-3">
      <Field
        label={name}
        hint={units}
        value={typed}
        fault={fault}
        onChangeText={setTyped}
        inputMode="decimal"
        maxLength={6}
      />
      {near.map((stack) => (
        <Press
          key={stackWords(stack.pieces, shelf)}
          onPress={() => keep(asSettled(here, stack))}
        >{`${length(stack.heightCm, units)}: ${stackWords(stack.pieces, shelf)}`}</Press>
      ))}
      <View className="flex-row flex-wrap gap-2">
        <Press
          disabled={fault !== undefined}
          onPress={() => keep(asSettled(here, { pieces: [], heightCm: wanted }))}
        >
          Only the height
        </Press>
        <Press kind="quiet" onPress={() => setTyped(null)}>
          Leave it
        </Press>
      </View>
    </View>
  );
}
const MOST_CM = 120;
