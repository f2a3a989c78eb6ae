import { looksAt, steadyLooks, type Look } from '../estimate/looks';
import type { StudentRecord } from '../estimate/estimate';
import { meanOf } from '../estimate/observations';
import type { LocalDay } from '../formats/time';
import { ranges, type RangeId, type Side } from '../ranges/ranges';

/** What the readings of one range come to so far: never read, read once, no change beyond chance, or changed. */
export type RangeNews =
  | { readonly is: 'unread' }
  | {
      readonly is: 'once' | 'same';
      readonly side: Side;
      readonly nowDeg: number;
      readonly on: LocalDay;
    }
  | {
      readonly is: 'changed';
      readonly side: Side;
      readonly nowDeg: number;
      readonly on: LocalDay;
      /** Since the first readings, + for freer. */
      readonly byDeg: number;
      /** The day of the first reading. */
      readonly since: LocalDay;
    };

type OnSide = Exclude<RangeNews, { is: 'unread' }>;

const mean = (looks: readonly Look[]) => meanOf(looks.map((look) => look.mean));

function onSide(record: StudentRecord, range: RangeId, side: Side): OnSide | null {
  const looks = looksAt(record, range, side).filter(({ bound }) => bound === 'equal');
  const [first] = looks;
  const last = looks.at(-1);
  if (!first || !last) return null;
  const nowDeg = mean(steadyLooks(looks));
  const firstChange = looks.findIndex(({ change }) => change !== null);
  if (firstChange < 0)
    return { is: looks.length === 1 ? 'once' : 'same', side, nowDeg, on: last.day };
  const byDeg = nowDeg - mean(looks.slice(0, firstChange));
  return { is: 'changed', side, nowDeg, on: last.day, byDeg, since: first.day };
}

const moved = (one: OnSide) => (one.is === 'changed' ? Math.abs(one.byDeg) : -1);

/** What is new of a range, on the side that changed most; where none did, on the one that was read last. */
export function rangeNews(record: StudentRecord, range: RangeId): RangeNews {
  const sides: readonly Side[] = ranges[range].sided ? ['left', 'right'] : ['left'];
  const known = sides.flatMap((side) => onSide(record, range, side) ?? []);
  const [most] = known.sort((a, b) => moved(b) - moved(a) || b.on.localeCompare(a.on));
  return most ?? { is: 'unread' };
}

/** For sorting: what changed most first, then what did not, what was read once, and what was never read. */
export const newsRank = (news: RangeNews): number =>
  news.is === 'changed' ? 1000 + Math.abs(news.byDeg) : { same: 2, once: 1, unread: 0 }[news.is];
