import { useState } from 'react';
import { View } from 'react-native';
import { bodyFrom } from '@/core/body/body';
import { believableChange, type Estimates } from '@/core/estimate/estimate';
import { disagree } from '@/core/estimate/observations';
import type { Person, Reading } from '@/core/formats/book';
import { readingFaults } from '@/core/formats/check';
import { methods, protocolsOf, semOf, type MethodId } from '@/core/ranges/protocols';
import { keyOf, ranges, type RangeId, type Side } from '@/core/ranges/ranges';
import { degrees, withDoubt } from '@/ui/format';
import { Field } from '@/ui/Field';
import { Keypad } from '@/ui/Keypad';
import { readNumber } from '@/ui/number';
import { Chips, Press, Tick } from '@/ui/Press';
import { Sheet } from '@/ui/Sheet';
import { Aside, Title, Words } from '@/ui/Words';
import { ReadingDots } from './ReadingDots';

export type ReadingFields = Pick<Reading, 'method' | 'protocol' | 'values' | 'warm' | 'seatCm' | 'note'>;

interface ReadingEntryProps {
  readonly range: RangeId;
  readonly side: Side;
  readonly estimates: Estimates;
  readonly person: Person;
  readonly onSide: (side: Side) => void;
  readonly onKeep: (fields: ReadingFields) => Promise<boolean>;
}

const MOST_READINGS = 5;
const MOST_SEAT_CM = 80;

