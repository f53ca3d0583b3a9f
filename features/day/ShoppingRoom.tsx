import { parseISO } from 'date-fns/parseISO';
import { useLocalSearchParams, useRouter } from 'expo-router';
import Check from 'lucide-react-native/icons/check';
import Printer from 'lucide-react-native/icons/printer';
import Share2 from 'lucide-react-native/icons/share-2';
import { Pressable, View } from 'react-native';
import type { ShoppingLine } from '../../core/day/shopping';
import { errorSays } from '../shared/errorSays';
import { useCollection } from '../shared/stored';
import { colour } from '../../ui/colours';
import { Key } from '../../ui/Key';
import { Empty, Notice } from '../../ui/Notice';
import { Type } from '../../ui/Type';
import { useApp, useTell } from '../shared/App';
import { Room } from '../shared/Room';
import { share } from '../shared/share';
import { useAsk } from '../shared/useAsk';
import { useMounted, useNow } from '../shared/useNow';
import { useDay } from './useDay';
import { learn, named, t } from '../../words';
import { dayRoom } from '../../words/en/dayRoom';
import type { Formatter } from '../../words/format';
import type { Said } from '../../core/say';

learn(dayRoom);

/** One list over the day's dishes, in whole packets; what is in the house is tapped away. */
export function ShoppingRoom() {
  const tell = useTell();
  const { fmt, where, ready } = useApp();
  const router = useRouter();
  const mounted = useMounted();
  const { date } = useLocalSearchParams<{ date?: string }>();
  const now = useNow(60_000);
  const d = useDay(mounted ? date : undefined, mounted ? where.planId : undefined, now);
  const packs = useCollection('packs');
  const { day } = d;
  const title = day
    ? t('dayRoom.shoppingFor', { getTime: fmt.weekday(parseISO(day.id).getTime()) })
    : t('dayRoom.shopping');
  const list = useAsk('shopping', [d.dishes, packs.data ?? [], day?.have ?? [], title, fmt.settings], {
    enabled: day !== undefined && d.dishes.length > 0 && packs.isSuccess,
    keep: true,
  });
  const open = mounted && ready && d.loaded;
  if (!open || !day || d.dishes.length === 0)
    return (
      <Room
        name={t('room.Shopping')}
        title={t('dayRoom.shopping')}
        sub={open ? t('dayRoom.nothingToBuy') : t('dayRoom.writingItDown')}
      >
        {open ? (
          <Empty word={t('dayRoom.nothingToBuy')} text={t('dayRoom.planAPuddingForA')}>
            <Key kind="yolk" size="act" label={t('dayRoom.toThePlans')} onPress={() => router.push('/plan')} />
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
  const send = () => {
    const text = list.data?.text ?? '';
    void share({ title, text, name: `ovalis-shopping-${day.id}.md`, type: 'text/markdown' });
  };
  return (
    <Room
      name={t('room.Shopping')}
      title={title}
      sub={`${d.dishes.map((p) => p.name).join(', ')}`}
      actions={<Key label={t('dayRoom.day')} onPress={() => router.push(`/day?date=${day.id}` as '/')} />}
      foot={
        <View className="flex-row flex-wrap gap-2 border-t-rim border-ink bg-field px-3 py-2 wide:px-6 flat:py-0.5 print:hidden">
          <Key
            kind="yolk"
            size="act"
            icon={Share2}
            label={t('dayRoom.sendTheList')}
            sub={t('dayRoom.toBuy', {
              buy: buy.length,
              price:
                list.data?.cost === undefined
                  ? ''
                  : `, ${fmt.money(list.data.cost)}${list.data.unpriced ? t('dayRoom.andWhatHasNoPrice') : ''}`,
            })}
            onPress={send}
            className="min-w-[10rem] flex-1"
          />
          <Key label={t('dayRoom.print')} icon={Printer} onPress={() => print()} />
        </View>
      }
    >
      <View className="mx-auto w-full max-w-[720px] gap-2 px-3 py-3 wide:px-6">
        {list.error ? <Notice text={t('dayRoom.theListCouldNotBe', { message: tell(errorSays(list.error)) })} /> : null}
        {lines.map((l) => (
          <Pressable
            key={l.ingredientId}
            role="checkbox"
            aria-checked={l.have}
            aria-label={`${tell(l.name)}, ${amountOf(l, tell, fmt)}${l.have ? t('dayRoom.inTheHouse') : ''}`}
            testID={`buy-${l.ingredientId}`}
            onPress={() => toggle(l)}
            className={`min-h-[64px] flex-row items-center gap-3 rounded-key border-edge border-ink px-4 py-2 active:opacity-70 ${l.have ? 'border-dashed bg-field' : 'bg-plate'}`}
          >
            <View className="min-w-0 flex-1">
              <Type kind="key" tone={l.have ? 'quiet' : 'ink'}>
                {tell(l.name)}
              </Type>
              <Type kind="small" tone="quiet">
                {[
                  l.eggs ? t('dayRoom.needed', { eggs: l.eggs }) : t('dayRoom.needed2', { needG: fmt.grams(l.needG) }),
                  l.packs && !l.packs.yours ? t('dayRoom.usualPacket') : '',
                  l.leftG > 5 && !l.eggs ? t('dayRoom.leftOver', { leftG: fmt.grams(l.leftG) }) : '',
                  l.forPlans.length < d.dishes.length ? t('dayRoom.for', { forPlans: l.forPlans.join(', ') }) : '',
                ]
                  .filter(Boolean)
                  .join('; ')}
              </Type>
            </View>
            <View className="max-w-[45%] items-end">
              <Type kind="title" tone={l.have ? 'quiet' : 'ink'} className="text-right">
                {amountOf(l, tell, fmt)}
              </Type>
              {l.price !== undefined && !l.have ? <Type kind="small">{fmt.money(l.price)}</Type> : null}
            </View>
            {l.have ? <Check size={22} color={colour.ink2} strokeWidth={3} /> : null}
          </Pressable>
        ))}
        {list.data?.leftovers.length ? (
          <View className="gap-1 pt-2">
            <Type kind="title" level={2}>
              {t('dayRoom.whatIsLeftOver')}
            </Type>
            {list.data.leftovers.map((l) => (
              <Type key={tell(l)}>{tell(l)}</Type>
            ))}
          </View>
        ) : null}
        {list.data?.allergens.length ? (
          <Notice text={t('dayRoom.inTheseDishesReadEach', { allergens: named('allergen', list.data.allergens) })} />
        ) : null}
        <Type kind="small" tone="quiet">
          {t('dayRoom.usualPacketsAreAGuess')}
        </Type>
      </View>
    </Room>
  );
}

const amountOf = (l: ShoppingLine, tell: (said: Said | string) => string, fmt: Formatter): string =>
  l.packs ? `${l.packs.count} × ${tell(l.packs.name)}` : fmt.grams(Math.ceil(l.needG / 10) * 10);
