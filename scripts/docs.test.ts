import { readFileSync } from 'node:fs';
import { join } from 'node:path';
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
