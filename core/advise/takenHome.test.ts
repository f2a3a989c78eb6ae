import { zlibSync, strToU8 } from 'fflate';
import { planStudent } from '../plan/plan';
import { homeShelf } from '../props/usualShelves';
import { ordinaryAdult } from '../sim/room';
import { firstForHome, homePoses } from './homePoses';
import { howOf } from './how';
import { standInsFor } from './standIns';
import { openTakenHome, packTakenHome, takenHomeSchema, type SheetToTake } from './takenHome';

const DAY = '2026-03-02';
const sheetOf = (seed: number, ids?: readonly string[]): SheetToTake => {
  const record = ordinaryAdult(seed, seed * 5 + 2, 'long-quiet-holds');
  const all = homePoses(planStudent(record, homeShelf, DAY).poses);
  const taken = ids ?? all.map(({ pose }) => pose);
  return {
    id: `sheet-${seed}`,
    name: 'Maya',
    at: DAY,
    units: 'cm',
    statureCm: record.person.statureCm,
    bodyCm: {},
    home: homeShelf,
    minded: {},
    poses: all
      .filter(({ pose }) => taken.includes(pose))
      .flatMap(({ sides, builds }) =>
        builds.map((planned) => ({ planned, bothAlike: sides.length > builds.length })),
      ),
  };
};

test('every pose opens as it was packed: told, stood in for and drawn alike', () => {
  let opened = 0;
  for (const seed of [701, 702, 703, 704, 705]) {
    const sheet = sheetOf(seed);
    for (const { planned, bothAlike } of sheet.poses) {
      const wire = packTakenHome({ ...sheet, poses: [{ planned, bothAlike }] });
      const read = takenHomeSchema.parse(JSON.parse(JSON.stringify(wire)));
      const [there] = openTakenHome(read).poses;
      const where = `${seed} ${planned.pose} ${planned.side}`;
      opened++;
      expect([where, howOf(there!.planned)]).toEqual([where, howOf(planned)]);
      const said = (of: typeof planned) =>
        standInsFor(of).slots.map((one) => [one.slot.slot, one.said]);
      expect([where, said(there!.planned)]).toEqual([where, said(planned)]);
      expect(there!.planned.slots.map(({ stack, side }) => [stack, side])).toEqual(
        planned.slots.map(({ stack, side }) => [stack, side]),
      );
      expect([there!.planned.holdSeconds, there!.planned.times, there!.bothAlike]).toEqual([
        planned.holdSeconds,
        planned.times,
        bothAlike,
      ]);
      const [was, is] = [planned.posture!, there!.planned.posture!];
      for (const joint of ['hip', 'knee', 'ankle', 'toe', 'head', 'elbow', 'hand'] as const)
        for (const axis of [0, 1] as const)
          expect(Math.abs(was[joint][axis] - is[joint][axis])).toBeLessThanOrEqual(0.2501);
      expect(Object.keys(is).sort()).toEqual(
        Object.keys(was)
          .filter((key) => was[key as keyof typeof was] !== undefined)
          .sort(),
      );
    }
  }
  expect(opened).toBeGreaterThan(200);
});

test('of the student it tells a first name, lengths and nothing else', () => {
  const wire = packTakenHome(sheetOf(706));
  expect(Object.keys(wire).sort()).toEqual(
    [
      'at',
      'bodyCm',
      'format',
      'home',
      'id',
      'minded',
      'name',
      'poses',
      'statureCm',
      'units',
    ].sort(),
  );
  const said = JSON.stringify(wire);
  expect(said).not.toMatch(/caution|reading|session|hamstring|"reasons"/);
  // Of what is at home only what lies on the sheet goes along.
  const lying = new Set(
    wire.poses.flatMap(([, , , , , slots]) => slots.flatMap((one) => one[6]).map(([id]) => id)),
  );
  expect(wire.home.map(({ id }) => id).sort()).toEqual([...lying].sort());
});

test('of a prop at home its measures alone go along', () => {
  const sheet = sheetOf(707);
  const marked = homeShelf.map((one) => ({ ...one, place: 'loft', edits: { name: ['m1'] } }));
  const { home } = packTakenHome({ ...sheet, home: marked });
  expect(home.length).toBeGreaterThan(0);
  for (const one of home)
    expect(Object.keys(one)).toEqual(['id', 'kind', 'name', 'count', 'softness', 'states']);
});

test('eight poses stay well within one code for a camera', () => {
  /** Bytes that the largest code holds, less an address before them. */
  const MOST = 2953 - 80;
  for (const seed of [711, 712, 713, 714, 715, 716]) {
    const ids = homePoses(
      planStudent(ordinaryAdult(seed, seed * 5 + 2, 'long-quiet-holds'), homeShelf, DAY).poses,
    );
    for (const from of [0, 8, 16]) {
      const sheet = sheetOf(
        seed,
        ids.slice(from, from + 8).map(({ pose }) => pose),
      );
      const bytes = zlibSync(strToU8(JSON.stringify(packTakenHome(sheet))), { level: 9 }).length;
      expect(Math.ceil((bytes * 4) / 3)).toBeLessThan(MOST);
    }
  }
  expect(firstForHome(homePoses([])).length).toBe(0);
});
