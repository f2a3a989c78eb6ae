import { firstName } from '@/ui/firstName';
import type { ClassRecord, Person } from '@/core/formats/book';
import { fetchedFor, fetchedTogether } from '@/core/advise/order';
import type { Shelf } from '@/core/props/shelf';
import { selectPeople, selectShelf } from '@/store/selectors';
import { Sheet } from '@/ui/Sheet';
import { Aside, Title, Words } from '@/ui/Words';
import { useOjas } from '../hooks';
import { useVisitWorks } from './useVisitWork';

/** The poses of each of them, in what they practise. */
const usePosesOf = (people: readonly Pick<Person, 'id'>[]) =>
  useVisitWorks(people.map(({ id }) => id)).map((work) => work?.plan.poses ?? []);

/** What is fetched, thing by thing, and of what there is too little. */
function linesOf(needed: ReadonlyMap<string, number>, shelf: Shelf) {
  const lines = shelf.flatMap(({ id, name, count }) => {
    const many = needed.get(id) ?? 0;
    return many > 0 ? [{ name: name.toLowerCase(), many, count }] : [];
  });
  return {
    all: lines.map(({ name, many }) => (many > 1 ? `${many} × ${name}` : name)),
    short: lines
      .filter(({ many, count }) => many > count)
      .map(({ name, many, count }) => `${name}: ${many} needed, you have ${count}`),
  };
}

const firstNames = (people: readonly Pick<Person, 'name'>[]) =>
  people.map(({ name }) => firstName(name)).join(', ');

/** What is fetched for everybody who comes today: they come one after another, so the most that one of them uses. */
export function FetchForAll({ people }: { readonly people: readonly Person[] }) {
  const shelf = useOjas(selectShelf);
  const { all } = linesOf(fetchedFor(usePosesOf(people).flat()), shelf);
  if (all.length === 0) return null;
  return (
    <Sheet role="region" aria-label="To fetch for today">
      <Title level={2}>To fetch for today</Title>
      <Words>{all.join(' · ')}</Words>
      <Aside>For {firstNames(people)}, one after another, in what they practise.</Aside>
    </Sheet>
  );
}

/** What is fetched for a class: all of them are in a pose at once, and the shelf may have too little. */
export function FetchForClass({ it }: { readonly it: ClassRecord }) {
  const shelf = useOjas(selectShelf);
  const people = useOjas(selectPeople).filter(({ id }) => it.people?.includes(id));
  const { all, short } = linesOf(fetchedTogether(usePosesOf(people)), shelf);
  if (all.length === 0) return null;
  const title = `To fetch for ${it.name ?? 'the class'}`;
  return (
    <Sheet role="region" aria-label={title}>
      <Title level={2}>{title}</Title>
      <Words>{all.join(' · ')}</Words>
      <Aside>For {firstNames(people)}, all in the same pose at once, in what each practises.</Aside>
      {short.length > 0 ? (
        <Words className="text-rust">
          Too few for everybody at once: {short.join('; ')}. Take turns, or let those who need least
          sit on a folded blanket or a book.
        </Words>
      ) : null}
    </Sheet>
  );
}
