import type { StudentRecord } from '../estimate/estimate';
import type { PlanPose } from '../formats/plan';
import { planStudent } from '../plan/plan';
import { studioShelf } from '../props/usualShelves';
import { ordinaryAdult } from '../sim/room';
import { doneAsPlanned } from '../tests/samples';
import type { SpotId } from '../spots';
import { cautions } from './cautions';

/** The plan of a body whose knees hurt there. */
function planOf(seed: number, spots: readonly SpotId[] | undefined): readonly PlanPose[] {
  const drawn = ordinaryAdult(seed, seed * 3 + 1, 'built-up-alignment');
  const answer = {
    id: 'knee-pain',
    answer: 'yes' as const,
    side: 'both' as const,
    at: '2026-03-01',
    ...(spots ? { spots: [...spots] } : {}),
  };
  const record: StudentRecord = { ...drawn, person: { ...drawn.person, cautions: [answer] } };
  return planStudent(record, studioShelf, '2026-03-02').poses;
}
const rulesIn = (poses: readonly PlanPose[]) =>
  new Set(
    poses.flatMap(({ reasons }) =>
      reasons.flatMap((one) => (one.code === 'caution' ? [one.rule as string] : [])),
    ),
  );
const OWN = ['kneecap-spared', 'behind-filled', 'side-filled'];
const slotIn = (poses: readonly PlanPose[], pose: string, slot: string) =>
  poses.find((one) => one.pose === pose)?.slots.find((one) => one.slot === slot);

const seeds = [71, 72, 73];

test('where nothing is said of the place, nothing of a place is said', () => {
  for (const seed of seeds)
    for (const said of [undefined, []])
      expect([...rulesIn(planOf(seed, said))].filter((rule) => OWN.includes(rule))).toEqual([]);
});

test('a kneecap that hurts has its seat higher, in kneeling and in the squat', () => {
  for (const seed of seeds) {
    const [anywhere, front] = [planOf(seed, []), planOf(seed, ['front-knee'])];
    const higher = ['hero', 'thunderbolt', 'squat'].flatMap((pose) => {
      const [before, now] = [slotIn(anywhere, pose, 'seat'), slotIn(front, pose, 'seat')];
      return before && now ? [now.targetCm - before.targetCm] : [];
    });
    expect(higher.length).toBeGreaterThan(1);
    for (const cm of higher) expect(cm).toBeGreaterThan(1);
    expect(rulesIn(front)).toContain('kneecap-spared');
  }
});

test('a knee that hurts behind is filled there by a towel, not by a strap', () => {
  for (const seed of seeds) {
    const [anywhere, behind] = [planOf(seed, []), planOf(seed, ['behind-knee'])];
    for (const pose of ['hero', 'thunderbolt']) {
      const now = slotIn(behind, pose, 'behindKnee');
      if (!now) continue;
      expect(now.stackCm).toBeGreaterThan(
        (slotIn(anywhere, pose, 'behindKnee')?.stackCm ?? 0) + 0.5,
      );
      expect(rulesIn(behind)).toContain('behind-filled');
    }
  }
});

test('a knee that hurts at its side is told of only where something meets its thigh', () => {
  let met = 0;
  for (const seed of seeds)
    for (const spot of ['inner-knee', 'outer-knee'] as const)
      for (const pose of planOf(seed, [spot])) {
        if (!rulesIn([pose]).has('side-filled')) continue;
        met++;
        expect([
          pose.pose,
          pose.slots.some(
            ({ slot, stackCm }) => ['underThigh', 'outerHip'].includes(slot) && stackCm > 0.3,
          ),
        ]).toEqual([pose.pose, true]);
      }
  expect(met).toBeGreaterThan(3);
});

test('a place that is asked for does something, and is asked for where it does', () => {
  for (const { id, spots = [], rules } of cautions) {
    const acting = new Set(rules.flatMap(({ where = [] }) => where));
    expect([id, [...acting].sort()]).toEqual([id, [...spots].sort()]);
  }
});

test('a place that is named later is filled at the next visit, though all went well before', () => {
  for (const seed of seeds) {
    const drawn = ordinaryAdult(seed, seed * 3 + 1, 'built-up-alignment');
    const answer = { id: 'knee-pain', answer: 'yes' as const, at: '2026-03-01' };
    const withSpots = (spots: SpotId[]): StudentRecord['person'] => ({
      ...drawn.person,
      cautions: [{ ...answer, spots }],
    });
    const first = planStudent({ ...drawn, person: withSpots([]) }, studioShelf, '2026-03-02', {
      poses: ['hero', 'thunderbolt'],
    });
    const done = first.poses
      .filter(({ posture }) => posture)
      .map((one) => doneAsPlanned(one, { heldSeconds: one.holdSeconds }));
    const sessions = [{ id: 's', person: drawn.person.id, at: '2026-03-02', poses: done }];
    for (const at of ['2026-03-09', '2026-03-30'] as const) {
      const next = planStudent(
        { ...drawn, person: withSpots(['behind-knee']), sessions },
        studioShelf,
        at,
        { poses: ['hero', 'thunderbolt'] },
      );
      for (const { pose, slots, posture } of next.poses) {
        const filled = slots.find(({ slot }) => slot === 'behindKnee');
        if (posture && filled) expect([pose, filled.stackCm > 1.2]).toEqual([pose, true]);
      }
    }
  }
});

test('of two sentences for one thing the closer one is said alone', () => {
  const pairs = [
    ['front-knee', 'kneecap-spared', 'knee-in-hand'],
    ['behind-knee', 'behind-filled', 'knee-spacer'],
    ['inner-knee', 'side-filled', 'thigh-met'],
  ] as const;
  for (const seed of seeds)
    for (const [spot, closer, wider] of pairs)
      for (const pose of planOf(seed, [spot])) {
        const said = rulesIn([pose]);
        expect([pose.pose, said.has(closer) && said.has(wider)]).toEqual([pose.pose, false]);
      }
});
