import { linesOf, partsOf, withLine, withLines } from '../../core/plan/layout';
import Plus from 'lucide-react-native/icons/plus';
import { memo, useState } from 'react';
import { View } from 'react-native';
import { wetted, scale, usualBowl, withGrams, withHave, writtenFor } from '../../core/plan/amounts';
import { inBowls, lookUp } from '../../core/plan/bowls';
import type { Plan, IngredientLine } from '../../core/plan/plan';
import type { Numbers } from '../../core/records/change';
import type { PlanChange } from './planChange';
import type { Difference } from '../../core/advice/differences';
import { spoonEffect } from '../../core/plan/measured';
import type { Ingredient } from '../../core/pantry/ingredient';
import { PIECES } from '../../core/pantry/pieces';
import { spoonRatio } from '../../core/settings';
import { packsFor } from '../../core/units/packs';
import { FILL, ML_PER } from '../../core/units/measures';
import { useTakeBack } from '../shared/useTakeBack';
import { useCollection } from '../shared/stored';
import { Key } from '../../ui/Key';
import { later } from '../../ui/later';
import { Choices } from '../../ui/Choices';
import { Sheet } from '../../ui/Sheet';
import { Spoons } from '../../ui/Spoons';
import { Stepper } from '../../ui/Stepper';
import { Type } from '../../ui/Type';
import { useFormat, useTell } from '../shared/App';
import type { Formatter } from '../../words/format';
import { useStable } from '../shared/useStable';
import { CostList } from './CostList';
import { Have } from './Have';
import { t } from '../../words';
import { measureOf } from '../../words/measure';
import { z } from 'zod';
import { FormField } from '../shared/FormField';
import { useFigure } from '../shared/useFigure';
import { useKitchen } from '../shared/kitchen';

const IngredientSheet = later(() => import('./IngredientSheet').then((m) => m.IngredientSheet));
const NoneForm = later(() => import('./NoneForm').then((m) => m.NoneForm));
const SolveForm = later(() => import('./SolveForm').then((m) => m.SolveForm));

const SWATCH = {
  thickener: 'bg-ink',
  milk: 'bg-coolF',
  sweet: 'bg-bayF',
  egg: 'bg-yolk',
  fat: 'bg-yolk',
  fruit: 'bg-bayF',
  nut: 'bg-liquid2',
  piece: 'bg-liquid2',
  flavour: 'bg-plate',
} as const;

const stepFor = (i: Ingredient, grams: number) =>
  PIECES[i.id]?.grams ?? (i.group === 'thickener' ? 1 : grams >= 500 ? 25 : grams >= 60 ? 5 : grams >= 15 ? 1 : 0.5);

/** What spoons in place of the scale do, said in one line. */
function spoonLine(i: Ingredient, grams: number, plan: Plan, fmt: Formatter): string {
  if (grams === 0) return t('planRoom.leftOut');
  if (i.group === 'thickener') {
    const s = spoonEffect(grams, i.densityGPerMl * spoonRatio(fmt.settings.measured), fmt.settings.spoons);
    const firmer = Math.round((s.stressRatio - 1) * 100);
    const effect =
      Math.abs(s.errorG) < 0.05
        ? t('planRoom.exact')
        : `${s.errorG > 0 ? '+' : '−'}${fmt.grams(Math.abs(s.errorG))}, ${firmer === 0 ? t('planRoom.sameSet') : `${Math.abs(firmer)} % ${firmer > 0 ? t('planRoom.firmer') : t('planRoom.softer')}`}`;
    const rounded =
      plan.starchMeasure === 'rounded spoons' || plan.starchMeasure === 'heaped spoons'
        ? t('planRoom.or', {
            spoons: fmt.spoons(
              fmt.inSpoons(
                grams / FILL[plan.starchMeasure === 'rounded spoons' ? 'rounded' : 'heaped'].factor,
                i.densityGPerMl,
              ),
            ),
            heaped: plan.starchMeasure === 'rounded spoons' ? t('planRoom.rounded') : t('planRoom.heaped'),
          })
        : '';
    return t('planRoom.level', { spoons: fmt.spoons(s), effect, rounded });
  }
  return measureOf(i, grams, fmt);
}

/** The amount in the words in which it was typed. */
const wordsOf = (item: IngredientLine): string => {
  const text = writtenFor(item);
  return text ? t('planRoom.asYouWroteIt', { text }) : '';
};

const gramsOf = (plan: Plan, id: string) => plan.things.find((i) => i.ingredientId === id)?.grams ?? 0;

/** Something came in for something else: what it did to the set, and the way back to it. */
type Swapped = { says: string; costs: Difference[]; back?: Plan };

