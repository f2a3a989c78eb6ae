import { stateName, type Shelf } from '@/core/props/shelf';
import type { Piece } from '@/core/props/stack';

const sameAs = (one: Piece) => (other: Piece) =>
  other.item === one.item && other.state === one.state;

/** What some pieces hold beyond others. */
const beyond = (all: readonly Piece[], others: readonly Piece[]): Piece[] =>
  all.flatMap((one) => {
    const left = one.count - (others.find(sameAs(one))?.count ?? 0);
    return left > 0 ? [{ ...one, count: left }] : [];
  });

/**
 * What a teacher's hand does to come from one stack to another: a layer taken away or laid on, a thing turned or folded
 * otherwise, one thing in another's place. Nothing where it is built anew.
 */
export function rungWords(
  before: readonly Piece[],
  after: readonly Piece[],
  shelf: Shelf,
): string | null {
  const nameOf = ({ item: id, count }: Piece) => {
    const name = (shelf.find((one) => one.id === id)?.name ?? id).toLowerCase();
    return count > 1 ? `${count} × ${name}` : name;
  };
  const lieOf = ({ item: id, state }: Piece) => {
    const item = shelf.find((one) => one.id === id);
    return item ? stateName(item, state) : state;
  };
  const whole = (piece: Piece) => `${nameOf(piece)}, ${lieOf(piece)}`;
  const [gone, come] = [beyond(before, after), beyond(after, before)];
  const [[old, ...moreGone], [own, ...moreCome]] = [gone, come];
  if (moreGone.length > 0 || moreCome.length > 0) return null;
  if (old && !own) return after.length === 0 ? 'To the floor' : `Take away: ${whole(old)}`;
  if (own && !old) return `Lay on: ${whole(own)}`;
  if (!old || !own) return null;
  return old.item === own.item && old.count === own.count
    ? `${nameOf(own)}: ${lieOf(own)}, not ${lieOf(old)}`
    : `${whole(own)}, instead of ${whole(old)}`;
}
