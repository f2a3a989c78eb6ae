import fc from 'fast-check';
import { approachIds, choicesFor, questions } from '../approaches/approaches';
import { families } from '../geometry/families';
import type { FamilyInput } from '../geometry/family';
import { poses } from '../poses/poses';
import { inputOf } from '../tests/samples';
import { cautions } from './cautions';
import {
  changed,
  effectOfChange,
  leftOut,
  longestHoldFor,
  poseChanges,
  wordsOnly,
  type PoseChange,
} from './changes';
import { settingsFor } from './settings';

const all = Object.keys(poseChanges) as PoseChange[];
const acting = all.filter((change) => poseChanges[change] !== wordsOnly);
const bodies: readonly FamilyInput[] = [
  inputOf(),
  inputOf({ hamstring: 95, hipFlexion: 140, spineFold: 70, 'kneeFlexion.hipBent': 158 }),
  inputOf({ hamstring: 45, 'kneeFlexion.hipBent': 115, hipRotation: 35, anklePoint: 40 }),
];

/** Every approach's own choices, and each single answer in the place of one. */
const everyChoice = approachIds.flatMap((approach) => [
  choicesFor(approach, {}),
  ...Object.values(questions).flatMap(({ id, choices }) =>
    Object.keys(choices).map((answer) => choicesFor(approach, { [id]: answer })),
  ),
]);

/** What a pose asks of a body, and how it is drawn, in any words. */
const builtOf = (input: FamilyInput) =>
  poses.map(({ id, family }) => {
    const heights = families[family].heights(input);
    return [id, heights, families[family].figure(input, {}).posture];
  });

test('the changes that are words alone are these', () =>
  expect(all.filter((change) => !acting.includes(change))).toEqual([
    'arms low',
    'adult present',
    'level hips',
    'hold on',
    'up in stages',
  ]));

test('every change that cautions make is used by one', () => {
  const used = new Set(
    cautions.flatMap(({ rules }) =>
      rules.flatMap((rule) => (rule.does === 'change' ? [rule.change] : [])),
    ),
  );
  expect(all.filter((change) => !used.has(change))).toEqual([]);
});

test.each(acting)('%s: something is built otherwise, or held for less long', (change) => {
  const { leavesOut = [], atLeast, atMost, sets } = effectOfChange(change);
  const only = new Set([change]);
  const differs = bodies.some((input) =>
    everyChoice.some((choices) => {
      if (!atLeast && !atMost && !sets) return false;
      const usual = settingsFor(choices, new Set());
      const [before, after] = [usual, changed(usual, only)].map((settings) => ({
        ...input,
        settings,
      })) as [FamilyInput, FamilyInput];
      return JSON.stringify(builtOf(before)) !== JSON.stringify(builtOf(after));
    }),
  );
  const asksForIt = poses.some(({ family }) =>
    bodies.some((input) =>
      families[family].heights(input).some(({ slot }) => leavesOut.includes(slot)),
    ),
  );
  expect(differs || asksForIt || longestHoldFor(only) < Infinity).toBe(true);
  for (const slot of leavesOut) expect(leftOut(only, slot)).toBe(true);
});

test('changes do the same in any order, and twice what they do once', () => {
  fc.assert(
    fc.property(
      fc.constantFrom(...everyChoice),
      fc.shuffledSubarray(all, { minLength: 2 }),
      (choices, some) => {
        const usual = settingsFor(choices, new Set());
        const once = changed(usual, new Set(some));
        expect(changed(usual, new Set([...some].reverse()))).toEqual(once);
        expect(changed(once, new Set(some))).toEqual(once);
      },
    ),
  );
});
