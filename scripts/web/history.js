/**
 * In place of the router's memory of where one has been. That one takes no note of the browser's own Back: the entry
 * ahead is then overwritten, and the next Forward finds none and builds every screen anew. Here the place in the list
 * is always the browser's own.
 */
const FIRST_MS = 100;
/** Screens that the browser's Back asked for are shown by then. */
const SHOWN_MS = 1500;
let made = 0;
/** No two alike, over documents that share one history too. */
const freshId = () => `${Date.now().toString(36)}-${Math.random().toString(36).slice(2)}-${++made}`;

function createMemoryHistory() {
  /** Of the entries that this document made or came to: `{ path, state, id }`, oldest first. */
  let items = [];
  /** Set while the router itself goes somewhere: hears how that ended. */
  let going = null;
  const indexNow = () =>
    Math.max(
      0,
      items.findIndex(({ id }) => id === window.history.state?.id),
    );
  /**
   * The path of the entry that the browser came to, until its screens tell of it: what tells of others meanwhile is
   * late.
   */
  let awaited = null;
  let awaitedSince = 0;
  const isAwaited = () => awaited !== null && performance.now() - awaitedSince < SHOWN_MS;
  const interrupt = () => going?.(new Error('History was changed during navigation.'));

  return {
    get index() {
      return indexNow();
    },
    get: (index) => items[index],
    backIndex: ({ path }) => items.slice(0, indexNow()).findLastIndex((item) => item.path === path),
    push({ path, state }) {
      if (isAwaited()) return this.replace({ path, state });
      interrupt();
      const id = freshId();
      items = [...items.slice(0, indexNow() + 1), { path, state, id }];
      window.history.pushState({ id }, '', path);
    },
    replace({ path, state }) {
      if (isAwaited() && path !== awaited) return;
      awaited = null;
      interrupt();
      const id = window.history.state?.id ?? freshId();
      const at = items.findIndex((item) => item.id === id);
      // A part of a page that the address names stays named while the page is the same.
      const isSame = at < 0 || items[at].path === path;
      const whole = path.includes('#') || !isSame ? path : path + window.location.hash;
      // An entry of another document: what lies around it is not known here.
      if (at < 0) items = [{ path: whole, state, id }];
      else items[at] = { path, state, id };
      // Written only where something changes: it would cut short a step of the browser's that is on its way.
      const { pathname, search, hash } = window.location;
      if (window.history.state?.id !== id || whole !== pathname + search + hash)
        window.history.replaceState({ id }, '', whole);
    },
    /** As far as there are entries; resolves once the browser is there. */
    go(by) {
      if (isAwaited()) return undefined;
      interrupt();
      const from = indexNow();
      const n = Math.min(items.length - 1, Math.max(0, from + by)) - from;
      if (n === 0) return undefined;
      return new Promise((resolve, reject) => {
        const end = (error) => {
          if (going !== end) return;
          going = null;
          clearTimeout(timer);
          window.removeEventListener('popstate', arrive);
          if (error) reject(error);
          else resolve();
        };
        const arrive = () => setTimeout(end, 0);
        const timer = setTimeout(end, FIRST_MS);
        going = end;
        window.addEventListener('popstate', arrive);
        window.history.go(n);
      });
    },
    /** Tells of what the browser's own buttons do, and not of what `go` does. */
    listen(listener) {
      const heard = () => {
        if (going) return;
        const { pathname, search } = window.location;
        awaited =
          items.find(({ id }) => id === window.history.state?.id)?.path ?? pathname + search;
        awaitedSince = performance.now();
        listener();
      };
      window.addEventListener('popstate', heard);
      return () => window.removeEventListener('popstate', heard);
    },
  };
}

module.exports = { createMemoryHistory };
