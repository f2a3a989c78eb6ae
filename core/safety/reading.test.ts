import type { CautionAnswer } from '../formats/book';
import { protocols } from '../ranges/protocols';
import { sides } from '../ranges/ranges';
import { cautions } from './cautions';
import { allowedWays, readingEffects, readingVerdict } from './reading';

const yes = (id: string, more: Partial<CautionAnswer> = {}): CautionAnswer => ({
  id,
  answer: 'yes',
  at: '2026-01-05',
  ...more,
});

test('every caution has its word on measuring, and names only ways that there are', () => {
  expect(Object.keys(readingEffects).sort()).toEqual(cautions.map(({ id }) => id).sort());
  const there = protocols.map(({ id }) => id);
  for (const { on } of Object.values(readingEffects).flat())
    for (const id of on === 'all' ? there : on) expect(there).toContain(id);
});

test.each(cautions.map(({ id }) => id))(
  '%s: each way of reading is free, done with care, or left out with a referral',
  (id) => {
    for (const protocol of protocols) {
      for (const side of sides) {
        const { leftOut, words, refer } = readingVerdict(protocol.id, side, [yes(id)]);
        if (leftOut) {
          expect(words.length).toBeGreaterThan(0);
          expect(refer.length).toBeGreaterThan(0);
        }
      }
    }
  },
);

test.each([
  ['hip-replacement', ['thigh-to-chest', 'crossed-seat-gap', 'thigh-behind.edge']],
  ['pregnancy', ['knee-bend.face-down']],
  ['osteoporosis', ['spine-fold.seated', 'fingertip-floor']],
  ['hamstring-origin', ['straight-leg-raise.pelvis-watched', 'knee-extension-90']],
  ['shoulder', ['arm-overhead.lying']],
  ['knee-replacement', ['kneeling-seat']],
  ['recent-or-unexplained', protocols.map(({ id }) => id)],
])('%s leaves out what could hurt', (id, out) => {
  for (const protocol of out)
    expect(readingVerdict(protocol, 'left', [yes(id)]).leftOut).toBe(true);
});

test('one sore side leaves the other one free, but for what moves both at once', () => {
  const left = [yes('hip-replacement', { side: 'left' })];
  expect(readingVerdict('thigh-to-chest', 'left', left).leftOut).toBe(true);
  expect(readingVerdict('thigh-to-chest', 'right', left).leftOut).toBe(false);
  expect(readingVerdict('straddle-width', 'right', left).leftOut).toBe(true);
  expect(allowedWays('hipRotation', 'right', left).map(({ id }) => id)).toEqual([
    'table-edge-rotation',
  ]);
});

test('a written go-ahead turns leaving out into care, with its date', () => {
  const { leftOut, words } = readingVerdict('thigh-to-chest', 'left', [
    yes('hip-replacement', { goAheadAt: '2026-02-01' }),
  ]);
  expect(leftOut).toBe(false);
  expect(words[0]).toMatch(/Go-ahead noted on 2026-02-01/);
});

test('no and not asked leave measuring as it is; a caution that is not known here is asked about', () => {
  for (const answer of ['no', 'unanswered'] as const)
    expect(readingVerdict('thigh-to-chest', 'left', [yes('hip-replacement', { answer })])).toEqual({
      leftOut: false,
      words: [],
      refer: [],
    });
  expect(readingVerdict('thigh-to-chest', 'left', [yes('of another version')])).toMatchObject({
    leftOut: false,
    words: [expect.stringMatching(/does not know it: ask before measuring/)],
  });
});
