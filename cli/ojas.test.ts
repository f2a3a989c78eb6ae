import { mkdtempSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { planSchema } from '@/core/formats/plan';
import { plannedSides } from '@/core/plan/plan';
import { poses } from '@/core/poses/poses';
import { run } from './ojas';

const DEMO = join(__dirname, '..', 'demo', 'kingfisher-boathouse.json');
const TODAY = '2026-04-01';
const folder = mkdtempSync(join(tmpdir(), 'ojas-'));
const fileWith = (name: string, text: string) => {
  const path = join(folder, name);
  writeFileSync(path, text);
  return path;
};

test('plan answers a valid plan for every student of the demo book', async () => {
  const { out, exit } = await run(['plan', DEMO], TODAY);
  const plans = JSON.parse(out ?? '') as unknown[];
  expect(exit).toBe(0);
  expect(plans).toHaveLength(12);
  for (const plan of plans) expect(planSchema.safeParse(plan).success).toBe(true);
});

test('plan of one person, on a day, for some poses', async () => {
  const { out } = await run(
    ['plan', DEMO, '--person', 'p-marit', '--date', '2026-03-30', '--poses', 'hero,staff'],
    TODAY,
  );
  const plan = planSchema.parse(JSON.parse(out ?? ''));
  expect(plan).toMatchObject({ person: 'p-marit', date: '2026-03-30' });
  expect(plan.poses.map(({ pose }) => pose)).toEqual(['hero', 'staff']);
});

test('read tells the same plan in words: what lies there and why, how it is entered, looked at and left', async () => {
  const only = ['--person', 'p-marit', '--date', '2026-03-30', '--poses', 'hero,staff'];
  const { out = '', exit } = await run(['read', DEMO, ...only], TODAY);
  expect(exit).toBe(0);
  expect(out).toMatch(/^Marit Osei, /);
  const plan = planSchema.parse(JSON.parse((await run(['plan', DEMO, ...only], TODAY)).out ?? ''));
  for (const { slots } of plan.poses)
    for (const { words = '', stack } of slots) if (stack.length > 0) expect(out).toContain(words);
  for (const part of ['build', 'enter', 'look', 'come out', 'hold', 'around', 'home'])
    expect(out).toMatch(new RegExp(`^  ${part}`, 'm'));
  expect(out).not.toMatch(/undefined|NaN|null/);
  // A tired day is planned otherwise, and a day that is none is refused by name.
  expect((await run(['read', DEMO, ...only, '--day', 'tired'], TODAY)).out).not.toBe(out);
  expect(await run(['read', DEMO, '--day', 'blue'], TODAY)).toMatchObject({
    exit: 1,
    words: expect.stringContaining('--day: expected one of usual'),
  });
});

test('check is content with the demo book', async () =>
  expect(await run(['check', DEMO], TODAY)).toMatchObject({
    exit: 0,
    words: expect.stringContaining('12 people'),
  }));

test.each([
  ['a missing file', ['check', join(folder, 'nowhere.json')], /cannot be read/],
  ['no file at all', ['plan'], /Name the book to read/],
  [
    'a person who is not there',
    ['plan', DEMO, '--person', 'p-nobody'],
    /there is no person p-nobody/,
  ],
  [
    'a pose that is not there',
    ['plan', DEMO, '--poses', 'hero,moonwalk'],
    /no pose is called moonwalk/,
  ],
  [
    'a day in words',
    ['plan', DEMO, '--date', 'tomorrow'],
    /expected a day that there is, such as 2026-01-15/,
  ],
  ['an unknown command', ['dance'], /There is no command dance/],
  [
    'half a student',
    ['simulate', '--students', '1.5'],
    /--students: expected a whole number from 1 to 5000/,
  ],
  [
    'an unknown policy',
    ['simulate', '--policy', 'hope'],
    /expected one of rule, fixed, never, level, truth/,
  ],
  ['an unknown world', ['simulate', '--world', 'better'], /--world: expected one of own, other/],
  [
    'an unknown slot',
    ['simulate', '--slots', 'hero/nose'],
    /--slots: expected all, or one of hero\/seat/,
  ],
  ['an unknown flag', ['plan', DEMO, '--louder'], /--louder/],
])('%s is refused in words, with exit 1', async (_, argv, words) => {
  const answer = await run(argv, TODAY);
  expect(answer.exit).toBe(1);
  expect(answer.out).toBeUndefined();
  expect(answer.words).toMatch(words);
});

test('check names every fault with its path', async () => {
  const path = fileWith(
    'faulty.json',
    JSON.stringify({
      format: 'ojas-book/1',
      people: [{ id: 'p1', name: '', statureCm: 5 }],
      readings: [],
      shelf: [],
      sessions: [],
    }),
  );
  const { words, exit } = await run(['check', path], TODAY);
  expect(exit).toBe(1);
  expect(words).toMatch(/people\[0\]\.name: a name is needed/);
  expect(words).toMatch(/people\[0\]\.statureCm: at least 90 cm/);
});

test('simulate tries heights within the visit where it is asked to, and tells how often', async () => {
  const figures = async (...more: string[]) => {
    const { out } = await run(
      ['simulate', '--students', '3', '--weeks', '8', '--policy', 'rule', ...more],
      TODAY,
    );
    return (JSON.parse(out ?? '') as { figures: { looks: number }[] }).figures;
  };
  expect((await figures())[0]?.looks).toBe(0);
  expect((await figures('--trials'))[0]?.looks).toBeGreaterThan(0);
});

test('simulate prints the same figures for the same seed, by policy', async () => {
  const argv = ['simulate', '--students', '3', '--weeks', '4', '--seed', '5'];
  const { out, exit } = await run(argv, TODAY);
  const { figures } = JSON.parse(out ?? '') as { figures: { policy: string; sessions: number }[] };
  expect(exit).toBe(0);
  expect(figures.map(({ policy }) => policy)).toEqual(['rule', 'fixed', 'never', 'level', 'truth']);
  for (const { sessions } of figures) expect(sessions).toBeGreaterThan(5);
  expect((await run(argv, TODAY)).out).toBe(out);
});

test('plan answers for every pose of the sample book, both sides where there are two', async () => {
  const { out, exit } = await run(
    ['plan', 'demo/kingfisher-boathouse.json', '--person', 'p-yusuf', '--date', '2026-03-28'],
    '2026-03-28',
  );
  expect(exit).toBe(0);
  const plan = planSchema.parse(JSON.parse(out ?? ''));
  expect(new Set(plan.poses.map(({ pose }) => pose)).size).toBe(poses.length);
  expect(plan.poses).toHaveLength(poses.flatMap(plannedSides).length);
  for (const { status, posture, slots, instead } of plan.poses) {
    if (status === 'instead') expect(instead).not.toBeNull();
    else if (status !== 'forbidden') {
      expect(posture).not.toBeNull();
      for (const { targetCm, lowCm, highCm, words } of slots) {
        expect(lowCm).toBeLessThanOrEqual(targetCm + 1e-9);
        expect(highCm).toBeGreaterThanOrEqual(targetCm - 1e-9);
        expect(words?.length).toBeGreaterThan(8);
      }
    }
  }
});

test('the trade-off is printed from bold to careful, with the shipped caution among it', async () => {
  const { out } = await run(
    ['simulate', '--students', '2', '--weeks', '3', '--seed', '7', '--trade-off'],
    TODAY,
  );
  const { shipped, figures } = JSON.parse(out ?? '') as {
    shipped: { lowerRung: number };
    figures: { lowerRung: number }[];
  };
  const chances = figures.map(({ lowerRung }) => lowerRung);
  expect(chances).toEqual([...chances].sort((a, b) => a - b));
  expect(chances).toContain(shipped.lowerRung);
});

test('measure prints what every way of reading reads, states and is off by, and the same as figures', async () => {
  const small = ['measure', '--people', '40', '--seed', '3'];
  const { out = '', exit } = await run(small, TODAY);
  expect(exit).toBe(0);
  expect(out).toMatch(/^way +method/);
  expect(out.split('\n').length).toBeGreaterThan(20);
  const figures = JSON.parse((await run([...small, '--json'], TODAY)).out ?? '{}');
  expect(figures).toMatchObject({ bodies: 40, seed: 3 });
  expect(figures.ways.length).toBe(out.split('\n').length - 1);
  expect(await run(['measure', '--people', '0'], TODAY)).toMatchObject({ exit: 1 });
});

test('room prints heights of ordinary adults beside what teachers use, and the same as figures', async () => {
  const small = ['room', '--people', '4', '--seed', '3'];
  const { out, exit } = await run(small, TODAY);
  expect(exit).toBe(0);
  expect(out).toMatch(/^staff: offered 100 %, pieces \d/m);
  expect(out).toMatch(/^ {2}seat .*usual 3–8/m);
  expect(out).toMatch(/\d+ of \d+ slots agree with an ordinary room/);
  const figures = JSON.parse((await run([...small, '--json'], TODAY)).out ?? '') as {
    shelf: string;
    poses: { pose: string }[];
  };
  expect(figures.shelf).toBe('studio');
  expect(figures.poses.map(({ pose }) => pose)).toEqual(poses.map(({ id }) => id));
});

test.each([
  [['--people', '0'], /--people/],
  [['--people', '2.5'], /--people/],
  [['--seed', 'x'], /--seed/],
  [['--shelf', 'attic'], /--shelf: expected one of studio, starter, home/],
  [['--approach', 'upside-down'], /--approach/],
])('room refuses %j', async (flags, words) => {
  const answer = await run(['room', ...flags], TODAY);
  expect(answer.exit).toBe(1);
  expect(answer.words).toMatch(words);
});
