import {
  noFacts,
  ofAPerson,
  peopleFirst,
  personOf,
  type Fact,
  type FactKind,
  type FactRef,
  type Facts,
} from '@/core/formats/facts';
import type { Gone } from '@/core/formats/book';
import type { AsideText, SetAside } from '@/core/formats/bookText';
import { marked } from '@/core/formats/edits';
import { sameValue } from '@/core/formats/sameValue';
import {
  actsSchema,
  bodySchema,
  keptHeads,
  noActs,
  standsOn,
  takenBack,
  touchedBy,
  type ActHead,
  type Acts,
  type Diff,
  type Touched,
} from './acts';
import { wordsIn } from '@/ui/words/words';
import { fieldName, isClash, type Change } from './facts';
import {
  actKey,
  ACTS,
  AHEAD,
  DRAFT,
  isAside,
  isManyYears,
  keyOf,
  LINEAGE,
  longKey,
  refOf,
  shortKey,
  strangerIn,
} from '@/workers/stored/keys';
import { getInBatches } from '@/workers/stored/getInBatches';
import { placeAside, readAside } from '@/workers/stored/aside';
import { shortName } from '@/workers/stored/shortName';
import { isStray, readAt, readStored, wordsOn, type Unread } from '@/workers/stored/readStored';
import { inOrder, type Lock } from './locks';
import { bringForward } from './migrate';
import type { KeyValueStorage } from './storage';

export type { SetAside } from '@/core/formats/bookText';

export interface Opened {
  /** Everything, or without the records of many years where these are too many to wait for. */
  readonly facts: Facts;
  readonly setAside: readonly SetAside[];
  readonly heads: readonly ActHead[];
  /** Keys of the records that are still to be read. */
  readonly rest: readonly string[];
  /** Keys of what was under way in this window and others. */
  readonly drafts: readonly string[];
  /** Entries of a newer version, which this one cannot read and leaves alone. */
  readonly newer: number;
}

/** The storage cannot be used; `words` says why and what to do. */
export class StorageFault extends Error {
  constructor(
    readonly words: string,
    cause: unknown,
  ) {
    super(words, { cause });
  }
}

/** What came of a change. */
export type Done =
  | {
      readonly ok: true;
      readonly diffs: readonly Diff[];
      readonly heads: readonly ActHead[];
      readonly act: ActHead | null;
    }
  | { readonly ok: false; readonly words: string };

/** What a vault asks of those who show what is in it. */
export interface Watcher {
  /** The facts as shown. */
  readonly facts: () => Facts;
  /** What another tab did meanwhile; null where that is no longer known: all is to be read anew. */
  readonly news: (diffs: readonly Diff[] | null, heads: readonly ActHead[]) => Promise<void>;
}

interface Ahead {
  readonly put: Record<string, string>;
  readonly remove: string[];
}

const isFull = (error: unknown) => {
  const said = error instanceof Error ? error.message : String(error);
  return said === '' || /quota|space|disk/i.test(said);
};

/** What went wrong, in words. A full storage is told by an error without a message. */
function storageFault(error: unknown): StorageFault {
  if (error instanceof StorageFault) return error;
  if (isFull(error))
    return new StorageFault(
      'Not saved: this browser’s storage is full. Save a backup, free some space, and try again. Nothing stored was changed.',
      error,
    );
  return new StorageFault(
    'Not saved: this browser does not let Ojas store anything here now (a private window, storage switched off, or a storage that has closed). Nothing stored was changed. Load the app anew and try again.',
    error,
  );
}

const freshLineage = () => `${Date.now().toString(36)}-${shortName()}`;

/** So many records are written in one go; more come in parts. */
const MOST_AT_ONCE = 2000;
/** Records in such a part: few enough that their texts are gone again before the browser counts them as old. */
const IN_A_PART = 200;
/** More records than this are read away from the first screen. */
const MANY = 4000;
const PAUSES_MS = [0, 150, 600];
const pause = (ms: number) => new Promise((resolve) => setTimeout(resolve, ms));

