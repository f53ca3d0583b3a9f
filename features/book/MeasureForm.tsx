import { useState } from 'react';
import { View } from 'react-native';
import { z } from 'zod';
import { PANS } from '../../core/pantry/kitchen';
import type { Plan } from '../../core/plan/plan';
import { ringKey } from '../../core/book/row';
import { withMeasured, type Measured } from '../../core/settings';
import { PANTRY } from '../../core/pantry/pantry';
import { Choices } from '../../ui/Choices';
import { Key } from '../../ui/Key';
import { Notice } from '../../ui/Notice';
import { Type } from '../../ui/Type';
import { t } from '../../words';
import { useApp } from '../shared/App';
import { FormField } from '../shared/FormField';
import { nowIso } from '../shared/ids';
import { useKitchen } from '../shared/kitchen';
import { useCollection, useSettings } from '../shared/stored';
import { useFigure } from '../shared/useFigure';
import { useTemp } from '../shared/useTemp';
import { useNow } from '../shared/useNow';
import { measuredSays, ringSays } from './measuredWords';

type Found = Pick<Measured, 'value' | 'sd'> | null;

const SPOONS = 10;
const LITRE_G = 1000;
const ROOM_C = 20;
const TO_C = 80;
/** under a pan that steams and does not bubble */
const STEAM_SETTING = 2;
const STEAM_MIN = 10;
const GLASS_ML = 200;
/** What a kitchen thermometer may read here, degC. */
const READ_C = { least: -10, most: 115 };

/** A figure that is asked, in grams or degrees of the cook's own. */
function Ask({ figure, label, unit }: { figure: ReturnType<typeof useFigure>; label: string; unit: string }) {
  return <FormField control={figure.control} name="figure" label={label} unit={unit} inputMode="decimal" />;
}

const grams = () => z.number(t('kitchen.aWeight')).min(1, t('kitchen.aWeight')).max(20_000, t('kitchen.aWeight'));

/** One guided measurement: what to do, what was read, what it says of this kitchen and how sure that is; then it is kept. */
export function MeasureForm({ what, onDone }: { what: Measured['what']; onDone: () => void }) {
  const { fmt } = useApp();
  const { settings, change } = useSettings();
  const [found, setFound] = useState<{ of: string; found: Found } | undefined>();
  const tell = (of: string) => (answer: Found) => setFound({ of, found: answer });
  const form = {
    spoon: <Spoon onFound={tell('tbsp')} />,
    ring: <OnTheRing steam={false} onFound={(of, answer) => tell(of)(answer)} />,
    steam: <OnTheRing steam onFound={(of, answer) => tell(of)(answer)} />,
    fridge: <Fridge onFound={tell('')} />,
    thermometer: <Thermometer onFound={(of, answer) => tell(of)(answer)} />,
  }[what];
  const row: Measured | undefined = found?.found ? { what, of: found.of, ...found.found, at: nowIso() } : undefined;
  return (
    <View className="gap-3" testID="measuring">
      {form}
      {found && !found.found ? <Notice text={t('kitchen.cannotBe')} /> : null}
      {row ? (
        <View className="gap-2 rounded-plate border-edge border-ink bg-plate p-3" testID="found" role="status">
          <Type kind="title">{measuredSays(row, fmt)}</Type>
          <Key
            kind="yolk"
            size="act"
            label={t('kitchen.reckonWithIt')}
            onPress={() => {
              change({ measured: withMeasured(settings?.measured ?? [], row), measuring: undefined });
              onDone();
            }}
          />
        </View>
      ) : null}
    </View>
  );
}

function Spoon({ onFound }: { onFound: (f: Found) => void }) {
  const { ask } = useKitchen();
  const { fmt } = useApp();
  const total = useFigure(grams());
  const starch = PANTRY.find((i) => i.id === 'cornstarch')!;
  return (
    <>
      <Type kind="key">{t('kitchen.spoonDo', { count: SPOONS })}</Type>
      <Ask figure={total} label={t('kitchen.togetherTheyWeigh')} unit="g" />
      <Key
        size="amount"
        label={t('kitchen.workItOut')}
        disabled={total.figure === undefined}
        onPress={total.take(
          (g) => void ask('spoonOf', [g, SPOONS, starch.densityGPerMl, fmt.settings.spoons]).then(onFound),
        )}
      />
    </>
  );
}

/** The rings and pans of this cook's plans, and the usual pans. */
function useRings() {
  const plans = useCollection('plans');
  const hobs = new Map(
    (plans.data ?? []).map((p): [string, Plan['hob']] => [ringKey(p.hob), { ...p.hob, powerTrim: 1 }]),
  );
  const pans = new Map<string, Plan['pan']>([
    ...(plans.data ?? []).map((p): [string, Plan['pan']] => [p.pan.name, p.pan]),
    ...PANS.map((p): [string, Plan['pan']] => [p.name, { ...p }]),
  ]);
  return { hobs, pans, altitudeM: plans.data?.[0]?.room.altitudeM ?? 0 };
}

