import fc from 'fast-check';
import { gateKey } from '../approaches/approaches';
import {
  inputOf,
  mirrored,
  recordWith,
  samplePerson,
  sampleReading,
  sampleSession,
  sampleShelf,
} from '../tests/samples';
import type { Reading } from '../formats/book';
import { planSchema, type Plan, type PlanSlot } from '../formats/plan';
import { shiftDays } from '../formats/time';
import { cautions } from '../safety/cautions';
import { slotRule } from '../props/slots';
import { stackFaults } from '../props/stack';
import { bodyFrom } from '../body/body';
import { families } from '../geometry/families';
import type { Family } from '../geometry/family';
import type { MethodId } from '../protocols/protocols';
import { ranges, sides, type RangeId } from '../ranges/ranges';
import type { Remedy } from '../poses/pose';
import { poseById, poses } from '../poses/poses';
import { isVeryMobile } from '../learn/checks';
import { planStudent } from './plan';
import { solveFigure } from '../build/solve';
import { estimateRanges } from '../estimate/estimate';

const DAY = '2026-01-15';
const poseOf = (plan: Plan, id: string) => plan.poses.find(({ pose }) => pose === id)!;
const codesOf = (plan: ReturnType<typeof planStudent>) =>
  seatOf(plan).reasons.map(({ code }) => code);
const seatOf = (plan: Plan, pose = 'hero') =>
  poseOf(plan, pose).slots.find(({ slot }) => slot === 'seat') as PlanSlot;
const read = [
  sampleReading({ id: 'l', values: [128, 130] }),
  sampleReading({ id: 'r', side: 'right', values: [134, 133] }),
];

test('a plan of a student of whom only the stature is known is whole and valid', () => {
  const plan = planStudent(recordWith(), sampleShelf, DAY);
  expect(planSchema.parse(JSON.parse(JSON.stringify(plan)))).toEqual(
    JSON.parse(JSON.stringify(plan)),
  );
  expect(plan.poses.map(({ pose }) => pose)).toEqual(
    poses.flatMap(({ id, sides }) => (sides === 'each' ? [id, id] : [id])),
  );
  expect(plan.unanswered).toHaveLength(cautions.length);
});

test('bands contain their targets, and readings narrow them', () => {
  const before = planStudent(recordWith(), sampleShelf, DAY);
  const after = planStudent(recordWith({ readings: read }), sampleShelf, DAY);
  for (const { slots } of [...before.poses, ...after.poses])
    for (const { lowCm, targetCm, highCm } of slots) {
      expect(lowCm).toBeLessThanOrEqual(targetCm);
      expect(highCm).toBeGreaterThanOrEqual(targetCm);
    }
  expect(seatOf(after).highCm - seatOf(after).lowCm).toBeLessThan(
    seatOf(before).highCm - seatOf(before).lowCm,
  );
});

test('every stack keeps the rules of its slot', () => {
  for (const { pose, way, slots } of planStudent(recordWith({ readings: read }), sampleShelf, DAY)
    .poses) {
    for (const { slot, stack, isLength } of slots) {
      if (isLength) continue;
      expect(
        stackFaults(stack, sampleShelf, slotRule(slot, poseById(pose)!.family, bodyFrom(170), way)),
      ).toEqual([]);
    }
  }
});

test('a first build stands a little over the target', () => {
  const seat = seatOf(planStudent(recordWith({ readings: read }), sampleShelf, DAY));
  expect(seat.stackCm).toBeGreaterThan(seat.targetCm - 0.5);
  expect(seat.stackCm).toBeLessThan(seat.targetCm + 4);
});

