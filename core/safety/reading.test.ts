import type { CautionAnswer } from '../formats/book';
import { protocols, type Protocol, type ProtocolId } from '../protocols/protocols';
import { sides } from '../ranges/ranges';
import { cautions } from './cautions';
import type { CautionId } from './ids';
import { allowedWays, readingEffects, readingVerdict } from './reading';

const way = (id: ProtocolId) => protocols.find((one) => one.id === id) as Protocol;
const yes = (id: string, more: Partial<CautionAnswer> = {}): CautionAnswer => ({
  id,
  answer: 'yes',
  at: '2026-01-05',
  ...more,
});

test('every caution has its word on measuring, of something that some way does', () => {
  expect(Object.keys(readingEffects).sort()).toEqual(cautions.map(({ id }) => id).sort());
  const done = new Set(protocols.flatMap(({ traits }) => traits));
  for (const { on } of Object.values(readingEffects).flat())
    for (const trait of on === 'all' ? [] : on) expect(done).toContain(trait);
});

test.each(cautions.map(({ id }) => id))(
  '%s: each way of reading is free, done with care, or left out with a referral',
  (id) => {
    for (const protocol of protocols) {
      for (const side of sides) {
        const { leftOut, reasons, refer } = readingVerdict(protocol, side, [yes(id)]);
        if (leftOut) {
          expect(reasons.length).toBeGreaterThan(0);
          expect(refer.length).toBeGreaterThan(0);
        }
      }
    }
  },
);

test.each<readonly [CautionId, readonly ProtocolId[]]>([
  ['hip-replacement', ['thigh-to-chest', 'crossed-seat-gap', 'thigh-behind.edge']],
  ['pregnancy', ['knee-bend.face-down']],
  ['osteoporosis', ['spine-fold.seated', 'fingertip-floor']],
  ['hamstring-origin', ['straight-leg-raise.pelvis-watched', 'knee-extension-90']],
  ['shoulder', ['arm-overhead.lying']],
  ['knee-replacement', ['kneeling-seat']],
  ['recent-or-unexplained', protocols.map(({ id }) => id)],
])('%s leaves out what could hurt', (id, out) => {
  for (const protocol of out)
    expect(readingVerdict(way(protocol), 'left', [yes(id)]).leftOut).toBe(true);
});

test('one sore side leaves the other one free, but for what moves both at once', () => {
  const left = [yes('hip-replacement', { side: 'left' })];
  expect(readingVerdict(way('thigh-to-chest'), 'left', left).leftOut).toBe(true);
  expect(readingVerdict(way('thigh-to-chest'), 'right', left).leftOut).toBe(false);
  expect(readingVerdict(way('straddle-width'), 'right', left).leftOut).toBe(true);
  expect(allowedWays('hipRotation', 'right', left).map(({ id }) => id)).toEqual([
    'table-edge-rotation',
  ]);
});

test('a written go-ahead turns leaving out into care, with its date', () => {
  const { leftOut, reasons } = readingVerdict(way('thigh-to-chest'), 'left', [
    yes('hip-replacement', { goAheadAt: '2026-02-01' }),
  ]);
  expect(leftOut).toBe(false);
  expect(reasons[0]).toMatchObject({ rule: 'read-no-hip-end', goAheadOn: '2026-02-01' });
});

test('no and not asked leave measuring as it is; a caution that is not known here is asked about', () => {
  for (const answer of ['no', 'unanswered'] as const)
    expect(
      readingVerdict(way('thigh-to-chest'), 'left', [yes('hip-replacement', { answer })]),
    ).toEqual({
      leftOut: false,
      reasons: [],
      refer: [],
    });
  expect(readingVerdict(way('thigh-to-chest'), 'left', [yes('of another version')])).toMatchObject({
    leftOut: false,
    reasons: [{ code: 'caution-unknown', caution: 'of another version', reading: true }],
  });
});

test.each(['low-back-disc', 'sciatica', 'hamstring-origin'] as const)(
  '%s leaves out a long sit and a straddle, and another way or what is usual stands in',
  (id) => {
    const yes = [{ id, answer: 'yes' as const, at: '2026-01-05', side: 'left' as const }];
    for (const one of ['pelvic-tilt.long-sit', 'straddle-width'] as const)
      expect(readingVerdict(way(one), 'left', yes).leftOut).toBe(true);
    expect(readingVerdict(way('spread.on-back'), 'left', yes).leftOut).toBe(false);
  },
);
