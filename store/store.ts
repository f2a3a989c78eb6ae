import {
  combineReducers,
  configureStore,
  createAction,
  createListenerMiddleware,
  createSelector,
  createSlice,
  type PayloadAction,
  type Reducer,
  type ThunkAction,
  type UnknownAction,
} from '@reduxjs/toolkit';
import { z } from '@/core/z';
import type { LocalDay } from '@/core/formats/time';
import { recordIn } from '@/core/recordIn';
import type { Book } from '@/core/formats/book';
import { factsOfBook, type AsideText } from '@/core/formats/bookText';
import {
  factKinds,
  noFacts,
  type Fact,
  type FactKind,
  type FactOf,
  type Facts,
} from '@/core/formats/facts';
import { readByPerson, type Part } from '@/workers/stored/readByPerson';
import type { Kept } from '@/workers/stored/secondCopy';
import type { ActHead, Diff } from './acts';
import type { Change } from './facts';
import { overTabs, type Lock } from './locks';
import { ledSchema, ledSlice, ledStarted } from './led';
import {
  cameRestored,
  cameSchema,
  laidRestored,
  laidSchema,
  leftTaken,
  type LeftMat,
  matOf,
  matReducer,
  matRestored,
  matSchema,
  matsLeft,
} from './mat';
import {
  measuringRestored,
  measuringSchema,
  measuringSlice,
  picturesChanged,
  picturesSchema,
} from './measuring';
import { keyOf } from '@/workers/stored/keys';
import { backupTold, putOff, withChange, type BackupTold } from './backup';
import { noSpare, type Mark, type Spare } from './spare';
import type { KeyValueStorage } from './storage';
import type { Tab } from './tab';
import { StorageFault, Vault, type Done, type Opened, type SetAside } from './vault';
import { MAT, PARKED, windowsOf } from './windows';

/** Facts as read from storage. */
export const factsOpened = createAction<Facts>('facts/opened');
/** Records of many years, some at a time. */
export const factsArrived = createAction<Part['facts']>('facts/arrived');
/** A change that is safely stored, here or by another tab. */
export const factsChanged = createAction<readonly Diff[]>('facts/changed');

/**
 * One slice a kind of fact: records by id. A plain reducer: records are never changed in place, and freezing those of
 * many years would cost seconds.
 */
const factReducer =
  <K extends FactKind>(kind: K): Reducer<Facts[K]> =>
  (state = {} as Facts[K], action) => {
    if (factsOpened.match(action)) return action.payload[kind];
    if (factsArrived.match(action)) {
      const arrived = (action.payload as Partial<Facts>)[kind];
      return arrived && Object.keys(arrived).length > 0 ? { ...arrived, ...state } : state;
    }
    if (!factsChanged.match(action)) return state;
    const own = action.payload.filter((diff) => diff.kind === kind);
    if (own.length === 0) return state;
    const next: Record<string, unknown> = { ...state };
    for (const { id, is } of own) {
      if (is === null) delete next[id];
      else next[id] = is;
    }
    return next as Facts[K];
  };

interface UndoState {
  /** What was done, newest last. */
  readonly heads: readonly ActHead[];
  /** What this tab did last, offered to be taken back. */
  readonly offered: ActHead | null;
}
const undoSlice = createSlice({
  name: 'undo',
  initialState: { heads: [], offered: null } as UndoState,
  reducers: {
    actsKnown: (state, { payload }: PayloadAction<readonly ActHead[]>) => ({
      heads: payload,
      offered: payload.some(({ seq }) => seq === state.offered?.seq) ? state.offered : null,
    }),
    undoOffered: (state, { payload }: PayloadAction<ActHead | null>) => ({
      ...state,
      offered: payload,
    }),
  },
});
const { actsKnown, undoOffered } = undoSlice.actions;
export const undoDismissed = () => undoOffered(null);

