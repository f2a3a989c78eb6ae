import { useMemo, useState } from 'react';
import { Image, View } from 'react-native';
import Svg, { Circle, Path } from '@/ui/svg';
import { errorOf, looksAt, methodsCompared, type Look } from '@/core/estimate/looks';
import type { StudentRecord } from '@/core/estimate/estimate';
import { meanOf } from '@/core/estimate/observations';
import type { Reading } from '@/core/formats/book';
import { inTime } from '@/core/formats/time';
import { readingRefused } from '@/core/formats/readingRefused';
import { methods, protocolOf, type ConversionContext } from '@/core/protocols/protocols';
import { ranges, type RangeId, type ReadingSide, type Side } from '@/core/ranges/ranges';
import type { KeptPicture } from '@/store/facts';
import { date, fromCm, length, readIn, shownIn, toCm, withDoubt } from '@/ui/format';
import { Field } from '@/ui/Field';
import { readNumber } from '@/ui/number';
import { Course } from '@/ui/charts/Course';
import { Chips, Press, Tick } from '@/ui/Press';
import { Sheet } from '@/ui/Sheet';
import { tone } from '@/ui/tones';
import { Aside, Title, Words } from '@/ui/Words';
import { rangeName } from '@/ui/words/words';
import { useUnits, useWords } from '../hooks';

interface HistoryProps {
  readonly record: StudentRecord;
  readonly range: RangeId;
  readonly side: Side;
  /** What conversions lean on for this student. */
  readonly context: ConversionContext;
  readonly pictures: Readonly<Record<string, KeptPicture>>;
  /** Stores a reading put right, given how it was; says what is wrong, or null. */
  readonly onChange: (
    before: Reading,
    after: Reading,
  ) => Promise<{ readonly refused: string; readonly now: Reading } | null>;
  readonly onRemove: (reading: Reading) => void;
}

/**
 * All that was ever read of a range on a side: the level with its band, each reading, and the changes that are real.
 */
export function History(props: HistoryProps) {
  const { record, range, side, context, pictures, onChange, onRemove } = props;
  const [editing, setEditing] = useState<string | null>(null);
  // Estimates of every day that was read: not to be reckoned again at each key that is typed above.
  const looks = useMemo(() => looksAt(record, range, side), [record, range, side]);
  const own = inTime(
    record.readings.filter(
      (one) => one.range === range && (one.side === 'both' || one.side === side),
    ),
  ).reverse();
  if (own.length === 0) return null;
  const byId = new Map(looks.map((look) => [look.reading.id, look]));
  const real = looks.filter(({ change }) => change !== null);
  const compared = methodsCompared(looks);
  return (
    <Sheet>
      <Title level={2}>Readings so far{ranges[range].sided ? `, ${side}` : ''}</Title>
      {looks.length > 1 ? <Course looks={looks} name={rangeName(range)} /> : null}
      {looks.length > 1 ? (
        <Words>
          {real.length === 0
            ? 'No change beyond what chance explains.'
            : `${real.length === 1 ? 'One real change' : `${real.length} real changes`}; the last on ${date((real.at(-1) as Look).day)}: ${changeWords(real.at(-1) as Look)}.`}
        </Words>
      ) : null}
      {own.map((reading) => (
        <View key={reading.id} className="gap-1 border-b border-line pb-2">
          <ReadingLine reading={reading} look={byId.get(reading.id)} />
          {pictures[reading.id] ? (
            <KeptImage picture={pictures[reading.id] as KeptPicture} />
          ) : null}
          {editing === reading.id ? (
            <EditReading
              reading={reading}
              context={context}
              onSave={onChange}
              onDone={() => setEditing(null)}
            />
          ) : (
            <View className="flex-row flex-wrap gap-1">
              <Press
                kind="quiet"
                aria-label={`Edit the reading of ${date(reading.at)}, ${reading.side}`}
                onPress={() => setEditing(reading.id)}
              >
                Edit
              </Press>
              <Press
                kind="quiet"
                aria-label={`Remove the reading of ${date(reading.at)}, ${reading.side}`}
                onPress={() => onRemove(reading)}
              >
                Remove
              </Press>
            </View>
          )}
        </View>
      ))}
      {compared.length > 1 ? <Compared compared={compared} range={range} /> : null}
    </Sheet>
  );
}

const changeWords = ({ change }: Look) =>
  change === null
    ? ''
    : `${Math.abs(change.deg).toFixed(0)}° ${change.deg > 0 ? 'more' : 'less'}, where ${change.believable.toFixed(0)}° would be chance`;

function ReadingLine({
  reading,
  look,
}: {
  readonly reading: Reading;
  readonly look: Look | undefined;
}) {
  const protocol = protocolOf(reading.range, reading.method, reading.protocol);
  const units = useUnits();
  const unit = protocol?.unit ?? 'deg';
  return (
    <View>
      <Words>
        {date(reading.at)}: {reading.values.map((value) => shownIn(unit, value, units)).join(', ')}
        {unit === 'cm' ? ` ${units}` : '°'}
        {look && (protocol?.unit === 'cm' || Math.abs(look.mean - meanOf(reading.values)) > 0.5)
          ? ` → ${withDoubt(look.mean, errorOf(look))}`
          : ''}
        {look?.bound === 'atLeast' ? ' or more' : ''}
      </Words>
      <Aside>
        {methods[reading.method].name}
        {protocol ? `, ${protocol.name.toLowerCase()}` : ''}
        {reading.warm ? ', warm' : ''}
        {reading.seatCm === undefined ? '' : `, seat ${length(reading.seatCm, units)}`}
        {reading.note ? ` · ${reading.note}` : ''}
      </Aside>
      {look?.change ? (
        <Words className="font-semibold text-moss">
          {look.change.deg > 0 ? '▲' : '▼'} Real change: {changeWords(look)}
        </Words>
      ) : null}
    </View>
  );
}

