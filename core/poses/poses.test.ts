import { rangeIds } from '../ranges/ranges';
import { slotIds } from '../slots';
import { allLines } from './cues';
import { comesDown, poseById, poses, posesIn, stageOf, type Pose } from './poses';

test('ids are unique, and found', () => {
  expect(new Set(poses.map(({ id }) => id)).size).toBe(poses.length);
  for (const pose of poses) expect(poseById(pose.id)).toBe(pose);
  expect(poseById('none-such')).toBeUndefined();
});

test.each(poses.map((pose) => [pose.id, pose] as const))(
  '%s names known slots and ranges, and has cues short enough to be read from the mat',
  (_, pose) => {
    for (const slot of pose.slots) expect(slotIds).toContain(slot);
    for (const range of pose.needs) expect(rangeIds).toContain(range);
    const ways = (pose.ways ?? []).flatMap(({ entry = [] }) => entry);
    for (const line of [...allLines([...pose.look, ...pose.entry, ...ways]), ...pose.exit])
      expect(line.length).toBeLessThan(90);
    expect(pose.hold.mostSeconds).toBeGreaterThanOrEqual(pose.hold.firstSeconds);
  },
);

test.each([
  ['hero', { seat: 25 }, 'tall-seat'],
  ['hero', { seat: 12 }, 'block'],
  ['hero', { seat: 3 }, 'blanket'],
  ['hero', { seat: 0 }, 'floor'],
  ['staff', { seat: 8, underKnees: 12 }, 'knees-on-roll'],
  ['staff', { seat: 8, underKnees: 0 }, 'raised-seat'],
  ['staff', {}, 'floor'],
  ['standing-fold', { hands: 40 }, 'chair'],
  ['standing-fold', { hands: 45 }, 'chair'],
  ['standing-fold', { hands: 23 }, 'blocks-end'],
  ['standing-fold', { hands: 0 }, 'floor'],
  ['reclined-hero', { 'back.high': 40 }, 'two-bolsters'],
  ['reclined-hero', { 'back.high': 10 }, 'blankets'],
] as const)('%s on %j is at the stage %s', (id, built, stage) =>
  expect(stageOf(poseById(id)!, built as Record<string, number>)).toBe(stage),
);

test('the catalogue has all that it began with, by group', () => {
  const count = (group: Pose['group']) => posesIn(group).length;
  const began = {
    seated: 9,
    kneeling: 7,
    reclined: 9,
    'forward-bending': 13,
    chair: 6,
    counter: 3,
  } as const satisfies Record<Pose['group'], number>;
  for (const [group, least] of Object.entries(began))
    expect(count(group as Pose['group'])).toBeGreaterThanOrEqual(least);
});

test('names are not given twice, apart from a pose and its later stages', () => {
  expect(new Set(poses.map(({ name }) => name)).size).toBe(poses.length);
  for (const { sanskrit } of poses) if (sanskrit) expect(sanskrit).toMatch(/āsana|Āsana|āsana$/);
});

test('going easier never goes in a circle', () => {
  for (const pose of poses) {
    const passed = [pose.id];
    for (let at = poseById(pose.easier ?? ''); at; at = poseById(at.easier ?? '')) {
      expect(passed).not.toContain(at.id);
      passed.push(at.id);
    }
  }
});

test('each pose comes down hips before head, and every slot that goes up is its own', () => {
  for (const { slots, comesDown: order } of poses) {
    const [seat, forehead] = [
      order.findIndex((slot) => slot === 'seat' || slot === 'hipLevel'),
      order.indexOf('forehead'),
    ];
    if (seat >= 0 && forehead >= 0) expect(seat).toBeLessThan(forehead);
    for (const slot of order) expect(slots).toContain(slot.split('.')[0]);
  }
  expect(comesDown(poseById('open-book'), 'underThigh:left')).toBe(true);
  expect(comesDown(poseById('open-book'), 'strap')).toBe(false);
});
