import { dayOf } from '../formats/time';
import { decision as parameter } from '../parameters';
import { ranges, splitKey, type RangeKey } from '../ranges/ranges';
import type { Laid, RangeMoved } from './lay';

/** The ranges that a pose leans on and that were read since, where that moves the belief enough to matter. */
export function movedSince({
  family,
  side,
  earlier,
  context,
}: Pick<Laid, 'family' | 'side' | 'earlier' | 'context'>): readonly RangeMoved[] {
  const last = earlier.at(-1);
  if (!last) return [];
  const lastDay = dayOf(last.at);
  const since = context.record.readings.filter(({ at }) => dayOf(at) > lastDay);
  if (since.length === 0) return [];
  const before = context.estimatesOn(lastDay);
  return family.needs(side).flatMap((input) => {
    const key = input as RangeKey;
    const [was, is] = [before[key], context.estimates[key]];
    if (!was || !is || is.source !== 'measured') return [];
    const { id } = splitKey(key);
    const deg = is.mean - was.mean;
    const isRead = since.some((one) => one.range === id);
    return isRead && ranges[id].unit === 'deg' && Math.abs(deg) >= parameter.readMoves.value
      ? [{ key, deg, wasDeg: was.mean }]
      : [];
  });
}
