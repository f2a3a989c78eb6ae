import fc from 'fast-check';
import { longSit } from '../parameters';
import { poses } from '../poses/poses';
import { crossedSeatRotation } from '../protocols/protocols';
import type { ReadingSide } from '../ranges/ranges';
import { anyInput, extremeBodies, inputOf } from '../tests/samples';
import { thighRiseDeg } from './crossedLeg';
import { uncertainParameters, type InputValues } from './inputs';
import { families } from './families';
import { type Built, type Family, type FamilyInput } from './family';
import { kneelingSeatCm } from './kneeling/kneelingSeat';
import { rollBackDeg } from './sitting/longSit';
import { crossingAt, hipForCm, pigeonHipCm } from './kneeling/pigeon';
import { between, type Point } from './posture';
import { rampInclineDeg } from './lying/reclinedHero';
import { handsHeightCm } from './folding/standingFold';
import { slotKey, type SlotKey } from '../slots';

const all: readonly Family[] = Object.values(families);
/** Families of poses that are done one side at a time. */
const sided = new Set<string>(
  poses.filter(({ sides }) => sides === 'each').map(({ family }) => families[family].id),
);
const onSide = (family: Family, input: FamilyInput): FamilyInput => ({
  ...input,
  side: sided.has(family.id) ? 'left' : 'both',
});
const height = (family: Family, input: FamilyInput, slot: string) =>
  family.heights(onSide(family, input)).find((need) => slotKey(need) === slot)?.rawCm ?? NaN;
const builtFrom = (family: Family, input: FamilyInput): Built =>
  Object.fromEntries(
    family
      .heights(input)
      .filter(({ isLength }) => !isLength)
      .map((need) => [slotKey(need), Math.max(0, need.rawCm)]),
  );
/** Length of a limb in space, its ends so far outward. */
const inSpace = (a: Point, b: Point, outA: number, outB: number) =>
  Math.hypot(between(a, b), outB - outA);

/** As near as the roots of the geometry are sought. */
const ROOT_CM = 0.02;
/** While a long seat stands over what is usual, the knees may stand anywhere up to their most. */
const kneesMayStand = (family: Family, input: FamilyInput, slot: string) =>
  slot === 'underKnees' && height(family, input, 'seat') > longSit.seatUsual.value
    ? longSit.kneesMost.value
    : 0;
/** Slots whose height a freer range brings down. */
const LONG_SIT = ['seat', 'underKnees'];
const comesDownWith: Readonly<Record<string, readonly string[]>> = {
  'long sit': LONG_SIT,
  straddle: LONG_SIT,
  // In a fold the knees bend as far as the head needs to come to rest; a body that cannot rest it leaves them.
  fold: ['seat'],
  'one-leg fold': ['seat'],
  'straddle fold': ['seat'],
  'seated twist': ['seat'],
  crossed: ['seat', 'underThigh:left'],
  'half lotus': ['seat', 'underThigh:left'],
  open: ['seat', 'underThigh:left'],
  'open fold': ['seat'],
  stacked: ['seat', 'underThigh:left'],
  'stacked fold': ['seat'],
  kneeling: ['seat', 'ankle'],
  'kneeling on heels': ['seat', 'ankle'],
  child: ['seat', 'ankle'],
  frog: ['chest'],
  lunge: ['hands'],
  lizard: ['hands'],
  'reclined hero': ['seat', 'back.high', 'ankle'],
  'reclined hero, one leg': ['seat', 'back.high', 'ankle'],
  'reclined open': ['outerHip:left', 'underThigh:left'],
  'standing fold': ['hands'],
  'hanging fold': ['hands'],
  'wide fold': ['hands'],
  pigeon: ['hipLevel'],
  'king pigeon': ['hipLevel'],
  squat: [],
  'squat, one side': [],
  'side squat': [],
  heron: ['seat'],
  sundial: ['seat'],
  'leg raise': ['underKnees'],
  'lying at rest': ['underKnees'],
  'chair hinge': ['hands'],
  'chair, legs wide': ['hands'],
  'downward dog': [],
};
/**
 * Where a slot is limited by one range alone; in a lunge a lower hip tips the front thigh, which is no limit of the
 * back one.
 */
