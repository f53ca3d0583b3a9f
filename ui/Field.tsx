import { View, TextInput, type TextInputProps } from 'react-native';
import { Type } from './Type';

/** A text entry with its label above and what is wrong below, beside what was typed. */
export function Field({
  label,
  unit,
  error,
  ...rest
}: TextInputProps & { label: string; unit?: string; error?: string }) {
  return (
    <View className="gap-1">
      <Type kind="strong">{label}</Type>
      <View className="flex-row items-center gap-2">
        <TextInput
          aria-label={unit ? `${label}, ${unit}` : label}
          aria-invalid={error !== undefined}
          className="min-h-[52px] min-w-0 flex-1 rounded-key border-edge border-ink bg-plate px-3 py-2 font-text text-key text-ink"
          {...rest}
        />
        {unit ? <Type kind="key">{unit}</Type> : null}
      </View>
      {error ? (
        <Type kind="smallStrong" tone="scorch" role="alert">
          {error}
        </Type>
      ) : null}
    </View>
  );
}
