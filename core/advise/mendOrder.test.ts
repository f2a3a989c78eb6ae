import fc from 'fast-check';
import { poses } from '../poses/poses';
import { shippedSequences } from '../poses/sequences';
import { plannedSides } from '../plan/plan';
import type { ReadingSide } from '../ranges/ranges';
import { adviceOn, placesOf, poseIdAt } from './order';
import { mendOrder } from './mendOrder';

interface Offered {
  readonly pose: string;
  readonly side: ReadingSide;
}
const offered: readonly Offered[] = poses.flatMap((pose): Offered[] =>
  plannedSides(pose).map((side) => ({ pose: pose.id, side })),
);
const can: ReadonlySet<string> = new Set(offered.map(({ pose }) => pose));
const anyPose = fc.constantFrom<string>(...poses.map(({ id }) => id));
const ordered = (...ids: string[]) => placesOf(ids, offered);

test('eight things amiss under six poses are mended by a few poses, each where it serves most', () => {
  const order = ordered('staff', 'hero', 'child', 'reclined-hero', 'standing-fold', 'seated-fold');
  const before = adviceOn(order, can);
  expect(before.length).toBeGreaterThan(6);
  const mended = mendOrder(order, offered);
  expect(adviceOn(mended.keys, can)).toEqual([]);
  expect(mended.added.length).toBeLessThan(before.length);
  // What was there stands in its order still.
  expect(mended.keys.filter((key) => order.includes(key)).slice(0, order.length)).toHaveLength(
    order.length,
  );
});

test.each(shippedSequences.map(({ id, poses: all }) => [id, all] as const))(
  '%s asks for nothing once it is mended',
  (_, all) => {
    const mended = mendOrder(ordered(...all), offered);
    expect(adviceOn(mended.keys, can)).toEqual([]);
  },
);

test('any order is mended as far as what is open today goes, and nothing of it is lost', () => {
  fc.assert(
    fc.property(
      fc.uniqueArray(anyPose, { minLength: 1, maxLength: 8 }),
      fc.uniqueArray(anyPose, { maxLength: 40 }),
      (ids, closed) => {
        const open = offered.filter(({ pose }) => ids.includes(pose) || !closed.includes(pose));
        const order = placesOf(ids, open);
        const { keys, added, moved } = mendOrder(order, open);
        for (const key of order) expect(keys).toContain(key);
        const more = keys.filter((key) => !order.includes(key)).map(poseIdAt);
        for (const id of more) expect(added).toContain(id);
        for (const id of added) expect(open.some(({ pose }) => pose === id)).toBe(true);
        const left = adviceOn(keys, new Set(open.map(({ pose }) => pose)));
        expect(left.filter((one) => 'add' in one)).toEqual([]);
        if (added.length === 0 && moved.length === 0) expect(keys).toEqual(order);
      },
    ),
    { numRuns: 300 },
  );
});
