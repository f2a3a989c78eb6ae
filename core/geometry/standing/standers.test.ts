import fc from 'fast-check';
import { squat as parameter, standingFold } from '../../parameters';
import { inputOf } from '../../tests/samples';
import { poplitealCm } from '../chair/chair';
import { families } from '../families';
import { type Family, type FamilyInput } from '../family';
import { hipForCm, crossingAt } from '../kneeling/pigeon';
import { heelLiftCm, squattingOn } from './squat';
import { slotKey } from '../../slots';

const heights = (family: Family, input: FamilyInput) =>
  Object.fromEntries(family.heights(input).map((need) => [slotKey(need), need.rawCm]));
const onLeft = (input: FamilyInput): FamilyInput => ({ ...input, side: 'left' });

describe('squat', () => {
  test('on the heel lift that is reckoned, the weight stands as far as is asked in front of the heels’ edge', () => {
    fc.assert(
      fc.property(
        fc.double({ min: 0, max: 28, noNaN: true }),
        fc.double({ min: 105, max: 135, noNaN: true }),
        (ankleBend, hipFlexion) => {
          const input = inputOf({ ankleBend, hipFlexion });
          const lift = heelLiftCm(input);
          const most = parameter.highestHeel.value;
          if (Math.abs(lift) < most)
            expect(squattingOn(input)(lift).aheadCm).toBeCloseTo(parameter.ahead.value, 1);
        },
      ),
    );
  });

  test('lifting the heels brings the weight forward', () => {
    const ahead = [0, 2, 4, 6].map((cm) => squattingOn(inputOf({ ankleBend: 10 }))(cm).aheadCm);
    expect(ahead).toEqual([...ahead].sort((a, b) => a - b));
  });

  test('where no lift is enough, the seat is named instead', () => {
    const input = inputOf({ ankleBend: -5, hipFlexion: 85 });
    expect(heelLiftCm(input)).toBe(parameter.highestHeel.value);
    expect(families.squat.why(input, families.squat.heights(input)[0]!)).toMatchObject([
      { code: 'squat-heels', beyond: true },
    ]);
  });

  test('stiffer knees squat higher', () => {
    const seat = (knee: number) =>
      heights(families.squat, inputOf({ 'kneeFlexion.hipBent': knee })).seat ?? NaN;
    expect(seat(120)).toBeGreaterThan(seat(145) + 6);
  });

  test('a one-sided squat asks its own ankle alone', () => {
    const input = inputOf({ ankleBend: 35 });
    const uneven: FamilyInput = { ...input, values: { ...input.values, 'ankleBend:right': 5 } };
    expect(heights(families['squat, one side'], { ...uneven, side: 'left' }).heels).toBeLessThan(1);
    expect(
      heights(families['squat, one side'], { ...uneven, side: 'right' }).heels,
    ).toBeGreaterThan(4);
    expect(heights(families.squat, uneven).heels).toBeGreaterThan(4);
  });
});

describe('pigeon', () => {
  test('at the height that is reckoned, the front knee lies on the floor and its rotation is enough', () => {
    const input = onLeft(inputOf({ hipRotation: 60 }));
    const hipLevel = heights(families.pigeon, input).hipLevel ?? NaN;
    const { posture, demands } = families.pigeon.figure(input, { hipLevel });
    expect(posture.knee[1]).toBeCloseTo(input.body.kneeBackCm, 6);
    const rotation = demands.find(({ range }) => range === 'hipRotation');
    expect(rotation?.needDeg).toBeCloseTo(60, 4);
  });

  test('a lower support asks for more rotation than there is', () => {
    const input = onLeft(inputOf({ hipRotation: 55 }));
    const hipLevel = heights(families.pigeon, input).hipLevel ?? NaN;
    const asked = (cm: number) =>
      families.pigeon.figure(input, { hipLevel: cm }).demands[0]?.needDeg ?? NaN;
    expect(asked(hipLevel - 4)).toBeGreaterThan(55.5);
    expect(asked(hipLevel + 4)).toBeLessThan(54.5);
  });

  test('the back leg decides how far the trunk stands up, and so the hands', () => {
    const lean = (hipExtension: number) =>
      families.pigeon.figure(onLeft(inputOf({ hipExtension })), { hipLevel: 14 }).findings
        .trunkLeanDeg ?? NaN;
    expect(lean(-10)).toBeGreaterThan(lean(20) + 20);
  });

  test('where the back may not arch, the trunk stays lower', () => {
    const lean = (lumbarAllowanceDeg: number) =>
      families.pigeon.figure(onLeft(inputOf({}, { lumbarAllowanceDeg })), { hipLevel: 14 }).findings
        .trunkLeanDeg ?? NaN;
    expect(lean(0)).toBeGreaterThan(lean(10) + 20);
  });

  test('folded over the shin the shoulders come down', () => {
    const up = families.pigeon
      .figure(onLeft(inputOf({}, { way: 'upright' })), { hipLevel: 14 })
      .posture.spine.at(-1)!;
    const down = families.pigeon
      .figure(onLeft(inputOf({}, { way: 'folded' })), {
        hipLevel: 14,
        chest: 20,
      })
      .posture.spine.at(-1)!;
    expect(down[1]).toBeLessThan(up[1] - 5);
  });

  test('the knee’s bend is what makes a close heel easy', () => {
    const input = onLeft(inputOf({ hipRotation: 50 }));
    const hips = [112, 120, 130, 140].map((kneeDeg) => hipForCm(crossingAt(kneeDeg, input), input));
    expect(hips).toEqual([...hips].sort((a, b) => b - a));
  });

  test('the later stages: a stiffer front thigh or shoulder needs a longer strap', () => {
    const strap = (set: Parameters<typeof inputOf>[0]) =>
      heights(families['king pigeon'], onLeft(inputOf(set))).strap ?? NaN;
    expect(strap({ 'kneeFlexion.prone': 50 })).toBeGreaterThan(strap({ 'kneeFlexion.prone': 110 }));
    expect(strap({ armReach: 120 })).not.toBeCloseTo(strap({ armReach: 175 }), 0);
  });
});