/** Stores facts, one key a record; keeps what was done, so that it can be taken back and other tabs can follow. */
export class Vault {
  private acts: Acts = noActs;
  /** The book's own name; null until its first record is written. */
  lineage: string | null = null;
  private watcher: Watcher = { facts: () => noFacts, news: async () => undefined };

  constructor(
    private readonly storage: KeyValueStorage,
    private readonly lock: Lock = inOrder(),
    private readonly now: () => string = () => new Date().toISOString(),
  ) {}

  watch(watcher: Watcher): void {
    this.watcher = watcher;
  }

  /**
   * Reads the book; finishes a change that a crash cut off, and moves what cannot be read out of the way of good
   * records. Tries three times, then throws a StorageFault: a storage that cannot be reached is not an empty one.
   */
  async open(): Promise<Opened> {
    for (const [i, ms] of PAUSES_MS.entries()) {
      if (ms > 0) await pause(ms);
      try {
        return await this.lock(() => this.openNow());
      } catch (error) {
        if (i === PAUSES_MS.length - 1)
          throw new StorageFault(
            `The storage of this browser cannot be reached (${error instanceof Error && error.message ? error.message.replace(/\.$/, '') : 'no reason was given'}).`,
            error,
          );
      }
    }
    throw new Error('unreachable');
  }

  private async openNow(): Promise<Opened> {
    const aside = new Map<string, SetAside>();
    // Asked for once: of a book of many years the keys alone take the main thread a while.
    const { keys: found, newer } = await bringForward(this.storage);
    const keys = (await this.finishAhead(aside)) ? await this.storage.getAllKeys() : found;
    const many = keys.length > MANY ? keys.filter(isManyYears) : [];
    const later = new Set(many);
    const first = keys.filter(
      (key) => !later.has(key) && (refOf(key) !== null || strangerIn(key) !== null || isAside(key)),
    );
    const texts = await getInBatches(this.storage, first);
    const { facts, unread } = readStored(texts, null);
    if (unread.length > 0) await this.moveAside(unread, aside);
    await this.admit(texts, facts, aside);
    const { [ACTS]: acts = null, [LINEAGE]: lineage = null } = await this.storage.getMany([
      ACTS,
      LINEAGE,
    ]);
    this.acts = this.readActs(acts);
    this.lineage = lineage;
    return {
      facts,
      setAside: [...aside.values()],
      heads: this.acts.heads,
      rest: many,
      drafts: keys.filter((key) => key.startsWith(DRAFT)),
      newer,
    };
  }

  /** Sets aside records that could not be read after the first screen was shown. */
  async setAside(unread: readonly Unread[]): Promise<SetAside[]> {
    const aside = new Map<string, SetAside>();
    if (unread.length > 0) await this.lock(() => this.moveAside(unread, aside));
    return [...aside.values()];
  }

  /** Moves texts to keys of their own; where that cannot be done now they stay, and are shown all the same. */
  private async moveAside(bad: readonly Unread[], aside: Map<string, SetAside>): Promise<void> {
    const nowMs = Date.parse(this.now());
    const moved = bad.map(({ key, text, words }) => {
      const of = { key: shortKey(key), text };
      return { ...placeAside(of, nowMs), of, words };
    });
    try {
      await this.storage.setMany(Object.fromEntries(moved.map(({ at, value }) => [at, value])));
      await this.storage.removeMany(bad.map(({ key }) => key));
      for (const { at, of, words } of moved) aside.set(at, { at, of, words });
    } catch {
      bad.forEach(({ key, text, words }) =>
        aside.set(key, { at: key, of: { key: shortKey(key), text }, words }),
      );
    }
  }

