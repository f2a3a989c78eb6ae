import { useState } from 'react';
import { MOST_HELD_SECONDS } from '@/store/mat';
import { minutes } from '@/ui/format';
import { Field } from '@/ui/Field';
import { readNumber } from '@/ui/number';
import { Press } from '@/ui/Press';
import { Sheet } from '@/ui/Sheet';
import { Title, Words } from '@/ui/Words';
import { MatFrame } from './place';

interface HowLongProps {
  readonly title: string;
  /** Seconds that the timer ran. */
  readonly held: number;
  readonly planned: number;
  readonly onSaid: (seconds: number) => Promise<unknown>;
  readonly onBack: () => void;
}

/** A hold that was left running is asked about, and not recorded as it ran. */
export function HowLong({ title, held, planned, onSaid, onBack }: HowLongProps) {
  const [typed, setTyped] = useState('');
  const [fault, setFault] = useState<string>();
  const most = MOST_HELD_SECONDS / 60;
  const say = () => {
    const read = readNumber(typed);
    if (!read.ok) return setFault(`Minutes: ${read.words}`);
    if (read.value < 0 || read.value > most)
      return setFault(`Minutes: ${read.value} is not between 0 and ${most}.`);
    return onSaid(Math.round(read.value * 60));
  };
  return (
    <MatFrame title={title}>
      <Sheet>
        <Title level={2}>How long was it held?</Title>
        <Words>
          The timer ran for {minutes(held)}, where {minutes(planned)} were planned: it may have been
          left running.
        </Words>
        <Press
          kind="main"
          onPress={() => onSaid(planned)}
        >{`As planned, ${minutes(planned)}`}</Press>
        {held <= MOST_HELD_SECONDS ? (
          <Press onPress={() => onSaid(held)}>{`As the timer ran, ${minutes(held)}`}</Press>
        ) : null}
        <Field
          label="Minutes"
          hint="where it was something else"
          inputMode="decimal"
          value={typed}
          onChangeText={setTyped}
          fault={fault}
        />
        <Press onPress={say}>Record these minutes</Press>
        <Press kind="quiet" onPress={onBack}>
          Back to the pose
        </Press>
      </Sheet>
    </MatFrame>
  );
}