interface StorageState {
  /**
   * `unreachable`: nothing is known of the book, so nothing may be begun. `lost`: the browser threw the book away.
   * `looking`: the storage does not answer, and a book from elsewhere is shown meanwhile; nothing is stored.
   */
  readonly status: 'opening' | 'open' | 'unreachable' | 'lost' | 'looking';
  /** How long opening has taken so far, where that is long. */
  readonly waits: 'long' | 'too-long' | null;
  /** Records of many years that are still to come; 0 when all are here. */
  readonly left: number;
  /** Students all of whose records are here already, while others are still to come. */
  readonly arrived: Readonly<Record<string, true>>;
  /** What keeps facts from being stored, in words. */
  readonly fault: string | null;
  readonly setAside: readonly SetAside[];
  /** What was here before it was thrown away. */
  readonly lost: Mark | null;
  /** Students on the mat in other windows. */
  readonly onOtherMats: readonly string[];
}
const storageSlice = createSlice({
  name: 'storage',
  initialState: {
    status: 'opening',
    waits: null,
    left: 0,
    arrived: {},
    fault: null,
    setAside: [],
    lost: null,
    onOtherMats: [],
  } as StorageState,
  reducers: {
    storageOpening: (state) => ({
      ...state,
      status: 'opening' as const,
      waits: null,
      fault: null,
    }),
    storageWaited: (state, { payload }: PayloadAction<StorageState['waits']>) => ({
      ...state,
      waits: payload,
    }),
    lookedInto: (state) => ({ ...state, status: 'looking' as const, waits: null }),
    storageOpened: (
      state,
      { payload }: PayloadAction<{ setAside: readonly SetAside[]; left: number }>,
    ) => ({ ...state, ...payload, arrived: {}, status: 'open' as const, lost: null }),
    storageUnreachable: (state, { payload }: PayloadAction<string>) => ({
      ...state,
      status: 'unreachable' as const,
      fault: payload,
    }),
    storageLost: (state, { payload }: PayloadAction<Mark>) => ({
      ...state,
      status: 'lost' as const,
      lost: payload,
    }),
    storageFailed: (state, { payload }: PayloadAction<string>) => ({ ...state, fault: payload }),
    storageFaultDismissed: (state) => ({ ...state, fault: null }),
    recordsCame: (state, { payload: { left, of } }: PayloadAction<Pick<Part, 'left' | 'of'>>) => ({
      ...state,
      left,
      arrived:
        left === 0
          ? {}
          : { ...state.arrived, ...Object.fromEntries(of.map((id) => [id, true as const])) },
    }),
    setAsideRemoved: (state, { payload }: PayloadAction<string>) => ({
      ...state,
      setAside: state.setAside.filter(({ at }) => at !== payload),
    }),
    setAsideAdded: (state, { payload }: PayloadAction<readonly SetAside[]>) => ({
      ...state,
      setAside: [...state.setAside, ...payload],
    }),
    otherMatsSeen: (state, { payload }: PayloadAction<readonly string[]>) => ({
      ...state,
      onOtherMats: payload,
    }),
  },
});
const {
  storageOpening,
  storageWaited,
  lookedInto,
  storageOpened,
  storageUnreachable,
  storageLost,
  recordsCame,
  setAsideRemoved,
  setAsideAdded,
  otherMatsSeen,
} = storageSlice.actions;
export const { storageFailed, storageFaultDismissed } = storageSlice.actions;

/** Reads the records that a first screen does without, student by student; `want` brings one forward. */
export type RestReader = (
  keys: readonly string[],
  people: readonly string[],
  take: (part: Part) => void,
) => { readonly done: Promise<void>; readonly want: (person: string) => void };

/** What a store leans on beside its storage; each has a plain stand-in. */
export interface StoreOptions {
  readonly lock?: Lock;
  readonly tab?: () => Promise<Tab>;
  readonly spare?: Spare;
  readonly readRest?: RestReader;
}

interface Extra {
  readonly vault: Vault;
  readonly spare: Spare;
  readonly tab: Promise<Tab>;
  readonly readRest: RestReader;
  /** Settled once every record is here. */
  arrived: Promise<void>;
  /** Brings a student's records forward. */
  want: (person: string) => void;
}

const DRAFTS = ['mat', 'measuring'] as const;
const draftSchemas = { mat: matSchema, measuring: measuringSchema } as const;
/** Where there is no worker, or it fails, the main thread does the work. */
const orElse =
  (far: RestReader, near: RestReader): RestReader =>
  (keys, people, take) => {
    let reading: ReturnType<RestReader> | null = null;
    const nearby = () => {
      reading = near(keys, people, take);
      return reading.done;
    };
    try {
      reading = far(keys, people, take);
    } catch {
      return { done: nearby(), want: (person) => reading?.want(person) };
    }
    return { done: reading.done.catch(nearby), want: (person) => reading?.want(person) };
  };

