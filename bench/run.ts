import { readFileSync } from 'node:fs';
import { bodyFrom } from '@/core/body/body';
import { beliefOf, estimateRanges, type StudentRecord } from '@/core/estimate/estimate';
import { recordOf } from '@/core/estimate/recordOf';
import type { Book, Reading, Session } from '@/core/formats/book';
import { shiftDays } from '@/core/formats/time';
import { bandsOf, meansOf } from '@/core/geometry/band';
import { uncertainParameters, type InputValues } from '@/core/geometry/inputs';
import { families } from '@/core/geometry/families';
import { poses } from '@/core/poses/poses';
import { planStudent } from '@/core/plan/plan';
import { solveFigure } from '@/core/build/solve';
import type { Shelf } from '@/core/props/shelf';
import { choicesFor } from '@/core/approaches/approaches';
import { settingsFor } from '@/core/safety/settings';
import { chanceFrom } from '@/core/sim/chance';
import { manyProps } from '@/core/sim/manyProps';

const book = JSON.parse(readFileSync('demo/kingfisher-boathouse.json', 'utf8')) as Book;
const person = book.people[0]!;
const record = recordOf(book, person);
const DAY = '2026-03-31';
const body = bodyFrom(person.statureCm, person.bodyCm);
const settings = settingsFor(choicesFor(person.approach, person.choices), new Set());
const estimates = estimateRanges(record, DAY);
const belief = beliefOf(estimates);

/** Calls before the clock starts: what is measured is a warm engine. */
const WARM_UP = 60;

/** Milliseconds of one call in each of several rounds, the fastest first. */
function timed(call: () => unknown, rounds = 15, each = 20, warmUp = WARM_UP): number[] {
  for (let i = 0; i < warmUp; i++) call();
  return Array.from({ length: rounds }, () => {
    const from = performance.now();
    for (let i = 0; i < each; i++) call();
    return (performance.now() - from) / each;
  }).sort((a, b) => a - b);
}

const at = (times: readonly number[], share: number) =>
  times[Math.floor(share * times.length)] ?? NaN;
/** Median milliseconds of one call, over several rounds. */
const median = (call: () => unknown, rounds = 15, each = 20, warmUp = WARM_UP) =>
  at(timed(call, rounds, each, warmUp), 0.5);

const say = (what: string, ms: number) =>
  process.stdout.write(`${what.padEnd(64)} ${ms.toFixed(3).padStart(9)} ms\n`);

/**
 * The naive way to a band: so many drawn bodies, sorted. 400 draws put the ends of an 80 % band within a few per cent.
 */
const DRAWS = 400;
const chance = chanceFrom(1);
function naiveBand(): number {
  const family = families.kneeling;
  const means = meansOf(belief);
  const seats = Array.from({ length: DRAWS }, () => {
    const values: Record<string, number> = { ...means } as Record<string, number>;
    for (const key of family.needs('both')) {
      const spread = belief[key] ?? {
        mean: uncertainParameters[key as keyof typeof uncertainParameters].value,
        sd: uncertainParameters[key as keyof typeof uncertainParameters].sd,
      };
      values[key] = chance.normal(spread.mean, spread.sd);
    }
    return (
      family.heights({ body, settings, side: 'both', values: values as InputValues })[0]?.rawCm ?? 0
    );
  }).sort((a, b) => a - b);
  return seats[Math.floor(DRAWS * 0.9)]! - seats[Math.floor(DRAWS * 0.1)]!;
}

