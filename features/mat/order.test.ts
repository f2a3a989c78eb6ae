import { estimateRanges } from '@/core/estimate/estimate';
import { oneSeatFor, placeKey, type OrderAdvice } from '@/core/advise/order';
import { planStudent } from '@/core/plan/plan';
import { inPoseOf } from '@/core/build/solve';
import { studioShelf } from '@/core/props/usualShelves';
import { recordOfSix, sixPeople, type OneOfSix } from '@/core/tests/sixPeople';
import { adviceWords, amissWords, mendWords, settledOn, withSequence } from './order';
import { asPlanned } from '@/core/learn/settled';

const DAY = '2026-03-01';
const names = Object.keys(sixPeople) as OneOfSix[];

test.each<[OrderAdvice, RegExp, RegExp]>([
  [
    { says: 'warm-first', pose: 'hero', add: 'cats-tail', at: 0 },
    /^Hero has nothing before it/,
    /^Add Side-lying thigh stretch before it$/,
  ],
  [
    { says: 'deep-early', pose: 'hero', after: 'low-lunge', at: 0 },
    /^Hero stands before Low lunge/,
    /^Move Hero after it$/,
  ],
  [
    { says: 'counter-after', pose: 'pigeon', add: 'child', at: 0 },
    /^Nothing after Pigeon/,
    /^Add Child after it$/,
  ],
  [{ says: 'rest-last', pose: 'rest', at: 0 }, /comes last\.$/, /to the end$/],
])('advice %# says what is amiss and what a tap does', (advice, words, does) => {
  expect(adviceWords(advice).words).toMatch(words);
  expect(adviceWords(advice).does).toMatch(does);
});

test.each(names)(
  '%s: with one seat, what fills a gap follows it and nothing else moves',
  (name) => {
    const record = recordOfSix(name);
    const { person } = record;
    const planned = planStudent(record, studioShelf, DAY, {
      poses: ['staff', 'easy-cross', 'open-book', 'straddle'],
    }).poses.filter(({ posture }) => posture !== null);
    const seat = oneSeatFor(planned, (one) => inPoseOf(person, one, studioShelf));
    if (!seat) return;
    const settled = settledOn(seat, planned, person, estimateRanges(record, DAY), studioShelf);
    expect(Object.keys(settled).sort()).toEqual([...seat.places].sort());
    for (const one of planned.filter((pose) => seat.places.includes(placeKey(pose)))) {
      const here = settled[placeKey(one)]!;
      expect(here.map(({ slot }) => slot)).toEqual(asPlanned(one).map(({ slot }) => slot));
      expect(here.find(({ slot }) => slot === 'seat')?.heightCm).toBeCloseTo(
        seat.stack.heightCm,
        1,
      );
      for (const { heightCm, pieces } of here) {
        expect(heightCm).toBeGreaterThanOrEqual(0);
        if (heightCm > 0.5) expect(pieces.length).toBeGreaterThan(0);
      }
    }
  },
);

test('a sequence of the same name takes the place of the one before', () => {
  const settings = { units: 'cm' as const, theme: 'system' as const };
  const first = withSequence(settings, { id: 'a', name: 'Thursday', poses: ['hero'] });
  const second = withSequence(
    { ...settings, sequences: first },
    { id: 'b', name: 'Thursday', poses: ['staff'] },
  );
  expect(second).toEqual([{ id: 'b', name: 'Thursday', poses: ['staff'] }]);
});

test('all that is amiss in an order is one sentence, and what mends it one tap', () => {
  const cold = (pose: 'hero' | 'staff' | 'child', at: number) =>
    ({ says: 'warm-first', pose, add: 'leg-up', at }) as const;
  const kept = { says: 'counter-after', pose: 'hero', add: 'staff', at: 1 } as const;
  expect(amissWords([cold('staff', 0), cold('hero', 1), kept])).toBe(
    'Nothing before Staff and Hero warms them; nothing after Hero takes it back.',
  );
  expect(amissWords([cold('staff', 0), cold('hero', 1), cold('child', 2)])).toBe(
    'Nothing before three of these poses warms them.',
  );
  expect(mendWords({ added: ['leg-up', 'constructive', 'staff'], moved: ['hero'] })).toBe(
    'Mend it: add Reclined leg raise with strap, Constructive rest and Staff; move Hero',
  );
});
