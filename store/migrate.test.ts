import { bringForward, migrations, type Migration } from './migrate';
import { Memory } from './tests/memory';
import { VERSION } from '@/workers/stored/keys';

/** A version that calls people students, and one that notes their height in metres. */
const toTwo: Migration = ({ key, text }) => ({ key: key.replace(/^people\//, 'students/'), text });
const toThree: Migration = ({ key, text }) => {
  const { statureCm, ...rest } = JSON.parse(text) as { statureCm: number };
  return { key, text: JSON.stringify({ ...rest, statureM: statureCm / 100 }) };
};
const steps = [toTwo, toThree];

const stored = (entries: Record<string, string>) => {
  const memory = new Memory();
  for (const [key, text] of Object.entries(entries)) memory.entries.set(key, text);
  return memory;
};
const all = (memory: Memory) => Object.fromEntries(memory.entries);

test('there is a step for every version before this one', () =>
  expect(migrations).toHaveLength(VERSION - 1));

test('no record of an earlier version is hidden by a newer one, whichever it came from', async () => {
  const memory = stored({
    'ojas/1/people/p1': '{"statureCm":170}',
    'ojas/2/students/p2': '{"statureCm":180}',
    'ojas/3/students/p3': '{"statureM":1.9}',
    'other/1/x': 'theirs',
  });
  expect(await bringForward(memory, 3, steps)).toMatchObject({ newer: 0 });
  expect(all(memory)).toEqual({
    'ojas/3/students/p1': '{"statureM":1.7}',
    'ojas/3/students/p2': '{"statureM":1.8}',
    'ojas/3/students/p3': '{"statureM":1.9}',
    'other/1/x': 'theirs',
  });
});

test('cut off at any write, it is finished at the next start', async () => {
  for (let writes = 0; writes < 5; writes++) {
    const memory = stored({
      'ojas/1/people/p1': '{"statureCm":170}',
      'ojas/1/people/p2': '{"statureCm":180}',
    });
    memory.writesLeft = writes;
    await bringForward(memory, 3, steps).catch(() => undefined);
    const again = memory.again();
    await bringForward(again, 3, steps);
    expect(all(again)).toEqual({
      'ojas/3/students/p1': '{"statureM":1.7}',
      'ojas/3/students/p2': '{"statureM":1.8}',
    });
  }
});

test('what a newer version wrote is left alone, and counted', async () => {
  const memory = stored({ 'ojas/4/students/p1': '{}' });
  expect(await bringForward(memory, 3, steps)).toEqual({
    keys: ['ojas/4/students/p1'],
    newer: 1,
  });
  expect(all(memory)).toEqual({ 'ojas/4/students/p1': '{}' });
});