const limitedBy: Readonly<Record<string, string>> = { lunge: 'hipFlexion', lizard: 'hipFlexion' };
/** A roll works only from the gap under the knee up; what the forehead comes down over changes from place to place. */
const SWITCHES: ReadonlySet<string> = new Set(['underKnees', 'forehead', 'strap']);

describe('worked examples', () => {
  test.each([
    [60, 0, 0, 17],
    [60, 10, 0, 11],
    [60, 10, 10, 6],
    [60, 10, 20, 0],
    [40, 0, 0, 37],
    [40, 15, 20, 12],
  ])(
    'a hamstring of %d° on a seat of %d cm with a roll of %d cm rolls back %d°',
    (hamstring, seatCm, rollCm, expected) => {
      expect(Math.round(rollBackDeg(seatCm, rollCm, inputOf({ hamstring })))).toBeCloseTo(
        expected,
        -0.3,
      );
    },
  );

  test.each([
    [110, 31.2],
    [120, 26.6],
    [130, 21],
    [140, 14.7],
    [150, 7.9],
    [160, 0.7],
  ])('a usable knee bend of %d° asks for a kneeling seat of %d cm', (usable, expected) => {
    expect(kneelingSeatCm(usable, inputOf().body, 15)).toBeCloseTo(expected, 1);
  });

  test.each([
    [120, 37],
    [140, 17],
    [150, 7],
  ])('a front thigh of %d° asks for a trunk at %d°', (prone, expected) => {
    expect(rampInclineDeg(prone, 15, 1, 10)).toBeCloseTo(expected, 6);
  });

  test.each([
    [60, 0, 37],
    [60, 30, 23],
    [60, 60, 3],
    [80, 0, 20],
    [80, 45, -1],
  ])(
    'a hamstring of %d° with knees bent %d° brings the palms to %d cm',
    (hamstring, knees, expected) => {
      // The examples let the hip itself bend by 120°.
      expect(Math.round(handsHeightCm(inputOf({ hamstring, hipFlexion: 120 }), knees))).toBe(
        expected,
      );
    },
  );
});

describe('worked examples of the other families', () => {
  const crossed = (rotation: number, seatCm: number) => {
    const { body } = inputOf();
    return Math.round(
      thighRiseDeg(
        seatCm + body.seatToHipCm,
        rotation,
        { kneeDeg: 130, footCm: 4, pastMidlineCm: 0 },
        body,
      ).riseDeg,
    );
  };
  test.each([
    [60, 0, 34],
    [60, 10, 4],
    [50, 15, 3],
    [40, 20, -1],
    [70, 5, 4],
  ])('a rotation of %d° on a seat of %d cm puts the thigh at %d°', (rotation, seatCm, expected) => {
    expect(Math.abs(crossed(rotation, seatCm) - expected)).toBeLessThanOrEqual(1);
  });

  test('the rotation read back from a knee gap is the one that made it', () => {
    fc.assert(
      fc.property(
        fc.double({ min: 25, max: 75, noNaN: true }),
        fc.double({ min: 0, max: 12, noNaN: true }),
        (rotation, seatCm) => {
          const { body } = inputOf();
          const hipY = seatCm + body.seatToHipCm;
          const { riseDeg, rotationDeg } = thighRiseDeg(
            hipY,
            rotation,
            { kneeDeg: 130, footCm: 5.1, pastMidlineCm: 0 },
            body,
          );
          const gapCm = hipY + body.thighCm * Math.sin((riseDeg * Math.PI) / 180) - body.kneeBackCm;
          expect(crossedSeatRotation(gapCm, seatCm, 130, body)).toBeCloseTo(rotationDeg, 4);
        },
      ),
    );
  });

  test.each([
    [10, 5, 8],
    [20, 2, 5],
    [30, -1.5, 1.5],
  ])('an ankle bend of %d° asks for a heel lift between %d and %d cm', (ankleBend, least, most) => {
    const lift = height(families.squat, inputOf({ ankleBend }), 'heels');
    expect(lift).toBeGreaterThanOrEqual(least);
    expect(lift).toBeLessThanOrEqual(most);
  });

  test('a closer heel asks less of the front hip in pigeon', () => {
    const input: FamilyInput = { ...inputOf({ hipRotation: 60 }), side: 'left' };
    const hip = (kneeDeg: number) => hipForCm(crossingAt(kneeDeg, input), input);
    expect(hip(135)).toBeLessThan(hip(130));
    expect(hip(112)).toBeGreaterThan(hip(130));
  });

  test('a shin goes toward square only where the hip would come down by itself', () => {
    const at = (hipRotation: number, pigeonKneeDeg: number) =>
      pigeonHipCm({ ...inputOf({ hipRotation }, { pigeonKneeDeg }), side: 'left' });
    expect(at(55, 112)).toBeCloseTo(at(55, 130), 9);
    expect(at(88, 112)).not.toBeCloseTo(at(88, 130), 2);
    expect(at(88, 112)).toBeLessThanOrEqual(inputOf().body.seatToHipCm);
  });

  test('long shins raise the seat of a chair, short ones the floor', () => {
    const slots = (statureCm: number) =>
      Object.fromEntries(
        families['chair seat']
          .heights(inputOf({}, {}, statureCm))
          .map(({ slot, rawCm }) => [slot, rawCm]),
      );
    expect(slots(150)).toMatchObject({ feet: expect.closeTo(45 - 0.25 * 150, 6) });
    expect(slots(200).seat).toBeCloseTo(0.25 * 200 - 45, 6);
    expect(slots(200).feet).toBeCloseTo(0, 6);
  });
});

