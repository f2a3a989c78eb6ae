import type { Agreement, FoldFigures, RoomPose, RoomSlot } from '@/core/sim/room';

const percent = (share: number) => `${Math.round(100 * share)} %`;
const cm = (value: number) => value.toFixed(1).padStart(5);

/** Why what is built need not be what teachers use. */
const reasonFor = ({ unlike, byShelf }: Agreement) =>
  unlike ?? (byShelf ? 'less than a rung away: this shelf has no nearer one' : null);

function slotLine({ slot, built, tenth, middle, ninetieth, largest, atMost, agreement }: RoomSlot) {
  const figures = `  ${slot.padEnd(11)} built ${percent(built).padStart(5)}  10 % ${cm(tenth)}  50 % ${cm(middle)}  90 % ${cm(ninetieth)}  most ${cm(largest)}`;
  if (!agreement) return figures;
  const { usual, high, mostCm, middleAgrees, highAgrees } = agreement;
  const why = reasonFor(agreement);
  const off = why === null ? ' ✗' : ' ~';
  const said = [
    `usual ${usual.join('–')}${middleAgrees ? '' : off}`,
    `high ${high.join('–')}${highAgrees ? '' : off}`,
    `at ${mostCm}: ${percent(atMost)}${largest > mostCm + 0.5 ? ' ✗' : ''}`,
  ];
  return `${figures}  | ${said.join(', ')}${why !== null && !(middleAgrees && highAgrees) ? `; ${why}` : ''}`;
}

const shares = (of: Readonly<Record<string, number>>) =>
  Object.entries(of)
    .map(([id, share]) => `${id} ${percent(share)}`)
    .join(', ');

/** The figures of a room as lines: a cross marks what an ordinary room does not use. */
export function roomWords(poses: readonly RoomPose[], folds: FoldFigures): string {
  const agreements = poses.flatMap(({ slots }) =>
    slots.flatMap(({ agreement }) => (agreement ? [agreement] : [])),
  );
  const agree = agreements.filter((one) => one.middleAgrees && one.highAgrees).length;
  const explained = agreements.filter(
    (one) => reasonFor(one) !== null && !(one.middleAgrees && one.highAgrees),
  ).length;
  return [
    ...poses.flatMap(({ pose, offered, instead, stages, piecesMiddle, piecesMost, slots }) => [
      `${pose}: offered ${percent(offered)}${offered < 1 ? ` (instead: ${shares(instead)})` : ''}, pieces ${piecesMiddle}, most ${piecesMost}; ${shares(stages)}`,
      ...slots.map(slotLine),
    ]),
    `one-leg fold: long knee under 25° in ${percent(folds.longKnee)}; seated fold: on a roll ${percent(folds.onRoll)}, head free ${percent(folds.headFree)}`,
    `${agree} of ${agreements.length} slots agree with an ordinary room; ${explained} have a reason not to.`,
  ].join('\n');
}
