import Minus from 'lucide-react-native/icons/minus';
import Plus from 'lucide-react-native/icons/plus';
import { useEffect, useRef, useState, type ReactNode } from 'react';
import { Pressable, TextInput, View } from 'react-native';
import { colour } from './colours';
import { Type } from './Type';
import { t } from '../words';
import { stepIn, useUnit } from './units';

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
  /** `by` where it was stepped and not typed: what is meant is so much more or less */
  onChange: (value: number, by?: number) => void;
  /** amounts in words are taken too */
  spoken?: {
    /** an amount in words, "2 heaped tbsp", in the unit of `value`; undefined where it is none */
    hear: (text: string) => Promise<number | undefined>;
    /** it was said in these words, and comes to so much */
    said: (text: string, value: number) => void;
  };
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
  spoken,
  onName,
  swatch,
  testID,
}: StepperProps) {
  const u = useUnit(unit);
  const [typed, setTyped] = useState<string | undefined>();
  const figure = (v: number) => String(Math.round((v / u.per) * 10 ** u.decimals) / 10 ** u.decimals);
  const shown = typed ?? figure(value);
  const least = Number(figure(min));
  const most = Number(figure(max));
  // what was set and is not drawn yet: the next tap goes on from there
  const sent = useRef<number | undefined>(undefined);
  useEffect(() => {
    sent.current = undefined;
  }, [value]);
  /** what the words that were typed last come to */
  const [heard, setHeard] = useState<{ text: string; value: number | undefined }>();
  const last = useRef('');
  const hear = async (text: string) => {
    last.current = text;
    const v = await spoken?.hear(text).catch(() => undefined);
    // more was typed meanwhile
    if (last.current !== text) return;
    const value = v !== undefined && v >= min && v <= max ? v : undefined;
    setHeard({ text, value });
    if (value !== undefined) spoken?.said(text.trim(), value);
  };
  const inWords = heard?.text === typed && heard?.value !== undefined;
  const asked = spoken !== undefined && heard?.text !== typed;
  const bad = typed !== undefined && !inWords && !asked && !valid(typed, least, most);
  const set = (v: number) => {
    setTyped(undefined);
    const exact = u.per === 1 ? 10 : 100;
    const next = Math.max(min, Math.min(max, Math.round(v * exact) / exact));
    const by = next - (sent.current ?? value);
    sent.current = next;
    onChange(next, by);
  };
  const toMetric = (v: number) => (u.per === 1 ? v : Math.max(min, Math.min(max, v * u.per)));
  const toStep = (direction: 1 | -1) => {
    const from = Number(figure(sent.current ?? value));
    const by = stepIn(u, step);
    const snapped = direction > 0 ? Math.floor(from / by + 1e-6) * by + by : Math.ceil(from / by - 1e-6) * by - by;
    set(toMetric(snapped));
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
                aria-label={u.name ? `${name}, ${u.name}` : name}
                aria-invalid={bad}
                inputMode={spoken ? 'text' : 'decimal'}
                autoCapitalize="none"
                value={shown}
                selectTextOnFocus
                onChangeText={(text) => {
                  setTyped(text);
                  if (valid(text, least, most)) {
                    last.current = text;
                    onChange(toMetric(Number(text.replace(',', '.'))));
                  } else if (spoken) void hear(text);
                }}
                onBlur={() => {
                  if (!bad) setTyped(undefined);
                }}
                onSubmitEditing={() => {
                  if (!bad) setTyped(undefined);
                }}
                className={`${typed !== undefined && /[a-z]/i.test(typed) ? 'w-[150px]' : 'w-[88px]'} rounded-[8px] py-1 text-right font-title text-amount font-bold text-ink`}
              />
              {/* words bring their own unit */}
              <Type kind="title"> {inWords ? '' : u.name}</Type>
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
          {t(spoken ? 'ui.anAmountWould' : 'ui.aNumberFromToWould', {
            name,
            value: least,
            value2: most,
            unit: u.name,
          })}
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
