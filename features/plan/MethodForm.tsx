import { inBowls, lookUp } from '../../core/plan/bowls';
import { ownSteps } from '../../core/plan/layout';
import { SECOND_KINDS } from '../../core/plan/secondPot';
import ArrowDown from 'lucide-react-native/icons/arrow-down';
import ArrowUp from 'lucide-react-native/icons/arrow-up';
import ChevronDown from 'lucide-react-native/icons/chevron-down';
import ChevronRight from 'lucide-react-native/icons/chevron-right';
import GripVertical from 'lucide-react-native/icons/grip-vertical';
import Plus from 'lucide-react-native/icons/plus';
import { useState } from 'react';
import { Pressable, View } from 'react-native';
import { differences, toldOf } from '../../core/advice/differences';
import type { Forecast } from '../../core/model/forecast';
import { limit } from '../../core/model/limits';
import {
  addBowl,
  asUsual,
  changeStep,
  insertStep,
  listOf,
  moveStep,
  removeStep,
  STEP_KINDS,
  steepFirst,
  stepTroubles,
  type NamedStep,
  type StepKind,
  type StepTrouble,
} from '../../core/plan/methodList';
import { purposeOf, type MethodStep, intoPot, onTop } from '../../core/plan/method';
import type { Plan } from '../../core/plan/plan';
import { say } from '../../core/say';
import { colour } from '../../ui/colours';
import { SortList, type SortRow } from '../../ui/dragging';
import { Key } from '../../ui/Key';
import { Notice } from '../../ui/Notice';
import { Type } from '../../ui/Type';
import { useApp } from '../shared/App';
import { useTakeBack } from '../shared/useTakeBack';
import { learn, t } from '../../words';
import { stepForm } from '../../words/en/stepForm';
import { CostList } from './CostList';
import { StepFields } from './StepFields';
import { stepLine, stepTitle, stepTold } from './stepWords';

learn(stepForm);

type Props = {
  plan: Plan;
  forecast: Forecast | undefined;
  /** the forecast is not of this plan yet */
  working: boolean;
  onChange: (next: Plan) => void;
  /** the list of a pot beside the pot: it neither pours nor rests, and has no usual way to go back to */
  beside?: boolean;
};

/** Steps that a list may hold. */
const MOST = 60;

