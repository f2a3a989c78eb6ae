import fc from 'fast-check';
import { approachIds, choicesFor, questions } from '../approaches/approaches';
import type { CautionAnswer } from '../formats/book';
import { planStudent } from '../plan/plan';
import { poseById, poses, type Pose } from '../poses/poses';
import type { ReadingSide } from '../ranges/ranges';
import { recordWith, samplePerson, sampleShelf } from '../tests/samples';
import { cautions } from './cautions';
import { longestHoldFor } from './changes';
import { settingsFor } from './settings';
import { unansweredCautions, verdictOn, type Verdict } from './verdict';

const yes = (id: string, more: Partial<CautionAnswer> = {}): CautionAnswer => ({
  id,
  answer: 'yes',
  at: '2026-01-05',
  ...more,
});
const verdict = (
  pose: string,
  answers: readonly CautionAnswer[],
  side: ReadingSide = 'both',
): Verdict => verdictOn(poseById(pose) as Pose, side, answers);
const choices = choicesFor('built-up-alignment', {});
const settingsWith = (pose: string, ...answers: CautionAnswer[]) =>
  settingsFor(choices, verdict(pose, answers).changes);

test('unknown is not "no": every unanswered question is told', () => {
  expect(unansweredCautions([])).toHaveLength(cautions.length);
  expect(unansweredCautions([{ ...yes('shoulder'), answer: 'no' }])).not.toContain('shoulder');
  expect(unansweredCautions([{ ...yes('shoulder'), answer: 'unanswered' }])).toContain('shoulder');
});

test('with nothing answered yes, everything is offered', () => {
  for (const { id } of poses)
    expect(
      verdict(
        id,
        cautions.map((one) => ({ ...yes(one.id), answer: 'no' as const })),
      ),
    ).toMatchObject({ status: 'offered', reasons: [] });
});

test.each(cautions.flatMap((caution) => poses.map((pose) => [caution.id, pose.id] as const)))(
  '%s on %s has a stated outcome, in words',
  (caution, pose) => {
    const found = verdict(pose, [yes(caution)]);
    expect(['offered', 'changed', 'ask-first', 'instead', 'forbidden']).toContain(found.status);
    if (found.status !== 'offered') {
      expect(found.reasons.length).toBeGreaterThan(0);
      expect(found.refer.length).toBeGreaterThan(0);
    }
  },
);

test('something recent or unexplained forbids everything, whatever else is chosen', () => {
  for (const approach of [
    'built-up-alignment',
    'long-quiet-holds',
    'breath-paced',
    'chair-and-recovery',
  ] as const) {
    const plan = planStudent(
      recordWith({
        person: samplePerson({
          approach,
          choices: { strength: 'muscle' },
          cautions: [yes('recent-or-unexplained')],
        }),
      }),
      sampleShelf,
      '2026-02-01',
    );
    expect(
      plan.poses.every(({ status, slots }) => status === 'forbidden' && slots.length === 0),
    ).toBe(true);
  }
});

test('a sore knee keeps 15° in hand and offers a spacer', () => {
  expect(settingsWith('hero').kneeMarginDeg).toBe(5);
  expect(settingsWith('hero', yes('knee-meniscus'))).toMatchObject({
    kneeMarginDeg: 15,
    behindKneeCm: 0.75,
  });
});

test('a low back keeps nearly straight and bends the knees first, whatever the approach', () => {
  const legsFirst = choicesFor('breath-paced', {});
  const { changes } = verdict('seated-fold', [yes('low-back-disc')]);
  expect(settingsFor(legsFirst, changes)).toMatchObject({
    spineShareDeg: 5,
    firstToRise: 'knees',
    standingKneeDeg: 30,
  });
});

test('sciatica puts staff in place of the standing fold', () =>
  expect(verdict('standing-fold', [yes('sciatica')])).toMatchObject({
    status: 'instead',
    instead: 'staff',
  }));

test('a replaced hip asks first; a written go-ahead turns that into a change, with its date', () => {
  expect(verdict('staff', [yes('hip-replacement')]).status).toBe('ask-first');
  const allowed = verdict('staff', [yes('hip-replacement', { goAheadAt: '2026-01-20' })]);
  expect(allowed.status).toBe('changed');
  expect(allowed.reasons).toContainEqual({
    code: 'caution',
    caution: 'hip-replacement',
    rule: 'ask-surgeon',
    goAheadOn: '2026-01-20',
  });
  expect(allowed.changes).toContain('hip flexion under 90');
});

test('the strictest of several cautions rules', () =>
  expect(
    verdict('hero', [yes('ankle-foot'), yes('knee-replacement'), yes('under-18')]).status,
  ).toBe('ask-first'));

test('a caution of a newer book is asked about, never passed over', () =>
  expect(verdict('hero', [yes('glass-bones')])).toMatchObject({
    status: 'ask-first',
    reasons: [{ code: 'caution-unknown', caution: 'glass-bones', reading: false }],
  }));

test('the newest answer to a question counts', () =>
  expect(
    verdict('hero', [yes('knee-meniscus'), { ...yes('knee-meniscus'), answer: 'no' }]).status,
  ).toBe('offered'));

