import fc from 'fast-check';
import { bodyFrom } from '../body/body';
import { families, type FamilyId } from '../geometry/families';
import { slotIds } from '../slots';
import { kinds, propKinds, uses } from './kinds';
import { slotRule } from './slots';

const familyIds = Object.keys(families) as FamilyId[];
const anyBody = fc.integer({ min: 1400, max: 2100 }).map((mm) => bodyFrom(mm / 10));

test('a rule that is remembered is what this body would get by itself, whoever asked before', () => {
  fc.assert(
    fc.property(
      fc.constantFrom(...slotIds),
      fc.constantFrom(...familyIds),
      fc.constantFrom('', 'in-front', 'ramp'),
      fc.array(anyBody, { minLength: 2, maxLength: 5 }),
      (slot, family, way, bodies) => {
        for (const body of bodies) {
          const rule = slotRule(slot, family, body, way);
          expect(slotRule(slot, family, body, way)).toBe(rule);
          // A seat is as wide as these hips, or as its family says for every body.
          const others = bodies.filter((one) => one !== body);
          for (const other of others)
            if (Math.round(other.hipWidthCm) === Math.round(body.hipWidthCm))
              expect(slotRule(slot, family, other, way)).toBe(rule);
        }
      },
    ),
  );
});

test('a seat on the floor is as wide as the hips, to the centimetre, in whichever order bodies come', () => {
  fc.assert(
    fc.property(fc.array(anyBody, { minLength: 1, maxLength: 6 }), (bodies) => {
      for (const body of bodies)
        expect(slotRule('seat', 'long sit', body).leastWidthCm).toBe(Math.round(body.hipWidthCm));
    }),
  );
});

const asked = new Set(
  slotIds.flatMap((slot) =>
    familyIds.flatMap((family) =>
      ['', 'blocks'].flatMap((way) => slotRule(slot, family, bodyFrom(170), way).asks),
    ),
  ),
);

test.each(propKinds)('%s serves somewhere, and lies in no two ways of one name', (kind) => {
  const { lies } = kinds[kind];
  expect(lies.some((lie) => lie.uses.some((use) => asked.has(use)))).toBe(true);
  expect(new Set(lies.map(({ id }) => id)).size).toBe(lies.length);
});

test.each(uses)('as %s something serves, and some slot asks for it', (use) => {
  expect(asked.has(use)).toBe(true);
  expect(propKinds.some((kind) => kinds[kind].lies.some((lie) => lie.uses.includes(use)))).toBe(
    true,
  );
});