describe('lunges', () => {
  const step = (hipExtension: number) =>
    families.lunge.figure(onLeft(inputOf({ hipExtension })), {}).findings.stepCm ?? NaN;
  test('a freer back thigh makes a longer step', () =>
    expect(step(25)).toBeGreaterThan(step(0) + 8));
  test('the front knee stands over its ankle', () => {
    const { posture } = families.lunge.figure(onLeft(inputOf()), {});
    expect(posture.knee[0]).toBeCloseTo(posture.ankle[0], 6);
  });
  test('with the foot outside the hands the trunk comes lower', () => {
    expect(heights(families.lizard, onLeft(inputOf())).hands).toBeLessThan(
      heights(families.lunge, onLeft(inputOf())).hands ?? NaN,
    );
  });
});

describe('on a chair', () => {
  test('knees and hips are square on what is reckoned', () => {
    for (const statureCm of [145, 165, 185, 205]) {
      const input = inputOf({}, {}, statureCm);
      const { seat = 0, feet = 0 } = heights(families['chair seat'], input);
      const built = { seat: Math.max(0, seat), feet: Math.max(0, feet) };
      expect(
        Math.abs(families['chair seat'].figure(input, built).findings.thighRiseDeg ?? NaN),
      ).toBeLessThan(6);
    }
  });
  test('a higher chair raises the feet by as much', () => {
    const feet = (chairSeatCm: number) =>
      heights(families['chair tilts'], inputOf({}, { chairSeatCm })).feet ?? NaN;
    expect(feet(48) - feet(43)).toBeCloseTo(5, 9);
    expect(feet(45)).toBeCloseTo(45 - poplitealCm(inputOf().body), 9);
  });
  test('a hinge goes as far as the hips bend', () => {
    const lean = (hipFlexion: number) =>
      families['chair hinge'].figure(inputOf({ hipFlexion }), {}).findings.trunkLeanDeg ?? NaN;
    expect(lean(125) - lean(115)).toBeCloseTo(10, 6);
  });
});

describe('on a strap', () => {
  test('a longer hamstring raises the leg further and shortens the strap', () => {
    const raised = (hamstring: number) =>
      families['leg raise'].figure(onLeft(inputOf({ hamstring })), {}).findings;
    expect(raised(80).raisedDeg).toBeCloseTo(80, 6);
    expect(raised(80).strapCm).toBeLessThan((raised(50).strapCm ?? NaN) - 8);
  });
  test('the raised knee bends until the back can stand', () => {
    const bend = (hamstring: number) =>
      families.heron.figure(onLeft(inputOf({ hamstring })), { seat: 14 }).findings.kneeBendDeg ??
      NaN;
    expect(bend(60)).toBeCloseTo((90 - 10 + 20 - 60) / 0.95, 6);
    expect(bend(105)).toBe(0);
  });
  test('a hip that cannot lie flat gets a roll under its knee', () => {
    expect(heights(families['leg raise'], onLeft(inputOf({ hipExtension: 10 }))).underKnees).toBe(
      0,
    );
    expect(
      heights(families['leg raise'], onLeft(inputOf({ hipExtension: -10 }))).underKnees,
    ).toBeGreaterThan(5);
  });
});

describe('standing', () => {
  test('legs apart bring hands and hips down', () => {
    // Both bend the knees as far as they may.
    const stiff = inputOf({ hamstring: 25 });
    expect(heights(families['wide fold'], stiff).hands).toBeLessThan(
      (heights(families['standing fold'], stiff).hands ?? NaN) - 5,
    );
  });
  test('a hanging fold keeps the knees soft, whatever the approach', () => {
    expect(
      families['hanging fold'].figure(inputOf({ hamstring: 90 }, { standingKneeDeg: 5 }), {})
        .findings.kneeBendDeg,
    ).toBe(30);
    expect(
      families['standing fold'].figure(inputOf({ hamstring: 90 }, { standingKneeDeg: 5 }), {})
        .findings.kneeBendDeg,
    ).toBe(5);
  });
  test('the knees bend until the hands come down to a block, and no further than they may', () => {
    const bend = (hamstring: number) =>
      families['standing fold'].figure(inputOf({ hamstring }), {}).findings.kneeBendDeg ?? NaN;
    expect(bend(45)).toBeGreaterThan(bend(60));
    expect(bend(15)).toBeCloseTo(standingFold.mostBentKnee.value, 6);
    expect(heights(families['standing fold'], inputOf({ hamstring: 50 })).hands).toBeCloseTo(
      standingFold.handsWanted.value,
      1,
    );
  });
  test('downward dog’s heels stand on what the ankles lack', () => {
    expect(
      heights(families['downward dog'], inputOf({ ankleBend: 45, hamstring: 95 })).heels,
    ).toBeLessThan(0);
    expect(heights(families['downward dog'], inputOf({ ankleBend: 10 })).heels).toBeGreaterThan(
      heights(families['downward dog'], inputOf({ ankleBend: 30 })).heels ?? NaN,
    );
  });
  test('long arms or short shins keep a reverse table on the floor', () =>
    expect(heights(families['reverse table'], inputOf()).hands).toBeLessThan(0));
});
