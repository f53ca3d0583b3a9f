import Info from 'lucide-react-native/icons/info';
import TriangleAlert from 'lucide-react-native/icons/triangle-alert';
import type { ReactNode } from 'react';
import { View } from 'react-native';
import Svg, { Ellipse } from 'react-native-svg';
import { colour } from './colours';
import { Type } from './Type';

/** A line of warning or of help at the place where it matters. */
export function Notice({ text, harm = true, children }: { text: string; harm?: boolean; children?: ReactNode }) {
  const Icon = harm ? TriangleAlert : Info;
  return (
    <View role="note" className="flex-row items-start gap-3 py-1.5">
      <View className="pt-0.5">
        <Icon size={22} color={harm ? colour.scorch : colour.ink} strokeWidth={2.2} />
      </View>
      <View className="shrink gap-2">
        <Type>{text}</Type>
        {children}
      </View>
    </View>
  );
}

/** Nothing here yet: a dashed oval with one sentence and, under it, one key. */
export function Empty({ word, text, children }: { word: string; text: string; children?: ReactNode }) {
  return (
    <View className="items-center gap-4 px-6 py-10">
      <View className="h-[132px] w-[230px] items-center justify-center">
        <Svg width={230} height={132} viewBox="0 0 230 132" style={{ position: 'absolute' }} aria-hidden>
          <Ellipse
            cx={115}
            cy={66}
            rx={112}
            ry={63}
            fill={colour.plate}
            stroke={colour.ink}
            strokeWidth={3}
            strokeDasharray="10 7"
          />
        </Svg>
        <Type kind="title" className="px-6 text-center">
          {word}
        </Type>
      </View>
      <Type className="max-w-[420px] text-center">{text}</Type>
      {children}
    </View>
  );
}
