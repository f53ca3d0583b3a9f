import { clsx } from 'clsx';
import Check from 'lucide-react-native/icons/check';
import Flame from 'lucide-react-native/icons/flame';
import Hand from 'lucide-react-native/icons/hand';
import Microwave from 'lucide-react-native/icons/microwave';
import Pin from 'lucide-react-native/icons/pin';
import Refrigerator from 'lucide-react-native/icons/refrigerator';
import TriangleAlert from 'lucide-react-native/icons/triangle-alert';
import { useState } from 'react';
import { Pressable, View, type PressableProps } from 'react-native';
import Svg, { Defs, Ellipse, Line, Pattern, Rect } from 'react-native-svg';
import { LANES, type Act } from '../../core/day/acts';
import type { DayClash } from '../../core/day/day';
import { colour } from '../../ui/colours';
import { DragPlane, type Dragged } from '../../ui/dragging';
import { Type } from '../../ui/Type';
import { useFormat, useTell } from '../shared/App';
import { t } from '../../words';
import { columns, drawn, type Drawn } from './drawn';

const ICONS = { hands: Hand, hob: Flame, oven: Microwave, fridge: Refrigerator } as const;
const HOUR = 3_600_000;
const MINUTE = 60_000;
const SNAP_MIN = 5;
/** px around a short block that still hit it */
const THUMB_PX = 14;

const LOOKS = [
  { box: 'bg-dishH', tone: 'onH', mark: colour.onH },
  { box: 'bg-bayF', tone: 'ink', mark: colour.ink },
  { box: 'bg-yolk', tone: 'onyolk', mark: colour.onyolk },
  { box: 'bg-plate', tone: 'ink', mark: colour.ink },
] as const;

function LaneHeads() {
  return (
    <View className="flex-row pl-[52px] pr-2">
      {LANES.map((lane) => {
        const Icon = ICONS[lane];
        return (
          <View
            key={lane}
            className="min-w-0 flex-1 items-center gap-0.5 py-2 mid:flex-row mid:justify-center mid:gap-2"
          >
            <Icon size={20} color={colour.ink} strokeWidth={2.2} />
            <Type kind="smallStrong" className="mid:text-base">
              {t(`lane.${lane}`)}
            </Type>
          </View>
        );
      })}
    </View>
  );
}

function NowLine({ nowMs, top }: { nowMs: number; top: number }) {
  const fmt = useFormat();
  return (
    <View
      role="img"
      aria-label={t('dayRoom.now2', { nowMs: fmt.time(nowMs) })}
      className="pointer-events-none absolute left-0 right-0 flex-row items-center"
      style={{ top }}
    >
      <View className="h-[28px] min-w-[56px] items-center justify-center rounded-[50%] bg-ink px-2">
        <Type kind="smallStrong" tone="field">
          {fmt.time(nowMs)}
        </Type>
      </View>
      <View className="h-[3px] flex-1 bg-ink" />
    </View>
  );
}

/**
 * The day in lanes, time running down to the plate. A block is tapped for what it is, or held and dragged to another
 * hour; the sheet behind the tap moves it without dragging.
 */
