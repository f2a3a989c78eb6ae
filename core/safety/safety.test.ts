import { choicesFor } from '../approaches/approaches';
import type { CautionAnswer } from '../formats/book';
import { planStudent } from '../plan/plan';
import { poses } from '../poses/poses';
import { recordWith, samplePerson, sampleShelf } from '../tests/samples';
import { cautions } from './cautions';
import { settingsFor } from './settings';
import { unansweredCautions, verdictOn } from './verdict';

const yes = (id: string, more: Partial<CautionAnswer> = {}): CautionAnswer => ({ id, answer: 'yes', at: '2026-01-05', ...more });
const choices = choicesFor('built-up-alignment', {});
const settingsWith = (pose: string, ...answers: CautionAnswer[]) => settingsFor(choices, verdictOn(pose, answers).changes);

test('unknown is not "no": every unanswered question is told', () => {
  expect(unansweredCautions([])).toHaveLength(cautions.length);
  expect(unansweredCautions([{ ...yes('shoulder'), answer: 'no' }])).not.toContain('shoulder');
  expect(unansweredCautions([{ ...yes('shoulder'), answer: 'unanswered' }])).toContain('shoulder');
});

test('with nothing answered yes, everything is offered', () => {
  for (const { id } of poses) expect(verdictOn(id, cautions.map((one) => ({ ...yes(one.id), answer: 'no' as const })))).toMatchObject({ status: 'offered', reasons: [] });
});

test.each(cautions.flatMap((caution) => poses.map((pose) => [caution.id, pose.id] as const)))('%s on %s has a stated outcome, in words', (caution, pose) => {
  const verdict = verdictOn(pose, [yes(caution)]);
  expect(['offered', 'changed', 'ask-first', 'instead', 'forbidden']).toContain(verdict.status);
  if (verdict.status !== 'offered') {
    expect(verdict.reasons.length).toBeGreaterThan(0);
    expect(verdict.refer.length).toBeGreaterThan(0);
  }
});

test('something recent or unexplained forbids everything, whatever else is chosen', () => {
  for (const approach of ['built-up-alignment', 'long-quiet-holds', 'breath-paced', 'chair-and-recovery'] as const) {
    const plan = planStudent(recordWith({ person: samplePerson({ approach, choices: { strength: 'muscle' }, cautions: [yes('recent-or-unexplained')] }) }), sampleShelf, '2026-02-01');
    expect(plan.poses.every(({ status, slots }) => status === 'forbidden' && slots.length === 0)).toBe(true);
  }
});

test('a sore knee keeps 15° in hand and offers a spacer', () => {
  expect(settingsWith('hero').kneeMarginDeg).toBe(5);
  expect(settingsWith('hero', yes('knee-meniscus'))).toMatchObject({ kneeMarginDeg: 15, behindKneeCm: 0.75 });
});

test('a low back keeps nearly straight and bends the knees first, whatever the approach', () => {
  const legsFirst = choicesFor('breath-paced', {});
  const { changes } = verdictOn('seated-fold', [yes('low-back-disc')]);
  expect(settingsFor(legsFirst, changes)).toMatchObject({ spineShareDeg: 5, firstToRise: 'knees', standingKneeDeg: 30 });
});

test('sciatica puts staff in place of the standing fold', () => expect(verdictOn('standing-fold', [yes('sciatica')])).toMatchObject({ status: 'instead', instead: 'staff' }));

test('a replaced hip asks first; a written go-ahead turns that into a change, with its date', () => {
  expect(verdictOn('staff', [yes('hip-replacement')]).status).toBe('ask-first');
  const allowed = verdictOn('staff', [yes('hip-replacement', { goAheadAt: '2026-01-20' })]);
  expect(allowed.status).toBe('changed');
  expect(allowed.reasons.join(' ')).toMatch('Go-ahead noted on 2026-01-20');
  expect(allowed.changes).toContain('hip flexion under 90');
});

test('the strictest of several cautions rules', () => expect(verdictOn('hero', [yes('ankle-foot'), yes('knee-replacement'), yes('under-18')]).status).toBe('ask-first'));

test('a caution of a newer book is asked about, never passed over', () => expect(verdictOn('hero', [yes('glass-bones')])).toMatchObject({ status: 'ask-first', reasons: [expect.stringContaining('glass-bones')] }));

test('the newest answer to a question counts', () => expect(verdictOn('hero', [yes('knee-meniscus'), { ...yes('knee-meniscus'), answer: 'no' }]).status).toBe('offered'));
