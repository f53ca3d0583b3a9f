import ArrowLeft from 'lucide-react-native/icons/arrow-left';
import ArrowRight from 'lucide-react-native/icons/arrow-right';
import Scale from 'lucide-react-native/icons/scale';
import { useEffect, useState } from 'react';
import { Pressable, View } from 'react-native';
import type { Plan } from '../../core/plan/plan';
import { pouringOf, type ScaleReading } from '../../core/prep/scale';
import type { Prep, Weighing } from '../../core/prep/weigh';
import { standInScale, type StandInScale } from '../../devices/scale';
import { Key } from '../../ui/Key';
import { Notice } from '../../ui/Notice';
import { Spoons } from '../../ui/Spoons';
import { Stepper } from '../../ui/Stepper';
import { Type } from '../../ui/Type';
import { useApp, useTell } from '../shared/App';
import { useForecast } from '../shared/useForecast';
import { measureOf } from '../../words/measure';
import { t, named } from '../../words';

/** Off by less than this it is as planned: the scale trembles so much, g and share. */
const NEAR_G = 1;
const NEAR_REL = 0.01;
/** A scale of whole grams guesses below this: the spoon is better. */
const PINCH_G = 5;

/** One ingredient at a time, huge, with the scale or by hand; what was really poured is kept and counted in the set. */
export function WeighOut({
  plan,
  real,
  list,
  prep,
  onRecord,
  onClose,
}: {
  plan: Plan;
  real: Plan;
  list: readonly Weighing[];
  prep: Prep;
  onRecord: (item: string, grams: number, by: 'scale' | 'hand') => void;
  onClose: () => void;
}) {
  const tell = useTell();
  const { fmt } = useApp();
  const first = list.findIndex((w) => !prep.weighed.some((x) => x.item === w.key));
  const [index, setIndex] = useState(Math.max(0, first));
  const [scale, setScale] = useState<StandInScale | undefined>();
  const [reading, setReading] = useState<ScaleReading | undefined>();
  const [byHand, setByHand] = useState<number | undefined>();
  const planned = useForecast(plan).forecast;
  const asIs = useForecast(real);
  useEffect(() => scale?.listen(setReading), [scale]);

  const w = list[index];
  if (!w) return null;
  const before = list.slice(0, index).filter((o) => o.into === w.into);
  const poured = (key: string, grams: number) => prep.weighed.find((x) => x.item === key)?.grams ?? grams;
  const total = before.reduce((s, o) => s + poured(o.key, o.grams), 0);
  const shown = scale ? (reading?.grams ?? 0) : byHand;
  const off = shown === undefined ? 0 : shown - w.grams;
  const near = Math.abs(off) <= Math.max(NEAR_G, w.grams * NEAR_REL);
  const pinch = w.grams < PINCH_G;
  const spoons = fmt.inSpoons(w.grams, w.ingredient.densityGPerMl, {
    cups: w.ingredient.group === 'milk',
  });
  const was = prep.weighed.find((x) => x.item === w.key);
  const deviates = prep.weighed.some((x) => {
    const o = list.find((l) => l.key === x.item);
    return o && !o.side && Math.abs(x.grams - o.grams) > Math.max(NEAR_G, o.grams * NEAR_REL);
  });
  const go = (to: number) => {
    setByHand(undefined);
    setIndex(to);
    scale?.tare();
  };
  const record = (grams: number, by: 'scale' | 'hand') => {
    onRecord(w.key, grams, by);
    if (index + 1 < list.length) go(index + 1);
    else onClose();
  };

  return (
    <View className="mx-auto w-full max-w-[720px] gap-3 px-4 py-3">
      <View className="flex-row flex-wrap items-center justify-between gap-2">
        <Key label={t('prepRoom.toTheList')} icon={ArrowLeft} onPress={onClose} />
        <Type kind="strong">{t('prepRoom.of', { index: index + 1, list: list.length })}</Type>
        <Key
          label={scale ? t('prepRoom.scaleOff') : t('prepRoom.standInScale')}
          icon={Scale}
          selected={scale !== undefined}
          onPress={() => {
            setReading(undefined);
            setScale(scale ? undefined : standInScale());
          }}
        />
      </View>
      <View className="items-center gap-1 pt-2">
        <Type kind="title" tone="quiet">
          {t('prepRoom.into', { into: tell(w.into) })}
        </Type>
        <Type kind="instruction" level={2} className="text-center" testID="weigh-name">
          {w.ingredient.name}
        </Type>
        <Type kind="number" testID="weigh-target">
          {fmt.grams(w.grams)}
        </Type>
        <Spoons tbsp={spoons.tbsp} tsp={spoons.tsp} />
        <Type tone="quiet">{`${measureOf(w.ingredient, w.grams, fmt)}${w.carved ? t('prepRoom.keptBackFromTheRest') : w.taste ? t('prepRoom.heldBackToTaste') : ''}`}</Type>
      </View>
      <Type className="text-center">
        {before.length === 0
          ? t('prepRoom.putOnTheScaleAnd', { into: tell(w.into) })
          : t('prepRoom.tareAgainAreInAlready', { total: fmt.grams(total), into: tell(w.into) })}
      </Type>
      {pinch ? <Notice harm={false} text={t('prepRoom.soLittleIsBetterMeasured')} /> : null}
      {scale ? (
        <View className="gap-2">
          <View className="items-center rounded-plate border-edge border-ink bg-plate px-4 py-3">
            <Type kind="number" role="status" testID="scale-reading" tone={near ? 'bay' : off > 0 ? 'scorch' : 'ink'}>
              {fmt.grams(shown ?? 0)}
            </Type>
            <Type kind="strong">
              {near
                ? t('prepRoom.asPlanned')
                : off > 0
                  ? t('prepRoom.tooMuch', { off: fmt.grams(off) })
                  : t('prepRoom.more2', { off: fmt.grams(-off) })}
            </Type>
            <View className="mt-2 h-4 w-full overflow-hidden rounded-full border-hair border-ink bg-sunk">
              <View
                className={off > 0 && !near ? 'h-full bg-scorch' : 'h-full bg-yolk'}
                style={{ width: `${Math.max(0, Math.min(100, (100 * (shown ?? 0)) / w.grams))}%` }}
              />
            </View>
          </View>
          <View className="flex-row gap-2">
            <Key label={t('prepRoom.tare')} size="live" onPress={() => scale.tare()} className="flex-1" />
            <Pressable
              role="button"
              aria-label={t('prepRoom.holdToPourOntoThe', { ingredientName: w.ingredient.name })}
              testID="pour-hold"
              onPressIn={() => scale.pour(pouringOf(w.ingredient.group, w.grams - Math.max(0, reading?.grams ?? 0)))}
              onPressOut={() => scale.pour(undefined)}
              className="min-h-[64px] flex-[2] items-center justify-center rounded-key border-edge border-ink bg-plate px-3 active:bg-coolF"
            >
              <Type kind="key">{t('prepRoom.holdToPour')}</Type>
            </Pressable>
          </View>
        </View>
      ) : (
        <Stepper
          name={t('prepRoom.iPoured')}
          value={byHand ?? was?.grams ?? w.grams}
          unit="g"
          step={w.grams < 30 ? 0.5 : 1}
          onChange={setByHand}
          testID="i-poured"
        />
      )}
      <Key
        kind="yolk"
        size="act"
        testID="weighed"
        label={
          near || shown === undefined
            ? t('prepRoom.itIsIn')
            : t('prepRoom.itIsIn2', {
                off: fmt.grams(Math.abs(off)),
                short: off > 0 ? t('prepRoom.over') : t('prepRoom.short'),
              })
        }
        disabled={scale !== undefined && !(reading && reading.grams > 0)}
        onPress={() =>
          record(shown === undefined || (near && pinch) ? w.grams : Math.max(0, shown), scale ? 'scale' : 'hand')
        }
      />
      <View className="flex-row gap-2">
        <Key
          label={t('prepRoom.back')}
          icon={ArrowLeft}
          disabled={index === 0}
          onPress={() => go(index - 1)}
          className="flex-1"
        />
        <Key
          label={t('prepRoom.later')}
          icon={ArrowRight}
          disabled={index + 1 >= list.length}
          onPress={() => go(index + 1)}
          className="flex-1"
        />
      </View>
      {deviates && planned ? (
        <View role="status" testID="weighed-effect">
          {asIs.forecast && !asIs.working ? (
            <Notice
              harm={asIs.forecast.serving.word !== planned.serving.word}
              text={
                asIs.forecast.serving.word === planned.serving.word
                  ? t('prepRoom.asItIsWeighedIt', {
                      word: t(`word.${planned.serving.word}`),
                      softer:
                        asIs.forecast.serving.place >= planned.serving.place
                          ? t('prepRoom.aLittleFirmer')
                          : t('prepRoom.aLittleSofter'),
                    })
                  : t('prepRoom.asItIsWeighedIt2', {
                      word: t(`word.${asIs.forecast.serving.word}`),
                      word2: t(`word.${planned.serving.word}`),
                    })
              }
            />
          ) : (
            <Type>{t('prepRoom.workingOutWhatThatDoes')}</Type>
          )}
        </View>
      ) : null}
      {w.ingredient.allergens.length ? (
        <Notice text={t('prepRoom.contains', { allergens: named('allergen', w.ingredient.allergens) })} />
      ) : null}
    </View>
  );
}
