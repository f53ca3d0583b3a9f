import { View } from 'react-native';
import { Type } from './Type';

const BOX =
  'min-h-[52px] min-w-0 flex-1 rounded-key border-edge border-ink bg-plate px-3 py-2 font-text text-key text-ink';

const two = (n: number) => String(n).padStart(2, '0');
const dateOf = (d: Date) => `${d.getFullYear()}-${two(d.getMonth() + 1)}-${two(d.getDate())}`;
const timeOf = (d: Date) => `${two(d.getHours())}:${two(d.getMinutes())}`;

/** A day and a time, or a time alone, of the cook's own clock, by the browser's own pickers. What is half typed changes nothing. */
export function MomentField({
  label,
  dateLabel,
  timeLabel,
  valueMs,
  onChange,
}: {
  label: string;
  /** none where the day stands */
  dateLabel?: string;
  timeLabel: string;
  valueMs: number;
  onChange: (ms: number) => void;
}) {
  const d = new Date(valueMs);
  const set = (date: string, time: string) => {
    const ms = Date.parse(`${date}T${time}`);
    if (Number.isFinite(ms)) onChange(ms);
  };
  return (
    <View role="group" aria-label={label} className="gap-1">
      <Type kind="strong">{label}</Type>
      <View className="flex-row flex-wrap gap-2">
        {(
          [
            ['date', dateLabel, dateOf(d), (date: string) => set(date, timeOf(d))],
            ['time', timeLabel, timeOf(d), (time: string) => set(dateOf(d), time)],
          ] as const
        ).map(([type, name, value, take]) =>
          name === undefined ? null : (
            <input
              key={type}
              type={type}
              aria-label={name}
              required
              className={BOX}
              value={value}
              onChange={(e) => take(e.target.value)}
            />
          ),
        )}
      </View>
    </View>
  );
}
