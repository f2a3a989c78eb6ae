import { z } from '../z';
import { dayOf, type LocalDay } from '../formats/time';
import { practiceSchema, type Practice } from '../formats/book';

/** One pose as it was done at home: what the phone keeps, and what is told of it. */
export const doneSchema = practiceSchema.pick({
  pose: true,
  side: true,
  at: true,
  heldSeconds: true,
  felt: true,
});
export type Done = z.infer<typeof doneSchema>;

const { pose, side, at, heldSeconds, felt } = doneSchema.shape;

/** More is done by no sheet. */
const MOST_DONE = 2000;

/** What was done at home by a sheet, as it goes back to the teacher. */
export const homeLogSchema = z.object({
  format: z.literal('ojas-home-log/1'),
  /** The sheet that it was done by. */
  sheet: practiceSchema.shape.sheet,
  /** The first name that the sheet came with: no more is known on that phone. */
  name: z.string().max(40),
  done: z.array(z.tuple([pose, side, at, heldSeconds, felt])).max(MOST_DONE),
});
type Wire = z.infer<typeof homeLogSchema>;

/** What a phone hands back. */
export interface HomeLog {
  readonly sheet: string;
  readonly name: string;
  /** Oldest first. */
  readonly done: readonly Done[];
}

export const packHomeLog = ({ sheet, name, done }: HomeLog): Wire => ({
  format: 'ojas-home-log/1',
  sheet,
  name,
  // More would not be taken in.
  done: done
    .slice(-MOST_DONE)
    .map((one) => [one.pose, one.side, one.at, one.heldSeconds, one.felt]),
});

export const openHomeLog = ({ sheet, name, done }: Wire): HomeLog => ({
  sheet,
  name,
  done: done.map(([pose_, side_, at_, heldSeconds_, felt_]) => ({
    pose: pose_,
    side: side_,
    at: at_,
    heldSeconds: heldSeconds_,
    felt: felt_,
  })),
});

/** A log as the practice of a student. */
export interface TakenIn {
  /** What is new; the same line is the same record however often it comes. */
  readonly practices: readonly Practice[];
  /** Lines that were taken in before. */
  readonly known: number;
  /** Lines that a clock set wrong dates after today: left out. */
  readonly afterToday: number;
}

/**
 * A log as a student's practice, beside what is there already.
 *
 * @param has whether a record of that id is there.
 */
export function practicesIn(
  { sheet, done }: HomeLog,
  person: string,
  today: LocalDay,
  has: (id: string) => boolean,
): TakenIn {
  const datedRight = done.filter((one) => dayOf(one.at) <= today);
  const all = new Map(
    datedRight.map((one) => {
      const id = [sheet, one.at, one.pose, one.side].join('/');
      return [id, { id, person, sheet, ...one }] as const;
    }),
  );
  const fresh = [...all.values()].filter(({ id }) => !has(id));
  return {
    practices: fresh,
    known: all.size - fresh.length,
    afterToday: done.length - datedRight.length,
  };
}