describe.each(all.map((family) => [family.id, family] as const))('%s', (_, family) => {
  test('every solved figure keeps the lengths of its segments', () => {
    fc.assert(
      fc.property(anyInput, (any) => {
        const input = onSide(family, any);
        const { posture } = family.figure(input, builtFrom(family, input));
        const { thighCm, shinCm, trunkCm, upperArmCm, forearmCm, palmCm } = input.body;
        for (const leg of [posture, ...(posture.far ? [posture.far] : [])]) {
          const out = leg.aside ?? { knee: 0, ankle: 0 };
          expect(inSpace(posture.hip, leg.knee, 0, out.knee)).toBeCloseTo(thighCm, 3);
          expect(inSpace(leg.knee, leg.ankle, out.knee, out.ankle)).toBeCloseTo(shinCm, 3);
        }
        const shoulder = posture.spine.at(-1) as readonly [number, number];
        const along = posture.spine
          .slice(1)
          .reduce(
            (sum, point, i) => sum + between(posture.spine[i] as readonly [number, number], point),
            0,
          );
        expect(between(posture.hip, shoulder)).toBeLessThanOrEqual(trunkCm + 1e-6);
        expect(along).toBeGreaterThanOrEqual(trunkCm - 1e-6);
        expect(along).toBeLessThan(trunkCm * 1.05);
        expect(between(shoulder, posture.elbow)).toBeCloseTo(upperArmCm, 3);
        expect(between(posture.elbow, posture.hand)).toBeCloseTo(forearmCm + palmCm, 3);
      }),
      { numRuns: 50 },
    );
  });

  test('nothing of the figure lies under the floor', () => {
    fc.assert(
      fc.property(anyInput, (any) => {
        const input = onSide(family, any);
        const { posture } = family.figure(input, builtFrom(family, input));
        const legs = [posture, ...(posture.far ? [posture.far] : [])];
        for (const [, y] of [
          posture.hip,
          ...legs.flatMap(({ knee, ankle, toe }) => [knee, ankle, toe]),
          ...posture.spine,
          posture.head,
        ])
          expect(y).toBeGreaterThan(-0.5);
      }),
      { numRuns: 50 },
    );
  });

  test('a freer range never asks for a higher support', () => {
    const limiting = comesDownWith[family.id] ?? [];
    fc.assert(
      fc.property(
        anyInput,
        fc.nat(),
        fc.double({ min: 0, max: 15, noNaN: true }),
        (any, pick, more) => {
          const input = onSide(family, any);
          const only = limitedBy[family.id];
          const keys = family.needs(input.side).filter(
            (key) =>
              !(key in uncertainParameters) &&
              // How a pelvis stands is no matter of freedom.
              key !== 'pelvicTilt.standing' &&
              (only === undefined || key.startsWith(only)),
          );
          const key = keys[pick % keys.length];
          if (key === undefined) return;
          const freer = {
            ...input,
            values: {
              ...input.values,
              [key]: (input.values[key] ?? 0) + (key === 'hamstringCoupling' ? more / 100 : more),
            },
          };
          for (const slot of limiting) {
            // Reclined soles-together is held in one place or the other.
            if (Number.isNaN(height(family, input, slot))) continue;
            expect(height(family, freer, slot)).toBeLessThanOrEqual(
              Math.max(height(family, input, slot), kneesMayStand(family, input, slot)) + ROOT_CM,
            );
          }
        },
      ),
    );
  });

  test('a change of a tenth of a degree moves no height by more than a centimetre, outside the switches that are written down', () => {
    fc.assert(
      fc.property(anyInput, (any) => {
        const input = onSide(family, any);
        const before = family.heights(input);
        for (const key of family
          .needs(input.side)
          .filter((one) => input.values[one] !== undefined && one !== 'hamstringCoupling')) {
          const after = family.heights({
            ...input,
            values: { ...input.values, [key]: (input.values[key] ?? 0) + 0.1 },
          });
          before.forEach((need, i) => {
            if (SWITCHES.has(need.slot)) return;
            // Below the floor nothing is built, and pigeon's shin may go toward square.
            expect(
              Math.abs(Math.max(0, after[i]?.rawCm ?? NaN) - Math.max(0, need.rawCm)),
            ).toBeLessThan(1);
          });
        }
      }),
      { numRuns: 50 },
    );
  });

  test('mirrored ranges on the other side give the same heights', () => {
    fc.assert(
      fc.property(anyInput, fc.double({ min: -10, max: 10, noNaN: true }), (any, skew) => {
        const input = onSide(family, any);
        const skewed = Object.fromEntries(
          Object.entries(input.values).map(([key, value]) => [
            key,
            key.endsWith(':left') ? (value as number) + skew : value,
          ]),
        );
        const swap = (key: string) =>
          key.replace(/:(left|right)/, (_match, side: string) =>
            side === 'left' ? ':right' : ':left',
          );
        const swapped = Object.fromEntries(
          Object.entries(skewed).map(([key, value]) => [swap(key), value]),
        );
        const heights = (values: InputValues, side: ReadingSide) =>
          new Map(
            family.heights({ ...input, values, side }).map((need) => [slotKey(need), need.rawCm]),
          );
        const [one, other] = [
          heights(skewed as InputValues, input.side),
          heights(swapped as InputValues, input.side === 'left' ? 'right' : 'both'),
        ];
        for (const [key, cm] of one) expect(other.get(swap(key) as SlotKey)).toBeCloseTo(cm, 9);
      }),
      { numRuns: 50 },
    );
  });

  test('every slot says why, with the extreme bodies too', () => {
    for (const body of extremeBodies) {
      const input = onSide(family, body);
      for (const need of family.heights(input)) {
        expect(Number.isFinite(need.rawCm)).toBe(true);
        const why = family.why(input, need);
        expect(why.length).toBeGreaterThan(0);
        for (const reason of why)
          for (const number of Object.values(reason))
            if (typeof number === 'number') expect(Number.isFinite(number)).toBe(true);
      }
    }
  });
});

