import { useRef, useState } from 'react';
import { View } from 'react-native';
import { believableChange, contextOf, type Estimates } from '@/core/estimate/estimate';
import { disagree, meanOf } from '@/core/estimate/observations';
import type { Person, Reading } from '@/core/formats/book';
import { readingRefused } from '@/core/formats/readingFaults';
import { eyeSteps, usualOf, valueShowing } from '@/core/measure/shown';
import { workingOf } from '@/core/measure/working';
import { readingVerdict, wayFor, type ReadingVerdict } from '@/core/safety/reading';
import {
  methodFor,
  methods,
  protocolsOf,
  semOf,
  type ConversionContext,
  type MethodId,
  type Protocol,
} from '@/core/protocols/protocols';
import { keyOf, ranges, type RangeId, type Side } from '@/core/ranges/ranges';
import { put, type KeptPicture } from '@/store/facts';
import {
  entryChanged,
  methodChosen,
  picturesChanged,
  sideKept,
  type Entry as EntryState,
  type PictureToKeep,
} from '@/store/measuring';
import { selectSettings } from '@/store/selectors';
import { commit } from '@/store/store';
import { degrees, fromCm, length, toCm, withDoubt, type Units } from '@/ui/format';
import { Field } from '@/ui/Field';
import { readNumber } from '@/ui/number';
import { Chips, Press, Tick } from '@/ui/Press';
import { Sheet } from '@/ui/Sheet';
import { Aside, Title, Words } from '@/ui/Words';
import { freshId, nowIso, useOjas, useOjasDispatch, useUnits, useWords } from '../hooks';
import { speak } from '../sound/speak';
import { EyeReading } from './EyeReading';
import { Guide } from './Guide';
import { PhotoReading } from './photo/PhotoReading';
import { ReadingDots } from './ReadingDots';
import type { Dial } from './tilt/sources';
import { TiltReading, type TiltHabits } from './tilt/TiltReading';
import type { Tilt } from './tilt/useTilt';
import { TypedReading } from './TypedReading';
import { rangeName, valueIn, wordsIn, type Words as Say } from '@/ui/words/words';

const SIMULATED = 'read by the simulated sensor';
const MOST_READINGS = 5;
const AGREEING = 2;
const MOST_SEAT_CM = 80;

const seatOf = (text: string, units: Units) => {
  const read = readNumber(text);
  return read.ok ? toCm(read.value, units) : 0;
};
/** A typed value in the protocol's own unit: lengths are typed in the teacher's. */
const asRead = (value: number, { unit }: Pick<Protocol, 'unit'>, units: Units) =>
  unit === 'cm' ? toCm(value, units) : value;

/** Where the cautions leave out every way of reading, the first of them, which says so. */
export const wayOrFirst = (
  range: RangeId,
  side: Side,
  method: MethodId,
  { cautions }: Person,
): Protocol | undefined => wayFor(range, side, method, cautions) ?? protocolsOf(range)[0];

