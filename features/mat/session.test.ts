import { planStudent } from '@/core/plan/plan';
import { studioShelf } from '@/core/props/usualShelves';
import { doneAsPlanned } from '@/core/tests/samples';
import { recordOfSix } from '@/core/tests/sixPeople';
import { slotKey } from '@/core/slots';
import { asPlanned } from '@/core/learn/settled';

const record = recordOfSix('desk worker');
const reclined = (
  shelf: typeof studioShelf,
  sessions: Parameters<typeof planStudent>[0]['sessions'],
) =>
  planStudent({ ...record, sessions }, shelf, '2026-03-01', { poses: ['reclined-hero'] }).poses[0]!;
const noted = (planned: ReturnType<typeof reclined>) => asPlanned(planned).map(slotKey);

test('a ramp that is built is noted; where none is, a good evening says nothing of it', () => {
  const first = reclined(studioShelf, []);
  expect(noted(first)).toContain('back.high');
  const done = {
    id: 's',
    person: record.person.id,
    at: '2026-02-22',
    poses: [doneAsPlanned(first)],
  };
  const without = reclined(
    studioShelf.filter(({ kind }) => kind === 'block'),
    [done],
  );
  expect(without.way).not.toBe('ramp');
  expect(noted(without)).not.toContain('back.high');
});
