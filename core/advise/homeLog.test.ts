import fc from 'fast-check';
import { feltAtHome, practiceSchema } from '../formats/book';
import { homeLogSchema, openHomeLog, packHomeLog, practicesIn, type Done } from './homeLog';

const done = fc.record({
  pose: fc.constantFrom('hero', 'child', 'pigeon'),
  side: fc.constantFrom<Done['side']>('left', 'right', 'both'),
  at: fc
    .integer({ min: 0, max: 60 * 24 * 60 })
    .map((minutes) => new Date(Date.UTC(2026, 0, 1) + minutes * 60_000).toISOString()),
  heldSeconds: fc.integer({ min: 0, max: 7200 }),
  felt: fc.constantFrom(...feltAtHome),
});
const logs = fc.record({
  sheet: fc.string({ minLength: 1, maxLength: 40 }).filter((one) => !(one in Object.prototype)),
  name: fc.string({ maxLength: 40 }),
  done: fc.array(done, { maxLength: 30 }),
});

test('a log is the same again after its way', () => {
  fc.assert(
    fc.property(logs, (log) => {
      const wire = homeLogSchema.parse(JSON.parse(JSON.stringify(packHomeLog(log))));
      expect(openHomeLog(wire)).toEqual(log);
    }),
  );
});

test('a log is taken in once, however often it comes and however it has grown', () => {
  fc.assert(
    fc.property(logs, fc.nat({ max: 30 }), (log, sent) => {
      const book = new Map<string, unknown>();
      const has = (id: string) => book.has(id);
      for (const part of [log.done.slice(0, sent), log.done, log.done, log.done.slice(sent)]) {
        const { practices } = practicesIn({ ...log, done: part }, 'p1', '2026-12-31', has);
        for (const one of practices) book.set(one.id, practiceSchema.parse(one));
      }
      const lines = new Set(log.done.map(({ pose, side, at }) => `${pose}/${side}/${at}`));
      expect(book.size).toBe(lines.size);
    }),
  );
});

test('what a wrong clock dates after today stays out, and is told', () => {
  const line: Done = {
    pose: 'hero',
    side: 'both',
    at: '2026-03-05T08:00:00.000Z',
    heldSeconds: 60,
    felt: 'right',
  };
  const log = {
    sheet: 's',
    name: 'Maya',
    done: [line, { ...line, at: '2027-01-01T08:00:00.000Z' }],
  };
  expect(practicesIn(log, 'p1', '2026-03-06', () => false)).toMatchObject({
    practices: [{ person: 'p1', sheet: 's', pose: 'hero', at: line.at }],
    known: 0,
    afterToday: 1,
  });
});

test.each([
  ['another feeling', { felt: 'great' }],
  ['hours upon hours', { heldSeconds: 99_999 }],
  ['no day', { at: 'yesterday' }],
  ['no side', { side: 'up' }],
])('%s is refused', (_, wrong) => {
  const line = { pose: 'hero', side: 'both', at: '2026-03-05', heldSeconds: 60, felt: 'right' };
  const log = { sheet: 's', name: '', done: [{ ...line, ...wrong } as Done] };
  expect(homeLogSchema.safeParse(packHomeLog(log)).success).toBe(false);
});