/** The way it is cooked: every step to be moved, changed, taken out or put in, and what each change does. */
export function MethodForm({ plan, forecast, working, onChange, beside = false }: Props) {
  const { tell } = useApp();
  const [openId, setOpenId] = useState<string | undefined>();
  const [adding, setAdding] = useState(false);
  const back = useTakeBack();
  const list = listOf(plan);
  const troubles = stepTroubles(plan).filter((x) => !beside || x.says.code !== 'steps.nothingPours');
  const change = (next: Plan, text: string) => {
    back.offer(text, () => onChange(plan));
    onChange(next);
  };
  const stands = list.findIndex((s) => s.id === openId);
  const put = (kind: StepKind) => {
    // where the cook stands: behind the step that is open
    const { plan: next, id } = insertStep(plan, kind, stands < 0 ? undefined : stands + 1);
    onChange(next);
    setAdding(false);
    setOpenId(id);
  };
  return (
    <>
      {beside ? null : <Effect plan={plan} forecast={forecast} working={working} />}
      {troubles
        .filter((x) => x.id === undefined)
        .map((x) => (
          <View key={JSON.stringify(x.says)} className="gap-2">
            <Notice text={tell(x.says)} />
            {x.bowl ? (
              <Key label={t('steps.putIn')} className="self-start" onPress={() => onChange(addBowl(plan, x.bowl!))} />
            ) : null}
            {x.stays ? (
              <Key
                label={t('steps.takeThemOut')}
                className="self-start"
                onPress={() => onChange(insertStep(plan, 'take out').plan)}
              />
            ) : null}
          </View>
        ))}
      <Undrawn plan={plan} forecast={working ? undefined : forecast} onChange={onChange} />
      <SortList
        ids={list.map((s) => s.id)}
        says={{
          taken: (at) => t('steps.takenAt', { at, of: list.length }),
          over: (at) => t('steps.movedTo', { at, of: list.length }),
          dropped: (at) => t('steps.droppedAt', { at, of: list.length }),
          back: t('steps.putBack'),
        }}
        onMove={(id, to) => onChange(moveStep(plan, id, to))}
      >
        {(Row) => (
          <View testID="steps">
            {list.map((s, i) => (
              <StepCard
                key={s.id}
                Row={Row}
                step={s}
                at={i}
                list={list}
                plan={plan}
                forecast={working ? undefined : forecast}
                troubles={troubles.filter((x) => x.id === s.id)}
                open={openId === s.id}
                onToggle={() => setOpenId(openId === s.id ? undefined : s.id)}
                onStep={(next) => onChange(changeStep(plan, s.id, () => next))}
                onPlan={onChange}
                onMove={(to) => onChange(moveStep(plan, s.id, to))}
                onOut={() => change(removeStep(plan, s.id), t('steps.isOut', { step: stepTitle(s) }))}
              />
            ))}
          </View>
        )}
      </SortList>
      {adding ? (
        <View className="gap-2" testID="step-kinds">
          <Type kind="strong">{t('steps.whichStep')}</Type>
          <View className="flex-row flex-wrap gap-2">
            {(beside ? SECOND_KINDS : STEP_KINDS).map((kind) => (
              <View key={kind} className="shrink-0 grow basis-[46%]">
                <Key
                  label={t(`stepKind.${kind}`)}
                  sub={t(`stepKind.${kind}.sub`)}
                  left
                  className="flex-1"
                  onPress={() => put(kind)}
                />
              </View>
            ))}
          </View>
          <Key label={t('steps.noStep')} kind="quiet" onPress={() => setAdding(false)} className="self-start" />
        </View>
      ) : (
        <View className="flex-row flex-wrap gap-2">
          <Key
            label={stands < 0 ? t('steps.addAStep') : t('steps.addBehind', { step: stepTitle(list[stands]!) })}
            icon={Plus}
            size="amount"
            disabled={list.length >= MOST}
            onPress={() => setAdding(true)}
          />
          {ownSteps(plan) && !beside ? (
            <Key
              label={t('steps.asUsual')}
              size="amount"
              onPress={() => change(asUsual(plan), t('steps.asUsualAgain'))}
            />
          ) : null}
        </View>
      )}
      {list.some((s) => onTop(s) || (intoPot(s) && purposeOf(s.from) === 'fold in')) ||
      inBowls(plan).under.length > 0 ? (
        <Type kind="small" tone="quiet">
          {tell(limit('layers'))}
        </Type>
      ) : null}
      {back.bar}
    </>
  );
}

/** What all changes since the list was opened do to minutes, set and risk. */
function Effect({ plan, forecast, working }: Pick<Props, 'plan' | 'forecast' | 'working'>) {
  const { fmt } = useApp();
  const [base, setBase] = useState<{ plan: Plan; forecast: Forecast } | undefined>();
  if (!base && forecast && !working) setBase({ plan, forecast });
  const name = say('plain', { text: plan.name });
  const costs =
    base && forecast && base.forecast !== forecast
      ? differences(toldOf(name, base.plan, base.forecast), toldOf(name, plan, forecast))
      : [];
  return (
    <View
      className="sticky top-0 z-10 gap-0.5 rounded-plate border-edge border-ink bg-plate p-3"
      aria-live="polite"
      testID="step-effect"
    >
      <Type kind="title" tone={working ? 'quiet' : 'ink'}>
        {forecast
          ? t('steps.now', {
              word: t(`word.${forecast.serving.word}`),
              minutes: Math.round(forecast.minutes.total),
              depthMm: fmt.length(forecast.depthMm),
            })
          : t('planRoom.workingItOut')}
      </Type>
      {base && forecast && base.forecast !== forecast ? (
        <>
          <Type kind="smallStrong">{t('steps.sinceYouOpenedThis')}</Type>
          <CostList costs={costs} />
        </>
      ) : (
        <Type kind="small" tone="quiet">
          {t('steps.nothingChangedYet')}
        </Type>
      )}
    </View>
  );
}