  /**
   * What was set aside before: shown again, or taken back in where it can be read by now, its place is free and its
   * student is here.
   */
  private async admit(
    texts: Record<string, string | null>,
    facts: Facts,
    aside: Map<string, SetAside>,
  ): Promise<void> {
    const before = Object.entries(texts)
      .filter((entry): entry is [string, string] => isAside(entry[0]) && entry[1] !== null)
      .map(([at, value]) => ({ at, of: readAside(at, value) }))
      // People first: what is theirs may come in after them.
      .sort(
        (a, b) => Number(b.of.key.startsWith('people/')) - Number(a.of.key.startsWith('people/')),
      );
    // Asked of the storage: of many years not all is read yet.
    const there = await this.storage.getMany(before.map(({ of }) => longKey(of.key)));
    const back: Record<string, string> = {};
    const gone: string[] = [];
    for (const { at, of } of before) {
      const { key, text } = of;
      const ref = refOf(longKey(key));
      const read = ref && readAt(ref, text);
      const free =
        ref !== null && facts[ref.kind][ref.id] === undefined && there[longKey(key)] === null;
      if (ref && read?.ok && free && !isStray(ref.kind, read.record, facts.people)) {
        (facts[ref.kind] as Record<string, unknown>)[ref.id] = read.record;
        back[longKey(key)] = text;
        gone.push(at);
      } else aside.set(at, { at, of, words: wordsOn(key, read, free) });
    }
    if (gone.length === 0) return;
    await this.storage.setMany(back);
    await this.storage.removeMany(gone);
  }

  private readActs(text: string | null): Acts {
    if (text === null) return noActs;
    try {
      const parsed = actsSchema.safeParse(JSON.parse(text));
      return parsed.success ? parsed.data : noActs;
    } catch {
      // Without its heads nothing can be taken back; the records themselves are whole.
      return noActs;
    }
  }

  /** Writes a change: all of it, or none; refused in words where anything in it could not be read back. */
  apply(change: Change): Promise<Done> {
    if (change.put.length > MOST_AT_ONCE && change.isMerged && change.remove.length === 0)
      return this.locked(() => this.applyInParts(change));
    return this.locked(async () => {
      const removed = change.remove.filter(({ kind }) => kind === 'people');
      const cascade = removed.flatMap(({ id }) => this.recordsOf(id));
      const remove = [
        ...new Map([...change.remove, ...cascade].map((ref) => [keyOf(ref), ref])).values(),
      ];
      const touched: FactRef[] = [
        ...[...change.put, ...change.remove].flatMap((ref) => [ref, ...goneRef(ref)]),
        ...(change.edit ?? []),
        ...remove,
      ];
      const before = await this.withOwners(await this.readNow(touched), change.put);
      const after: After = new Map();
      for (const { kind, id, record } of change.put) {
        const checked = writable({ kind, id }, record, before, after);
        if ('words' in checked) return checked;
        after.set(keyOf({ kind, id }), checked);
      }
      for (const { kind, id, to } of change.edit ?? []) {
        const key = keyOf({ kind, id });
        const now = after.get(key)?.record ?? before.get(key);
        if (now == null)
          return {
            ok: false,
            words: 'Not saved: this record was removed meanwhile. Undo the removal first.',
          };
        const next = to(now as never);
        if (isClash(next)) return { ok: false, words: `Not saved: ${next.clash}` };
        const checked = writable({ kind, id }, next, before, after);
        if ('words' in checked) return checked;
        after.set(key, checked);
      }
      for (const ref of remove) after.set(keyOf(ref), null);
      markGone(change, before, after, this.now());
      const person = removed
        .map(({ id }) => before.get(keyOf({ kind: 'people', id })))
        .find((one) => one != null) as { id: string; name: string } | undefined;
      return this.write(before, change.isMerged ? after : allMarked(before, after), {
        words: change.words,
        kind: 'act',
        ...(person ? { removed: { id: person.id, name: person.name } } : {}),
      });
    });
  }