test('mirrored students get mirrored plans', () => {
  fc.assert(
    fc.property(
      fc.integer({ min: 100, max: 160 }),
      fc.integer({ min: 100, max: 160 }),
      fc.integer({ min: 30, max: 90 }),
      (left, right, hamstring) => {
        const record = recordWith({
          readings: [
            sampleReading({ id: 'a', values: [left] }),
            sampleReading({ id: 'b', side: 'right', values: [right] }),
            sampleReading({ id: 'c', range: 'hamstring', values: [hamstring] }),
          ],
        });
        const [one, two] = [
          planStudent(record, sampleShelf, DAY),
          planStudent(mirrored(record), sampleShelf, DAY),
        ];
        const swap = (side: string) => ({ left: 'right', right: 'left' })[side] ?? side;
        for (const pose of one.poses) {
          const other = two.poses.find(
            (there) => there.pose === pose.pose && there.side === swap(pose.side),
          );
          expect(other?.status).toBe(pose.status);
          for (const slot of pose.slots) {
            const twin = other?.slots.find(
              (there) =>
                there.slot === slot.slot &&
                there.part === slot.part &&
                there.side === swap(slot.side),
            );
            // The second side is built like the first where that serves, and what fills follows what is built.
            if (pose.side === 'both') expect(twin?.targetCm).toBeCloseTo(slot.targetCm, 9);
            expect(Math.abs((twin?.targetCm ?? NaN) - slot.targetCm)).toBeLessThanOrEqual(4);
            // A pair takes its pieces one side after the other, so only what both share is the same pieces.
            if (pose.side === 'both' && slot.side === 'both')
              expect(twin?.stack).toEqual(slot.stack);
          }
        }
      },
    ),
    { numRuns: 15 },
  );
});

describe('over sessions', () => {
  const first = planStudent(recordWith({ readings: read }), sampleShelf, DAY);
  const seat = seatOf(first);
  const settled = [
    { slot: 'seat' as const, side: 'both' as const, heightCm: seat.stackCm, pieces: seat.stack },
  ];
  const good = (day: number) =>
    sampleSession(shiftDays(DAY, day), { settled, feeling: { strength: 2, place: 'muscle' } });

  test('two good sessions bring the seat of hero down one rung, with the reason', () => {
    const plan = planStudent(
      recordWith({ readings: read, sessions: [good(0), good(7), good(14)] }),
      sampleShelf,
      shiftDays(DAY, 21),
    );
    expect(poseOf(plan, 'hero').decision).toMatchObject({ action: 'lower', slot: 'seat' });
    expect(seatOf(plan).stackCm).toBeLessThan(seat.stackCm - 0.9);
    expect(seatOf(plan).stackCm).toBeGreaterThanOrEqual(seat.stackCm - 2.5);
    expect(codesOf(plan)).toEqual(expect.arrayContaining(['rung-lower', 'range-supports']));
  });

  test('a joint-line feeling brings it up a rung, with the reason', () => {
    const joint = sampleSession(shiftDays(DAY, 7), {
      settled,
      feeling: { strength: 2, place: 'joint' },
    });
    const plan = planStudent(
      recordWith({ readings: read, sessions: [good(0), joint] }),
      sampleShelf,
      shiftDays(DAY, 14),
    );
    expect(poseOf(plan, 'hero').decision.action).toBe('raise');
    expect(seatOf(plan).stackCm).toBeGreaterThan(seat.stackCm + 0.9);
    expect(seatOf(plan).reasons).toContainEqual(
      expect.objectContaining({ code: 'last-time', complaint: { of: 'joint' } }),
    );
  });

  test('an edited or removed session changes what is learned, at once', () => {
    const tooLow = sampleSession(DAY, { settled, feeling: { strength: 3, place: 'joint' } });
    const withIt = seatOf(
      planStudent(
        recordWith({ readings: read, sessions: [tooLow] }),
        sampleShelf,
        shiftDays(DAY, 7),
      ),
    );
    expect(withIt.offsetCm).toBeGreaterThan(0.5);
    expect(
      seatOf(planStudent(recordWith({ readings: read }), sampleShelf, shiftDays(DAY, 7))).offsetCm,
    ).toBe(0);
  });

  test('a seat that the shelf can no longer build is built anew near where it stood', () => {
    const smaller = sampleShelf.filter(
      ({ kind }) => kind === 'blanket' || kind === 'half-block' || kind === 'bolster-round',
    );
    const again = seatOf(
      planStudent(recordWith({ readings: read, sessions: [good(0)] }), smaller, shiftDays(DAY, 7)),
    );
    expect(again.stack.every(({ item }) => smaller.some(({ id }) => id === item))).toBe(true);
    expect(Math.abs(again.stackCm - seat.stackCm)).toBeLessThan(4);
  });

  test('a sore day’s check far below the record raises the support', () => {
    const check = sampleReading({ id: 'now', at: shiftDays(DAY, 14), values: [108, 109] });
    const plan = planStudent(
      recordWith({ readings: [...read, check], sessions: [good(0), good(7)] }),
      sampleShelf,
      shiftDays(DAY, 14),
    );
    expect(poseOf(plan, 'hero').decision).toMatchObject({ action: 'raise' });
    expect(poseOf(plan, 'hero').reasons).toContainEqual(
      expect.objectContaining({ code: 'low-check', range: 'kneeFlexion.hipBent' }),
    );
  });

  test('the hold grows with the times done, and never more than doubles', () => {
    const plan = planStudent(
      recordWith({ readings: read, sessions: [good(0), good(7)] }),
      sampleShelf,
      shiftDays(DAY, 14),
    );
    expect(poseOf(first, 'hero').holdSeconds).toBe(60);
    expect(poseOf(plan, 'hero').holdSeconds).toBe(90);
  });
});

