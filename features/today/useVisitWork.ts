import { useContext, useEffect, useState } from 'react';
import { flushSync } from 'react-dom';
import { visitWork, type VisitTask, type VisitWork } from '@/core/advise/visitWork';
import type { LocalDay } from '@/core/formats/time';
import { lastAnswers } from '@/store/lastAnswers';
import { selectDay, selectMethod, selectRecord, selectShelf } from '@/store/selectors';
import type { RootState } from '@/store/store';
import { AtOnce } from '@/ui/WhenNear';
import { visitBeside } from '@/workers/visits';
import { useOjasList, useToday } from '../hooks';

/** What a visit is reckoned from, and what was reckoned, for as long as that stays the same. */
interface Reckoning {
  readonly task: VisitTask;
  work?: VisitWork;
}
const known = lastAnswers<Reckoning>();

function reckoningOf(state: RootState, id: string, today: LocalDay): Reckoning | undefined {
  const record = selectRecord(state, id);
  if (!record) return undefined;
  const [shelf, day, method] = [
    selectShelf(state),
    selectDay(state, id, today),
    selectMethod(state),
  ];
  return known(record, [shelf, today, day, method], () => ({
    task: { record, shelf, today, day, method },
  }));
}

function now(one: Reckoning): VisitWork {
  one.work ??= visitWork(one.task);
  return one.work;
}

/** Reckons beside the page; where that fails, on it. */
async function beside(one: Reckoning): Promise<void> {
  try {
    one.work ??= await visitBeside(one.task);
  } catch {
    now(one);
  }
}

type Works = readonly (VisitWork | undefined)[];

/**
 * What is reckoned of those who come, beside the page: undefined until it is there, and what was there before until
 * another answer has come. On paper, and where a browser has no workers, it is there at once.
 */
export function useVisitWorks(ids: readonly string[]): Works {
  const today = useToday();
  const atOnce = useContext(AtOnce) || typeof Worker === 'undefined';
  const all = useOjasList((state) => ids.map((id) => reckoningOf(state, id, today)));
  const who = ids.join(',');
  const [heard, setHeard] = useState<{ readonly who: string; readonly works: Works }>();
  useEffect(() => {
    const open = all.flatMap((one) => (one && !one.work ? [one] : []));
    if (open.length === 0) return undefined;
    let stays = true;
    const tell = () => stays && setHeard({ who, works: all.map((one) => one?.work) });
    for (const one of open) void beside(one).then(tell);
    const showNow = () => {
      open.forEach(now);
      flushSync(tell);
    };
    window.addEventListener('beforeprint', showNow);
    return () => {
      stays = false;
      window.removeEventListener('beforeprint', showNow);
    };
  }, [all, who]);
  const before = heard?.who === who ? heard.works : [];
  return all.map((one, i) => one && (atOnce ? now(one) : (one.work ?? before[i])));
}

/** The same of one. */
export const useVisitWork = (id: string): VisitWork | undefined => useVisitWorks([id])[0];
