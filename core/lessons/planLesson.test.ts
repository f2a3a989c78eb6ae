import { lessonFileSchema } from '../formats/lesson';
import type { StudentRecord } from '../estimate/estimate';
import { poseById } from '../poses/poses';
import { studioShelf } from '../props/usualShelves';
import { cautionById } from '../safety/cautions';
import { cautionIds } from '../safety/ids';
import { recordOfSix } from '../tests/sixPeople';
import { shippedLessons } from './lessons';
import { isDoable } from '../advise/order';
import { lessonFor } from './planLesson';
import { stepById, steps } from './steps';
import { timelineOf } from './timeline';
import { weighStep } from './weigh';

const DAY = '2026-03-02';
const desk = recordOfSix('desk worker');
const withAnswer = (id: string, more: object = {}): StudentRecord => ({
  ...desk,
  person: {
    ...desk.person,
    cautions: [{ id, answer: 'yes', at: '2026-01-01', ...more }],
  },
});
const namesIn = (record: StudentRecord, lesson = shippedLessons[0]!) =>
  lessonFor(lesson, record, studioShelf, DAY).steps.map((one) =>
    one.is === 'pose' ? one.planned.pose : one.step.id,
  );

test.each(shippedLessons)('$name: every step is known, and its aim is among them', (lesson) => {
  for (const { is, id } of lesson.steps)
    expect(is === 'pose' ? poseById(id) : stepById(id)).toBeDefined();
  const ids = lesson.steps.map(({ id }) => id);
  expect(lesson.aim.every((id) => ids.includes(id))).toBe(true);
  expect(lessonFileSchema.parse({ format: 'ojas-lesson/1', ...lesson })).toMatchObject(lesson);
});

test.each(shippedLessons)(
  '$name: what comes twice is marked at its beginning and its end',
  (lesson) => {
    const marks = lessonFor(lesson, desk, studioShelf, DAY).steps.flatMap((one) =>
      one.is === 'pose' && one.mark ? [`${one.planned.pose}/${one.side} ${one.mark}`] : [],
    );
    const firsts = marks.filter((one) => one.endsWith('first'));
    expect(marks.filter((one) => one.endsWith('last'))).toHaveLength(firsts.length);
    expect(new Set(marks).size).toBe(marks.length);
    if (lesson.id !== 'before-the-king-pigeon') expect(firsts.length).toBeGreaterThan(0);
  },
);

const asked = cautionIds.flatMap((id) =>
  cautionById(id)!.sided
    ? (['left', 'right', 'both'] as const).map((side) => [id, { side }] as const)
    : [[id, {}] as const],
);
test.each(asked)(
  '%s %j: no lesson holds what it refuses, and what is left out says why',
  (id, of) => {
    const record = withAnswer(id, of);
    for (const lesson of shippedLessons) {
      const { steps: laid, left } = lessonFor(lesson, record, studioShelf, DAY);
      for (const one of laid)
        if (one.is === 'pose') expect(isDoable(one.planned)).toBe(true);
        else
          expect(weighStep(one.step, one.side, record.person.cautions).is).toBe(
            one.isSmaller ? 'smaller' : 'done',
          );
      for (const { why, reasons } of left) {
        expect(why).not.toBe('unknown');
        if (why === 'refused' || why === 'ask-first') expect(reasons.length).toBeGreaterThan(0);
      }
      // Every step is done, done otherwise, or told to be left out; ways alone may fall away.
      const told = new Set([...laid, ...left].map((one) => one.of));
      for (const [of, step] of lesson.steps.entries())
        if (step.is === 'pose') expect(told.has(of)).toBe(true);
    }
  },
);

test('a hip that may not cross the midline moves heels and toes in place of the leg out and in', () => {
  const names = namesIn(withAnswer('hip-replacement', { side: 'left' }));
  expect(names.filter((id) => id === 'leg-out-in').length).toBeLessThan(2);
});

test('a caution that nobody here can weigh leaves no movement, and asks first', () => {
  const { steps: laid, left } = lessonFor(
    shippedLessons[0]!,
    withAnswer('of-a-later-version'),
    studioShelf,
    DAY,
  );
  expect(laid.filter((one) => one.is === 'pose')).toEqual([]);
  expect(laid.filter((one) => one.is === 'step' && one.step.kind === 'movement')).toEqual([]);
  expect(left.length).toBeGreaterThan(10);
});

test('a lesson file with steps of a later version keeps them, says so, and leads the rest', () => {
  const file = lessonFileSchema.parse({
    format: 'ojas-lesson/1',
    id: 'x',
    name: 'Later',
    steps: [
      { is: 'pose', id: 'staff', warmth: 3 },
      { is: 'pose', id: 'of-a-later-version' },
      { is: 'breath-song', id: 'hum', seconds: 40 },
      { is: 'step', id: 'shake-legs' },
    ],
  });
  expect(file.steps[0]).toEqual({ is: 'pose', id: 'staff', warmth: 3 });
  expect(file.steps[2]).toEqual({ is: 'breath-song', id: 'hum', seconds: 40 });
  const { steps: laid, left } = lessonFor(file, desk, studioShelf, DAY);
  expect(laid).toHaveLength(2);
  expect(left.map(({ id, why }) => [id, why])).toEqual([
    ['of-a-later-version', 'unknown'],
    ['hum', 'unknown'],
  ]);
});

test('sides change by themselves, and one that the lesson names stays alone', () => {
  const lesson = { id: 'a', name: 'A', steps: [{ is: 'pose', id: 'head-to-knee' }] };
  const both = lessonFor(lesson, desk, studioShelf, DAY);
  expect(both.steps.map(({ side }) => side)).toEqual(['left', 'right']);
  const right = lessonFor(
    { ...lesson, steps: [{ ...lesson.steps[0]!, side: 'right' as const }] },
    desk,
    studioShelf,
    DAY,
  );
  expect(right.steps.map(({ side }) => side)).toEqual(['right']);
  // The second side carries less and is known.
  const entered = timelineOf(both.steps).filter(({ phase }) => phase === 'enter');
  expect(entered[1]!.seconds).toBeLessThan(entered[0]!.seconds);
});

test('a lesson holds no longer than it says, and never longer than is planned', () => {
  const held = (seconds: number) =>
    lessonFor(
      { id: 'a', name: 'A', steps: [{ is: 'pose', id: 'staff', seconds }] },
      desk,
      studioShelf,
      DAY,
    ).steps[0]!.seconds;
  expect(held(20)).toBe(20);
  expect(held(3000)).toBe(60);
});

test('every movement is counted or timed, and names what is easier among the steps', () => {
  for (const { times, seconds, easier, kind } of steps) {
    expect((times === undefined) !== (seconds === undefined)).toBe(true);
    if (easier !== undefined) expect(stepById(easier)).toBeDefined();
    if (kind === 'transition') expect(seconds).toBeDefined();
  }
});