/** Nothing is kept of what has nothing in it. */
const inUse = <T extends object>(those: T): T | null =>
  Object.keys(those).length > 0 ? those : null;

/** Who is led and who waits on the mats of this window, as it is kept. */
const keptMats = ({ mat: { now, parked } }: RootState) => ({ [MAT]: now, [PARKED]: inUse(parked) });
/** Drafts by the names under which a window keeps them. */
const draftsOf = (kept: Readonly<Record<string, unknown>>, window: string) =>
  Object.fromEntries(Object.entries(kept).map(([draft, one]) => [`${draft}/${window}`, one]));

const CAME = 'came';
const LAID = 'laid';
const PICTURES = 'pictures';
const LED = 'led';
const ALONE: Tab = { name: 'only', alive: async () => new Set(['only']) };

const reducer = combineReducers({
  people: factReducer('people'),
  readings: factReducer('readings'),
  shelf: factReducer('shelf'),
  sessions: factReducer('sessions'),
  classes: factReducer('classes'),
  visits: factReducer('visits'),
  practices: factReducer('practices'),
  settings: factReducer('settings'),
  pictures: factReducer('pictures'),
  extras: factReducer('extras'),
  gone: factReducer('gone'),
  undo: undoSlice.reducer,
  storage: storageSlice.reducer,
  mat: matReducer,
  measuring: measuringSlice.reducer,
  led: ledSlice.reducer,
});

export function createStore(
  storage: KeyValueStorage,
  { lock = overTabs(), tab = async () => ALONE, spare = noSpare, readRest }: StoreOptions = {},
) {
  const vault = new Vault(storage, lock);
  const hereAndNow: RestReader = (keys, people, take) => {
    const wanted: string[] = [];
    return {
      done: readByPerson(
        (some) => storage.getMany(some),
        keys,
        people,
        () => wanted.splice(0),
        take,
      ),
      want: (person) => void wanted.push(person),
    };
  };
  const extra: Extra = {
    vault,
    spare,
    tab: tab(),
    arrived: Promise.resolve(),
    want: () => undefined,
    readRest: readRest ? orElse(readRest, hereAndNow) : hereAndNow,
  };
  const drafts = createListenerMiddleware();
  for (const draft of DRAFTS) {
    // Who else is on the mat changes with who leads it: both are kept in one go.
    const keptOf = (state: RootState): Readonly<Record<string, unknown>> =>
      draft === 'mat' ? keptMats(state) : { measuring: state.measuring.now };
    drafts.startListening({
      predicate: (_, now, before) => {
        const [then, kept] = [keptOf(before as RootState), keptOf(now as RootState)];
        return Object.keys(kept).some((name) => kept[name] !== then[name]);
      },
      effect: async (_, { getState, dispatch }) => {
        const state = getState() as RootState;
        if (state.storage.status === 'looking') return;
        const { now } = state[draft];
        const { name } = await extra.tab;
        try {
          if (now !== null && !draftSchemas[draft].safeParse(now).success)
            throw new StorageFault('', null);
          await vault.writeDrafts(draftsOf(keptOf(state), name));
        } catch (error) {
          const what = draft === 'mat' ? 'What was just done on the mat' : 'What was just read';
          const why = error instanceof StorageFault ? ` ${error.words}` : '';
          dispatch(
            storageFailed(`${what} cannot be kept: it would be gone after a reload.${why}`.trim()),
          );
        }
      },
    });
  }
  drafts.startListening({
    predicate: (_, now, before) =>
      (now as RootState).measuring.pictures !== (before as RootState).measuring.pictures,
    // A picture that cannot be kept meanwhile is there until the page goes; its value is kept with the draft.
    effect: async (_, { getState }) => {
      const { pictures } = (getState() as RootState).measuring;
      const name = `${PICTURES}/${(await extra.tab).name}`;
      await vault
        .writeDraft(name, pictures.some((one) => one !== null) ? pictures : null)
        .catch(() => undefined);
    },
  });
  drafts.startListening({
    predicate: (_, now, before) => (now as RootState).led !== (before as RootState).led,
    // One that cannot be kept is led all the same, for as long as the page is there.
    effect: async (_, { getState }) => {
      const { now } = (getState() as RootState).led;
      await vault.writeDraft(`${LED}/${(await extra.tab).name}`, now).catch(() => undefined);
    },
  });
  for (const [name, of] of [
    [CAME, ({ mat }: RootState) => mat.came],
    [LAID, ({ mat }: RootState) => mat.laid],
  ] as const)
    drafts.startListening({
      predicate: (_, now, before) => of(now as RootState) !== of(before as RootState),
      // Lost with the storage full, it is asked or laid out again: nothing that was done hangs on it.
      effect: (_, { getState }) =>
        vault.writeDraft(name, of(getState() as RootState)).catch(() => undefined),
    });
  const store = configureStore({
    reducer,
    middleware: (usual) =>
      usual({
        serializableCheck: false,
        immutableCheck: false,
        thunk: { extraArgument: extra },
      }).prepend(drafts.middleware),
  });
  vault.watch({
    facts: () => factsOf(store.getState() as RootState),
    news: async (diffs, heads) => {
      if (diffs === null) await store.dispatch(openAnew());
      else store.dispatch(factsChanged(diffs));
      store.dispatch(actsKnown(heads));
    },
  });
  return store;
}

