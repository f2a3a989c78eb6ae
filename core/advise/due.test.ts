import { isDueForReading, isLongAway } from './due';

test('six weeks make a reading old, three weeks an absence long; who was never read is due, who never came is not missed', () => {
  expect(isDueForReading(undefined, '2026-03-02')).toBe(true);
  expect(isDueForReading('2026-01-19T18:00:00Z', '2026-03-02')).toBe(true);
  expect(isDueForReading('2026-01-20T18:00:00Z', '2026-03-02')).toBe(false);
  expect(isLongAway(undefined, '2026-03-02')).toBe(false);
  expect(isLongAway('2026-02-09', '2026-03-02')).toBe(true);
  expect(isLongAway('2026-02-10', '2026-03-02')).toBe(false);
});
