import { useController, type Control, type FieldValues, type Path } from 'react-hook-form';
import { useState, type ComponentProps } from 'react';
import { Choices } from '../../ui/Choices';
import { Field } from '../../ui/Field';
import { useUnit } from '../../ui/units';
import { fieldError, numberOf } from './typed';

type Of<T extends FieldValues> = { control: Control<T, unknown, unknown>; name: Path<T> };

/**
 * A field of a form: what was typed stays, and what is wrong with it is said at its place. Grams are typed in the cook's own
 * unit, and are grams in the form.
 * @param asLabelled the figure is copied off a packet: in its unit, whatever the cook's own
 */
export function FormField<T extends FieldValues>({
  control,
  name,
  unit,
  asLabelled = false,
  placeholder,
  ...rest
}: Of<T> &
  Omit<ComponentProps<typeof Field>, 'value' | 'onChangeText' | 'onBlur' | 'error'> & { asLabelled?: boolean }) {
  const { field, fieldState } = useController({ control, name });
  const mass = useUnit('g');
  const own = unit === 'g' && !asLabelled && mass.per !== 1;
  const [typed, setTyped] = useState<string | undefined>();
  const inGrams = String(field.value ?? '');
  const shownOf = (grams: string) => {
    const n = numberOf(grams);
    return own && Number.isFinite(n) ? String(Math.round((n / mass.per) * 100) / 100) : grams;
  };
  return (
    <Field
      {...rest}
      {...(unit === undefined ? {} : { unit: own ? mass.name : unit })}
      {...(placeholder === undefined ? {} : { placeholder: shownOf(placeholder) })}
      value={inGrams === '' ? '' : ((own ? typed : undefined) ?? shownOf(inGrams))}
      onChangeText={(text) => {
        setTyped(text);
        const n = numberOf(text);
        field.onChange(own && Number.isFinite(n) ? String(n * mass.per) : text);
      }}
      onBlur={() => {
        setTyped(undefined);
        field.onBlur();
      }}
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
