import { approachIds } from '../approaches/approaches';
import { usualShelves, type UsualShelf } from '../props/usualShelves';
import { foldFigures, roomFaults, roomFigures, type RoomPose } from './room';

const disagreeing = (room: readonly RoomPose[]) =>
  room.flatMap(({ pose, slots }) =>
    slots.flatMap(({ slot, agreement, middle, ninetieth }) =>
      agreement && agreement.unlike === null && !(agreement.middleAgrees && agreement.highAgrees)
        ? [`${pose} ${slot}: ${middle.toFixed(1)}, ${ninetieth.toFixed(1)}`]
        : [],
    ),
  );

describe('a room of ordinary adults', () => {
  // A seed on which nothing was calibrated.
  const room = roomFigures({ people: 160, seed: 4711 }, usualShelves.studio);

  test('uses the heights that teachers are seen to use, in all but two slots at most', () =>
    expect(disagreeing(room).length).toBeLessThanOrEqual(2));

  test('folds over a long leg and on a roll, its head at rest', () => {
    const { longKnee, onRoll, headFree } = foldFigures(
      { people: 100, seed: 4711 },
      usualShelves.studio,
    );
    expect(longKnee).toBeGreaterThanOrEqual(0.9);
    expect(onRoll).toBeGreaterThanOrEqual(0.7);
    expect(headFree).toBeLessThan(0.1);
  });

  test('is offered every pose but those that ask for ranges to spare', () => {
    const refused = room.filter(({ offered }) => offered < 0.9).map(({ pose }) => pose);
    expect(refused.sort()).toEqual(['half-lotus-seat', 'king-pigeon']);
  });

  test('fetches few pieces, and never more than six', () => {
    for (const { piecesMost } of room) expect(piecesMost).toBeLessThanOrEqual(6);
    const middles = room.map(({ piecesMiddle }) => piecesMiddle).sort((a, b) => a - b);
    expect(middles[Math.floor(middles.length / 2)]).toBeLessThanOrEqual(3);
  });

  test('folds in the seated fold, with the forehead somewhere to rest for most', () => {
    const fold = room.find(({ pose }) => pose === 'seated-fold')!;
    const forehead = fold.slots.find(({ slot }) => slot === 'forehead')!;
    expect(forehead.built).toBeGreaterThan(0.6);
  });

  test.each(['starter', 'home'] as const)('does with the %s shelf in most slots', (shelf) => {
    const other = roomFigures({ people: 40, seed: 4711 }, usualShelves[shelf]);
    expect(disagreeing(other).length).toBeLessThanOrEqual(13);
  });
});

test.each(
  (Object.keys(usualShelves) as UsualShelf[]).flatMap((shelf) =>
    approachIds.map((approach) => [shelf, approach] as const),
  ),
)(
  'on the %s shelf, %s: no tower that is forbidden, nothing over its most, six pieces at most',
  (shelf, approach) =>
    expect(roomFaults({ people: 1, seed: 8, approach }, usualShelves[shelf])).toEqual([]),
);
