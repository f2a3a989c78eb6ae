import { lessonSchema } from '../formats/lesson';
import type { SessionPose } from '../formats/book';
import { lessonOfSession } from './ofSession';

const posed = (pose: string, side: SessionPose['side'], heldSeconds: number): SessionPose => ({
  pose,
  side,
  heldSeconds,
  settled: [],
  feeling: {},
  faults: [],
});

test('a good session becomes a lesson: sides together, as long as they were held', () => {
  const lesson = lessonOfSession(
    {
      poses: [
        posed('staff', 'both', 60),
        posed('head-to-knee', 'left', 80),
        posed('head-to-knee', 'right', 90),
        { ...posed('hero', 'both', 20), stop: 'sharp' },
        posed('staff', 'both', 3),
      ],
    },
    'own',
    'Thursday',
  );
  expect(lessonSchema.parse(lesson)).toEqual({
    id: 'own',
    name: 'Thursday',
    steps: [
      { is: 'pose', id: 'staff', seconds: 60 },
      { is: 'pose', id: 'head-to-knee', seconds: 90 },
      { is: 'pose', id: 'staff' },
    ],
  });
});

test('one side alone, or the same side twice, stays as it was', () => {
  const poses = [posed('pigeon', 'left', 40), posed('pigeon', 'left', 50)];
  expect(lessonOfSession({ poses }, 'a', 'A').steps).toEqual([
    { is: 'pose', id: 'pigeon', side: 'left', seconds: 40 },
    { is: 'pose', id: 'pigeon', side: 'left', seconds: 50 },
  ]);
});