/** The ratio bench: each amount with its keys, in grams and in the cook's spoons. */
export function Bench({
  plan,
  endMassG,
  holdSweet,
  onHoldSweet,
  onChange,
}: {
  plan: Plan;
  endMassG: number;
  holdSweet: boolean;
  onHoldSweet: () => void;
  onChange: (next: PlanChange, touchedId?: string, numbers?: Numbers) => void;
}) {
  const { ask } = useKitchen();
  const fmt = useFormat();
  const tell = useTell();
  const packs = useCollection('packs');
  const inPacks = (id: string, grams: number) => {
    const pack = packs.data?.find((p) => p.ingredientId === id);
    if (!pack || grams <= 0) return '';
    const { packs: n, leftOverG } = packsFor(grams, pack);
    return `${n} × ${pack.name}${leftOverG >= 1 ? t('planRoom.leftOver', { leftOverG: fmt.grams(leftOverG) }) : ''}`;
  };
  const [swapped, setSwapped] = useState<Swapped | undefined>();
  const [picking, setPicking] = useState<{ replace?: string } | undefined>();
  // fetched when it is first opened; it keeps what was typed in it
  const [picked, setPicked] = useState(false);
  if (picking && !picked) setPicked(true);
  const [sheet, setSheet] = useState<'solve' | 'none' | 'scale' | undefined>();
  const bowls = inBowls(plan);
  const keptBack = (id: string) => bowls.slurry.find((p) => p.carved && p.ingredient.id === id)?.grams;
  const order = { thickener: 0, milk: 1, egg: 2, sweet: 3, fat: 4, fruit: 5, nut: 6, piece: 7, flavour: 8 } as const;
  const items = plan.things
    .map((item) => ({ item, ingredient: lookUp(plan, item.ingredientId) }))
    .sort((a, b) => order[a.ingredient.group] - order[b.ingredient.group]);

  /** In as it is, or for a thickener at equal set; what it costs and the way back are said under the bench. */
  const swap = async (base: Plan, from: Ingredient, to: Ingredient) => {
    const answer = await ask('instead', [base, from.id, { toId: to.id, factor: 1, note: undefined }]);
    if (!answer.ok) {
      setSwapped({ says: tell(answer.why), costs: [] });
      return;
    }
    const level = from.group === 'thickener';
    onChange(level ? answer.plan : answer.asIs, to.id);
    setSwapped({
      says: t('planRoom.for', { toName: to.name, fromName: from.name, set: level ? t('planRoom.atTheSameSet') : '' }),
      costs: level ? answer.costs : answer.costsAsIs,
      ...(level ? {} : { back: answer.plan }),
    });
  };

  const choose = (chosen: Ingredient) => {
    const own = chosen.own && !plan.own.some((o) => o.id === chosen.id) ? [...plan.own, chosen] : plan.own;
    const base = { ...plan, own };
    if (picking?.replace) void swap(base, lookUp(base, picking.replace), chosen);
    else if (!plan.things.some((i) => i.ingredientId === chosen.id)) {
      const grams = chosen.group === 'milk' ? 100 : chosen.group === 'flavour' ? 2 : chosen.group === 'egg' ? 50 : 10;
      onChange(wetted(withLine(base, { ingredientId: chosen.id, grams, in: usualBowl(chosen) })));
    }
    setPicking(undefined);
  };

  /** The last milk stays: something has to be liquid. */
  const removable = (id: string) => {
    const group = lookUp(plan, id).group;
    return group !== 'milk' || plan.things.filter((i) => lookUp(plan, i.ingredientId).group === 'milk').length > 1;
  };

  /** Every amount as level spoons and cups would measure it. */
  const inMySpoons = () =>
    onChange(
      items.reduce((p, { item, ingredient }) => {
        if (ingredient.egg || item.grams <= 0) return p;
        const cups = ingredient.group === 'milk' || ingredient.group === 'sweet';
        const s = fmt.inSpoons(item.grams, ingredient.densityGPerMl, { cups });
        return s.grams > 0 ? withGrams(p, item.ingredientId, Math.round(s.grams * 10) / 10) : p;
      }, plan),
      'all',
    );

  const held = (id: string) => partsOf(plan).find((c) => c.taste && c.ingredientId === id)?.grams;
  const close = () => setSheet(undefined);
  const back = useTakeBack();
  const setGrams = useStable((id: string, grams: number, by?: number) => {
    setSwapped(undefined);
    if (by === undefined) onChange((now) => withGrams(now, id, grams), id);
    else onChange((now) => withGrams(now, id, Math.max(0, gramsOf(now, id) + by)), id, 'added');
  });
  const system = fmt.settings.spoons;
  const hear = useStable(
    async (text: string, thing: Ingredient) => (await ask('spoken', [text, thing, system])) ?? undefined,
  );
  const setSpoken = useStable((id: string, text: string, grams: number) => {
    setSwapped(undefined);
    onChange((now) => {
      const next = withGrams(now, id, grams);
      return {
        ...next,
        things: next.things.map((i) =>
          i.ingredientId === id ? { ...i, written: { text: text.slice(0, 40), grams } } : i,
        ),
      };
    }, id);
  });
  const pick = useStable((id: string) => setPicking({ replace: id }));

  return (
    <View className="border-y-rim border-ink bg-plate">
      {items.map(({ item, ingredient }) => {
        const back = keptBack(ingredient.id);
        const toTaste = held(ingredient.id);
        return (
          <BenchRow
            key={item.ingredientId}
            ingredient={ingredient}
            grams={item.grams}
            sub={[
              wordsOf(item),
              spoonLine(ingredient, item.grams, plan, fmt),
              back ? t('planRoom.ofItKeptBackCold', { back: fmt.grams(back) }) : '',
              toTaste ? t('planRoom.ofItHeldBackTo', { toTaste: fmt.grams(toTaste) }) : '',
              inPacks(ingredient.id, item.grams),
            ]
              .filter(Boolean)
              .join('; ')}
            onGrams={setGrams}
            hear={hear}
            onSpoken={setSpoken}
            onName={pick}
          />
        );
      })}
      {swapped ? (
        <View className="gap-2 border-b-hair border-line px-3 py-2 wide:px-6" testID="swapped" aria-live="polite">
          <Type kind="strong">{swapped.says}</Type>
          {swapped.costs.length || swapped.back ? <CostList costs={swapped.costs} /> : null}
          <View className="flex-row flex-wrap gap-2">
            {swapped.back ? (
              <Key
                label={t('planRoom.bringSetAndSweetnessBack')}
                onPress={() => {
                  onChange(swapped.back!, 'all');
                  setSwapped(undefined);
                }}
              />
            ) : null}
            <Key label={t('planRoom.goodSo')} kind="quiet" onPress={() => setSwapped(undefined)} />
          </View>
        </View>
      ) : null}
      {plan.have ? (
        <View className="border-b-hair border-line px-3 py-2 wide:px-6">
          <Have plan={plan} onChange={(next) => onChange(next, 'all')} />
        </View>
      ) : null}
      <View className="flex-row flex-wrap gap-2 px-3 py-2 wide:px-6">
        <Key label={t('planRoom.add')} icon={Plus} onPress={() => setPicking({})} />
        <Key label={t('planRoom.solve')} onPress={() => setSheet('solve')} />
        <Key label={t('planRoom.iHaveNone')} onPress={() => setSheet('none')} />
        <Key label={t('planRoom.scale')} onPress={() => setSheet('scale')} />
        <Key label={t('planRoom.inMySpoons')} onPress={inMySpoons} />
        <Key label={t('planRoom.holdTheSweetness')} role="checkbox" selected={holdSweet} onPress={onHoldSweet} />
      </View>
      <Sheet
        open={sheet !== undefined}
        title={
          sheet === 'solve'
            ? t('planRoom.amountsForASet')
            : sheet === 'none'
              ? t('planRoom.iHaveNone')
              : t('planRoom.moreOrLessOfIt')
        }
        onClose={close}
      >
        {sheet === 'solve' ? (
          <SolveForm
            plan={plan}
            onTake={(next) => {
              onChange(next, 'all');
              close();
            }}
          />
        ) : null}
        {sheet === 'none' ? (
          <NoneForm
            plan={plan}
            endMassG={endMassG}
            onTake={(next) => {
              onChange(next, 'all');
              close();
            }}
          />
        ) : null}
        {sheet === 'scale' ? (
          <ScaleForm
            plan={plan}
            onTake={(next) => {
              onChange(next, 'all');
              close();
            }}
          />
        ) : null}
      </Sheet>
      {back.bar}
      {picked ? (
        <IngredientSheet
          open={picking !== undefined}
          replacing={picking?.replace ? lookUp(plan, picking.replace) : undefined}
          plan={plan}
          onClose={() => setPicking(undefined)}
          onChoose={choose}
          onTyped={(next) => {
            onChange(next, 'all');
            setPicking(undefined);
          }}
          onWhen={(next) => onChange(next, picking?.replace)}
          onRemove={
            picking?.replace && removable(picking.replace)
              ? () => {
                  back.offer(t('planRoom.isOut', { name: lookUp(plan, picking.replace!).name }), () =>
                    onChange(plan, 'all'),
                  );
                  onChange(
                    wetted(
                      withLines(
                        plan,
                        linesOf(plan).filter((i) => i.ingredientId !== picking.replace),
                      ),
                    ),
                  );
                  setPicking(undefined);
                }
              : undefined
          }
        />
      ) : null}
    </View>
  );
}

