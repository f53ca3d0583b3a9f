import '../ui/global.css';
import { Slot } from 'expo-router';
import { View } from 'react-native';
import { DayWatch } from '../features/day/DayWatch';
import { App } from '../features/shared/App';
import { Problems } from '../features/shared/Problems';
import { WorkLine } from '../features/shared/WorkLine';

export default function Layout() {
  return (
    <App>
      <View className="h-full flex-1 flex-col-reverse bg-field wide:flex-col">
        <WorkLine />
        <View className="min-h-0 flex-1">
          <Problems />
          <DayWatch />
          <Slot />
        </View>
      </View>
    </App>
  );
}
