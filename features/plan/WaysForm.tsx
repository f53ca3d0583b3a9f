import { useState } from 'react';
import { View } from 'react-native';
import type { Plan } from '../../core/plan/plan';
import { Key } from '../../ui/Key';
import { Row } from '../../ui/Row';
import { Type } from '../../ui/Type';
import { useAsk } from '../shared/useAsk';
import { CostList } from './CostList';

/** Where cooks part ways: each school that fits, and what the model says its sides cost. */
export function WaysForm({ plan, onChange }: { plan: Plan; onChange: (next: Plan) => void }) {
  const schools = useAsk('schools', [plan], { keep: true });
  const [open, setOpen] = useState<string | undefined>();
  if (!schools.data) return <Type tone="quiet">Looking where cooks part ways</Type>;
  return (
    <>
      <Type tone="quiet">The model says what each side costs. It does not say who is right.</Type>
      {schools.data.map((s) => (
        <View key={s.id} className="gap-2">
          <Row
            title={s.question}
            sub={s.now >= 0 ? s.sides[s.now]! : 'your own way'}
            onPress={() => setOpen(open === s.id ? undefined : s.id)}
          />
          {open === s.id ? <Sides plan={plan} id={s.id} now={s.now} onChange={onChange} /> : null}
        </View>
      ))}
    </>
  );
}

function Sides({ plan, id, now, onChange }: { plan: Plan; id: string; now: number; onChange: (next: Plan) => void }) {
  const { data, isPlaceholderData } = useAsk('school', [plan, id], { keep: true });
  if (!data || data.school !== id) return <Type tone="quiet">Cooking it both ways</Type>;
  return (
    <View className={isPlaceholderData ? 'gap-2 opacity-60' : 'gap-2'} testID={`school-${id}`}>
      {data.sides.map((side, i) => (
        <View key={side.name} className="gap-1 rounded-key bg-plate p-3">
          <View className="flex-row items-center justify-between gap-3">
            <View className="min-w-0 flex-1">
              <Type kind="strong">{side.name}</Type>
              <Type kind="small" tone="quiet">
                {`${Math.round(side.minutes)} min at the fire, ${side.wordHot} hot, ${side.wordServing} at serving`}
              </Type>
            </View>
            {i === now ? (
              <Type kind="smallStrong">so it is now</Type>
            ) : (
              <Key label="Take it" spoken={`Take it: ${side.name}`} onPress={() => onChange(data.plans[i]!)} />
            )}
          </View>
          {i > 0 ? (
            <View>
              <Type kind="smallStrong">{`against ${data.sides[0]!.name}`}</Type>
              <CostList costs={data.differences[i - 1]!} />
            </View>
          ) : null}
        </View>
      ))}
    </View>
  );
}
