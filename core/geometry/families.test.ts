import fc from 'fast-check';
import { anyInput, inputOf } from '../tests/samples';
import { uncertainParameters } from './draw';
import { families } from './families';
import { slotKey, type Built, type Family, type FamilyInput } from './family';
import { kneelingSeatCm } from './kneelingSeat';
import { rollBackDeg } from './longSit';
import { between } from './posture';
import { rampInclineDeg } from './reclinedHero';
import { handsHeightCm } from './standingFold';

const all: readonly Family[] = Object.values(families);
const height = (family: Family, input: FamilyInput, slot: string) => family.heights(input).find((need) => slotKey(need) === slot)?.rawCm ?? NaN;
const builtFrom = (family: Family, input: FamilyInput): Built => Object.fromEntries(family.heights(input).filter(({ isLength }) => !isLength).map((need) => [slotKey(need), Math.max(0, need.rawCm)]));

describe('worked examples', () => {
  test.each([
    [60, 0, 0, 17], [60, 10, 0, 11], [60, 10, 10, 6], [60, 10, 20, 0], [40, 0, 0, 37], [40, 15, 20, 12],
  ])('a hamstring of %d° on a seat of %d cm with a roll of %d cm rolls back %d°', (hamstring, seatCm, rollCm, expected) => {
    expect(Math.round(rollBackDeg(seatCm, rollCm, inputOf({ hamstring })))).toBeCloseTo(expected, -0.3);
  });

  test.each([[110, 31.2], [120, 26.6], [130, 21], [140, 14.7], [150, 7.9], [160, 0.7]])('a usable knee bend of %d° asks for a kneeling seat of %d cm', (usable, expected) => {
    expect(kneelingSeatCm(usable, inputOf().body, 15)).toBeCloseTo(expected, 1);
  });

  test.each([[120, 40], [140, 20], [150, 10]])('a front thigh of %d° asks for a trunk at %d°', (prone, expected) => {
    expect(rampInclineDeg(prone, 15, 1, 10)).toBeCloseTo(expected, 6);
  });

  test.each([[60, 0, 41], [60, 30, 27], [60, 60, 7], [80, 0, 24], [80, 45, 3]])('a hamstring of %d° with knees bent %d° brings the palms to %d cm', (hamstring, knees, expected) => {
    // The examples let the hip itself bend by 120°.
    expect(Math.round(handsHeightCm(inputOf({ hamstring, hipFlexion: 120 }), knees))).toBe(expected);
  });
});

describe.each(all.map((family) => [family.id, family] as const))('%s', (_, family) => {
  test('every solved figure keeps the lengths of its segments', () => {
    fc.assert(fc.property(anyInput, (input) => {
      const { posture } = family.figure(input, builtFrom(family, input));
      const { thighCm, shinCm, trunkCm, upperArmCm, forearmCm, palmCm } = input.body;
      expect(between(posture.hip, posture.knee)).toBeCloseTo(thighCm, 4);
      expect(between(posture.knee, posture.ankle)).toBeCloseTo(shinCm, 4);
      const shoulder = posture.spine.at(-1) as readonly [number, number];
      const along = posture.spine.slice(1).reduce((sum, point, i) => sum + between(posture.spine[i] as readonly [number, number], point), 0);
      expect(between(posture.hip, shoulder)).toBeLessThanOrEqual(trunkCm + 1e-6);
      expect(along).toBeGreaterThanOrEqual(trunkCm - 1e-6);
      expect(along).toBeLessThan(trunkCm * 1.05);
      expect(between(shoulder, posture.elbow)).toBeCloseTo(upperArmCm, 3);
      expect(between(posture.elbow, posture.hand)).toBeCloseTo(forearmCm + palmCm, 3);
    }));
  });

  test('nothing of the figure lies under the floor', () => {
    fc.assert(fc.property(anyInput, (input) => {
      const { posture } = family.figure(input, builtFrom(family, input));
      for (const [, y] of [posture.hip, posture.knee, posture.ankle, posture.toe, ...posture.spine]) expect(y).toBeGreaterThan(-0.5);
    }));
  });

  test('a freer range never asks for a higher support', () => {
    const limiting = { 'long sit': ['seat', 'underKnees'], fold: ['seat', 'underKnees'], kneeling: ['seat', 'ankle'], 'reclined hero': ['seat', 'back.high', 'ankle'], 'standing fold': ['hands'] }[family.id] ?? [];
    fc.assert(fc.property(anyInput, fc.constantFrom(...family.needs.filter((key) => !(key in uncertainParameters))), fc.double({ min: 0, max: 15, noNaN: true }), (input, key, more) => {
      const gain = key === 'hamstringCoupling' ? more / 100 : more;
      const freer = { ...input, draw: { ...input.draw, [key]: (input.draw[key] ?? 0) + gain } };
      for (const slot of limiting) {
        expect(height(family, freer, slot)).toBeLessThanOrEqual(height(family, input, slot) + 1e-6);
      }
    }));
  });

  test('a change of a tenth of a degree moves no height by more than a centimetre, outside the roll’s switch', () => {
    fc.assert(fc.property(anyInput, (input) => {
      for (const key of family.needs.filter((one) => input.draw[one] !== undefined && one !== 'hamstringCoupling')) {
        const nudged = { ...input, draw: { ...input.draw, [key]: (input.draw[key] ?? 0) + 0.1 } };
        family.heights(input).forEach((need, i) => {
          const moved = Math.abs((family.heights(nudged)[i]?.rawCm ?? NaN) - need.rawCm);
          // A roll works only from the gap under the knee up, and the forehead changes what it comes down over.
          if (need.slot === 'underKnees' || need.slot === 'forehead' || need.slot === 'strap') return;
          expect(moved).toBeLessThan(1);
        });
      }
    }));
  });

  test('mirrored ranges give the same heights', () => {
    fc.assert(fc.property(anyInput, fc.double({ min: -10, max: 10, noNaN: true }), (input, skew) => {
      const skewed = { ...input.draw, 'hamstring:left': (input.draw['hamstring:left'] ?? 0) + skew, 'kneeFlexion.hipBent:left': (input.draw['kneeFlexion.hipBent:left'] ?? 0) + skew };
      const swap = (key: string) => key.replace(/:(left|right)/, (_match, side: string) => (side === 'left' ? ':right' : ':left'));
      const swapped = Object.fromEntries(Object.entries(skewed).map(([key, value]) => [swap(key), value]));
      const heights = (draw: typeof skewed) => family.heights({ ...input, draw }).map(({ rawCm }) => rawCm);
      heights(swapped as typeof skewed).forEach((cm, i) => expect(cm).toBeCloseTo(heights(skewed)[i] as number, 9));
    }));
  });
});

