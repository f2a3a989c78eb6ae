import { samplePose } from '../tests/samples';
import type { FeltAtHome, Practice, SessionPose } from '../formats/book';
import type { RaiseReason } from '../poses/pose';
import type { SlotKey } from '../slots';
import { shiftDays } from '../formats/time';
import {
  askedForMore,
  decide,
  goodRunning,
  wentWell,
  type DecisionInput,
  type Earlier,
  type Rung,
} from './decide';

const TODAY = '2026-03-03';
const rung = (chance: number, slot: SlotKey = 'seat'): Rung => ({
  slot,
  fromCm: 22.5,
  toCm: 20.5,
  chance,
  decides: 'kneeFlexion.hipBent',
});

/** Sessions a week apart, the last one a week ago. */
const times = (...outcomes: Partial<SessionPose>[]): Earlier[] =>
  outcomes.map((outcome, i) => ({
    at: shiftDays(TODAY, -7 * (outcomes.length - i)),
    outcome: samplePose(outcome),
  }));
const slotFor: Readonly<Record<RaiseReason, SlotKey>> = {
  joint: 'underShin',
  strong: 'hands',
  rolled: 'seat',
  arched: 'forehead',
  'low-back': 'underKnees',
  other: 'heels',
};
const deciding = (earlier: readonly Earlier[], more: Partial<DecisionInput> = {}) =>
  decide({
    day: 'usual',
    today: TODAY,
    earlier,
    atHome: [],
    rungs: () => [rung(0.9)],
    whyStays: () => ({ code: 'no-step', cm: 2.5 }),
    veryMobile: false,
    lowCheck: null,
    strengthAllowed: 6,
    chanceAsked: 0.8,
    easingFor: (why) => ({ slot: slotFor[why], dial: null, way: 'raise', cue: null }),
    faulted: new Set(),
    seenAgain: null,
    easedDial: null,
    firstFrom: { isRead: true, statureCm: 170, next: null },
    ...more,
  });

const lowCheck = {
  reason: {
    code: 'low-check',
    range: 'kneeFlexion.hipBent',
    side: 'left',
    deg: 108,
    underDeg: 20,
    believableDeg: 11,
  },
  easing: { slot: 'seat', dial: null, way: 'raise', cue: null },
} as const;

test('the first time is built from the measurements', () =>
  expect(deciding([])).toMatchObject({ action: 'first', slot: null }));

describe('stop and refer comes before everything', () => {
  test.each(['sharp', 'electric', 'spreading', 'numb'] as const)(
    '%s rests the pose for two weeks, then raises it',
    (stop) => {
      expect(deciding(times({}, {}, { stop }))).toMatchObject({
        action: 'rest',
        refer: { code: 'refer-alarm' },
        reasons: [{ code: 'left-out', alarm: stop, on: shiftDays(TODAY, -7) }],
      });
      expect(
        deciding([{ at: shiftDays(TODAY, -15), outcome: samplePose({ stop }) }]),
      ).toMatchObject({ action: 'raise', slot: slotFor.other });
    },
  );
  test('a nerve-like feeling rests too', () =>
    expect(deciding(times({ feeling: { strength: 2, place: 'nerve' } })).action).toBe('rest'));
  test('a joint stop word raises and refers', () =>
    expect(deciding(times({ stop: 'joint' }))).toMatchObject({
      action: 'raise',
      slot: slotFor.joint,
      refer: { code: 'refer-joint' },
    }));
  test('dizziness raises, with a word on rising', () =>
    expect(deciding(times({ stop: 'dizzy' }))).toMatchObject({
      action: 'raise',
      reasons: [{ code: 'after-dizzy' }],
      refer: { code: 'refer-dizzy' },
    }));
});

