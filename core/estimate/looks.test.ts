import { recordWith, sampleReading } from '../tests/samples';
import { believableBetween, looksAt, methodsCompared } from './looks';

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
    16,
    null,
  ]);
  expect(looks[2]!.change!.believable).toBeCloseTo(
    believableBetween(
      { sem: 3 / Math.SQRT2, day: '2026-01-01' },
      { sem: 3 / Math.SQRT2, day: '2026-01-02' },
      true,
    ),
    9,
  );
});

test('readings of one day share its swing', () => {
  expect(
    believableBetween({ sem: 3, day: '2026-01-01' }, { sem: 3, day: '2026-01-01' }, true),
  ).toBeLessThan(
    believableBetween({ sem: 3, day: '2026-01-01' }, { sem: 3, day: '2026-01-02' }, true),
  );
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
