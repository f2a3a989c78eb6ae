import { pileWidthsCm, pieceDepthCm } from './PropPiece';

const piece = (
  kind: 'blanket' | 'bolster-round' | 'block',
  state: string,
  from: number,
  to: number,
) => ({
  kind,
  state,
  bottomCm: from,
  topCm: to,
});

test('what lies on something narrower hangs over it by a hand’s breadth at most', () => {
  const bolster = piece('bolster-round', 'flat', 0, 20);
  const fold = piece('blanket', 'fold-4', 20, 22);
  const own = pieceDepthCm('bolster-round', 'flat', 20);
  expect(pieceDepthCm('blanket', 'fold-4', 2)).toBeGreaterThan(own + 4);
  expect(pileWidthsCm([bolster, fold, fold], 60)).toEqual([own, own + 4, own + 8]);
  // Alone, and under something narrower, it is as wide as it is.
  expect(pileWidthsCm([fold], 60)).toEqual([pieceDepthCm('blanket', 'fold-4', 2)]);
  expect(pileWidthsCm([fold, piece('block', 'flat', 2, 9)], 60)[1]).toBe(15);
  expect(Math.max(...pileWidthsCm([fold, bolster, fold], 12))).toBe(12);
});