  /**
   * The same for very many records that come or are merged: some at a time, so that no more than these are held twice.
   * What was there before is written ahead; cut off, stopped or out of space, it is put back, by whoever opens the book
   * next at the latest.
   */
  private async applyInParts({ put, words, watch }: Change): Promise<Done> {
    const gone = put.flatMap(goneRef);
    // Most come for the first time: only what is there is read.
    const there = new Set(await this.storage.getAllKeys());
    const before = await this.withOwners(
      await this.readNow([...put, ...gone].filter((ref) => there.has(keyOf(ref)))),
      put,
    );
    const ahead: Ahead = {
      put: Object.fromEntries(
        put.flatMap((fact) => {
          const was = before.get(keyOf(fact));
          return was ? [[keyOf(fact), JSON.stringify(was)] as const] : [];
        }),
      ),
      remove: put.map(keyOf).filter((key) => !before.get(key)),
    };
    const after: After = new Map();
    markGone({ put, remove: [] }, before, after, this.now());
    // Students first: what is theirs leans on them.
    const inOrder = peopleFirst(put);
    await this.writeAhead(ahead);
    try {
      for (let from = 0; from < inOrder.length; from += IN_A_PART) {
        watch?.told(from, inOrder.length);
        if (watch?.stop.aborted) return await this.giveUp(ahead, 'Stopped: nothing was taken in.');
        const texts: Record<string, string> = {};
        for (const { kind, id, record } of inOrder.slice(from, from + IN_A_PART)) {
          const key = keyOf({ kind, id });
          const checked = writable({ kind, id }, record, before, after);
          if ('words' in checked) return await this.giveUp(ahead, checked.words);
          texts[key] = checked.text;
          after.set(key, { text: '', record });
        }
        await this.storage.setMany(texts);
        // The screen is drawn, and a press on Stop is heard, in between.
        await pause(0);
      }
      return await this.write(before, after, { words, kind: 'act' }, { isThere: true });
    } catch (error) {
      return this.giveUp(ahead, storageFault(error).words);
    }
  }

  /** Puts back what was there before a change in parts; what cannot be now is by whoever opens the book next. */
  private async giveUp(ahead: Ahead, words: string): Promise<Done> {
    try {
      await this.storage.removeMany(ahead.remove);
      await this.carryOut({ ...ahead, remove: [] });
    } catch {
      // It is written ahead.
    }
    return { ok: false, words };
  }

  /** Takes back one act: the newest, or the one that is named. Only what that act did is taken back. */
  undo(seq?: number): Promise<Done> {
    return this.locked(async () => {
      const head =
        seq === undefined
          ? this.acts.heads.filter(({ kind }) => kind === 'act').at(-1)
          : this.acts.heads.find((one) => one.seq === seq && one.kind === 'act');
      if (!head)
        return seq === undefined
          ? { ok: true, diffs: [], heads: this.acts.heads, act: null }
          : { ok: false, words: 'Not undone: this was taken back already, or is too long ago.' };
      const body = await this.bodyOf(head.seq);
      if (!body)
        return {
          ok: false,
          words: `Not undone: what “${head.words}” changed cannot be read any more.`,
        };
      for (const later of this.acts.heads.filter(
        (one) => one.kind === 'act' && one.seq > head.seq,
      )) {
        const theirs = await this.bodyOf(later.seq);
        if (theirs?.some((one) => body.some((own) => standsOn(one, own))))
          return {
            ok: false,
            words: `Not undone: “${later.words}” came after it and changed the same. Undo that first.`,
          };
      }
      const before = await this.withOwners(
        await this.readNow(body),
        // What went, and what was another student's before.
        body.flatMap(({ kind, was }) => (was ? [{ kind, record: was }] : [])),
      );
      const after = allTakenBack(body, before);
      if ('words' in after) return { ok: false, words: after.words };
      return this.write(
        before,
        allMarked(before, after),
        { words: `Undone: ${head.words}`, kind: 'undo' },
        { undoes: head.seq },
      );
    });
  }

  /** Drops what would bring a removed student back, and all else that was done to what was theirs. */
  forgetRemoved(seq: number): Promise<Done> {
    return this.locked(async () => {
      const theirs = new Set((await this.bodyOf(seq))?.map(keyOf));
      const gone = new Set([seq]);
      for (const head of this.acts.heads)
        if ((await this.bodyOf(head.seq))?.some((one) => theirs.has(keyOf(one))))
          gone.add(head.seq);
      const heads = this.acts.heads.filter((one) => !gone.has(one.seq));
      const acts: Acts = { ...this.acts, heads };
      await this.storage.setItem(ACTS, JSON.stringify(acts));
      await this.storage.removeMany([...gone].map(actKey));
      this.acts = acts;
      return { ok: true, diffs: [], heads: acts.heads, act: null };
    });
  }