/** How one range is read: where, until when, and two or three values on the keypad. */
export function ReadingEntry({ range: id, side, estimates, person, onSide, onKeep }: ReadingEntryProps) {
  const range = ranges[id];
  const ways = protocolsOf(id);
  const [protocolId, setProtocolId] = useState(ways[0]?.id);
  const protocol = ways.find((one) => one.id === protocolId) ?? ways[0];
  const [method, setMethod] = useState<MethodId>(protocol?.methods.includes('protractor') ? 'protractor' : (protocol?.methods[0] ?? 'protractor'));
  const [typed, setTyped] = useState('');
  const [values, setValues] = useState<readonly number[]>([]);
  const [warm, setWarm] = useState(false);
  const [seat, setSeat] = useState('0');
  const [note, setNote] = useState('');
  const [fault, setFault] = useState<string>();
  if (!protocol) return null;

  const choose = (next: string) => {
    const way = ways.find((one) => one.id === next);
    setProtocolId(next);
    setValues([]);
    setFault(undefined);
    if (way && !way.methods.includes(method)) setMethod(way.methods[0] as MethodId);
  };
  const sem = semOf(protocol, method);
  const unit = protocol.unit === 'cm' ? ' cm' : '°';
  const asksSeat = protocol.onSeat === true;

  /** Adds what is typed; undefined when it cannot stand. */
  const withTyped = (): readonly number[] | undefined => {
    const read = readNumber(typed);
    if (!read.ok) {
      setFault(`${range.name}: ${read.words}`);
      return undefined;
    }
    const faults = readingFaults({ range: id, method, protocol: protocol.id, values: [read.value], side: range.sided ? side : 'both' });
    if (faults.length > 0) {
      setFault(faults.join(' '));
      return undefined;
    }
    return [...values, read.value];
  };
  const take = () => {
    const next = withTyped();
    if (!next) return;
    setValues(next.slice(-MOST_READINGS));
    setTyped('');
    setFault(undefined);
  };
  const keep = async () => {
    const all = typed.trim() === '' ? values : withTyped();
    if (!all) return;
    if (all.length === 0) return setFault(`${range.name}: enter at least one reading.`);
    const seatRead = readNumber(seat);
    if (asksSeat && (!seatRead.ok || seatRead.value < 0 || seatRead.value > MOST_SEAT_CM)) return setFault(`Seat: ${seatRead.ok ? `${seatRead.value} is not between 0 and ${MOST_SEAT_CM} cm.` : seatRead.words}`);
    const kept = await onKeep({ method, protocol: protocol.id, values: [...all], warm, note, ...(asksSeat && seatRead.ok ? { seatCm: seatRead.value } : {}) });
    if (!kept) return;
    setValues([]);
    setTyped('');
    setNote('');
    setFault(undefined);
  };

  const believed = estimates[keyOf(id, side)];
  const mean = values.reduce((sum, value) => sum + value, 0) / values.length;
  const converted = values.length === 0 ? null : protocol.convert(mean, sem / Math.sqrt(values.length), {
    body: bodyFrom(person.statureCm, person.bodyCm), coupling: { mean: estimates.hamstringCoupling?.mean ?? 0.95, sd: estimates.hamstringCoupling?.sd ?? 0.2 },
    ...(asksSeat ? { seatCm: seatOf(seat) } : {}),
  });
  return (
    <Sheet>
      <Title level={2}>{range.name}</Title>
      {range.sided ? <Chips label="Side" options={(['left', 'right'] as const).map((one) => ({ id: one, words: `${one === 'left' ? 'Left' : 'Right'} ${shortOf(estimates, id, one)}` }))} chosen={side} onChoose={onSide} /> : null}
      {ways.length > 1 ? <Chips label="Way of reading" options={ways.map((one) => ({ id: one.id, words: one.name }))} chosen={protocol.id} onChoose={choose} /> : null}
      <Chips label="Method" options={protocol.methods.map((one) => ({ id: one, words: methods[one].name }))} chosen={method} onChoose={setMethod} />
      <View className="gap-1">
        <Words>{protocol.position}</Words>
        <Words><Words className="font-semibold">Hold still: </Words>{protocol.holdStill}</Words>
        <Words><Words className="font-semibold">Tool: </Words>{protocol.tool}</Words>
        <Words className="text-rust">{protocol.stopWhen}</Words>
        <Aside>What spoils it: {protocol.spoiledBy}</Aside>
      </View>
      {asksSeat ? <Field label="Seat height" hint="cm, 0 for the floor" inputMode="decimal" value={seat} onChangeText={setSeat} /> : null}
      <Field label={`Reading ${values.length + 1}`} hint={protocol.unit === 'cm' ? 'cm' : 'degrees'} inputMode="decimal" value={typed} onChangeText={setTyped} onSubmitEditing={take} fault={fault} />
      <Keypad onKey={(key) => setTyped(key === 'back' ? typed.slice(0, -1) : typed + key)} />
      <View className="flex-row flex-wrap gap-2">
        <Press className="flex-1" onPress={take}>Take this reading</Press>
        <Press className="flex-1" kind="main" onPress={() => void keep()}>Keep</Press>
      </View>
      {values.length > 0 ? (
        <View className="gap-1">
          <ReadingDots values={values} mean={mean} sem={sem / Math.sqrt(values.length)} unit={unit} />
          <Words>
            Mean {mean.toFixed(0)}{unit} ± {(1.28 * sem / Math.sqrt(values.length)).toFixed(0)}{converted && (Math.abs(converted.mean - mean) > 0.5 || protocol.unit === 'cm') ? `, which is a range of ${withDoubt(converted.mean, converted.sem)}` : ''}. A change is worth believing from {degrees(believableChange(converted?.sem ?? sem, 1))}.
          </Words>
          {disagree(values, sem) ? <Words className="text-rust">The readings lie {(Math.max(...values) - Math.min(...values)).toFixed(0)}{unit} apart, more than this method explains: take another.</Words> : null}
          <Press kind="quiet" onPress={() => setValues(values.slice(0, -1))}>Drop the last one</Press>
        </View>
      ) : null}
      <Tick checked={warm} onToggle={() => setWarm(!warm)}>The body is warm (reads higher by about 4°)</Tick>
      <Field label="Note" hint="may stay empty" value={note} onChangeText={setNote} />
      {believed ? <Aside>Believed now: {believed.source === 'measured' ? 'measured' : 'assumed'}, {range.unit === 'deg' ? withDoubt(believed.mean, believed.sd) : believed.mean.toFixed(2)}.</Aside> : null}
    </Sheet>
  );
}

const seatOf = (text: string) => {
  const read = readNumber(text);
  return read.ok ? read.value : 0;
};

const shortOf = (estimates: Estimates, id: RangeId, side: Side) => {
  const estimate = estimates[keyOf(id, side)];
  return estimate ? `${withDoubt(estimate.mean, estimate.sd)}${estimate.source === 'measured' ? '' : ' assumed'}` : '';
};
