import Minus from 'lucide-react-native/icons/minus';
import Plus from 'lucide-react-native/icons/plus';
import { useEffect, useRef, useState, type ReactNode } from 'react';
import { Pressable, TextInput, View } from 'react-native';
import { colour } from './colours';
import { Type } from './Type';
import { t } from '../words';

type StepperProps = {
  name: string;
  sub?: string;
  /** under the name: spoons drawn */
  picture?: ReactNode;
  value: number;
  unit: string;
  step: number;
  min?: number;
  max?: number;
  onChange: (value: number) => void;
  onName?: () => void;
  /** background class of the little square that the push bar uses too */
  swatch?: string;
  testID?: string;
};

const REPEAT_AFTER_MS = 400;
const REPEAT_MS = 110;

function StepKey({ label, icon: Icon, onStep }: { label: string; icon: typeof Plus; onStep: () => void }) {
  const step = useRef(onStep);
  useEffect(() => {
    step.current = onStep;
  });
  const timer = useRef<ReturnType<typeof setTimeout> | undefined>(undefined);
  const stop = () => clearTimeout(timer.current);
  useEffect(() => stop, []);
  const held = useRef(false);
  return (
    <Pressable
      role="button"
      aria-label={label}
      onPressIn={() => {
        held.current = false;
        const again = () => {
          held.current = true;
          step.current();
          timer.current = setTimeout(again, REPEAT_MS);
        };
        timer.current = setTimeout(again, REPEAT_AFTER_MS);
      }}
      onPressOut={stop}
      onPress={() => {
        stop();
        if (!held.current) step.current();
      }}
      className="h-14 w-14 items-center justify-center rounded-key border-edge border-ink bg-plate active:opacity-70"
    >
      <Icon size={26} color={colour.ink} strokeWidth={2.6} />
    </Pressable>
  );
}

/** One amount: minus for the left hand, plus for the right, the figure typed over between them. Hold to run. */
export function Stepper({
  name,
  sub,
  picture,
  value,
  unit,
  step,
  min = 0,
  max = 20000,
  onChange,
  onName,
  swatch,
  testID,
}: StepperProps) {
  const [typed, setTyped] = useState<string | undefined>();
  const shown = typed ?? String(Math.round(value * 10) / 10);
  // what was set and is not drawn yet: the next tap goes on from there
  const sent = useRef<number | undefined>(undefined);
  useEffect(() => {
    sent.current = undefined;
  }, [value]);
  const bad = typed !== undefined && !valid(typed, min, max);
  const set = (v: number) => {
    setTyped(undefined);
    const next = Math.max(min, Math.min(max, Math.round(v * 10) / 10));
    sent.current = next;
    onChange(next);
  };
  const toStep = (direction: 1 | -1) => {
    const from = sent.current ?? value;
    const snapped =
      direction > 0 ? Math.floor(from / step + 1e-6) * step + step : Math.ceil(from / step - 1e-6) * step - step;
    set(snapped);
  };
  const title = (
    <View className="flex-row items-center gap-2">
      {swatch ? <View className={`h-4 w-4 rounded-[5px] border-2 border-ink ${swatch}`} /> : null}
      <Type kind="strong" className={onName ? 'underline decoration-line underline-offset-4' : ''}>
        {name}
      </Type>
    </View>
  );
  return (
    <View testID={testID}>
      <View className="flex-row items-center gap-3">
        <StepKey label={t('ui.less', { name })} icon={Minus} onStep={() => toStep(-1)} />
        <View className="min-w-0 flex-1">
          <View className="flex-row flex-wrap items-center justify-between gap-x-2">
            {onName ? (
              <Pressable
                role="button"
                aria-label={t('ui.change', { name })}
                onPress={onName}
                className="min-h-[32px] shrink justify-center"
              >
                {title}
              </Pressable>
            ) : (
              <View className="shrink">{title}</View>
            )}
            <View className="ml-auto flex-row items-baseline">
              <TextInput
                aria-label={unit ? `${name}, ${unit}` : name}
                aria-invalid={bad}
                inputMode="decimal"
                value={shown}
                selectTextOnFocus
                onChangeText={(text) => {
                  setTyped(text);
                  if (valid(text, min, max)) onChange(Number(text.replace(',', '.')));
                }}
                onBlur={() => {
                  if (!bad) setTyped(undefined);
                }}
                onSubmitEditing={() => {
                  if (!bad) setTyped(undefined);
                }}
                className="w-[88px] rounded-[8px] py-1 text-right font-title text-amount font-bold text-ink"
              />
              <Type kind="title"> {unit}</Type>
            </View>
          </View>
          {picture}
          {sub ? (
            <Type kind="small" tone="quiet">
              {sub}
            </Type>
          ) : null}
        </View>
        <StepKey label={t('ui.more', { name })} icon={Plus} onStep={() => toStep(1)} />
      </View>
      {bad ? (
        <Type kind="smallStrong" tone="scorch" role="alert">
          {t('ui.aNumberFromToWould', { name, value: min, value2: max, unit })}
        </Type>
      ) : null}
    </View>
  );
}

function valid(text: string, min: number, max: number): boolean {
  if (!/^\d+([.,]\d*)?$/.test(text.trim())) return false;
  const n = Number(text.replace(',', '.'));
  return Number.isFinite(n) && n >= min && n <= max;
}
