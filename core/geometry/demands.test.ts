import fc from 'fast-check';
import { anyInput } from '../tests/samples';
import { families, type FamilyId } from './families';
import type { Built, FamilyInput } from './family';
import { slotKey } from '../slots';

/** The heights that a body asks for, as they would be built. */
const built = (id: FamilyId, input: FamilyInput): Built =>
  Object.fromEntries(
    families[id].heights(input).map((need) => [slotKey(need), Math.max(0, need.rawCm)]),
  );
const shortBy = (id: FamilyId, input: FamilyInput, range: string) =>
  Math.max(
    -Infinity,
    ...families[id]
      .figure(input, built(id, input))
      .demands.filter((one) => one.range === range)
      .map(({ needDeg, haveDeg }) => needDeg - haveDeg),
  );
const everybody = (check: (input: FamilyInput) => void) =>
  fc.assert(fc.property(anyInput, check), { numRuns: 60 });

/** What gives elsewhere is no demand: a spine that rounds, a trunk that leans, a thigh that lies on something. */
describe.each([
  ['lunge', 'hipFlexion'],
  ['downward dog', 'hamstring'],
  ['pigeon', 'hipExtension'],
] as const)('%s', (id, range) => {
  test(`asks no more ${range} than there is: the trunk leans instead`, () =>
    everybody((input) => {
      // A front hip that does not bend to a right angle is short in any lunge; a hip behind that stays bent, in any
      // pigeon.
      const values = {
        ...input.values,
        'hipFlexion:left': 118,
        'hipExtension:right': 8,
        'hamstring:left': 55,
        'hamstring:right': 60,
      };
      const side = id === 'downward dog' ? 'both' : 'left';
      expect(shortBy(id, { ...input, values, side }, range)).toBeLessThanOrEqual(1e-4);
    }));
});

describe.each(['crossed', 'open', 'reclined open'] as const)('%s', (id) => {
  test('a thigh that lies on something is asked for no more turn than it has', () =>
    everybody((input) => {
      const whole = { ...input, side: 'both' as const };
      const heights = {
        ...built(id, whole),
        'underThigh:left': 12,
        'underThigh:right': 12,
        'outerHip:left': 12,
        'outerHip:right': 12,
      };
      for (const { range, needDeg, haveDeg } of families[id].figure(whole, heights).demands)
        if (range === 'hipRotation') expect(needDeg).toBeLessThanOrEqual(haveDeg + 1e-6);
    }));

  test('heels lie further away the less the knees bend', () =>
    everybody((input) => {
      const heels = (deg: number) =>
        families[id].dials?.({
          ...input,
          values: {
            ...input.values,
            'kneeFlexion.hipBent:left': deg,
            'kneeFlexion.hipBent:right': deg,
          },
        }).heelsAway ?? NaN;
      expect(heels(100)).toBeGreaterThan(heels(120));
      expect(heels(120)).toBeGreaterThanOrEqual(heels(160));
      expect(heels(158)).toBeCloseTo(heels(160), 6);
    }));
});

test('reclined hero: what the low back may arch by is no demand on the front thigh', () =>
  everybody((input) =>
    expect(
      shortBy('reclined hero', { ...input, side: 'both' }, 'kneeFlexion.prone'),
    ).toBeLessThanOrEqual(25),
  ));
