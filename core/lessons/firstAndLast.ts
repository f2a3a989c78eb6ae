import { placeKey, type PlaceKey } from '../advise/order';
import type { Session, SessionPose } from '../formats/book';
import { isMoved } from '../lies';
import { slotKey, type SlotKey } from '../slots';

/** The same pose at the beginning and at the end of one visit. */
export interface FirstAndLast {
  readonly place: PlaceKey;
  readonly first: SessionPose;
  readonly last: SessionPose;
  /** Heights that are not the same, in cm. */
  readonly heights: readonly {
    readonly slot: SessionPose['settled'][number];
    readonly firstCm: number;
    readonly lastCm: number;
  }[];
}

/** Poses that came twice and more in a visit, each side by itself: the first time beside the last. */
export function firstAndLast({ poses }: Pick<Session, 'poses'>): readonly FirstAndLast[] {
  const places = [...new Set(poses.map(placeKey))];
  return places.flatMap((place): FirstAndLast[] => {
    const times = poses.filter((one) => placeKey(one) === place);
    const [first, last] = [times[0], times.at(-1)];
    if (!first || !last || first === last) return [];
    const before = new Map<SlotKey, number>(
      first.settled.map((one) => [slotKey(one), one.heightCm]),
    );
    return [
      {
        place,
        first,
        last,
        heights: last.settled.flatMap((slot) => {
          const firstCm = before.get(slotKey(slot)) ?? 0;
          return isMoved(slot.heightCm - firstCm) ? [{ slot, firstCm, lastCm: slot.heightCm }] : [];
        }),
      },
    ];
  });
}
