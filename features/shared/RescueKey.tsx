import { useRouter } from 'expo-router';

import { Key } from '../../ui/Key';
import { SpoonOut } from '../../ui/SpoonOut';

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
      icon={SpoonOut}
      stacked
      size={size}
      onPress={() => router.push(`/rescue${of}` as '/')}
    />
  );
}
