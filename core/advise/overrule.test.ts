import { studioShelf } from '../props/usualShelves';
import { recordOfSix } from '../tests/sixPeople';
import { overrules, overruledAs } from './overrule';
import { planStudent } from '../plan/plan';
import { asPlanned } from '../learn/settled';
import { inPoseOf } from '../build/solve';

const record = recordOfSix('runner');
const planOf = (pose: string) =>
  planStudent(record, studioShelf, '2026-02-02', { poses: [pose] }).poses[0]!;

test.each(['hero', 'pigeon', 'staff', 'easy-cross'])('%s is laid as the teacher says', (id) => {
  const planned = planOf(id);
  const inPose = inPoseOf(record.person, planned, studioShelf);
  const [ease, keep, deepen] = overrules.map((word) =>
    overruledAs(inPose, planned, undefined, word),
  );
  const moved = (of: typeof keep) => of?.changes[0];
  expect(keep?.settled).toEqual(asPlanned(planned));
  expect(moved(ease)!.toCm).toBeGreaterThan(moved(keep)!.toCm);
  if (deepen) expect(moved(deepen)!.toCm).toBeLessThan(moved(keep)!.toCm);
});

test('kept as it lay last time, whatever the plan says', () => {
  const planned = planOf('hero');
  const lay = { slot: 'seat' as const, side: 'both' as const, heightCm: 20, pieces: [] };
  const last = { ...planned, settled: [lay] } as never;
  const kept = overruledAs(inPoseOf(record.person, planned, studioShelf), planned, last, 'keep');
  expect(kept?.settled.find(({ slot }) => slot === 'seat')?.heightCm).toBe(20);
  expect(kept?.changes[0]).toMatchObject({ slot: 'seat', toCm: 20 });
});

test('a pose without supports has nothing to overrule', () => {
  const planned = planOf('plank');
  expect(
    overruledAs(inPoseOf(record.person, planned, studioShelf), planned, undefined, 'ease'),
  ).toBeNull();
});
