import { useController, type Control, type FieldValues, type Path } from 'react-hook-form';
import type { ComponentProps } from 'react';
import { Choices } from '../../ui/Choices';
import { Field } from '../../ui/Field';
import { fieldError } from './typed';

type Of<T extends FieldValues> = { control: Control<T, unknown, unknown>; name: Path<T> };

/** A field of a form: what was typed stays, and what is wrong with it is said at its place. */
export function FormField<T extends FieldValues>({
  control,
  name,
  ...rest
}: Of<T> & Omit<ComponentProps<typeof Field>, 'value' | 'onChangeText' | 'onBlur' | 'error'>) {
  const { field, fieldState } = useController({ control, name });
  return (
    <Field
      {...rest}
      value={String(field.value ?? '')}
      onChangeText={field.onChange}
      onBlur={field.onBlur}
      error={fieldError(fieldState.error?.message)}
    />
  );
}

/** One of several, in a form. */
export function FormChoices<T extends FieldValues, V extends string | number | boolean>({
  control,
  name,
  ...rest
}: Of<T> & Omit<ComponentProps<typeof Choices<V>>, 'value' | 'onChoose'>) {
  const { field } = useController({ control, name });
  return <Choices {...rest} value={field.value as V} onChoose={field.onChange} />;
}
