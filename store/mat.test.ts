import {
  dialTurned,
  faultToggled,
  heldSeconds,
  holdLengthened,
  holdPaused,
  holdStarted,
  matCleared,
  matOf,
  matReducer,
  matSchema,
  matStarted,
  matTaken,
  onMatOf,
  orderLaid,
  orderTakenBack,
  pieceTicked,
  poseDone,
  poseLaid,
  poseSkipped,
  poseTakenBack,
  rungMoved,
  stepTaken,
  stepUndone,
} from './mat';
import { samplePose } from '@/core/tests/samples';

const AT = '2026-03-02T18:00:00Z';
type Action = Parameters<typeof matReducer>[1];
const after = (...actions: readonly Action[]) =>
  actions.reduce<ReturnType<typeof matReducer> | undefined>(
    (state, action) => matReducer(state, action),
    undefined,
  )!;
const begin = (person: string, ...poses: string[]) =>
  matStarted({ person, poses: poses.length > 0 ? poses : ['hero/both', 'child/both'], at: AT });
const seat = (heightCm: number) => ({
  slot: 'seat' as const,
  side: 'both' as const,
  heightCm,
  pieces: [],
});
const moved = (fromCm: number, toCm: number) =>
  rungMoved({
    pose: 'hero/both',
    slot: { slot: 'seat', side: 'both' },
    fromCm,
    toCm,
    atSeconds: 0,
    settled: [seat(toCm)],
  });
const done = poseDone(samplePose({ pose: 'hero', side: 'both' }));

describe('what is laid out before a session', () => {
  const lay = poseLaid({
    person: 'p1',
    at: AT,
    pose: 'hero/both',
    settled: [seat(12)],
    dials: [{ dial: 'kneeBend', reckoned: 10, value: 20 }],
    changes: [{ slot: 'seat', side: 'both', fromCm: 15, toCm: 12, atSeconds: 0 }],
    why: 'a long day',
  });

  test('lies on the mat when the session begins, with what moved and why, and once only', () => {
    const { now, laid } = after(lay, begin('p1'));
    expect(now?.settled['hero/both']).toEqual([seat(12)]);
    expect(now?.dials['hero/both']?.[0]?.value).toBe(20);
    expect(now?.changes['hero/both']).toHaveLength(1);
    expect(now?.whys).toEqual({ 'hero/both': 'a long day' });
    expect(laid).toEqual({});
    expect(matSchema.safeParse(now).success).toBe(true);
  });

  test('is left out where its pose is not done, and for another student', () => {
    expect(after(lay, begin('p1', 'child/both')).now?.settled).toEqual({});
    const other = after(lay, begin('p2'));
    expect(other.now?.settled).toEqual({});
    expect(other.laid['p1']?.poses['hero/both']?.why).toBe('a long day');
  });

  test('is taken back pose by pose; an order stays', () => {
    const order = orderLaid({ people: ['p1', 'p2'], at: AT, order: ['child', 'hero'] });
    const both = after(lay, order);
    expect(both.laid['p1']?.order).toEqual(['child', 'hero']);
    expect(both.laid['p2']).toEqual({ poses: {}, at: AT, order: ['child', 'hero'] });
    const less = matReducer(both, poseTakenBack({ person: 'p1', pose: 'hero/both' }));
    expect(less.laid['p1']?.poses).toEqual({});
    expect(less.laid['p1']?.order).toEqual(['child', 'hero']);
    expect(matReducer(less, orderTakenBack('p1')).laid['p1']?.order).toBeUndefined();
    expect(matReducer(less, orderTakenBack('nobody')).laid).toEqual(less.laid);
  });
});

