import '../ui/global.css';
import { Slot } from 'expo-router';
import { ErrorBoundary } from 'react-error-boundary';
import { View } from 'react-native';
import { DayWatch } from '../features/day/DayWatch';
import { App } from '../features/shared/App';
import { Problems } from '../features/shared/Problems';
import { AroundRoom } from '../features/shared/RoomBroke';
import { Updates } from '../features/shared/Updates';
import { WhichKitchen } from '../features/shared/WhichKitchen';
import { StandingCalls } from '../features/shared/StandingCalls';
import { SkipLink } from '../features/shared/SkipLink';
import { WorkLine } from '../features/shared/WorkLine';

export default function Layout() {
  return (
    <App>
      <SkipLink />
      <View className="h-full flex-1 flex-col-reverse bg-field wide:flex-col">
        <WorkLine />
        <View className="min-h-0 flex-1">
          <WhichKitchen />
          <Updates />
          <Problems />
          <ErrorBoundary fallback={null}>
            <DayWatch />
            <StandingCalls />
          </ErrorBoundary>
          <AroundRoom>
            <Slot />
          </AroundRoom>
        </View>
      </View>
    </App>
  );
}
