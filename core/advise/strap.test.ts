import { planStudent } from '../plan/plan';
import { poseById, stageNameOf, wayOf } from '../poses/poses';
import { studioShelf } from '../props/usualShelves';
import { cautionIds } from '../safety/ids';
import { ordinaryAdult } from '../sim/room';
import { howOf } from './how';

const DAY = '2026-01-05';

test('where no strap lies, nothing that is said of the pose speaks of one', () => {
  let [without, hadOne] = [0, 0];
  for (const seed of [81, 82])
    for (const id of [null, ...cautionIds]) {
      const { person, ...rest } = ordinaryAdult(seed, seed + 9, 'built-up-alignment');
      const cautions = id === null ? [] : [{ id, answer: 'yes' as const, at: DAY }];
      const { poses } = planStudent({ ...rest, person: { ...person, cautions } }, studioShelf, DAY);
      for (const planned of poses) {
        const pose = poseById(planned.pose);
        if (!planned.posture || /strap/i.test(pose?.name ?? '')) continue;
        if (planned.slots.some(({ slot, stack }) => slot === 'strap' && stack.length > 0)) {
          hadOne++;
          continue;
        }
        const { entry } = howOf(planned);
        const name = wayOf(pose, planned.way)?.name ?? '';
        const stage = stageNameOf(planned.pose, planned.stage) ?? '';
        const said = [name, stage, ...entry, ...planned.dials.map(({ dial }) => dial)];
        expect([id, planned.pose, said.filter((words) => /strap/i.test(words))]).toEqual([
          id,
          planned.pose,
          [],
        ]);
        without++;
      }
    }
  expect([without > 500, hadOne > 50]).toEqual([true, true]);
});