test('the reading that narrows the heights most is asked for first, and never one taken today', () => {
  const plan = planStudent(
    recordWith({ readings: read.map((one) => ({ ...one, at: DAY })) }),
    sampleShelf,
    DAY,
  );
  expect(plan.measureNext.length).toBeGreaterThan(0);
  expect(plan.measureNext.every(({ gainCm }) => gainCm >= 0.3)).toBe(true);
  // What it decides are heights of this plan, each once, and there where it leans on that range.
  for (const { decides, gainCm } of plan.measureNext) {
    const keys = decides.map(({ pose, slot }) => `${pose}/${slot}`);
    expect(new Set(keys).size).toBe(keys.length);
    expect(keys.length > 0 || gainCm < 5).toBe(true);
    for (const { pose, slot } of decides)
      expect(
        plan.poses.some((one) => one.pose === pose && one.slots.some((s) => s.slot === slot)),
      ).toBe(true);
  }
  expect(plan.measureNext.every(({ range }) => range !== 'kneeFlexion.hipBent')).toBe(true);
  plan.measureNext
    .slice(1)
    .forEach(({ gainCm }, i) => expect(gainCm).toBeLessThanOrEqual(plan.measureNext[i]!.gainCm));
});

test('without a shelf the heights are there and nothing is built', () => {
  const plan = planStudent(recordWith({ readings: read }), [], DAY);
  expect(seatOf(plan)).toMatchObject({ stack: [], stackCm: 0 });
  expect(seatOf(plan).targetCm).toBeGreaterThan(15);
});

test('an unknown pose is refused by name', () =>
  expect(() =>
    planStudent(recordWith(), sampleShelf, DAY, { poses: ['headstand-on-a-boat'] }),
  ).toThrow('headstand-on-a-boat'));

const extreme: Readonly<
  Record<string, { statureCm: number; values: Readonly<Partial<Record<RangeId, number>>> }>
> = {
  short: { statureCm: 140, values: {} },
  tall: { statureCm: 210, values: {} },
  stiff: {
    statureCm: 178,
    values: {
      hamstring: 25,
      'kneeFlexion.hipBent': 85,
      'kneeFlexion.prone': 75,
      hipFlexion: 85,
      hipRotation: 15,
      hipSpread: 15,
      hipExtension: -20,
      ankleBend: 0,
      anklePoint: 20,
      spineFold: 10,
      armReach: 100,
    },
  },
  free: {
    statureCm: 163,
    values: {
      hamstring: 110,
      'kneeFlexion.hipBent': 165,
      'kneeFlexion.prone': 158,
      hipFlexion: 145,
      hipRotation: 88,
      hipSpread: 80,
      hipExtension: 35,
      ankleBend: 50,
      anklePoint: 80,
      spineFold: 90,
      armReach: 185,
    },
  },
};
const readAll = (values: Readonly<Partial<Record<RangeId, number>>>) =>
  Object.entries(values).flatMap(([range, value]) =>
    (ranges[range as RangeId].sided ? sides : (['left'] as const)).map((side) =>
      sampleReading({
        id: `${range}-${side}`,
        range: range as RangeId,
        side,
        values: [value, value],
      }),
    ),
  );

