import fc from 'fast-check';
import { strToU8, zlibSync } from 'fflate';
import jsQR from 'jsqr';
import { homePoses } from '@/core/advise/homePoses';
import { packTakenHome } from '@/core/advise/takenHome';
import { planStudent } from '@/core/plan/plan';
import { homeShelf } from '@/core/props/usualShelves';
import { ordinaryAdult } from '@/core/sim/room';
import { sheetIn, sheetText } from './link';
import { codeOf } from './code';

const DAY = '2026-03-02';
const packed = (seed: number, most: number) => {
  const { poses } = planStudent(ordinaryAdult(seed, seed * 3, 'long-quiet-holds'), homeShelf, DAY);
  return packTakenHome({
    id: 'one',
    name: 'Zoë',
    at: DAY,
    units: 'cm',
    statureCm: 170,
    bodyCm: {},
    home: [],
    minded: {},
    poses: homePoses(poses)
      .slice(0, most)
      .flatMap(({ builds }) => builds.map((planned) => ({ planned, bothAlike: false }))),
  });
};
const asText = (said: unknown) =>
  Buffer.from(zlibSync(strToU8(JSON.stringify(said)))).toString('base64url');

/** A code as a camera has it: squares of some pixels, dark and light. */
function pictureOf(address: string, pixels: number) {
  const code = codeOf(address)!;
  const sizePx = code.size * pixels;
  const seen = new Uint8ClampedArray(sizePx * sizePx * 4).fill(255);
  for (const [, x, y] of code.path.matchAll(/M(\d+) (\d+)h/g))
    for (let dy = 0; dy < pixels; dy++)
      for (let dx = 0; dx < pixels; dx++)
        seen.fill(
          0,
          ...([(Number(y) * pixels + dy) * sizePx + Number(x) * pixels + dx].flatMap((at) => [
            at * 4,
            at * 4 + 3,
          ]) as [number, number]),
        );
  return { seen, sizePx };
}

test('a sheet of eight poses is read again from the picture of its code', () => {
  const sheet = packed(721, 8);
  const address = `https://ojas.example.org/at-home#${sheetText(sheet)}`;
  const { seen, sizePx } = pictureOf(address, 3);
  const read = jsQR(seen, sizePx, sizePx)?.data;
  expect(read).toBe(address);
  const opened = sheetIn(read!.split('#')[1]!);
  expect(opened).toMatchObject({ name: 'Zoë', at: DAY });
  expect(typeof opened === 'object' && opened.poses.length).toBe(sheet.poses.length);
});

test('what is too long for one code makes none', () => expect(codeOf('x'.repeat(3000))).toBeNull());

test('no address, one of a later version and a foreign one are told apart', () => {
  expect(sheetIn('')).toBe('none');
  expect(sheetIn(asText({ ...packed(722, 2), format: 'ojas-taken-home/2' }))).toBe('later');
  expect(sheetIn(asText({ ...packed(722, 2), format: 'something-else/1' }))).toBe('damaged');
  expect(sheetIn(asText(null))).toBe('damaged');
  expect(sheetIn('x'.repeat(30_000))).toBe('damaged');
  expect(sheetIn(asText({ ...packed(722, 2), statureCm: 1e9 }))).toBe('damaged');
});

test('a shortened or changed address opens the same sheet, another whole one, or none: it never breaks', () => {
  const text = sheetText(packed(723, 3));
  fc.assert(
    fc.property(fc.nat(text.length - 1), fc.constantFrom('A', 'z', '_', '%', ''), (at, by) => {
      const opened = sheetIn(`${text.slice(0, at)}${by}${by === '' ? '' : text.slice(at + 1)}`);
      if (typeof opened === 'string') expect(['none', 'damaged', 'later']).toContain(opened);
      else expect(opened.poses.length).toBeGreaterThan(0);
    }),
    { numRuns: 400 },
  );
});

test('whatever else is sent opens nothing and breaks nothing', () => {
  fc.assert(
    fc.property(
      fc.oneof(
        fc.string({ maxLength: 300 }),
        fc.json().map((one) => asText(one)),
      ),
      (text) => {
        const opened = sheetIn(text);
        expect(typeof opened).toBe('string');
      },
    ),
    { numRuns: 300 },
  );
});
