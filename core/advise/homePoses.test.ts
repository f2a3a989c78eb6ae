import { planStudent } from '../plan/plan';
import { homeShelf } from '../props/usualShelves';
import { ordinaryAdult } from '../sim/room';
import { firstForHome, homePoses, needsGoAhead } from './homePoses';

const DAY = '2026-01-05';

test('each pose that can be done stands once, with one build where both sides are built alike', () => {
  let [alike, apart] = [0, 0];
  for (const seed of [61, 62, 63, 64]) {
    const usual = ordinaryAdult(seed, seed * 3 + 2, 'built-up-alignment');
    // A knee that hurts keeps more to spare than the other.
    const sore = { id: 'knee-pain', side: 'left', answer: 'yes', at: DAY } as const;
    const record =
      seed % 2 === 0 ? usual : { ...usual, person: { ...usual.person, cautions: [sore] } };
    const planned = planStudent(record, homeShelf, DAY).poses;
    const all = homePoses(planned);
    expect(new Set(all.map(({ pose }) => pose)).size).toBe(all.length);
    for (const { pose, builds, sides: done } of all) {
      const bothAlike = done.length === 2 && builds.length === 1;
      const sides = planned.filter((one) => one.pose === pose && one.posture !== null);
      expect(builds.every(({ posture }) => posture !== null)).toBe(true);
      // What is to be minded on one side alone is known of each.
      expect(done).toEqual(sides);
      if (bothAlike) {
        alike++;
        const [left, right] = sides.map(({ slots }) => slots.map(({ stack }) => stack));
        expect([pose, builds.length, left]).toEqual([pose, 1, right]);
      } else {
        if (sides.length === 2) apart++;
        expect(builds).toEqual(sides);
      }
    }
    // What is not practised for now stands nowhere.
    const refused = planned.filter(
      ({ pose }) => !planned.some((one) => one.pose === pose && one.posture !== null),
    );
    for (const { pose } of refused) expect(all.map((one) => one.pose)).not.toContain(pose);
  }
  expect([alike > 20, apart > 0]).toEqual([true, true]);
});

test('a sheet begins with a few, and with none that needs a written go-ahead', () => {
  const { person, ...rest } = ordinaryAdult(65, 7, 'built-up-alignment');
  const replaced = {
    ...rest,
    person: {
      ...person,
      cautions: [{ id: 'hip-replacement', answer: 'yes' as const, side: 'left' as const, at: DAY }],
    },
  };
  const usual = homePoses(planStudent({ ...rest, person }, homeShelf, DAY).poses);
  expect(firstForHome(usual)).toHaveLength(5);
  const asked = homePoses(planStudent(replaced, homeShelf, DAY).poses);
  const needs = asked.filter(needsGoAhead).map(({ pose }) => pose);
  expect(needs.length).toBeGreaterThan(3);
  for (const pose of firstForHome(asked)) expect(needs).not.toContain(pose);
});
