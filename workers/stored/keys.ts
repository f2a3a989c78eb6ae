import { isFactKind, type FactRef } from '@/core/formats/facts';

/** How the book lies in storage: one key a record, and a few beside. */
/** Raised when stored records change their shape; store/migrate.ts then says how. */
export const VERSION = 1;
const PREFIX = `ojas/${VERSION}/`;
export const keyOf = ({ kind, id }: FactRef) => `${PREFIX}${kind}/${id}`;

/** A change under way: written first, so that a crash at any instant leaves it whole or absent. */
export const AHEAD = `${PREFIX}ahead`;
/** What was done last: heads of acts, newest last, and the number of the newest. */
export const ACTS = `${PREFIX}acts`;
const ACT = `${PREFIX}act/`;
export const actKey = (seq: number) => `${ACT}${seq}`;
/**
 * A name of the book's own, given with its first record: tells its copies from those of a book that was here before.
 */
export const LINEAGE = `${PREFIX}lineage`;
/** Private notes of the interface that are not facts: a session under way. */
export const DRAFT = `${PREFIX}draft/`;
/** Records that could not be read, out of the way of good ones. */
export const ASIDE = `${PREFIX}aside/`;
export const isAside = (key: string) => key.startsWith(ASIDE);

/** The record that a key holds, or null for a key of another use. */
export function refOf(key: string): FactRef | null {
  if (!key.startsWith(PREFIX)) return null;
  const [kind = '', ...rest] = key.slice(PREFIX.length).split('/');
  return isFactKind(kind) ? { kind, id: rest.join('/') } : null;
}

/** What kind of record a key would hold if this version knew it; null for keys of other uses and of other programs. */
export function strangerIn(key: string): string | null {
  if (
    !key.startsWith(PREFIX) ||
    key === AHEAD ||
    key === ACTS ||
    key === LINEAGE ||
    [ACT, DRAFT, ASIDE].some((use) => key.startsWith(use))
  )
    return null;
  return refOf(key) === null ? key.slice(PREFIX.length) : null;
}

export const shortKey = (key: string) => (key.startsWith(PREFIX) ? key.slice(PREFIX.length) : key);
export const longKey = (short: string) => `${PREFIX}${short}`;

const MANY_YEARS = ['readings', 'sessions', 'pictures'].map((kind) => `${PREFIX}${kind}/`);
/** Whether a key holds a record of many years: a first screen can do without most of them. */
export const isManyYears = (key: string) => MANY_YEARS.some((prefix) => key.startsWith(prefix));
