import type { Posture } from '@/core/geometry/posture';
import { planStudent } from '@/core/plan/plan';
import { studioShelf } from '@/core/props/usualShelves';
import { recordOfSix, sixPeople, type OneOfSix } from '@/core/tests/sixPeople';
import { limbMarks } from './marks';

const plans = (Object.keys(sixPeople) as OneOfSix[]).flatMap((name) =>
  planStudent(recordOfSix(name), studioShelf, '2026-03-01').poses.filter(
    ({ posture }) => posture !== null,
  ),
);

test('each place says the least that is left there, and never the same place twice', () => {
  for (const { posture, side, demands } of plans) {
    const marks = limbMarks(posture as Posture, side, demands);
    const spots = marks.map(({ at }) => at.join());
    expect(new Set(spots).size).toBe(spots.length);
    const left = demands.map(({ needDeg, haveDeg }) => haveDeg - needDeg);
    for (const { inHandDeg } of marks) expect(left).toContain(inHandDeg);
    if (marks.length > 0)
      expect(Math.min(...marks.map(({ inHandDeg }) => inHandDeg))).toBeGreaterThanOrEqual(
        Math.min(...left),
      );
  }
});

test('the leg that does not work is marked on the far leg, and a knee at the knee', () => {
  const demand = { range: 'kneeFlexion.hipBent', needDeg: 100, haveDeg: 108 };
  const [hip, knee, ankle] = [
    [0, 90],
    [10, 50],
    [10, 8],
  ] as const;
  const far = { knee: [30, 60], ankle: [40, 20], heel: [40, 15], toe: [55, 15] } as const;
  const posture = { hip, knee, ankle, far, spine: [hip] } as unknown as Posture;
  expect(
    limbMarks(posture, 'left', [
      { ...demand, side: 'left' },
      { ...demand, side: 'right', haveDeg: 90 },
      { range: 'armReach', side: 'both', needDeg: 1, haveDeg: 2 },
    ]),
  ).toEqual([
    { at: knee, inHandDeg: 8 },
    { at: far.knee, inHandDeg: -10 },
  ]);
});
