import { planStudent } from '../plan/plan';
import { studioShelf } from '../props/usualShelves';
import { inPoseOf, solveFigure } from '../build/solve';
import { asPlanned } from '../learn/settled';
import { estimateRanges } from '../estimate/estimate';
import { dayOf } from '../formats/time';
import { slotKey } from '../slots';
import { recordWith, samplePerson, sampleReading } from '../tests/samples';
import { ownDials, overstepsOf, ownHeights } from './own';

const DAY = '2026-03-22';
const sore = {
  id: 'knee-meniscus',
  side: 'left' as const,
  answer: 'yes' as const,
  at: '2026-03-01',
};
const knees = (['left', 'right'] as const).map((side) =>
  sampleReading({ id: side, side, at: '2026-03-01', values: [135, 135, 135] }),
);

/** Hero as it is planned, and what its seat at another height oversteps. */
function heroAt(cm: number, cautions: (typeof sore)[] = []) {
  const record = recordWith({ person: samplePerson({ cautions }), readings: knees });
  const planned = planStudent(record, studioShelf, DAY, { poses: ['hero'] }).poses[0]!;
  const lying = asPlanned(planned).map((one) =>
    one.slot === 'seat' ? { ...one, heightCm: cm } : one,
  );
  const own = ownHeights(planned, lying);
  const built = Object.fromEntries(lying.map((one) => [slotKey(one), one.heightCm]));
  const estimates = estimateRanges(record, dayOf(DAY));
  const inPose = inPoseOf(record.person, planned, studioShelf);
  const { demands } = solveFigure(inPose, estimates, built);
  return { planned, own, over: overstepsOf(planned, own, demands) };
}

test('what stands as planned is nobody’s own, and oversteps nothing', () => {
  const { planned } = heroAt(0);
  const seatCm = planned.slots.find(({ slot }) => slot === 'seat')!.stackCm;
  expect(heroAt(seatCm)).toMatchObject({ own: [], over: [] });
});

test('a seat dragged far down is told beside what is reckoned, with the joint that it asks too much of', () => {
  const { own, over } = heroAt(4);
  expect(own).toMatchObject([{ slot: { slot: 'seat' }, ownCm: 4 }]);
  expect(over).toContainEqual(
    expect.objectContaining({ of: 'joint', range: 'kneeFlexion.hipBent' }),
  );
  expect(over.some((one) => one.of === 'caution')).toBe(false);
});

test('against a sore knee a lower seat is warned of, a higher one is not', () => {
  const { planned, over } = heroAt(9.5, [sore]);
  const seatCm = planned.slots.find(({ slot }) => slot === 'seat')!.stackCm;
  expect(seatCm).toBeGreaterThan(9.5);
  expect(over).toContainEqual(expect.objectContaining({ of: 'caution', caution: 'knee-meniscus' }));
  expect(heroAt(seatCm + 6, [sore]).over).toEqual([]);
});

test('a setting of one’s own stands beside the planned one, where it is another', () => {
  const dials = [
    { dial: 'kneeBend', reckoned: 10, value: 20 },
    { dial: 'strap', reckoned: 30, value: 30 },
  ] as const;
  const own = [
    { dial: 'kneeBend', reckoned: 10, value: 40 },
    { dial: 'strap', reckoned: 30, value: 31 },
  ] as const;
  expect(ownDials({ dials: [...dials] }, own)).toEqual([
    { dial: 'kneeBend', own: 40, planned: 20 },
  ]);
  expect(ownDials({ dials: [...dials] }, [])).toEqual([]);
});
