import { Field } from '@/ui/Field';

interface PassphraseProps {
  readonly hint: string;
  readonly fault?: string | undefined;
  readonly value: string;
  readonly onChange: (passphrase: string) => void;
}

/** A passphrase, to be seen as it is written: nothing mends it, and nothing remembers it. */
export const Passphrase = ({ hint, fault, value, onChange }: PassphraseProps) => (
  <Field
    label="Passphrase"
    {...{ hint, fault, value }}
    onChangeText={onChange}
    autoCapitalize="none"
    autoComplete="off"
    spellCheck={false}
  />
);