/** Everything that reading one range on one side needs, and what may be done with what was read. */
export function useEntry(
  person: Person,
  entry: EntryState | null,
  chosen: MethodId,
  estimates: Estimates,
  habits: TiltHabits,
  inVisit: boolean,
) {
  const dispatch = useOjasDispatch();
  const eyes = useOjas(selectSettings).eyes;
  const units = useUnits();
  const say = useWords();
  const [fault, setFault] = useState<string>();
  const [typed, setTyped] = useState('');
  /** Beside each value, the picture to be kept with it; none outlives its value. */
  const pictures = useOjas((state) => state.measuring.pictures).slice(0, entry?.values.length ?? 0);
  const keeping = useRef(false);
  const protocol =
    entry &&
    (protocolsOf(entry.range).find(({ id }) => id === entry.protocol) ??
      protocolsOf(entry.range)[0]);
  if (!entry || !protocol) return null;
  const range = ranges[entry.range];
  const on = range.sided ? entry.side : 'both';
  const method = methodFor(protocol, chosen);
  const context: ConversionContext = {
    ...contextOf(person, estimates),
    ...(protocol.onSeat ? { seatCm: seatOf(entry.seat, units) } : {}),
  };
  const told = entry.sems.length > 0 ? meanOf(entry.sems) : undefined;
  const sem = told ?? semOf(protocol, method, eyes);

  /** Another side, way or method: what was typed, taken and pictured for the one before goes. */
  const beginAnew = (change: Partial<EntryState>) => {
    setTyped('');
    setFault(undefined);
    dispatch(picturesChanged([]));
    dispatch(entryChanged({ values: [], sems: [], ...change }));
  };
  const dropLast = () => {
    dispatch(picturesChanged(pictures.slice(0, -1)));
    dispatch(entryChanged({ values: entry.values.slice(0, -1), sems: entry.sems.slice(0, -1) }));
  };
  const faultOf = (value: number): string | null =>
    say.reasons(
      readingRefused({
        range: entry.range,
        method,
        protocol: protocol.id,
        values: [value],
        side: on,
      }),
    ) || null;
  /** What is typed, as a value that can stand; undefined when it cannot. */
  const readTyped = (): number | undefined => {
    const read = readNumber(typed);
    const value = read.ok ? asRead(read.value, protocol, units) : NaN;
    const wrong = read.ok ? faultOf(value) : `${rangeName(range.id)}: ${read.words}`;
    setFault(wrong ?? undefined);
    return read.ok && wrong === null ? value : undefined;
  };
  const takeTyped = () => {
    const value = readTyped();
    if (value === undefined) return;
    setTyped('');
    take(value);
  };
  const keepAll = () => {
    if (typed.trim() === '') return keep();
    const value = readTyped();
    return value === undefined ? undefined : keep([...entry.values, value].slice(-MOST_READINGS));
  };
  const keep = async (
    values: readonly number[] = entry.values,
    sems: readonly number[] = entry.sems,
  ): Promise<void> => {
    if (values.length === 0) return setFault(`${rangeName(range.id)}: enter at least one reading.`);
    const seat = readNumber(entry.seat);
    const seatCm = seatOf(entry.seat, units);
    if (protocol.onSeat && (!seat.ok || seatCm < 0 || seatCm > MOST_SEAT_CM))
      return setFault(
        `Seat: ${seat.ok ? `${seat.value} is not between 0 and ${length(MOST_SEAT_CM, units)}.` : seat.words}`,
      );
    if (keeping.current) return undefined;
    keeping.current = true;
    const reading: Reading = {
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
      note:
        method === 'phone-tilt' && habits.simulated
          ? [entry.note, SIMULATED].filter(Boolean).join(' · ')
          : entry.note,
      ...(protocol.onSeat && seat.ok ? { seatCm } : {}),
      ...(sems.length > 0 ? { sem: meanOf(sems) } : {}),
    };
    const picture = pictures.filter((one) => one !== null).at(-1);
    const kept: KeptPicture[] = picture ? [{ id: reading.id, person: person.id, ...picture }] : [];
    const outcome = await dispatch(
      commit({
        words: `${rangeName(range.id)}${range.sided ? ` ${entry.side}` : ''} noted`,
        put: [put('readings', reading), ...kept.map((one) => put('pictures', one))],
        remove: [],
      }),
    );
    keeping.current = false;
    if (!outcome.ok) return undefined;
    dispatch(picturesChanged([]));
    setTyped('');
    setFault(undefined);
    const other: Side = entry.side === 'left' ? 'right' : 'left';
    // In a visit the plan says what comes next; else the other side does.
    dispatch(sideKept(inVisit ? null : range.sided ? other : entry.side));
    return undefined;
  };
  /** Adds a reading; false when it cannot stand. */
  const take = (value: number, ownSem?: number, picture?: PictureToKeep | null): boolean => {
    const wrong = faultOf(value);
    setFault(wrong ?? undefined);
    if (wrong !== null) return false;
    dispatch(picturesChanged([...pictures, picture ?? null].slice(-MOST_READINGS)));
    const values = [...entry.values, value].slice(-MOST_READINGS);
    const sems = ownSem === undefined ? [] : [...entry.sems, ownSem].slice(-MOST_READINGS);
    dispatch(entryChanged({ values, sems }));
    if (method === 'phone-tilt' && habits.handsFree && values.length >= AGREEING) {
      // A pause on the way reads too: only what the last ones agree on is kept.
      const latest = values.slice(-AGREEING);
      if (!disagree(latest, sem)) void keep(latest);
      else if (habits.aloud) speak('They lie apart. Once more.');
    }
    return true;
  };
  /** Whether a limb that was held still at this value can be meant as a reading: one that rests on the floor is not. */
  const canBeMeant = (value: number): boolean => {
    const { mean: shown } = protocol.convert(value, sem, context);
    return faultOf(value) === null && shown >= range.least && shown <= range.most;
  };
  const mean = meanOf(entry.values);
  return {
    beginAnew,
    dropLast,
    entry,
    protocol,
    method,
    range,
    context,
    sem,
    fault,
    eyes,
    mean,
    typed,
    setTyped: (text: string) => {
      setTyped(text);
      setFault(undefined);
    },
    caution: readingVerdict(protocol, on, person.cautions),
    take,
    canBeMeant,
    takeTyped,
    keepAll,
    way: method === 'phone-tilt' ? (protocol.tilt ?? undefined) : undefined,
  };
}
export type EntryWork = NonNullable<ReturnType<typeof useEntry>>;