export type OjasStore = ReturnType<typeof createStore>;
export interface RootState extends Facts {
  readonly undo: UndoState;
  readonly storage: StorageState;
  readonly mat: ReturnType<typeof matReducer>;
  readonly led: ReturnType<typeof ledSlice.reducer>;
  readonly measuring: ReturnType<typeof measuringSlice.reducer>;
}
export type Thunk<R = void> = ThunkAction<R, RootState, Extra, UnknownAction>;

/** All facts of the state; the same object until one of them changes. */
export const factsOf: (state: RootState) => Facts = createSelector(
  factKinds.map((kind) => (state: RootState) => state[kind]),
  (...kinds) =>
    Object.fromEntries(factKinds.map((kind, i) => [kind, kinds[i]])) as unknown as Facts,
);

/** What came of a change: stored, or not, with the reason in words. */
export type Outcome = { readonly ok: true } | { readonly ok: false; readonly words: string };

const newerWords = (count: number) =>
  `${count} records here were written by a newer version of Ojas: they are kept, and not shown by this one. Load the app anew, or open that version.`;

/** Opens the storage and the session that was under way. */
export const openStorage = (): Thunk<Promise<void>> => opening(false);

/** Of a storage that does not answer something is said after so long, and a way on is shown after so long. */
const LONG_MS = 3000;
const TOO_LONG_MS = 10_000;
/** Tells how long the storage is waited for; gives what ends the telling. */
function telling(dispatch: (action: UnknownAction) => unknown): () => void {
  const timers = [
    setTimeout(() => dispatch(storageWaited('long')), LONG_MS),
    setTimeout(() => dispatch(storageWaited('too-long')), TOO_LONG_MS),
  ];
  return () => timers.forEach(clearTimeout);
}
const ANSWERS =
  'The storage answers again. What you see is still the book that was looked into: load the app anew to open yours.';

/**
 * While the storage does not answer, shows a book from elsewhere: nothing of it is stored, and nothing is begun as if
 * there were none.
 */
export const lookInto =
  (book: Book): Thunk =>
  (dispatch, getState) => {
    if (getState().storage.status !== 'opening') return;
    const facts = Object.fromEntries(factKinds.map((kind) => [kind, {}])) as Record<
      FactKind,
      Record<string, unknown>
    >;
    for (const { kind, id, record } of factsOfBook(book)) facts[kind][id] = record;
    dispatch(factsOpened(facts as unknown as Facts));
    dispatch(lookedInto());
  };

const isEmpty = ({ facts, heads, setAside }: Opened) =>
  heads.length === 0 && setAside.length === 0 && Object.keys(facts.people).length === 0;

