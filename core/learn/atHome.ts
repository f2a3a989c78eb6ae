import type { Practice } from '../formats/book';
import { dayOf, daysBetween, inTime, type LocalDay } from '../formats/time';
import { decision as parameter } from '../parameters';
import type { Reason } from '../reasons';

/**
 * What a student says of a pose that was done at home since it was last seen. It is weaker than what was seen: it may
 * hold a step back, or ease one, and brings nothing down.
 *
 * @param practices of one student, in any order.
 * @param seenAt when the pose was last seen on that side; undefined where it never was.
 * @returns oldest first.
 */
export function practisedSince(
  practices: readonly Practice[],
  { pose, side }: Pick<Practice, 'pose' | 'side'>,
  seenAt: string | undefined,
  today: LocalDay,
): readonly Practice[] {
  const own = practices.filter(
    (one) =>
      one.pose === pose &&
      (one.side === side || one.side === 'both' || side === 'both') &&
      dayOf(one.at) <= today &&
      (seenAt === undefined || Date.parse(one.at) > Date.parse(seenAt)),
  );
  return own.length > 1 ? inTime(own) : own;
}

/** The last time that it hurt at home; null where it never did. */
export function hurtIn(since: readonly Practice[]): Reason<'hurt-at-home'> | null {
  const hurt = since.findLast(({ felt }) => felt === 'pain');
  return hurt ? { code: 'hurt-at-home', on: dayOf(hurt.at) } : null;
}

/** What was said at home that asks for an easier build today; null where nothing was. */
export function easesFor(
  since: readonly Practice[],
): Reason<'hurt-at-home' | 'much-at-home'> | null {
  const hurt = hurtIn(since);
  if (hurt) return hurt;
  const latest = since.slice(-parameter.homeTimes.value);
  const times = latest.filter(({ felt }) => felt === 'much').length;
  return times >= parameter.muchAtHome.value
    ? { code: 'much-at-home', times, of: latest.length }
    : null;
}

/** A single word that it was too much: no reason to build up, and one to bring nothing down. */
export function staysFor(since: readonly Practice[]): Reason<'once-much-at-home'> | null {
  const much = since.findLast(({ felt }) => felt === 'much');
  return much ? { code: 'once-much-at-home', on: dayOf(much.at) } : null;
}

/** Days since a pose was done at all: seen, or at home. */
export const daysIdle = (since: readonly Practice[], seenAt: string, today: LocalDay): number =>
  daysBetween(dayOf(since.at(-1)?.at ?? seenAt), today);
