import { View } from 'react-native';
import type { Difference } from '../../core/advice/differences';
import { Type } from '../../ui/Type';
import { useFormat } from '../shared/App';
import { costsSay } from './words';

/** What a change costs, a line each. */
export function CostList({ costs }: { costs: readonly Difference[] }) {
  const fmt = useFormat();
  return (
    <View>
      {costsSay(costs, fmt).map((c) => (
        <Type key={c} kind="small" tone="quiet">
          {c}
        </Type>
      ))}
    </View>
  );
}
