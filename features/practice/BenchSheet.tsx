import { useState } from 'react';
import { View } from 'react-native';
import { mixtureOfPortions, lookUp, pantryOf } from '../../core/plan/bowls';
import type { Plan } from '../../core/plan/plan';
import type { AddAct } from '../../core/practice/act';
import type { Bowl } from '../../core/practice/asPlanned';
import { Key } from '../../ui/Key';
import { Sheet } from '../../ui/Sheet';
import { Type } from '../../ui/Type';
import { t } from '../../words';
import { useApp } from '../shared/App';
import type { NewAct } from './usePracticePot';

type Way = Pick<AddAct, 'how' | 'stirring' | 'tempC' | 'soakMin' | 'ladleG'> & { name: string };

/** Beside the plan's own bowls: what a cook reaches for when a pot is off. */
const SHELF: readonly Bowl[] = [
  {
    id: 'shelf starch',
    use: 'slurry',
    portions: [
      { ingredientId: 'cornstarch', grams: 10 },
      { ingredientId: 'milk_whole', grams: 25 },
    ],
    meets: { how: 'cold slurry', stirring: 'whisk', tempC: 8, soakMin: 0 },
  },
  {
    id: 'shelf sugar',
    use: 'late',
    portions: [{ ingredientId: 'sugar', grams: 25 }],
    meets: { how: 'cold together', stirring: 'spoon', tempC: 21, soakMin: 0 },
  },
  {
    id: 'shelf milk',
    use: 'late',
    portions: [{ ingredientId: 'milk_whole', grams: 100 }],
    meets: { how: 'cold together', stirring: 'spoon', tempC: 6, soakMin: 0 },
  },
  {
    id: 'shelf yolks',
    use: 'bowl',
    portions: [{ ingredientId: 'yolk', grams: 36 }],
    meets: { how: 'in cold cream or yolks', stirring: 'whisk', tempC: 20, soakMin: 0, ladleG: 60 },
  },
  {
    id: 'shelf fruit',
    use: 'off the heat',
    portions: [{ ingredientId: 'puree_berry', grams: 80 }],
    meets: { how: 'cold together', stirring: 'spoon', tempC: 20, soakMin: 0 },
  },
];

/** The ways in which this bowl can go in, as the cook would say it; the plan's own first. */
function waysOf(bowl: Bowl, plan: Plan): Way[] {
  const mixture = mixtureOfPortions(
    bowl.portions.map((p) => ({ ingredient: lookUp(plan, p.ingredientId), grams: p.grams })),
  );
  const { ladleG: _own, ...meets } = bowl.meets;
  if (mixture.eggProteinG > 0)
    return [
      { ...meets, how: 'in cold cream or yolks', stirring: 'whisk', ladleG: 60, name: t('practice.ladled') },
      { ...meets, how: 'in cold cream or yolks', stirring: 'spoon', name: t('practice.straightIn') },
    ];
  if (mixture.thickenings.some((x) => x.starchG > 0))
    return [
      { ...meets, name: t('practice.asPlanned') },
      ...(meets.how === 'cold slurry'
        ? []
        : [{ ...meets, how: 'cold slurry' as const, stirring: 'whisk' as const, name: t('practice.asSlurry') }]),
      { ...meets, how: 'dry powder', stirring: 'spoon', tempC: 21, name: t('practice.dryIn') },
    ];
  return [{ ...meets, name: t('practice.stirredIn') }];
}

/** What stands beside the pot, and how it goes in. What is in already is said. */
export function BenchSheet({
  open,
  bench,
  plan,
  inPot,
  onAdd,
  onClose,
}: {
  open: boolean;
  bench: readonly Bowl[];
  plan: Plan;
  inPot: ReadonlySet<string>;
  onAdd: (act: NewAct) => void;
  onClose: () => void;
}) {
  const { fmt } = useApp();
  const [picked, setPicked] = useState<string | undefined>();
  const pantry = pantryOf(plan);
  const says = (b: Bowl) =>
    [
      ...b.portions.map((p) => `${pantry.get(p.ingredientId)?.name ?? p.ingredientId} ${fmt.grams(p.grams)}`),
      ...(b.pots ?? []).map(({ vesselId, share }) => {
        const name = plan.vessels.find((v) => v.id === vesselId)?.name ?? vesselId;
        return share < 1 ? t('practice.ofThePot', { name, share: Math.round(100 * share) }) : name;
      }),
    ].join(', ');
  const put = (b: Bowl, { name: _n, ...way }: Way) => {
    onAdd({ do: 'add', portions: b.portions, ...(b.pots ? { pots: b.pots } : {}), bowl: b.id, ...way });
    setPicked(undefined);
    onClose();
  };
  const row = (b: Bowl) => {
    const ways = waysOf(b, plan);
    const [only] = ways;
    return (
      <View key={b.id} className="gap-2 border-b-hair border-line pb-3">
        <Key
          left
          size="amount"
          label={says(b)}
          {...(inPot.has(b.id) ? { sub: t('practice.inAlready') } : {})}
          selected={picked === b.id}
          onPress={() => (ways.length === 1 ? put(b, only!) : setPicked(picked === b.id ? undefined : b.id))}
          testID={`bowl-${b.id.split(' ').join('-')}`}
        />
        {picked === b.id ? (
          <View className="flex-row flex-wrap gap-2" testID="bowl-ways">
            {ways.map((w) => (
              <Key key={w.name} label={w.name} onPress={() => put(b, w)} />
            ))}
          </View>
        ) : null}
      </View>
    );
  };
  return (
    <Sheet open={open} title={t('practice.bench')} onClose={onClose}>
      {bench.length ? <Type kind="strong">{t('practice.ofThisPudding')}</Type> : null}
      {bench.map(row)}
      <Type kind="strong">{t('practice.onTheShelf')}</Type>
      {SHELF.map(row)}
    </Sheet>
  );
}
