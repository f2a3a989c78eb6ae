import fc from 'fast-check';
import type { Reading } from '../formats/book';
import { recordWith, sampleReading, sampleShelf } from '../tests/samples';
import { planStudent } from './plan';

const TODAY = '2026-01-20';
const tilt = (range: Reading['range'], protocol: string, deg: number, id: string): Reading =>
  sampleReading({
    id,
    range,
    protocol,
    side: 'both',
    method: 'protractor',
    values: [deg, deg, deg],
  });
const hamstring = sampleReading({
  id: 'h',
  range: 'hamstring',
  method: 'protractor',
  values: [52, 52],
});
const readingsOf = (standingDeg?: number, chairDeg?: number) => [
  hamstring,
  ...(standingDeg === undefined
    ? []
    : [tilt('pelvicTilt.standing', 'pelvic-tilt.standing', standingDeg, 's')]),
  ...(chairDeg === undefined
    ? []
    : [tilt('pelvicTilt.sits', 'pelvic-tilt.tall-chair', chairDeg, 'c')]),
];
const planOf = (...tilts: (number | undefined)[]) =>
  planStudent(recordWith({ readings: readingsOf(...tilts) }), sampleShelf, TODAY);
test('a pelvis that was not read on a chair is taken as is usual, however it stands', () => {
  const heights = (standingDeg?: number) =>
    planOf(standingDeg)
      // How it stands is how its low back lies.
      .poses.filter(({ pose }) => pose !== 'rest')
      .map(({ pose, slots }) => [pose, slots.map(({ stackCm }) => stackCm)]);
  expect(heights(0)).toEqual(heights(25));
  expect(heights()).toEqual(heights(10));
});

test('a pelvis that stands tipped forward lies with an arched back: the roll at rest is higher, and says so', () => {
  const rollOf = (...tilts: (number | undefined)[]) =>
    planOf(...tilts)
      .poses.find(({ pose }) => pose === 'rest')!
      .slots.find(({ slot }) => slot === 'underKnees')!;
  const said = ({ reasons }: ReturnType<typeof rollOf>) =>
    reasons.flatMap((one) => (one.code === 'rest-knees' ? [one.standsDeg] : []));
  expect(rollOf(22).reckonedCm).toBeGreaterThan(rollOf(10).reckonedCm + 2);
  expect(rollOf(2).reckonedCm).toBe(rollOf(10).reckonedCm);
  expect(said(rollOf(22))[0]).toBeGreaterThan(16);
  expect([...said(rollOf(10)), ...said(rollOf())]).toEqual([null, null]);
});

/** What lies under a long sit in all: the seat rises, then what is under the knees. */
const underIn = (...tilts: (number | undefined)[]) =>
  planOf(...tilts)
    .poses.find(({ pose }) => pose === 'staff')!
    .slots.filter(({ slot }) => slot === 'seat' || slot === 'underKnees')
    .reduce((sum, { reckonedCm }) => sum + Math.max(0, reckonedCm), 0);

test('standing and chair together move what lies under a long sit: more upright is higher', () => {
  fc.assert(
    fc.property(
      fc.integer({ min: -2, max: 22 }),
      fc.integer({ min: -24, max: 8 }),
      (standingDeg, chairDeg) => {
        const [usual, own] = [underIn(), underIn(standingDeg, chairDeg)];
        const goes = chairDeg - standingDeg;
        if (goes > -14) expect(own).toBeGreaterThan(usual);
        if (goes < -27) expect(own).toBeLessThan(usual);
      },
    ),
    { numRuns: 25 },
  );
});

test('the same chair says another thing of a pelvis that stands at 0 than of one at 25', () => {
  expect(underIn(0, -12) - underIn(25, -12)).toBeGreaterThan(10);
});

test('wherever a pelvis of its own moves a support, it is said, and nowhere else', () => {
  for (const [standingDeg, chairDeg] of [
    [8, -4],
    [4, -34],
  ] as const) {
    const [usual, own] = [planOf(standingDeg), planOf(standingDeg, chairDeg)];
    const told = own.poses.flatMap(({ pose, slots }) =>
      slots.flatMap(({ slot, side, reasons }) =>
        reasons.flatMap((one) => (one.code === 'own-pelvis' ? [{ pose, slot, side, one }] : [])),
      ),
    );
    expect(new Set(told.map(({ pose }) => pose)).size).toBeGreaterThan(2);
    for (const { pose, slot, side, one } of told) {
      const at = (plan: typeof usual) =>
        plan.poses
          .find((planned) => planned.pose === pose)
          ?.slots.find((other) => other.slot === slot && other.side === side)?.reckonedCm ?? 0;
      // Rolled back further needs less under it, forward more.
      if (slot === 'seat')
        expect(Math.sign(one.moreCm)).toBe(Math.sign(chairDeg - standingDeg + 20));
      expect([pose, slot, Math.sign(at(own) - at(usual))]).toEqual([
        pose,
        slot,
        Math.sign(one.moreCm),
      ]);
    }
  }
});

test('that a pelvis is not as is usual is said where it moves something, here under the knees', () => {
  const own = (...tilts: number[]) =>
    planOf(...tilts)
      .poses.find(({ pose }) => pose === 'staff')!
      .slots.flatMap(({ slot, reasons }) =>
        reasons.flatMap(({ code }) => (code === 'own-pelvis' ? [slot] : [])),
      );
  expect(own(8, -4)).toEqual(['underKnees']);
  expect(own(10, -10)).toEqual([]);
  expect(own()).toEqual([]);
});