describe.each(Object.entries(extreme))('the %s body', (_, { statureCm, values }) => {
  const plan = planStudent(
    recordWith({ person: samplePerson({ statureCm }), readings: readAll(values) }),
    sampleShelf,
    DAY,
  );

  test.each(plan.poses.map((planned) => [`${planned.pose} ${planned.side}`, planned] as const))(
    '%s is planned and drawn, or another pose stands in',
    (_name, planned) => {
      expect(JSON.stringify(planned)).not.toMatch(/null,null|NaN|Infinity/);
      if (planned.status === 'instead') {
        expect(poseById(planned.instead ?? '')).toBeDefined();
        expect(['too-high', 'gate-range', 'gate-record']).toContain(planned.reasons[0]?.code);
        return;
      }
      expect(planned.posture?.spine.length).toBeGreaterThan(4);
      expect(planned.stage).not.toBe('');
    },
  );

  test('no pose takes more of anything than the shelf has', () => {
    for (const { slots } of plan.poses) {
      const taken = slots
        .flatMap(({ stack }) => stack)
        .reduce<Record<string, number>>(
          (sum, { item, count }) => ({ ...sum, [item]: (sum[item] ?? 0) + count }),
          {},
        );
      for (const { id, count } of sampleShelf) expect(taken[id] ?? 0).toBeLessThanOrEqual(count);
    }
  });
});

test('each side of a one-sided pose follows its own ranges and its own sessions', () => {
  const readings = [
    sampleReading({ id: 'l', range: 'hipRotation', values: [40, 40] }),
    sampleReading({ id: 'r', range: 'hipRotation', side: 'right', values: [70, 70] }),
  ];
  const session = sampleSession('2026-01-10', {
    pose: 'pigeon',
    side: 'right',
    settled: [
      {
        slot: 'hipLevel',
        side: 'both',
        heightCm: 6,
        pieces: [{ item: 'wool', state: 'fold-16', count: 1 }],
      },
    ],
  });
  const [left, right] = planStudent(
    recordWith({ readings, sessions: [session] }),
    sampleShelf,
    DAY,
    { poses: ['pigeon'] },
  ).poses;
  expect([left?.side, right?.side]).toEqual(['left', 'right']);
  expect(left!.slots[0]!.targetCm).toBeGreaterThan(right!.slots[0]!.targetCm + 3);
  expect(left?.decision.action).toBe('first');
  expect(right?.decision.action).not.toBe('first');
  expect(right?.slots[0]?.lastCm).toBe(6);
});

test('a pair that is met on both sides is told apart, and raised together', () => {
  const readings = [
    sampleReading({ id: 'l', range: 'hipRotation', values: [45, 45] }),
    sampleReading({ id: 'r', range: 'hipRotation', side: 'right', values: [62, 62] }),
  ];
  const first = planStudent(recordWith({ readings }), sampleShelf, DAY, { poses: ['open-book'] })
    .poses[0]!;
  const knee = (plan: typeof first, side: string) =>
    plan.slots.find((slot) => slot.slot === 'underThigh' && slot.side === side)!;
  expect(knee(first, 'left').targetCm).toBeGreaterThan(knee(first, 'right').targetCm + 2);
  const session = sampleSession('2026-01-15', {
    pose: 'open-book',
    feeling: { strength: 8, place: 'muscle' },
    settled: first.slots.map(({ slot, side, stackCm, stack }) => ({
      slot,
      side,
      heightCm: stackCm,
      pieces: stack,
    })),
  });
  const next = planStudent(
    recordWith({ readings, sessions: [session] }),
    sampleShelf,
    '2026-01-22',
    { poses: ['open-book'] },
  ).poses[0]!;
  expect(next.decision).toMatchObject({ action: 'raise', slot: 'underThigh' });
  expect(knee(next, 'left').action).toBe('raise');
  expect(knee(next, 'right').action).toBe('raise');
});

test('a hip that would have to stand too high gets the figure four, unless a caution forbids that too', () => {
  const stiff = readAll({ hipRotation: 5 });
  const tall = samplePerson({ statureCm: 205 });
  expect(
    planStudent(recordWith({ person: tall, readings: stiff }), sampleShelf, DAY, {
      poses: ['pigeon'],
    }).poses[0],
  ).toMatchObject({ status: 'instead', instead: 'figure-four' });
  const person = samplePerson({
    statureCm: 205,
    cautions: [{ id: 'pregnancy', answer: 'yes', at: DAY }],
  });
  expect(
    planStudent(recordWith({ person, readings: stiff }), sampleShelf, DAY, { poses: ['pigeon'] })
      .poses[0],
  ).toMatchObject({ status: 'instead', instead: 'reclined-open' });
});

