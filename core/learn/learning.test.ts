import { families } from '../geometry/families';
import type { Reading, SessionPose } from '../formats/book';
import type { PlanPose } from '../formats/plan';
import { shiftDays } from '../formats/time';
import { poseById } from '../poses/poses';
import { purposeOf } from '../props/slots';
import { starterShelf, studioShelf } from '../props/usualShelves';
import { slotKey } from '../slots';
import { doneAsPlanned, inputOf, recordWith, samplePose, sampleReading } from '../tests/samples';
import { recordOfSix, sixPeople, type OneOfSix } from '../tests/sixPeople';
import { goodRunning } from './decide';
import { neededOn } from './evidence';
import { planStudent } from '../plan/plan';

const DAY = '2026-03-01';
const names = Object.keys(sixPeople) as OneOfSix[];

const plan = (id: string, sessions: readonly { ago: number; pose: SessionPose }[], more = {}) => {
  const record = recordOfSix('desk worker');
  return planStudent(
    {
      ...record,
      ...more,
      sessions: sessions.map(({ ago, pose }, i) => ({
        id: `s${i}`,
        person: record.person.id,
        at: shiftDays(DAY, -ago),
        poses: [pose],
      })),
    },
    studioShelf,
    DAY,
    { poses: [id] },
  ).poses[0] as PlanPose;
};
const slotOf = (planned: PlanPose, key: string) =>
  planned.slots.find((one) => slotKey(one) === key)!;
/** Slots settled at other heights than were planned. */
const at = (planned: PlanPose, heights: Readonly<Record<string, number>>): SessionPose => {
  const done = doneAsPlanned(planned, { feeling: { strength: 4, place: 'muscle' } });
  return {
    ...done,
    settled: done.settled.map((one) => ({
      ...one,
      heightCm: heights[slotKey(one)] ?? one.heightCm,
    })),
  };
};

test('a ramp learns from its own height: a low one that went well says that less is needed', () => {
  const first = plan('reclined-hero', []);
  const after = (cm: number) =>
    slotOf(
      plan(
        'reclined-hero',
        [21, 14, 7].map((ago) => ({ ago, pose: at(first, { 'back.high': cm }) })),
      ),
      'back.high',
    ).offsetCm;
  expect(after(8)).toBeLessThan(after(30) - 1);
});

test('two sides that stand differently are two good times, not none', () => {
  const settled = (['left', 'right'] as const).map((side) => ({
    slot: 'underThigh' as const,
    side,
    heightCm: side === 'left' ? 12 : 6,
    pieces: [],
  }));
  const outcome = samplePose({ settled });
  expect(
    goodRunning(
      [
        { at: '2026-02-15', outcome },
        { at: '2026-02-22', outcome },
      ],
      6,
    ),
  ).toBe(2);
});

test('a low re-check is believed whatever its protocol is called, and eases the slot that leans on that range', () => {
  const record = recordOfSix('desk worker');
  const low = (['left', 'right'] as const).map((side): Reading =>
    sampleReading({
      id: `low-${side}`,
      range: 'hamstring',
      side,
      method: 'protractor',
      protocol: 'straight-leg-raise.pelvis-watched',
      values: [28, 28, 28],
      at: `${DAY}T09:00:00Z`,
    }),
  );
  const first = plan('staff', []);
  const next = plan('staff', [{ ago: 7, pose: doneAsPlanned(first) }], {
    readings: [...record.readings, ...low],
  });
  expect(next.decision.reasons[0]).toMatchObject({ code: 'low-check', range: 'hamstring' });
  expect(['seat', 'underKnees']).toContain(next.decision.slot);
  const usual = low.map((one) => ({ ...one, values: [52, 52, 52] }));
  expect(
    plan('staff', [{ ago: 7, pose: doneAsPlanned(first) }], {
      readings: [...record.readings, ...usual],
    }).decision.reasons[0]?.code,
  ).not.toBe('low-check');
});

test('a ramp is judged on the seat that lies there', () => {
  const family = families['reclined hero'];
  const on = (seat: number) =>
    neededOn(family, inputOf(), { seat, 'back.high': 30 }, 'back.high') as number;
  expect(on(20)).toBeGreaterThan(on(10) + 3);
  // What lies in the ramp's own place says nothing of what is asked there.
  expect(neededOn(family, inputOf(), { seat: 10, 'back.high': 5 }, 'back.high')).toBeCloseTo(
    on(10),
  );
});

test('nothing is to spare at the edge of a front thigh', () => {
  const family = families['reclined hero'];
  const ramp = (kneeMarginDeg: number) =>
    neededOn(family, inputOf({}, { kneeMarginDeg }), { seat: 10 }, 'back.high') as number;
  expect(ramp(0)).toBeLessThan(ramp(5) - 0.5);
});