test('on the heights asked for, nobody in a kneeling pose is asked for more knee bend than they have', () => {
  fc.assert(fc.property(anyInput, (input) => {
    for (const family of [families.kneeling, families['reclined hero']] as const) {
      const { demands } = family.figure(input, builtFrom(family, input));
      for (const { range, needDeg, haveDeg } of demands.filter((one) => one.range === 'kneeFlexion.hipBent')) {
        expect(range).toBe('kneeFlexion.hipBent');
        expect(needDeg).toBeLessThanOrEqual(haveDeg + 1e-6);
      }
    }
  }));
});

test('the pelvis of a long sit rolls back no more than is allowed, unless the path has ended', () => {
  fc.assert(fc.property(anyInput, (input) => {
    const needs = families['long sit'].heights(input);
    const [seat, roll] = needs.map(({ rawCm }) => Math.max(0, rawCm)) as [number, number];
    const rolled = rollBackDeg(seat, roll, input);
    expect(rolled <= 4.05 || roll >= 27.9).toBe(true);
  }));
});

test('a pad behind the knee raises the seat: it takes from the bend that is left', () => {
  const without = height(families.kneeling, inputOf(), 'seat');
  expect(height(families.kneeling, inputOf({}, { behindKneeCm: 1.6 }), 'seat')).toBeGreaterThan(without + 2);
});

test('back first lifts the knees, legs first lifts the seat', () => {
  const stiff = { hamstring: 50 };
  const knees = inputOf(stiff, { firstToRise: 'knees' });
  const seat = inputOf(stiff, { firstToRise: 'seat' });
  expect(height(families['long sit'], knees, 'seat')).toBeLessThan(height(families['long sit'], seat, 'seat'));
  expect(height(families['long sit'], knees, 'underKnees')).toBeGreaterThan(height(families['long sit'], seat, 'underKnees'));
});

test('a replaced hip is never folded past 90°', () => {
  const free = inputOf({ hamstring: 110, hipFlexion: 140 }, { hipFlexionMostDeg: 90 });
  const { findings } = families.fold.figure(free, {});
  expect(findings.foldDeg ?? NaN).toBeLessThanOrEqual(10);
});

test('the reason names the stiffer side, the bend, and the difference', () => {
  const input = inputOf({ 'kneeFlexion.hipBent': 130 });
  const skewed = { ...input, draw: { ...input.draw, 'kneeFlexion.hipBent:left': 126 } };
  const need = families.kneeling.heights(skewed)[0];
  expect(need && families.kneeling.why(skewed, need)).toBe('Knee bend 126° left, 5° kept in hand → 26 cm; 2 cm more than the right.');
});
