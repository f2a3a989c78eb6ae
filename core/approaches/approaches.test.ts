import { settingsFor } from '../safety/settings';
import { poses } from '../poses/poses';
import {
  approachIds,
  approaches,
  choiceKey,
  choicesFor,
  questions,
  type QuestionId,
} from './approaches';

test('every approach answers every question with one of its choices', () => {
  for (const id of approachIds) {
    expect(Object.keys(approaches[id].choices).sort()).toEqual(Object.keys(questions).sort());
    for (const [question, choice] of Object.entries(approaches[id].choices))
      expect(Object.keys(questions[question as QuestionId].choices)).toContain(choice);
  }
});

test('a choice set alone wins over the approach; one that nobody knows is left aside', () => {
  expect(choicesFor('breath-paced', { pelvis: 'soft' }).pelvis).toBe('soft');
  expect(choicesFor('breath-paced', { pelvis: 'wobbly', moon: 'full' })).toEqual(
    approaches['breath-paced'].choices,
  );
});

test('approaches differ where teachers do', () => {
  const settings = (id: (typeof approachIds)[number]) => settingsFor(choicesFor(id, {}), new Set());
  expect(settings('built-up-alignment')).toMatchObject({
    firstToRise: 'knees',
    pelvisTargetDeg: -20,
    spineShareDeg: 48,
  });
  expect(settings('breath-paced')).toMatchObject({
    firstToRise: 'seat',
    pelvisTargetDeg: -15,
    spineShareDeg: 20,
  });
  expect(settings('long-quiet-holds')).toMatchObject({ share: 0.95, spineShareDeg: 55 });
});

test('a choice for one pose goes over the student’s, and the student’s over the approach’s', () => {
  const own = {
    behindKnee: 'strap',
    'hero/behindKnee': 'towel',
    'hero/no-such': 'x',
    'child/behindKnee': 'no-such',
  };
  expect(choicesFor('built-up-alignment', own).behindKnee).toBe('strap');
  expect(choicesFor('built-up-alignment', own, 'hero').behindKnee).toBe('towel');
  expect(choicesFor('built-up-alignment', own, 'child').behindKnee).toBe('strap');
  expect(choiceKey('behindKnee', 'hero')).toBe('hero/behindKnee');
});

test('every question that concerns some poses alone is asked by one of them', () => {
  const everywhere = ['strength', 'hold', 'stillness'];
  const asked = new Set(poses.flatMap(({ asks }) => asks ?? []));
  expect([...Object.keys(questions)].filter((id) => !everywhere.includes(id)).sort()).toEqual(
    [...asked].sort(),
  );
});
