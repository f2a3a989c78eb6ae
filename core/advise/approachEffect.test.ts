import { approachEffect } from './approachEffect';
import { approachIds } from '../approaches/approaches';
import { planStudent } from '../plan/plan';
import { studioShelf } from '../props/usualShelves';
import { recordWith, samplePerson } from '../tests/samples';

const planIn = (approach: (typeof approachIds)[number]) =>
  planStudent(recordWith({ person: samplePerson({ approach }) }), studioShelf, '2026-03-02', {
    poses: ['staff', 'hero', 'reclined-hero', 'rest'],
  }).poses;

test('the same approach changes nothing', () => {
  const plan = planIn('built-up-alignment');
  expect(approachEffect(plan, plan)).toMatchObject({ otherwise: [], lost: [], gained: [] });
});

test('long quiet holds are longer, and what is built otherwise stands from what to what', () => {
  const [now, long] = [planIn('built-up-alignment'), planIn('long-quiet-holds')];
  const { holds, otherwise } = approachEffect(now, long);
  expect(holds[1]).toBeGreaterThan(holds[0]);
  for (const { pose, slot, fromCm, toCm } of otherwise) {
    const in_ = (plan: typeof now) =>
      plan
        .find((one) => one.pose === pose)
        ?.slots.find((one) => one.slot === slot.slot && one.side === slot.side)?.stackCm ?? 0;
    expect([fromCm, toCm]).toEqual([in_(now), in_(long)]);
  }
  const moves = otherwise.map(({ fromCm, toCm }) => Math.abs(toCm - fromCm));
  expect(moves).toEqual([...moves].sort((a, b) => b - a));
});
