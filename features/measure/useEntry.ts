import { useRef, useState } from 'react';
import { contextOf, type Estimates } from '@/core/estimate/estimate';
import { disagree, meanOf } from '@/core/estimate/observations';
import type { Person, Reading } from '@/core/formats/book';
import { readingRefused } from '@/core/formats/readingRefused';
import { farFromBelieved } from '@/core/measure/sense';
import {
  methodFor,
  protocolsOf,
  semOf,
  semOfMean,
  type ConversionContext,
  type MethodId,
  type Protocol,
} from '@/core/protocols/protocols';
import { keyOf, ranges, type RangeId, type Side } from '@/core/ranges/ranges';
import { readingVerdict, wayFor } from '@/core/safety/reading';
import { put, type KeptPicture } from '@/store/facts';
import {
  entryChanged,
  picturesChanged,
  sideKept,
  type Entry as EntryState,
  type PictureToKeep,
} from '@/store/measuring';
import { selectSettings } from '@/store/selectors';
import { commit } from '@/store/store';
import { length, readIn, toCm, type Units } from '@/ui/format';
import { readNumber } from '@/ui/number';
import { rangeName, type Words } from '@/ui/words/words';
import { freshId, nowIso, useOjas, useOjasDispatch, useUnits, useWords } from '../hooks';
import { speak } from '../sound/speak';
import type { TiltHabits } from './tilt/TiltReading';

const SIMULATED = 'read by the simulated sensor';
const MOST_READINGS = 5;
const AGREEING = 2;
const MOST_SEAT_CM = 80;

export const seatOf = (text: string, units: Units) => {
  const read = readNumber(text);
  return read.ok ? toCm(read.value, units) : 0;
};

/** Where the cautions leave out every way of reading, the first of them, which says so. */
export const wayOrFirst = (
  range: RangeId,
  side: Side,
  method: MethodId,
  { cautions }: Person,
): Protocol | undefined => wayFor(range, side, method, cautions) ?? protocolsOf(range)[0];

/** What may be said of one reading: the range, the way, and where and how it is taken. */
function useSetting(
  person: Person,
  entry: EntryState | null,
  chosen: MethodId,
  estimates: Estimates,
) {
  const eyes = useOjas(selectSettings).eyes;
  const units = useUnits();
  const protocol =
    entry &&
    (protocolsOf(entry.range).find(({ id }) => id === entry.protocol) ??
      protocolsOf(entry.range)[0]);
  if (!entry || !protocol) return null;
  const range = ranges[entry.range];
  const on = range.sided ? entry.side : ('both' as const);
  const method = methodFor(protocol, chosen);
  const context: ConversionContext = {
    ...contextOf(person, estimates),
    ...(protocol.onSeat ? { seatCm: seatOf(entry.seat, units) } : {}),
  };
  const told = entry.sems.length > 0 ? meanOf(entry.sems) : undefined;
  const sem = told ?? semOf(protocol, method, eyes);
  return { entry, protocol, range, on, method, context, sem, eyes, units };
}
type Setting = NonNullable<ReturnType<typeof useSetting>>;

/** The reading that some values make; what is wrong with its seat where that is so. */
function readingOf(
  { entry, protocol, on, method, units }: Setting,
  person: Person,
  values: readonly number[],
  sems: readonly number[],
  simulated: boolean,
): { readonly reading: Reading } | { readonly fault: string } {
  if (values.length === 0)
    return { fault: `${rangeName(entry.range)}: enter at least one reading.` };
  const seat = readNumber(entry.seat);
  const seatCm = seatOf(entry.seat, units);
  if (protocol.onSeat && (!seat.ok || seatCm < 0 || seatCm > MOST_SEAT_CM))
    return {
      fault: `Seat: ${seat.ok ? `${seat.value} is not between 0 and ${length(MOST_SEAT_CM, units)}.` : seat.words}`,
    };
  return {
    reading: {
      id: freshId('r'),
      person: person.id,
      range: entry.range,
      side: on,
      at: nowIso(),
      method,
      protocol: protocol.id,
      values: [...values],
      warm: entry.warm,
      // A stand-in's reading says so wherever it is shown.
      note: simulated ? [entry.note, SIMULATED].filter(Boolean).join(' · ') : entry.note,
      ...(protocol.onSeat && seat.ok ? { seatCm } : {}),
      ...(sems.length > 0 ? { sem: meanOf(sems) } : {}),
    },
  };
}

