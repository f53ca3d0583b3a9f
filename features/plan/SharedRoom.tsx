import { useQuery } from '@tanstack/react-query';
import { useRouter } from 'expo-router';
import { View } from 'react-native';
import { planOfFragment } from '../../core/formats/planLink';
import { allThings, lookUp } from '../../core/plan/bowls';
import { browserKitchen } from '../../storage/browser';
import { Key } from '../../ui/Key';
import { Empty } from '../../ui/Notice';
import { Row } from '../../ui/Row';
import { Type } from '../../ui/Type';
import { learn, t } from '../../words';
import { card } from '../../words/en/card';
import { useApp, useTell } from '../shared/App';
import { newId } from '../shared/ids';
import { useKitchen } from '../shared/kitchen';
import { Room } from '../shared/Room';
import { useSave } from '../shared/stored';
import { useMounted } from '../shared/useNow';
import { useOtherKitchen } from '../shared/useOtherKitchen';

learn(card);

/** A plan that somebody sent: it is in the address itself. It is looked at first, and kept when the cook says so. */
export function SharedRoom() {
  const { fmt } = useApp();
  const tell = useTell();
  const { which, clock } = useKitchen();
  const router = useRouter();
  const mounted = useMounted();
  const save = useSave('plans');
  const openOther = useOtherKitchen();
  const fragment = mounted ? location.hash : '';
  const { data: read } = useQuery({
    queryKey: ['shared', fragment],
    queryFn: () => planOfFragment(fragment),
    enabled: mounted,
    staleTime: Infinity,
  });
  /** Into one's own kitchen, whichever is open; as a plan beside those that are there. */
  const keep = async () => {
    if (!read?.ok) return;
    const plan = { ...read.value, id: newId('plan') };
    if (which() === 'choir') {
      await openOther('own', async () => {
        const own = browserKitchen('own');
        own.note({ collection: 'plans', record: plan.id, act: { put: plan } }, clock());
        await own.settle();
        return `/plan?id=${plan.id}`;
      });
      return;
    }
    await save.mutateAsync(plan).catch(() => undefined);
    router.replace(`/plan?id=${plan.id}` as '/plan');
  };
  return (
    <Room name={t('room.Card')} title={read?.ok ? read.value.name : t('card.aPlanForYou')} rescue={false}>
      {read?.ok ? (
        <View className="mx-auto w-full max-w-[560px] gap-4 px-4 py-4">
          <Type>
            {t('card.amountsLine', { count: allThings(read.value).length, word: t(`word.${read.value.serve.word}`) })}
          </Type>
          <View>
            {allThings(read.value).map((i, n) => (
              <Row
                key={`${n} ${i.ingredientId}`}
                title={lookUp(read.value, i.ingredientId).name}
                value={fmt.grams(i.grams)}
              />
            ))}
          </View>
          <Key kind="yolk" size="act" label={t('card.keepIt')} onPress={() => void keep()} />
        </View>
      ) : read ? (
        <Empty word={t('card.noPlanHere')} text={read.issues.map((i) => tell(i.message)).join(' ')}>
          <Key label={t('card.toTheApp')} onPress={() => router.replace('/plan')} />
        </Empty>
      ) : null}
    </Room>
  );
}
