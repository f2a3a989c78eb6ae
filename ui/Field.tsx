import { TextInput, type TextInputProps } from 'react-native';
import { Labelled } from './Labelled';

interface FieldProps extends Omit<TextInputProps, 'id'> {
  readonly label: string;
  /** Unit or hint behind the label. */
  readonly hint?: string;
  /** What is wrong, and what is expected. */
  readonly fault?: string | undefined;
  readonly inputRef?: React.Ref<TextInput>;
}

/** A labelled entry with its fault beneath. */
export const Field = ({ label, hint, fault, inputRef, ...rest }: FieldProps) => (
  <Labelled {...{ label, hint, fault }}>
    {(entry) => <TextInput ref={inputRef} {...entry} {...rest} />}
  </Labelled>
);
