import fc from 'fast-check';
import { samplePerson } from '../tests/samples';
import { changedParts, chosenParts, marked, mergedRecord } from './edits';

const person = samplePerson({
  cautions: [
    { id: 'knee-meniscus', answer: 'yes', side: 'left', at: '2026-01-05' },
    { id: 'pregnancy', answer: 'no', at: '2026-01-05' },
  ],
  choices: { hero: 'a' },
});
type P = typeof person;
const change = (was: P, to: Partial<P>, mark: string) => marked(was, { ...was, ...to }, mark);

test('fields that one side alone changed are taken from it, whichever side that is', () => {
  const here = change(person, { name: 'Here' }, 'a1');
  const there = change(
    person,
    {
      statureCm: 181,
      cautions: [
        person.cautions[0]!,
        { id: 'pregnancy', answer: 'yes', at: '2026-02-05' },
        { id: 'shoulder', answer: 'yes', at: '2026-02-05' },
      ],
      choices: {},
    },
    'b1',
  );
  const merged = mergedRecord(here, there);
  expect(merged.clashing).toEqual([]);
  expect(merged.record).toMatchObject({ name: 'Here', statureCm: 181, choices: {} });
  expect(merged.record.cautions.map(({ id, answer }) => `${id} ${answer}`)).toEqual([
    'knee-meniscus yes',
    'pregnancy yes',
    'shoulder yes',
  ]);
  // From the other side the same comes of it.
  expect(changedParts(mergedRecord(there, here).record, merged.record)).toEqual([]);
  // Once merged, there is nothing more to take on either side.
  expect(mergedRecord(merged.record, there)).toMatchObject({ taken: [], clashing: [] });
  expect(mergedRecord(there, merged.record).clashing).toEqual([]);
});

test('a field that both changed is told with both values, and stays as it is here until it is chosen', () => {
  const here = change(person, { name: 'Here', statureCm: 170 }, 'a1');
  const there = change(person, { name: 'There', statureCm: 170 }, 'b1');
  const merged = mergedRecord(here, there);
  expect(merged).toMatchObject({
    record: { name: 'Here' },
    taken: [],
    clashing: [{ part: 'name', here: 'Here', there: 'There' }],
  });
  // What was chosen has seen both: the other side takes it, and asks nothing.
  for (const by of ['here', 'there'] as const) {
    const chosen = chosenParts(here, there, { here: [], there: [], [by]: ['name'] }, 'a2');
    expect(chosen.name).toBe(by === 'here' ? 'Here' : 'There');
    const back = mergedRecord(there, chosen);
    expect([back.record.name, back.clashing]).toEqual([chosen.name, []]);
  }
});

test('records of before marks differ in what nobody can tell: that is asked', () => {
  const merged = mergedRecord(person, { ...person, name: 'Other' });
  expect(merged.clashing.map(({ part }) => part)).toEqual(['name']);
});

test('two devices that change and merge, in any order, lose no change that one alone made', () => {
  const field = fc.constantFrom('name', 'note', 'statureCm');
  const steps = fc.array(fc.tuple(fc.boolean(), field), { maxLength: 8 });
  fc.assert(
    fc.property(steps, (done) => {
      let [one, two]: [P, P] = [person, person];
      const last: Record<string, { one?: unknown; two?: unknown }> = {};
      done.forEach(([isOne, name], i) => {
        const value = name === 'statureCm' ? 150 + i : `v${i}`;
        if (isOne) one = change(one, { [name]: value }, `a${i}`);
        else two = change(two, { [name]: value }, `b${i}`);
        last[name] = { ...last[name], [isOne ? 'one' : 'two']: value };
      });
      const merged = mergedRecord(one, two);
      for (const [name, by] of Object.entries(last)) {
        const both = 'one' in by && 'two' in by;
        expect(merged.clashing.some(({ part }) => part === name)).toBe(both);
        expect((merged.record as Record<string, unknown>)[name]).toBe(
          'one' in by ? by.one : by.two,
        );
      }
    }),
  );
});
