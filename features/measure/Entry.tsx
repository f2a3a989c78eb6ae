import { useMemo, type RefObject } from 'react';
import { View, type View as ViewType } from 'react-native';
import type { Estimates } from '@/core/estimate/estimate';
import { believableFrom, looksAt, steadyLooks, swingBetween } from '@/core/estimate/looks';
import { disagree } from '@/core/estimate/observations';
import type { Person } from '@/core/formats/book';
import { eyeSteps, usualOf, valueShowing } from '@/core/measure/shown';
import { workingOf } from '@/core/measure/working';
import {
  methods,
  protocolsOf,
  semOfMean,
  wholeError,
  type ConversionContext,
  type MethodId,
  type Protocol,
} from '@/core/protocols/protocols';
import { keyOf, type RangeId, type Side } from '@/core/ranges/ranges';
import type { ReadingVerdict } from '@/core/safety/reading';
import { entryChanged, methodChosen } from '@/store/measuring';
import { degrees, readIn, shownIn, withDoubt, type Units } from '@/ui/format';
import { Field } from '@/ui/Field';
import { readNumber } from '@/ui/number';
import { Chips, Press, Tick } from '@/ui/Press';
import { Sheet } from '@/ui/Sheet';
import { Aside, Title, Words } from '@/ui/Words';
import { rangeName, valueIn, wordsIn, type Words as Say } from '@/ui/words/words';
import { nowIso, useOjas, useOjasDispatch, useWords } from '../hooks';
import { dayOf, shiftDays } from '@/core/formats/time';
import { selectRecord } from '@/store/selectors';
import { EyeReading } from './EyeReading';
import { Guide } from './Guide';
import { PhotoReading } from './photo/PhotoReading';
import { ReadingDots } from '@/ui/charts/ReadingDots';
import type { Dial } from './tilt/sources';
import { TiltReading, type TiltHabits } from './tilt/TiltReading';
import type { Tilt } from './tilt/useTilt';
import { TypedReading } from './TypedReading';
import { seatOf, type EntryWork } from './useEntry';

interface EntryProps {
  readonly work: EntryWork;
  readonly person: Person;
  readonly estimates: Estimates;
  readonly tilt: Tilt;
  readonly dial: Dial;
  readonly habits: TiltHabits;
  readonly onHabits: (habits: TiltHabits) => void;
  /** Where one goes to when what is read changes, and whether it did. */
  readonly top: RefObject<ViewType | null>;
  readonly went: boolean;
  /** The other side of this range is read next. */
  readonly otherSideNext: boolean;
}

