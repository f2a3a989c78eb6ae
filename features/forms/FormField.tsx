import type { ComponentProps } from 'react';
import { useController, type Control, type FieldPath, type FieldValues } from 'react-hook-form';
import { Field } from '@/ui/Field';

interface FormFieldProps<T extends FieldValues, Read> extends Omit<
  ComponentProps<typeof Field>,
  'value' | 'onChangeText' | 'fault'
> {
  readonly control: Control<T, unknown, Read>;
  readonly name: FieldPath<T>;
}

/** An entry of a form, with what the form finds wrong with it. */
export function FormField<T extends FieldValues, Read = T>({
  control,
  name,
  onBlur,
  ...field
}: FormFieldProps<T, Read>) {
  const { field: held, fieldState } = useController({ control, name });
  return (
    <Field
      {...field}
      value={held.value ?? ''}
      onChangeText={held.onChange}
      onBlur={(event) => {
        held.onBlur();
        onBlur?.(event);
      }}
      fault={fieldState.error?.message}
    />
  );
}