/** Whole spices that have to come out before they have drawn. */
function Undrawn({ plan, forecast, onChange }: Pick<Props, 'plan' | 'forecast' | 'onChange'>) {
  const weak = forecast?.aroma.filter((a) => a.steepMin !== undefined) ?? [];
  const at = listOf(plan).findIndex((s) => s.do === 'take out');
  if (!weak.length || at < 0) return null;
  const minutes = Math.max(...weak.map((a) => a.steepMin!));
  return (
    <View className="gap-2">
      {weak.map((a) => (
        <Notice
          key={a.ingredientId}
          harm={false}
          text={t('steps.hasDrawn', {
            name: lookUp(plan, a.ingredientId).name,
            tenths: Math.round(10 * (a.drawn ?? 0)),
          })}
        />
      ))}
      <Key
        label={t('steps.steepFirst', { minutes })}
        className="self-start"
        onPress={() => onChange(steepFirst(plan, minutes, at))}
      />
    </View>
  );
}

function StepCard({
  Row,
  step,
  at,
  list,
  plan,
  forecast,
  troubles,
  open,
  onToggle,
  onStep,
  onPlan,
  onMove,
  onOut,
}: {
  Row: SortRow;
  step: NamedStep;
  at: number;
  list: readonly NamedStep[];
  plan: Plan;
  forecast: Forecast | undefined;
  troubles: readonly StepTrouble[];
  open: boolean;
  onToggle: () => void;
  onStep: (next: MethodStep) => void;
  onPlan: (next: Plan) => void;
  onMove: (to: number) => void;
  onOut: () => void;
}) {
  const { fmt, tell } = useApp();
  const title = stepTitle(step);
  const told = forecast ? stepTold(at, list, plan, forecast, fmt) : '';
  const overflows = intoPot(step) && purposeOf(step.from) === 'fold in' && (forecast?.fillRel ?? 0) > 1;
  const Chevron = open ? ChevronDown : ChevronRight;
  return (
    <Row id={step.id}>
      {(grip) => (
        <View
          ref={grip.row as never}
          style={
            grip.shiftPx === undefined
              ? undefined
              : { transform: [{ translateY: grip.shiftPx }], zIndex: grip.held ? 1 : 0 }
          }
          className={`border-b-hair border-line ${grip.held ? 'rounded-key bg-plate' : ''}`}
          testID={`step-${step.id}`}
        >
          <View className="flex-row items-stretch">
            <View
              ref={grip.handle as never}
              {...grip.props}
              role="button"
              tabIndex={0}
              aria-label={t('steps.drag', { step: title })}
              className="w-12 touch-none items-center justify-center"
            >
              <GripVertical size={22} color={colour.ink2} />
            </View>
            <Pressable
              role="button"
              aria-expanded={open}
              aria-label={[`${at + 1}. ${title}`, stepLine(step, plan, fmt), told].filter(Boolean).join(', ')}
              onPress={onToggle}
              className="min-h-[60px] min-w-0 flex-1 flex-row items-center gap-2 py-2 active:opacity-70"
            >
              <View className="min-w-0 flex-1">
                <Type kind="strong">{`${at + 1}. ${title}`}</Type>
                <Type kind="small" tone="quiet">
                  {stepLine(step, plan, fmt)}
                </Type>
                {told ? <Type kind="smallStrong">{told}</Type> : null}
              </View>
              <Chevron size={20} color={colour.ink2} />
            </Pressable>
          </View>
          {troubles.map((x) => (
            <Notice key={x.says.code} text={tell(x.says)} />
          ))}
          {overflows ? <Notice text={t('stepTold.overflows')} /> : null}
          {open ? (
            <View className="gap-3 pb-4 pl-3 pr-1 pt-1">
              <StepFields
                step={step}
                plan={plan}
                eggSafe={forecast?.egg?.safe ?? false}
                onChange={onStep}
                onPlan={onPlan}
              />
              <View className="flex-row flex-wrap gap-2">
                <Key label={t('steps.up')} icon={ArrowUp} disabled={at === 0} onPress={() => onMove(at - 1)} />
                <Key
                  label={t('steps.down')}
                  icon={ArrowDown}
                  disabled={at === list.length - 1}
                  onPress={() => onMove(at + 1)}
                />
                <Key label={t('steps.takeOut')} kind="harm" disabled={list.length === 1} onPress={onOut} />
              </View>
            </View>
          ) : null}
        </View>
      )}
    </Row>
  );
}