  /** Takes all out of the storage, the book and whatever lies beside it: nothing brings it back. */
  eraseAll(): Promise<Done> {
    return this.locked(async () => {
      await this.storage.removeMany(await this.storage.getAllKeys());
      this.acts = noActs;
      return { ok: true, diffs: [], heads: [], act: null };
    });
  }

  /** Learns what other tabs wrote since. */
  async catchUp(): Promise<void> {
    await this.locked(async () => ({ ok: true, diffs: [], heads: this.acts.heads, act: null }));
  }

  /** Forgets a record that was set aside: that text, and never a good record that took its place. */
  forgetSetAside({ at, of }: SetAside): Promise<void> {
    return this.lock(async () => {
      const value = await this.storage.getItem(at);
      if (value !== null && (value === of.text || sameValue(readAside(at, value), of)))
        await this.storage.removeItem(at);
    });
  }

  /** Takes in records that another device set aside, to lie aside here too. */
  async keepAside(texts: readonly AsideText[]): Promise<SetAside[]> {
    const nowMs = Date.parse(this.now());
    const entries = texts.map((of) => {
      const ref = refOf(longKey(of.key));
      const words = wordsOn(of.key, ref && readAt(ref, of.text), true);
      return { ...placeAside(of, nowMs), of, words };
    });
    await this.lock(() =>
      this.storage.setMany(Object.fromEntries(entries.map(({ at, value }) => [at, value]))),
    );
    return entries.map(({ at, of, words }) => ({ at, of, words }));
  }

  /** Drafts of every tab, by their names, under the keys that opening found. */
  async readDrafts(keys: readonly string[]): Promise<ReadonlyMap<string, unknown>> {
    const texts = keys.length > 0 ? await this.storage.getMany([...keys]) : {};
    return new Map(
      Object.entries(texts).flatMap(([key, text]) => {
        try {
          return text === null
            ? []
            : [[key.slice(DRAFT.length), JSON.parse(text) as unknown] as const];
        } catch {
          return [];
        }
      }),
    );
  }

  /** One draft as it is kept now; null where there is none. */
  async draft(name: string): Promise<unknown> {
    return (await this.readDrafts([DRAFT + name])).get(name) ?? null;
  }

  /** Keeps a draft, or drops it; throws a StorageFault where it cannot be kept. */
  async writeDraft(name: string, draft: unknown): Promise<void> {
    return this.writeDrafts({ [name]: draft });
  }

  /**
   * Work that belongs together, kept in one go: a page that goes in the middle keeps all of it or none. What is null
   * goes.
   */
  async writeDrafts(drafts: Readonly<Record<string, unknown>>): Promise<void> {
    const all = Object.entries(drafts).map(([name, draft]) => [DRAFT + name, draft] as const);
    const put = all.flatMap(([key, draft]) =>
      draft === null ? [] : [[key, JSON.stringify(draft)] as const],
    );
    const gone = all.flatMap(([key, draft]) => (draft === null ? [key] : []));
    const written = this.draftsWritten.then(async () => {
      try {
        if (put.length > 0) await this.storage.setMany(Object.fromEntries(put));
        if (gone.length > 0) await this.storage.removeMany(gone);
      } catch (error) {
        throw storageFault(error);
      }
    });
    this.draftsWritten = written.catch(() => undefined);
    return written;
  }
  /** One after another, so that what came later stands. */
  private draftsWritten: Promise<void> = Promise.resolve();

  /** Every text of the book as it lies in storage, readable or not: for a copy when nothing else can be shown. */
  async raw(): Promise<Record<string, string | null>> {
    const keys = (await this.storage.getAllKeys()).filter(
      (key) => refOf(key) !== null || isAside(key),
    );
    return this.storage.getMany(keys);
  }

