import { useRouter } from 'expo-router';
import { Room } from '../features/shared/Room';
import { Empty } from '../ui/Notice';
import { Key } from '../ui/Key';
import { t } from '../words';

export default function NotFound() {
  const router = useRouter();
  return (
    <Room name={t('shared.notHere')} title={t('shared.notHere')}>
      <Empty word={t('shared.noSuchRoom')} text={t('shared.theAddressLeadsNowhere')}>
        <Key kind="yolk" size="act" label={t('shared.toThePlans')} onPress={() => router.push('/plan')} />
      </Empty>
    </Room>
  );
}
