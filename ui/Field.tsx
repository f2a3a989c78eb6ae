import { useId } from 'react';
import { TextInput, View, type TextInputProps } from 'react-native';
import { Aside, Words } from './Words';

interface FieldProps extends Omit<TextInputProps, 'id'> {
  readonly label: string;
  /** Unit or hint behind the label. */
  readonly hint?: string;
  /** What is wrong, and what is expected. */
  readonly fault?: string | undefined;
  readonly inputRef?: React.Ref<TextInput>;
}

/** A labelled entry with its fault beneath. */
export function Field({ label, hint, fault, inputRef, ...rest }: FieldProps) {
  const id = useId();
  return (
    <View className="gap-1">
      <View className="flex-row flex-wrap items-baseline gap-2">
        <Words nativeID={`${id}-label`} className="font-semibold">
          {label}
        </Words>
        {hint ? <Aside>{hint}</Aside> : null}
      </View>
      <TextInput
        ref={inputRef}
        aria-labelledby={`${id}-label`}
        aria-invalid={fault !== undefined}
        aria-describedby={fault ? `${id}-fault` : undefined}
        className={`min-h-12 rounded-md border bg-sheet px-3 font-text text-base text-ink ${fault ? 'border-rust' : 'border-faint'}`}
        {...rest}
      />
      {fault ? (
        <Words nativeID={`${id}-fault`} role="alert" className="text-rust">
          {fault}
        </Words>
      ) : null}
    </View>
  );
}
