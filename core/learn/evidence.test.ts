import type { Purpose } from '../props/slots';
import type { SlotKey } from '../slots';
import { samplePose, sampleSession } from '../tests/samples';
import {
  chosenAgainst,
  goesAgainst,
  earlierOf,
  evidenceOf,
  historyBefore,
  settledAt,
} from './evidence';

test('earlier times are of that pose and side, before today, oldest first', () => {
  const sessions = [
    sampleSession('2026-02-01'),
    sampleSession('2026-01-10'),
    sampleSession('2026-03-01'),
    sampleSession('2026-01-20', { pose: 'staff' }),
    sampleSession('2026-01-22', { side: 'left' }),
  ];
  expect(
    earlierOf(historyBefore(sessions, '2026-03-01'), 'hero', 'both').map(({ at }) => at),
  ).toEqual(['2026-01-10', '2026-02-01']);
});

test('the parts of a ramp are told apart', () => {
  const pose = samplePose({
    settled: [
      { slot: 'back', part: 'low', side: 'both', heightCm: 20, pieces: [] },
      { slot: 'back', part: 'high', side: 'both', heightCm: 34, pieces: [] },
    ],
  });
  expect(settledAt(pose, 'back.high')?.heightCm).toBe(34);
  expect(settledAt(pose, 'back.low')?.heightCm).toBe(20);
  expect(settledAt(pose, 'seat')).toBeUndefined();
});

describe('what a session says of a height', () => {
  const said = (more: Parameters<typeof samplePose>[0], goesUp: SlotKey | null = null) =>
    evidenceOf(samplePose(more), 'seat', 20, goesUp);
  test('going well says: enough', () =>
    expect(said({})).toEqual([{ says: 'enough', overReckonedCm: 2.5, strength: 4 }]));
  test('a joint says: too low, of the slot that it points at', () => {
    expect(said({ feeling: { strength: 2, place: 'joint' } }, 'seat')).toEqual([
      { says: 'tooLow', overReckonedCm: 2.5 },
    ]);
    expect(said({ feeling: { strength: 2, place: 'joint' } }, 'back.high')).toEqual([]);
  });
  test('going against the advice says: this height', () =>
    expect(said({ overruled: true })).toEqual([{ says: 'settled', overReckonedCm: 2.5 }]));
  test('half a hold says nothing', () => expect(said({ heldSeconds: 20 })).toEqual([]));
  test('a pelvis that nobody looked at says nothing of what tilts it, and nothing else is the less said', () => {
    const { pelvis: _, ...unlooked } = samplePose();
    const saysOf = (purpose: Purpose) =>
      evidenceOf(unlooked, 'seat', 20, null, new Set(), purpose).map(({ says }) => says);
    expect(saysOf('tilt')).toEqual([]);
    expect(saysOf('carry')).toEqual(['enough']);
  });
  test('a slot where nothing was settled says nothing', () =>
    expect(evidenceOf(samplePose({ settled: [] }), 'seat', 20, null)).toEqual([]));
});

describe('what a teacher moved is judged slot by slot', () => {
  const lowered = samplePose({
    overruled: true,
    settled: [
      { slot: 'seat', side: 'both', heightCm: 15, pieces: [] },
      { slot: 'back', part: 'high', side: 'both', heightCm: 34, pieces: [] },
    ],
    changes: [{ slot: 'seat', side: 'both', fromCm: 20, toCm: 15, atSeconds: 0 }],
  });
  test('lowering the seat says nothing of the ramp', () => {
    expect(chosenAgainst(lowered, 'seat')).toBe(true);
    expect(chosenAgainst(lowered, 'back.high')).toBe(false);
    expect(evidenceOf(lowered, 'seat', 18, null)).toEqual([
      { says: 'settled', overReckonedCm: -3 },
    ]);
    // It went well, so the ramp was enough; it was not chosen.
    expect(evidenceOf(lowered, 'back.high', 30, null)).toMatchObject([{ says: 'enough' }]);
  });
  test('moved there and back is not chosen', () => {
    const back = { slot: 'seat', side: 'both', fromCm: 15, toCm: 20, atSeconds: 9 } as const;
    const both = { ...lowered, changes: [...(lowered.changes ?? []), back] };
    expect(chosenAgainst(both, 'seat')).toBe(false);
  });
  test('an older record without the side or end of a change speaks for the slot', () => {
    const older = {
      ...lowered,
      changes: [{ slot: 'back' as const, fromCm: 38, toCm: 34, atSeconds: 0 }],
    };
    expect(chosenAgainst(older, 'back.high')).toBe(true);
    expect(chosenAgainst(older, 'seat')).toBe(false);
  });
  test('a record that does not say what was moved speaks for all', () =>
    expect(chosenAgainst({ ...lowered, changes: undefined }, 'back.high')).toBe(true));
});

test('a change goes against the advice where a slot comes down, or goes up that was to come down', () => {
  const change = (slot: 'seat' | 'hands', fromCm: number, toCm: number) => ({
    slot,
    side: 'both' as const,
    fromCm,
    toCm,
    atSeconds: 0,
  });
  const keep = { action: 'keep', slot: null } as const;
  const lower = { action: 'lower', slot: 'seat' } as const;
  expect(goesAgainst([change('seat', 20, 15)], keep)).toBe(true);
  expect(goesAgainst([change('seat', 20, 22)], keep)).toBe(false);
  expect(goesAgainst([change('seat', 20, 22)], lower)).toBe(true);
  expect(goesAgainst([change('hands', 20, 22)], lower)).toBe(false);
  // One up and another down do not make up for each other; one moved back does.
  expect(goesAgainst([change('seat', 20, 15), change('hands', 10, 15)], keep)).toBe(true);
  expect(goesAgainst([change('seat', 20, 15), change('seat', 15, 20)], keep)).toBe(false);
  expect(goesAgainst([], lower)).toBe(false);
});
