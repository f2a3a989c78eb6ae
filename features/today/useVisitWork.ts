import { useContext, useEffect, useState } from 'react';
import { flushSync } from 'react-dom';
import { visitWork, type VisitTask, type VisitWork } from '@/core/advise/visitWork';
import { selectVisitTask } from '@/store/reckoned';
import { AtOnce } from '@/ui/WhenNear';
import { visitBeside } from '@/workers/visits';
import { useOjasList, useToday } from '../hooks';

/** What was reckoned, for as long as what it was made from stays. */
const works = new WeakMap<VisitTask, VisitWork>();

function now(task: VisitTask): VisitWork {
  const work = works.get(task) ?? visitWork(task);
  works.set(task, work);
  return work;
}

/** Reckons beside the page; where that fails, on it. */
async function beside(task: VisitTask): Promise<void> {
  try {
    works.set(task, await visitBeside(task));
  } catch {
    now(task);
  }
}

type Works = readonly (VisitWork | undefined)[];
const workOf = (task: VisitTask | undefined) => task && works.get(task);

/**
 * What is reckoned of those who come, beside the page: undefined until it is there, and what was there before until
 * another answer has come. On paper, and where a browser has no workers, it is there at once.
 */
export function useVisitWorks(ids: readonly string[]): Works {
  const today = useToday();
  const atOnce = useContext(AtOnce) || typeof Worker === 'undefined';
  const all = useOjasList((state) => ids.map((id) => selectVisitTask(state, id, today)));
  const who = ids.join(',');
  const [heard, setHeard] = useState<{ readonly who: string; readonly works: Works }>();
  useEffect(() => {
    const open = all.flatMap((task) => (task && !works.has(task) ? [task] : []));
    if (open.length === 0) return undefined;
    let stays = true;
    const tell = () => stays && setHeard({ who, works: all.map(workOf) });
    for (const task of open) void beside(task).then(tell);
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
  return all.map((task, i) => task && (atOnce ? now(task) : (works.get(task) ?? before[i])));
}

/** The same of one. */
export const useVisitWork = (id: string): VisitWork | undefined => useVisitWorks([id])[0];
