import { View } from 'react-native';
import { arrows, stopOf } from './arrows';
import { Key } from './Key';
import { Type } from './Type';

/** One of several, as full keys. */
export function Choices<V extends string | number | boolean>({
  label,
  value,
  options,
  onChoose,
  column,
}: {
  label: string;
  value: V | undefined;
  options: readonly { value: V; label: string; sub?: string }[];
  onChoose: (value: V) => void;
  column?: boolean;
}) {
  const chosen = options.some((o) => o.value === value);
  return (
    <View className="gap-2">
      <Type kind="strong">{label}</Type>
      <View
        role="radiogroup"
        aria-label={label}
        className={column ? 'gap-2' : 'flex-row flex-wrap gap-2'}
        {...({ onKeyDown: arrows } as object)}
      >
        {options.map((o, i) => (
          <Key
            key={String(o.value)}
            role="radio"
            label={o.label}
            sub={o.sub}
            selected={o.value === value}
            stop={stopOf(o.value === value, i === 0, chosen)}
            onPress={() => onChoose(o.value)}
            left={column}
          />
        ))}
      </View>
    </View>
  );
}
