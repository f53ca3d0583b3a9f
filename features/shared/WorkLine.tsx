import { clsx } from 'clsx';
import { Link, usePathname } from 'expo-router';
import SettingsIcon from 'lucide-react-native/icons/settings';
import { Pressable, View } from 'react-native';
import Svg, { Ellipse, Line } from 'react-native-svg';
import { colour } from '../../ui/colours';
import { PotPicture } from '../../ui/PotPicture';
import { Type } from '../../ui/Type';
import { useApp } from './App';
import { WhichKitchen } from './WhichKitchen';
import { useKeepPlace } from './useKeepPlace';
import { t } from '../../words';

const ROOMS = [
  { path: '/plan', name: 'Plan' },
  { path: '/day', name: 'Day' },
  { path: '/prep', name: 'Prep' },
  { path: '/pot', name: 'Pot' },
  { path: '/set', name: 'Set' },
  { path: '/book', name: 'Book' },
] as const;

function Logo() {
  return (
    <View className="flex-row items-center gap-3">
      <PotPicture width={44} />
      <Type kind="amount">{t('shared.ovalis2')}</Type>
    </View>
  );
}

/** The rooms in the order of the work: passed is filled, here is the ink oval. At the foot of a phone, on top when wide. */
export function WorkLine() {
  const path = usePathname();
  const { where } = useApp();
  useKeepPlace();
  const planning = ['/recipe', '/compare', '/lining', '/card', '/shared'].includes(path);
  const under =
    path === '/rescue' || path === '/practice'
      ? '/pot'
      : path === '/batch' || path === '/kitchen'
        ? '/book'
        : path === '/label'
          ? '/set'
          : path === '/shopping'
            ? '/day'
            : planning
              ? '/plan'
              : path;
  const here = Math.max(
    0,
    ROOMS.findIndex((r) => r.path === under),
  );
  const search = (room: string) =>
    (room === '/plan' || room === '/prep') && where.planId
      ? `?id=${where.planId}`
      : (room === '/pot' || room === '/set') && where.cookId
        ? t('shared.cook', { cookId: where.cookId })
        : '';
  const away = path === '/settings';
  // nothing to go to before there is a kitchen
  if (path === '/') return null;
  return (
    <View
      role="navigation"
      aria-label={t('shared.rooms')}
      className={clsx(
        'border-t-rim border-ink bg-field wide:h-[68px] wide:flex-row wide:items-center wide:border-b-rim wide:border-t-0 wide:px-6 flat:h-auto print:hidden',
        where.live && 'hidden wide:flex',
      )}
    >
      <View className="hidden wide:mr-8 wide:flex">
        <Logo />
      </View>
      <View className="relative flex-row flex-wrap wide:w-[640px] wide:flex-nowrap">
        <View
          aria-hidden
          className="absolute left-[8%] right-[8%] top-[20px] h-[2.5px] bg-ink wide:top-[19px] flat:hidden"
        />
        {ROOMS.map((r, i) => {
          const current = !away && i === here;
          return (
            <Link key={r.path} href={`${r.path}${search(r.path)}` as '/plan'} asChild>
              <Pressable
                role="link"
                aria-current={current ? 'page' : undefined}
                className="min-h-[64px] min-w-[4rem] flex-1 items-center pb-2 pt-[5px] wide:min-h-[62px] flat:min-h-[48px] flat:justify-center flat:py-0"
              >
                {current ? (
                  <View className="mt-0.5 min-h-[46px] min-w-[62px] items-center justify-center rounded-[50%] bg-ink px-1.5 wide:min-w-[84px]">
                    <Type kind="title" tone="field">
                      {t(`room.${r.name}`)}
                    </Type>
                  </View>
                ) : (
                  <>
                    <View className="flat:hidden">
                      <Svg width={24} height={31} viewBox="0 0 24 31" aria-hidden>
                        <Line x1={0} x2={24} y1={15.8} y2={15.8} stroke={colour.ink} strokeWidth={2.5} />
                        <Ellipse
                          cx={12}
                          cy={15.8}
                          rx={7.5}
                          ry={5.4}
                          fill={i < here ? colour.ink : colour.plate}
                          stroke={colour.ink}
                          strokeWidth={2.5}
                        />
                      </Svg>
                    </View>
                    <Type kind="strong">{t(`room.${r.name}`)}</Type>
                  </>
                )}
              </Pressable>
            </Link>
          );
        })}
      </View>
      <View className="hidden flex-1 flex-row items-center justify-end wide:flex">
        <WhichKitchen wide />
        <Link href="/settings" asChild>
          <Pressable
            role="link"
            aria-current={away ? 'page' : undefined}
            className="min-h-[48px] flex-row items-center gap-2 rounded-key border-edge border-ink bg-plate px-4"
          >
            <SettingsIcon size={20} color={colour.ink} strokeWidth={2.2} />
            <Type kind="strong">{t('shared.settings')}</Type>
          </Pressable>
        </Link>
      </View>
    </View>
  );
}
