import { inputOf } from '../../tests/samples';
import { reclinedHero } from '../../parameters';
import { families } from '../families';
import { type Family, type FamilyInput } from '../family';
import { kneelingSeatCm } from './kneelingSeat';
import { slotKey } from '../../slots';

const heights = (family: Family, input: FamilyInput) =>
  Object.fromEntries(family.heights(input).map((need) => [slotKey(need), need.rawCm]));
const onLeft = (input: FamilyInput): FamilyInput => ({ ...input, side: 'left' });

describe('kneeling on the heels', () => {
  test('the support is what hero’s seat is over the heels', () => {
    const input = inputOf({ 'kneeFlexion.hipBent': 135 });
    expect(heights(families['kneeling on heels'], input).seat).toBeCloseTo(
      (heights(families.kneeling, input).seat ?? NaN) - input.body.heelsSatOnCm,
      9,
    );
    expect(families['kneeling on heels'].heights(input)[0]?.over).toBe('heels');
  });

  test('free knees sit on the heels themselves, and no lower', () => {
    const { posture } = families['kneeling on heels'].figure(
      inputOf({ 'kneeFlexion.hipBent': 160 }),
      { seat: 0 },
    );
    const { body } = inputOf();
    expect(posture.hip[1]).toBeCloseTo(body.heelsSatOnCm + body.seatToHipCm, 6);
  });
});

test('a blanket under the shins lifts the seat with it and asks no more of the knee', () => {
  const plain = inputOf({}, {});
  const padded = inputOf({}, { underShinCm: 4 });
  expect(heights(families.kneeling, padded).seat).toBeCloseTo(
    (heights(families.kneeling, plain).seat ?? NaN) + 4,
    9,
  );
  const bend = (input: FamilyInput, seat: number, underShin: number) =>
    families.kneeling.figure(input, { seat, underShin }).demands[0]?.needDeg;
  expect(bend(padded, 22, 4)).toBeCloseTo(bend(plain, 18, 0) ?? NaN, 9);
});

test('a foot that points all the way needs no roll, a stiff one the sine of what is missing', () => {
  expect(heights(families.kneeling, inputOf({ anklePoint: 70 })).ankle).toBe(0);
  const { body } = inputOf();
  expect(heights(families.kneeling, inputOf({ anklePoint: 32 })).ankle).toBeCloseTo(
    body.footCm * 0.6 * 0.5,
    6,
  );
});

describe('child', () => {
  const child = (set: Parameters<typeof inputOf>[0], settings = {}) =>
    heights(families.child, inputOf(set, settings));

  test('knees wide lets the trunk lower than knees together', () => {
    expect(child({}, { childKnees: 'wide' }).forehead).toBeLessThan(
      (child({}, { childKnees: 'together' }).forehead ?? NaN) - 3,
    );
  });

  test('a spine that rounds more brings the forehead down, a quiet one keeps it up', () => {
    expect(child({ spineFold: 60 }).forehead).toBeLessThan(
      child({ spineFold: 30 }).forehead ?? NaN,
    );
    expect(child({}, { spineShareDeg: 0 }).forehead).toBeGreaterThan(
      (child({}).forehead ?? NaN) + 10,
    );
  });

  test('a trunk that would fold through the floor comes to lie on it', () => {
    const free = inputOf({ hipFlexion: 140, spineFold: 85, 'kneeFlexion.hipBent': 162 });
    expect(heights(families.child, free).forehead).toBeLessThan(-10);
    const { posture } = families.child.figure(free, { seat: 0 });
    expect(posture.head[1]).toBeGreaterThan(0);
  });

  test('what lies under chest and forehead carries them', () => {
    const input = inputOf({ hipFlexion: 140, spineFold: 80, 'kneeFlexion.hipBent': 160 });
    const low = families.child.figure(input, { seat: 0 }).posture.head[1];
    expect(families.child.figure(input, { seat: 0, forehead: 12 }).posture.head[1]).toBeGreaterThan(
      low + 4,
    );
  });
});

