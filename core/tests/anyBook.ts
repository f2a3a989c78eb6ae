import fc from 'fast-check';
import { approachIds } from '../approaches/approaches';
import { bookSchema, feltAtHome, type Book } from '../formats/book';
import { samplePerson, samplePose, sampleReading, sampleShelf } from './samples';

const text = fc.oneof(
  fc.string({ maxLength: 12 }),
  fc.constantFrom('toString', 'constructor', 'ś ṇ ñ', '=1+1', '"', '\\', '\u2028'),
);
const day = fc
  .integer({ min: 0, max: 1400 })
  .map((days) => new Date(Date.UTC(2023, 0, 1) + days * 86_400_000).toISOString());
const answer = fc.record({
  id: fc.oneof(
    text.filter((one) => one !== ''),
    fc.constantFrom('knee-meniscus', 'hip-replacement'),
  ),
  answer: fc.constantFrom<'yes' | 'no' | 'unanswered'>('yes', 'no', 'unanswered'),
  at: day,
});
const extra = fc.dictionary(
  text.filter((one) => one !== '' && one !== '__proto__'),
  fc.jsonValue({ maxDepth: 2 }).filter((one) => !JSON.stringify(one).includes('__proto__')),
  { maxKeys: 2 },
);

/** Whole books of a few people, with odd words, unknown fields and days of every kind. */
export const anyBook: fc.Arbitrary<Book> = fc
  .record({
    people: fc.array(
      fc.record({
        name: text.filter((one) => one.trim() !== ''),
        statureCm: fc.integer({ min: 90, max: 230 }),
        approach: fc.constantFrom(...approachIds),
        cautions: fc.array(answer, { maxLength: 3 }),
        choices: fc.dictionary(
          text.filter((one) => one !== '__proto__'),
          text,
          { maxKeys: 3 },
        ),
      }),
      { maxLength: 4 },
    ),
    readings: fc.array(
      fc.record({ of: fc.nat({ max: 3 }), at: day, note: text, warm: fc.boolean() }),
      { maxLength: 6 },
    ),
    sessions: fc.array(
      fc.record({
        of: fc.nat({ max: 3 }),
        at: day,
        pose: text.filter((one) => one !== ''),
        faults: fc.array(text, { maxLength: 2 }),
      }),
      { maxLength: 4 },
    ),
    practices: fc.array(
      fc.record({
        of: fc.nat({ max: 3 }),
        at: day,
        pose: fc.constantFrom('hero', 'child', 'none-such'),
        felt: fc.constantFrom(...feltAtHome),
      }),
      { maxLength: 4 },
    ),
    units: fc.constantFrom('cm', 'in'),
    extra,
    setAside: fc.array(fc.record({ key: text, text }), { maxLength: 2 }),
  })
  .map(({ people, readings, sessions, practices, units, extra: more, setAside }) => {
    const own = ({ of }: { of: number }) => of < people.length;
    return JSON.parse(
      JSON.stringify(
        bookSchema.parse({
          ...Object.fromEntries(
            Object.entries(more).map(([field, value]) => [`x-${field}`, value]),
          ),
          format: 'ojas-book/1',
          shelf: sampleShelf,
          classes: [],
          visits: people.map((_, i) => ({
            id: `v${i}`,
            person: `p${i}`,
            on: '2026-01-08',
            time: '18:15',
            repeats: 'FREQ=WEEKLY',
          })),
          settings: { units, theme: 'dark', mark: 1 },
          ...(setAside.length > 0 ? { setAside } : {}),
          people: people.map((one, i) => samplePerson({ ...one, id: `p${i}` })),
          readings: readings
            .filter(own)
            .map(({ of, ...one }, i) => sampleReading({ ...one, id: `r${i}`, person: `p${of}` })),
          practices: practices.filter(own).map(({ of, ...one }, i) => ({
            id: `h/${i}`,
            person: `p${of}`,
            sheet: 's1',
            side: 'both',
            heldSeconds: 60,
            ...one,
          })),
          sessions: sessions.filter(own).map(({ of, at, ...one }, i) => ({
            id: `s${i}`,
            person: `p${of}`,
            at,
            poses: [samplePose(one)],
          })),
        }),
      ),
    ) as Book;
  });
