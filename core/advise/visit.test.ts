import { recordWith, samplePerson, sampleReading, sampleShelf } from '../tests/samples';
import { commonestPoses } from '../poses/poses';
import { planStudent } from '../plan/plan';
import { studioShelf } from '../props/usualShelves';
import { ordinaryAdult } from '../sim/room';
import { visitSteps, worthReading } from './visit';

const DAY = '2026-03-02';
const planWith = (readings: ReturnType<typeof sampleReading>[] = [], person = samplePerson()) =>
  planStudent(recordWith({ person, readings }), sampleShelf, DAY, { poses: commonestPoses });

test('a first visit takes what narrows the heights most, both sides of a range together', () => {
  const steps = visitSteps('first', planWith(), [], []);
  expect(steps.length).toBeGreaterThanOrEqual(3);
  expect(steps.length).toBeLessThanOrEqual(5);
  steps.slice(1).forEach(({ gainCm }, i) => expect(gainCm).toBeLessThanOrEqual(steps[i]!.gainCm));
  expect(steps.find(({ range }) => range === 'hamstring')?.sides).toEqual(['left', 'right']);
});

test('a re-check is one or two', () => {
  expect(visitSteps('recheck', planWith(), [], []).length).toBeLessThanOrEqual(2);
});

test('what was passed over does not come back, and counts, so that a visit ends', () => {
  const [first] = visitSteps('recheck', planWith(), [], []);
  const after = visitSteps('recheck', planWith(), [], [first!.range]);
  expect(after.map(({ range }) => range)).not.toContain(first!.range);
  expect(after).toHaveLength(1);
});

test('a side still open stays first until it is read', () => {
  const half = planWith([
    sampleReading({
      range: 'hamstring',
      protocol: 'straight-leg-raise.pelvis-watched',
      at: DAY,
      values: [60, 60],
      side: 'left',
    }),
  ]);
  const [step] = visitSteps('first', half, ['hamstring'], []);
  expect(step).toMatchObject({ range: 'hamstring', sides: ['right'] });
});

test('the stiffer side comes first', () => {
  const stiffRight = planWith([
    sampleReading({ id: 'a', at: '2026-01-05', values: [122, 122] }),
    sampleReading({ id: 'b', side: 'right', at: '2026-01-05', values: [121, 121] }),
  ]);
  expect(
    visitSteps('first', stiffRight, [], []).find(({ range }) => range === 'kneeFlexion.hipBent')
      ?.sides,
  ).toEqual(['right', 'left']);
});

test('what a caution leaves out is not led to, on that side alone', () => {
  const yes = (id: string, more = {}) => ({ id, answer: 'yes' as const, at: DAY, ...more });
  const without = visitSteps(
    'first',
    planWith(
      [],
      samplePerson({ cautions: [yes('pregnancy'), yes('hamstring-origin', { side: 'left' })] }),
    ),
    [],
    [],
  );
  expect(without.map(({ range }) => range)).not.toContain('kneeFlexion.prone');
  expect(without.find(({ range }) => range === 'hamstring')?.sides).toEqual(['right']);
});

test('what is asked for first is what a visit begins with, for every body', () => {
  for (let seed = 1; seed <= 20; seed++) {
    const record = ordinaryAdult(seed, seed * 5 + 1, 'built-up-alignment');
    const unread = { ...record, readings: record.readings.slice(0, seed % 7) };
    const plan = planStudent(unread, studioShelf, '2026-03-02');
    const [first] = worthReading(plan);
    const [step] = visitSteps('recheck', plan, [], []);
    expect([first?.range, first?.side]).toEqual([step?.range, step?.sides[0]]);
  }
});
