import { useRouter } from 'expo-router';
import { Room } from '../features/shared/Room';
import { Empty } from '../ui/Notice';
import { Key } from '../ui/Key';

export default function NotFound() {
  const router = useRouter();
  return (
    <Room name="Not here" title="Not here">
      <Empty word="no such room" text="The address leads nowhere.">
        <Key kind="yolk" size="act" label="To the plans" onPress={() => router.push('/plan')} />
      </Empty>
    </Room>
  );
}
