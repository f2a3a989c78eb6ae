import { bookOf } from '@/core/formats/bookText';
import type { Book } from '@/core/formats/book';
import { readStored } from './readStored';
import { readAside } from './aside';
import { isAside, shortKey } from './keys';

/** What lies in storage as a book, whatever state it is in: what cannot be read goes along as it is. */
export function storedBook(texts: Readonly<Record<string, string | null>>): Book {
  const { facts, unread } = readStored(texts, null);
  const aside = Object.entries(texts).flatMap(([key, text]) =>
    isAside(key) && text !== null ? [readAside(key, text)] : [],
  );
  return bookOf(facts, [
    ...aside,
    ...unread.map(({ key, text }) => ({ key: shortKey(key), text })),
  ]);
}
