import { View } from 'react-native';
import { Type } from '../../ui/Type';
import { useFormat } from '../shared/App';
import type { PotView } from './usePotView';
import { HARM } from './words';
import { t } from '../../words';

type Row = { name: string; lowMs: number; highMs: number; harm?: boolean };

/** What is coming by the clock: first thickening, done, and harm if nothing is done. A bar holds 8 pots in 10. */
export function Ahead({ v, now }: { v: PotView; now: number }) {
  const fmt = useFormat();
  if (!v.of || !v.live || v.state.paused || v.forgotten) return null;
  const { twin } = v.of;
  const at = v.live.atMs;
  const rows: Row[] = [];
  const row = (name: string, s: { low: number; high: number } | undefined, harm = false) =>
    s && rows.push({ name, lowMs: at + s.low * 1000, highMs: at + s.high * 1000, harm });
  row(t('potRoom.thickens'), twin.thickensInS);
  row(t('potRoom.done2'), twin.doneInS);
  const harm = v.margins.filter((m) => m.inS !== undefined && m.state !== 'clear').sort((a, b) => a.inS! - b.inS!)[0];
  if (harm) row(t(HARM[harm.harm].band), { low: harm.inS!, high: harm.inS! }, true);
  const coming = rows.filter((r) => r.highMs > now);
  if (!coming.length) return null;
  const span = Math.max(60_000, ...coming.map((r) => r.highMs - now)) * 1.04;
  const share = (ms: number) => Math.max(0, Math.min(1, (ms - now) / span));
  return (
    <View role="list" aria-label={t('potRoom.whatIsComing')} className="gap-1" testID="ahead">
      {coming.map((r) => {
        const [low, high] = [fmt.time(Math.max(now, r.lowMs)), fmt.time(r.highMs)];
        const when = low === high ? t('potRoom.about', { high }) : t('potRoom.to3', { low, high });
        return (
          <View key={r.name} role="listitem" aria-label={`${r.name} ${when}`} className="flex-row items-center gap-2">
            <Type kind="smallStrong" tone={r.harm ? 'scorch' : 'ink'} className="w-[72px]">
              {r.name}
            </Type>
            <View className="h-[10px] min-w-0 flex-1 justify-center">
              <View className="h-[2px] bg-line" />
              <View
                className={`absolute h-[10px] min-w-[6px] rounded-[5px] ${r.harm ? 'bg-scorch' : 'bg-bay'}`}
                style={{
                  left: `${100 * share(r.lowMs)}%`,
                  width: `${100 * (share(r.highMs) - share(r.lowMs))}%`,
                }}
              />
            </View>
            <Type kind="small" tone={r.harm ? 'scorch' : 'quiet'} className="min-w-[96px] text-right">
              {when}
            </Type>
          </View>
        );
      })}
    </View>
  );
}