describe('the last step is taken back', () => {
  test('one after another, to where the session began and no further', () => {
    const state = after(
      begin('p1'),
      stepTaken('look'),
      faultToggled({ pose: 'hero/both', fault: 'ankle-out' }),
      moved(12, 15),
    );
    const once = matReducer(state, stepUndone());
    expect(once.now?.changes).toEqual({});
    expect(once.now?.faults['hero/both']).toEqual(['ankle-out']);
    const twice = matReducer(once, stepUndone());
    expect(twice.now?.faults).toEqual({});
    const thrice = matReducer(twice, stepUndone());
    expect(thrice.now?.step).toBe('build');
    expect(matReducer(thrice, stepUndone()).now).toEqual(thrice.now);
  });

  test('a pose that was recorded or skipped comes back; the timer is no step', () => {
    const state = after(begin('p1'), done);
    expect(state.now?.at).toBe(1);
    const back = matReducer(state, stepUndone());
    expect([back.now?.at, back.now?.done]).toEqual([0, []]);
    expect(after(begin('p1'), poseSkipped(), stepUndone()).now?.at).toBe(0);
    expect(after(begin('p1'), holdStarted(AT), holdPaused(AT)).past).toEqual({});
  });

  test('another session begins with nothing to take back', () =>
    expect(
      after(begin('p1'), moved(12, 15), matCleared(), begin('p1', 'child/both')).past['p1'],
    ).toBeUndefined());
});

describe('several mats', () => {
  test('whoever was on the mat goes on beside, and is turned to with the timer as it ran', () => {
    const two = after(begin('p1'), holdStarted(AT), begin('p2'));
    expect([two.now?.person, two.parked['p1']?.holdingSince]).toEqual(['p2', AT]);
    const back = matReducer(two, matTaken('p1'));
    expect([back.now?.person, Object.keys(back.parked)]).toEqual(['p1', ['p2']]);
    expect(heldSeconds(back.now!, '2026-03-02T18:01:30Z')).toBe(90);
    expect(matReducer(back, matTaken('p9'))).toEqual(back);
  });

  test('what is done on a mat beside leaves the one on the screen as it is, and is taken back there', () => {
    const two = after(begin('p1'), begin('p2'));
    const moveIt = onMatOf('p1', moved(12, 15));
    const one = after(begin('p1'), begin('p2'), moveIt, onMatOf('p2', stepTaken('look')));
    expect(one.now).toEqual({ ...two.now, step: 'look' });
    expect(one.parked['p1']?.changes['hero/both']).toHaveLength(1);
    const back = matReducer(one, onMatOf('p1', stepUndone()));
    expect(back.parked['p1']).toEqual(two.parked['p1']);
    expect(back.now?.step).toBe('look');
    expect(matReducer(back, onMatOf('p2', stepUndone())).now?.step).toBe('build');
  });

  test('a mat beside is ended, and nothing is done on that of somebody who is on none', () => {
    const two = after(begin('p1'), begin('p2'));
    const one = matReducer(two, onMatOf('p1', matCleared()));
    expect([one.now, one.parked]).toEqual([two.now, {}]);
    expect(matReducer(one, onMatOf('p1', poseSkipped()))).toBe(one);
    expect(matOf(two, 'p1')?.person).toBe('p1');
    expect(matOf(one, 'p1')).toBeUndefined();
  });

  test('the same student who begins anew leaves no second mat', () => {
    const again = after(begin('p1'), begin('p1', 'child/both'));
    expect([again.now?.poses, again.parked]).toEqual([['child/both'], {}]);
  });
});

test('pieces are ticked and unticked by pose', () => {
  const tick = (lies: boolean, ...pieces: string[]) =>
    pieceTicked({ pose: 'hero/both', pieces, lies });
  const state = after(begin('p1'), tick(true, 'a', 'b'), tick(true, 'b'), tick(false, 'a'));
  expect(state.now?.ticked['hero/both']).toEqual(['b']);
});

test('a hold is lengthened for the pose that is held, and the next one begins as planned', () => {
  const state = after(begin('p1'), holdLengthened(30), holdLengthened(30));
  expect(state.now?.moreSeconds).toBe(60);
  expect(matReducer(state, done).now?.moreSeconds).toBe(0);
});

test('a setting that is turned keeps what follows it', () => {
  const dials = [{ dial: 'kneeBend' as const, reckoned: 10, value: 20 }];
  const { now } = after(begin('p1'), dialTurned({ pose: 'hero/both', dials, settled: [seat(9)] }));
  expect(now?.dials['hero/both']).toEqual(dials);
  expect(now?.settled['hero/both']).toEqual([seat(9)]);
});
