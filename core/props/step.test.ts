import { bodyFrom } from '../body/body';
import { decision, thin } from '../parameters';
import { bestStacks, stepBelow } from './search';
import { slotRule } from './slots';
import { stackFaults } from './stack';
import { usualShelves } from './usualShelves';

const body = bodyFrom(170);
const rules = [
  slotRule('seat', 'kneeling', body),
  slotRule('seat', 'long sit', body),
  slotRule('hipLevel', 'pigeon', body),
];

test('a step down within a visit is felt, is built by the rules, and most often a hand makes it of what lies there', () => {
  let [steps, simple] = [0, 0];
  for (const shelf of Object.values(usualShelves))
    for (const rule of rules)
      for (let cm = 3; cm < 28; cm += 1)
        for (const lying of bestStacks(shelf, rule, { targetCm: cm }, 1)) {
          const below = stepBelow(shelf, rule, lying);
          if (!below) continue;
          steps++;
          const downCm = lying.heightCm - below.heightCm;
          expect(stackFaults(below.pieces, shelf, rule)).toEqual([]);
          expect(downCm).toBeLessThanOrEqual(3 + 1e-6);
          if (below.heightCm > 0) expect(below.heightCm).toBeGreaterThanOrEqual(thin.built.value);
          if (lying.heightCm >= thin.built.value)
            expect(downCm).toBeGreaterThanOrEqual(decision.leastRung.value - 1e-6);
          const kept = lying.pieces.filter(({ item, state }) =>
            below.pieces.some((one) => one.item === item && one.state === state),
          );
          if (kept.length >= lying.pieces.length - 1) simple++;
        }
  expect(steps).toBeGreaterThan(100);
  expect(simple / steps).toBeGreaterThan(0.5);
});