describe.each([
  ['studio', studioShelf],
  ['starter', starterShelf],
] as const)('on the %s shelf', (_, shelf) => {
  test.each(names)('%s: what comes down really comes down, and what is kept stays', (name) => {
    const record = recordOfSix(name);
    const first = planStudent(record, shelf, '2026-02-02').poses;
    const after = (times: number) => {
      const sessions = Array.from({ length: times }, (__, i) => ({
        id: `s${i}`,
        person: 'p1',
        at: shiftDays(DAY, -7 * (times - i)),
        poses: first.filter(({ posture }) => posture).map((one) => doneAsPlanned(one)),
      }));
      return planStudent({ ...record, sessions }, shelf, DAY).poses;
    };
    for (const next of after(3))
      for (const slot of next.slots)
        if (slot.action === 'lower') expect(slot.stackCm).toBeLessThan((slot.lastCm ?? 0) - 0.9);
    for (const next of after(1)) {
      const before = first.find(({ pose, side }) => pose === next.pose && side === next.side)!;
      const { family } = poseById(next.pose)!;
      if (next.way !== before.way) continue;
      for (const slot of next.slots.filter((one) => one.action === 'keep' && !one.isLength))
        if (['carry', 'tilt'].includes(purposeOf(slot.slot, family)))
          expect([next.pose, slotKey(slot), slot.stackCm.toFixed(2)]).toEqual([
            next.pose,
            slotKey(slot),
            slot.lastCm?.toFixed(2),
          ]);
    }
  });
});

test('a seat that came down to the floor stays there', () => {
  const down = samplePose({ settled: [{ slot: 'seat', side: 'both', heightCm: 0, pieces: [] }] });
  const readings = [sampleReading({ values: [151, 151] })];
  const sessions = [
    { id: 's', person: 'p1', at: shiftDays(DAY, -7), poses: [{ ...down, heldSeconds: 60 }] },
  ];
  const hero = (with_: typeof sessions) =>
    planStudent(recordWith({ readings, sessions: with_ }), studioShelf, DAY, { poses: ['hero'] })
      .poses[0] as PlanPose;
  expect(slotOf(hero([]), 'seat').stackCm).toBeGreaterThan(3);
  expect(slotOf(hero(sessions), 'seat')).toMatchObject({ stackCm: 0, action: 'keep' });
});

test('a support at the most that anybody builds, and still not enough: another pose, for two weeks', () => {
  const readings = [sampleReading({ values: [100, 100] })];
  const high = samplePose({
    settled: [
      {
        slot: 'seat',
        side: 'both',
        heightCm: 30,
        pieces: [{ item: 'cork', state: 'flat', count: 4 }],
      },
    ],
    feeling: { strength: 5, place: 'joint' },
  });
  const hero = (ago: number) =>
    planStudent(
      recordWith({
        readings,
        sessions: [{ id: 's', person: 'p1', at: shiftDays(DAY, -ago), poses: [high] }],
      }),
      studioShelf,
      DAY,
      { poses: ['hero'] },
    ).poses[0] as PlanPose;
  expect(hero(7)).toMatchObject({ status: 'instead', instead: 'thunderbolt' });
  expect(hero(7).reasons).toContainEqual({ code: 'at-limit', slot: 'seat', cm: 30 });
  expect(hero(21).status).toBe('offered');
});

test('no pose ever uses more of a prop than the shelf has, raised or not', () => {
  const shelf = starterShelf;
  for (const name of names) {
    const record = recordOfSix(name);
    const first = planStudent(record, shelf, '2026-02-02').poses;
    const sessions = [
      {
        id: 's',
        person: 'p1',
        at: shiftDays(DAY, -7),
        poses: first
          .filter(({ posture }) => posture)
          .map((one) => doneAsPlanned(one, { feeling: { strength: 8, place: 'joint' } })),
      },
    ];
    for (const { pose, slots } of planStudent({ ...record, sessions }, shelf, DAY).poses)
      for (const { id, count, kind } of shelf) {
        if (kind === 'strap') continue;
        const used = slots
          .flatMap(({ stack }) => stack)
          .filter(({ item }) => item === id)
          .reduce((sum, piece) => sum + piece.count, 0);
        expect([pose, id, used <= count]).toEqual([pose, id, true]);
      }
  }
});

test('for want of a ramp the back goes less far, and what was learned of the ramp is kept', () => {
  const first = plan('reclined-hero', []);
  const after = planStudent(
    {
      ...recordOfSix('desk worker'),
      sessions: [{ id: 's0', person: 'p', at: shiftDays(DAY, -7), poses: [doneAsPlanned(first)] }],
    },
    studioShelf.filter(({ kind }) => kind === 'block'),
    DAY,
    { poses: ['reclined-hero'] },
  ).poses[0] as PlanPose;
  expect(slotOf(first, 'back.high').stackCm).toBeGreaterThan(10);
  expect(['hands', 'upright']).toContain(after.way);
  expect(after.slots.map(({ slot }) => slot)).not.toContain('back');
  expect(after.notTaken).toContainEqual(
    expect.objectContaining({ way: 'ramp', because: expect.objectContaining({ of: 'shelf' }) }),
  );
});

test('what tilts the pelvis and was told as enough may have stood as much too low as is not seen', () => {
  const first = plan('staff', []);
  const seat = slotOf(first, 'seat');
  const good = [28, 21, 14, 7].map((ago) => ({
    ago,
    pose: at(first, { seat: Math.max(0, seat.reckonedCm - 2) }),
  }));
  const { offsetCm } = slotOf(plan('staff', good), 'seat');
  expect(offsetCm).toBeLessThan(0);
  // Where it had been seen to be enough, the offset would lie under what is told.
  expect(offsetCm).toBeGreaterThan(-3.5);
});