export function Lanes({
  acts,
  clashes,
  looks,
  nowMs,
  serves,
  served,
  next,
  onOpen,
  onDrag,
  onDrop,
  onCancel,
}: {
  acts: readonly Act[];
  clashes: readonly DayClash[];
  looks: ReadonlyMap<string, { letter: string; tint: number }>;
  nowMs: number;
  serves: readonly { planId: string; name: string; atMs: number }[];
  served: string;
  next: Act | undefined;
  onOpen: (act: Act) => void;
  onDrag: (act: Act, toMs: number) => void;
  onDrop: (act: Act, toMs: number) => void;
  onCancel: () => void;
}) {
  const tell = useTell();
  const fmt = useFormat();
  const [held, setHeld] = useState<{ id: string; px: number; top: number; startMs: number } | undefined>();
  const last = Math.max(...serves.map((s) => s.atMs));
  const first = Math.min(...acts.map((a) => a.startMs), last - HOUR);
  const showNow = nowMs > first - HOUR && nowMs < last + HOUR / 2;
  const fromMs = Math.floor(Math.min(first, showNow ? nowMs : Infinity) / (HOUR / 2)) * (HOUR / 2);
  const toMs = Math.max(last, showNow ? nowMs : 0);
  const hours = (toMs - fromMs) / HOUR;
  const pxPerMin = Math.max(62, Math.min(120, 640 / hours)) / 60;
  // what was made higher than its minutes may stand above the first hour
  const raw = drawn(acts, fromMs, pxPerMin);
  const above = Math.max(12, 4 - Math.min(...raw.map((b) => b.top)));
  const blocks = raw.map((b) => ({ ...b, top: b.top + above }));
  const y = (ms: number) => above + ((ms - fromMs) / MINUTE) * pxPerMin;
  const height = y(toMs) + 12;
  /** nothing of the hands stands there: the latest start can be written */
  const free = (ms: number) =>
    !blocks.some((b) => b.lane === 'hands' && b.top < y(ms) + 14 && b.top + b.height > y(ms) - 14);
  const snapped = (px: number) => Math.round(px / (SNAP_MIN * pxPerMin)) * SNAP_MIN * pxPerMin;
  const actOf = (id: string) => blocks.find((b) => b.id === id)?.acts[0];
  const firstHour = Math.ceil(fromMs / HOUR) * HOUR;
  const ticks = Array.from({ length: Math.floor((toMs - firstHour) / HOUR) + 1 }, (_, i) => firstHour + i * HOUR);

  return (
    <DragPlane
      howTo={t('dayRoom.howToMove')}
      onStart={(id) => {
        const block = blocks.find((b) => b.id === id);
        if (block) setHeld({ id, px: 0, top: block.top, startMs: block.acts[0]!.startMs });
      }}
      onMove={(id, down) => {
        const act = actOf(id);
        const px = snapped(down);
        if (!act || !held || held.px === px) return;
        setHeld({ ...held, px });
        onDrag(act, moved(held.startMs, px, pxPerMin));
      }}
      onEnd={(id, down) => {
        const act = actOf(id);
        setHeld(undefined);
        if (act && held && snapped(down) !== 0) onDrop(act, moved(held.startMs, snapped(down), pxPerMin));
        else onCancel();
      }}
      onCancel={() => {
        setHeld(undefined);
        onCancel();
      }}
    >
      {(Thing) => (
        <View testID="lanes" className="print:hidden">
          <LaneHeads />
          <View style={{ height }} className="relative">
            <View aria-hidden className="absolute bottom-0 left-[52px] right-2 top-0 flex-row">
              {LANES.map((lane, k) => (
                <View key={lane} className={clsx('flex-1', k % 2 === 0 && 'bg-sunk/70')} />
              ))}
            </View>
            {ticks.map((t) => (
              <View
                key={t}
                aria-hidden
                className="absolute left-0 right-2 flex-row items-center"
                style={{ top: y(t) - 11 }}
              >
                <Type kind="strong" className="w-[46px] pr-1 text-right">
                  {fmt.hourOf(t)}
                </Type>
                <View className="ml-1 h-[1.5px] flex-1 bg-line" />
              </View>
            ))}
            {showNow ? <NowLine nowMs={nowMs} top={y(nowMs) - 14} /> : null}
            <View className="absolute bottom-0 left-[52px] right-2 top-0 flex-row">
              {LANES.map((lane) => {
                const mine = blocks.filter((b) => b.lane === lane);
                const place = columns(mine);
                return (
                  <Pressable
                    key={lane}
                    tabIndex={-1}
                    accessible={false}
                    testID={`lane-${lane}`}
                    onPress={(e) => {
                      // short blocks are hit by lane and hour: the nearest within a thumb of it
                      const box = (e.currentTarget as unknown as HTMLElement).getBoundingClientRect();
                      const at = (e.nativeEvent as unknown as MouseEvent).clientY - box.top;
                      const off = (b: Drawn) => Math.max(b.top - at, at - b.top - b.height, 0);
                      const hit = mine.filter((b) => off(b) <= THUMB_PX).sort((a, b) => off(a) - off(b))[0];
                      if (hit) onOpen(hit.acts[0]!);
                    }}
                    className="relative min-w-0 flex-1 cursor-default"
                  >
                    {mine.map((b) => (
                      <DayBlock
                        key={b.id}
                        Thing={Thing}
                        block={b}
                        place={place.get(b.id) ?? { at: 0, of: 1 }}
                        look={looks.get(b.acts[0]!.planId) ?? { letter: '?', tint: 0 }}
                        held={held?.id === b.id ? held.top + held.px : undefined}
                        onOpen={() => onOpen(b.acts[0]!)}
                      />
                    ))}
                    {clashes
                      .filter(
                        (c) => (c.resource === 'rings' ? 'hob' : c.resource === 'ovens' ? 'oven' : c.resource) === lane,
                      )
                      .map((c) => (
                        <View
                          key={`${c.resource}${c.fromMs}`}
                          role="img"
                          aria-label={`${fmt.time(c.fromMs)}, ${tell(c.text)}`}
                          className="pointer-events-none absolute -left-1 -right-1 border-rim border-scorch"
                          style={{ top: y(c.fromMs) - 3, height: Math.max(16, y(c.toMs) - y(c.fromMs) + 6) }}
                        >
                          <Hatch />
                        </View>
                      ))}
                  </Pressable>
                );
              })}
            </View>
            {clashes.slice(0, 6).map((c) => (
              <View
                key={`!${c.resource}${c.fromMs}`}
                aria-hidden
                className="absolute left-7"
                style={{ top: y(c.fromMs) - 2 }}
              >
                <TriangleAlert size={22} color={colour.scorch} strokeWidth={2.4} />
              </View>
            ))}
            {next && next.lane === 'hands' && free(next.latestMs) ? (
              <View
                aria-hidden
                className="pointer-events-none absolute left-[56px] flex-row items-center"
                style={{ top: y(next.latestMs) - 10 }}
              >
                <Type kind="smallStrong" className="rounded-[6px] bg-field px-1">
                  {t('dayRoom.by2', { latestMs: fmt.time(next.latestMs) })}
                </Type>
              </View>
            ) : null}
          </View>
          <Plate text={served} />
        </View>
      )}
    </DragPlane>
  );
}

