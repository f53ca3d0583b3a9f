import { useRouter } from 'expo-router';

import { Key } from '../../ui/Key';
import { SpoonOut } from '../../ui/SpoonOut';
import { t } from '../../words';

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
  const of = cookId ? t('shared.cook', { cookId }) : batchId ? t('shared.batch', { batchId }) : '';
  return (
    <Key
      label={t('shared.rescue')}
      spoken={t('shared.rescueSomethingWentWrong')}
      icon={SpoonOut}
      stacked
      size={size}
      onPress={() => router.push(`/rescue${of}` as '/')}
    />
  );
}