  /** Work under the lock, after what other tabs did is known here; faults of the storage become words. */
  private async locked(work: () => Promise<Done>): Promise<Done> {
    try {
      return await this.lock(async () => {
        await this.follow();
        return work();
      });
    } catch (error) {
      return { ok: false, words: storageFault(error).words };
    }
  }

  /** Finishes what another tab left half written, and tells what others did since the last look. */
  private async follow(): Promise<void> {
    const look = () => this.storage.getMany([AHEAD, ACTS, LINEAGE]);
    let there = await look();
    if (there[AHEAD] != null) {
      await this.finishAhead(new Map());
      there = await look();
    }
    this.lineage = there[LINEAGE] ?? null;
    const acts = this.readActs(there[ACTS] ?? null);
    if (acts.seq === this.acts.seq && acts.heads.length === this.acts.heads.length) return;
    const since = acts.heads.filter(({ seq }) => seq > this.acts.seq);
    const whole = since.length === acts.seq - this.acts.seq;
    this.acts = acts;
    await this.watcher.news(whole ? await this.diffsOf(since) : null, acts.heads);
  }

  /** What acts of other tabs left, as differences from what is shown here; null when it is no longer known. */
  private async diffsOf(heads: readonly ActHead[]): Promise<Diff[] | null> {
    const refs = new Map<string, FactRef>();
    for (const { seq } of heads) {
      const body = await this.bodyOf(seq);
      if (!body) return null;
      for (const { kind, id } of body) refs.set(keyOf({ kind, id }), { kind, id });
    }
    const texts = await this.storage.getMany([...refs.keys()]);
    const facts = this.watcher.facts();
    return [...refs].map(([key, { kind, id }]): Diff => {
      const text = texts[key] ?? null;
      const read = text === null ? null : readAt({ kind, id }, text);
      return { kind, id, was: facts[kind][id] ?? null, is: read?.ok ? read.record : null };
    });
  }

  private async bodyOf(seq: number): Promise<Touched[] | null> {
    const text = await this.storage.getItem(actKey(seq));
    if (text === null) return null;
    try {
      const parsed = bodySchema.safeParse(JSON.parse(text));
      return parsed.success ? parsed.data : null;
    } catch {
      return null;
    }
  }

  /** All that is a student's. */
  private recordsOf(person: string): FactRef[] {
    const facts = this.watcher.facts();
    return ofAPerson.flatMap((kind) =>
      Object.values(facts[kind])
        .filter((one) => one.person === person)
        .map(({ id }): FactRef => ({ kind, id })),
    );
  }

  /** Some records as they are stored now; null for one that is not there. */
  private async readNow(refs: readonly FactRef[]): Promise<Before> {
    const of = new Map(refs.map((ref) => [keyOf(ref), ref] as const));
    const records = new Map<string, Fact['record'] | null>();
    for (const [key, text] of Object.entries(await getInBatches(this.storage, [...of.keys()]))) {
      const read = text === null ? null : readAt(of.get(key) as FactRef, text);
      records.set(key, read?.ok ? read.record : null);
    }
    return records;
  }

  /** The same, with the students to whom those records and some that are to come belong. */
  private async withOwners(
    records: Before,
    coming: readonly { kind: FactKind; record: unknown }[],
  ): Promise<Before> {
    const here = [...records].flatMap(([key, record]) =>
      record ? [{ kind: (refOf(key) as FactRef).kind, record }] : [],
    );
    const owners = [...here, ...coming].flatMap((one) => ownerOf(one) ?? []);
    return new Map([...(await this.readNow(owners)), ...records]);
  }