interface EntryProps {
  readonly work: EntryWork;
  readonly person: Person;
  readonly estimates: Estimates;
  readonly tilt: Tilt;
  readonly dial: Dial;
  readonly habits: TiltHabits;
  readonly onHabits: (habits: TiltHabits) => void;
}

/** How one range is read: where, until when, and two or three readings by the method at hand. */
export function Entry({ work, person, estimates, tilt, dial, habits, onHabits }: EntryProps) {
  const dispatch = useOjasDispatch();
  const { entry, protocol, method, range, context, sem, fault, eyes, mean, typed, take, caution } =
    work;
  const units = useUnits();
  const say = useWords();
  const id = entry.range;
  const ways = protocolsOf(id);
  const usual = usualOf(id, person.sex);
  const seatCm = seatOf(entry.seat, units);
  const converted =
    entry.values.length === 0
      ? null
      : protocol.convert(mean, sem / Math.sqrt(entry.values.length), context);
  const believed = estimates[keyOf(id, entry.side)];
  const drawnAt = entry.values.length > 0 ? mean : valueShowing(protocol, usual.mean, context);
  const photo = protocol.photo;
  const shownAs = (value: number) => (protocol.unit === 'cm' ? fromCm(value, units) : value);
  return (
    <View className="gap-4 lg:flex-row">
      <Sheet className="lg:flex-1">
        <Title level={2}>{rangeName(range.id)}</Title>
        {range.sided ? (
          <Chips
            label="Side"
            options={(['left', 'right'] as const).map((one) => ({
              id: one,
              words: `${one === 'left' ? 'Left' : 'Right'} ${shortOf(estimates, id, one)}`,
            }))}
            chosen={entry.side}
            onChoose={(side) => work.beginAnew({ side })}
          />
        ) : null}
        {ways.length > 1 ? (
          <Chips
            label="Way of reading"
            options={ways.map((one) => ({ id: one.id, words: one.name }))}
            chosen={protocol.id}
            onChoose={(next) => work.beginAnew({ protocol: next })}
          />
        ) : null}
        <Chips
          label="Method"
          options={protocol.methods.map((one) => ({ id: one, words: methods[one].name }))}
          chosen={method}
          onChoose={(next) => {
            work.beginAnew({});
            dispatch(methodChosen(next));
          }}
        />
        {caution.leftOut ? null : (
          <Guide protocol={protocol} body={context.body} value={drawnAt} seatCm={seatCm} />
        )}
      </Sheet>
      {caution.leftOut ? (
        <LeftOut caution={caution} say={say} />
      ) : (
        <Sheet className="lg:flex-1">
          {caution.reasons.map(say.reason).map((words) => (
            <Words key={words} className="text-rust">
              {words}
            </Words>
          ))}
          {protocol.onSeat ? (
            <Field
              label="Seat height"
              hint={`${units}, 0 for the floor`}
              inputMode="decimal"
              value={entry.seat}
              onChangeText={(seat) => void dispatch(entryChanged({ seat }))}
            />
          ) : null}
          {work.way ? (
            <TiltReading
              tilt={tilt}
              way={work.way}
              dial={dial}
              habits={habits}
              onHabits={onHabits}
            />
          ) : null}
          {method === 'photo' && photo ? (
            <PhotoReading
              key={`${protocol.id}${entry.side}`}
              way={photo}
              protocol={protocol}
              body={context.body}
              usual={drawnAt}
              onTaken={take}
            />
          ) : null}
          {method === 'by-eye' ? (
            <EyeReading
              key={`${protocol.id}${entry.side}`}
              protocol={protocol}
              body={context.body}
              steps={eyeSteps(protocol, usual, context)}
              seatCm={seatCm}
              semDeg={sem}
              proven={eyes?.[id] !== undefined}
              onTaken={take}
            />
          ) : null}
          {isTyped(method) ? (
            <TypedReading
              unit={protocol.unit === 'cm' ? units : 'degrees'}
              count={entry.values.length + 1}
              typed={typed}
              fault={fault}
              working={typedWorking(protocol, typed, context, units)}
              onType={work.setTyped}
              onTake={work.takeTyped}
            />
          ) : null}
          {fault && !isTyped(method) ? (
            <Words role="alert" className="text-rust">
              {fault}
            </Words>
          ) : null}
          {entry.values.length > 0 ? (
            <View className="gap-1">
              <ReadingDots
                values={entry.values.map(shownAs)}
                mean={shownAs(mean)}
                sem={shownAs(sem) / Math.sqrt(entry.values.length)}
                unit={protocol.unit === 'cm' ? ` ${units}` : '°'}
              />
              <Words role="status">
                Mean {valueIn(protocol.unit, mean, units)} ±{' '}
                {shownAs((1.28 * sem) / Math.sqrt(entry.values.length)).toFixed(
                  protocol.unit === 'cm' && units === 'in' ? 1 : 0,
                )}
                {converted && (Math.abs(converted.mean - mean) > 0.5 || protocol.unit === 'cm')
                  ? `, which is a range of ${withDoubt(converted.mean, converted.sem)}`
                  : ''}
                . A change is worth believing from{' '}
                {degrees(believableChange(converted?.sem ?? sem, 1))}.
              </Words>
              {protocol.unit === 'deg' && method !== 'protractor' ? (
                <Working words={workingWords(protocol, mean, context, units)} />
              ) : null}
              {disagree(entry.values, sem) ? (
                <Words className="text-rust">
                  The readings lie{' '}
                  {valueIn(
                    protocol.unit,
                    Math.max(...entry.values) - Math.min(...entry.values),
                    units,
                  )}{' '}
                  apart, more than this method explains: take another.
                </Words>
              ) : null}
              <Press kind="quiet" onPress={work.dropLast}>
                Drop the last one
              </Press>
            </View>
          ) : null}
          <Press kind="main" onPress={() => work.keepAll()}>
            Keep
          </Press>
          <Tick
            checked={entry.warm}
            onToggle={() => void dispatch(entryChanged({ warm: !entry.warm }))}
          >
            The body is warm (reads higher by about 4°)
          </Tick>
          <Field
            label="Note"
            hint="may stay empty"
            value={entry.note}
            onChangeText={(note) => void dispatch(entryChanged({ note }))}
          />
          {believed ? (
            <Aside>
              Believed now: {believed.source === 'measured' ? 'measured' : 'assumed'},{' '}
              {range.unit === 'deg'
                ? withDoubt(believed.mean, believed.sd)
                : believed.mean.toFixed(2)}
              .
            </Aside>
          ) : null}
        </Sheet>
      )}
    </View>
  );
}

