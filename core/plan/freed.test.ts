import { gateKey, wayKey } from '../approaches/approaches';
import type { PlanPose } from '../formats/plan';
import type { Session } from '../formats/book';
import { shiftDays } from '../formats/time';
import { studioShelf, starterShelf } from '../props/usualShelves';
import { isSoft, type Shelf } from '../props/shelf';
import { doneAsPlanned } from '../tests/samples';
import { recordOfSix, sixPeople, type OneOfSix } from '../tests/sixPeople';
import { planStudent } from './plan';

const DAY = '2026-03-02';
const names = Object.keys(sixPeople) as OneOfSix[];
/** A studio that has one long bolster of each kind. */
const oneBolster: Shelf = studioShelf.map((item) =>
  item.kind.startsWith('bolster') ? { ...item, count: 1 } : item,
);
const shelves = { studio: studioShelf, starter: starterShelf, 'one bolster': oneBolster };

/** Visit after visit, each of which complained of the same place: what was planned in the pose's first place. */
function visits(name: OneOfSix, pose: string, shelf: Shelf, place: 'low-back' | 'joint') {
  const record = recordOfSix(name);
  const choices = { ...record.person.choices, [gateKey(pose)]: 'open', [wayKey(pose)]: 'ramp' };
  const person = { ...record.person, choices };
  const all: PlanPose[] = [];
  const sessions: Session[] = [];
  for (let visit = 0; visit < 5; visit++) {
    const at = shiftDays(DAY, 7 * visit);
    const { poses } = planStudent({ ...record, person, sessions }, shelf, at, { poses: [pose] });
    const first = poses[0]!;
    if (!first.posture) break;
    all.push(first);
    sessions.push({
      id: `s-${visit}`,
      person: person.id,
      at,
      poses: poses.map((one) => doneAsPlanned(one, { feeling: { strength: 4, place } })),
    });
  }
  return all;
}
const standing = ({ slots }: PlanPose, of: string) =>
  slots.find(({ slot, part }) => slot === of && part !== 'low');

const runs = names.flatMap((name) =>
  Object.entries(shelves).flatMap(([on, shelf]) =>
    (['reclined-hero', 'reclined-hero-one'] as const).flatMap((pose) =>
      (['low-back', 'joint'] as const).map((place) => ({ name, on, shelf, pose, place })),
    ),
  ),
);

test.each(runs)(
  '$name on $on, $pose, $place: what carries never comes down while it is felt, and a ramp rises as long as it lies',
  ({ name, shelf, pose, place }) => {
    const all = visits(name, pose, shelf, place);
    for (const [at, one] of all.entries()) {
      const before = all[at - 1];
      if (!before || before.way !== one.way) continue;
      for (const of of ['seat', 'back']) {
        const [was, is] = [standing(before, of)?.stackCm ?? 0, standing(one, of)?.stackCm ?? 0];
        expect([of, is >= was - 0.6]).toEqual([of, true]);
      }
    }
  },
);

test.each(runs)(
  '$name on $on, $pose, $place: what has gone less far back goes no further while it is felt',
  ({ name, shelf, pose, place }) => {
    const lies = visits(name, pose, shelf, place).map(
      (one) => (standing(one, 'back')?.stack.length ?? 0) > 0,
    );
    expect(lies.lastIndexOf(true)).toBeLessThan(lies.includes(false) ? lies.indexOf(false) : 5);
  },
);

test('who lay flat with the soles together and felt the low back is given a ramp', () => {
  const record = recordOfSix('desk worker');
  const at = (way: string, sessions: Session[] = []) => {
    const choices = { ...record.person.choices, [wayKey('reclined-open')]: way };
    const person = { ...record.person, choices };
    return planStudent({ ...record, person, sessions }, studioShelf, '2026-03-09', {
      poses: ['reclined-open'],
    }).poses[0]!;
  };
  const flat = at('flat');
  expect(standing(flat, 'back')).toBeUndefined();
  const felt = doneAsPlanned(flat, { feeling: { strength: 4, place: 'low-back' } });
  const next = at('rolls', [{ id: 's', person: 'p', at: DAY, poses: [felt] }]);
  expect(next.way).toBe('rolls');
  expect(standing(next, 'back')!.stackCm).toBeGreaterThan(5);
});

test('comforts give up their pieces to a ramp that has to rise, and say so', () => {
  const given = visits('runner', 'reclined-hero', studioShelf, 'low-back').map(
    (one) => [one, one.slots.find(({ slot }) => slot === 'ankle')!] as const,
  );
  const gone = given.find(([, ankle]) => ankle.reasons.some(({ code }) => code === 'given-up'))!;
  expect(gone[1].stack).toEqual([]);
  expect(gone[0].way).toBe('ramp');
  expect(standing(gone[0], 'back')!.stackCm).toBeGreaterThan(
    standing(given[0]![0], 'back')!.stackCm,
  );
});

test('with one bolster under the seat, the seat is built of other things for a ramp that has to rise', () => {
  const [first, ...later] = visits('runner', 'reclined-hero-one', starterShelf, 'low-back');
  const itemsOf = (one: PlanPose) => standing(one, 'back')!.stack.map(({ item }) => item);
  for (const one of later.filter(({ way }) => way === 'ramp')) {
    expect(itemsOf(one)).toContain('bolster');
    expect(standing(one, 'seat')!.stackCm).toBeGreaterThanOrEqual(
      standing(first!, 'seat')!.targetCm,
    );
  }
});

test('nobody sits for minutes on something bare and hard where the shelf has a fold', () => {
  for (const name of names)
    for (const { pose, slots } of planStudent(recordOfSix(name), studioShelf, DAY).poses)
      for (const { slot, stack } of slots) {
        if (slot !== 'seat' || stack.length === 0 || pose === 'squat' || pose === 'chair-seat')
          continue;
        const softs = stack.filter(({ item }) =>
          isSoft(studioShelf.find(({ id }) => id === item)!),
        );
        expect([name, pose, softs.length > 0]).toEqual([name, pose, true]);
      }
});

test('without a fold the seat is still built', () => {
  const hard = studioShelf.filter((item) => !isSoft(item));
  const seats = planStudent(recordOfSix('desk worker'), hard, DAY, { poses: ['easy-cross'] }).poses;
  expect(standing(seats[0]!, 'seat')!.stack.length).toBeGreaterThan(0);
});
