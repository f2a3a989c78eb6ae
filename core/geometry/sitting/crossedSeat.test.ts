import { inputOf } from '../../tests/samples';
import { crossedLeg, hipForRiseCm, thighRiseDeg, type Crossing } from '../crossedLeg';
import { families } from '../families';
import { type FamilyInput } from '../family';
import { between } from '../posture';
import { slotKey } from '../../slots';

const { body } = inputOf();
const crossed: Crossing = { kneeDeg: 130, footCm: 5.1, pastMidlineCm: 10 };
const heights = (family: keyof typeof families, input: FamilyInput) =>
  Object.fromEntries(families[family].heights(input).map((need) => [slotKey(need), need.rawCm]));

test('at the seat that is reckoned, the knee is level with the hip', () => {
  for (const rotation of [25, 40, 55, 70]) {
    const hipY = hipForRiseCm(0, rotation, crossed, body);
    expect(thighRiseDeg(hipY, rotation, crossed, body).riseDeg).toBeCloseTo(0, 6);
  }
});

test('past level a thigh falls by three degrees for each centimetre, and never through the floor', () => {
  const level = hipForRiseCm(0, 50, crossed, body);
  expect(thighRiseDeg(level + 2, 50, crossed, body).riseDeg).toBeCloseTo(-6, 6);
  const high = crossedLeg(level + 14, 50, crossed, body);
  expect(high.knee[1]).toBeGreaterThanOrEqual(body.kneeBackCm - 1e-6);
});

test('on the floor more rotation brings the knee down', () => {
  const rises = [30, 45, 60, 75].map(
    (rotation) => thighRiseDeg(body.seatToHipCm, rotation, crossed, body).riseDeg,
  );
  expect(rises).toEqual([...rises].sort((a, b) => b - a));
});

test('ankles of crossed legs lie past the midline, soles together meet on it', () => {
  const half = body.hipSpacingCm / 2;
  const ankle = (pastMidlineCm: number) =>
    crossedLeg(22, 55, { ...crossed, pastMidlineCm }, body).aside?.ankle ?? NaN;
  expect(ankle(10)).toBeCloseTo(-half - 10, 1);
  expect(ankle(0)).toBeCloseTo(-half, 1);
});

test('a free thigh uses only the rotation that it takes to reach the floor', () => {
  const low = thighRiseDeg(body.seatToHipCm, 90, crossed, body);
  expect(low.rotationDeg).toBeLessThanOrEqual(90);
  expect(
    body.seatToHipCm + body.thighCm * Math.sin((low.riseDeg * Math.PI) / 180),
  ).toBeGreaterThanOrEqual(body.kneeBackCm - 1e-6);
});

test('the seat follows the stiffer side, and each knee is met by itself', () => {
  const even = inputOf({ hipRotation: 60 });
  const uneven: FamilyInput = { ...even, values: { ...even.values, 'hipRotation:left': 45 } };
  const worse = heights('crossed', inputOf({ hipRotation: 45 }));
  expect(heights('crossed', uneven).seat).toBeCloseTo(worse.seat ?? NaN, 6);
  expect(heights('crossed', uneven)['underThigh:left']).toBeGreaterThan(
    (heights('crossed', uneven)['underThigh:right'] ?? NaN) + 1,
  );
});

test('a hip that bends little lets the knee stand no higher than the pelvis can bear', () => {
  const seat = (hipFlexion: number) =>
    heights('open', inputOf({ hipRotation: 50, hipFlexion })).seat ?? NaN;
  // 90° and the sitting target leave 10° of rise at most, and level is asked for anyway.
  expect(seat(95)).toBeCloseTo(seat(130), 6);
  expect(seat(74)).toBeGreaterThan(seat(130) + 0.5);
});

test('heels drawn near ask for less seat than plain crossed legs, a foot on the thigh for more', () => {
  const seat = (family: keyof typeof families) =>
    heights(family, inputOf({ hipRotation: 55 })).seat ?? NaN;
  expect(seat('open')).toBeLessThan(seat('crossed'));
  expect(seat('half lotus')).toBeGreaterThan(seat('open'));
});

test('stacked shins get bricks under both thighs, which come down as the hips open', () => {
  const bricks = (hipRotation: number) => {
    const [, left, right] = families.stacked.heights(inputOf({ hipRotation }));
    expect([left, right]).toMatchObject([
      { slot: 'underThigh', side: 'left' },
      { slot: 'underThigh', side: 'right' },
    ]);
    return left!.rawCm;
  };
  expect(bricks(50)).toBeGreaterThan(bricks(70) + 3);
});

test('a fold over crossed legs goes as far as the hips bend', () => {
  const lean = (hipFlexion: number) =>
    families['open fold'].figure(inputOf({ hipFlexion }), { seat: 12 }).findings.foldDeg ?? NaN;
  expect(lean(130) - lean(110)).toBeCloseTo(20, 6);
  expect(
    families['open fold'].figure(inputOf({ hipFlexion: 130 }, { hipFlexionMostDeg: 90 }), {
      seat: 12,
    }).findings.foldDeg,
  ).toBeLessThan(5);
});

test('knees carried higher do not move the seat', () => {
  const figure = (height: number) =>
    families.crossed.figure(inputOf(), {
      seat: 14,
      'underThigh:left': height,
      'underThigh:right': height,
    }).posture;
  expect(figure(8).hip).toEqual(figure(16).hip);
  expect(figure(8).supports.filter(({ slot }) => slot.startsWith('underThigh'))).toHaveLength(2);
});

test('the shin keeps its length in space', () => {
  for (const rotation of [20, 50, 80]) {
    const leg = crossedLeg(20, rotation, crossed, body);
    expect(
      Math.hypot(between(leg.knee, leg.ankle), (leg.aside?.ankle ?? 0) - (leg.aside?.knee ?? 0)),
    ).toBeCloseTo(body.shinCm, 4);
  }
});
