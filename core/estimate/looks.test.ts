import { recordWith, sampleReading } from '../tests/samples';
import type { LocalDay } from '../formats/time';
import { chanceFrom } from '../sim/chance';
import { believableFrom, looksAt, methodsCompared, steadyLooks } from './looks';

const read = (id: string, at: string, values: number[], more = {}) =>
  sampleReading({
    id,
    at,
    values,
    range: 'hamstring',
    protocol: 'straight-leg-raise.pelvis-watched',
    ...more,
  });

test('a difference within chance is no change; one beyond it is marked, against the last marked look', () => {
  const looks = looksAt(
    recordWith({
      readings: [
        read('a', '2026-01-05', [50, 50]),
        read('b', '2026-01-19', [54, 54]),
        read('c', '2026-03-02', [66, 66]),
        read('d', '2026-03-16', [68, 68]),
      ],
    }),
    'hamstring',
    'left',
  );
  expect(looks.map(({ change }) => (change ? Math.round(change.deg) : null))).toEqual([
    null,
    null,
    14,
    null,
  ]);
  // Held against both looks before it, with this student's own swing; the next against what is new.
  expect(looks[2]!.change!.believable).toBeGreaterThan(8);
  expect(steadyLooks(looks).map(({ reading }) => reading.id)).toEqual(['c', 'd']);
});

test('readings of one day share its swing, and more looks before say it more surely', () => {
  const at = (...days: LocalDay[]) => days.map((day) => ({ mean: 50, sem: 3, lasting: {}, day }));
  const look = { sem: 3, lasting: {}, day: '2026-01-01' as const };
  expect(believableFrom(look, at('2026-01-01'), 3)).toBeLessThan(
    believableFrom(look, at('2026-01-02'), 3),
  );
  expect(believableFrom(look, at('2026-01-02', '2026-01-03', '2026-01-04'), 3)).toBeLessThan(
    believableFrom(look, at('2026-01-02'), 3),
  );
});

test('what a way does not know of a body is gone between two looks by it, and lies between looks by two', () => {
  const at = (way: string, lasting: number) => ({
    mean: 50,
    sem: 3,
    lasting: { [way]: lasting },
    day: DAY,
  });
  const DAY = '2026-01-02' as const;
  const look = { sem: 3, lasting: { pull: 5 }, day: '2026-01-09' as const };
  const by = (...before: ReturnType<typeof at>[]) => believableFrom(look, before, 3);
  expect(by(at('pull', 5))).toBe(believableFrom({ ...look, lasting: {} }, [at('pull', 0)], 3));
  expect(by(at('watched', 0))).toBeGreaterThan(1.2 * by(at('pull', 5)));
  expect(by(at('lag', 8))).toBeGreaterThan(by(at('watched', 0)));
  // A first pull shows a gain of ten degrees: twenty were asked when what lasts was counted in both.
  expect(by(at('pull', 5))).toBeLessThan(16);
});

/** How many steady students in a hundred show a change within six weekly looks. */
function falseChanges(
  range: 'hamstring' | 'pelvicTilt.standing',
  swingDeg: number,
  students: number,
): number {
  const chance = chanceFrom(swingDeg * 100 + students);
  let shown = 0;
  for (let i = 0; i < students; i++) {
    const level = chance.normal(range === 'hamstring' ? 56 : 10, 3);
    const readings = Array.from({ length: 6 }, (_, week) => {
      const ofDay = level + chance.normal(0, swingDeg);
      const day = String(5 + 4 * week).padStart(2, '0');
      return sampleReading({
        id: `r${week}`,
        at: `2026-01-${day}`,
        range,
        side: range === 'hamstring' ? 'left' : 'both',
        method: 'protractor',
        values: [ofDay + chance.normal(0, 3), ofDay + chance.normal(0, 3)],
      });
    });
    if (looksAt(recordWith({ readings }), range, 'left').some(({ change }) => change)) shown += 1;
  }
  return (100 * shown) / students;
}

test('of a steady student’s six looks fewer than one course in twenty shows a change, in limbs and in posture', () => {
  // A swing of its own is learned only as looks gather: one that swings more than is usual shows a little more.
  expect(falseChanges('hamstring', 3, 300)).toBeLessThan(7);
  expect(falseChanges('pelvicTilt.standing', 3, 300)).toBeLessThan(7);
  expect(falseChanges('hamstring', 1.5, 300)).toBeLessThan(5);
});

test('a real gain is told all the same', () => {
  const looks = looksAt(
    recordWith({
      readings: [50, 51, 50, 63, 64].map((deg, i) =>
        read(`r${i}`, `2026-01-${10 + i}`, [deg, deg]),
      ),
    }),
    'hamstring',
    'left',
  );
  expect(looks.filter(({ change }) => change)).toHaveLength(1);
});

test('looks stand in order, warm ones brought back to cold, each with what was believed on its day', () => {
  const looks = looksAt(
    recordWith({
      readings: [
        read('late', '2026-02-01', [60], { warm: true }),
        read('early', '2026-01-01', [52]),
      ],
    }),
    'hamstring',
    'left',
  );
  expect(looks.map(({ reading }) => reading.id)).toEqual(['early', 'late']);
  expect(looks[1]!.mean).toBe(56);
  expect(looks[0]!.level.sd).toBeGreaterThan(looks[1]!.level.sd);
});

test('the other side, other ranges and unknown ways are left out', () => {
  expect(
    looksAt(
      recordWith({
        readings: [
          read('r', '2026-01-01', [52], { side: 'right' }),
          sampleReading({ id: 'k' }),
          read('x', '2026-01-01', [50], { protocol: 'of another time' }),
        ],
      }),
      'hamstring',
      'left',
    ),
  ).toEqual([]);
});

test('ways of reading are compared with what all of them say', () => {
  const looks = looksAt(
    recordWith({
      readings: [
        read('a', '2026-01-05', [56]),
        read('b', '2026-01-12', [56]),
        read('c', '2026-01-19', [56]),
        read('e', '2026-01-19', [70], { method: 'by-eye' }),
      ],
    }),
    'hamstring',
    'left',
  );
  const [protractor, eye] = methodsCompared(looks);
  expect(protractor).toMatchObject({ method: 'protractor', looks: 3 });
  expect(eye).toMatchObject({ method: 'by-eye', looks: 1, sem: 7 });
  expect(eye!.overLevelDeg).toBeGreaterThan(10);
});

test('a photo’s own error takes the place of the method’s', () => {
  expect(
    looksAt(
      recordWith({ readings: [read('a', '2026-01-05', [56], { method: 'photo', sem: 1.5 })] }),
      'hamstring',
      'left',
    )[0]!.sem,
  ).toBe(1.5);
});