describe('frog', () => {
  test('wider thighs bring hips and chest down', () => {
    const hip = (hipSpread: number) =>
      families.frog.figure(inputOf({ hipSpread }), {}).posture.hip[1];
    expect(hip(60)).toBeLessThan(hip(30) - 8);
    expect(heights(families.frog, inputOf({ hipSpread: 60 })).chest).toBeLessThan(
      (heights(families.frog, inputOf({ hipSpread: 30 })).chest ?? NaN) - 8,
    );
  });
});

describe('reclined hero with one leg', () => {
  const stiffLeft = (): FamilyInput => {
    const input = inputOf({ 'kneeFlexion.hipBent': 145, 'kneeFlexion.prone': 140 });
    return {
      ...input,
      values: { ...input.values, 'kneeFlexion.hipBent:left': 115, 'kneeFlexion.prone:left': 110 },
    };
  };

  test('seat and ramp follow the folded side alone', () => {
    const left = heights(families['reclined hero, one leg'], { ...stiffLeft(), side: 'left' });
    const right = heights(families['reclined hero, one leg'], { ...stiffLeft(), side: 'right' });
    expect(left.seat).toBeGreaterThan((right.seat ?? NaN) + 10);
    expect(left['back.high']).toBeGreaterThan((right['back.high'] ?? NaN) + 10);
    // The other hip sinks beside the folded one.
    expect(heights(families['reclined hero'], stiffLeft()).seat).toBeCloseTo(
      (left.seat ?? NaN) + reclinedHero.sinks.value,
      9,
    );
  });

  test('a seat built too low lists the pelvis, and the wedge that is asked for levels it', () => {
    const input = onLeft(inputOf({ 'kneeFlexion.hipBent': 125 }));
    const family: Family = families['reclined hero, one leg'];
    const seat = (heights(family, input).seat ?? 0) - 3;
    const wedge = family.afterBuilt?.(input, { seat }).find(({ slot }) => slot === 'hipLevel');
    expect(wedge?.rawCm).toBeCloseTo(3 + reclinedHero.sinks.value, 6);
    expect(family.figure(input, { seat }).findings.listDeg).toBeGreaterThan(4);
    expect(
      family.figure(input, { seat, hipLevel: wedge?.rawCm ?? 0 }).findings.listDeg,
    ).toBeCloseTo(0, 6);
  });

  test('the long knee is met on its straight line', () => {
    const input = onLeft(inputOf());
    const [low, high] = [10, 20].map(
      (seat) =>
        families['reclined hero, one leg']
          .afterBuilt?.(input, { seat })
          .find(({ slot }) => slot === 'underKnees')?.rawCm ?? NaN,
    );
    expect(high).toBeGreaterThan((low ?? NaN) + 3);
  });
});

describe('reclined soles together', () => {
  test('the outer hips are held, the knees by choice', () => {
    const slots = (settings: Parameters<typeof inputOf>[1]) =>
      families['reclined open'].heights(inputOf({}, settings)).map(({ slot }) => slot);
    expect(slots({ reclinedOpenHeld: 'outerHip' })).toContain('outerHip');
    expect(slots({ reclinedOpenHeld: 'outerHip' })).not.toContain('underThigh');
    expect(slots({ reclinedOpenHeld: 'underThigh' })).toContain('underThigh');
  });

  test('a steep ramp props the knees where the ramp decides', () => {
    const slots = (inclineLeastDeg: number, hipRotation: number) =>
      families['reclined open']
        .heights(inputOf({ hipRotation }, { inclineLeastDeg, reclinedOpenHeld: 'by ramp' }))
        .map(({ slot }) => slot);
    expect(slots(0, 75)).toContain('outerHip');
    expect(slots(45, 75)).toContain('underThigh');
    expect(slots(0, 40)).toContain('underThigh');
  });
});

test('knee bend and thigh slope give the seat of the formula', () =>
  expect(kneelingSeatCm(130, inputOf().body, 15)).toBeCloseTo(21, 1));