function OnTheRing({ steam, onFound }: { steam: boolean; onFound: (of: string, f: Found) => void }) {
  const { ask, clock } = useKitchen();
  const { fmt } = useApp();
  const { settings } = useSettings();
  const { hobs, pans, altitudeM } = useRings();
  const [ring, setRing] = useState<string>();
  const [pan, setPan] = useState<string>();
  const [startMs, setStart] = useState<number>();
  const [took, setTook] = useState<number>();
  const now = useNow(1000);
  const before = useFigure(grams());
  const startC = useTemp(READ_C.least, READ_C.most, t('kitchen.aTemperature'));
  const first = steam ? before : startC;
  const then = useFigure(grams());
  const hob = hobs.get(ring ?? [...hobs.keys()][0] ?? '');
  const on = pans.get(pan ?? [...pans.keys()][0] ?? '');
  if (!hob || !on) return <Type>{t('kitchen.noRing')}</Type>;
  const { steam: _steam, ...bare } = on;
  // what the ring really gives, where that is measured already
  const power = steam ? settings?.measured.find((m) => m.what === 'ring' && m.of === ringKey(hob))?.value : undefined;
  const water = { hob: { ...hob, powerTrim: power ?? 1 }, pan: bare, waterG: LITRE_G, roomC: ROOM_C, altitudeM };
  const seconds = startMs === undefined ? 0 : Math.max(0, (now - startMs) / 1000);
  const stop = () => {
    const s = (clock() - startMs!) / 1000;
    setTook(s);
    if (!steam && first.figure !== undefined)
      void ask('ringOf', [water, first.figure, TO_C, s]).then((f) => onFound(ringKey(hob), f));
  };
  return (
    <>
      <Choices
        label={t('kitchen.whichRing')}
        value={ringKey(hob)}
        options={[...hobs.keys()].map((key) => ({
          value: key,
          label: ringSays(key),
        }))}
        onChoose={setRing}
      />
      <Choices
        label={t('kitchen.whichPan')}
        value={on.name}
        options={[...pans.keys()].map((value) => ({ value, label: fmt.named(value) }))}
        onChoose={setPan}
      />
      <Type kind="key">
        {steam
          ? t('kitchen.steamDo', { min: STEAM_MIN, setting: STEAM_SETTING })
          : t('kitchen.ringDo', { toC: fmt.temp(TO_C) })}
      </Type>
      <Ask
        figure={first}
        label={t(steam ? 'kitchen.panAndWaterBefore' : 'kitchen.waterIsAt')}
        unit={steam ? 'g' : fmt.tempUnit}
      />
      {startMs === undefined ? (
        <Key
          size="act"
          label={t('kitchen.start')}
          disabled={first.figure === undefined}
          onPress={() => setStart(clock())}
        />
      ) : took === undefined ? (
        <>
          <Type kind="number" role="timer">
            {fmt.countdown(steam ? Math.max(0, STEAM_MIN * 60 - seconds) : seconds)}
          </Type>
          <Key
            kind="yolk"
            size="act"
            label={steam ? t('kitchen.offTheRing') : t('kitchen.reached', { toC: fmt.temp(TO_C) })}
            onPress={stop}
          />
        </>
      ) : (
        <Type kind="title">{t('kitchen.took', { time: fmt.countdown(took) })}</Type>
      )}
      {steam && took !== undefined ? (
        <>
          <Ask figure={then} label={t('kitchen.panAndWaterAfter')} unit="g" />
          <Key
            size="amount"
            label={t('kitchen.workItOut')}
            disabled={then.figure === undefined || first.figure === undefined}
            onPress={() => {
              const lostG = first.figure! - then.figure!;
              void ask('steamOf', [water, STEAM_SETTING, took / 60, lostG]).then((f) => onFound(on.name, f));
            }}
          />
        </>
      ) : null}
    </>
  );
}

/** Takes hours: what was read first waits in the settings. */
function Fridge({ onFound }: { onFound: (f: Found) => void }) {
  const { ask, clock } = useKitchen();
  const { fmt } = useApp();
  const { settings, change } = useSettings();
  const read = useTemp(READ_C.least, READ_C.most, t('kitchen.aTemperature'));
  const first = settings?.measuring?.what === 'fridge' ? settings.measuring : undefined;
  return (
    <>
      <Type kind="key">{first ? t('kitchen.fridgeThen') : t('kitchen.fridgeDo', { ml: fmt.ml(GLASS_ML) })}</Type>
      {first ? (
        <Type tone="quiet">
          {t('kitchen.fridgeFirst', { tempC: fmt.temp(first.value), time: fmt.timeOn(Date.parse(first.at), clock()) })}
        </Type>
      ) : null}
      <Ask figure={read} label={t('kitchen.waterIsAt')} unit={fmt.tempUnit} />
      <Key
        size="amount"
        label={first ? t('kitchen.workItOut') : t('kitchen.intoTheFridgeNow')}
        disabled={read.figure === undefined}
        onPress={read.take((n) => {
          if (!first) change({ measuring: { what: 'fridge', of: '', value: n, at: nowIso() } });
          else
            void ask('fridgeOf', [GLASS_ML, first.value, n, (clock() - Date.parse(first.at)) / 60_000]).then(onFound);
        })}
      />
      {first ? (
        <Key label={t('kitchen.beginAgain')} kind="quiet" onPress={() => change({ measuring: undefined })} />
      ) : null}
    </>
  );
}

function Thermometer({ onFound }: { onFound: (of: string, f: Found) => void }) {
  const { ask } = useKitchen();
  const { fmt } = useApp();
  const { altitudeM } = useRings();
  const [mark, setMark] = useState<'ice' | 'boil'>('ice');
  const read = useTemp(READ_C.least, READ_C.most, t('kitchen.aTemperature'));
  return (
    <>
      <Choices
        label={t('kitchen.in')}
        value={mark}
        options={(['ice', 'boil'] as const).map((value) => ({ value, label: t(`kitchen.mark.${value}`) }))}
        onChoose={setMark}
      />
      <Type kind="key">{t(`kitchen.markDo.${mark}`)}</Type>
      <Ask figure={read} label={t('kitchen.itReads')} unit={fmt.tempUnit} />
      <Key
        size="amount"
        label={t('kitchen.workItOut')}
        disabled={read.figure === undefined}
        onPress={read.take((n) => void ask('thermometerOf', [n, mark, altitudeM]).then((f) => onFound(mark, f)))}
      />
    </>
  );
}