/** Keeps a reading with its picture, once, and goes on to what comes next. */
function useKeep(person: Person, inVisit: boolean, onKept: () => void) {
  const dispatch = useOjasDispatch();
  const keeping = useRef(false);
  return async (
    { range, entry }: Setting,
    reading: Reading,
    picture: PictureToKeep | undefined,
  ) => {
    if (keeping.current) return;
    keeping.current = true;
    const kept: KeptPicture[] = picture ? [{ id: reading.id, person: person.id, ...picture }] : [];
    const outcome = await dispatch(
      commit({
        words: `${rangeName(range.id)}${range.sided ? ` ${entry.side}` : ''} noted`,
        put: [put('readings', reading), ...kept.map((one) => put('pictures', one))],
        remove: [],
      }),
    );
    keeping.current = false;
    if (!outcome.ok) return;
    dispatch(picturesChanged([]));
    onKept();
    const other: Side = entry.side === 'left' ? 'right' : 'left';
    // In a visit the plan says what comes next; else the other side does.
    dispatch(sideKept(inVisit ? null : range.sided ? other : entry.side));
  };
}

/** What is asked about values that lie far from what is believed; empty where nothing is. */
function askedOf(
  { protocol, sem, context, range, entry }: Setting,
  values: readonly number[],
  estimates: Estimates,
  say: Words,
): string {
  if (values.length === 0) return '';
  const read = protocol.convert(meanOf(values), semOfMean(sem, values.length), context);
  const far = farFromBelieved(range.id, read, estimates[keyOf(range.id, entry.side)]);
  return far ? say.reason(far) : '';
}

/** What is wrong with one value of a setting, in words; null where it can stand. */
const faultOf = (
  { range, method, protocol, on, context }: Setting,
  value: number,
  say: Words,
): string | null =>
  say.reasons(
    readingRefused(
      { range: range.id, method, protocol: protocol.id, values: [value], side: on },
      context,
    ),
  ) || null;

interface Doubted {
  readonly values: readonly number[];
  readonly sems: readonly number[];
  readonly words: string;
}

/** What is typed, and what is said about it. */
function useSaid() {
  const [fault, setFault] = useState<string>();
  const [typed, setTyped] = useState('');
  /** By eye, the picture that is chosen and not yet taken. */
  const [picked, setPicked] = useState<number | null>(null);
  /** Values that lie far from what is believed, with what is asked about them. */
  const [doubted, setDoubted] = useState<Doubted | null>(null);
  const forget = () => {
    setTyped('');
    setPicked(null);
    setFault(undefined);
    setDoubted(null);
  };
  return {
    ...{ fault, setFault, typed, setTyped },
    ...{ picked, setPicked, doubted, setDoubted, forget },
  };
}

