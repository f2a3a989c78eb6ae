import { readFileSync } from 'node:fs';
import { shiftDays } from '@/core/formats/time';
import type { Book } from '@/core/formats/book';

const WEEKS = 156;
const READINGS = 200;

/** A book of real size: so many people with three years of weekly sessions, made of the sample's own records. */
export function fullBook(people: number): Book {
  const sample = JSON.parse(readFileSync('demo/kingfisher-boathouse.json', 'utf8')) as Book;
  const [first, last] = ['2023-04-03T18:00:00.000Z', WEEKS - 1];
  const everybody = Array.from({ length: people }, (_, i) => {
    const like = sample.people[i % sample.people.length]!;
    return { like, person: { ...like, id: `p${i}`, name: `${like.name} ${i}` } };
  });
  const day = (week: number) => shiftDays(first, 7 * Math.min(week, last));
  return {
    ...sample,
    people: everybody.map(({ person }) => person),
    readings: everybody.flatMap(({ like, person }) => {
      const own = sample.readings.filter((one) => one.person === like.id);
      return Array.from({ length: READINGS }, (_, i) => ({
        ...own[i % own.length]!,
        id: `r-${person.id}-${i}`,
        person: person.id,
        at: day(Math.floor((i * WEEKS) / READINGS)),
      }));
    }),
    sessions: everybody.flatMap(({ like, person }) => {
      const own = sample.sessions.filter((one) => one.person === like.id);
      return Array.from({ length: WEEKS }, (_, i) => ({
        ...own[i % own.length]!,
        id: `s-${person.id}-${i}`,
        person: person.id,
        at: day(i),
      }));
    }),
  };
}