/** One amount. Drawn again only when it changes, so that a thumb on the strip moves one row and not all. */
const BenchRow = memo(function BenchRow({
  ingredient,
  grams,
  sub,
  onGrams,
  hear,
  onSpoken,
  onName,
}: {
  ingredient: Ingredient;
  grams: number;
  sub: string;
  onGrams: (id: string, grams: number, by?: number) => void;
  hear: (text: string, thing: Ingredient) => Promise<number | undefined>;
  onSpoken: (id: string, text: string, grams: number) => void;
  onName: (id: string) => void;
}) {
  const fmt = useFormat();
  const s = fmt.inSpoons(grams, ingredient.densityGPerMl);
  return (
    <View className="border-b-hair border-line px-3 py-2 wide:px-6">
      <Stepper
        testID={`amount-${ingredient.id}`}
        name={ingredient.name}
        swatch={SWATCH[ingredient.group]}
        value={grams}
        unit="g"
        step={stepFor(ingredient, grams)}
        onChange={(g, by) => onGrams(ingredient.id, g, by)}
        spoken={{
          hear: (text) => hear(text, ingredient),
          said: (text, g) => onSpoken(ingredient.id, text, g),
        }}
        onName={() => onName(ingredient.id)}
        picture={ingredient.group === 'thickener' && grams > 0 ? <Spoons tbsp={s.tbsp} tsp={s.tsp} /> : null}
        sub={sub}
      />
    </View>
  );
});