test('on the heights asked for, nobody in a kneeling pose is asked for more knee bend than they have', () => {
  fc.assert(
    fc.property(anyInput, (input) => {
      for (const family of [families.kneeling, families['reclined hero']] as const) {
        const { demands } = family.figure(input, builtFrom(family, input));
        for (const { range, needDeg, haveDeg } of demands.filter(
          (one) => one.range === 'kneeFlexion.hipBent',
        )) {
          expect(range).toBe('kneeFlexion.hipBent');
          expect(needDeg).toBeLessThanOrEqual(haveDeg + 1e-6);
        }
      }
    }),
  );
});

test('the pelvis of a long sit rolls back no more than is allowed, unless the path has ended', () => {
  fc.assert(
    fc.property(anyInput, (input) => {
      const needs = families['long sit'].heights(input);
      const [seat, roll] = needs.map(({ rawCm }) => Math.max(0, rawCm)) as [number, number];
      const rolled = rollBackDeg(seat, roll, input);
      expect(rolled <= 4.05 || roll >= 27.9).toBe(true);
    }),
  );
});

test('a pad behind the knee raises no seat; one that is worth the seat leaves none to be built', () => {
  fc.assert(
    fc.property(anyInput, fc.double({ min: 0, max: 10, noNaN: true }), (input, behindKneeCm) => {
      const padded = { ...input, settings: { ...input.settings, behindKneeCm } };
      expect(height(families.kneeling, padded, 'seat')).toBeLessThanOrEqual(
        height(families.kneeling, input, 'seat') + 1e-9,
      );
    }),
  );
  const stiff = { 'kneeFlexion.hipBent': 130 };
  expect(height(families.child, inputOf(stiff), 'seat')).toBeGreaterThan(2);
  expect(height(families.child, inputOf(stiff, { childPadCm: 8 }), 'seat')).toBeLessThan(0);
});

