import { useGlobalSearchParams, usePathname, useRouter } from 'expo-router';
import { useEffect, type ReactNode } from 'react';
import { ErrorBoundary, type FallbackProps } from 'react-error-boundary';
import { View } from 'react-native';
import type { CollectionName } from '../../core/formats/collections';
import { Key } from '../../ui/Key';
import { Type } from '../../ui/Type';
import { t } from '../../words';
import { useApp } from './App';
import { useSaveKitchen } from './saveFile';
import { useSetOneAside } from './stored';

/** Around the rooms: one that breaks says so and offers ways out; the work line and what is kept are not touched. */
export function AroundRoom({ children }: { children: ReactNode }) {
  const path = usePathname();
  const { id, cook, batch, date } = useGlobalSearchParams<Record<string, string>>();
  return (
    <ErrorBoundary FallbackComponent={RoomBroke} resetKeys={[path, id, cook, batch, date]}>
      {children}
    </ErrorBoundary>
  );
}

/** The record that a room is about, where its address or the last one looked at says so. */
function useAbout(): { name: CollectionName; id: string } | undefined {
  const path = usePathname();
  const p = useGlobalSearchParams<Record<string, string>>();
  const { where } = useApp();
  const about = (name: CollectionName, id: string | undefined) => (id ? { name, id } : undefined);
  switch (path) {
    case '/pot':
    case '/set':
      return about('cooks', p['cook'] ?? where.cookId);
    case '/rescue':
      return p['batch'] ? about('batches', p['batch']) : about('cooks', p['cook'] ?? where.cookId);
    case '/batch':
      return about('batches', p['id']);
    case '/day':
    case '/shopping':
      return about('days', p['date']);
    default:
      return about('plans', p['id'] ?? where.planId);
  }
}

function RoomBroke({ resetErrorBoundary }: FallbackProps) {
  const { setWhere } = useApp();
  const router = useRouter();
  const about = useAbout();
  const setAside = useSetOneAside();
  const saveKitchen = useSaveKitchen();
  // a live pot hides the way to the other rooms on a phone
  useEffect(() => setWhere({ live: false }), [setWhere]);
  return (
    <View role="alert" testID="broke" className="mx-auto w-full max-w-[560px] gap-3 px-4 py-8">
      <Type kind="title" level={1}>
        {t('shared.thisRoomBroke')}
      </Type>
      <Type>{t('shared.whatBroke')}</Type>
      <Key label={t('shared.tryAgain')} kind="yolk" size="act" onPress={resetErrorBoundary} />
      {about ? (
        <Key
          label={t('shared.setItAside')}
          size="amount"
          onPress={() => {
            setWhere(about.name === 'plans' ? { planId: '' } : { cookId: '' });
            void setAside(about.name, about.id).then(() => router.replace('/plan'));
          }}
        />
      ) : null}
      <Key
        label={t('shared.anotherPlan')}
        size="amount"
        onPress={() => {
          setWhere({ planId: '' });
          router.replace('/plan');
        }}
      />
      <Key label={t('shared.exportEverything')} size="amount" onPress={() => void saveKitchen()} />
    </View>
  );
}