/** of one ingredient, as the plan's schema has it; and the least that still is a pudding */
const MOST_G = 20_000;
const LEAST_FACTOR = 0.02;

/** Everything times a factor: as typed, or so that one ingredient comes out at what there is of it. */
function ScaleForm({ plan, onTake }: { plan: Plan; onTake: (next: Plan) => void }) {
  const fmt = useFormat();
  const [by, setBy] = useState<string>('factor');
  const [unit, setUnit] = useState<'g' | 'l' | 'cups'>('g');
  const now = plan.things.find((i) => i.ingredientId === by)?.grams;
  /** g of one of what is typed */
  const gramsEach =
    by === 'factor' || unit === 'g'
      ? 1
      : lookUp(plan, by).densityGPerMl * (unit === 'l' ? 1000 : ML_PER[fmt.settings.spoons].cup);
  const factorOf = (n: number) => (by === 'factor' ? n : (n * gramsEach) / (now || 1));
  const heaviestG = Math.max(...plan.things.map((i) => i.grams));
  const noNumber = t('planRoom.aNumberAbove0Would');
  const typed = useFigure(
    z
      .number(noNumber)
      .gt(0, noNumber)
      .refine((n) => heaviestG * factorOf(n) <= MOST_G && factorOf(n) >= LEAST_FACTOR, t('planRoom.thatIsPastWhatOne')),
  );
  const factor = factorOf(typed.figure ?? 1);
  const people = Math.max(1, Math.min(60, Math.round(plan.people * factor)));
  return (
    <>
      <Choices
        label={t('planRoom.by')}
        value={by}
        options={[
          { value: 'factor', label: t('planRoom.aFactor') },
          ...plan.things
            .filter((i) => i.grams > 0)
            .map((i) => ({
              value: i.ingredientId,
              label: t('planRoom.whatIHaveOf', { ingredientIdName: lookUp(plan, i.ingredientId).name }),
            })),
        ]}
        onChoose={(v) => {
          setBy(v);
          typed.clear();
        }}
      />
      <FormField
        control={typed.control}
        name="figure"
        label={by === 'factor' ? t('planRoom.times') : t('planRoom.iHave')}
        {...(by === 'factor' ? {} : { unit: t(`haveUnit.${unit}`), asLabelled: true })}
        inputMode="decimal"
        placeholder={by === 'factor' ? '1.5' : String(Math.round((10 * (now ?? 0)) / gramsEach) / 10)}
      />
      {by === 'factor' ? null : (
        <Choices
          label={t('planRoom.measuredIn')}
          value={unit}
          options={(['g', 'l', 'cups'] as const).map((value) => ({ value, label: t(`haveUnit.${value}`) }))}
          onChoose={(v) => {
            setUnit(v);
            typed.clear();
          }}
        />
      )}
      {typed.figure !== undefined ? (
        <Type tone="quiet">
          {t('planRoom.for2', {
            ingredientIdName: plan.things
              .map((i) => `${fmt.grams(i.grams * factor)} ${lookUp(plan, i.ingredientId).name}`)
              .join(', '),
            people,
          })}
        </Type>
      ) : null}
      <Key
        kind="yolk"
        size="amount"
        label={t('planRoom.scaleIt')}
        disabled={typed.figure === undefined}
        onPress={typed.take((n) =>
          onTake({
            ...(by === 'factor' ? wetted(scale(plan, n)) : withHave(plan, by, n * gramsEach)),
            people,
          }),
        )}
      />
    </>
  );
}