describe('raise', () => {
  test.each([
    [
      'a joint-line feeling, however mild',
      { feeling: { strength: 1, place: 'joint' } },
      slotFor.joint,
    ],
    [
      'a feeling in the low back',
      { feeling: { strength: 2, place: 'low-back' } },
      slotFor['low-back'],
    ],
    ['seven of ten', { feeling: { strength: 7, place: 'muscle' } }, slotFor.strong],
    ['a held breath', { breath: 'held' }, slotFor.strong],
    ['a pelvis that rolled back', { pelvis: 'rolled' }, slotFor.rolled],
    ['an arched low back', { pelvis: 'arched' }, slotFor.arched],
    ['worse the next day', { nextDay: 'worse' }, slotFor.other],
  ] as const)('%s', (_, outcome, slot) =>
    expect(deciding(times({}, {}, outcome as Partial<SessionPose>))).toMatchObject({
      action: 'raise',
      slot,
    }),
  );
  test('today’s check far under the last estimate', () =>
    expect(deciding(times({}, {}), { lowCheck })).toMatchObject({
      action: 'raise',
      reasons: [lowCheck.reason],
    }));
  test('an approach without pain raises at five of ten', () =>
    expect(
      deciding(times({ feeling: { strength: 5, place: 'muscle' } }), { strengthAllowed: 4 }).action,
    ).toBe('raise'));
});

describe('keep', () => {
  test('one good session is not two', () =>
    expect(deciding(times({})).reasons).toEqual([
      { code: 'more-sessions', good: 1, asked: 2, raised: false },
    ]));
  test('after a raise, says so', () =>
    expect(
      deciding(
        times(
          { breath: 'held' },
          { settled: [{ slot: 'seat', side: 'both', heightCm: 25, pieces: [] }] },
        ),
      ).reasons,
    ).toEqual([{ code: 'more-sessions', good: 1, asked: 2, raised: true }]));
  test('after a complaint that words answered, says nothing of a raise', () =>
    expect(deciding(times({ breath: 'held' }, {})).reasons).toEqual([
      { code: 'more-sessions', good: 1, asked: 2, raised: false },
    ]));
  test('held only part of the time', () =>
    expect(deciding(times({}, { heldSeconds: 30 })).reasons).toEqual([
      { code: 'not-held', heldSeconds: 30, plannedSeconds: 60, again: false },
    ]));
  test('held only part of the time twice', () =>
    expect(deciding(times({ heldSeconds: 20 }, { heldSeconds: 30 })).reasons).toEqual([
      { code: 'not-held', heldSeconds: 30, plannedSeconds: 60, again: true },
    ]));
  test('a lean to one side', () => {
    expect(deciding(times({}, { list: 'left' })).reasons).toEqual([
      { code: 'leaned', side: 'left', on: shiftDays(TODAY, -7), sits: true },
    ]);
    // Where nobody sits on anything no fold levels it.
    expect(deciding(times({}, { list: 'left', settled: [] })).reasons).toEqual([
      { code: 'leaned', side: 'left', on: shiftDays(TODAY, -7), sits: false },
    ]);
    expect(deciding(times({ list: 'none' }, { list: 'none' })).action).toBe('lower');
  });
  test('more than three weeks away', () =>
    expect(
      deciding([
        { at: shiftDays(TODAY, -29), outcome: samplePose() },
        { at: shiftDays(TODAY, -22), outcome: samplePose() },
      ]),
    ).toMatchObject({ action: 'keep', reasons: [{ code: 'long-gap', days: 22 }] }));
  test('too small a chance', () =>
    expect(deciding(times({}, {}), { rungs: () => [rung(0.799)] }).reasons).toEqual([
      { code: 'range-unsure', good: 2, range: 'kneeFlexion.hipBent', isRough: true },
    ]));
  test('what is fitted to the body, and not to a range', () =>
    expect(
      deciding(times({}, {}), { rungs: () => [], whyStays: () => ({ code: 'fitted' }) }).reasons,
    ).toEqual([{ code: 'fitted' }]));
  test('no small step on the shelf', () =>
    expect(deciding(times({}, {}), { rungs: () => [] }).reasons).toEqual([
      { code: 'no-step', cm: 2.5 },
    ]));
  test('a very mobile student is never lowered', () =>
    expect(deciding(times({}, {}, {}, {}), { veryMobile: true }).reasons).toEqual([
      { code: 'very-mobile' },
    ]));
});

