import { addDays } from 'date-fns/addDays';
import { useState } from 'react';
import { View } from 'react-native';
import { DISHES } from '../../core/pantry/kitchen';
import { dishesFor, newPlan } from '../../core/plan/newPlan';
import type { Plan } from '../../core/plan/plan';
import { Choices } from '../../ui/Choices';
import { Key } from '../../ui/Key';
import { MomentField } from '../../ui/MomentField';
import { Stepper } from '../../ui/Stepper';
import { t } from '../../words';
import { useFormat } from '../shared/App';
import { newId } from '../shared/ids';
import { useKitchen } from '../shared/kitchen';
import { useKnown } from '../shared/useKnown';
import { atWallClock } from '../shared/wallClock';
import { withFirstAmounts } from './firstAmounts';
import type { What } from './what';
import { WhatKind, whatLabel } from './WhatKind';

const SUPPER_MIN = 19 * 60 + 30;
const PORTION_G = 130;

/** What, how many, which dish, when: enough for a plan that sets. All else has its usual place and can be changed there. */
export function FirstPlan({ onMade }: { onMade: (plan: Plan) => void }) {
  const { ask, clock } = useKitchen();
  const fmt = useFormat();
  const known = useKnown();
  const [what, setWhat] = useState<What>({ family: 'starch-set milk pudding' });
  const [people, setPeople] = useState(6);
  const [dish, setDish] = useState<string>('');
  const [atMs, setAtMs] = useState(() => atWallClock(addDays(clock(), 1).getTime(), SUPPER_MIN).getTime());
  const [busy, setBusy] = useState(false);
  const make = async () => {
    setBusy(true);
    const wished = {
      id: newId('plan'),
      name: whatLabel(what),
      people,
      portionG: PORTION_G,
      serveAt: new Date(atMs).toISOString(),
    };
    const start = what.dish
      ? (await import('./DishList')).startDish(what.dish.id, wished)
      : newPlan({ ...wished, milkId: 'milk_whole', family: what.family });
    const chosen = DISHES.find((d) => d.name === dish);
    const plan = chosen ? { ...start, dish: { ...chosen, count: dishesFor(chosen, people, PORTION_G) } } : start;
    onMade(await withFirstAmounts(ask, plan, known));
  };
  return (
    <View className="gap-5">
      <WhatKind label={t('start.what')} what={what} onChoose={setWhat} />
      <Stepper
        name={t('start.howMany')}
        value={people}
        unit=""
        step={1}
        min={1}
        max={60}
        onChange={(v) => setPeople(Math.round(v))}
      />
      <Choices
        label={t('start.whichDish')}
        value={dish}
        options={[
          { value: '', label: t('start.usualDish') },
          ...DISHES.map((d) => ({ value: d.name, label: fmt.named(d.name) })),
        ]}
        onChoose={setDish}
      />
      <MomentField
        label={t('start.when')}
        dateLabel={t('start.day')}
        timeLabel={t('start.time')}
        valueMs={atMs}
        onChange={setAtMs}
      />
      <Key
        kind="yolk"
        size="act"
        label={busy ? t('start.workingItOut') : t('start.showMeTheAmounts')}
        disabled={busy}
        onPress={() => void make()}
      />
    </View>
  );
}
