import type { Facts } from '@/core/formats/facts';
import { readStored, type Unread } from './readStored';

/** Some of the records that were waited for, with the students of whom all is here now. */
export interface Part {
  readonly facts: Pick<Facts, 'readings' | 'sessions' | 'pictures'>;
  readonly unread: readonly Unread[];
  readonly of: readonly string[];
  /** How many records are still to come. */
  readonly left: number;
}

type Get = (keys: string[]) => Promise<Record<string, string | null>>;

const READ_AT_ONCE = 3000;
/** The first students are few, so that a first screen is soon whole; then ever more at a time. */
const FIRST_PEOPLE = 8;
const MOST_PEOPLE = 32;
const breathe = () => new Promise((resolve) => setTimeout(resolve, 0));

/** The student and the day that a text seems to tell of; checked later, with all the rest. */
function glance(text: string): { person: string; at: string } {
  try {
    const { person, at } = JSON.parse(text) as { person?: unknown; at?: unknown };
    return {
      person: typeof person === 'string' ? person : '',
      at: typeof at === 'string' ? at : '',
    };
  } catch {
    return { person: '', at: '' };
  }
}

/**
 * Reads the records of many years student by student: those who are asked for first, then those who were on the mat
 * last.
 * `wanted` gives, and forgets, who is asked for meanwhile.
 */
export async function readByPerson(
  get: Get,
  keys: readonly string[],
  people: readonly string[],
  wanted: () => readonly string[],
  take: (part: Part) => void,
): Promise<void> {
  const own = new Map<
    string,
    { texts: Record<string, string | null>; count: number; lastAt: string }
  >();
  for (let from = 0; from < keys.length; from += READ_AT_ONCE) {
    for (const [key, text] of Object.entries(await get(keys.slice(from, from + READ_AT_ONCE)))) {
      if (text === null) continue;
      const { person, at } = glance(text);
      const known = own.get(person) ?? { texts: {}, count: 0, lastAt: '' };
      own.set(person, known);
      known.texts[key] = text;
      known.count += 1;
      if (at > known.lastAt) known.lastAt = at;
    }
  }
  const here = Object.fromEntries(people.map((id) => [id, true]));
  const order = [...new Set([...people, ...own.keys()])].sort((a, b) =>
    (own.get(b)?.lastAt ?? '') < (own.get(a)?.lastAt ?? '') ? -1 : 1,
  );
  let left = [...own.values()].reduce((sum, { count }) => sum + count, 0);
  const waiting = new Set(order);
  for (let most = FIRST_PEOPLE; waiting.size > 0; most = Math.min(MOST_PEOPLE, most * 2)) {
    await breathe();
    const asked = wanted().filter((id) => waiting.has(id));
    const of = [...new Set([...asked, ...waiting])].slice(
      0,
      asked.length > 0 ? asked.length : most,
    );
    const texts: Record<string, string | null> = {};
    for (const id of of) {
      waiting.delete(id);
      Object.assign(texts, own.get(id)?.texts);
      left -= own.get(id)?.count ?? 0;
      own.delete(id);
    }
    const {
      facts: { readings, sessions, pictures },
      unread,
    } = readStored(texts, here);
    take({ facts: { readings, sessions, pictures }, unread, of, left });
  }
}