/** How one range is read: where, until when, and two or three readings by the method at hand. */
export function Entry(props: EntryProps) {
  const { work, person, estimates, otherSideNext } = props;
  const { entry, range, caution } = work;
  const say = useWords();
  const believed = estimates[keyOf(entry.range, entry.side)];
  return (
    <View className="gap-4 lg:flex-row">
      <Ways {...props} />
      {caution.leftOut ? (
        <LeftOut caution={caution} say={say} />
      ) : (
        <Sheet className="lg:flex-1">
          {caution.reasons.map(say.reason).map((words) => (
            <Words key={words} className="text-rust">
              {words}
            </Words>
          ))}
          <ByMethod {...props} />
          <Readings work={work} person={person} estimates={estimates} />
          <Remarks work={work} otherSideNext={otherSideNext} />
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

type OfWork = Pick<EntryProps, 'work'>;

/** What is drawn beside a way of reading: the mean of what was read, else what is usual. */
const drawnAtOf = ({ entry, mean, protocol, context }: EntryWork, person: Person) =>
  entry.values.length > 0
    ? mean
    : valueShowing(protocol, usualOf(entry.range, person.sex).mean, context);

/** Side, way and method, with the drawing that says where and until when. */
function Ways({ work, person, estimates, top, went }: EntryProps) {
  const dispatch = useOjasDispatch();
  const { entry, protocol, method, range, context, caution, units } = work;
  const id = entry.range;
  const ways = protocolsOf(id);
  return (
    <Sheet className="lg:flex-1">
      <View ref={top} tabIndex={-1} className="outline-none">
        <Title level={2}>{rangeName(range.id)}</Title>
      </View>
      {went ? (
        <Words role="status">
          Now {rangeName(range.id).toLowerCase()}
          {range.sided ? `, ${entry.side}` : ''}.
        </Words>
      ) : null}
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
        <Guide
          protocol={protocol}
          body={context.body}
          value={drawnAtOf(work, person)}
          seatCm={seatOf(entry.seat, units)}
        />
      )}
    </Sheet>
  );
}

/** Where a reading comes from by the method at hand. */
function ByMethod({ work, person, tilt, dial, habits, onHabits }: EntryProps) {
  const dispatch = useOjasDispatch();
  const { entry, protocol, method, context, sem, fault, eyes, typed, take, units } = work;
  const id = entry.range;
  return (
    <>
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
        <TiltReading tilt={tilt} way={work.way} dial={dial} habits={habits} onHabits={onHabits} />
      ) : null}
      {method === 'photo' && protocol.photo ? (
        <PhotoReading
          key={`${protocol.id}${entry.side}`}
          way={protocol.photo}
          protocol={protocol}
          body={context.body}
          usual={drawnAtOf(work, person)}
          onTaken={take}
        />
      ) : null}
      {method === 'by-eye' ? (
        <EyeReading
          key={`${protocol.id}${entry.side}`}
          protocol={protocol}
          body={context.body}
          steps={eyeSteps(protocol, usualOf(id, person.sex), context)}
          seatCm={seatOf(entry.seat, units)}
          semDeg={sem}
          proven={eyes?.[id] !== undefined}
          picked={work.picked}
          onPicked={work.setPicked}
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
    </>
  );
}

/** What was read so far: its mean, its error, and the range that it comes to. */
function Readings(props: Pick<EntryProps, 'work' | 'person' | 'estimates'>) {
  return props.work.entry.values.length === 0 ? null : <ReadSoFar {...props} />;
}

function ReadSoFar({ work, person, estimates }: Pick<EntryProps, 'work' | 'person' | 'estimates'>) {
  const { entry, protocol, method, context, sem, mean, units } = work;
  const { range: id, side, values } = entry;
  const record = useOjas((state) => selectRecord(state, person.id));
  const before = useMemo(
    () => (record ? steadyLooks(looksAt(record, id, side)) : []),
    [record, id, side],
  );
  const isLength = protocol.unit === 'cm';
  const shownAs = (value: number) => shownIn(protocol.unit, value, units);
  const ofMean = semOfMean(sem, values.length);
  const converted = protocol.convert(mean, ofMean, context);
  const now = {
    ...converted,
    lasting: { [protocol.id]: converted.lasting },
    day: dayOf(nowIso()),
  };
  // The first look at a range is held against one like it.
  const believable = believableFrom(
    now,
    before.length > 0 ? before : [{ ...now, day: shiftDays(now.day, -1) }],
    swingBetween(id, estimates[keyOf(id, side)]),
  );
  return (
    <View className="gap-1">
      <ReadingDots
        values={values.map(shownAs)}
        mean={shownAs(mean)}
        sem={shownAs(ofMean)}
        unit={isLength ? ` ${units}` : '°'}
      />
      <Words role="status">
        Mean {valueIn(protocol.unit, mean, units)} ±{' '}
        {shownAs(1.28 * ofMean).toFixed(isLength && units === 'in' ? 1 : 0)}
        {isLength || Math.abs(converted.mean - mean) > 0.5
          ? `, which is a range of ${withDoubt(converted.mean, wholeError(converted))}`
          : ''}
        . A change is worth believing from {degrees(believable)}.
      </Words>
      {protocol.unit === 'deg' && method !== 'protractor' ? (
        <Working words={workingWords(protocol, mean, context, units)} />
      ) : null}
      {disagree(values, sem) ? (
        <Words className="text-rust">
          The readings lie{' '}
          {valueIn(protocol.unit, Math.max(...values) - Math.min(...values), units)} apart, more
          than this method explains: take another.
        </Words>
      ) : null}
      <Press kind="quiet" onPress={work.dropLast}>
        Drop the last one
      </Press>
    </View>
  );
}

/** Keeping it, with what else is to be said. */
function Remarks({ work, otherSideNext }: OfWork & Pick<EntryProps, 'otherSideNext'>) {
  const dispatch = useOjasDispatch();
  const { entry } = work;
  return (
    <>
      {work.doubted ? (
        <View className="gap-2">
          <Words role="alert" className="text-rust">
            {work.doubted}
          </Words>
          <Press onPress={() => void work.keepAllTheSame()}>It is so: save it</Press>
        </View>
      ) : null}
      <Press kind="main" onPress={() => work.keepAll()}>
        {otherSideNext ? 'Save, other side' : 'Save'}
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
    </>
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
  const value = read.ok ? readIn(protocol.unit, read.value, units) : NaN;
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