test('a figure on any heights answers to what lies beneath', () => {
  const record = recordWith({
    readings: [sampleReading({ range: 'hamstring', values: [45, 45] })],
  });
  const estimates = estimateRanges(record, DAY);
  const roll = (built: Record<string, number>) =>
    solveFigure(
      { person: record.person, pose: 'staff', side: 'both', shelf: sampleShelf },
      estimates,
      built,
    ).findings.rollBackDeg ?? NaN;
  expect(roll({ seat: 20 })).toBeLessThan(roll({ seat: 0 }) - 8);
});

const slotOf = (remedy: Remedy | null): string[] =>
  remedy && 'slot' in remedy ? [remedy.slot] : [];

test('every reference in the catalogue resolves', () => {
  for (const pose of poses) {
    expect(families[pose.family]).toBeDefined();
    expect(pose.stages.at(-1)?.from).toBeUndefined();
    for (const slot of pose.slots.length === 0
      ? []
      : [...pose.comesDown, ...Object.values(pose.eases).flatMap(slotOf)])
      expect(pose.slots).toContain(slot.split('.')[0]);
    for (const fault of pose.faults)
      for (const slot of slotOf(fault)) expect(pose.slots).toContain(slot);
    expect(pose.look.length).toBeGreaterThanOrEqual(3);
    expect(pose.look.length).toBeLessThanOrEqual(5);
    expect(pose.slots).toEqual(
      expect.arrayContaining(
        Object.keys(pose.atHome).filter((key) => !['also', 'withSoreKnee'].includes(key)),
      ),
    );
    for (const id of [
      ...pose.warmUps,
      ...pose.counterposes,
      pose.easier,
      pose.harder,
      pose.insteadOver?.pose,
    ])
      if (id !== undefined) expect(poseById(id)).toBeDefined();
    for (const { from } of pose.stages)
      if (from) expect(pose.slots).toContain(from.slot.split('.')[0]);
    // What a table says is needed, its family reckons or asks of the joints.
    const family: Family = families[pose.family];
    const input = inputOf({}, {}, 170, pose.sides === 'each' ? 'left' : 'both');
    const known = [
      ...family.needs(input.side).map((key) => key.split(':')[0]),
      ...family.figure(input, {}).demands.map(({ range }) => range),
    ];
    for (const range of pose.needs) expect(known).toContain(range);
    // Every slot that the family reckons is one of the pose's own.
    for (const need of family.heights(input)) expect(pose.slots).toContain(need.slot);
  }
});

test('a height that the teacher keeps choosing against the advice becomes the target, no more than it', () => {
  const chosen = [{ slot: 'seat' as const, side: 'both' as const, heightCm: 24, pieces: [] }];
  const sessions = Array.from({ length: 8 }, (_, week) =>
    sampleSession(shiftDays(DAY, 7 * week), {
      settled: chosen,
      overruled: true,
      feeling: { strength: 3, place: 'muscle' },
    }),
  );
  for (const veryMobile of [false, true]) {
    const plan = planStudent(
      recordWith({ person: samplePerson({ veryMobile }), readings: read, sessions }),
      sampleShelf,
      shiftDays(DAY, 60),
      { poses: ['hero'] },
    );
    expect(seatOf(plan).targetCm).toBeGreaterThan(22);
    expect(seatOf(plan).targetCm).toBeLessThan(25);
  }
});

