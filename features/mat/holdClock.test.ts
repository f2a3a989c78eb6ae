import { heldSeconds } from '@/store/mat';
import { holdNow } from './holdClock';

const seconds = (from: string, to: string) =>
  heldSeconds({ heldSeconds: 0, holdingSince: from }, to);

test('a clock that is set back takes nothing from a hold, one that is set on, or a sleep, counts', () => {
  jest.useFakeTimers({ now: new Date('2026-03-02T18:00:00Z') });
  try {
    const since = holdNow();
    jest.advanceTimersByTime(40_000);
    jest.setSystemTime(new Date('2026-03-02T17:00:00Z'));
    expect(seconds(since, holdNow())).toBe(40);
    jest.advanceTimersByTime(20_000);
    expect(seconds(since, holdNow())).toBe(60);
    jest.setSystemTime(new Date('2026-03-02T18:05:00Z'));
    expect(seconds(since, holdNow())).toBe(300);
  } finally {
    jest.useRealTimers();
  }
});
