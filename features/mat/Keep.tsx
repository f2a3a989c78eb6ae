import { Link } from 'expo-router';
import { useState } from 'react';
import { View } from 'react-native';
import { poseIdAt } from '@/core/advise/order';
import { orderLaid, orderTakenBack, type Laid } from '@/store/mat';
import { selectPeople, selectSettings } from '@/store/selectors';
import { Field } from '@/ui/Field';
import { Press, Tick } from '@/ui/Press';
import { Sheet } from '@/ui/Sheet';
import { Title, Words } from '@/ui/Words';
import { freshId, nowIso, useOjas, useOjasDispatch, useSet } from '../hooks';
import { poseName } from '../plan/words';
import { withSequence } from './order';

/** A pose with sides stands in a sequence once. */
const eachOnce = (poses: readonly string[]) => poses.filter((pose, i) => pose !== poses[i - 1]);

/** An order worth keeping, under its own name, for any student. */
export function KeepSequence({ poses }: { readonly poses: readonly string[] }) {
  const settings = useOjas(selectSettings);
  const set = useSet();
  const [name, setName] = useState('');
  const own = settings.sequences ?? [];
  const once = eachOnce(poses);
  const keep = () => {
    const named = name.trim();
    if (named === '' || once.length === 0) return;
    set(
      { sequences: withSequence(settings, { id: freshId('sequence'), name: named, poses: once }) },
      `Sequence ${named} kept`,
    );
    setName('');
  };
  return (
    <Sheet>
      <Title level={2}>Keep this order</Title>
      <Field label="Name of the sequence" value={name} onChangeText={setName} maxLength={80} />
      <Press disabled={name.trim() === '' || once.length === 0} onPress={keep}>
        Keep it for any student
      </Press>
      {own.map((one) => (
        <Press
          key={one.id}
          kind="quiet"
          onPress={() =>
            set(
              { sequences: own.filter(({ id }) => id !== one.id) },
              `Sequence ${one.name} forgotten`,
            )
          }
        >
          {`Forget ${one.name}`}
        </Press>
      ))}
    </Sheet>
  );
}

/** What was laid out for this session before, with the way back. */
export function LaidOut({
  person,
  laid,
}: {
  readonly person: string;
  readonly laid: Laid | undefined;
}) {
  const dispatch = useOjasDispatch();
  const poses = Object.keys(laid?.poses ?? {});
  if (!laid || (poses.length === 0 && !laid.order)) return null;
  return (
    <Sheet>
      <Title level={3}>Laid out before</Title>
      {poses.map((place) => (
        <Link
          key={place}
          href={`/students/${person}/poses/${poseIdAt(place)}` as '/students'}
          className="min-h-12 py-3 font-text text-base text-thread underline"
        >
          {poseName(poseIdAt(place))}: other pieces than planned
        </Link>
      ))}
      {laid.order ? (
        <View className="gap-1">
          <Words>An order of {laid.order.length} poses.</Words>
          <Press kind="quiet" onPress={() => dispatch(orderTakenBack(person))}>
            Forget this order
          </Press>
        </View>
      ) : null}
    </Sheet>
  );
}

/** One order for several students: each finds it at the next session, with heights of their own. */
export function GiveToOthers({
  person,
  poses,
}: {
  readonly person: string;
  readonly poses: readonly string[];
}) {
  const dispatch = useOjasDispatch();
  const others = useOjas(selectPeople).filter(({ id }) => id !== person);
  const [open, setOpen] = useState(false);
  const [ticked, setTicked] = useState<readonly string[]>([]);
  const [given, setGiven] = useState<readonly string[]>([]);
  if (others.length === 0 || poses.length === 0) return null;
  const names = (ids: readonly string[]) =>
    others.flatMap(({ id, name }) => (ids.includes(id) ? name : [])).join(', ');
  const give = () => {
    dispatch(orderLaid({ people: ticked, at: nowIso(), order: [...eachOnce(poses)] }));
    setGiven(ticked);
    setTicked([]);
  };
  return (
    <Sheet>
      <Title level={2}>Give this order to others</Title>
      <Press aria-expanded={open} onPress={() => setOpen(!open)}>
        {open ? 'Close the list' : 'Choose students'}
      </Press>
      {open ? (
        <>
          {others.map(({ id, name }) => (
            <Tick
              key={id}
              checked={ticked.includes(id)}
              onToggle={() =>
                setTicked(
                  ticked.includes(id) ? ticked.filter((one) => one !== id) : [...ticked, id],
                )
              }
            >
              {name}
            </Tick>
          ))}
          <Press kind="main" disabled={ticked.length === 0} onPress={give}>
            {`Lay it out for ${ticked.length} ${ticked.length === 1 ? 'student' : 'students'}`}
          </Press>
        </>
      ) : null}
      <Words role="status">
        {given.length > 0 ? `Laid out for ${names(given)}, each with heights of their own.` : ''}
      </Words>
    </Sheet>
  );
}
