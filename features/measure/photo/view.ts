import type { Spot } from '@/core/protocols/photoWay';

/** Which part of a picture a board shows: how many points a picture's pixel takes, and what lies at the left top. */
export interface BoardView {
  readonly scale: number;
  readonly left: number;
  readonly top: number;
}

export interface Size {
  readonly width: number;
  readonly height: number;
}

export const MOST_ZOOM = 8;

/** The whole picture, as large as the board allows. */
export const wholePicture = (picture: Size, board: Size): BoardView =>
  kept(
    {
      scale: Math.min(board.width / picture.width, board.height / picture.height),
      left: 0,
      top: 0,
    },
    picture,
    board,
  );

/** Holds a view within the picture; a side with room to spare is centred. */
function kept({ scale, left, top }: BoardView, picture: Size, board: Size): BoardView {
  const along = (from: number, whole: number, shown: number) =>
    shown >= whole ? (whole - shown) / 2 : Math.min(whole - shown, Math.max(0, from));
  return {
    scale,
    left: along(left, picture.width, board.width / scale),
    top: along(top, picture.height, board.height / scale),
  };
}

/** Zooms by a factor about a place on the board, which stays where it is. */
export function zoomed(
  view: BoardView,
  factor: number,
  [x, y]: Spot,
  picture: Size,
  board: Size,
): BoardView {
  const least = Math.min(board.width / picture.width, board.height / picture.height);
  const scale = Math.min(least * MOST_ZOOM, Math.max(least, view.scale * factor));
  return kept(
    {
      scale,
      left: view.left + x / view.scale - x / scale,
      top: view.top + y / view.scale - y / scale,
    },
    picture,
    board,
  );
}

export const panned = (view: BoardView, [dx, dy]: Spot, picture: Size, board: Size): BoardView =>
  kept(
    { ...view, left: view.left - dx / view.scale, top: view.top - dy / view.scale },
    picture,
    board,
  );

export const onBoard = ([x, y]: Spot, { scale, left, top }: BoardView): Spot => [
  (x - left) * scale,
  (y - top) * scale,
];

/** A point moved on the board, in the picture's pixels, and never off the picture. */
export const movedBy = (
  [x, y]: Spot,
  [dx, dy]: Spot,
  { scale }: BoardView,
  { width, height }: Size,
): Spot => [
  Math.min(width, Math.max(0, x + dx / scale)),
  Math.min(height, Math.max(0, y + dy / scale)),
];
