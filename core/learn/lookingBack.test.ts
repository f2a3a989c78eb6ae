import fc from 'fast-check';
import type { Reading } from '../formats/book';
import type { PlanPose } from '../formats/plan';
import { shiftDays } from '../formats/time';
import { studioShelf } from '../props/usualShelves';
import { slotKey } from '../slots';
import { doneAsPlanned, sampleReading } from '../tests/samples';
import { recordOfSix } from '../tests/sixPeople';
import { planStudent } from '../plan/plan';

const DAY = '2026-08-01';
const LOOKS = 11;

/** Slots that follow a range, each with a usual value of it. */
const followers = [
  { pose: 'staff', slot: 'underKnees', range: 'hamstring', fromDeg: 50 },
  { pose: 'seated-twist', slot: 'seat', range: 'hamstring', fromDeg: 50 },
  { pose: 'hero', slot: 'seat', range: 'kneeFlexion.hipBent', fromDeg: 120 },
  { pose: 'reclined-hero-one', slot: 'seat', range: 'kneeFlexion.hipBent', fromDeg: 120 },
  { pose: 'stacked-shins', slot: 'seat', range: 'hipRotation', fromDeg: 40 },
  { pose: 'heron', slot: 'seat', range: 'hipRotation', fromDeg: 40 },
] as const;
type Follower = (typeof followers)[number];

/** Fortnightly readings of both sides over twenty weeks, from one value to another. */
const course = ({ range }: Follower, fromDeg: number, toDeg: number): Reading[] =>
  Array.from({ length: LOOKS }, (_, i) =>
    (['left', 'right'] as const).map((side) =>
      sampleReading({
        id: `${i}-${side}`,
        range,
        side,
        at: shiftDays(DAY, 14 * (i + 1 - LOOKS)),
        values: [fromDeg + ((toDeg - fromDeg) * i) / (LOOKS - 1)],
      }),
    ),
  ).flat();

/** A pose's slot today, after it stood at a height so many days ago. */
const slotAfter = (
  { pose, slot }: Follower,
  readings: readonly Reading[],
  times: readonly { ago: number; cm: number }[],
) => {
  const { person } = recordOfSix('desk worker');
  const plan = (sessions: Parameters<typeof planStudent>[0]['sessions']) =>
    planStudent({ person, readings, sessions }, studioShelf, DAY, { poses: [pose] })
      .poses[0] as PlanPose;
  const first = plan([]);
  const stood = (cm: number) =>
    doneAsPlanned({
      ...first,
      slots: first.slots.map((one) => (slotKey(one) === slot ? { ...one, stackCm: cm } : one)),
    });
  const planned =
    times.length === 0
      ? first
      : plan(
          times.map(({ ago, cm }, i) => ({
            id: `s${i}`,
            person: person.id,
            at: shiftDays(DAY, -ago),
            poses: [stood(cm)],
          })),
        );
  return planned.slots.find((one) => slotKey(one) === slot);
};

/** So many spreads of what is not known of a body: no likely need lies so far up. */
const WELL_OVER = 2;
/** Less than this is no lesson. */
const NOTHING_CM = 0.5;

test('sessions well above the need, however long ago and whatever was gained since, teach nothing downward', () => {
  const between = (min: number, max: number) => fc.double({ min, max, noNaN: true });
  fc.assert(
    fc.property(
      fc.constantFrom(...followers),
      between(-6, 12),
      between(WELL_OVER, WELL_OVER + 1),
      fc.integer({ min: 200, max: 800 }),
      fc.integer({ min: 10, max: 20 }),
      (follower, gainDeg, over, ago, count) => {
        const { fromDeg } = follower;
        const readings = course(follower, fromDeg, fromDeg + gainDeg);
        const now = slotAfter(follower, readings, []);
        const atFirst = slotAfter(follower, course(follower, fromDeg, fromDeg), []);
        fc.pre(now !== undefined && now.stack.length > 0 && atFirst !== undefined);
        const cm = Math.max(now.reckonedCm, atFirst.reckonedCm) + over * now.offsetSdCm;
        const times = Array.from({ length: count }, (_, i) => ({ ago: ago + i, cm }));
        expect(slotAfter(follower, readings, times)?.offsetCm).toBeGreaterThan(-NOTHING_CM);
      },
    ),
    { numRuns: 60 },
  );
});
