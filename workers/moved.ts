import { heightsMoved, moveCm, type MovedHeight, type PlanHeight } from '@/core/advise/moved';
import { assumedText, type Assumed } from './plans/assume';
import type { MovedAnswer, MovedTask } from './plans.worker';

/** What one student would have otherwise, what moves furthest first. */
export interface StudentMoved {
  readonly person: string;
  readonly heights: readonly MovedHeight[];
}

/**
 * Heights of all these students as a program of its own reckons them. Fails where it cannot be loaded, or not reckon.
 */
function heightsWith(
  task: MovedTask,
  assumed: Assumed | null,
): Promise<readonly (readonly PlanHeight[])[]> {
  const worker = new Worker(new URL('./plans.worker', import.meta.url), {
    name: assumedText(assumed),
  });
  return new Promise<readonly (readonly PlanHeight[])[]>((resolve, reject) => {
    worker.onmessage = ({ data }: MessageEvent<MovedAnswer>) =>
      'failed' in data ? reject(new Error(data.failed)) : resolve(data.heights);
    worker.onerror = (event) =>
      reject(new Error(event.message || 'the worker could not be loaded'));
    worker.postMessage(task);
  }).finally(() => worker.terminate());
}

/** The students whom another value of one number would move, whom it moves most first. */
export async function studentsMoved(
  task: MovedTask,
  assumed: Assumed,
): Promise<readonly StudentMoved[]> {
  const [before, after] = await Promise.all([heightsWith(task, null), heightsWith(task, assumed)]);
  const most = ({ heights: [first] }: StudentMoved) => (first ? moveCm(first) : 0);
  return task.records
    .map(({ person: { id } }, i) => ({
      person: id,
      heights: heightsMoved(before[i] ?? [], after[i] ?? []),
    }))
    .filter(({ heights }) => heights.length > 0)
    .sort((a, b) => most(b) - most(a));
}
