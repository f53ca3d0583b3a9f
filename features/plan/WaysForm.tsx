import { useState } from 'react';
import { View } from 'react-native';
import type { Plan } from '../../core/plan/plan';
import { Key } from '../../ui/Key';
import { Row } from '../../ui/Row';
import { Type } from '../../ui/Type';
import { useAsk } from '../shared/useAsk';
import { CostList } from './CostList';
import { learn, t } from '../../words';
import { schools as schoolWords } from '../../words/en/schools';
import { useTell } from '../shared/App';
import { wordSays } from './words';

learn(schoolWords);

/** Where cooks part ways: each school that fits, and what the model says its sides cost. */
export function WaysForm({ plan, onChange }: { plan: Plan; onChange: (next: Plan) => void }) {
  const tell = useTell();
  const schools = useAsk('schools', [plan], { keep: true });
  const [open, setOpen] = useState<string | undefined>();
  if (!schools.data) return <Type tone="quiet">{t('planRoom.lookingWhereCooksPartWays')}</Type>;
  return (
    <>
      <Type tone="quiet">{t('planRoom.theModelSaysWhatEach')}</Type>
      {schools.data.map((s) => (
        <View key={s.id} className="gap-2">
          <Row
            title={tell(s.question)}
            sub={s.now >= 0 ? tell(s.sides[s.now]!) : t('planRoom.yourOwnWay')}
            onPress={() => setOpen(open === s.id ? undefined : s.id)}
          />
          {open === s.id ? <Sides plan={plan} id={s.id} now={s.now} onChange={onChange} /> : null}
        </View>
      ))}
    </>
  );
}

function Sides({ plan, id, now, onChange }: { plan: Plan; id: string; now: number; onChange: (next: Plan) => void }) {
  const tell = useTell();
  const { data, isPlaceholderData } = useAsk('school', [plan, id], { keep: true });
  if (!data || data.school !== id) return <Type tone="quiet">{t('planRoom.cookingItBothWays')}</Type>;
  return (
    <View className={isPlaceholderData ? 'gap-2 opacity-60' : 'gap-2'} testID={`school-${id}`}>
      {data.sides.map((side, i) => (
        <View key={side.name.code} className="gap-1 rounded-key bg-plate p-3">
          <View className="flex-row items-center justify-between gap-3">
            <View className="min-w-0 flex-1">
              <Type kind="strong">{tell(side.name)}</Type>
              <Type kind="small" tone="quiet">
                {t('planRoom.minAtTheFireHot', {
                  minutes: Math.round(side.minutes),
                  wordHot: wordSays(side.wordHot),
                  wordServing: wordSays(side.wordServing),
                })}
              </Type>
            </View>
            {i === now ? (
              <Type kind="smallStrong">{t('planRoom.soItIsNow')}</Type>
            ) : (
              <Key
                label={t('planRoom.takeIt')}
                spoken={t('planRoom.takeIt2', { sideName: tell(side.name) })}
                onPress={() => onChange(data.plans[i]!)}
              />
            )}
          </View>
          {i > 0 ? (
            <View>
              <Type kind="smallStrong">{t('planRoom.against2', { sidesName: tell(data.sides[0]!.name) })}</Type>
              <CostList costs={data.differences[i - 1]!} />
            </View>
          ) : null}
        </View>
      ))}
    </View>
  );
}
