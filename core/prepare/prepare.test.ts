import { estimateRanges } from '../estimate/estimate';
import { shiftDays } from '../formats/time';
import { recordWith, samplePerson, sampleReading, sampleShelf } from '../tests/samples';
import { poseAhead } from '../advise/ahead';
import { planStudent } from '../plan/plan';
import { atTheEdge, poseOr, preparePose } from './prepare';

const DAY = '2026-06-01';

test('a pose is settled from the approach, the student’s choices, the cautions and the shelf', () => {
  const { settings, verdict } = preparePose(
    samplePerson({
      choices: { pelvis: 'tall' },
      cautions: [{ id: 'knee-arthritis', answer: 'yes', at: '2026-01-05' }],
    }),
    'hero',
    'both',
    sampleShelf,
  );
  expect(settings).toMatchObject({ pelvisTargetDeg: -15, kneeMarginDeg: 15, chairSeatCm: 45 });
  expect(verdict.status).toBe('changed');
  expect(preparePose(samplePerson(), 'hero', 'both', []).settings.chairSeatCm).toBe(45);
});

test('at the edge nothing is to spare, and all else stays', () => {
  const { settings } = preparePose(samplePerson(), 'hero', 'both', sampleShelf);
  expect(atTheEdge(settings)).toEqual({
    ...settings,
    kneeMarginDeg: 0,
    otherKneeMarginDeg: 0,
    share: 1,
  });
});

test('a pose that nobody knows is refused by name', () =>
  expect(() => poseOr('moonwalk')).toThrow('moonwalk'));

test('every support that comes down has its months to come, or says why not', () => {
  const readings = (['left', 'right'] as const).flatMap((side) =>
    [84, 56, 28, 7].map((days, i) =>
      sampleReading({
        id: `${side}${days}`,
        side,
        values: [120 + 2 * i, 120 + 2 * i],
        at: shiftDays(DAY, -days),
      }),
    ),
  );
  const person = samplePerson({ choices: { 'reclined-hero/gate': 'practised' } });
  const record = recordWith({ person, readings });
  const planned = planStudent(record, sampleShelf, DAY, { poses: ['reclined-hero'] }).poses[0]!;
  const told = poseAhead(
    { person: record.person, shelf: sampleShelf },
    planned,
    estimateRanges(record, DAY),
    DAY,
  );
  expect(told.map(({ slot }) => slot.slot)).toEqual(['seat', 'back']);
  expect(told[0]?.forecast.enough).toBe(true);
  // The front thigh was never read.
  expect(told[1]?.forecast).toMatchObject({
    enough: false,
    reason: { code: 'few-looks', seen: 0, asked: 3 },
  });
});