describe('how a support goes up', () => {
  const first = planStudent(recordWith({ readings: read }), sampleShelf, DAY, { poses: ['hero'] });
  const seat = seatOf(first);
  const settledAt = (heightCm: number) => [
    { slot: 'seat' as const, side: 'both' as const, heightCm, pieces: seat.stack },
  ];
  const hurt = (heightCm: number, day: number) =>
    sampleSession(shiftDays(DAY, day), {
      settled: settledAt(heightCm),
      feeling: { strength: 3, place: 'joint' },
    });

  test('one rung where that is likely to be enough', () => {
    const plan = planStudent(
      recordWith({ readings: read, sessions: [hurt(seat.stackCm, 0)] }),
      sampleShelf,
      shiftDays(DAY, 7),
      { poses: ['hero'] },
    );
    expect(seatOf(plan).action).toBe('raise');
    expect(seatOf(plan).stackCm).toBeGreaterThan(seat.stackCm + 0.9);
  });

  test('as many as three where, far too low, one would still not be', () => {
    const low = [
      {
        slot: 'seat' as const,
        side: 'both' as const,
        heightCm: 15,
        pieces: [{ item: 'cork', state: 'edge', count: 1 }],
      },
    ];
    const session = sampleSession(DAY, { settled: low, feeling: { strength: 3, place: 'joint' } });
    const plan = planStudent(
      recordWith({ readings: read, sessions: [session] }),
      sampleShelf,
      shiftDays(DAY, 7),
      { poses: ['hero'] },
    );
    expect(seatOf(plan).stackCm).toBeGreaterThan(15 + 2.6);
    expect(seatOf(plan).stackCm).toBeLessThanOrEqual(15 + 7.6);
    expect(seatOf(plan).reasons).toContainEqual(
      expect.objectContaining({ code: 'rung-higher', fromCm: 15, more: true }),
    );
  });

  test('one and no more for a cold, tired or sore day alone', () => {
    const low = [
      {
        slot: 'seat' as const,
        side: 'both' as const,
        heightCm: 15,
        pieces: [{ item: 'cork', state: 'edge', count: 1 }],
      },
    ];
    const went = sampleSession(DAY, { settled: low, feeling: { strength: 4, place: 'muscle' } });
    for (const day of ['cold', 'tired', 'sore'] as const) {
      const plan = planStudent(
        recordWith({ readings: read, sessions: [went] }),
        sampleShelf,
        shiftDays(DAY, 7),
        { poses: ['hero'], day },
      );
      expect(seatOf(plan).action).toBe('raise');
      expect(seatOf(plan).stackCm).toBeGreaterThan(15.9);
      expect(seatOf(plan).stackCm).toBeLessThanOrEqual(15 + 2.5 + 1e-6);
    }
  });

  test('on a cold, tired or sore day a first build stands a rung higher too', () => {
    const cold = planStudent(recordWith({ readings: read }), sampleShelf, DAY, {
      poses: ['hero'],
      day: 'cold',
    });
    expect(seatOf(cold).stackCm).toBeGreaterThan(seat.stackCm + 0.9);
    expect(cold.poses[0]?.reasons).toContainEqual({ code: 'heavy-day', day: 'cold' });
  });
});

test('a student marked very mobile works at mid-range, in every pose', () => {
  const stands = (veryMobile: boolean) =>
    poseOf(
      planStudent(recordWith({ person: samplePerson({ veryMobile }) }), sampleShelf, DAY, {
        poses: ['easy-cross'],
      }),
      'easy-cross',
    ).slots[0]!.targetCm;
  expect(stands(true)).toBeGreaterThan(stands(false) + 0.5);
});

test('one range past the 95th percentile is no very mobile student, ranges of two kinds are', () => {
  const free = (range: 'kneeFlexion.hipBent' | 'hipFlexion', deg: number) =>
    (['left', 'right'] as const).map((side) =>
      sampleReading({ id: `${range}-${side}`, range, side, at: DAY, values: [deg, deg, deg] }),
    );
  const knees = free('kneeFlexion.hipBent', 168);
  const mobile = (readings: Reading[]) => {
    const record = recordWith({ readings });
    return isVeryMobile(record, estimateRanges(record, DAY));
  };
  expect(mobile(knees)).toBe(false);
  expect(mobile([...knees, ...free('hipFlexion', 145)])).toBe(true);
});

test('readings are worth taking for what is practised, not for the whole catalogue', () => {
  const ranked = planStudent(recordWith({ readings: read }), sampleShelf, DAY).measureNext.map(
    ({ range }) => range,
  );
  expect(ranked.length).toBeGreaterThan(0);
  for (const range of ranked)
    expect(['hamstring', 'hipFlexion', 'kneeFlexion.hipBent', 'spineFold', 'anklePoint']).toContain(
      range,
    );
  expect(
    planStudent(recordWith(), sampleShelf, DAY, { poses: ['pigeon'] }).measureNext.map(
      ({ range }) => range,
    ),
  ).toContain('hipRotation');
});