  /** Writes what differs, with what takes it back; `isThere` where the records themselves lie there already. */
  private async write(
    before: Before,
    after: After,
    doing: Pick<ActHead, 'words' | 'kind' | 'removed'>,
    { undoes, isThere = false }: { readonly undoes?: number; readonly isThere?: boolean } = {},
  ): Promise<Done> {
    const { diffs, put: records, remove } = differing(before, after);
    const put = isThere ? {} : records;
    if (diffs.length === 0 && undoes === undefined)
      return { ok: true, diffs: [], heads: this.acts.heads, act: null };
    const act: ActHead = { seq: this.acts.seq + 1, at: this.now(), ...doing };
    const { kept, gone } = keptHeads(
      [...this.acts.heads.filter(({ seq }) => seq !== undoes), act],
      this.now(),
    );
    const acts: Acts = { seq: act.seq, heads: kept };
    const lineage = this.lineage ?? freshLineage();
    put[ACTS] = JSON.stringify(acts);
    put[LINEAGE] = lineage;
    put[actKey(act.seq)] = JSON.stringify(diffs.map(touchedBy));
    remove.push(
      ...gone.map(({ seq }) => actKey(seq)),
      ...(undoes === undefined ? [] : [actKey(undoes)]),
    );
    if (isThere) {
      // From here on it is carried out, and no longer put back.
      await this.writeAhead({ put, remove });
      // What cannot be now is with the next change: it is written ahead.
      await this.carryOut({ put, remove }).catch(() => undefined);
    } else await this.wholly({ put, remove });
    this.acts = acts;
    this.lineage = lineage;
    return { ok: true, diffs, heads: kept, act: act.kind === 'act' ? act : null };
  }

  /**
   * All of it, or none. What only comes is one `setMany`, which is one transaction; where something goes too, the whole
   * is written ahead first, and put back where it cannot be carried out.
   */
  private async wholly(ahead: Ahead): Promise<void> {
    try {
      if (ahead.remove.length === 0) return await this.storage.setMany(ahead.put);
      await this.writeAhead(ahead);
    } catch (error) {
      await this.storage.removeItem(AHEAD).catch(() => undefined);
      throw storageFault(error);
    }
    const before = await this.storage.getMany([...Object.keys(ahead.put), ...ahead.remove]);
    try {
      await this.carryOut(ahead);
    } catch (error) {
      await this.putBack(before);
      throw storageFault(error);
    }
  }

  private writeAhead = (ahead: Ahead): Promise<void> =>
    this.storage.setItem(AHEAD, JSON.stringify(ahead));

  private async carryOut({ put, remove }: Ahead): Promise<void> {
    if (Object.keys(put).length > 0) await this.storage.setMany(put);
    if (remove.length > 0) await this.storage.removeMany(remove);
    await this.storage.removeItem(AHEAD);
  }

  private async putBack(before: Record<string, string | null>): Promise<void> {
    const there = Object.entries(before).filter(
      (entry): entry is [string, string] => entry[1] !== null,
    );
    const absent = Object.keys(before).filter((key) => before[key] === null);
    await this.storage.removeMany([...absent, AHEAD]).catch(() => undefined);
    await this.storage.setMany(Object.fromEntries(there)).catch(() => undefined);
  }

  /** A change that was cut off is carried out; one that cannot be read never began, and is set aside. */
  private async finishAhead(aside: Map<string, SetAside>): Promise<boolean> {
    const text = await this.storage.getItem(AHEAD);
    if (text === null) return false;
    const ahead = aheadIn(text);
    if (ahead) await this.carryOut(ahead);
    else
      await this.moveAside(
        [{ key: AHEAD, text, words: wordsOn(shortKey(AHEAD), null, true) }],
        aside,
      );
    return true;
  }
}

function aheadIn(text: string): Ahead | null {
  try {
    const json = JSON.parse(text) as Partial<Ahead> | null;
    const isTexts =
      typeof json?.put === 'object' &&
      json.put !== null &&
      Object.values(json.put).every((one) => typeof one === 'string');
    return isTexts &&
      Array.isArray(json.remove) &&
      json.remove.every((one) => typeof one === 'string')
      ? (json as Ahead)
      : null;
  } catch {
    return null;
  }
}

type Before = ReadonlyMap<string, Fact['record'] | null>;
/** What is to be stored under each key; null where the record goes. */
type After = Map<string, { readonly text: string; readonly record: Fact['record'] } | null>;
type Refused = Extract<Done, { ok: false }>;

