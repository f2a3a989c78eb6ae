import type { Reading, Session } from '../formats/book';
import type { Reason } from '../reasons';
import { sides } from '../ranges/ranges';
import { studioShelf } from '../props/usualShelves';
import { doneAsPlanned, recordWith, sampleReading, samplePose } from '../tests/samples';
import { planStudent } from './plan';

const DAY = '2026-03-22';
const knees = (at: string, deg: number) =>
  sides.map((side) => sampleReading({ id: `k-${at}-${side}`, at, side, values: [deg, deg, deg] }));
const planned = (readings: Reading[], sessions: Session[] = []) =>
  planStudent(recordWith({ readings, sessions }), studioShelf, DAY, { poses: ['hero'] }).poses[0]!;
const told = (
  readings: Reading[],
  feeling: Parameters<typeof samplePose>[0],
  days: readonly string[] = ['2026-03-08'],
) => {
  const first = planned(knees('2026-03-01', 130));
  const sessions = days.map((at) => ({
    id: at,
    person: 'p',
    at,
    poses: [doneAsPlanned(first, feeling)],
  }));
  return planned(readings, sessions).decision.reasons.find(
    (one): one is Reason<'read-since'> => one.code === 'read-since',
  );
};
const before = knees('2026-03-01', 130);

test('a knee that reads freer since says that the seat comes down', () => {
  const now = [...before, ...knees('2026-03-20', 152)];
  const often = ['2026-03-04', '2026-03-08', '2026-03-12', '2026-03-16'];
  expect(told(now, {}, often)).toMatchObject({
    range: 'kneeFlexion.hipBent',
    slot: 'seat',
    comes: 'down',
  });
  expect(told(now, {})).toMatchObject({ comes: 'stays' });
  expect(told(now, {})!.deg).toBeGreaterThan(5);
});

test('after what was felt it still goes up, and says that the reading was seen', () => {
  const now = [...before, ...knees('2026-03-20', 152)];
  expect(told(now, { feeling: { strength: 4, place: 'joint' } })).toMatchObject({ comes: 'up' });
});

test('a reading that hardly moves anything, one that was known then, and one of another joint say nothing', () => {
  expect(told(before, {})).toBeUndefined();
  expect(told([...before, ...knees('2026-03-20', 131)], {})).toBeUndefined();
  const other = sampleReading({ id: 'h', range: 'hamstring', at: '2026-03-20', values: [95, 95] });
  expect(told([...before, other], {})).toBeUndefined();
});

test('a knee that reads stiffer since is carried higher at once', () => {
  const first = planned(knees('2026-03-01', 140));
  const sessions = ['2026-03-08'].map((at) => ({
    id: at,
    person: 'p',
    at,
    poses: [doneAsPlanned(first, {})],
  }));
  const seatOf = (readings: Reading[]) => {
    const { slots, decision } = planned(readings, sessions);
    return { ...slots.find(({ slot }) => slot === 'seat')!, decision };
  };
  const [as, now] = [
    seatOf(knees('2026-03-01', 140)),
    seatOf([
      ...knees('2026-03-01', 140),
      ...['2026-03-10', '2026-03-14', '2026-03-20'].flatMap((at) => knees(at, 115)),
    ]),
  ];
  expect(now.stackCm).toBeGreaterThan(as.stackCm + 1);
  expect(now.reasons.map(({ code }) => code)).toContain('asked-since');
  expect(now.decision.word).toBe('ease');
  expect(now.decision.reasons).toEqual([
    expect.objectContaining({ code: 'read-since', slot: 'seat', comes: 'up' }),
  ]);
});

test('where nothing lay and nothing comes to lie, nothing is told to stay', () => {
  for (const deg of [142, 150]) {
    const hamstrings = (at: string, by: number) =>
      sides.map((side) =>
        sampleReading({
          id: `h-${at}-${side}`,
          range: 'hamstring',
          at,
          side,
          values: [by, by, by],
        }),
      );
    const plan = (readings: Reading[], sessions: Session[]) =>
      planStudent(recordWith({ readings, sessions }), studioShelf, DAY, { poses: ['staff'] })
        .poses[0]!;
    const before = hamstrings('2026-03-01', deg - 20);
    const first = plan(before, []);
    const bare = {
      ...doneAsPlanned(first, {}),
      settled: first.slots.map(({ slot, side }) => ({ slot, side, heightCm: 0, pieces: [] })),
    };
    const sessions = [{ id: 's', person: 'p', at: '2026-03-08', poses: [bare] }];
    const now = plan([...before, ...hamstrings('2026-03-20', deg - 8)], sessions);
    expect(now.decision.reasons.map(({ code }) => code)).not.toContain('read-since');
  }
});

test('a seat that stays though another one is reckoned says that it stays as it lay', () => {
  const high = planned(knees('2026-03-01', 112));
  const sessions = [
    { id: 's', person: 'p', at: '2026-03-20', poses: [doneAsPlanned(high, { heldSeconds: 5 })] },
  ];
  const told = (of: Session[]) =>
    planned(knees('2026-03-01', 140), of)
      .slots.find(({ slot }) => slot === 'seat')!
      .reasons.some(({ code }) => code === 'as-last');
  expect([told(sessions), told([])]).toEqual([true, false]);
});
