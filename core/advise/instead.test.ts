import { estimateRanges } from '../estimate/estimate';
import { studioShelf } from '../props/usualShelves';
import { recordOfSix } from '../tests/sixPeople';
import { insteadOf, shelfAtHome } from './instead';
import { planStudent } from '../plan/plan';
import { inPoseOf } from '../build/solve';
import { whatIf } from './whatIf';

const DAY = '2026-03-01';
const record = recordOfSix('desk worker');
const [staff, hero] = planStudent(record, studioShelf, DAY, { poses: ['staff', 'hero'] }).poses;
const inHero = inPoseOf(record.person, hero!, studioShelf);
const seat = hero!.slots[0]!;
const lying = { pieces: seat.stack, heightCm: seat.stackCm };

describe('what could stand in place of a piece', () => {
  const [piece] = seat.stack;
  const { others, without, home } = insteadOf(inHero, 'seat', lying, piece!);

  test('others of the shelf leave that fold or face out and come near', () => {
    expect(others.length).toBeGreaterThan(0);
    for (const { pieces, heightCm } of others) {
      expect(pieces.some((one) => one.item === piece!.item && one.state === piece!.state)).toBe(
        false,
      );
      expect(Math.abs(heightCm - seat.stackCm)).toBeLessThan(4);
    }
  });

  test('without the prop at all, and of what is at home', () => {
    expect(without!.pieces.map(({ item }) => item)).not.toContain(piece!.item);
    const owned = shelfAtHome(record.person).map(({ id }) => id);
    for (const { item } of home!.pieces) expect(owned).toContain(item);
  });

  test('a list of their own is used where there is one', () => {
    const own = {
      id: 'dictionary',
      kind: 'books' as const,
      name: 'Dictionaries',
      count: 9,
      softness: 0,
      states: [{ id: 'stack-1', heightCm: 5 }],
    };
    expect(shelfAtHome({ home: [own] })).toEqual([own]);
    const person = { ...record.person, home: [own] };
    const of = insteadOf(inPoseOf(person, hero!, studioShelf), 'seat', lying, piece!);
    expect(of.home?.pieces.every(({ item }) => item === 'dictionary') ?? true).toBe(true);
  });
});

describe('what if a range were freer', () => {
  const estimates = estimateRanges(record, DAY);
  const inStaff = inPoseOf(record.person, staff!, studioShelf);

  test('hamstrings that are freer ask for less, stiffer ones for more', () => {
    const moved = (byDeg: number) =>
      (['hamstring:left', 'hamstring:right'] as const)
        .flatMap((key) => whatIf(inStaff, estimates, staff!, key, byDeg))
        .reduce((sum, { movesCm }) => sum + movesCm, 0);
    expect(moved(-12)).toBeGreaterThan(1);
    expect(moved(12)).toBeLessThanOrEqual(0);
  });

  test('a range that the pose does not lean on moves nothing', () =>
    expect(whatIf(inHero, estimates, hero!, 'hipRotation:left', 20)).toEqual([]));
});
