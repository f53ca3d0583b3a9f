import { useRouter } from 'expo-router';
import ArrowLeft from 'lucide-react-native/icons/arrow-left';
import { useState } from 'react';
import { View } from 'react-native';
import { pantryWith } from '../../core/pantry/pantry';
import { FAMILIES } from '../../core/plan/plan';
import type { Factor } from '../../core/book/known';
import { MEASURED_THINGS, type Measured } from '../../core/settings';
import { Key } from '../../ui/Key';
import { later } from '../../ui/later';
import { Row } from '../../ui/Row';
import { Sheet } from '../../ui/Sheet';
import { Type } from '../../ui/Type';
import { learn, t } from '../../words';
import { bookRoom } from '../../words/en/bookRoom';
import { kitchen } from '../../words/en/kitchen';
import { useApp } from '../shared/App';
import { nowIso } from '../shared/ids';
import { Room } from '../shared/Room';
import { useCollection, useSettings } from '../shared/stored';
import { useKnown } from '../shared/useKnown';
import { useMounted } from '../shared/useNow';
import { useTakeBack } from '../shared/useTakeBack';
import { measuredSays, ringSays } from './measuredWords';
import { firmnessSays } from './words';

learn(bookRoom);
learn(kitchen);

const MeasureForm = later(() => import('./MeasureForm').then((m) => m.MeasureForm));

const sure = (f: Factor) => t('kitchen.sure', { pct: Math.round(100 * f.sdLn), count: f.batches });
const pct = (f: Factor) => `${Math.round(100 * f.factor)} %`;

/** What is known of this kitchen: what its batches taught, and what was measured; each with how sure it is. */
export function KitchenRoom() {
  const router = useRouter();
  const { fmt } = useApp();
  const mounted = useMounted();
  const { settings, change } = useSettings();
  const { learnt, measured } = useKnown();
  const [open, setOpen] = useState<Measured['what'] | undefined>();
  const back = useTakeBack();
  const s = mounted ? settings : undefined;
  const own = useCollection('ingredients');
  const known = pantryWith(own.data ?? []);
  const kinds = Object.entries(learnt?.kinds ?? {});
  /** a family and what thickens it, as they are called */
  const kindName = (kind: string) => {
    const family = FAMILIES.find((f) => kind.startsWith(f));
    if (!family) return kind;
    const ids = kind.slice(family.length).trim().split(' ').filter(Boolean);
    return [t(`family.${family}`), ...ids.map((id) => known.get(id)?.name ?? id.replaceAll('_', ' '))].join(', ');
  };
  return (
    <Room
      name={t('room.Kitchen')}
      title={t('bookRoom.myKitchen')}
      sub={t('kitchen.sub')}
      actions={<Key label={t('bookRoom.book')} icon={ArrowLeft} stacked onPress={() => router.push('/book')} />}
    >
      {s && learnt ? (
        <View className="mx-auto w-full max-w-[720px] gap-5 px-4 py-4">
          <View className="gap-1" testID="learnt">
            <Type kind="title" level={2}>
              {t('kitchen.taught')}
            </Type>
            <Type tone="quiet">{t('kitchen.taughtSays', { count: learnt.batches })}</Type>
            {kinds.length === 0 ? <Type>{t('kitchen.nothingYet')}</Type> : null}
            {kinds.map(([kind, f]) => (
              <Row key={kind} title={kindName(kind)} sub={`${firmnessSays(f.factor)}, ${sure(f)}`} value={pct(f)} />
            ))}
            {kinds.length ? (
              <Row title={t('kitchen.anyOther')} sub={firmnessSays(learnt.other.factor)} value={pct(learnt.other)} />
            ) : null}
            {Object.entries(learnt.spoons).map(([m, f]) => (
              <Row
                key={m}
                title={t(`measure.${m as 'level spoons'}`)}
                sub={`${t('kitchen.spoonHolds')}, ${sure(f)}`}
                value={pct(f)}
              />
            ))}
            {Object.entries(learnt.rings).map(([ring, f]) => (
              <Row key={ring} title={ringSays(ring)} sub={`${t('kitchen.ringGives')}, ${sure(f)}`} value={pct(f)} />
            ))}
            {learnt.fridge ? (
              <Row
                title={t('kitchen.fridge')}
                sub={`${t('kitchen.fridgeCools')}, ${sure(learnt.fridge)}`}
                value={pct(learnt.fridge)}
              />
            ) : null}
            <View className="flex-row flex-wrap gap-2 pt-1">
              <Key
                role="checkbox"
                label={t('kitchen.learns')}
                selected={s.learns}
                onPress={() => change({ learns: !s.learns })}
              />
              <Key
                label={t('kitchen.beginAnew')}
                onPress={() => {
                  const was = s.learnsFrom;
                  change({ learnsFrom: nowIso() });
                  back.offer(t('kitchen.begunAnew'), () => change({ learnsFrom: was }));
                }}
              />
            </View>
            {s.learnsFrom ? (
              <Type kind="small" tone="quiet">
                {t('kitchen.learnsFrom', { day: fmt.weekday(Date.parse(s.learnsFrom)) })}
              </Type>
            ) : null}
            <Type kind="small" tone="quiet">
              {t('kitchen.oldOnesStay')}
            </Type>
          </View>
          <View className="gap-1" testID="measured">
            <Type kind="title" level={2}>
              {t('kitchen.measured')}
            </Type>
            <Type tone="quiet">{t('kitchen.measuredSays')}</Type>
            {MEASURED_THINGS.map((what) => {
              const mine = measured.filter((m) => m.what === what);
              return (
                <Row
                  key={what}
                  testID={`measure-${what}`}
                  title={t(`kitchen.${what}`)}
                  sub={mine.length ? mine.map((m) => measuredSays(m, fmt)).join('; ') : t(`kitchen.${what}.sub`)}
                  value={mine.length ? t('kitchen.again') : t('kitchen.minutes', { count: MINUTES[what] })}
                  onPress={() => setOpen(what)}
                />
              );
            })}
          </View>
          {back.bar}
        </View>
      ) : null}
      <Sheet open={open !== undefined} title={open ? t(`kitchen.${open}`) : ''} onClose={() => setOpen(undefined)}>
        {open ? <MeasureForm key={open} what={open} onDone={() => setOpen(undefined)} /> : null}
      </Sheet>
    </Room>
  );
}

/** About how long each takes, min of the cook's own time. */
const MINUTES: Record<Measured['what'], number> = { spoon: 3, ring: 8, steam: 15, fridge: 2, thermometer: 5 };
