import { isDay, type LocalDay } from '@/core/formats/time';
import { z } from '@/core/z';
import { recordOf } from '@/core/estimate/recordOf';
import { checkBook } from '@/core/formats/check';
import { says } from '@/core/formats/asked';
import { faultsIn, inCodes, type Fault } from '@/core/formats/faults';
import { unfitIn } from '@/core/formats/limits';
import { planStudent } from '@/core/plan/plan';
import { shelfIn } from '@/core/props/shelf';
import { poseById } from '@/core/poses/poses';
import { wordedPlan } from '@/ui/words/wordedPlan';
import { wordsIn, type ToldFault } from '@/ui/words/words';

/** What is sent back: a status, and a plan or the faults. */
export interface PlanAnswer {
  readonly status: 200 | 400 | 404;
  /** JSON text, written where the work is done. */
  readonly body: string;
}

const MOST_POSES = 500;
const planRequest = z.object({
  book: z.unknown(),
  person: z.string(),
  date: z.custom<LocalDay>((date) => typeof date === 'string' && isDay(date), {
    error: says('day'),
  }),
  poses: z
    .array(z.string().refine((id) => poseById(id) !== undefined, says('no-such-pose')))
    .max(MOST_POSES)
    .optional(),
});

const answer = (status: PlanAnswer['status'], body: unknown): PlanAnswer => ({
  status,
  body: JSON.stringify(body),
});
const told = (faults: readonly ToldFault[], status: 400 | 404 = 400) => answer(status, { faults });
const refused = (faults: readonly Fault[], status: 400 | 404 = 400) =>
  told(faults.map(wordsIn('cm').fault), status);

function parsed(
  bytes: Uint8Array,
): { readonly ok: true; readonly json: unknown } | { readonly ok: false; readonly words: string } {
  try {
    return {
      ok: true,
      json: JSON.parse(new TextDecoder('utf-8', { fatal: true }).decode(bytes)) as unknown,
    };
  } catch {
    return { ok: false, words: 'this is not whole JSON in UTF-8.' };
  }
}

/**
 * Reads a request for a plan and answers it. Everything that a stranger sent is opened here, away from the server's own
 * thread.
 */
export default function planTask(bytes: Uint8Array): PlanAnswer {
  const read = parsed(bytes);
  if (!read.ok) return told([{ path: 'the request', words: read.words }]);
  const unfit = unfitIn(read.json);
  if (unfit) return refused([unfit]);
  const asked = planRequest.safeParse(read.json, inCodes);
  if (!asked.success) return refused(faultsIn(asked.error, read.json));
  const { book, person: id, date, poses } = asked.data;
  const checked = checkBook(book, date);
  if (!checked.ok) return refused(checked.faults);
  const person = checked.value.people.find((one) => one.id === id);
  if (!person) return refused([{ path: 'person', says: { code: 'no-person', person: id } }], 404);
  // A pose that is named twice is planned once.
  return answer(
    200,
    wordedPlan(
      planStudent(
        recordOf(checked.value, person),
        shelfIn(checked.value.shelf, checked.value.settings.place),
        date,
        poses ? { poses: [...new Set(poses)] } : {},
      ),
      wordsIn(checked.value.settings.units),
    ),
  );
}