const opening =
  (anew: boolean): Thunk<Promise<void>> =>
  async (dispatch, getState, extra) => {
    const { vault, spare } = extra;
    dispatch(storageOpening());
    const endTelling = telling(dispatch);
    const isLookedInto = () => getState().storage.status === 'looking';
    try {
      const opened = await vault.open();
      // A book that was here and is gone with all its traces was not emptied by anybody.
      const mark = isEmpty(opened) && !anew ? (spare.mark() ?? (await spare.kept())) : null;
      if (mark !== null && mark.people > 0 && !isLookedInto())
        return void dispatch(storageLost(mark));
      await dispatch(restoreDrafts(opened));
      if (isLookedInto()) return void dispatch(storageFailed(ANSWERS));
      dispatch(showOpened(opened));
      if (opened.newer > 0) dispatch(storageFailed(newerWords(opened.newer)));
      void extra.arrived
        .then(() => spare.setMark(markOf(getState(), spare.mark())))
        .catch(() => undefined);
    } catch (error) {
      if (!isLookedInto())
        dispatch(storageUnreachable(error instanceof StorageFault ? error.words : String(error)));
    } finally {
      endTelling();
    }
  };

/** Shows what was read, and reads on where that was not all. */
const showOpened =
  ({ facts, setAside, heads, rest }: Opened): Thunk =>
  (dispatch, _, extra) => {
    dispatch(factsOpened({ ...noFacts, ...facts }));
    dispatch(actsKnown(heads));
    dispatch(storageOpened({ setAside, left: rest.length }));
    extra.arrived = dispatch(readOn(rest));
    // A book half of which cannot be read is not one to go on with.
    extra.arrived.catch((error: unknown) =>
      dispatch(storageUnreachable(error instanceof Error ? error.message : String(error))),
    );
  };

/** Reads everything anew: another tab did more than can be followed. */
const openAnew =
  (): Thunk<Promise<void>> =>
  async (dispatch, _, { vault }) => {
    // Not under the lock that asked for this: opening takes it itself.
    void vault
      .open()
      .then((opened) => dispatch(showOpened(opened)))
      .catch((error: unknown) =>
        dispatch(storageUnreachable(error instanceof StorageFault ? error.words : String(error))),
      );
  };

const readOn =
  (keys: readonly string[]): Thunk<Promise<void>> =>
  async (dispatch, getState, extra) => {
    if (keys.length === 0) return;
    const { done, want } = extra.readRest(
      keys,
      Object.keys(getState().people),
      ({ facts, unread, of, left }) => {
        dispatch(factsArrived(facts));
        dispatch(recordsCame({ of, left }));
        if (unread.length > 0)
          void extra.vault.setAside(unread).then((setAside) => dispatch(setAsideAdded(setAside)));
      },
    );
    extra.want = want;
    await done;
  };

/** Brings a student's records forward while others are still to come. */
export const wantRecords =
  (person: string): Thunk =>
  (_dispatch, getState, { want }) => {
    if (getState().storage.left > 0) want(person);
  };

