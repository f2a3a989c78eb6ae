import { configureStore, createAction, createListenerMiddleware, createSelector, createSlice, type PayloadAction, type ThunkAction, type UnknownAction } from '@reduxjs/toolkit';
import { factKinds, noFacts, reverse, type Change, type FactKind, type FactOf, type Facts } from './facts';
import { matRestored, matSchema, matSlice } from './mat';
import { measuringRestored, measuringSchema, measuringSlice } from './measuring';
import { StorageFault, Vault, type KeyValueStorage, type SetAside } from './vault';

/** Facts as read from storage. */
export const factsOpened = createAction<Facts>('facts/opened');
/** A change that is safely stored: done here (with what takes it back), taken back here, or stored by another tab. */
export const factsChanged = createAction<{ change: Change; by: { did: Change } | 'undo' | 'other tab' }>('facts/changed');

/** One slice a kind of fact: records by id. */
const factSlice = <K extends FactKind>(kind: K) => createSlice({
  name: kind,
  initialState: {} as Record<string, FactOf[K]>,
  reducers: {},
  extraReducers: (builder) => builder
    .addCase(factsOpened, (_, { payload }) => payload[kind] as never)
    .addCase(factsChanged, (state, { payload: { change } }) => {
      const records = state as Record<string, unknown>;
      for (const { id, record } of change.put.filter((fact) => fact.kind === kind)) records[id] = record;
      for (const { id } of change.remove.filter((ref) => ref.kind === kind)) delete records[id];
    }),
});

const MOST_UNDO = 30;
const undoSlice = createSlice({
  name: 'undo',
  initialState: { stack: [] as Change[], offered: null as string | null },
  reducers: {
    undoDismissed: (state) => {
      state.offered = null;
    },
  },
  extraReducers: (builder) => builder.addCase(factsChanged, (state, { payload: { change, by } }) => {
    if (by === 'other tab') return;
    if (by !== 'undo') {
      state.stack = [...state.stack.slice(-(MOST_UNDO - 1)), by.did as never];
      state.offered = change.words;
    } else {
      state.stack.pop();
      state.offered = null;
    }
  }),
});
export const { undoDismissed } = undoSlice.actions;

interface StorageState {
  readonly opened: boolean;
  /** What keeps facts from being stored, in words. */
  readonly fault: string | null;
  readonly setAside: readonly SetAside[];
}
const storageSlice = createSlice({
  name: 'storage',
  initialState: { opened: false, fault: null, setAside: [] } as StorageState,
  reducers: {
    storageOpened: (state, { payload }: PayloadAction<readonly SetAside[]>) => ({ ...state, opened: true, setAside: payload }),
    storageFailed: (state, { payload }: PayloadAction<string>) => ({ ...state, opened: true, fault: payload }),
    storageFaultDismissed: (state) => ({ ...state, fault: null }),
    setAsideRemoved: (state, { payload }: PayloadAction<string>) => ({ ...state, setAside: state.setAside.filter(({ key }) => key !== payload) }),
  },
});
export const { storageOpened, storageFailed, storageFaultDismissed, setAsideRemoved } = storageSlice.actions;

export function createStore(storage: KeyValueStorage) {
  const vault = new Vault(storage);
  const drafts = createListenerMiddleware();
  for (const draft of ['mat', 'measuring'] as const) {
    drafts.startListening({
      predicate: (_, now, before) => (now as RootState)[draft].now !== (before as RootState)[draft].now,
      effect: (_, { getState }) => vault.writeDraft(draft, (getState() as RootState)[draft].now),
    });
  }
  return configureStore({
    reducer: {
      people: factSlice('people').reducer, readings: factSlice('readings').reducer, shelf: factSlice('shelf').reducer, sessions: factSlice('sessions').reducer, classes: factSlice('classes').reducer,
      settings: factSlice('settings').reducer, pictures: factSlice('pictures').reducer, undo: undoSlice.reducer, storage: storageSlice.reducer, mat: matSlice.reducer, measuring: measuringSlice.reducer,
    },
    middleware: (usual) => usual({ thunk: { extraArgument: vault }, serializableCheck: false, immutableCheck: false }).prepend(drafts.middleware),
  });
}

export type OjasStore = ReturnType<typeof createStore>;
export interface RootState extends Facts {
  readonly undo: ReturnType<typeof undoSlice.reducer>;
  readonly storage: StorageState;
  readonly mat: ReturnType<typeof matSlice.reducer>;
  readonly measuring: ReturnType<typeof measuringSlice.reducer>;
}
export type Thunk<R = void> = ThunkAction<R, RootState, Vault, UnknownAction>;

/** All facts of the state; the same object until one of them changes. */
export const factsOf: (state: RootState) => Facts = createSelector(
  factKinds.map((kind) => (state: RootState) => state[kind]),
  (...kinds) => Object.fromEntries(factKinds.map((kind, i) => [kind, kinds[i]])) as unknown as Facts,
);

/** What came of a change: stored, or not, with the reason in words. */
export type Outcome = { readonly ok: true } | { readonly ok: false; readonly words: string };

/** Opens the storage and the session that was under way. */
export const openStorage = (): Thunk<Promise<void>> => async (dispatch, _, vault) => {
  try {
    const { facts, setAside } = await vault.open();
    dispatch(factsOpened({ ...noFacts, ...facts }));
    const mat = matSchema.safeParse(await vault.readDraft('mat'));
    if (mat.success) dispatch(matRestored(mat.data));
    const measuring = measuringSchema.safeParse(await vault.readDraft('measuring'));
    if (measuring.success) dispatch(measuringRestored(measuring.data));
    dispatch(storageOpened(setAside));
  } catch (error) {
    dispatch(storageFailed(error instanceof StorageFault ? error.words : String(error)));
  }
};

const store = (change: Change, byUndo: boolean): Thunk<Promise<Outcome>> => async (dispatch, getState, vault) => {
  const before = factsOf(getState());
  try {
    await vault.apply(change);
  } catch (error) {
    const words = error instanceof StorageFault ? error.words : String(error);
    dispatch(storageFailed(words));
    return { ok: false, words };
  }
  dispatch(factsChanged({ change, by: byUndo ? 'undo' : { did: reverse(change, before) } }));
  tellOtherTabs({ change });
  return { ok: true };
};

/** Stores a change, then shows it: what is on screen is what is stored. */
export const commit = (change: Change) => store(change, false);

/** Takes back the newest change. */
export const undo = (): Thunk<Promise<Outcome>> => async (dispatch, getState) => {
  const change = getState().undo.stack.at(-1);
  return change ? dispatch(store(change, true)) : { ok: true };
};

export const forgetSetAside = (key: string): Thunk<Promise<void>> => async (dispatch, _, vault) => {
  await vault.removeSetAside(key);
  dispatch(setAsideRemoved(key));
};

const CHANNEL = 'ojas-facts';
/** Opened once the app follows other tabs; before that nobody is told. */
let channel: BroadcastChannel | null = null;
const tellOtherTabs = (message: { change: Change }) => channel?.postMessage(message);

/** Shows here what another tab stored. */
export function followOtherTabs(dispatch: OjasStore['dispatch']): void {
  if (typeof BroadcastChannel === 'undefined') return;
  channel ??= new BroadcastChannel(CHANNEL);
  channel.onmessage = ({ data }: MessageEvent<{ change: Change }>) => dispatch(factsChanged({ change: data.change, by: 'other tab' }));
}