function Compared({
  compared,
  range,
}: {
  readonly compared: ReturnType<typeof methodsCompared>;
  readonly range: RangeId;
}) {
  return (
    <View className="gap-1">
      <Title level={3}>Ways of reading, compared</Title>
      {compared.map(({ method, protocol, looks, overLevelDeg, sem }) => (
        <Words key={method + (protocol ?? '')}>
          {methods[method].name},{' '}
          {(protocolOf(range, method, protocol)?.name ?? protocol ?? '').toLowerCase()}: {looks}{' '}
          {looks === 1 ? 'reading' : 'readings'},{' '}
          {Math.abs(overLevelDeg) < 0.5
            ? 'at the level of all'
            : `${Math.abs(overLevelDeg).toFixed(0)}° ${overLevelDeg > 0 ? 'over' : 'under'} the level of all`}
          , each to ± {(1.28 * sem).toFixed(0)}°.
        </Words>
      ))}
    </View>
  );
}

const KEPT_WIDTH_PX = 220;

function KeptImage({
  picture: { dataUrl, widthPx, heightPx, points },
}: {
  readonly picture: KeptPicture;
}) {
  const height = (KEPT_WIDTH_PX * heightPx) / widthPx;
  return (
    <View style={{ width: KEPT_WIDTH_PX, height }}>
      <Image
        source={{ uri: dataUrl }}
        role="img"
        aria-label="The picture kept with this reading"
        style={{ position: 'absolute', width: KEPT_WIDTH_PX, height }}
      />
      <Svg
        width={KEPT_WIDTH_PX}
        height={height}
        viewBox={`0 0 ${widthPx} ${heightPx}`}
        style={{ position: 'absolute' }}
        aria-hidden
      >
        <Path
          d={points.map(([x, y], i) => `${i === 0 ? 'M' : 'L'}${x} ${y}`).join('')}
          fill="none"
          stroke={tone('thread')}
          strokeWidth={widthPx / 110}
        />
        {points.map(([x, y], i) => (
          <Circle
            key={i}
            cx={x}
            cy={y}
            r={widthPx / 70}
            fill={tone('sheet')}
            stroke={tone('thread')}
            strokeWidth={widthPx / 160}
          />
        ))}
      </Svg>
    </View>
  );
}

const sideWords = [
  { id: 'left', words: 'Left' },
  { id: 'right', words: 'Right' },
] as const satisfies readonly { id: ReadingSide; words: string }[];

/** Values, side, seat, warmth and note of a reading, put right. */
function EditReading({
  reading,
  context,
  onSave,
  onDone,
}: {
  readonly reading: Reading;
  readonly context: ConversionContext;
  readonly onSave: HistoryProps['onChange'];
  readonly onDone: () => void;
}) {
  const [opened, setOpened] = useState(reading);
  const units = useUnits();
  const say = useWords();
  const protocol = protocolOf(reading.range, reading.method, reading.protocol);
  const unit = protocol?.unit ?? 'deg';
  const shown = reading.values.map((value) => shownIn(unit, value, units));
  const [text, setText] = useState(shown.join(' '));
  const [side, setSide] = useState(reading.side);
  const [seat, setSeat] = useState(String(fromCm(reading.seatCm ?? 0, units)));
  const [warm, setWarm] = useState(reading.warm);
  const [note, setNote] = useState(reading.note);
  const [fault, setFault] = useState<string>();
  const save = async () => {
    const read = text
      .trim()
      .split(/[\s;]+/)
      .map(readNumber);
    const wrong = read.find((one) => !one.ok);
    if (wrong && !wrong.ok) return setFault(wrong.words);
    // A value that was not touched stays as it was read, to the last digit.
    const values = read.flatMap((one, i) => {
      if (!one.ok) return [];
      if (one.value === shown[i]) return [reading.values[i] as number];
      return [readIn(unit, one.value, units)];
    });
    const seatRead = readNumber(seat);
    if (protocol?.onSeat && !seatRead.ok) return setFault(`Seat: ${seatRead.words}`);
    const onSeat = protocol?.onSeat && seatRead.ok ? { seatCm: toCm(seatRead.value, units) } : {};
    const refusedHere = readingRefused({ ...reading, values, side, ...onSeat }, context);
    if (refusedHere.length > 0) return setFault(say.reasons(refusedHere));
    const refused = await onSave(opened, { ...opened, values, side, ...onSeat, warm, note });
    if (refused === null) return onDone();
    // What it says by now is what the next save starts from.
    setOpened(refused.now);
    return setFault(refused.refused);
  };
  return (
    <View className="gap-2">
      <Field
        label="Values"
        hint={`${unit === 'cm' ? `${units}, ` : ''}with spaces between`}
        value={text}
        onChangeText={setText}
        fault={fault}
      />
      {ranges[reading.range].sided ? (
        <Chips label="Side that was read" options={sideWords} chosen={side} onChoose={setSide} />
      ) : null}
      {protocol?.onSeat ? (
        <Field
          label="Seat of this reading"
          hint={units}
          inputMode="decimal"
          value={seat}
          onChangeText={setSeat}
        />
      ) : null}
      <Tick checked={warm} onToggle={() => setWarm(!warm)}>
        The body was warm
      </Tick>
      <Field label="Note of this reading" value={note} onChangeText={setNote} />
      <View className="flex-row flex-wrap gap-2">
        <Press kind="main" onPress={save}>
          Save the change
        </Press>
        <Press onPress={onDone}>Leave it</Press>
      </View>
    </View>
  );
}