test('what a reading is worth depends on what it would be taken with', () => {
  const gains = (method: MethodId) =>
    planStudent(recordWith({ readings: read }), sampleShelf, DAY, { method }).measureNext;
  const gainOf = (method: MethodId, range: RangeId) =>
    gains(method)
      .filter((one) => one.range === range)
      .reduce((sum, { gainCm }) => sum + gainCm, 0);
  for (const { range } of gains('protractor'))
    expect(gainOf('by-eye', range)).toBeLessThan(gainOf('protractor', range));
  expect(gainOf('phone-tilt', 'hamstring')).toBeGreaterThan(gainOf('protractor', 'hamstring'));
  // A tape has only the fingertips' way to the hamstring, which is doubtful.
  expect(gainOf('tape', 'hamstring')).toBeLessThan(0.7 * gainOf('protractor', 'hamstring'));
});

test('a choice set for one pose changes that pose alone', () => {
  const plan = planStudent(
    recordWith({
      person: samplePerson({
        choices: { 'hero/behindKnee': 'towel', 'reclined-hero/gate': 'practised' },
      }),
    }),
    sampleShelf,
    DAY,
    { poses: ['hero', 'reclined-hero'] },
  );
  const pad = (pose: string) =>
    poseOf(plan, pose).slots.find(({ slot }) => slot === 'behindKnee')?.targetCm;
  expect(pad('hero')).toBeCloseTo(1.6, 6);
  expect(pad('reclined-hero')).toBe(0);
});

test('the chair of the shelf sets the chair poses', () => {
  const feet = (heightCm: number) =>
    poseOf(
      planStudent(
        recordWith(),
        [
          ...sampleShelf.filter(({ kind }) => kind !== 'chair'),
          {
            ...sampleShelf.find(({ kind }) => kind === 'chair')!,
            states: [{ id: 'seat', heightCm }],
          },
        ],
        DAY,
        { poses: ['chair-tilts'] },
      ),
      'chair-tilts',
    ).slots[0]!.targetCm;
  expect(feet(50) - feet(46)).toBeCloseTo(4, 6);
});

describe('what is planned already is not planned again', () => {
  const record = recordWith({ readings: read, sessions: [sampleSession(DAY)] });
  const day = shiftDays(DAY, 7);
  let plan: Plan;
  beforeEach(() => {
    plan = planStudent(record, sampleShelf, day);
  });
  const same = (other: Plan) =>
    other.poses.filter((one) => one === plan.poses.find((p) => p === one)).length;

  test('another method asks only for what to measure next', () => {
    const byTape = planStudent(record, sampleShelf, day, { method: 'tape' });
    expect(same(byTape)).toBe(plan.poses.length);
    expect(byTape.measureNext).not.toEqual(plan.measureNext);
  });

  test('a choice for one pose plans that pose anew, and no other', () => {
    const chosen = { ...record, person: samplePerson({ choices: { 'hero/behindKnee': 'towel' } }) };
    const after = planStudent(chosen, sampleShelf, day);
    expect(same(after)).toBe(plan.poses.length - 1);
    expect(poseOf(after, 'hero')).not.toBe(poseOf(plan, 'hero'));
  });

  test('what other poses are open to is looked up anew, whatever was planned before', () => {
    const opened = (choices: Record<string, string>) => ({
      ...record,
      person: samplePerson({ choices }),
    });
    for (const { id, gate } of poses) {
      if (!gate) continue;
      for (const answer of ['open', 'practised']) {
        const chosen = opened({ [gateKey(id)]: answer });
        planStudent(record, sampleShelf, day);
        const after = planStudent(chosen, sampleShelf, day);
        const anew = planStudent(structuredClone(chosen), sampleShelf, day);
        expect(after.poses).toEqual(anew.poses);
      }
    }
  });

  test('a caution, a reading, a session, another shelf or another day plan everything anew', () => {
    const sore = samplePerson({
      cautions: [{ id: 'under-18', answer: 'yes', at: '2026-01-05' }],
    });
    for (const other of [
      planStudent({ ...record, person: sore }, sampleShelf, day),
      planStudent({ ...record, readings: [...read] }, sampleShelf, day),
      planStudent({ ...record, sessions: [] }, sampleShelf, day),
      planStudent(record, [...sampleShelf], day),
      planStudent(record, sampleShelf, shiftDays(day, 1)),
      planStudent(record, sampleShelf, day, { day: 'cold' }),
    ])
      expect(same(other)).toBe(0);
  });
});
