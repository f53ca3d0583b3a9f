import { View } from 'react-native';
import type { CookState } from '../../core/cook/fold';
import type { Step } from '../../core/cook/steps';
import type { Plan } from '../../core/plan/plan';
import { Type } from '../../ui/Type';
import { useFormat } from '../shared/App';
import { stepWords } from '../../words/potSteps';

/** The order of the work: done, now, to come. */
export function StepList({ steps, state, plan }: { steps: readonly Step[]; state: CookState; plan: Plan }) {
  const fmt = useFormat();
  return (
    <View role="list" className="gap-1">
      {steps.map((s, i) => {
        const w = stepWords(s, plan, fmt, undefined);
        const now = i === state.stepIndex;
        const done = i < state.stepIndex;
        return (
          <View
            role="listitem"
            key={s.id}
            className="flex-row items-start gap-3 py-1"
            aria-current={now ? 'step' : undefined}
          >
            <View
              className={`mt-0.5 h-6 w-8 items-center justify-center rounded-[50%] border-2 ${now ? 'border-onyolk bg-yolk' : done ? 'border-ink bg-ink' : 'border-ink bg-plate'}`}
            >
              <Type kind="smallStrong" tone={now ? 'onyolk' : done ? 'field' : 'ink'}>
                {i + 1}
              </Type>
            </View>
            <View className="min-w-0 flex-1">
              <Type kind={now ? 'title' : 'strong'} tone={done ? 'quiet' : 'ink'}>
                {w.title}
              </Type>
              <Type kind="small" tone="quiet">
                {w.manner}
              </Type>
            </View>
          </View>
        );
      })}
    </View>
  );
}
