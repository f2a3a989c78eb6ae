import type { FeltAtHome, Practice } from '../formats/book';
import { easesFor, practisedSince, staysFor } from './atHome';

const at = (day: number) => `2026-03-${String(day).padStart(2, '0')}T08:00:00.000Z`;
const felt = (felts: readonly FeltAtHome[], more: Partial<Practice> = {}): Practice[] =>
  felts.map((one, i) => ({
    id: `h${i}`,
    person: 'p1',
    sheet: 's',
    pose: 'hero',
    side: 'both',
    at: at(i + 2),
    heldSeconds: 60,
    felt: one,
    ...more,
  }));
const HERO = { pose: 'hero', side: 'both' } as const;

test('only what was done of that pose since it was last seen speaks, and nothing dated after today', () => {
  const all = felt(['easy', 'right', 'much', 'pain', 'easy']);
  expect(practisedSince(all, HERO, at(3), '2026-03-05').map(({ id }) => id)).toEqual(['h2', 'h3']);
  expect(practisedSince(all, { ...HERO, pose: 'child' }, undefined, '2026-03-09')).toEqual([]);
});

test('a tap for both sides speaks of each, and one for a side of that alone', () => {
  const both = felt(['much'], { pose: 'pigeon' });
  const left = felt(['much'], { pose: 'pigeon', side: 'left' });
  for (const side of ['left', 'right'] as const)
    expect(practisedSince(both, { pose: 'pigeon', side }, undefined, '2026-03-09')).toHaveLength(1);
  expect(practisedSince(left, { pose: 'pigeon', side: 'right' }, undefined, '2026-03-09')).toEqual(
    [],
  );
});

test.each([
  ['easy, however often', ['easy', 'easy', 'easy', 'easy'], null, null],
  ['too much once', ['right', 'much', 'right'], null, 'once-much-at-home'],
  ['too much twice of the last four', ['much', 'right', 'much'], 'much-at-home', null],
  ['too much long ago', ['much', 'much', 'right', 'right', 'right', 'right'], null, null],
  ['it hurt', ['pain', 'right', 'easy'], 'hurt-at-home', null],
] as const)('%s', (_, said, eases, stays) => {
  expect(easesFor(felt(said))?.code ?? null).toBe(eases);
  if (eases === null && stays) expect(staysFor(felt(said))?.code).toBe(stays);
});
