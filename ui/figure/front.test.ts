import { bodyFrom } from '@/core/body/body';
import type { Posture } from '@/core/geometry/posture';
import { planStudent } from '@/core/plan/plan';
import { studioShelf } from '@/core/props/usualShelves';
import { recordOfSix, sixPeople, type OneOfSix } from '@/core/tests/sixPeople';
import { isSpatial } from './above';
import { fromFront, isFrontal } from './front';

const DAY = '2026-03-01';
const names = Object.keys(sixPeople) as OneOfSix[];
const SEATS = ['easy-cross', 'open-book', 'stacked-shins', 'half-lotus-seat'];
const seated = (name: OneOfSix) => {
  const record = recordOfSix(name);
  const body = bodyFrom(record.person.statureCm, record.person.bodyCm);
  return planStudent(record, studioShelf, DAY, { poses: SEATS })
    .poses.filter(({ posture }) => posture !== null)
    .map((planned) => ({ planned, body, posture: planned.posture as Posture }));
};

describe.each(names)('%s from the front', (name) => {
  test('crossed and open seats show their front', () => {
    for (const { posture, body } of seated(name)) expect(isFrontal(posture, body)).toBe(true);
  });

  test('each knee stands as high as the core reckons, on its own side', () => {
    for (const { posture, body, planned } of seated(name)) {
      const { legs, hips } = fromFront(posture, body);
      const [near, far] = legs as [(typeof legs)[0], (typeof legs)[0]];
      expect(near[1]?.[1]).toBeCloseTo(posture.knee[1], 6);
      expect(near[1]?.[0]).toBeGreaterThan(0);
      expect(far[1]?.[0]).toBeLessThan(0);
      const { kneeRiseLeftDeg, kneeRiseRightDeg } = planned.findings;
      const rises = (leg: typeof near) => (leg[1]?.[1] ?? 0) - (hips[0]?.[1] ?? 0);
      if (kneeRiseLeftDeg !== undefined && Math.abs(kneeRiseLeftDeg) > 1)
        expect(Math.sign(rises(near))).toBe(Math.sign(kneeRiseLeftDeg));
      if (kneeRiseRightDeg !== undefined && Math.abs(kneeRiseRightDeg) > 1)
        expect(Math.sign(rises(far))).toBe(Math.sign(kneeRiseRightDeg));
    }
  });

  test('a support under a thigh stands on that thigh’s side, the seat in the middle', () => {
    for (const { posture, body } of seated(name))
      for (const { key, z, topCm, bottomCm } of fromFront(posture, body).supports) {
        expect(topCm).toBeGreaterThan(bottomCm);
        if (key === 'seat') expect(z).toBe(0);
        if (key.startsWith('underThigh:left')) expect(z).toBeGreaterThan(0);
        if (key.startsWith('underThigh:right')) expect(z).toBeLessThan(0);
      }
  });
});

test('a fold hides its trunk from the front, and a pose in one plane tells nothing there', () => {
  const record = recordOfSix('desk worker');
  const body = bodyFrom(record.person.statureCm, record.person.bodyCm);
  const { poses } = planStudent(record, studioShelf, DAY, { poses: ['hero', 'straddle-fold'] });
  const posture = (pose: string) => poses.find((one) => one.pose === pose)?.posture as Posture;
  expect(isSpatial(posture('hero'))).toBe(false);
  expect(isFrontal(posture('hero'), body)).toBe(false);
});
