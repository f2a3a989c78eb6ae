import { useEffect, useState } from 'react';
import { rangeNews, type RangeNews } from '@/core/advise/rangeNews';
import type { StudentRecord } from '@/core/estimate/estimate';
import type { RangeId } from '@/core/ranges/ranges';

/** Work of so long is done before the screen is let draw. */
const AT_ONCE_MS = 30;

interface Known {
  readonly of: readonly StudentRecord[];
  readonly range: RangeId | null;
  readonly news: ReadonlyMap<string, RangeNews>;
}

const NONE: Known['news'] = new Map();

/** What is new of a range for each of many students, by their ids: reckoned a few at a time, so that the screen stays free. */
export function useNews(
  records: readonly StudentRecord[],
  range: RangeId | null,
): { readonly news: ReadonlyMap<string, RangeNews>; readonly left: number } {
  const [known, setKnown] = useState<Known>({ of: records, range, news: NONE });
  // Of other students or another range nothing is known yet.
  const news = known.of === records && known.range === range ? known.news : NONE;
  useEffect(() => {
    if (range === null || news.size >= records.length) return;
    const timer = setTimeout(() => {
      const from = performance.now();
      const more = new Map(news);
      for (const record of records) {
        if (more.has(record.person.id)) continue;
        more.set(record.person.id, rangeNews(record, range));
        if (performance.now() - from > AT_ONCE_MS) break;
      }
      setKnown({ of: records, range, news: more });
    });
    return () => clearTimeout(timer);
  }, [records, range, news]);
  return { news, left: range === null ? 0 : records.length - news.size };
}
