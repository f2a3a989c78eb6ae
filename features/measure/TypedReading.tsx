import { Field } from '@/ui/Field';
import { Keypad } from '@/ui/Keypad';
import { Press } from '@/ui/Press';
import { Words } from '@/ui/Words';

interface TypedReadingProps {
  readonly unit: 'cm' | 'in' | 'degrees';
  /** Which reading this would be, from 1. */
  readonly count: number;
  readonly typed: string;
  readonly fault: string | undefined;
  /** How what is typed becomes the range, in words. */
  readonly working: string | null;
  readonly onType: (typed: string) => void;
  readonly onTake: () => void;
}

/**
 * A value from a protractor or a tape, typed with one thumb or a keyboard; a tape shows its working while it is typed.
 */
export function TypedReading({
  unit,
  count,
  typed,
  fault,
  working,
  onType,
  onTake,
}: TypedReadingProps) {
  return (
    <>
      <Field
        label={`Reading ${count}`}
        hint={unit}
        inputMode="decimal"
        value={typed}
        onChangeText={onType}
        onSubmitEditing={onTake}
        fault={fault}
      />
      {working ? <Words>{working}</Words> : null}
      <Keypad onKey={(key) => onType(key === 'back' ? typed.slice(0, -1) : typed + key)} />
      <Press onPress={onTake}>Take this reading</Press>
    </>
  );
}
