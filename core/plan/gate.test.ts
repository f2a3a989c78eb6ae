import type { Reading, Session } from '../formats/book';
import { shiftDays } from '../formats/time';
import { poseById, poses } from '../poses/poses';
import { sides, type Side } from '../ranges/ranges';
import {
  recordWith,
  samplePerson,
  sampleReading,
  sampleSession,
  sampleShelf,
} from '../tests/samples';
import { planStudent } from './plan';

const DAY = '2026-03-30';
const planned = (
  pose: string,
  {
    readings = [],
    sessions = [],
    choices = {},
  }: { readings?: Reading[]; sessions?: Session[]; choices?: Record<string, string> } = {},
) =>
  planStudent(
    recordWith({ person: samplePerson({ choices }), readings, sessions }),
    sampleShelf,
    DAY,
    { poses: [pose] },
  ).poses;
const isShut = (pose: string, given?: Parameters<typeof planned>[1]) =>
  planned(pose, given).every(({ status }) => status === 'instead');

test.each(poses.filter(({ gate }) => gate).map(({ id }) => id))(
  '%s is shut for somebody of whom nothing is known, and says what to practise and what opens it',
  (id) => {
    for (const one of planned(id)) {
      expect(one.status).toBe('instead');
      expect(one.instead).not.toBeNull();
      expect(one.reasons.map(({ code }) => code)).toEqual(
        expect.arrayContaining([expect.stringMatching(/^gate-/)]),
      );
    }
  },
);

const onDay = (daysAgo: number, given: Parameters<typeof sampleSession>[1]) =>
  sampleSession(shiftDays(DAY, -daysAgo), given);

const went = (pose: string, days: number, cm = 6, slot: 'seat' | 'hipLevel' = 'seat') =>
  (['both', ...sides] as const).map((side) =>
    sampleSession(shiftDays(DAY, -days), {
      pose,
      side,
      settled: [{ slot, side: 'both', heightCm: cm, pieces: [] }],
    }),
  );

test('hero without complaint opens the reclined one; a joint that spoke does not', () => {
  expect(isShut('reclined-hero', { sessions: went('hero', 7) })).toBe(false);
  const sore = sampleSession(shiftDays(DAY, -7), {
    pose: 'hero',
    feeling: { strength: 3, place: 'joint' },
  });
  expect(isShut('reclined-hero', { sessions: [sore] })).toBe(true);
});

const rotation = (values: number[]) =>
  sides.map((side) =>
    sampleReading({
      id: `w-${side}`,
      range: 'hipRotation',
      protocol: 'table-edge-rotation',
      side,
      values,
      at: '2026-03-01',
    }),
  );
test('half lotus asks for rotation to spare, as measured, and low crossed seats', () => {
  const sat = [...went('easy-cross', 14), ...went('easy-cross', 7)];
  expect(isShut('half-lotus-seat', { sessions: sat })).toBe(true);
  expect(isShut('half-lotus-seat', { sessions: sat, readings: rotation([44, 44]) })).toBe(true);
  const free = rotation([70, 70, 70]);
  expect(isShut('half-lotus-seat', { sessions: sat, readings: free })).toBe(false);
  expect(isShut('half-lotus-seat', { readings: free })).toBe(true);
  const high = [...went('easy-cross', 14, 16), ...went('easy-cross', 7, 16)];
  expect(isShut('half-lotus-seat', { sessions: high, readings: free })).toBe(true);
});

test('king pigeon asks for pigeon over weeks, low, not for six times in one', () => {
  const free = sides.flatMap((side) => [
    sampleReading({ id: `e-${side}`, range: 'hipExtension', side, values: [30, 30, 30] }),
    sampleReading({ id: `p-${side}`, range: 'kneeFlexion.prone', side, values: [150, 150, 150] }),
    sampleReading({ id: `a-${side}`, range: 'armReach', side, values: [170, 170, 170] }),
  ]);
  const times = (every: number) =>
    Array.from({ length: 6 }, (_, i) => went('pigeon', 7 + every * i, 6, 'hipLevel')).flat();
  expect(isShut('king-pigeon', { sessions: times(12), readings: free })).toBe(false);
  expect(isShut('king-pigeon', { sessions: times(2), readings: free })).toBe(true);
  expect(isShut('king-pigeon', { sessions: times(12) })).toBe(true);
  // Shoulders that are not open, or that nobody has looked at, keep it shut as well.
  const noArms = free.filter(({ range }) => range !== 'armReach');
  expect(isShut('king-pigeon', { sessions: times(12), readings: noArms })).toBe(true);
  expect(poseById('king-pigeon')!.warmUps).toContain('strap-shoulders');
});

test('sundial asks for a heron with a straight knee on that side, not for good ones with a bent knee', () => {
  const herons = (stage: string, side: Side) =>
    [14, 7].map((daysAgo) => onDay(daysAgo, { pose: 'heron', side, stage, settled: [] }));
  const isShutOn = (side: Side, sessions: Session[]) =>
    planned('sundial', { sessions }).find((one) => one.side === side)!.status === 'instead';
  const bent = sides.flatMap((side) => herons('knee-bent', side));
  for (const side of sides) expect(isShutOn(side, bent)).toBe(true);
  const straightLeft = [...herons('straight', 'left'), ...herons('knee-bent', 'right')];
  expect(sides.map((side) => isShutOn(side, straightLeft))).toEqual([false, true]);
});

test('horse is open without its lotus; in lotus it is not taken before its time, though chosen', () => {
  const own = { choices: { 'horse/way': 'lotus-kneeling' } };
  const wayOf = (given: Parameters<typeof planned>[1]) => planned('horse', given)[0]!;
  expect(isShut('horse', {})).toBe(false);
  expect(wayOf({}).way).toBe('knees-down');
  const early = wayOf(own);
  expect(early.way).toBe('knees-down');
  expect(early.notTaken).toMatchObject([
    { way: 'lotus-kneeling', because: { of: 'early', first: { pose: 'half-lotus-seat' } } },
  ]);
  expect(early.reasons.map(({ code }) => code)).toContain('gate-record');
  const sat = [21, 14, 7].flatMap((daysAgo) =>
    sides.map((side) => onDay(daysAgo, { pose: 'half-lotus-seat', side, settled: [] })),
  );
  expect(wayOf({ ...own, sessions: sat }).way).toBe('lotus-kneeling');
  expect(wayOf({ choices: { ...own.choices, 'horse/gate': 'open' } }).way).toBe('lotus-kneeling');
});

test('practised elsewhere answers for the record and never for a reading; the teacher opens on purpose', () => {
  expect(isShut('sundial', { choices: { 'sundial/gate': 'practised' } })).toBe(false);
  const own = { 'half-lotus-seat/gate': 'practised' };
  expect(isShut('half-lotus-seat', { choices: own })).toBe(true);
  expect(isShut('half-lotus-seat', { choices: { 'half-lotus-seat/gate': 'open' } })).toBe(true);
});

test('a way that was chosen before its time says what should come first', () => {
  const choices = { 'pigeon/way': 'folded' };
  const codes = (given: Parameters<typeof planned>[1]) =>
    planned('pigeon', { choices, ...given })[0]!.reasons.map(({ code }) => code);
  expect(codes({})).toContain('gate-record');
  const upright = [...went('pigeon', 14, 6, 'hipLevel'), ...went('pigeon', 7, 6, 'hipLevel')];
  expect(codes({ sessions: upright })).not.toContain('gate-record');
});
