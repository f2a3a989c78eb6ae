import './moved/assumeFirst';
import { heightsOf, type PlanHeight } from '@/core/advise/moved';
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

function heights({ records, shelf, today }: MovedTask): MovedAnswer {
  try {
    return {
      heights: records.map((record) =>
        heightsOf(
          planStudent(record, shelf, today, { poses: [...practisedPoses(record.sessions)] }),
        ),
      ),
    };
  } catch (error) {
    return { failed: error instanceof Error ? error.message : String(error) };
  }
}

self.onmessage = ({ data }: MessageEvent<MovedTask>) => self.postMessage(heights(data));
