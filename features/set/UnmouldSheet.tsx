import { useState } from 'react';
import { View } from 'react-native';
import type { Forecast } from '../../core/model/forecast';
import type { Plan } from '../../core/plan/plan';
import { cutGrid } from '../../core/vessels/fit';
import { Choices } from '../../ui/Choices';
import { CutGrid } from '../../ui/CutGrid';
import { Key } from '../../ui/Key';
import { Notice } from '../../ui/Notice';
import { Sheet } from '../../ui/Sheet';
import { SlumpDial } from '../../ui/SlumpDial';
import { Type } from '../../ui/Type';
import { t } from '../../words';
import { chanceWords } from '../../words/format';
import { useFormat } from '../shared/App';

/** s in warm water, by what the mould is made of: metal lets go at once (C). */
const DIP_S = { metal: 5, glass: 15, ceramic: 20, plastic: 10, clay: 30, 'wet clay': 30 } as const;

export type Moment = { title: string; says: string };

/** The moments of turning out, cutting or pulling, in their order. */
function momentsOf(plan: Plan, f: Forecast, edge: 'knife' | 'fingers', fmt: ReturnType<typeof useFormat>): Moment[] {
  if (f.frozen)
    return [
      {
        title: t('unmould.wait'),
        says: t('unmould.waitSays', {
          min: Math.max(1, Math.round(f.frozen.pullsRoomS / 60)),
          s: Math.round(f.frozen.pullsWaterS),
        }),
      },
      { title: t('unmould.pull'), says: t('unmould.pullSays') },
    ];
  if (plan.serve.style === 'cut')
    return [
      { title: t('unmould.knife'), says: t('unmould.knifeSays') },
      { title: t('unmould.cut'), says: t('unmould.cutSays', { chance: chanceWords(f.knife.sliceClean) }) },
      { title: t('unmould.lift'), says: t('unmould.liftSays') },
    ];
  return [
    { title: t('unmould.edge'), says: edge === 'knife' ? t('unmould.edgeKnife') : t('unmould.edgeFingers') },
    { title: t('unmould.dip'), says: t('unmould.dipSays', { s: DIP_S[plan.dish.wall], tempC: fmt.temp(45) }) },
    { title: t('unmould.plate'), says: t('unmould.plateSays') },
    { title: t('unmould.flip'), says: t('unmould.flipSays', { chance: chanceWords(f.knife.unmould) }) },
  ];
}

/** Turning out, cutting or pulling as guided moments; at the end, how far it slumped, by drawing it. */
export function UnmouldSheet({
  open,
  plan,
  f,
  onDone,
  onClose,
}: {
  open: boolean;
  plan: Plan;
  f: Forecast;
  /** how much of its height it lost, 0 to 1, where the cook has drawn it */
  onDone: (slumpRel: number | undefined) => void;
  onClose: () => void;
}) {
  const fmt = useFormat();
  const [edge, setEdge] = useState<'knife' | 'fingers'>('fingers');
  const [at, setAt] = useState(0);
  const [slump, setSlump] = useState<number | undefined>();
  const moments = momentsOf(plan, f, edge, fmt);
  const moment = moments[at];
  const turned = plan.serve.style === 'turned out' && !f.frozen;
  const grid = plan.serve.style === 'cut' && plan.dish.form ? cutGrid(plan.dish.form, plan.people) : undefined;
  return (
    <Sheet open={open} title={t(plan.serve.style === 'cut' ? 'unmould.titleCut' : 'unmould.title')} onClose={onClose}>
      {moment ? (
        <View className="gap-3" testID="unmould-moment">
          <Type tone="quiet">{t('unmould.of', { at: at + 1, of: moments.length })}</Type>
          <Type kind="instruction" level={2}>
            {moment.title}
          </Type>
          <Type kind="key">{moment.says}</Type>
          {at === 0 && turned ? (
            <Choices
              label={t('unmould.edgeFreed')}
              value={edge}
              options={(['fingers', 'knife'] as const).map((value) => ({ value, label: t(`unmould.by.${value}`) }))}
              onChoose={setEdge}
            />
          ) : null}
          {grid && at === 1 && plan.dish.form ? (
            <CutGrid form={plan.dish.form} cut={grid} label={t('unmould.grid', { pieces: grid.pieces })} />
          ) : null}
          <View className="flex-row gap-2">
            {at > 0 ? <Key label={t('unmould.back')} size="act" onPress={() => setAt(at - 1)} /> : null}
            <Key
              kind="yolk"
              size="act"
              className="flex-1"
              testID="unmould-next"
              label={t('unmould.next')}
              onPress={() => setAt(at + 1)}
            />
          </View>
        </View>
      ) : (
        <View className="gap-3" testID="unmould-end">
          {turned ? (
            <>
              <Type kind="title">{t('unmould.howItStands')}</Type>
              <SlumpDial value={slump ?? f.standing.slumpRel} label={t('unmould.drag')} onChange={setSlump} />
              <Type tone="quiet">{t('unmould.whyDrag')}</Type>
            </>
          ) : (
            <Notice harm={false} text={t('unmould.onThePlates')} />
          )}
          <Key
            kind="yolk"
            size="act"
            testID="unmould-done"
            label={t(plan.serve.style === 'cut' ? 'unmould.itIsCut' : 'unmould.itIsOut')}
            onPress={() => onDone(slump)}
          />
        </View>
      )}
    </Sheet>
  );
}