/** Where it is remembered that a record is gone; of what belongs to this device alone nothing is. */
const goneRef = ({ kind, id }: FactRef): FactRef[] =>
  kind === 'pictures' || kind === 'extras' || kind === 'settings' || kind === 'gone'
    ? []
    : [{ kind: 'gone', id: `${kind}/${id}` }];

/** What is removed on purpose is remembered as gone; what comes again is gone no more. */
function markGone(
  { put, remove }: Pick<Change, 'put' | 'remove'>,
  before: Before,
  after: After,
  at: string,
): void {
  for (const ref of put.flatMap(goneRef)) if (before.get(keyOf(ref))) after.set(keyOf(ref), null);
  for (const ref of remove.filter((one) => before.get(keyOf(one))))
    for (const { id } of goneRef(ref)) {
      const record: Gone = { id, at };
      after.set(keyOf({ kind: 'gone', id }), { record, text: JSON.stringify(record) });
    }
}

/** What differs, as what is shown of it, and as what is stored and goes. */
function differing(before: Before, after: After) {
  const diffs: Diff[] = [];
  const put: Record<string, string> = {};
  const remove: string[] = [];
  for (const [key, checked] of after) {
    const was = before.get(key) ?? null;
    const is = checked?.record ?? null;
    if (was === null ? is === null : is !== null && sameValue(was, is)) continue;
    diffs.push({ ...(refOf(key) as FactRef), was, is });
    if (checked === null) remove.push(key);
    else put[key] = checked.text;
  }
  return { diffs, put, remove };
}

/** What is to be stored, with every change of a record that was there marked. */
function allMarked(before: Before, after: After): After {
  const mark = `${Date.now().toString(36)}${shortName()}`;
  return new Map(
    [...after].map(([key, checked]) => {
      const was = before.get(key);
      if (!checked || !was || (refOf(key) as FactRef).kind === 'gone') return [key, checked];
      const record = marked(was, checked.record, mark);
      return [key, { record, text: JSON.stringify(record) }];
    }),
  );
}

/**
 * What is stored once all that an act touched is as it was before it; students first, for what is theirs leans on them.
 */
function allTakenBack(
  body: readonly Touched[],
  before: Before,
): After | { readonly words: string } {
  const after: After = new Map();
  for (const touched of peopleFirst(body)) {
    const key = keyOf(touched);
    const now = before.get(key) ?? null;
    if (touched.how === 'went' && now !== null)
      return { words: 'Not undone: a record of the same name is here again.' };
    if (touched.how === 'changed' && now === null)
      return { words: 'Not undone: the record was removed meanwhile.' };
    const back = takenBack(touched, now);
    const checked = back === null ? null : writable(touched, back, before, after);
    if (checked && 'words' in checked)
      return { words: checked.words.replace('Not saved', 'Not undone') };
    after.set(key, checked);
  }
  return after;
}

/** The student to whom a record belongs. */
function ownerOf(of: { kind: FactKind; record: unknown }): FactRef | null {
  const id = personOf(of as Fact);
  return typeof id === 'string' ? { kind: 'people', id } : null;
}

/**
 * A record with the text that may be stored, or why it may not: it must read back, and belong to somebody who is here.
 */
function writable(
  { kind, id }: FactRef,
  record: unknown,
  before: Before,
  after: After,
): { text: string; record: Fact['record'] } | Refused {
  const read = readAt({ kind, id }, (JSON.stringify(record) as string | undefined) ?? '');
  if (!read.ok)
    return {
      ok: false,
      words: `Not saved: ${read.faults
        .map(wordsIn('cm').fault)
        .map(({ path, words }) => `${fieldName(path)}: ${words}`)
        .join(' ')} Nothing stored was changed.`,
    };
  const owner = ownerOf({ kind, record: read.record });
  const key = owner && keyOf(owner);
  if (key !== null && (after.has(key) ? after.get(key) === null : before.get(key) == null))
    return {
      ok: false,
      words:
        'Not saved: the student to whom this belongs was removed. Bring the student back under Students, then try again.',
    };
  return { text: JSON.stringify(read.record), record: read.record };
}
