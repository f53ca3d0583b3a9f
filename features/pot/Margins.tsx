import ArrowDown from 'lucide-react-native/icons/arrow-down';
import ArrowUp from 'lucide-react-native/icons/arrow-up';
import { View } from 'react-native';
import type { Margin } from '../../core/cook/margins';
import { colour } from '../../ui/colours';
import { Type } from '../../ui/Type';
import { useFormat } from '../shared/App';
import { HARM, marginSays } from './words';
import { t } from '../../words';
import { say } from '../../core/say';

const NAMES = { clear: say('potRoom.clear'), near: say('potRoom.near'), alarm: say('potRoom.now') } as const;
/** A change of the band in a minute that is worth an arrow. */
const TREND = 0.05;

/** How far the pot is from harm: a band each, full at the limit, with which way it goes. */
export function Margins({ margins }: { margins: readonly Margin[] }) {
  const fmt = useFormat();
  if (!margins.length) return null;
  return (
    <View role="list" aria-label={t('potRoom.margins')} className="flex-row gap-3" testID="margins">
      {margins.map((m) => {
        const share = m.state === 'alarm' ? 1 : Math.max(0.02, Math.min(1, m.used));
        const near = m.state !== 'clear';
        const Arrow = m.trendPerMin > TREND ? ArrowUp : m.trendPerMin < -TREND ? ArrowDown : undefined;
        return (
          <View
            key={m.harm}
            role="listitem"
            aria-label={`${t(HARM[m.harm].band)}: ${marginSays(m, fmt)}, ${t(NAMES[m.state])}`}
            className="min-w-0 flex-1 gap-0.5"
          >
            <View className="h-[14px] overflow-hidden rounded-[7px] border-2 border-ink bg-plate">
              <View
                className={m.state === 'alarm' ? 'h-full bg-scorch' : near ? 'h-full bg-yolk' : 'h-full bg-bay'}
                style={{ width: `${share * 100}%` }}
              />
            </View>
            <View className="flex-row flex-wrap items-center gap-x-1">
              <Type kind="smallStrong" tone={m.state === 'alarm' ? 'scorch' : 'ink'} className="shrink">
                {t(HARM[m.harm].band)}
              </Type>
              {Arrow ? (
                <Arrow size={14} color={m.state === 'alarm' ? colour.scorch : colour.ink} strokeWidth={3} />
              ) : null}
              <Type kind="small" tone={m.state === 'alarm' ? 'scorch' : 'quiet'}>
                {marginSays(m, fmt)}
              </Type>
            </View>
          </View>
        );
      })}
    </View>
  );
}
