import { clsx } from 'clsx';
import type { ComponentType } from 'react';
import { Pressable, View } from 'react-native';
import { isSecond } from './once';
import { Type, type TypeKind, type TypeTone } from './Type';

type IconType = ComponentType<{ size?: number; color?: string; strokeWidth?: number }>;

const KINDS = {
  plain: { box: 'bg-plate border-edge border-ink', tone: 'ink' },
  yolk: { box: 'bg-yolk border-edge border-onyolk', tone: 'onyolk' },
  ink: { box: 'bg-ink border-edge border-ink', tone: 'field' },
  quiet: { box: 'border-edge border-transparent', tone: 'ink' },
  harm: { box: 'bg-plate border-edge border-scorch', tone: 'scorch' },
} as const satisfies Record<string, { box: string; tone: TypeTone }>;

const SIZES = {
  line: { box: 'min-h-[48px] min-w-[48px] px-2', text: 'smallStrong' },
  anywhere: { box: 'min-h-[48px] min-w-[48px] px-3', text: 'strong' },
  amount: { box: 'min-h-[56px] min-w-[56px] px-3 flat:min-h-[48px]', text: 'strong' },
  live: { box: 'min-h-[64px] min-w-[64px] px-2', text: 'key' },
  act: { box: 'min-h-[72px] px-4 flat:min-h-[52px]', text: 'title' },
} as const satisfies Record<string, { box: string; text: TypeKind }>;

const INK = {
  ink: 'rgb(var(--ink))',
  onyolk: 'rgb(var(--onyolk))',
  field: 'rgb(var(--field))',
  scorch: 'rgb(var(--scorch))',
} as const;

export type KeyProps = {
  label: string;
  /** what is read out where the word alone would not do */
  spoken?: string;
  /** a second, quieter line */
  sub?: string;
  onPress?: () => void;
  onLongPress?: () => void;
  kind?: keyof typeof KINDS;
  size?: keyof typeof SIZES;
  icon?: IconType;
  /** shows the icon alone; the label is read out */
  bare?: boolean;
  /** the words at the left edge, where keys stand under each other */
  left?: boolean;
  /** icon over the word, for the head */
  stacked?: boolean;
  disabled?: boolean;
  /** makes something: a second tap at once is a bounce */
  once?: boolean;
  selected?: boolean;
  /** whether tab stops here: in a group of radios at one of them */
  stop?: 0 | -1;
  role?: 'button' | 'radio' | 'checkbox' | 'link';
  className?: string;
  testID?: string;
};

/**
 * The one button. What is done or seen once is not done twice by a wet thumb that bounces; amounts may be tapped fast.
 * Yolk is the one act now: at most one on a screen. */
export function Key({
  label,
  spoken,
  sub,
  onPress,
  onLongPress,
  kind = 'plain',
  size = 'anywhere',
  icon: Icon,
  bare,
  left,
  stacked,
  disabled,
  once,
  selected,
  stop,
  role = 'button',
  className,
  testID,
}: KeyProps) {
  const look = KINDS[selected ? 'ink' : kind];
  const { box, text } = SIZES[size];
  const oneOnly = once || size === 'act' || size === 'live' || kind === 'yolk';
  return (
    <Pressable
      role={role}
      aria-label={spoken ?? (sub ? `${label}. ${sub}` : label)}
      aria-disabled={disabled}
      {...(role === 'radio' || role === 'checkbox' ? { 'aria-checked': selected ?? false } : {})}
      disabled={disabled}
      {...(stop === undefined ? {} : { tabIndex: stop })}
      onPress={onPress && ((e) => (oneOnly && isSecond(e) ? undefined : onPress()))}
      onLongPress={onLongPress}
      testID={testID}
      className={clsx(
        'items-center rounded-key active:opacity-70 print:hidden',
        className?.includes('max-w-') || 'max-w-full',
        left ? 'justify-start' : 'justify-center',
        stacked ? 'flex-col' : 'flex-row gap-2',
        look.box,
        box,
        disabled && 'border-dashed opacity-60',
        className,
      )}
    >
      {Icon ? <Icon size={stacked ? 22 : size === 'act' ? 30 : 22} color={INK[look.tone]} strokeWidth={2.2} /> : null}
      {bare ? null : (
        <View className={clsx('shrink', stacked && 'items-center')}>
          <Type kind={stacked ? 'smallStrong' : text} tone={look.tone} className={clsx(!sub && !left && 'text-center')}>
            {label}
          </Type>
          {sub ? (
            <Type kind="small" tone={look.tone}>
              {sub}
            </Type>
          ) : null}
        </View>
      )}
    </Pressable>
  );
}
