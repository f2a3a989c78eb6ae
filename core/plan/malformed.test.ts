import fc from 'fast-check';
import type { Session } from '../formats/book';
import { checkBook, parseBook } from '../formats/check';
import { planSchema } from '../formats/plan';
import { poses } from '../poses/poses';
import {
  recordWith,
  samplePerson,
  samplePose,
  sampleReading,
  sampleSession,
  sampleShelf,
} from '../tests/samples';
import { planStudent } from './plan';

const book = () => ({
  format: 'ojas-book/1',
  people: [samplePerson()],
  readings: [sampleReading()],
  shelf: sampleShelf,
  sessions: [sampleSession('2026-01-10')],
  classes: [],
  visits: [],
  settings: { units: 'cm' },
});

/** Every place in a value, as paths. */
function placesIn(value: unknown, path: readonly (string | number)[] = []): (string | number)[][] {
  if (typeof value !== 'object' || value === null) return [[...path]];
  return [
    [...path],
    ...Object.entries(value).flatMap(([key, inner]) =>
      placesIn(inner, [...path, Array.isArray(value) ? Number(key) : key]),
    ),
  ];
}

function withAt(
  value: unknown,
  [step, ...rest]: readonly (string | number)[],
  put: unknown,
): unknown {
  if (step === undefined) return put;
  if (Array.isArray(value))
    return value.map((one, i) => (i === step ? withAt(one, rest, put) : one));
  return {
    ...(value as object),
    [step]: withAt((value as Record<string, unknown>)[step], rest, put),
  };
}

test('whatever stands in a book, checking answers: it holds, or in words where it does not', () => {
  const places = placesIn(book());
  fc.assert(
    fc.property(
      fc.constantFrom(...places),
      fc.oneof(
        fc.constant(null),
        fc.constant(-1),
        fc.constant(1e9),
        fc.constant(''),
        fc.constant('2026-13-45'),
        fc.constant([]),
        fc.constant({}),
        fc.boolean(),
        fc.string(),
      ),
      (place, put) => {
        const checked = checkBook(withAt(book(), place, put), '2026-02-01');
        if (checked.ok) return;
        expect(checked.faults.length).toBeGreaterThan(0);
        for (const { says } of checked.faults) expect(says.code).not.toBe('');
      },
    ),
    { numRuns: 300 },
  );
});

test('text that is no book is refused with the place where it breaks', () => {
  fc.assert(
    fc.property(fc.nat({ max: 400 }), (cut) => {
      const text = JSON.stringify(book());
      const parsed = parseBook(text.slice(0, Math.min(text.length - 1, cut)), '2026-02-01');
      expect(parsed.ok).toBe(false);
    }),
  );
});

test('sessions with poses, slots and pieces that nobody knows any more still make a plan', () => {
  const strange: Session = {
    id: 's',
    person: 'p1',
    at: '2026-01-10',
    poses: [
      samplePose({ pose: 'a-pose-of-another-book' }),
      samplePose({
        settled: [
          { slot: 'strap', side: 'both', heightCm: 250, pieces: [] },
          {
            slot: 'seat',
            side: 'both',
            heightCm: 21,
            pieces: [{ item: 'gone', state: 'flat', count: 2 }],
          },
        ],
      }),
      ...poses
        .filter(({ id }) => id !== 'hero')
        .map(({ id, sides }) =>
          samplePose({ pose: id, side: sides === 'each' ? 'left' : 'both', settled: [] }),
        ),
    ],
  };
  const plan = planStudent(recordWith({ sessions: [strange] }), sampleShelf, '2026-01-17');
  expect(planSchema.safeParse(JSON.parse(JSON.stringify(plan))).success).toBe(true);
  // What lay there cannot be built any more: something as high is.
  const seat = plan.poses
    .find(({ pose }) => pose === 'hero')
    ?.slots.find(({ slot }) => slot === 'seat');
  expect(seat?.stackCm).toBeGreaterThan(17);
});

test('an empty shelf still tells the heights', () => {
  for (const { slots, posture } of planStudent(recordWith(), [], '2026-01-17').poses) {
    if (posture === null) continue;
    for (const { stack, targetCm } of slots) {
      expect(stack).toEqual([]);
      expect(targetCm).toBeGreaterThanOrEqual(0);
    }
  }
});
