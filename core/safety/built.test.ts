import { approachIds } from '../approaches/approaches';
import { liesIn } from '../lies';
import type { Point } from '../geometry/posture';
import type { Plan, PlanPose } from '../formats/plan';
import { planStudent } from '../plan/plan';
import { poseById, wayOf } from '../poses/poses';
import { studioShelf, usualShelves } from '../props/usualShelves';
import { ordinaryAdult } from '../sim/room';
import { recordWith, samplePerson, sampleReading } from '../tests/samples';
import { cautionById } from './cautions';
import { cautionIds, type CautionId } from './ids';

const TODAY = '2026-03-02';
const PEOPLE = [1, 8, 15, 22, 29];

const plansWith = (id: CautionId): readonly Plan[] =>
  PEOPLE.flatMap((index) => {
    const approach = approachIds[index % approachIds.length]!;
    const { person, ...record } = ordinaryAdult(index, 9, approach);
    const cautions = [{ id, answer: 'yes' as const, at: '2026-01-05', goAheadAt: '2026-01-06' }];
    const asked = { ...record, person: { ...person, choices: {}, cautions } };
    return (['studio', 'home'] as const).map((shelf) =>
      planStudent(asked, usualShelves[shelf], TODAY),
    );
  });
const drawnIn = (plans: readonly Plan[]): readonly PlanPose[] =>
  plans.flatMap(({ poses }) => poses.filter(({ posture }) => posture !== null));

test.each(cautionIds)('%s: what is said of a support is said where it lies', (id) => {
  for (const { pose, reasons, slots } of drawnIn(plansWith(id)))
    for (const one of reasons) {
      if (one.code !== 'caution') continue;
      const bound = cautionById(one.caution)?.rules.find(({ says }) => says === one.rule)?.bound;
      const lying = slots.filter(liesIn).map(({ slot }) => slot);
      if (bound)
        expect([pose, one.rule, bound.to.some((slot) => lying.includes(slot))]).toEqual([
          pose,
          one.rule,
          true,
        ]);
    }
});

const leanDeg = (from: Point, to: Point) =>
  (Math.atan2(to[1] - from[1], to[0] - from[0]) * 180) / Math.PI;
const apartDeg = (a: number, b: number) => {
  const turn = Math.abs(a - b) % 360;
  return turn > 180 ? 360 - turn : turn;
};
/** Fold between thigh and low back as it is drawn; a pelvis that sits upright on a level thigh is at 90. */
const foldsDeg = ({ hip, spine }: NonNullable<PlanPose['posture']>, knee: Point) =>
  180 - apartDeg(leanDeg(spine[0]!, spine[3]!), leanDeg(hip, knee));
/** What the low back's own rounding, and a pelvis that stands in front of upright, add to the drawing. */
const DRAWN_MORE_DEG = 20;

test('a replaced hip is drawn in nothing that folds it far past a right angle', () => {
  for (const { pose, way, posture } of drawnIn(plansWith('hip-replacement'))) {
    const legs = [posture!, posture!.far].flatMap((leg) => (leg && !leg.aside ? [leg] : []));
    for (const { knee } of legs)
      expect([pose, way, foldsDeg(posture!, knee) < 90 + DRAWN_MORE_DEG]).toEqual([
        pose,
        way,
        true,
      ]);
  }
});

test('a head that should stay high is drawn no lower than the heart, or the hold is brief', () => {
  for (const { pose, way, posture, holdSeconds } of drawnIn(plansWith('head-pressure'))) {
    const heart = posture!.spine[8]!;
    const isBrief = poseById(pose)!.traits.head.includes('belowHeart');
    if (isBrief) expect(holdSeconds).toBeLessThanOrEqual(30);
    else expect([pose, way, posture!.head[1] > heart[1] - 8]).toEqual([pose, way, true]);
  }
});

test('nobody who is pregnant is folded over legs that lie together', () => {
  for (const { pose, way } of drawnIn(plansWith('pregnancy'))) {
    const also = wayOf(poseById(pose), way)?.also ?? [];
    expect([pose, way, poseById(pose)!.traits.belly.includes('foldedOver')]).toEqual([
      pose,
      way,
      false,
    ]);
    expect([pose, way, also.includes('belly.foldedOver')]).toEqual([pose, way, false]);
  }
});

test.each([
  ['left', 150, 130],
  ['right', 150, 130],
  ['left', 132, 148],
] as const)(
  'the sore side keeps more to spare and the other the usual: sore %s, left %d°, right %d°',
  (sore, left, right) => {
    const readings = [
      sampleReading({ id: 'l', side: 'left', values: [left, left, left] }),
      sampleReading({ id: 'r', side: 'right', values: [right, right, right] }),
    ];
    const seatWith = (side?: 'left' | 'right' | 'both') =>
      planStudent(
        recordWith({
          person: samplePerson({
            cautions: side ? [{ id: 'knee-pain', side, answer: 'yes', at: '2026-01-01' }] : [],
          }),
          readings,
        }),
        studioShelf,
        '2026-03-01',
        { poses: ['hero'] },
      ).poses[0]!.slots[0]!.targetCm;
    const stiffer = left < right ? 'left' : 'right';
    expect(seatWith('both')).toBeCloseTo(seatWith(stiffer), 6);
    expect(seatWith('both')).toBeGreaterThan(seatWith() + 3);
    // A sore knee that closes far asks for less than a sore one that does not.
    if (sore !== stiffer) expect(seatWith(sore)).toBeLessThan(seatWith('both') - 1);
    expect(seatWith(sore)).toBeGreaterThanOrEqual(seatWith() - 1e-9);
  },
);
