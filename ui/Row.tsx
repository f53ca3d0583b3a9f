import { clsx } from 'clsx';
import ChevronRight from 'lucide-react-native/icons/chevron-right';
import type { ReactNode } from 'react';
import { Pressable, View } from 'react-native';
import { colour } from './colours';
import { isSecond } from './once';
import { Type } from './Type';

/** A full-width line: what it is, its value, and a sheet behind it. A thumb that bounces counts once. */
export function Row({
  title,
  sub,
  value,
  onPress,
  left,
  testID,
}: {
  title: string;
  sub?: string;
  value?: string;
  onPress?: () => void;
  left?: ReactNode;
  testID?: string;
}) {
  const body = (
    <>
      {left}
      <View className="min-w-0 flex-1">
        <Type kind="strong">{title}</Type>
        {sub ? (
          <Type kind="small" tone="quiet">
            {sub}
          </Type>
        ) : null}
      </View>
      {value ? (
        <Type kind="title" className="max-w-[60%] text-right">
          {value}
        </Type>
      ) : null}
      {onPress ? <ChevronRight size={20} color={colour.ink2} /> : null}
    </>
  );
  const box = clsx('min-h-[56px] flex-row items-center gap-3 border-b-hair border-line py-2');
  return onPress ? (
    <Pressable
      role="button"
      aria-label={[title, value, sub].filter(Boolean).join(', ')}
      onPress={(e) => (isSecond(e) ? undefined : onPress())}
      testID={testID}
      className={clsx(box, 'active:opacity-70')}
    >
      {body}
    </Pressable>
  ) : (
    <View className={box}>{body}</View>
  );
}