process.stdout.write(`Medians on Node ${process.version}\n`);
for (const { id, family: name, sides } of poses) {
  const [family, side] = [families[name], sides === 'each' ? ('left' as const) : ('both' as const)];
  say(
    `one pose with its band: ${id}`,
    median(() => bandsOf(family, { body, settings, side }, belief)),
  );
}
const ours = median(() => bandsOf(families.kneeling, { body, settings, side: 'both' }, belief));
const naive = median(naiveBand);
say(`the same by ${DRAWS} drawn bodies (kneeling)`, naive);
process.stdout.write(
  `${'ratio, drawn bodies to sigma points'.padEnd(64)} ${(naive / ours).toFixed(1).padStart(9)} ×\n`,
);
/** Sessions of this student, done again and again until there are so many, the newest a week before the day. */
const sessionsOf = (count: number): Session[] =>
  Array.from({ length: count }, (_, i) => ({
    ...record.sessions[i % record.sessions.length]!,
    id: `s${i}`,
    at: shiftDays(DAY, -7 - 4 * (count - 1 - i)),
  }));

/** Nothing that was reckoned before may answer: every call gets something new. */
let made = 0;
const anotherReading = (): Reading => ({
  ...record.readings[0]!,
  id: `new-${(made += 1)}`,
  at: DAY,
  values: [(record.readings[0]?.values[0] ?? 60) + (made % 7)],
});
const waits: Readonly<Record<string, (of: StudentRecord) => [StudentRecord, Shelf]>> = {
  'a fresh record': (of) => [structuredClone(of), book.shelf],
  'one new reading': (of) => [{ ...of, readings: [...of.readings, anotherReading()] }, book.shelf],
  'a new session': (of) => [
    {
      ...of,
      sessions: [
        ...of.sessions,
        { ...record.sessions[0]!, id: `new-${(made += 1)}`, at: shiftDays(DAY, -1) },
      ],
    },
    book.shelf,
  ],
  'a changed shelf': (of) => [of, structuredClone(book.shelf)],
};
for (const count of [0, 10, 150]) {
  const of = { ...record, sessions: sessionsOf(count) };
  planStudent(of, book.shelf, DAY);
  for (const [what, changed] of Object.entries(waits)) {
    // Made before the clock starts, one for each call: the warm ones too.
    const [rounds, warmUp] = [40, 10];
    const given = Array.from({ length: rounds + warmUp }, () => changed(of));
    const times = timed(
      () => planStudent(...(given.pop() as [StudentRecord, Shelf]), DAY),
      rounds,
      1,
      warmUp,
    );
    say(`${what}, ${count} sessions, every pose`, at(times, 0.5));
    // On a shared machine the neighbours are measured along; its quiet moments are the plan's own.
    say('  in the quietest quarter of the rounds', at(times, 0.25));
  }
}
const sampled = book.people.map((one) => {
  const own = recordOf(book, one);
  const given = Array.from({ length: 12 }, () => structuredClone(own));
  return at(
    timed(() => planStudent(given.pop() as StudentRecord, book.shelf, DAY), 9, 1, 3),
    0.25,
  );
});
sampled.sort((a, b) => a - b);
say(`a fresh record of ${sampled.length} sample students: the quickest`, at(sampled, 0));
say('  the one in the middle', at(sampled, 0.5));
say('  the slowest', sampled.at(-1) ?? NaN);
say(
  'a dragged height: one pose solved again',
  median(() =>
    solveFigure({ person, pose: 'hero', side: 'both', shelf: book.shelf }, estimates, { seat: 20 }),
  ),
);
const long = Array.from({ length: 5 * 52 }, (_, i) => ({
  ...record.readings[0]!,
  id: `x${i}`,
  at: shiftDays('2021-01-01', 7 * i),
}));
say(
  'the filter over five years of weekly readings',
  median(() => estimateRanges({ person, readings: long, sessions: [] }, DAY), 9, 3),
);
for (const count of [12, 24, 45, 60, 120, 500]) {
  const shelf = manyProps(count, 1);
  say(
    `a whole plan, ${count} kinds of props, nothing remembered`,
    median(() => planStudent(record, [...shelf], DAY), 3, 1, 1),
  );
  say(
    `the same again`,
    median(() => planStudent(record, shelf, DAY), 5, 1, 1),
  );
}