/** Puts back what this window was doing, and finds what closed ones left. */
const restoreDrafts =
  ({ drafts: keys, facts, rest }: Opened): Thunk<Promise<void>> =>
  async (dispatch, getState, { vault, tab: coming }) => {
    const [tab, drafts] = [await coming, await vault.readDrafts(keys)];
    const alive = await tab.alive();
    const came = cameSchema.safeParse(drafts.get(CAME));
    if (came.success) dispatch(cameRestored(came.data));
    const laid = laidSchema.safeParse(drafts.get(LAID));
    if (laid.success) dispatch(laidRestored(laid.data));
    const unread = new Set(rest);
    const windows = windowsOf(
      drafts,
      tab.name,
      alive,
      (id) =>
        recordIn(facts.sessions, id) !== undefined || unread.has(keyOf({ kind: 'sessions', id })),
    );
    dispatch(matRestored({ now: windows.now, parked: windows.parked }));
    dispatch(otherMatsSeen(windows.elsewhere));
    if (windows.unread.length > 0)
      await dispatch(keepAside(windows.unread.map(({ text }) => ({ key: 'draft/mat', text }))));
    if (windows.spent.length > 0)
      await vault
        .writeDrafts(Object.fromEntries(windows.spent.map((draft) => [draft, null])))
        .catch(() => undefined);
    dispatch(matsLeft(windows.left));
    // One alone goes on as if its window had not been closed; of several it is chosen.
    const [only] = windows.left;
    if (
      only &&
      windows.left.length === 1 &&
      !windows.now &&
      Object.keys(windows.parked).length === 0
    )
      await dispatch(takeLeftMat(only));
    const find = (draft: 'measuring' | typeof PICTURES | typeof LED): unknown => {
      const own = `${draft}/${tab.name}`;
      const left = [...drafts.keys()].find(
        (name) =>
          name === draft ||
          (name.startsWith(`${draft}/`) && !alive.has(name.slice(draft.length + 1))),
      );
      const name = drafts.has(own) ? own : left;
      if (name === undefined) return null;
      if (name !== own)
        void vault
          .writeDraft(own, drafts.get(name))
          .then(() => vault.writeDraft(name, null))
          .catch(() => undefined);
      return drafts.get(name);
    };
    const led = ledSchema.safeParse(find(LED));
    // It is led on where those who are in it are on their mats.
    if (led.success && led.data.people.some((id) => matOf(getState().mat, id)))
      dispatch(ledStarted(led.data));
    const measured = measuringSchema.safeParse(find('measuring'));
    if (measured.success) dispatch(measuringRestored(measured.data));
    const pictures = picturesSchema.safeParse(find(PICTURES));
    if (pictures.success) dispatch(picturesChanged(pictures.data));
  };

const isSameMat = (one: LeftMat, other: LeftMat) =>
  one.draft === other.draft &&
  one.mat.person === other.mat.person &&
  one.mat.startedAt === other.mat.startedAt;

/** The mats that lie in a closed window's draft now: another window may have been quicker. */
const stillIn =
  (draft: string): Thunk<Promise<readonly LeftMat[]>> =>
  async (_dispatch, _getState, { vault }) =>
    windowsOf(new Map([[draft, await vault.draft(draft)]]), '-', new Set(), () => false).left;

/** Takes a mat out of a closed window's draft. */
const outOfDraft =
  (left: LeftMat): Thunk<Promise<void>> =>
  async (dispatch, getState, { vault }) => {
    const others = (await dispatch(stillIn(left.draft))).filter((one) => !isSameMat(one, left));
    await vault.writeDraft(
      left.draft,
      inUse(Object.fromEntries(others.map(({ mat }) => [mat.person, mat]))),
    );
    dispatch(matsLeft(getState().mat.left.filter((one) => !isSameMat(one, left))));
  };

/** Goes on here with a mat that a closed window left; false where it lies there no more. */
export const takeLeftMat =
  (left: LeftMat): Thunk<Promise<boolean>> =>
  async (dispatch, getState, { vault, tab }) => {
    const there = await dispatch(stillIn(left.draft));
    if (!there.some((one) => isSameMat(one, left))) {
      dispatch(matsLeft(getState().mat.left.filter((one) => !isSameMat(one, left))));
      return false;
    }
    dispatch(leftTaken(left.mat));
    // Kept here before it goes there: a page that goes in between leaves it twice, and never nowhere.
    const { name } = await tab;
    await vault.writeDrafts(draftsOf(keptMats(getState()), name)).then(
      () => dispatch(outOfDraft(left)),
      () => undefined,
    );
    return true;
  };

/** Lays a mat that a closed window left among what is set aside: what was done on it can still be exported there. */
export const layLeftMatAside =
  (left: LeftMat): Thunk<Promise<void>> =>
  async (dispatch) => {
    await dispatch(keepAside([{ key: 'draft/mat', text: JSON.stringify(left.mat) }]));
    await dispatch(outOfDraft(left));
  };

const markOf = (state: RootState, before: Mark | null): Mark => ({
  // How long ago a backup was saved, and what changed since, goes on.
  ...before,
  people: Object.keys(state.people).length,
  readings: Object.keys(state.readings).length,
  sessions: Object.keys(state.sessions).length,
  at: new Date().toISOString(),
});

/** The book was saved as a file. */
export const bookExported =
  (at: string): Thunk =>
  (_, getState, { spare }) =>
    // What was changed is in the file: it is counted anew.
    spare.setMark({ ...markOf(getState(), null), exportedAt: at });

