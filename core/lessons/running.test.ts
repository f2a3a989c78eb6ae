import { broughtUp, goesOnAt, longerBy, nowIn, pausedAt, turnedTo, type Run } from './running';

const START = Date.parse('2026-03-02T10:00:00Z');
const after = (seconds: number) => START + seconds * 1000;
const sixty: Run = {
  segments: Array.from({ length: 120 }, (_, i) => ({ seconds: i % 2 ? 10 : 50 })),
  at: 0,
  sinceMs: START,
  pausedMs: null,
  moreSeconds: 0,
};

test('over an hour with the page away for ten minutes the clock is right to the moment', () => {
  let run = sixty;
  for (let s = 0; s <= 3600; s += s > 1200 && s < 1800 ? 600 : 1) {
    run = broughtUp(run, after(s));
    const { at, goneSeconds, leftSeconds, endsMs } = nowIn(run, after(s));
    if (s === 3600) expect(at).toBe(120);
    else {
      expect(at).toBe(2 * Math.floor(s / 60) + (s % 60 >= 50 ? 1 : 0));
      expect(goneSeconds).toBeCloseTo(s % 60 >= 50 ? (s % 60) - 50 : s % 60, 6);
      expect(goneSeconds + leftSeconds).toBeCloseTo(at % 2 ? 10 : 50, 6);
      expect(endsMs).toBe(after(3600));
    }
  }
});

test('loaded anew it is where it would have been', () => {
  const kept = JSON.parse(JSON.stringify(broughtUp(sixty, after(75)))) as Run;
  expect(nowIn(kept, after(200))).toEqual(nowIn(sixty, after(200)));
});

test('while it stands still the end moves on, and nothing else does', () => {
  const paused = pausedAt(sixty, after(70));
  const [then, later] = [nowIn(paused, after(70)), nowIn(paused, after(400))];
  expect(later.at).toBe(then.at);
  expect(later.leftSeconds).toBe(then.leftSeconds);
  expect(later.endsMs - then.endsMs).toBe(330_000);
  const goes = goesOnAt(paused, after(400));
  expect(nowIn(goes, after(401)).goneSeconds).toBeCloseTo(11, 6);
  expect(nowIn(goes, after(401)).endsMs).toBe(after(3600 + 330));
  // Said twice it is said once.
  expect(pausedAt(paused, after(500))).toBe(paused);
  expect(goesOnAt(goes, after(900))).toBe(goes);
});

test('longer holds this stretch alone, and the end is later by it', () => {
  const longer = longerBy(sixty, 30, after(55));
  expect(nowIn(longer, after(55))).toMatchObject({ at: 1, endsMs: after(3630) });
  expect(nowIn(longer, after(55)).leftSeconds).toBeCloseTo(35, 6);
  expect(nowIn(longer, after(95)).at).toBe(2);
});

test('skipped and done once more: the end is where the rest ends', () => {
  const next = turnedTo(sixty, 1, after(20));
  expect(nowIn(next, after(20))).toMatchObject({ at: 1, endsMs: after(3570) });
  const again = turnedTo(next, 0, after(25));
  expect(nowIn(again, after(25))).toMatchObject({ at: 0, endsMs: after(3625) });
  // Neither before the first nor after the last.
  expect(turnedTo(sixty, -3, after(0)).at).toBe(0);
  expect(nowIn(turnedTo(sixty, 999, after(5)), after(6))).toMatchObject({
    at: 120,
    endsMs: after(5),
  });
  // Paused, it waits at its beginning.
  const waits = turnedTo(pausedAt(sixty, after(20)), 4, after(30));
  expect(nowIn(waits, after(90))).toMatchObject({ at: 4, goneSeconds: 0 });
});
