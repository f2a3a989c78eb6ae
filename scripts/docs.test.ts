import { existsSync, readdirSync, readFileSync } from 'node:fs';
import { dirname, join } from 'node:path';
import { z } from '@/core/z';
import { bookSchema } from '@/core/formats/book';
import { planSchema } from '@/core/formats/plan';
import { allParameters } from '@/core/parameters';
import { cautionsText } from './cautionsText';

test.each([
  ['ojas-book-1.schema.json', () => z.toJSONSchema(bookSchema, { io: 'input' })],
  ['ojas-plan-2.schema.json', () => z.toJSONSchema(planSchema)],
] as const)(
  'the published %s is what the program checks with (else: npm run make:schemas)',
  (name, made) => {
    expect(
      JSON.parse(readFileSync(join(__dirname, '..', 'docs', 'formats', name), 'utf8')),
    ).toEqual(JSON.parse(JSON.stringify(made())));
  },
);

const doc = (...path: string[]) => readFileSync(join(__dirname, '..', 'docs', ...path), 'utf8');

test('the published table of cautions is what the program does (else: npm run make:cautions)', () =>
  expect(doc('cautions.md')).toBe(cautionsText()));

test('the reckoning is told with the numbers that it uses', () => {
  const text = doc('reckoning.md');
  const { decision, crossLegged, longSit, pigeon, fold } = allParameters as Record<
    string,
    Record<string, { value: number }>
  >;
  for (const said of [
    `chance of being enough is ${decision!.firstChance!.value * 100} %`,
    `next rung is ${decision!.chance!.value * 100} %`,
    `no more than ${crossLegged!.fallWithHeight!.value}° per centimetre`,
    `the seat rises ${longSit!.seatUsual!.value} cm and then the knees`,
    `Over ${pigeon!.highestHip!.value} cm the figure four`,
    `left out over ${fold!.highestChestProp!.value} cm`,
  ])
    expect(text).toContain(said);
  for (const [, file] of text.matchAll(/\]\((reckoning\/[^)]+)\)/g))
    expect(doc(file as string)).toMatch(/^<svg/);
});

describe('every link in the documents leads somewhere', () => {
  const root = join(__dirname, '..');
  const documents = [
    'README.md',
    ...readdirSync(join(root, 'docs'), { recursive: true })
      .map((name) => join('docs', String(name)))
      .filter((name) => name.endsWith('.md')),
  ];
  /** Of Markdown: `[words](target)`, pictures too; not what leads out of the project. */
  const targetsIn = (text: string) =>
    [...text.matchAll(/\]\(([^)\s]+)\)/g)]
      .map(([, target]) => (target as string).split('#')[0] as string)
      .filter((target) => target !== '' && !/^[a-z]+:/.test(target));

  test.each(documents)('%s', (name) => {
    const missing = targetsIn(readFileSync(join(root, name), 'utf8')).filter(
      (target) => !existsSync(join(root, dirname(name), target)),
    );
    expect(missing).toEqual([]);
  });
  test('a path of a source file that a document names is there', () => {
    const gone = documents
      // A decision tells what was when it was taken.
      .filter((name) => !name.includes('decisions'))
      .flatMap((name) =>
        [
          ...readFileSync(join(root, name), 'utf8').matchAll(
            /`((?:core|ui|store|features|workers|server|cli|scripts|bench|e2e|demo)\/[\w./-]+\.\w+)`/g,
          ),
        ].map(([, path]) => [name, path as string] as const),
      )
      .filter(([, path]) => !existsSync(join(root, path)));
    expect(gone).toEqual([]);
  });
});