const moved = (startMs: number, px: number, pxPerMin: number): number =>
  Math.round((startMs + (px / pxPerMin) * MINUTE) / (SNAP_MIN * MINUTE)) * SNAP_MIN * MINUTE;

function DayBlock({
  Thing,
  block,
  place,
  look,
  held,
  onOpen,
}: {
  Thing: Dragged;
  block: Drawn;
  place: { at: number; of: number };
  look: { letter: string; tint: number };
  /** px where it is under the thumb; it is not moved by its own answer meanwhile */
  held: number | undefined;
  onOpen: () => void;
}) {
  const fmt = useFormat();
  const tell = useTell();
  const act = block.acts[0]!;
  const last = block.acts.at(-1)!;
  const { box, tone, mark } = LOOKS[look.tint % LOOKS.length]!;
  const done = act.state === 'done';
  const verbs = [...new Set(block.acts.map((a) => tell(a.verb)))].join(', ');
  const tall = block.height > 44;
  const [first, ...rest] = tell(act.verb).split(' ');
  const pinned = block.acts.some((a) => a.pinned);
  return (
    <Thing id={block.id} disabled={act.state !== 'to do'}>
      {({ ref, listeners }) => (
        <Pressable
          ref={ref as never}
          {...(listeners as PressableProps)}
          role="button"
          testID={`block-${act.id}`}
          aria-label={t('dayRoom.to3', {
            dish: act.dish,
            verbs,
            startMs: fmt.time(act.startMs),
            endMs: fmt.time(last.endMs),
            running: done ? t('dayRoom.done') : act.state === 'running' ? t('dayRoom.running') : '',
            hand: pinned ? t('dayRoom.movedByHand2') : '',
          })}
          onPress={onOpen}
          className={clsx(
            'absolute items-center justify-center overflow-hidden rounded-[6px] border-edge px-0.5',
            done ? 'border-dashed border-ink2 bg-field' : `border-ink ${box}`,
          )}
          style={{
            top: held ?? block.top,
            height: block.height,
            left: `${(100 * place.at) / place.of}%`,
            width: `${100 / place.of}%`,
            zIndex: held === undefined ? 1 : 20,
            opacity: held === undefined ? 1 : 0.85,
          }}
        >
          <View className="max-w-full flex-row items-center gap-1">
            {pinned ? <Pin size={13} color={mark} /> : null}
            <Type
              kind="smallStrong"
              tone={done ? 'quiet' : tone}
              className="shrink text-center"
              numberOfLines={tall ? 3 : 1}
            >
              {place.of > 2 ? look.letter : `${look.letter} ${tall ? verbs : done ? '' : first}`}
              {place.of > 2 || tall || done || !rest.length ? null : (
                // a narrow lane has room for the first word
                <Type kind="smallStrong" tone={tone} className="hidden mid:inline">{` ${rest.join(' ')}`}</Type>
              )}
            </Type>
            {done ? <Check size={16} color={colour.ink2} strokeWidth={3} /> : null}
          </View>
        </Pressable>
      )}
    </Thing>
  );
}

function Hatch() {
  return (
    <Svg width="100%" height="100%" aria-hidden>
      <Defs>
        <Pattern id="clash" width={8} height={8} patternUnits="userSpaceOnUse" patternTransform="rotate(45)">
          <Line x1={0} y1={0} x2={0} y2={8} stroke={colour.scorch} strokeWidth={3} />
        </Pattern>
      </Defs>
      <Rect width="100%" height="100%" fill="url(#clash)" opacity={0.55} />
    </Svg>
  );
}

/** The serving plate at the foot of the day. */
function Plate({ text }: { text: string }) {
  return (
    <View className="items-center pb-2 pl-[44px]">
      <View className="h-[52px] w-full max-w-[520px] items-center justify-center">
        <Svg
          width="100%"
          height={52}
          viewBox="0 0 340 52"
          preserveAspectRatio="none"
          style={{ position: 'absolute' }}
          aria-hidden
        >
          <Ellipse cx={170} cy={26} rx={167} ry={23} fill={colour.plate} stroke={colour.ink} strokeWidth={3} />
          <Ellipse cx={170} cy={26} rx={154} ry={18} fill="none" stroke={colour.line} strokeWidth={1.5} />
        </Svg>
        <Type kind="title" className="px-8 text-center">
          {text}
        </Type>
      </View>
    </View>
  );
}
