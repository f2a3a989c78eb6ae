import { studioShelf } from '../props/usualShelves';
import { recordOfSix } from '../tests/sixPeople';
import { shippedLessons } from './lessons';
import { lessonFor } from './planLesson';
import { secondsOf, timelineOf } from './timeline';
import { together } from './together';

const DAY = '2026-03-02';
const [runner, dancer] = [recordOfSix('runner'), recordOfSix('dancer')];
const sore = {
  ...runner,
  person: {
    ...runner.person,
    cautions: [
      { id: 'knee-meniscus', side: 'left' as const, answer: 'yes' as const, at: '2026-01-01' },
    ],
  },
};

test.each(shippedLessons)('$name: alone it is led as it is timed', (lesson) => {
  const { steps } = lessonFor(lesson, runner, studioShelf, DAY);
  const { segments, steps: led } = together([{ person: 'a', steps, pace: 1.2 }]);
  expect(segments).toEqual(timelineOf(steps, 1.2));
  expect(led.map(({ whose }) => whose.a!.id)).toEqual(
    steps.map((one) => (one.is === 'pose' ? one.planned.pose : one.step.id)),
  );
});

test.each(shippedLessons)(
  '$name: together it is as long as whoever takes longest, step by step',
  (lesson) => {
    const parts = [sore, dancer].map((record, i) => ({
      person: `p${i}`,
      steps: lessonFor(lesson, record, studioShelf, DAY).steps,
      pace: 1,
    }));
    const { steps, segments } = together(parts);
    for (const { person, steps: its } of parts) {
      // Each does all of their own, in their own order.
      const mine = steps.flatMap(({ whose }) => whose[person] ?? []);
      expect(mine.map(({ id, side }) => [id, side])).toEqual(
        its.map((one) => [one.is === 'pose' ? one.planned.pose : one.step.id, one.side]),
      );
      expect(secondsOf(segments)).toBeGreaterThanOrEqual(secondsOf(timelineOf(its)));
    }
    // Nobody holds longer than is planned for them, though another does.
    for (const { step, phase, seconds } of segments)
      if (phase === 'hold')
        expect(seconds).toBe(
          Math.max(...Object.values(steps[step]!.whose).map((own) => own?.seconds ?? 0)),
        );
    expect(segments.map(({ step }) => step)).toEqual(
      segments.map(({ step }) => step).sort((a, b) => a - b),
    );
  },
);