test('back first lifts the knees, legs first lifts the seat', () => {
  const stiff = { hamstring: 50 };
  const knees = inputOf(stiff, { firstToRise: 'knees' });
  const seat = inputOf(stiff, { firstToRise: 'seat' });
  expect(height(families['long sit'], knees, 'seat')).toBeLessThan(
    height(families['long sit'], seat, 'seat'),
  );
  expect(height(families['long sit'], knees, 'underKnees')).toBeGreaterThan(
    height(families['long sit'], seat, 'underKnees'),
  );
});

test('a replaced hip is never folded past 90°', () => {
  const free = inputOf(
    { hamstring: 110, hipFlexion: 140 },
    { hipFlexionMostDeg: 90, pelvisTargetDeg: -10 },
  );
  const { findings } = families.fold.figure(free, { underKnees: 0 });
  // The trunk stands upright with the pelvis at its target: a right angle is the target's own and the fall of the
  // thigh.
  expect(findings.foldDeg ?? NaN).toBeLessThanOrEqual(10 + 3);
});

test('the reason names the stiffer side, the bend, and the difference', () => {
  const input = inputOf({ 'kneeFlexion.hipBent': 130 });
  const skewed = { ...input, values: { ...input.values, 'kneeFlexion.hipBent:left': 126 } };
  const need = families.kneeling.heights(skewed)[0];
  expect(need && families.kneeling.why(skewed, need)).toEqual([
    {
      code: 'kneeling-seat',
      deg: 126,
      side: 'left',
      marginDeg: 5,
      cm: expect.closeTo(24, 0),
      over: 'floor',
      moreCm: expect.closeTo(2.3, 1),
    },
  ]);
});

test('a fold of which it is told that lifted knees take the rest lifts them', () => {
  let told = 0;
  fc.assert(
    fc.property(anyInput, fc.constantFrom<'' | 'belly'>('', 'belly'), (drawn, way) => {
      const input: FamilyInput = {
        ...drawn,
        settings: { ...drawn.settings, firstToRise: 'knees', way },
      };
      for (const family of [families.fold, families['one-leg fold']]) {
        const set = onSide(family, input);
        const need = family.heights(set).find(({ slot }) => slot === 'seat');
        const takesRest = need && family.why(set, need).some((one) => 'kneesFirst' in one);
        if (!takesRest) continue;
        told++;
        expect(height(family, input, 'underKnees')).toBeGreaterThan(1);
      }
    }),
    // Drawn anew each time: told of about six in a hundred.
    { numRuns: 600 },
  );
  expect(told).toBeGreaterThan(3);
});
