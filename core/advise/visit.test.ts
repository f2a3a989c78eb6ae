import { recordWith, samplePerson, sampleReading, sampleShelf } from '../tests/samples';
import { commonestPoses } from '../poses/poses';
import { planStudent } from '../plan/plan';
import { visitSteps } from './visit';

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
