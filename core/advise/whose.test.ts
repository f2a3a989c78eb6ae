import { samplePerson, samplePose } from '../tests/samples';
import { notTheirs } from './whose';

const session = (pose: string) => ({
  at: '2026-03-02T18:00:00Z',
  poses: [samplePose({ pose, side: 'left' })],
});
const cautioned = (id: string) =>
  samplePerson({ cautions: [{ id, answer: 'yes', at: '2026-01-01' }] });

test('a session is anybody’s who was born by then and may do what was done', () => {
  expect(notTheirs(session('hero'), samplePerson({ birthYear: 1980 }))).toBeNull();
  expect(notTheirs(session('a-pose-of-a-later-book'), samplePerson())).toBeNull();
});

test('it is nobody’s before their birth, nor with a pose that a caution keeps them from', () => {
  expect(notTheirs(session('hero'), samplePerson({ birthYear: 2027 }))).toEqual({
    of: 'not-born',
    year: 2027,
  });
  expect(notTheirs(session('horse'), cautioned('knee-meniscus'))).toMatchObject({
    of: 'refused',
    pose: 'horse',
    caution: 'knee-meniscus',
  });
});
