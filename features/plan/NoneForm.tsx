import { useState } from 'react';
import { View } from 'react-native';
import { massG } from '../../core/matter/mixture';
import { lookUp, wholeMixture } from '../../core/plan/bowls';
import type { Plan } from '../../core/plan/plan';
import type { Candidate } from '../../core/advice/substitutes';
import { PANS, type Pan } from '../../core/pantry/kitchen';
import { suggestSettings } from '../../core/pot/hob';
import { panFit } from '../../core/vessels/fit';
import { asPan } from '../../core/vessels/vessel';
import { useCollection } from '../shared/stored';
import { Choices } from '../../ui/Choices';
import { Key } from '../../ui/Key';
import { Notice } from '../../ui/Notice';
import { Row } from '../../ui/Row';
import { Type } from '../../ui/Type';
import { useAsk } from '../shared/useAsk';
import { CostList } from './CostList';
import { useFormat, useTell } from '../shared/App';
import { learn, t, named } from '../../words';
import { noneForm } from '../../words/en/noneForm';

learn(noneForm);

type Missing = { of: 'ingredient' | 'tool' | 'dish' | 'pan'; id: string };

/** "I have none": an ingredient, a tool, a dish; what stands in, and what it costs. */
export function NoneForm({
  plan,
  endMassG,
  onTake,
}: {
  plan: Plan;
  endMassG: number;
  onTake: (next: Plan, said: string) => void;
}) {
  const tell = useTell();
  const fmt = useFormat();
  const [missing, setMissing] = useState<Missing | undefined>();
  const tools = useAsk('tools', [plan]);
  if (missing?.of === 'ingredient')
    return <Ingredient plan={plan} id={missing.id} onTake={onTake} onBack={() => setMissing(undefined)} />;
  if (missing?.of === 'tool')
    return <Tool plan={plan} id={missing.id} onTake={onTake} onBack={() => setMissing(undefined)} />;
  if (missing?.of === 'dish')
    return <Dishes plan={plan} endMassG={endMassG} onTake={onTake} onBack={() => setMissing(undefined)} />;
  if (missing?.of === 'pan') return <Pans plan={plan} onTake={onTake} onBack={() => setMissing(undefined)} />;
  return (
    <>
      <Type kind="title" level={3}>
        {t('planRoom.ofWhatIsInIt')}
      </Type>
      {plan.things
        .filter((i) => i.grams > 0)
        .map((i) => (
          <Row
            key={i.ingredientId}
            title={lookUp(plan, i.ingredientId).name}
            onPress={() => setMissing({ of: 'ingredient', id: i.ingredientId })}
          />
        ))}
      <Type kind="title" level={3}>
        {t('planRoom.ofTheTools')}
      </Type>
      {tools.data?.map((t) => (
        <Row key={t.id} title={tell(t.missing)} onPress={() => setMissing({ of: 'tool', id: t.id })} />
      ))}
      <Type kind="title" level={3}>
        {t('planRoom.ofTheDishes')}
      </Type>
      <Row
        title={t('planRoom.ml', { countOf: plan.dish.count, capacityMl: fmt.ml(plan.dish.capacityMl) })}
        sub={t('planRoom.somethingElseToPourIt')}
        onPress={() => setMissing({ of: 'dish', id: '' })}
      />
      <Row
        title={fmt.named(plan.pan.name)}
        sub={t('planRoom.anotherPanToCookIt')}
        onPress={() => setMissing({ of: 'pan', id: '' })}
      />
    </>
  );
}

type PartProps = { plan: Plan; onTake: (next: Plan, said: string) => void; onBack: () => void };

function Ingredient({ plan, id, onTake, onBack }: PartProps & { id: string }) {
  const candidates = useAsk('candidates', [plan, id]);
  const name = lookUp(plan, id).name;
  return (
    <>
      <Key label={t('planRoom.back')} kind="quiet" onPress={onBack} className="self-start" />
      <Type kind="title" level={3}>
        {t('planRoom.no', { name })}
      </Type>
      {candidates.data?.length === 0 ? (
        <Notice harm={false} text={t('planRoom.nothingInThePantryStands', { name })} />
      ) : null}
      {candidates.data?.map((c) => (
        <Stand key={c.toId} plan={plan} fromId={id} candidate={c} onTake={onTake} />
      ))}
    </>
  );
}

/** One stand-in: opened, the model swaps it at equal set and says what is left to feel. */
function Stand({
  plan,
  fromId,
  candidate,
  onTake,
}: {
  plan: Plan;
  fromId: string;
  candidate: Candidate;
  onTake: PartProps['onTake'];
}) {
  const tell = useTell();
  const fmt = useFormat();
  const [open, setOpen] = useState(false);
  const to = lookUp(plan, candidate.toId);
  const { data } = useAsk('instead', [plan, fromId, candidate], { enabled: open });
  const grams = data?.ok ? data.plan.things.find((i) => i.ingredientId === candidate.toId)?.grams : undefined;
  const contains = to.allergens.filter((a) => !lookUp(plan, fromId).allergens.includes(a));
  return (
    <View className="gap-2">
      <Row title={to.name} sub={candidate.note ? tell(candidate.note) : undefined} onPress={() => setOpen(!open)} />
      {open && !data ? <Type tone="quiet">{t('planRoom.cookingItWithThat')}</Type> : null}
      {open && data && !data.ok ? <Notice text={tell(data.why)} /> : null}
      {open && data?.ok ? (
        <View className="gap-2 rounded-key bg-plate p-3" testID={`instead-${candidate.toId}`}>
          <Type kind="strong">
            {`${fmt.grams(grams ?? 0)} ${to.name}${data.held ? t('planRoom.theRestMovedSoThat') : ''}`}
          </Type>
          {data.why ? <Notice harm={false} text={tell(data.why)} /> : null}
          <CostList costs={data.costs} />
          {contains.length ? <Notice text={t('planRoom.contains', { contains: named('allergen', contains) })} /> : null}
          <Key
            kind="yolk"
            size="amount"
            label={t('planRoom.take2', { toName: to.name })}
            onPress={() => onTake(data.plan, t('planRoom.in2', { toName: to.name }))}
          />
          <Type kind="smallStrong">{t('planRoom.swappedAsItIsNothing')}</Type>
          <CostList costs={data.costsAsIs} />
          <Key
            label={t('planRoom.takeItAsItIs')}
            onPress={() => onTake(data.asIs, t('planRoom.in2', { toName: to.name }))}
          />
        </View>
      ) : null}
    </View>
  );
}

