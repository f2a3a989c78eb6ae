import { commonestPoses } from '../poses/poses';
import { sampleSession } from '../tests/samples';
import { practisedPoses } from './practised';

test('the commonest five until as many were done, then what was done', () => {
  expect([...practisedPoses([])]).toEqual([...commonestPoses]);
  expect(
    [
      ...practisedPoses([
        sampleSession('2026-01-10', { pose: 'pigeon', side: 'left' }),
        sampleSession('2026-01-12'),
      ]),
    ].sort(),
  ).toEqual([...commonestPoses, 'pigeon'].sort());
  const others = ['child', 'frog', 'squat', 'rest', 'plank'];
  expect([
    ...practisedPoses(others.map((pose, i) => sampleSession(`2026-02-0${i + 1}`, { pose }))),
  ]).toEqual(others);
});
