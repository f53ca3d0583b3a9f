import { parseISO } from 'date-fns/parseISO';
import { useLocalSearchParams, useRouter } from 'expo-router';
import Check from 'lucide-react-native/icons/check';
import Printer from 'lucide-react-native/icons/printer';
import Share2 from 'lucide-react-native/icons/share-2';
import { Pressable, View } from 'react-native';
import type { ShoppingLine } from '../../core/day/shopping';
import { useCollection } from '../../storage/hooks';
import { colour } from '../../ui/colours';
import { Key } from '../../ui/Key';
import { Empty, Notice } from '../../ui/Notice';
import { Type } from '../../ui/Type';
import { useApp } from '../shared/App';
import { Room } from '../shared/Room';
import { saveFile } from '../shared/saveFile';
import { useAsk } from '../shared/useAsk';
import { useMounted, useNow } from '../shared/useNow';
import { useDay } from './useDay';

/** One list over the day's dishes, in whole packets; what is in the house is tapped away. */
export function ShoppingRoom() {
  const { fmt, where, ready } = useApp();
  const router = useRouter();
  const mounted = useMounted();
  const { date } = useLocalSearchParams<{ date?: string }>();
  const now = useNow(60_000);
  const d = useDay(mounted ? date : undefined, mounted ? where.planId : undefined, now);
  const packs = useCollection('packs');
  const { day } = d;
  const title = day ? `Shopping for ${fmt.weekday(parseISO(day.id).getTime())}` : 'Shopping';
  const list = useAsk('shopping', [d.dishes, packs.data ?? [], day?.have ?? [], title], {
    enabled: day !== undefined && d.dishes.length > 0 && packs.isSuccess,
    keep: true,
  });
  const open = mounted && ready && d.loaded;
  if (!open || !day || d.dishes.length === 0)
    return (
      <Room name="Shopping" title="Shopping" sub={open ? 'nothing to buy' : 'writing it down'}>
        {open ? (
          <Empty word="nothing to buy" text="Plan a pudding for a day: what it needs is listed here, in packets.">
            <Key kind="yolk" size="act" label="To the plans" onPress={() => router.push('/plan')} />
          </Empty>
        ) : null}
      </Room>
    );
  const lines = list.data?.lines ?? [];
  const toggle = (l: ShoppingLine) =>
    d.edit((now) => ({
      ...now,
      have: l.have ? now.have.filter((id) => id !== l.ingredientId) : [...now.have, l.ingredientId],
    }));
  const buy = lines.filter((l) => !l.have);
  const share = () => {
    const text = list.data?.text ?? '';
    if (navigator.share)
      void navigator.share({ title, text }).catch(() => saveFile('shopping.md', text, 'text/markdown'));
    else saveFile(`ovalis-shopping-${day.id}.md`, text, 'text/markdown');
  };
  return (
    <Room
      name="Shopping"
      title={title}
      sub={`${d.dishes.map((p) => p.name).join(', ')}`}
      actions={<Key label="Day" onPress={() => router.push(`/day?date=${day.id}` as '/')} />}
      foot={
        <View className="flex-row flex-wrap gap-2 border-t-rim border-ink bg-field px-3 py-2 wide:px-6 print:hidden">
          <Key
            kind="yolk"
            size="act"
            icon={Share2}
            label="Send the list"
            sub={`${buy.length} to buy${list.data?.cost === undefined ? '' : `, ${fmt.money(list.data.cost)}${list.data.unpriced ? ' and what has no price' : ''}`}`}
            onPress={share}
            className="min-w-[10rem] flex-1"
          />
          <Key label="Print" icon={Printer} onPress={() => print()} />
        </View>
      }
    >
      <View className="mx-auto w-full max-w-[720px] gap-2 px-3 py-3 wide:px-6">
        {list.error ? <Notice text={`The list could not be made: ${list.error.message}`} /> : null}
        {lines.map((l) => (
          <Pressable
            key={l.ingredientId}
            role="checkbox"
            aria-checked={l.have}
            aria-label={`${l.name}, ${amountOf(l)}${l.have ? ', in the house' : ''}`}
            testID={`buy-${l.ingredientId}`}
            onPress={() => toggle(l)}
            className={`min-h-[64px] flex-row items-center gap-3 rounded-key border-edge border-ink px-4 py-2 active:opacity-70 ${l.have ? 'border-dashed bg-field' : 'bg-plate'}`}
          >
            <View className="min-w-0 flex-1">
              <Type kind="key" tone={l.have ? 'quiet' : 'ink'}>
                {l.name}
              </Type>
              <Type kind="small" tone="quiet">
                {[
                  l.eggs ? `${l.eggs} needed` : `${fmt.grams(l.needG)} needed`,
                  l.packs && !l.packs.yours ? 'usual packet' : '',
                  l.leftG > 5 && !l.eggs ? `${fmt.grams(l.leftG)} left over` : '',
                  l.forPlans.length < d.dishes.length ? `for ${l.forPlans.join(', ')}` : '',
                ]
                  .filter(Boolean)
                  .join('; ')}
              </Type>
            </View>
            <View className="max-w-[45%] items-end">
              <Type kind="title" tone={l.have ? 'quiet' : 'ink'} className="text-right">
                {amountOf(l)}
              </Type>
              {l.price !== undefined && !l.have ? <Type kind="small">{fmt.money(l.price)}</Type> : null}
            </View>
            {l.have ? <Check size={22} color={colour.ink2} strokeWidth={3} /> : null}
          </Pressable>
        ))}
        {list.data?.leftovers.length ? (
          <View className="gap-1 pt-2">
            <Type kind="title" level={2}>
              What is left over
            </Type>
            {list.data.leftovers.map((l) => (
              <Type key={l}>{l}</Type>
            ))}
          </View>
        ) : null}
        {list.data?.allergens.length ? (
          <Notice
            text={`In these dishes: ${list.data.allergens.join(', ')}. Read each label: recipes of makers change.`}
          />
        ) : null}
        <Type kind="small" tone="quiet">
          Usual packets are a guess until you enter your shop’s own sizes in Settings. Tap what is in the house already.
        </Type>
      </View>
    </Room>
  );
}

const amountOf = (l: ShoppingLine): string =>
  l.packs ? `${l.packs.count} × ${l.packs.name}` : `${Math.ceil(l.needG / 10) * 10} g`;
