import { poses } from '@/core/poses/poses';
import { samplePerson } from '@/core/tests/samples';
import { marksOf } from './Hold';

test('a rest has words of its own: nothing is propped again, nothing looked for', () => {
  for (const { id, hold } of poses.filter(({ hold: { counted } }) => !counted)) {
    const said = marksOf({ pose: id, holdSeconds: 300, times: null }, samplePerson())
      .map(({ words }) => words)
      .join(' ');
    if (hold.isRest)
      expect([id, said]).toEqual([id, expect.not.stringMatching(/prop|room|Come out/)]);
    else expect([id, said]).toEqual([id, expect.stringMatching(/Come out in order/)]);
  }
});