function Tool({ plan, id, onTake, onBack }: PartProps & { id: string }) {
  const tell = useTell();
  const tools = useAsk('tools', [plan]);
  const { data } = useAsk('tool', [plan, id]);
  const tool = tools.data?.find((x) => x.id === id);
  if (!tool) return null;
  return (
    <>
      <Key label={t('planRoom.back')} kind="quiet" onPress={onBack} className="self-start" />
      <Type kind="title" level={3}>
        {t('planRoom.without', { missing: tell(tool.missing), instead: tell(tool.instead) })}
      </Type>
      <Type>{tell(tool.note)}</Type>
      {data ? (
        <View className="gap-2 rounded-key bg-plate p-3" testID={`tool-${id}`}>
          <CostList costs={data.costs} />
          <Key
            kind="yolk"
            size="amount"
            label={t('planRoom.planWith', { instead: tell(tool.instead) })}
            onPress={() => onTake(data.plan, tell(tool.instead))}
          />
        </View>
      ) : (
        <Type tone="quiet">{t('planRoom.cookingItWithout')}</Type>
      )}
    </>
  );
}

function Dishes({ plan, endMassG, onTake, onBack }: PartProps & { endMassG: number }) {
  const tell = useTell();
  const fmt = useFormat();
  const vessels = useCollection('vessels');
  const swaps = useAsk('dishes', [plan, endMassG, vessels.data ?? []]);
  const [chosen, setChosen] = useState<number | undefined>();
  const swap = chosen === undefined ? undefined : swaps.data?.[chosen];
  const other = swap ? { ...plan, dish: swap.dish } : plan;
  const costs = useAsk('costs', [plan, other], { enabled: swap !== undefined });
  return (
    <>
      <Key label={t('planRoom.back')} kind="quiet" onPress={onBack} className="self-start" />
      <Choices
        label={t('planRoom.instead')}
        column
        value={chosen}
        options={(swaps.data ?? []).map((s, i) => ({
          value: i,
          label: `${s.dish.count} × ${fmt.named(s.name)}`,
          ...(s.note ? { sub: tell(s.note) } : {}),
        }))}
        onChoose={setChosen}
      />
      {swap && costs.data ? (
        <View className="gap-2 rounded-key bg-plate p-3" testID="dish-costs">
          <CostList costs={costs.data} />
          <Key
            kind="yolk"
            size="amount"
            label={t('planRoom.pourItIntoThat')}
            onPress={() => onTake(other, swap.name)}
          />
        </View>
      ) : null}
    </>
  );
}

function Pans({ plan, onTake, onBack }: PartProps) {
  const fmt = useFormat();
  const vessels = useCollection('vessels');
  const pans: readonly Pan[] = [...(vessels.data ?? []).filter((v) => v.use === 'pan').map(asPan), ...PANS].filter(
    (p) => p.name !== plan.pan.name,
  );
  const [chosen, setChosen] = useState<number | undefined>();
  const pan = chosen === undefined ? undefined : pans[chosen];
  const total = massG(wholeMixture(plan));
  const other: Plan = pan
    ? { ...plan, pan, method: { ...plan.method, ...suggestSettings(plan.hob, pan.diameterMm, total) } }
    : plan;
  const costs = useAsk('costs', [plan, other], { enabled: pan !== undefined });
  const fit = panFit(other);
  return (
    <>
      <Key label={t('planRoom.back')} kind="quiet" onPress={onBack} className="self-start" />
      <Choices
        label={t('planRoom.instead')}
        column
        value={chosen}
        options={pans.map((p, i) => ({
          value: i,
          label: fmt.named(p.name),
          sub: t('planRoom.mmAcrossMmHigh', {
            diameterMm: fmt.length(p.diameterMm),
            heightMm: fmt.length(p.heightMm),
            material: t(`made.${p.material}`),
          }),
        }))}
        onChoose={setChosen}
      />
      {pan && costs.data ? (
        <View className="gap-2 rounded-key bg-plate p-3" testID="pan-costs">
          <CostList costs={costs.data} />
          {fit.says === 'fits' ? null : (
            <Notice
              text={
                fit.headroomMm <= 0
                  ? t('planRoom.itDoesNotGoIn')
                  : t('planRoom.mmAreLeftAboveThe', { headroomMm: fmt.length(fit.headroomMm) })
              }
            />
          )}
          <Key kind="yolk" size="amount" label={t('planRoom.cookItInThat')} onPress={() => onTake(other, pan.name)} />
        </View>
      ) : null}
    </>
  );
}
