import { samplePerson, sampleShelf } from '../tests/samples';
import { planStudent } from '../plan/plan';
import { normalQuantile } from '../normal';
import { semOfMean } from '../protocols/protocols';
import { chanceFrom, seedOf } from './chance';
import { estimateRanges } from '../estimate/estimate';
import { exampleBodies, exampleRecord } from './examples';
import { daySwing, doPose, measure, simulateStudent, trueHeights, truthOn } from './student';

const student = () =>
  simulateStudent(samplePerson(), '2026-01-06', chanceFrom(7), {
    set: { 'kneeFlexion.hipBent:left': 125, 'kneeFlexion.hipBent:right': 131 },
  });

test('the same seed tells the same story', () => {
  const tell = () => {
    const chance = chanceFrom(42);
    return Array.from({ length: 20 }, () => chance.normal(0, 1));
  };
  expect(tell()).toEqual(tell());
});

test('normal draws have the spread asked for', () => {
  const chance = chanceFrom(3);
  const drawn = Array.from({ length: 4000 }, () => chance.normal(10, 2));
  const mean = drawn.reduce((sum, one) => sum + one, 0) / drawn.length;
  const sd = Math.sqrt(drawn.reduce((sum, one) => sum + (one - mean) ** 2, 0) / drawn.length);
  expect(mean).toBeCloseTo(10, 0);
  expect(sd).toBeGreaterThan(1.9);
  expect(sd).toBeLessThan(2.1);
  expect(normalQuantile(0.975)).toBeCloseTo(1.959964, 6);
});

test('what is set by hand is true at the start, and practice only adds', () => {
  const one = student();
  expect(truthOn(one, '2026-01-06', 0)['kneeFlexion.hipBent:left']).toBe(125);
  expect(truthOn(one, '2026-06-06', 0)['kneeFlexion.hipBent:left']).toBeGreaterThanOrEqual(125);
});

test('readings scatter about the truth of the day by the method’s error', () => {
  const one = student();
  const chance = chanceFrom(11);
  const truth = truthOn(one, '2026-01-06', 0);
  const looks = Array.from({ length: 400 }, () =>
    measure(one, 'kneeFlexion.hipBent', 'left', 'protractor', '2026-01-06', truth, chance),
  );
  const [meanOf, errorOf] = [
    (all: readonly number[]) => all.reduce((sum, value) => sum + value, 0) / all.length,
    (all: readonly number[]) => Math.sqrt(meanOf(all.map((value) => (value - 125) ** 2))),
  ];
  expect(meanOf(looks.flatMap(({ values }) => values))).toBeCloseTo(125, 0);
  expect(errorOf(looks.flatMap(({ values }) => values))).toBeCloseTo(3, 0);
  // Where the tool is laid is alike in both readings of a look: two are not √2 surer than one.
  expect(errorOf(looks.map(({ values }) => meanOf(values)))).toBeCloseTo(semOfMean(3, 2), 0);
  expect(semOfMean(3, 2)).toBeGreaterThan(3 / Math.SQRT2 + 0.2);
});

test('a joint speaks on a seat that is too low, and not on one that is high enough', () => {
  const one = student();
  const chance = chanceFrom(5);
  const truth = truthOn(one, '2026-01-06', daySwing(chance) * 0);
  const need = trueHeights(one, 'hero', truth).seat ?? 0;
  const planned = planStudent(
    { person: one.person, readings: [], sessions: [] },
    sampleShelf,
    '2026-01-06',
    { poses: ['hero'] },
  ).poses[0]!;
  const on = (stackCm: number) =>
    doPose(
      one,
      {
        ...planned,
        slots: planned.slots.map((slot) => (slot.slot === 'seat' ? { ...slot, stackCm } : slot)),
      },
      truth,
      chance,
    );
  expect(on(need - 4)).toMatchObject({ feeling: { place: 'joint' } });
  expect(on(need + 2)).toMatchObject({
    feeling: { place: 'muscle' },
    pelvis: 'upright',
    breath: 'easy',
  });
});

test('the edge of a body lies under the height that is right for it', () => {
  const one = student();
  const truth = truthOn(one, '2026-01-06', 0);
  const right = trueHeights(one, 'hero', truth).seat ?? NaN;
  const edge = trueHeights(one, 'hero', truth, { edge: true }).seat ?? NaN;
  expect(right - edge).toBeGreaterThan(2);
  expect(right - edge).toBeLessThan(5);
});

test('a hip too low in pigeon is felt in the knee, hands too low in a fold are not', () => {
  const one = student();
  const chance = chanceFrom(9);
  const truth = truthOn(one, '2026-01-06', 0);
  const low = (pose: string) => {
    const planned = planStudent(
      { person: one.person, readings: [], sessions: [] },
      sampleShelf,
      '2026-01-06',
      { poses: [pose] },
    ).poses[0]!;
    return doPose(
      one,
      { ...planned, slots: planned.slots.map((slot) => ({ ...slot, stackCm: 0 })) },
      truth,
      chance,
    ).feeling.place;
  };
  expect(low('standing-fold')).toBe('muscle');
  expect(['joint', 'muscle']).toContain(low('pigeon'));
});

test('neighbouring seeds tell different stories', () => {
  const firsts = Array.from({ length: 50 }, (_, i) => chanceFrom(seedOf(1, i)).uniform());
  const mean = firsts.reduce((sum, one) => sum + one, 0) / firsts.length;
  expect(new Set(firsts.map((one) => one.toFixed(3))).size).toBeGreaterThan(45);
  expect(mean).toBeGreaterThan(0.35);
  expect(mean).toBeLessThan(0.65);
  expect(seedOf(1, 2)).not.toBe(seedOf(2, 1));
});

test('example bodies are read as what they are', () => {
  for (const body of exampleBodies) {
    const { person, readings } = exampleRecord(body, '2026-01-06');
    const known = estimateRanges({ person, readings, sessions: [] }, '2026-01-06');
    for (const [range, value] of Object.entries(body.values)) {
      const told = known[`${range}:left` as 'hamstring:left'] ?? known[range as 'spineFold'];
      expect(Math.abs((told?.mean ?? NaN) - value)).toBeLessThan(12);
    }
  }
});