/** Everything that reading one range on one side needs, and what may be done with what was read. */
export function useEntry(
  person: Person,
  now: EntryState | null,
  chosen: MethodId,
  estimates: Estimates,
  habits: TiltHabits,
  inVisit: boolean,
) {
  const dispatch = useOjasDispatch();
  const say = useWords();
  const said = useSaid();
  const { fault, setFault, typed, setTyped, picked, doubted, setDoubted, forget } = said;
  /** Beside each value, the picture to be kept with it; none outlives its value. */
  const pictures = useOjas((state) => state.measuring.pictures).slice(0, now?.values.length ?? 0);
  const store = useKeep(person, inVisit, forget);
  const setting = useSetting(person, now, chosen, estimates);
  if (!setting) return null;
  const { entry, protocol, method, range, on, sem, units } = setting;

  /** Another side, way or method: what was typed, taken and pictured for the one before goes. */
  const beginAnew = (change: Partial<EntryState>) => {
    forget();
    dispatch(picturesChanged([]));
    dispatch(entryChanged({ values: [], sems: [], ...change }));
  };
  const dropLast = () => {
    dispatch(picturesChanged(pictures.slice(0, -1)));
    dispatch(entryChanged({ values: entry.values.slice(0, -1), sems: entry.sems.slice(0, -1) }));
  };
  /** What is typed, as a value that can stand; undefined when it cannot. */
  const readTyped = (): number | undefined => {
    const read = readNumber(typed);
    const value = read.ok ? readIn(protocol.unit, read.value, units) : NaN;
    const wrong = read.ok ? faultOf(setting, value, say) : `${rangeName(range.id)}: ${read.words}`;
    setFault(wrong ?? undefined);
    return read.ok && wrong === null ? value : undefined;
  };
  const takeTyped = () => {
    const value = readTyped();
    if (value === undefined) return;
    setTyped('');
    take(value);
  };
  const keep = (
    values: readonly number[] = entry.values,
    sems: readonly number[] = entry.sems,
    isMeant = false,
  ): void | Promise<void> => {
    const words = isMeant ? '' : askedOf(setting, values, estimates, say);
    setDoubted(words === '' ? null : { values, sems, words });
    if (words !== '') return habits.aloud && method === 'phone-tilt' ? speak(words) : undefined;
    const simulated = method === 'phone-tilt' && habits.simulated;
    const made = readingOf(setting, person, values, sems, simulated);
    if ('fault' in made) return setFault(made.fault);
    return store(setting, made.reading, pictures.filter((one) => one !== null).at(-1));
  };
  const keepAll = () => {
    // By eye, the picture that is chosen is the reading.
    if (picked !== null && method === 'by-eye')
      return keep([...entry.values, picked].slice(-MOST_READINGS));
    if (typed.trim() === '') return keep();
    const value = readTyped();
    return value === undefined ? undefined : keep([...entry.values, value].slice(-MOST_READINGS));
  };
  /** Hands free, what the last readings agree on is kept; a pause on the way reads too. */
  const keepIfAgreed = (values: readonly number[]) => {
    if (method !== 'phone-tilt' || !habits.handsFree || values.length < AGREEING) return;
    const latest = values.slice(-AGREEING);
    if (!disagree(latest, sem)) void keep(latest);
    else if (habits.aloud) speak('They lie apart. Once more.');
  };
  /** Adds a reading; false when it cannot stand. */
  const take = (value: number, ownSem?: number, picture?: PictureToKeep | null): boolean => {
    const wrong = faultOf(setting, value, say);
    setFault(wrong ?? undefined);
    setDoubted(null);
    if (wrong !== null) return false;
    dispatch(picturesChanged([...pictures, picture ?? null].slice(-MOST_READINGS)));
    const values = [...entry.values, value].slice(-MOST_READINGS);
    const sems = ownSem === undefined ? [] : [...entry.sems, ownSem].slice(-MOST_READINGS);
    dispatch(entryChanged({ values, sems }));
    keepIfAgreed(values);
    return true;
  };
  return {
    ...setting,
    beginAnew,
    dropLast,
    fault,
    mean: meanOf(entry.values),
    typed,
    picked,
    setPicked: said.setPicked,
    setTyped: (text: string) => {
      forget();
      setTyped(text);
    },
    caution: readingVerdict(protocol, on, person.cautions),
    take,
    /**
     * Whether a limb that was held still at this value can be meant as a reading: one that rests on the floor is not.
     */
    canBeMeant: (value: number) => faultOf(setting, value, say) === null,
    doubted: doubted?.words,
    keepAllTheSame: () => doubted && keep(doubted.values, doubted.sems, true),
    takeTyped,
    keepAll,
    way: method === 'phone-tilt' ? (protocol.tilt ?? undefined) : undefined,
  };
}
export type EntryWork = NonNullable<ReturnType<typeof useEntry>>;
