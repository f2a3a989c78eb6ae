import { commonestPoses } from '../poses/poses';
import { sampleSession } from '../tests/samples';
import { practisedPoses } from './practised';

test('the commonest five until there is a session, then what was done', () => {
  expect([...practisedPoses([])]).toEqual([...commonestPoses]);
  expect([...practisedPoses([sampleSession('2026-01-10', { pose: 'pigeon', side: 'left' }), sampleSession('2026-01-12')])]).toEqual(['pigeon', 'hero']);
});
