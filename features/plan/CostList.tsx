import { View } from 'react-native';
import type { Difference } from '../../core/advice/differences';
import { Type } from '../../ui/Type';
import { costsSay } from './words';

/** What a change costs, a line each. */
export function CostList({ costs }: { costs: readonly Difference[] }) {
  return (
    <View>
      {costsSay(costs).map((c) => (
        <Type key={c} kind="small" tone="quiet">
          {c}
        </Type>
      ))}
    </View>
  );
}
