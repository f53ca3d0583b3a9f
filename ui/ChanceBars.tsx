import { View } from 'react-native';

type Bar = { from: number; to: number; chance: number; wanted: boolean };

/** How often each word, on the strip's own scale of 0 to 5: as high as it is likely, the wanted one in yolk. */
export function ChanceBars({ bars, working, label }: { bars: readonly Bar[]; working: boolean; label: string }) {
  const most = Math.max(0.01, ...bars.map((b) => b.chance));
  return (
    <View
      role="img"
      aria-label={label}
      className={`h-7 justify-end ${working ? 'opacity-40' : ''}`}
      testID="chance-bars"
    >
      {bars.map((b) =>
        b.chance < 0.005 ? null : (
          <View
            key={b.from}
            aria-hidden
            className={`absolute bottom-0 rounded-t-[4px] border-2 border-b-0 border-ink ${b.wanted ? 'bg-yolk' : 'bg-sunk'}`}
            style={{
              left: `${b.from * 20}%`,
              width: `${(b.to - b.from) * 20}%`,
              height: `${Math.max(8, (100 * b.chance) / most)}%`,
            }}
          />
        ),
      )}
      <View aria-hidden className="absolute bottom-0 left-0 right-0 h-[2px] bg-ink" />
    </View>
  );
}
