import { backupTold, putOff, withChange } from './backup';
import type { Mark } from './spare';

const mark: Mark = { people: 1, readings: 2, sessions: 3, at: '2026-03-01T08:00:00Z' };
const after = (changes: number, more: Partial<Mark> = {}): Mark => {
  let now: Mark = { ...mark, ...more };
  for (let i = 0; i < changes; i++) now = { ...now, ...withChange(now, '2026-03-01T08:00:00Z') };
  return now;
};

test.each([
  ['nothing was ever written', null, '2026-12-01', 0, false],
  ['nothing changed', mark, '2026-12-01', 0, false],
  ['one change, yesterday', after(1), '2026-03-02', 1, false],
  ['one change, two weeks ago', after(1), '2026-03-15', 1, true],
  ['many changes today', after(60), '2026-03-01', 60, true],
  ['nearly as many', after(59), '2026-03-01', 59, false],
] as const)('%s', (_, now, today, changes, isDue) => {
  expect(backupTold(now, today)).toMatchObject({ changes, isDue, exportedAt: null });
});

test('put off, it is asked again in a week, and a change in between asks no sooner', () => {
  const off = putOff(after(60), '2026-03-01');
  const more = { ...off, ...withChange(off, '2026-03-03T08:00:00Z') };
  expect(backupTold(more, '2026-03-07').isDue).toBe(false);
  expect(backupTold(more, '2026-03-08')).toMatchObject({ isDue: true, changes: 61 });
});

test('the first change since the last backup is the one whose age counts', () => {
  const now = after(3, { exportedAt: '2026-02-01T08:00:00Z' });
  expect(withChange(now, '2026-03-30T08:00:00Z').changedAt).toBe('2026-03-01T08:00:00Z');
  expect(backupTold(now, '2026-03-20')).toMatchObject({
    exportedAt: '2026-02-01T08:00:00Z',
    isDue: true,
  });
});
