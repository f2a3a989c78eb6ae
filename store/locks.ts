/** Runs work while nobody else does: this tab's own work in order, and other tabs' too where the browser has locks. */
export type Lock = <T>(work: () => Promise<T>) => Promise<T>;

/** One after another, in this tab alone. */
export function inOrder(): Lock {
  let last: Promise<unknown> = Promise.resolve();
  return (work) => {
    const done = last.then(work, work);
    last = done.catch(() => undefined);
    return done;
  };
}

const BOOK_LOCK = 'ojas-book';

/** One after another over all tabs; a browser that has no locks (a page without TLS) keeps order in each tab alone. */
export function overTabs(): Lock {
  const here = inOrder();
  const locks = typeof navigator === 'undefined' ? undefined : navigator.locks;
  if (!locks) return here;
  return <T>(work: () => Promise<T>) => here(() => locks.request(BOOK_LOCK, work) as Promise<T>);
}
