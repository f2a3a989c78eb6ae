import { samplePose } from '../tests/samples';
import type { SessionPose } from '../formats/book';
import { shiftDays } from '../formats/time';
import {
  decide,
  goodRunning,
  wentWell,
  type DecisionInput,
  type Earlier,
  type Rung,
} from './decide';

const TODAY = '2026-03-03';
const rung = (chance: number, slot = 'seat'): Rung => ({ slot, fromCm: 22.5, toCm: 20.5, chance });

/** Sessions a week apart, the last one a week ago. */
const times = (...outcomes: Partial<SessionPose>[]): Earlier[] =>
  outcomes.map((outcome, i) => ({
    at: shiftDays(TODAY, -7 * (outcomes.length - i)),
    outcome: samplePose(outcome),
  }));
const deciding = (earlier: readonly Earlier[], more: Partial<DecisionInput> = {}) =>
  decide({
    day: 'usual',
    today: TODAY,
    earlier,
    rungs: () => [rung(0.9)],
    veryMobile: false,
    lowCheck: null,
    strengthAllowed: 6,
    chanceAsked: 0.8,
    slotToRaise: (why) => `slot for ${why}`,
    ...more,
  });

test('the first time is built from the measurements', () =>
  expect(deciding([])).toMatchObject({ action: 'first', slot: null }));

describe('stop and refer comes before everything', () => {
  test.each(['sharp', 'electric', 'spreading', 'numb'] as const)(
    '%s rests the pose for two weeks, then raises it',
    (stop) => {
      expect(deciding(times({}, {}, { stop }))).toMatchObject({
        action: 'rest',
        refer: expect.stringContaining('doctor'),
      });
      expect(
        deciding([{ at: shiftDays(TODAY, -15), outcome: samplePose({ stop }) }]),
      ).toMatchObject({ action: 'raise', slot: 'slot for other' });
    },
  );
  test('a nerve-like feeling rests too', () =>
    expect(deciding(times({ feeling: { strength: 2, place: 'nerve' } })).action).toBe('rest'));
  test('a joint stop word raises and refers', () =>
    expect(deciding(times({ stop: 'joint' }))).toMatchObject({
      action: 'raise',
      slot: 'slot for joint',
      refer: expect.stringContaining('physiotherapist'),
    }));
  test('dizziness raises, with a word on rising', () =>
    expect(deciding(times({ stop: 'dizzy' })).reasons[0]).toMatch('rise in stages'));
});

describe('raise', () => {
  test.each([
    [
      'a joint-line feeling, however mild',
      { feeling: { strength: 1, place: 'joint' } },
      'slot for joint',
    ],
    [
      'a feeling in the low back',
      { feeling: { strength: 2, place: 'low-back' } },
      'slot for low-back',
    ],
    ['seven of ten', { feeling: { strength: 7, place: 'muscle' } }, 'slot for strong'],
    ['a held breath', { breath: 'held' }, 'slot for strong'],
    ['a pelvis that rolled back', { pelvis: 'rolled' }, 'slot for rolled'],
    ['an arched low back', { pelvis: 'arched' }, 'slot for arched'],
    ['worse the next day', { nextDay: 'worse' }, 'slot for other'],
  ] as const)('%s', (_, outcome, slot) =>
    expect(deciding(times({}, {}, outcome as Partial<SessionPose>))).toMatchObject({
      action: 'raise',
      slot,
    }),
  );
  test('today’s check far under the last estimate', () =>
    expect(deciding(times({}, {}), { lowCheck: 'Today’s check is low.' })).toMatchObject({
      action: 'raise',
      reasons: ['Today’s check is low.'],
    }));
  test('an approach without pain raises at five of ten', () =>
    expect(
      deciding(times({ feeling: { strength: 5, place: 'muscle' } }), { strengthAllowed: 4 }).action,
    ).toBe('raise'));
});

describe('keep', () => {
  test('one good session is not two', () =>
    expect(deciding(times({})).reasons[0]).toMatch('1 good session at this height'));
  test('after a raise, says so', () =>
    expect(deciding(times({ breath: 'held' }, {})).reasons[0]).toMatch('Raised recently'));
  test('held only part of the time', () =>
    expect(deciding(times({}, { heldSeconds: 30 })).reasons[0]).toMatch('Held 30 of 60 s'));
  test('more than three weeks away', () =>
    expect(
      deciding([
        { at: shiftDays(TODAY, -29), outcome: samplePose() },
        { at: shiftDays(TODAY, -22), outcome: samplePose() },
      ]),
    ).toMatchObject({ action: 'keep', reasons: [expect.stringContaining('22 days')] }));
  test('too small a chance', () =>
    expect(deciding(times({}, {}), { rungs: () => [rung(0.799)] }).reasons[0]).toMatch(
      'only 79 in 100',
    ));
  test('no small step on the shelf', () =>
    expect(deciding(times({}, {}), { rungs: () => [] }).reasons[0]).toMatch('no step of 2.5 cm'));
  test('a very mobile student is never lowered', () =>
    expect(deciding(times({}, {}, {}, {}), { veryMobile: true }).reasons[0]).toMatch(
      'never deeper',
    ));
});

describe('lower', () => {
  test('two good sessions running and a chance of at least 80 in 100', () =>
    expect(deciding(times({}, {}))).toMatchObject({
      action: 'lower',
      slot: 'seat',
      reasons: ['2 good sessions running, and 90 in 100 that the range supports 20.5 cm.'],
    }));
  test('only one slot: the first in the pose’s order that may', () =>
    expect(
      deciding(times({}, {}), {
        rungs: () => [rung(0.5, 'seat'), rung(0.85, 'underKnees'), rung(0.99, 'forehead')],
      }).slot,
    ).toBe('underKnees'));
  test('a cold, tired or sore day asks for one rung more, after what was felt and before keeping', () => {
    expect(deciding(times({}, {}), { day: 'sore' })).toMatchObject({
      action: 'raise',
      slot: 'slot for other',
      reasons: ['A sore day: one rung higher than usual.'],
    });
    expect(deciding([], { day: 'cold' })).toMatchObject({
      action: 'first',
      reasons: [expect.anything(), 'A cold day: one rung higher than usual.'],
    });
    expect(
      deciding(times({ feeling: { strength: 3, place: 'joint' } }), { day: 'tired' }).reasons[0],
    ).toMatch('joint line');
  });
  test('the chances are not reckoned when an earlier rule answers', () =>
    expect(
      deciding(times({}), {
        rungs: () => {
          throw new Error('asked too early');
        },
      }).action,
    ).toBe('keep'));
});

test('good sessions count only as long as they run at the same height', () => {
  const at = (heightCm: number): Partial<SessionPose> => ({
    settled: [{ slot: 'seat', side: 'both', heightCm, pieces: [] }],
  });
  expect(goodRunning(times(at(24), at(22), at(22)), 6)).toBe(2);
  expect(
    goodRunning(times(at(22), { ...at(22), feeling: { strength: 8, place: 'muscle' } }, at(22)), 6),
  ).toBe(1);
});

test('going well means the whole time, easy breath, muscle, upright', () => {
  expect(wentWell(samplePose())).toBe(true);
  expect(wentWell(samplePose({ heldSeconds: 40 }))).toBe(false);
  expect(wentWell(samplePose({ feeling: { strength: 3, place: 'low-back' } }))).toBe(false);
});
