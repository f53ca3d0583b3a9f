import Head from 'expo-router/head';
import { useRouter } from 'expo-router';
import { useState } from 'react';
import { ScrollView, View } from 'react-native';
import { openKitchen } from '../../storage/which';
import { Key } from '../../ui/Key';
import { later } from '../../ui/later';
import { PotPicture } from '../../ui/PotPicture';
import { Type } from '../../ui/Type';
import { t } from '../../words';
import { useOpenAgain, useSave } from '../shared/stored';
import { useOtherKitchen } from '../shared/useOtherKitchen';
import { useKitchen } from '../shared/kitchen';

const FirstPlan = later(() => import('./FirstPlan').then((m) => m.FirstPlan));

/** The first page: what Ovalis is, and three ways in. It is whole in the exported page, and asks nothing of the kitchen. */
export function StartRoom() {
  const { which } = useKitchen();
  const router = useRouter();
  const openAgain = useOpenAgain();
  const openOther = useOtherKitchen();
  const save = useSave('plans');
  const [asking, setAsking] = useState(false);
  /** Opens one's own kitchen in this page, or goes to it where the other is open. */
  const inMine = (then: () => void) => {
    if (which() === 'choir') {
      void openOther('own');
      return;
    }
    openKitchen('own');
    void openAgain();
    then();
  };
  return (
    <ScrollView className="flex-1" contentContainerClassName="mx-auto w-full max-w-[560px] gap-5 px-4 py-6">
      <Head>
        <title>{t('start.title')}</title>
      </Head>
      <View role="main" className="gap-5">
        <View className="flex-row items-center gap-4">
          <PotPicture />
          <Type kind="answer" level={1}>
            {t('shared.ovalis2')}
          </Type>
        </View>
        {asking ? (
          <FirstPlan
            onMade={(plan) => void save.mutateAsync(plan).then(() => router.replace(`/plan?id=${plan.id}` as '/plan'))}
          />
        ) : (
          <View className="gap-3">
            <Type kind="amount" className="pb-2">
              {t('start.whatItIs')}
            </Type>
            <Key kind="yolk" size="act" label={t('start.planMyFirst')} onPress={() => inMine(() => setAsking(true))} />
            <Key
              size="amount"
              label={t('start.readMyRecipe')}
              onPress={() => inMine(() => router.replace('/recipe'))}
            />
            <Key size="amount" label={t('start.lookRound')} onPress={() => void openOther('choir')} />
          </View>
        )}
        <Type tone="quiet">{t('start.noAccount')}</Type>
        <Type kind="small" tone="quiet">
          {t('start.usualGuidance')}
        </Type>
      </View>
    </ScrollView>
  );
}
