import { Link } from 'expo-router';
import { useState } from 'react';
import { View } from 'react-native';
import { allParameters, decision, type Parameter } from '@/core/parameters';
import { fromCm, toCm, type Units } from '@/ui/format';
import { Field } from '@/ui/Field';
import { Chips, Press } from '@/ui/Press';
import { Screen } from '@/ui/Screen';
import { Sheet } from '@/ui/Sheet';
import { Aside, Title, Words } from '@/ui/Words';
import { useUnits } from '../hooks';

/** A parameter in the teacher's units. */
const told = (value: number, unit: string, units: Units) => {
  if (unit === 'cm') return fromCm(value, units);
  return unit.endsWith('/cm') ? Math.round(toCm(value, units) * 100) / 100 : value;
};

const spaced = (name: string) =>
  name
    .replace(/([A-Z])/g, ' $1')
    .toLowerCase()
    .replace(/^./, (first) => first.toUpperCase());

/** The reckoning in plain words, and every number that it assumes. */
export function ReckoningScreen() {
  return (
    <Screen title="How it reckons">
      <Sheet>
        <Title level={2}>In short</Title>
        <Words>
          The body is a chain of straight segments as long as the student’s own. For each pose, Ojas
          asks how far hips, knees and front thighs would have to go on the floor, and raises the
          supports until nobody is asked for more than they have, with a little kept in hand.
        </Words>
        <Words>
          Every range is a belief with a doubt: readings narrow it, time widens it. The doubt is
          carried through to the height, which is why a height comes with a band: in four of five
          such bodies it lies inside.
        </Words>
        <Words>
          What goes well on the mat says “no more than this is needed”; what is felt at a joint says
          “more than this”. A support comes down one rung when two sessions running went well and it
          is very likely ({Math.round(decision.chance.value * 1000) / 10} in a hundred) that the
          day’s range carries the next rung.
        </Words>
        <Link href={'/more/how' as '/more'} asChild>
          <Press>Read it whole, with drawings</Press>
        </Link>
      </Sheet>
      <Parameters />
    </Screen>
  );
}

const orders = [
  { id: 'group', words: 'What it is for' },
  { id: 'name', words: 'Its name' },
  { id: 'doubt', words: 'Its doubt, the largest first' },
] as const;
type Order = (typeof orders)[number]['id'];
type Named = readonly [name: string, parameter: Parameter];
type Group = readonly [group: string, parameters: readonly Named[]];

const doubtOf = ({ value, sd }: Parameter) => sd / Math.max(Math.abs(value), 1e-9);
/** Groups as they are; or every number in one list, by its name or by how unsure it is. */
function sorted(groups: readonly Group[], order: Order): readonly Group[] {
  if (order === 'group') return groups;
  const all = groups.flatMap(([group, parameters]) =>
    parameters.map(([name, one]): Named => [
      `${spaced(group)}, ${spaced(name).toLowerCase()}`,
      one,
    ]),
  );
  const compare: Readonly<Record<Exclude<Order, 'group'>, (a: Named, b: Named) => number>> = {
    name: ([a], [b]) => a.localeCompare(b),
    doubt: ([, a], [, b]) => doubtOf(b) - doubtOf(a),
  };
  return all.length > 0 ? [['every number', all.sort(compare[order])]] : [];
}

/** Every number that is assumed, found by its name, unit or source. */
function Parameters() {
  const units = useUnits();
  const [sought, setSought] = useState('');
  const [order, setOrder] = useState<Order>('group');
  const wanted = sought.trim().toLowerCase();
  const groups = Object.entries(allParameters).flatMap(([group, parameters]) => {
    const found = Object.entries(parameters).filter(([name, { source, unit }]) =>
      `${spaced(group)} ${spaced(name)} ${unit} ${source}`.toLowerCase().includes(wanted),
    );
    return found.length > 0 ? [[group, found] as const] : [];
  });
  return (
    <>
      <Field
        label="Find a number"
        hint="by its name or where it comes from"
        value={sought}
        onChangeText={setSought}
      />
      <Chips label="In the order of" options={orders} chosen={order} onChoose={setOrder} />
      {groups.length === 0 ? <Words>No number is called “{sought.trim()}”.</Words> : null}
      {sorted(groups, order).map(([group, parameters]) => (
        <Sheet key={group}>
          <Title level={2}>{spaced(group)}</Title>
          {parameters.map(([name, { value, unit, sd, source }]) => (
            <View key={name}>
              <Words>
                {spaced(name)}:{' '}
                <Words className="font-semibold">
                  {told(value, unit, units)}
                  {sd > 0 ? ` ± ${told(sd, unit, units)}` : ''}
                </Words>{' '}
                {unit === 'ratio' ? '' : unit.replace(/\bcm\b/, units)}
              </Words>
              <Aside>{source}</Aside>
            </View>
          ))}
        </Sheet>
      ))}
    </>
  );
}
