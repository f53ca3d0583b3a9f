import { useRouter } from 'expo-router';
import LifeBuoy from 'lucide-react-native/icons/life-buoy';
import { Key } from '../../ui/Key';

/** Rescue is one tap away wherever something is cooked, set or looked back at. */
export function RescueKey({
  cookId,
  batchId,
  size = 'anywhere',
}: {
  cookId?: string;
  batchId?: string;
  size?: 'anywhere' | 'live';
}) {
  const router = useRouter();
  const of = cookId ? `?cook=${cookId}` : batchId ? `?batch=${batchId}` : '';
  return (
    <Key
      label="Rescue"
      spoken="Rescue: something went wrong"
      icon={LifeBuoy}
      stacked
      size={size}
      onPress={() => router.push(`/rescue${of}` as '/')}
    />
  );
}