describe('nothing forbidden is ever offered, whatever the approach and the choices', () => {
  const anyChoices = fc.record(
    Object.fromEntries(
      Object.entries(questions).map(([id, { choices: answers }]) => [
        id,
        fc.constantFrom(...Object.keys(answers)),
      ]),
    ),
  );
  const anyCautions = fc.uniqueArray(fc.constantFrom(...cautions.map(({ id }) => id)), {
    minLength: 1,
    maxLength: 4,
  });

  test('a plan has no heights for it, and what stands in for it is itself not forbidden', () => {
    fc.assert(
      fc.property(
        anyCautions,
        anyChoices,
        fc.constantFrom(...approachIds),
        (ids, chosen, approach) => {
          const answers = ids.map((id) => yes(id));
          const plan = planStudent(
            recordWith({ person: samplePerson({ approach, choices: chosen, cautions: answers }) }),
            sampleShelf,
            '2026-02-01',
          );
          for (const { pose, status, slots, posture, instead, reasons } of plan.poses) {
            const found = verdict(pose, answers);
            if (found.status === 'forbidden' || found.status === 'instead') {
              expect([status, slots, posture]).toEqual([found.status, [], null]);
              expect(reasons.length).toBeGreaterThan(0);
            }
            if (instead !== null)
              expect(['offered', 'changed', 'ask-first']).toContain(
                verdict(instead, answers).status,
              );
          }
        },
      ),
      { numRuns: 20 },
    );
  });

  test('no two cautions together allow what one of them forbids', () => {
    for (const one of cautions)
      for (const other of cautions)
        for (const { id } of poses) {
          const alone = verdict(id, [yes(one.id)]).status;
          if (alone === 'forbidden')
            expect(verdict(id, [yes(one.id), yes(other.id)]).status).toBe('forbidden');
          if (alone === 'instead')
            expect(['instead', 'forbidden']).toContain(
              verdict(id, [yes(one.id), yes(other.id)]).status,
            );
        }
  });
});

test.each([
  ['hip-replacement', ['pigeon', 'horse', 'sundial']],
  ['knee-meniscus', ['horse']],
  ['recent-or-unexplained', poses.map(({ id }) => id)],
] as const)('%s forbids %j outright', (id, forbidden) => {
  for (const pose of forbidden) expect(verdict(pose, [yes(id)]).status).toBe('forbidden');
});

test.each([
  ['knee-ligament', 'pigeon', 'figure-four'],
  ['knee-arthritis', 'half-lotus-seat', 'easy-cross'],
  ['low-back-disc', 'ragdoll', 'chair-hinge'],
  ['hamstring-origin', 'leg-up', 'constructive'],
  ['osteoporosis', 'seated-twist', 'easy-cross'],
  ['pregnancy', 'rest', 'reclined-open'],
  ['sacroiliac', 'reclined-hero-one', 'reclined-hero'],
  ['ankle-foot', 'thunderbolt', 'chair-seat'],
  ['shoulder', 'king-pigeon', 'pigeon'],
] as const)('%s puts something else in place of %s: %s', (id, pose, instead) =>
  expect(verdict(pose, [yes(id)])).toMatchObject({ status: 'instead', instead }),
);

test('a pose that stands in and is itself replaced leads on', () => {
  // The hip forbids twists in favour of lying with bent knees, and pregnancy lying flat in favour of the ramp.
  expect(
    verdict('crossed-twist', [
      yes('hip-replacement', { goAheadAt: '2026-01-20' }),
      yes('pregnancy'),
    ]),
  ).toMatchObject({ status: 'instead', instead: 'reclined-open' });
  // A shoulder leads from the later stages to pigeon, a knee from there to the figure four.
  expect(verdict('king-pigeon', [yes('shoulder'), yes('knee-meniscus')])).toMatchObject({
    status: 'instead',
    instead: 'figure-four',
  });
});

test('a replaced hip has its outer hips held, no belt, and nothing past 90°', () => {
  const { changes } = verdict('reclined-open', [
    yes('hip-replacement', { goAheadAt: '2026-01-20' }),
  ]);
  expect(
    settingsFor(choicesFor('built-up-alignment', { reclinedOpen: 'knees' }), changes),
  ).toMatchObject({ reclinedOpenHeld: 'outerHip', hipFlexionMostDeg: 90 });
  const plan = planStudent(
    recordWith({
      person: samplePerson({ cautions: [yes('hip-replacement', { goAheadAt: '2026-01-20' })] }),
    }),
    sampleShelf,
    '2026-02-01',
    { poses: ['reclined-open'] },
  );
  expect(plan.poses[0]?.slots.map(({ slot }) => slot)).not.toContain('strap');
});

test('holds are kept short where a caution says so', () => {
  expect(longestHoldFor(verdict('down-dog', [yes('head-pressure')]).changes)).toBe(30);
  expect(longestHoldFor(verdict('pigeon', [yes('under-18')]).changes)).toBe(60);
  expect(longestHoldFor(new Set())).toBe(Infinity);
});
