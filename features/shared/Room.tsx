import { clsx } from 'clsx';
import Head from 'expo-router/head';
import type { ReactNode } from 'react';
import { ScrollView, View } from 'react-native';
import { Tag } from '../../ui/Tag';
import { Type } from '../../ui/Type';
import { useFormat } from './App';
import { useKitchen } from './kitchen';
import { RescueKey } from './RescueKey';
import { useMounted } from './useNow';
import { t } from '../../words';

type RoomProps = {
  /** page title, read out and in the tab */
  name: string;
  title: string;
  sub?: string;
  tag?: { letter: string; tint: number };
  actions?: ReactNode;
  /** what Rescue would be about from here; false where it is the room itself */
  rescue?: { cookId?: string; batchId?: string } | false;
  /** full-height columns beside the main one, wide only; under it on a phone */
  left?: ReactNode;
  right?: ReactNode;
  /** stays at the foot, above the work line */
  foot?: ReactNode;
  /** what stands over it on paper besides the title; the same as `sub` where nothing is said, false where the page has its own head */
  paper?: string | false;
  children: ReactNode;
};

/** What scrolls can be reached and scrolled from the keyboard. */
const REACHABLE = { tabIndex: 0 } as object;

/** One room: a head that says what and when, the work under it, columns parted by rims when there is width. */
export function Room({
  name,
  title,
  sub,
  tag,
  actions,
  rescue = {},
  left,
  right,
  foot,
  paper = sub ?? '',
  children,
}: RoomProps) {
  return (
    <View role="main" id="room" {...({ tabIndex: -1 } as object)} className="min-h-0 flex-1">
      <Head>
        <title>{t('shared.ovalis', { name })}</title>
      </Head>
      <View className="min-h-[64px] flex-row flex-wrap items-center gap-x-3 gap-y-1 border-b-rim border-ink px-3 py-1.5 wide:px-6 flat:min-h-[50px] flat:flex-nowrap flat:py-0 print:hidden">
        {tag ? <Tag {...tag} /> : null}
        <View className="min-w-[5.5rem] flex-1">
          <Type kind="title" level={1}>
            {title}
          </Type>
          {sub ? (
            <Type kind="small" tone="quiet">
              {sub}
            </Type>
          ) : null}
        </View>
        <View className="max-w-full flex-row flex-wrap gap-2">
          {actions}
          {rescue ? <RescueKey {...rescue} /> : null}
        </View>
      </View>
      {paper === false ? null : <PaperHead title={title} sub={paper} />}
      <ScrollView
        {...REACHABLE}
        role="group"
        aria-label={title}
        className="flex-1 wide:overflow-hidden"
        contentContainerClassName="wide:h-full wide:flex-row"
      >
        <View className="wide:h-full wide:min-w-0 wide:flex-1">
          <Column name={title}>{children}</Column>
        </View>
        {left ? (
          <View className="border-ink px-3 wide:order-first wide:h-full wide:w-[300px] wide:border-r-rim wide:px-0">
            <Column name={t('shared.details')} className="wide:px-5 wide:py-3">
              {left}
            </Column>
          </View>
        ) : null}
        {right ? (
          <View className="border-ink px-3 pb-4 wide:h-full wide:w-[340px] wide:border-l-rim wide:px-0 wide:pb-0">
            <Column name={t('shared.outlook')} className="wide:px-5 wide:py-3">
              {right}
            </Column>
          </View>
        ) : null}
      </ScrollView>
      {foot}
    </View>
  );
}

/** What stands over the page on paper: what it is, and of which day. */
function PaperHead({ title, sub }: { title: string; sub: string }) {
  const fmt = useFormat();
  const { clock } = useKitchen();
  const mounted = useMounted();
  return (
    <View className="hidden gap-0.5 pb-3 print:flex" aria-hidden>
      <Type kind="amount">{title}</Type>
      <Type kind="small">
        {[sub, mounted ? t('shared.onPaper', { day: fmt.day(clock()) }) : ''].filter(Boolean).join(' · ')}
      </Type>
    </View>
  );
}

/** Scrolls on its own when wide; flows with the page on a phone. */
function Column({ name, children, className }: { name: string; children: ReactNode; className?: string }) {
  return (
    <View {...REACHABLE} role="group" aria-label={name} className={clsx('wide:h-full wide:overflow-y-auto', className)}>
      {children}
    </View>
  );
}
