import { clsx } from 'clsx';
import { Text, type TextProps } from 'react-native';

const KINDS = {
  huge: 'font-title font-bold text-huge',
  number: 'font-title font-bold text-number',
  answer: 'font-title font-extrabold text-answer',
  instruction: 'font-title font-bold text-instruction',
  amount: 'font-title font-bold text-amount',
  title: 'font-title font-bold text-title',
  key: 'font-text font-semibold text-key',
  strong: 'font-text font-semibold text-base',
  text: 'font-text text-base',
  face: 'font-text text-face',
  faceStrong: 'font-text font-semibold text-face',
  small: 'font-text text-small',
  smallStrong: 'font-text font-semibold text-small',
} as const;

const TONES = {
  ink: 'text-ink',
  quiet: 'text-ink2',
  onyolk: 'text-onyolk',
  scorch: 'text-scorch',
  cool: 'text-cool',
  bay: 'text-bay',
  field: 'text-field',
  onH: 'text-onH',
} as const;

export type TypeKind = keyof typeof KINDS;
export type TypeTone = keyof typeof TONES;

type TypeProps = TextProps & {
  kind?: TypeKind;
  tone?: TypeTone;
  /** makes it a heading of this level */
  level?: 1 | 2 | 3;
  className?: string;
};

/** All text of the app: a size and a tone from the tokens. */
export function Type({ kind = 'text', tone = 'ink', level, className, ...rest }: TypeProps) {
  const heading = level ? ({ role: 'heading', 'aria-level': level } as const) : {};
  return <Text {...heading} {...rest} className={clsx(KINDS[kind], TONES[tone], className)} />;
}
