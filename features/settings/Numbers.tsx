import { useState } from 'react';
import { allParameters, type Parameter } from '@/core/parameters';
import { Field } from '@/ui/Field';
import { Chips } from '@/ui/Press';
import { Sheet } from '@/ui/Sheet';
import { Title, Words } from '@/ui/Words';
import { OneNumber } from './OneNumber';

const spaced = (name: string) =>
  name
    .replace(/([A-Z])/g, ' $1')
    .toLowerCase()
    .replace(/^./, (first) => first.toUpperCase());

const orders = [
  { id: 'group', words: 'What it is for' },
  { id: 'name', words: 'Its name' },
  { id: 'doubt', words: 'Its doubt, the largest first' },
] as const;
type Order = (typeof orders)[number]['id'];
interface Named {
  readonly group: string;
  readonly name: string;
  readonly words: string;
  readonly parameter: Parameter;
}
type Group = readonly [group: string, numbers: readonly Named[]];

const doubtOf = ({ parameter: { value, sd } }: Named) => sd / Math.max(Math.abs(value), 1e-9);
const compare: Readonly<Record<Exclude<Order, 'group'>, (a: Named, b: Named) => number>> = {
  name: (a, b) => a.words.localeCompare(b.words),
  doubt: (a, b) => doubtOf(b) - doubtOf(a),
};
/** Groups as they are; or every number in one list, by its name or by how unsure it is. */
function sorted(groups: readonly Group[], order: Order): readonly Group[] {
  if (order === 'group') return groups;
  const all = groups.flatMap(([, numbers]) =>
    numbers.map((one) => ({
      ...one,
      words: `${spaced(one.group)}, ${one.words.toLowerCase()}`,
    })),
  );
  return all.length > 0 ? [['every number', all.sort(compare[order])]] : [];
}

const groupsOf: readonly Group[] = Object.entries(allParameters).map(([group, parameters]) => [
  group,
  Object.entries(parameters).map(([name, parameter]) => ({
    group,
    name,
    words: spaced(name),
    parameter,
  })),
]);

/** Every number that is assumed, found by its name, unit or source. */
export function Numbers() {
  const [sought, setSought] = useState('');
  const [order, setOrder] = useState<Order>('group');
  const wanted = sought.trim().toLowerCase();
  const groups = groupsOf.flatMap(([group, numbers]) => {
    const found = numbers.filter(({ words, parameter: { source, unit } }) =>
      `${spaced(group)} ${words} ${unit} ${source}`.toLowerCase().includes(wanted),
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
      {sorted(groups, order).map(([of, numbers]) => (
        <Sheet key={of}>
          <Title level={2}>{spaced(of)}</Title>
          {numbers.map(({ group, name, words, parameter }) => (
            <OneNumber key={`${group} ${name}`} {...{ group, name, words, parameter }} />
          ))}
        </Sheet>
      ))}
    </>
  );
}
