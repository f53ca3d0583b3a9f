import { View } from 'react-native';
import { Type } from './Type';
import { LEFT_TO_RIGHT } from './leftToRight';

export type Push = { name: string; from: number; to: number; tone: 'ink' | 'cool' | 'bay' };

const TONES = {
  ink: { box: 'bg-ink', text: 'field' },
  cool: { box: 'bg-coolF', text: 'ink' },
  bay: { box: 'bg-bayF', text: 'ink' },
} as const;

/** What pushes the set, end to end on the strip's own scale of 0 to 5. The last edge is where the yolk sits. */
export function PushBar({ pushes, label }: { pushes: readonly Push[]; label: string }) {
  return (
    <View {...LEFT_TO_RIGHT} role="img" aria-label={label} className="h-9 flex-row">
      {pushes.map((p) => {
        const share = Math.max(0, (p.to - p.from) / 5);
        if (share < 0.004) return null;
        return (
          <View
            key={p.name}
            aria-hidden
            className={`items-center justify-center overflow-hidden rounded-[6px] border-2 border-ink ${TONES[p.tone].box}`}
            style={{ width: `${share * 100}%` }}
          >
            {share > 0.17 ? (
              <Type kind="smallStrong" tone={TONES[p.tone].text} numberOfLines={1}>
                {p.name}
              </Type>
            ) : null}
          </View>
        );
      })}
    </View>
  );
}
