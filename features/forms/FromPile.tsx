import { useState } from 'react';
import { View } from 'react-native';
import type { Units } from '@/ui/format';
import { Field } from '@/ui/Field';
import { readNumber } from '@/ui/number';
import { Press } from '@/ui/Press';
import { Aside } from '@/ui/Words';

/** One thing's share of a pile, as it is typed into its height: to a tenth. */
const shareOf = (pile: number, many: number) => String(Math.round((10 * pile) / many) / 10);
const MOST_IN_PILE = 12;

interface FromPileProps {
  /** How it lies: "folded twice". */
  readonly words: string;
  readonly units: Units;
  /** What one of the pile comes to, free and sat on; what was not measured is left as it is. */
  readonly onTake: (one: { readonly free?: string; readonly satOn?: string }) => void;
}

/** Several of the same, measured one on the other: a thin fold is read better so, and under load too. */
export function FromPile({ words, units, onTake }: FromPileProps) {
  const [open, setOpen] = useState(false);
  const [many, setMany] = useState('');
  const [free, setFree] = useState('');
  const [satOn, setSatOn] = useState('');
  const count = readNumber(many);
  const manyFault =
    many === '' ||
    (count.ok && Number.isInteger(count.value) && count.value >= 2 && count.value <= MOST_IN_PILE)
      ? undefined
      : `From 2 to ${MOST_IN_PILE} of them.`;
  const [freeRead, satRead] = [readNumber(free), readNumber(satOn)];
  const faultOf = (typed: string, read: typeof freeRead) =>
    typed === '' || read.ok ? undefined : read.words;
  const sinks = freeRead.ok && satRead.ok && satRead.value > freeRead.value;
  const ready = count.ok && manyFault === undefined && (freeRead.ok || satRead.ok) && !sinks;
  if (!open)
    return (
      <Press
        kind="quiet"
        className="self-start"
        aria-label={`Measured as a pile, ${words}`}
        onPress={() => setOpen(true)}
      >
        Measured as a pile
      </Press>
    );
  return (
    <View role="group" aria-label={`A pile, ${words}`} className="gap-2">
      <Aside>
        Lay several one on the other, measure the pile free and with somebody sitting on it.
      </Aside>
      <Field
        label={`How many in the pile, ${words}`}
        value={many}
        inputMode="numeric"
        fault={manyFault}
        onChangeText={setMany}
      />
      <Field
        label={`Pile free, ${words}`}
        hint={units}
        value={free}
        inputMode="decimal"
        fault={faultOf(free, freeRead)}
        onChangeText={setFree}
      />
      <Field
        label={`Pile sat on, ${words}`}
        hint={units}
        value={satOn}
        inputMode="decimal"
        fault={sinks ? 'Sat on: cannot be higher than free.' : faultOf(satOn, satRead)}
        onChangeText={setSatOn}
      />
      <Press
        disabled={!ready}
        onPress={() => {
          if (!count.ok) return;
          onTake({
            ...(freeRead.ok ? { free: shareOf(freeRead.value, count.value) } : {}),
            ...(satRead.ok ? { satOn: shareOf(satRead.value, count.value) } : {}),
          });
          setOpen(false);
        }}
      >
        Take one’s share of it
      </Press>
    </View>
  );
}
