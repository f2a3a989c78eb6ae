import './plans/assumeFirst';
import { heightsOf, type PlanHeight } from '@/core/advise/moved';
import { visitWork, type VisitTask, type VisitWork } from '@/core/advise/visitWork';
import { planStudent } from '@/core/plan/plan';
import { practisedPoses } from '@/core/plan/practised';
import type { StudentRecord } from '@/core/estimate/estimate';
import type { LocalDay } from '@/core/formats/time';
import type { Shelf } from '@/core/props/shelf';

/** Plans of many students, reckoned by a program of its own with one number changed. */
export interface MovedTask {
  readonly records: readonly StudentRecord[];
  readonly shelf: Shelf;
  readonly today: LocalDay;
}

/** Heights of each student's poses, in the order of the records. */
export type MovedAnswer =
  { readonly heights: readonly (readonly PlanHeight[])[] } | { readonly failed: string };

/** What is reckoned of one visit, told apart by a number. */
export interface AskedVisit {
  readonly id: number;
  readonly visit: VisitTask;
}
export type VisitAnswer = { readonly id: number } & (
  { readonly work: VisitWork } | { readonly failed: string }
);

const heights = ({ records, shelf, today }: MovedTask) =>
  records.map((record) =>
    heightsOf(planStudent(record, shelf, today, { poses: [...practisedPoses(record.sessions)] })),
  );

function answered<T extends object>(reckon: () => T): T | { readonly failed: string } {
  try {
    return reckon();
  } catch (error) {
    return { failed: error instanceof Error ? error.message : String(error) };
  }
}

self.onmessage = ({ data }: MessageEvent<MovedTask | AskedVisit>) =>
  self.postMessage(
    'visit' in data
      ? { id: data.id, ...answered(() => ({ work: visitWork(data.visit) })) }
      : answered(() => ({ heights: heights(data) })),
  );