export const backupNow =
  (today: LocalDay): Thunk<BackupTold> =>
  (_, _state, { spare }) =>
    backupTold(spare.mark(), today);
/** It is asked again in a week. */
export const putBackupOff =
  (today: LocalDay): Thunk =>
  (_, _state, { spare }) => {
    const mark = spare.mark();
    if (mark) spare.setMark(putOff(mark, today));
  };

const NOT_OPEN: Done = {
  ok: false,
  words: 'Not saved: the storage of this browser cannot be reached, so nothing can be begun now.',
};

const ONLY_LOOKED_AT: Done = {
  ok: false,
  words:
    'Not saved: this book is only looked at while the storage of this browser does not answer.',
};

const written =
  (work: (vault: Vault) => Promise<Done>): Thunk<Promise<Outcome>> =>
  async (dispatch, getState, { vault, spare }) => {
    const { status } = getState().storage;
    const done =
      status === 'open' ? await work(vault) : status === 'looking' ? ONLY_LOOKED_AT : NOT_OPEN;
    if (!done.ok) {
      dispatch(storageFailed(done.words));
      return done;
    }
    if (done.diffs.length > 0) dispatch(factsChanged(done.diffs));
    // Asked anew, since it remembers what it said last: nothing of what was removed.
    factsOf(getState());
    dispatch(actsKnown(done.heads));
    if (done.act) dispatch(undoOffered(done.act));
    if (done.diffs.length === 0) return { ok: true };
    tellOtherTabs();
    if (getState().storage.left === 0) {
      const before = spare.mark();
      spare.setMark({
        ...markOf(getState(), before),
        ...withChange(before, new Date().toISOString()),
      });
    }
    // After each session, and whatever else is as much: an import, a removal.
    if (done.diffs.some(({ kind }) => kind === 'sessions')) void spare.copy(false);
    return { ok: true };
  };

/** Stores a change, then shows it: what is on screen is what is stored. */
export const commit =
  (change: Change): Thunk<Promise<Outcome>> =>
  async (dispatch, getState, extra) => {
    // All that is a student's goes with them, so all of it must be known.
    if (change.remove.some(({ kind }) => kind === 'people')) await extra.arrived;
    const outcome = await dispatch(written((vault) => vault.apply(change)));
    // A student who is here again brings back what was set aside for want of them.
    if (
      outcome.ok &&
      getState().storage.setAside.length > 0 &&
      change.put.some(({ kind }) => kind === 'people')
    )
      await dispatch(openAnew());
    return outcome;
  };

/** Takes in what was merged from a book: of very many records first those that come, in parts, then those that go. */
export const commitMerged =
  (change: Change): Thunk<Promise<Outcome>> =>
  async (dispatch) => {
    if (change.put.length === 0 || change.remove.length === 0) return dispatch(commit(change));
    const outcome = await dispatch(commit({ ...change, remove: [] }));
    return outcome.ok ? dispatch(commit({ ...change, put: [] })) : outcome;
  };

/** Takes back an act: the newest, or the one that is named. */
export const undo =
  (seq?: number): Thunk<Promise<Outcome>> =>
  (dispatch) =>
    dispatch(written((vault) => vault.undo(seq)));

/** Drops what would bring a removed student back. */
export const forgetRemoved =
  (seq: number): Thunk<Promise<Outcome>> =>
  async (dispatch, _state, { spare }) => {
    const outcome = await dispatch(written((vault) => vault.forgetRemoved(seq)));
    // The second copy may still hold them.
    if (outcome.ok) await spare.copy(false);
    return outcome;
  };

/** Takes every record and whatever is kept beside them out of this browser; the page is to begin anew after it. */
export const eraseEverything =
  (): Thunk<Promise<Outcome>> =>
  async (dispatch, _state, { vault, spare }) => {
    const done = await vault.eraseAll();
    const isSpareGone = done.ok && (await spare.erase().catch(() => false));
    if (isSpareGone) return done;
    const words = done.ok
      ? 'The records are erased; their second copy could not be. Clear the data of this site in the browser’s own settings.'
      : done.words;
    dispatch(storageFailed(words));
    return { ok: false, words };
  };

