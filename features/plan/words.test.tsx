import { planStudent } from '@/core/plan/plan';
import { recordWith, samplePerson, sampleReading, sampleShelf } from '@/core/tests/samples';
import { columnsOf, railColumns } from './columns';
import { uncertainParameters } from '@/core/geometry/inputs';
import { posesIn } from '@/core/poses/poses';
import {
  aboveWords,
  actionWords,
  differenceWords,
  figureWords,
  frontWords,
  groupNames,
  heightWords,
  inputWords,
  poseGroups,
  poseName,
  poseTitle,
  shortSlot,
} from './words';
import { slotName } from '@/ui/words/words';

const planned = (pose: string) =>
  planStudent(
    recordWith({
      person: samplePerson({ choices: { 'reclined-hero/gate': 'practised' } }),
      readings: [sampleReading({ values: [130] })],
    }),
    sampleShelf,
    '2026-01-15',
    { poses: [pose] },
  ).poses[0]!;

test('a height is told with its band, and a strap by its length alone', () => {
  const seat = { ...planned('hero').slots[0]!, targetCm: 21, lowCm: 18.1, highCm: 24.2 };
  expect(heightWords(seat, 'cm')).toBe('21 cm (18–24 cm)');
  expect(heightWords({ ...seat, over: 'shin' }, 'cm')).toBe('21 cm over the shin (18–24 cm)');
  expect(heightWords({ ...seat, isLength: true }, 'cm')).toBe('21 cm');
  expect(heightWords(seat, 'in')).toBe('8.25 in (7.25–9.5 in)');
});

test('what widens a band is told in the teacher’s words', () => {
  expect(inputWords('kneeFlexion.hipBent:left')).toBe('knee bend with a bent hip, left');
  expect(inputWords('kneeling.sitAllowance')).toMatch('flesh and calf');
  expect(inputWords(null)).toMatch('the mat has taught');
});

test('a figure is told by its supports and its pelvis', () => {
  expect(figureWords(planned('staff'), 'cm')).toMatch(
    /^Staff, seen from the side: seat on [\d.]+ cm, under the knees on [\d.]+ cm, pelvis (upright|rolled back \d+°)\.$/,
  );
  expect(figureWords(planned('reclined-hero'), 'cm')).toMatch(/trunk at \d+° over the floor/);
  expect(figureWords(planned('standing-fold'), 'cm')).toMatch(/trunk pitched \d+°/);
});

test('every action has a word and a mark: colour never stands alone', () => {
  for (const { words, mark } of Object.values(actionWords)) {
    expect(words.length).toBeGreaterThan(3);
    expect(mark).toHaveLength(1);
  }
});

test('names are short where there is little room, and whole elsewhere', () => {
  expect([shortSlot('underKnees'), slotName({ slot: 'underKnees' })]).toEqual([
    'Knees',
    'Under the knees',
  ]);
  expect(slotName({ slot: 'back', part: 'low' })).toBe('Ramp, low ribs');
  expect([poseName('hero'), poseName('stranger')]).toEqual(['Hero', 'stranger']);
});

test('the rail shows the slots that come down, where something stands', () => {
  expect(railColumns(planned('hero')).map(({ key }) => key)).toEqual(['seat']);
  expect(railColumns(planned('reclined-hero')).map(({ key }) => key)).toEqual([
    'seat',
    'back.high',
  ]);
  expect(columnsOf(planned('hero').slots)).toHaveLength(planned('hero').slots.length);
});

test('a pose with sides is titled with its side, a pair’s slot with its own', () => {
  expect([
    poseTitle({ pose: 'pigeon', side: 'left' }),
    poseTitle({ pose: 'hero', side: 'both' }),
  ]).toEqual(['Pigeon, left', 'Hero']);
  expect([
    slotName({ slot: 'underThigh', side: 'right' }),
    slotName({ slot: 'seat', side: 'both' }),
  ]).toEqual(['Under the thigh, right', 'Seat']);
});

test('every parameter that widens a band has its words', () => {
  for (const key of Object.keys(uncertainParameters))
    expect(inputWords(key)).not.toMatch('leaves out');
  expect(inputWords('hipRotation:left')).toBe('outward rotation, left');
  expect(inputWords(null)).toMatch('mat');
});

test('every group has a name and poses', () => {
  for (const group of poseGroups) {
    expect(groupNames[group].length).toBeGreaterThan(3);
    expect(posesIn(group).length).toBeGreaterThan(2);
  }
});

test('how a height stands against another is told in the teacher’s units', () => {
  expect(differenceWords(1.6, 'cm')).toBe('1.5 cm higher');
  expect(differenceWords(-5.08, 'in')).toBe('2 in lower');
  expect(differenceWords(0.1, 'cm')).toBe('as high');
});

test('what is seen from the front and from above is told for those who do not see it', () => {
  const open = planned('open-book');
  expect(aboveWords(open)).toBe('Soles together, seen from above.');
  expect(frontWords(open)).toMatch(
    /^Soles together, seen from the front: left thigh (level with|\d+° (over|under)) the hips, right thigh .* the hips\.$/,
  );
  expect(frontWords(planned('hero'))).toBe('Hero, seen from the front.');
  const level = { ...open, findings: { kneeRiseLeftDeg: 0.2, kneeRiseRightDeg: -7 } };
  expect(frontWords(level)).toBe(
    'Soles together, seen from the front: left thigh level with the hips, right thigh 7° under the hips.',
  );
});