/** A reading that the answers at intake leave out, with why and where to turn. */
const LeftOut = ({
  caution: { reasons, refer },
  say,
}: {
  readonly caution: ReadingVerdict;
  readonly say: Say;
}) => (
  <Sheet className="border-rust lg:flex-1">
    <Title level={2}>Not measured this way</Title>
    {reasons.map(say.reason).map((one) => (
      <Words key={one}>{one}</Words>
    ))}
    {refer.map(say.reason).map((one) => (
      <Aside key={one}>{one}</Aside>
    ))}
    <Words>
      Another way or the other side may be open. The plan goes on with what is usual, and its bands
      stay wide.
    </Words>
  </Sheet>
);

const isTyped = (method: MethodId) =>
  method === 'protractor' || method === 'tape' || method === 'from-pose';
const workingWords = (
  protocol: Protocol,
  value: number,
  context: ConversionContext,
  units: Units,
) => {
  const working = workingOf(protocol, value, context);
  return working && wordsIn(units).reason(working);
};
const typedWorking = (
  protocol: Protocol,
  typed: string,
  context: ConversionContext,
  units: Units,
) => {
  const read = readNumber(typed);
  const value = read.ok ? asRead(read.value, protocol, units) : NaN;
  return value >= protocol.least && value <= protocol.most
    ? workingWords(protocol, value, context, units)
    : null;
};

const Working = ({ words }: { readonly words: string | null }) =>
  words === null ? null : <Aside>{words}</Aside>;

const shortOf = (estimates: Estimates, id: RangeId, side: Side) => {
  const estimate = estimates[keyOf(id, side)];
  return estimate
    ? `${withDoubt(estimate.mean, estimate.sd)}${estimate.source === 'measured' ? '' : ' assumed'}`
    : '';
};