export const forgetSetAside =
  (one: SetAside): Thunk<Promise<void>> =>
  async (dispatch, _, { vault }) => {
    await vault.forgetSetAside(one);
    dispatch(setAsideRemoved(one.at));
  };

/** Keeps what another device set aside, so that it goes on from here too. */
export const keepAside =
  (texts: readonly AsideText[]): Thunk<Promise<void>> =>
  async (dispatch, getState, { vault }) => {
    const written = ({ key, text, ...more }: AsideText) => JSON.stringify([key, text, more]);
    const known = new Set(getState().storage.setAside.map(({ of }) => written(of)));
    const fresh = texts.filter((one) => !known.has(written(one)));
    if (fresh.length > 0) dispatch(setAsideAdded(await vault.keepAside(fresh)));
  };

/** The second copy that this browser keeps, as the text of a book. */
export const readSecondCopy =
  (): Thunk<Promise<string | null>> =>
  (_dispatch, _getState, { spare }) =>
    spare.read();

/** What the second copy holds, and whether it is one of the book that is open; null where there is none. */
export const secondCopy =
  (): Thunk<Promise<(Kept & { readonly isOfThisBook: boolean }) | null>> =>
  async (_dispatch, _getState, { spare, vault }) => {
    const kept = await spare.kept();
    return kept && { ...kept, isOfThisBook: kept.lineage === vault.lineage };
  };

/** Puts a copy of this book where the second copy lies, whatever that holds; false where it cannot be kept. */
export const replaceSecondCopy =
  (): Thunk<Promise<boolean>> =>
  (_dispatch, _getState, { spare }) =>
    spare.copy(true);

/**
 * After the browser threw the book away: stores what is left of it, then opens what was stored. Until it is there, the
 * book counts as lost.
 */
export const bringBack =
  (facts: readonly Fact[], setAside: readonly AsideText[]): Thunk<Promise<Outcome>> =>
  async (dispatch, getState, { vault }) => {
    const done = await vault.apply({
      words: 'The second copy brought back',
      put: facts,
      remove: [],
    });
    if (!done.ok) return done;
    await dispatch(openStorage());
    if (getState().storage.status !== 'open')
      return { ok: false, words: 'What was brought back cannot be read again from the storage.' };
    await dispatch(keepAside(setAside));
    return { ok: true };
  };

/** After the browser threw the book away: begins with an empty one, on purpose. The second copy stays. */
export const beginAnew =
  (): Thunk<Promise<void>> =>
  async (dispatch, getState, { spare }) => {
    await dispatch(opening(true));
    if (getState().storage.status === 'open') spare.setMark(markOf(getState(), null));
  };

/** A record as it is now, not as a screen last drew it. */
export const recordNow =
  <K extends FactKind>(kind: K, id: string): Thunk<FactOf[K] | undefined> =>
  (_dispatch, getState) =>
    recordIn(getState()[kind] as Readonly<Record<string, FactOf[K]>>, id);

/** Every record is here. */
export const whenArrived = (): Thunk<Promise<void>> => (_dispatch, _getState, extra) =>
  extra.arrived;

/** What lies in storage, readable or not, for a copy when nothing else can be shown. */
export const rawTexts =
  (): Thunk<Promise<Record<string, string | null>>> =>
  (_dispatch, _getState, { vault }) =>
    vault.raw();

const CHANNEL = 'ojas-facts';
const messageSchema = z.object({ wrote: z.literal(true) });
/** Opened once the app follows other tabs; before that nobody is told. */
let channel: BroadcastChannel | null = null;
const tellOtherTabs = () => channel?.postMessage({ wrote: true });

/** Shows here what another tab stored: it is read from storage, where it was checked, and not taken from a message. */
export const followOtherTabs =
  (): Thunk =>
  (_dispatch, getState, { vault }) => {
    const look = () => {
      if (getState().storage.status === 'open') void vault.catchUp();
    };
    if (typeof BroadcastChannel !== 'undefined') {
      channel ??= new BroadcastChannel(CHANNEL);
      channel.onmessage = ({ data }) => {
        if (messageSchema.safeParse(data).success) look();
      };
    }
    // A tab that slept may have missed the message.
    if (typeof document !== 'undefined')
      document.addEventListener(
        'visibilitychange',
        () => document.visibilityState === 'visible' && look(),
      );
  };
