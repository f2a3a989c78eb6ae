import { protocols } from '@/core/protocols/protocols';
import { families } from '@/core/geometry/families';
import type { FamilyInput } from '@/core/geometry/family';
import { workingOf } from '@/core/measure/working';
import { planStudent } from '@/core/plan/plan';
import { answered } from '@/core/poses/felt';
import { poses } from '@/core/poses/poses';
import type { HeightReason, Reason, SlotReason } from '@/core/reasons';
import { rangeIds } from '@/core/ranges/ranges';
import { cautions } from '@/core/safety/cautions';
import { readingRuleIds, ruleIds } from '@/core/safety/ids';
import { slotRefOf } from '@/core/slots';
import {
  extremeBodies,
  inputOf,
  recordWith,
  samplePerson,
  sampleReading,
  sampleSession,
  sampleShelf,
} from '@/core/tests/samples';
import { en } from './en';
import { wordedPlan } from './wordedPlan';
import { rangeName, slotName, valueIn, wordsIn } from './words';

const units = ['cm', 'in'] as const;
const say = wordsIn('cm');
const inches = wordsIn('in');

/** A sentence that a teacher can read, in these units alone. */
function fit(words: string, unit: 'cm' | 'in') {
  expect(words).toMatch(/^[A-Z“+−0-9].{6,}[.°]$/);
  expect(words).not.toMatch(/NaN|undefined|null|Infinity|\[object/);
  if (unit === 'in') expect(words).not.toMatch(/\bcm\b|centimet/i);
  else expect(words).not.toMatch(/\d in\b(?! (100|hand))/);
}

const inFamilies = poses.flatMap((pose): HeightReason[] =>
  [...extremeBodies, inputOf()].flatMap((body) => {
    const family = families[pose.family];
    const input: FamilyInput = { ...body, side: pose.sides === 'each' ? 'left' : 'both' };
    return family
      .heights(input)
      .flatMap((need) => [
        ...family.why(input, need),
        ...family.why(input, { ...need, rawCm: -3 }),
        ...family.why(input, { ...need, rawCm: 70 }),
      ]);
  }),
);

const moreHeights: readonly HeightReason[] = [
  { code: 'stood-on' },
  { code: 'belt-round', cm: 190 },
  { code: 'strap-to-soles', cm: 12 },
  { code: 'strap-to-soles', cm: -3 },
  { code: 'own-pelvis', deg: -11, usualDeg: -20, moreCm: 3 },
  { code: 'own-pelvis', deg: -31, usualDeg: -20, moreCm: -3 },
];
const heightReasons = [...inFamilies, ...moreHeights];
/** A slot on which something lies, and an empty one. */
const slotWith = (reasons: SlotReason[], cm: number) => ({
  reasons,
  stack: cm > 0 ? [{ item: 'block', state: 'flat', count: 1 }] : [],
  stackCm: cm,
});
const onSomething = slotWith([], 7.5);
const onNothing = slotWith([], 0);

/** What families do not say themselves, with every way that it can be said. */
const others: readonly Reason[] = [
  { code: 'learned', cm: -1.4 },
  { code: 'learned-much' },
  { code: 'rung-lower', fromCm: 15, toCm: 12.5 },
  { code: 'asked-since', fromCm: 15, toCm: 20.5 },
  { code: 'as-last' },
  { code: 'not-read', ranges: ['hipRotation', 'hipFlexion'] },
  { code: 'trial-start', heldCm: 10.2, fromCm: 12.1 },
  { code: 'caution-since', cautions: ['knee-meniscus'] },
  { code: 'rung-higher', fromCm: 15, toCm: 17.5, more: false },
  { code: 'rung-higher', fromCm: 15, toCm: 20, more: true },
  { code: 'shelf-ends' },
  { code: 'dial-turned', dial: 'kneeBend', from: 23, to: 33 },
  { code: 'dial-turned', dial: 'step', from: 60, to: 60 },
  { code: 'dial-back', good: 2 },
  { code: 'at-limit', slot: 'seat', cm: 30 },
  { code: 'first-margin', cm: 2.5 },
  { code: 'at-most', slot: 'underKnees' },
  { code: 'at-most', slot: 'underThigh' },
  { code: 'at-most', slot: 'seat' },
  { code: 'stays-free', slot: 'back', cm: 48, overMost: false },
  { code: 'stays-free', slot: 'forehead', cm: 60, overMost: true },
  { code: 'stays-free', slot: 'underThigh', cm: 9, overMost: false },
  { code: 'gate-range', range: 'hipRotation', side: 'left', leastDeg: 74, deg: null },
  { code: 'gate-range', range: 'hipRotation', side: 'left', leastDeg: 74, deg: 61 },
  {
    code: 'gate-record',
    pose: 'pigeon',
    done: 2,
    sessions: 6,
    weeks: 8,
    slot: 'hipLevel',
    mostCm: 8.5,
    stage: null,
  },
  {
    code: 'gate-record',
    pose: 'heron',
    done: 0,
    sessions: 1,
    weeks: 0,
    slot: null,
    mostCm: null,
    stage: 'straight-seated',
  },
  {
    code: 'gate-record',
    pose: 'hero',
    done: 0,
    sessions: 1,
    weeks: 0,
    slot: null,
    mostCm: null,
    stage: null,
  },
  { code: 'seen-again', fault: 'Front ribs flare', on: '2026-03-02' },
  { code: 'fault-stands', on: '2026-03-02' },
  ...poses.flatMap((pose): Reason[] => [
    ...Object.entries(pose.eases).flatMap(([why, remedy]): Reason[] =>
      remedy && 'cue' in remedy ? [{ code: 'ease-cue', pose: pose.id, why }] : [],
    ),
    ...pose.faults.flatMap((fault): Reason[] =>
      'cue' in fault ? [{ code: 'fault-cue', pose: pose.id, fault: fault.id }] : [],
    ),
  ]),
  ...answered.flatMap(([pose, ids]) =>
    ids.map((spot): Reason => ({ code: 'felt-answer', pose, spot })),
  ),
  { code: 'eased-then', spot: 'inner-knee:left' },
  { code: 'eased-then', spot: 'a-spot-of-a-later-book' },
  { code: 'first-time', isRead: true, statureCm: 172, next: null },
  { code: 'first-time', isRead: false, statureCm: 172, next: 'hamstring' },
  { code: 'first-time', isRead: false, statureCm: 172, next: null },
  { code: 'given-up' },
  ...(['down', 'up', 'stays'] as const).flatMap((comes): Reason[] =>
    [12, -9].map((deg) => ({
      code: 'read-since',
      range: 'hamstring',
      side: 'left',
      deg,
      slot: 'seat',
      comes,
    })),
  ),
  { code: 'follows-seat', cm: 5 },
  { code: 'heavy-day', day: 'tired' },
  ...(['sharp', 'electric', 'spreading', 'numb', 'nerve'] as const).flatMap((alarm): Reason[] => [
    { code: 'left-out', alarm, on: '2026-03-02' },
    { code: 'after-alarm', alarm, on: '2026-03-02' },
  ]),
  { code: 'after-dizzy', on: '2026-03-02' },
  ...(['joint', 'low-back', 'breath', 'rolled', 'arched', 'next-day'] as const).map(
    (of): Reason => ({ code: 'last-time', on: '2026-03-02', complaint: { of } }),
  ),
  {
    code: 'last-time',
    on: '2026-03-02',
    complaint: { of: 'joint', spot: 'inner-knee:left' },
  },
  {
    code: 'last-time',
    on: '2026-03-02',
    complaint: { of: 'strong', strength: 5, overAllowed: true },
  },
  {
    code: 'low-check',
    range: 'hamstring',
    side: 'left',
    deg: 52,
    underDeg: 14,
    believableDeg: 11,
  },
  { code: 'long-gap', days: 30 },
  { code: 'long-gap', days: 30, atHome: 9 },
  { code: 'go-ahead-first' },
  { code: 'hurt-at-home', on: '2026-03-02' },
  { code: 'much-at-home', times: 2, of: 3 },
  { code: 'once-much-at-home', on: '2026-03-02' },
  { code: 'long-away', days: 50 },
  { code: 'not-held', heldSeconds: 30, plannedSeconds: 60, again: false },
  { code: 'not-held', heldSeconds: 30, plannedSeconds: 60, again: true },
  { code: 'leaned', side: 'left', on: '2026-03-02', sits: true },
  { code: 'very-mobile' },
  { code: 'more-sessions', good: 1, asked: 2, raised: true },
  { code: 'nothing-lies', withStrap: false },
  { code: 'nothing-lies', withStrap: true },
  { code: 'fitted' },
  { code: 'no-step', cm: 2.5 },
  { code: 'range-supports', good: 2, toCm: 12.5 },
  { code: 'range-unsure', good: 2, range: 'hamstring', isRough: true },
  { code: 'range-unsure', good: 2, range: 'hamstring', isRough: false },
  { code: 'range-unsure', good: 2, range: null, isRough: false },
  { code: 'rung-odds', toCm: 12.5, chance: 0.799, asked: 0.935 },
  { code: 'caution-unknown', caution: 'glass-bones', reading: true },
  { code: 'caution-unknown', caution: 'glass-bones', reading: false },
  { code: 'not-carried', slot: 'seat', cm: 26 },
  ...(
    [
      { of: 'caution', caution: 'pregnancy', rule: 'belly-not-folded' },
      { of: 'felt-then' },
      { of: 'felt-there' },
      { of: 'hand-high', cm: 31, mostCm: 23 },
      {
        of: 'early',
        first: {
          code: 'gate-record',
          pose: 'horse',
          done: 1,
          sessions: 3,
          weeks: 0,
          slot: null,
          mostCm: null,
          stage: 'lotus-kneeling',
        },
      },
      { of: 'knees-open', deg: 122, cm: 24 },
      { of: 'heels-high', cm: 11 },
      { of: 'restful' },
      { of: 'ramp-high', cm: 52 },
      { of: 'lies-low', deg: 20, leastDeg: 41 },
      { of: 'hips-raised', cm: 12 },
      { of: 'hip-limited', deg: 90 },
      { of: 'head-low' },
      { of: 'head-far', cm: 55 },
      { of: 'shelf', slot: 'back', cm: 30 },
      { of: 'shelf', slot: 'seat', cm: 30 },
    ] as const
  ).map((because): Reason => ({ code: 'way-not-taken', pose: 'squat', way: 'heels', because })),
  { code: 'refer-alarm' },
  { code: 'refer-dizzy' },
  { code: 'refer-joint' },
  { code: 'no-such-support' },
  { code: 'few-looks', seen: 1, asked: 3 },
  { code: 'unlikely-length', length: 'thigh', cm: 70, usualCm: 42, statureCm: 170 },
  { code: 'no-such-way', way: 'by-feel', range: 'hamstring' },
  { code: 'side-missing', range: 'hamstring' },
  {
    code: 'outside-range',
    range: 'kneeFlexion.hipBent',
    value: 95,
    least: 0,
    most: 90,
    unit: 'cm',
  },
  { code: 'not-human', range: 'kneeFlexion.hipBent', deg: 178, least: 60, most: 175 },
  { code: 'beyond-lengths', range: 'hipRotation', cm: 55 },
  { code: 'far-from-believed', range: 'hamstring', readDeg: 95, deg: 57, sd: 4 },
  ...cautions.flatMap(({ id, rules }): Reason[] => [
    { code: 'refer', caution: id },
    ...rules.flatMap(({ says, bound }) =>
      [says, ...(bound ? [bound.without] : [])].map((rule): Reason => ({
        code: 'caution',
        caution: id,
        rule,
        goAheadOn: '2026-01-20',
      })),
    ),
    ...readingRuleIds.map((rule): Reason => ({
      code: 'caution',
      caution: id,
      rule,
      goAheadOn: null,
    })),
  ]),
  { code: 'ease-less' },
  ...poses.flatMap(({ id: pose, ways = [] }): Reason[] =>
    ways.flatMap(({ id: way, eases, backTo }): Reason[] => [
      ...(eases && 'cue' in eases ? [{ code: 'way-cue' as const, pose, way }] : []),
      ...(backTo ? [{ code: 'gone-back' as const, pose, way: backTo }] : []),
      { code: 'way-anew', pose, way, was: ways[0]?.id ?? way },
    ]),
  ),
  ...poses.flatMap((pose): Reason[] =>
    pose.insteadOver ? [{ code: 'too-high', pose: pose.id, cm: 31 }] : [],
  ),
  ...protocols.flatMap((protocol): Reason[] => {
    const context = { body: inputOf().body, coupling: { mean: 0.95, sd: 0.2 }, seatCm: 10 };
    const working = workingOf(protocol, (protocol.least + protocol.most) / 4, context);
    return working ? [working] : [];
  }),
];

test.each(units)('everything that the core can say is worded in %s', (unit) => {
  const words = wordsIn(unit);
  for (const reason of others) fit(words.reason(reason), unit);
  for (const reason of heightReasons)
    for (const slot of [onSomething, onNothing]) {
      const said = words.reasonOn(reason, slot);
      // Of a pad that does not lie there, nothing is said.
      if (said !== '') fit(said, unit);
    }
});

/** Words that tell of a support as lying there, and words that tell of none. */
const TELLS_OF_ONE =
  /→|that is (filled|carried)|fills what|(?<!would )keep the throat|(?<!would )keep it from|lets the (back|low)|a strap makes|a strap round|(?<!would )make knees and hips|meets its knee|A fold under|spares|asks for no balance|can be quiet|levels the pelvis|carries it|can grow before/;
const TELLS_OF_NONE =
  /rests on \w+ \w+ by itself|comes? down (on \w+ \w+ )?by itself|^Straight knees cost|bones come all the way down|(?<!would )reach(es)? the floor|with nothing under|lies flat|asks for no seat|nothing on the seat|on the floor the pelvis rolls back/;

test('no height is told of a support that does not lie there, nor of none where one does', () => {
  // A strap that lies there is as long as the hands stop short, and never for hands that reach.
  const supports = heightReasons.filter(({ code }) => !/strap/.test(code));
  const wrong = supports.flatMap((reason) => {
    const [on, off] = [onSomething, onNothing].map((slot) => say.reasonOn(reason, slot));
    return [
      ...(TELLS_OF_NONE.test(on ?? '') ? [`lies: ${on}`] : []),
      ...(TELLS_OF_ONE.test(off ?? '') ? [`empty: ${off}`] : []),
    ];
  });
  expect([...new Set(wrong)]).toEqual([]);
});

test('no height is told as nought', () => {
  for (const reason of heightReasons)
    for (const slot of [onSomething, onNothing])
      expect(say.reasonOn(reason, slot)).not.toMatch(/(^|[^.\d])0 cm/);
});

test('no code is left without having been said', () => {
  const said = new Set<string>([...heightReasons, ...others].map(({ code }) => code));
  const worded = [...Object.keys(en.reasons), ...Object.keys(en.heights)];
  expect(worded.filter((code) => !said.has(code))).toEqual([]);
});

test('every rule is one that some caution has', () => {
  const used = new Set(
    cautions.flatMap(({ rules }) => rules.flatMap(({ says, bound }) => [says, bound?.without])),
  );
  expect(ruleIds.filter((id) => !used.has(id))).toEqual([]);
  for (const { id } of cautions)
    for (const words of say.rules(id)) expect(words).toMatch(`${say.caution(id).short}: `);
});

test('numbers come in the teacher’s units, as fine as a fold can be told', () => {
  const seat: HeightReason = {
    code: 'kneeling-seat',
    deg: 126,
    side: 'left',
    marginDeg: 5,
    cm: 26.04,
    over: 'floor',
    moreCm: 2.16,
  };
  expect(say.reasonOn(seat, onSomething)).toBe(
    'Knee bend 126° left, 5° to spare → 26 cm; 2 cm more than the right asks.',
  );
  expect(inches.reasonOn(seat, onSomething)).toBe(
    'Knee bend 126° left, 5° to spare → 10.25 in; 0.75 in more than the right asks.',
  );
  expect(
    say.reason({
      code: 'working-triangle',
      thighCm: 46,
      heelCm: 41.8,
      cm: 30,
      kneeDeg: 40,
      behindDeg: 4,
      deg: 136,
    }),
  ).toMatch(/^Thigh 46, knee to heel 41\.8 and 30 cm make a triangle/);
  expect(
    inches.reason({
      code: 'working-wall',
      cm: 2.54,
      toeCm: 17.78,
      kneeCm: 5.08,
      shinCm: 40.64,
      deg: 22,
    }),
  ).toMatch(
    /^The knee’s centre stands 6 in before the ankle’s: 1 to the wall and 7 of foot, less 2/,
  );
  expect(valueIn('cm', 25.4, 'in')).toBe('10 in');
  expect(valueIn('deg', 25.4, 'in')).toBe('25°');
});

test('slots, ranges and cautions have names; what is not known goes by its id', () => {
  expect(slotName(slotRefOf('back.low'))).toBe('Ramp, low ribs');
  expect(slotName(slotRefOf('underThigh:right'))).toBe('Under the thigh, right');
  for (const id of rangeIds) expect(rangeName(id).length).toBeGreaterThan(3);
  expect(say.caution('glass-bones').name).toBe('glass-bones');
});

test('a plan for reading elsewhere has its reasons in words beside the codes', () => {
  const record = recordWith({
    person: samplePerson({
      cautions: [{ id: 'knee-arthritis', side: 'both', answer: 'yes', at: '2026-01-05' }],
    }),
    readings: [sampleReading()],
    sessions: [sampleSession('2026-01-15', { feeling: { strength: 3, place: 'joint' } })],
  });
  const plan = planStudent(record, sampleShelf, '2026-01-22', { poses: ['hero'] });
  const [hero] = wordedPlan(plan, inches).poses;
  expect(hero?.words?.join(' ')).toMatch(
    /Sore knee: 15° of knee bend.*Last time, 15 Jan: felt at a joint line\./,
  );
  expect(hero?.slots[0]?.words).toMatch(/until it is likely to be enough: [\d.]+ → [\d.]+ in\./);
  expect(hero?.slots[0]?.reasons).toEqual(plan.poses[0]?.slots[0]?.reasons);
});
