import { firstName } from '@/ui/firstName';
import { memo, useState } from 'react';
import { View } from 'react-native';
import { estimatesAhead } from '@/core/advise/forecast';
import type { Estimates } from '@/core/estimate/estimate';
import type { Person } from '@/core/formats/book';
import type { PlanPose } from '@/core/formats/plan';
import type { Posture } from '@/core/geometry/posture';
import { poseAhead } from '@/core/advise/ahead';
import { inPoseOf, nearestStack, solveFigure } from '@/core/build/solve';
import { triedHeights } from '@/core/build/tryHeights';
import type { Shelf } from '@/core/props/shelf';
import { slotKey } from '@/core/slots';
import { selectPeople } from '@/store/selectors';
import { length, month, type Units } from '@/ui/format';
import { Chips } from '@/ui/Press';
import { Aside, Words } from '@/ui/Words';
import { slotName, wordsIn } from '@/ui/words/words';
import { todayIso, useOjas } from '../hooks';
import { usePlan } from '../reckoned';
import { columnsOf } from './columns';
import { PoseFigure } from './PoseFigure';
import { differenceWords } from './words';
import { lies } from '@/core/lies';

interface OtherBodyProps {
  readonly person: Person;
  readonly planned: PlanPose;
  readonly estimates: Estimates;
  readonly shelf: Shelf;
  readonly units: Units;
}

/** This student as the record says that they may be by then. */
const AHEAD = 'ahead';
const STEP = 3;

/** Another body in the same pose: this student in three months, or another student today. */
export const OtherBody = memo(function OtherBody(of: OtherBodyProps) {
  const people = useOjas(selectPeople);
  const [chosen, setChosen] = useState<string | null>(null);
  const other = people.find(({ id }) => id === chosen);
  const { person } = of;
  return (
    <View className="gap-3">
      <Chips
        label="Another body"
        options={[
          { id: AHEAD, words: `${firstName(person.name)} in three months` },
          ...people
            .filter(({ id }) => id !== person.id)
            .map(({ id, name }) => ({ id, words: name })),
        ]}
        chosen={chosen}
        onChoose={(next) => setChosen(next === chosen ? null : next)}
        inOneRow
      />
      {chosen === AHEAD ? <InMonths {...of} /> : null}
      {other ? <OtherStudent {...of} other={other} /> : null}
    </View>
  );
});

function InMonths({ person, planned, estimates, shelf, units }: OtherBodyProps) {
  const inPose = inPoseOf(person, planned, shelf);
  const told = poseAhead({ person, shelf }, planned, estimates, todayIso()).flatMap(
    ({ slot, forecast }) => {
      const then = forecast.enough ? forecast.ahead[STEP] : undefined;
      return then ? [{ key: slotKey(slot), then }] : [];
    },
  );
  const first = told[0]?.then;
  if (!first)
    return (
      <Aside>
        The record cannot tell yet: three dated readings of what this pose leans on are the least.
      </Aside>
    );
  const then: PlanPose = {
    ...planned,
    slots: planned.slots.map((slot) => {
      const one = told.find(({ key }) => key === slotKey(slot));
      if (!one) return slot;
      const { pieces, heightCm } = nearestStack(inPose, slot.slot, one.then.cm, {});
      return {
        ...slot,
        stack: [...pieces],
        stackCm: heightCm,
        lastCm: slot.stackCm,
        last: slot.stack,
      };
    }),
  };
  const figure = solveFigure(
    inPose,
    estimatesAhead(estimates, first.weeks),
    triedHeights(then, {}),
  );
  return (
    <>
      <Words>{month(first.on)}, if practice goes on as it has. Likely, not promised.</Words>
      <Shown person={person} planned={then} posture={figure.posture} shelf={shelf} units={units} />
      <Heights planned={planned} other={then} units={units} />
    </>
  );
}

function OtherStudent({
  other,
  planned,
  shelf,
  units,
}: OtherBodyProps & { readonly other: Person }) {
  const plan = usePlan(other.id, [planned.pose]);
  const there = plan?.poses.find(
    ({ pose, side }) => pose === planned.pose && side === planned.side,
  );
  if (!there) return null;
  if (!there.posture)
    return (
      <Words>
        Not for {other.name} today. {wordsIn(units).reasons(there.reasons)}
      </Words>
    );
  return (
    <>
      <Shown
        person={other}
        planned={there}
        posture={there.posture as Posture}
        shelf={shelf}
        units={units}
      />
      <Heights planned={planned} other={there} units={units} />
    </>
  );
}

interface ShownProps {
  readonly person: Person;
  readonly planned: PlanPose;
  readonly posture: Posture;
  readonly shelf: Shelf;
  readonly units: Units;
}

const Shown = ({ planned, ...of }: ShownProps) => (
  <PoseFigure {...of} planned={planned} columns={columnsOf(planned.slots)} mostHeightPx={220} />
);

interface HeightsProps {
  readonly planned: PlanPose;
  readonly other: PlanPose;
  readonly units: Units;
}

/** Support by support, how much higher or lower the other one stands. */
function Heights({ planned, other, units }: HeightsProps) {
  const rows = other.slots
    .filter(({ isLength }) => !isLength)
    .map((slot) => {
      const here = planned.slots.find((one) => slotKey(one) === slotKey(slot));
      return { slot, fromCm: here?.stackCm ?? 0 };
    })
    .filter(({ slot, fromCm }) => lies(slot.stackCm) || lies(fromCm));
  return (
    <View>
      {rows.length === 0 ? <Words>Nothing underneath, as here.</Words> : null}
      {rows.map(({ slot, fromCm }) => (
        <Words key={slotKey(slot)}>
          <Words className="font-semibold">{slotName(slot)} </Words>
          {length(slot.stackCm, units)} ({differenceWords(slot.stackCm - fromCm, units)})
        </Words>
      ))}
    </View>
  );
}