describe('lower', () => {
  test('two good sessions running and a chance of at least 80 in 100', () =>
    expect(deciding(times({}, {}))).toMatchObject({
      action: 'lower',
      slot: 'seat',
      reasons: [{ code: 'range-supports', good: 2, toCm: 20.5 }],
    }));
  test('the first slot in the pose’s order that may', () =>
    expect(
      deciding(times({}, {}), {
        rungs: () => [rung(0.5, 'seat'), rung(0.85, 'underKnees'), rung(0.99, 'forehead')],
      }).slot,
    ).toBe('underKnees'));
  test('a cold, tired or sore day asks for one rung more, after what was felt and before keeping', () => {
    expect(deciding(times({}, {}), { day: 'sore' })).toMatchObject({
      action: 'raise',
      slot: slotFor.other,
      reasons: [{ code: 'heavy-day', day: 'sore' }],
    });
    expect(deciding([], { day: 'cold' })).toMatchObject({
      action: 'first',
      reasons: [{ code: 'first-time' }, { code: 'heavy-day', day: 'cold' }],
    });
    expect(
      deciding(times({ feeling: { strength: 3, place: 'joint' } }), { day: 'tired' }).reasons,
    ).toMatchObject([{ code: 'last-time', complaint: { of: 'joint' } }]);
  });
  test('the longer it has stood quietly, the less is asked, and never less than 80 in 100', () => {
    const quiet = (weeks: number, chance: number) =>
      deciding(times(...Array.from({ length: weeks }, () => ({}))), {
        chanceAsked: 0.93,
        rungs: () => [rung(chance)],
      }).action;
    expect(quiet(2, 0.9)).toBe('keep');
    expect(quiet(3, 0.9)).toBe('lower');
    expect(quiet(5, 0.82)).toBe('lower');
    expect(quiet(12, 0.79)).toBe('keep');
  });
  test('one good time is enough where a rung is as good as sure, and nothing was raised before it', () => {
    const after = (outcomes: Earlier[], chance: number, more: Partial<DecisionInput> = {}) =>
      deciding(outcomes, { rungs: () => [rung(chance)], ...more }).action;
    expect(after(times({}), 0.98)).toBe('lower');
    expect(after(times({}), 0.96)).toBe('keep');
    const sore: Partial<SessionPose> = { feeling: { strength: 3, place: 'joint' } };
    expect(after(times(sore, {}), 0.99)).toBe('keep');
    expect(after(times({ eased: ['inner-knee:left'] }), 0.99)).toBe('keep');
    expect(after(times({}), 0.99, { veryMobile: true })).toBe('keep');
    expect(after(times({}), 0.99, { faulted: new Set(['seat']) })).toBe('keep');
  });
  test('two supports come down in one visit where each is sure and they are of different joints', () => {
    const ramp = (chance: number, decides: Rung['decides']): Rung => ({
      ...rung(chance, 'back.high'),
      decides,
    });
    const withRamp = (one: Rung) => deciding(times({}, {}), { rungs: () => [rung(0.9), one] }).with;
    expect(withRamp(ramp(0.98, 'kneeFlexion.prone'))).toMatchObject({
      slot: 'back.high',
      reasons: [{ code: 'range-supports' }],
    });
    expect(withRamp(ramp(0.96, 'kneeFlexion.prone'))).toBeUndefined();
    expect(withRamp(ramp(0.98, 'kneeFlexion.hipBent'))).toBeUndefined();
    expect(withRamp(ramp(0.98, null))).toBeUndefined();
    // Each by itself is likely enough, and both together are not.
    const together = deciding(times({}, {}), {
      chanceAsked: 0.9,
      rungs: () => [rung(0.91), ramp(0.97, 'kneeFlexion.prone')],
    });
    expect(together).toMatchObject({ action: 'lower', slot: 'seat' });
    expect(together.with).toBeUndefined();
  });
  test('the chances are not reckoned when an earlier rule answers', () =>
    expect(
      deciding(times({ heldSeconds: 10, plannedSeconds: 60 }), {
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

test('a time of which nothing was said neither counts nor breaks what runs', () => {
  const unsaid = { feeling: {}, pelvis: undefined, breath: undefined, faults: [] };
  const shorter = { ...unsaid, heldSeconds: 60, plannedSeconds: 180 };
  expect(goodRunning(times({}, unsaid, {}), 6)).toBe(2);
  expect(goodRunning(times({}, {}, unsaid), 6)).toBe(2);
  expect(goodRunning(times(unsaid, unsaid), 6)).toBe(0);
  // Held short it is something to go by, but where the hour was short.
  expect(goodRunning(times({}, shorter, {}), 6)).toBe(1);
  expect(goodRunning(times({}, { ...shorter, forTheClock: true }, {}), 6)).toBe(2);
});

test('going well means the whole time, easy breath, muscle, upright', () => {
  expect(wentWell(samplePose())).toBe(true);
  expect(wentWell(samplePose({ heldSeconds: 40 }))).toBe(false);
  expect(wentWell(samplePose({ feeling: { strength: 3, place: 'low-back' } }))).toBe(false);
});

describe('what was not said or looked at', () => {
  const { pelvis: _, breath: __, ...notLookedAt } = samplePose();

  test('of pelvis and breath speaks neither way', () => {
    expect(wentWell(notLookedAt)).toBe(true);
    expect(askedForMore(notLookedAt, 6)).toBeNull();
  });
  test('of what was felt is no session that went well, and no complaint', () => {
    for (const feeling of [{}, { place: 'muscle' }, { strength: 2 }] as const) {
      expect(wentWell({ ...notLookedAt, feeling })).toBe(false);
      expect(askedForMore({ ...notLookedAt, feeling }, 6)).toBeNull();
    }
  });
  test('at a stop is answered by its word alone', () => {
    const stopped = { ...notLookedAt, feeling: {}, stop: 'sharp' } as const;
    expect(wentWell(stopped)).toBe(false);
    expect(askedForMore(stopped, 6)).toBeNull();
    expect(deciding([{ at: '2026-02-22', outcome: stopped }]).action).toBe('rest');
  });
});

describe('what was said at home', () => {
  const home = (...felts: readonly FeltAtHome[]): Practice[] =>
    felts.map((felt, i) => ({
      id: `h${i}`,
      person: 'p1',
      sheet: 's',
      pose: 'hero',
      side: 'both',
      at: shiftDays(TODAY, i - felts.length),
      heldSeconds: 60,
      felt,
    }));
  const good = times({}, {}, {});
  test('eases one step where it hurt or was too much twice, and keeps where it was once', () => {
    expect(deciding(good)).toMatchObject({ action: 'lower' });
    expect(deciding(good, { atHome: home('right', 'pain') })).toMatchObject({
      action: 'raise',
      word: 'ease',
      oneRung: true,
      reasons: [{ code: 'hurt-at-home' }],
    });
    expect(deciding(good, { atHome: home('much', 'right', 'much') })).toMatchObject({
      action: 'raise',
      reasons: [{ code: 'much-at-home', times: 2, of: 3 }],
    });
    expect(deciding(good, { atHome: home('right', 'much') })).toMatchObject({
      action: 'keep',
      reasons: [{ code: 'once-much-at-home' }],
    });
  });
  test('never lowers by itself: nothing comes down that would not without it', () => {
    const felts = [[], ['easy'], ['right', 'easy', 'easy'], ['much'], ['pain', 'easy']] as const;
    const histories = [[], times({}), times({}, {}), times({ heldSeconds: 5 }), good];
    for (const earlier of histories)
      for (const said of felts)
        if (deciding(earlier).action !== 'lower')
          expect(deciding(earlier, { atHome: home(...said) }).action).not.toBe('lower');
  });
  test('who went on at home was not away: all as it was, instead of easier', () => {
    const longAgo = [{ at: shiftDays(TODAY, -60), outcome: samplePose({}) }];
    expect(deciding(longAgo)).toMatchObject({ reasons: [{ code: 'long-away' }] });
    expect(deciding(longAgo, { atHome: home('right', 'easy') })).toMatchObject({
      action: 'keep',
      reasons: [{ code: 'long-gap', days: 60, atHome: 2 }],
    });
  });
  test('a pose that was never seen is begun anew, and told where it hurt', () => {
    const { action, reasons } = deciding([], { atHome: home('pain') });
    expect(action).toBe('first');
    expect(reasons.map(({ code }) => code)).toContain('hurt-at-home');
  });
});
