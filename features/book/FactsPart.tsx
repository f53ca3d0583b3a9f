import { View } from 'react-native';
import type { Facts } from '../../core/book/facts';
import { Row } from '../../ui/Row';
import { Type } from '../../ui/Type';
import { t } from '../../words';
import { useFormat } from '../shared/App';

const FLAWS_SHOWN = 4;
const MONTHS_SHOWN = 6;

const half = (x: number) => Math.round(2 * Math.abs(x)) / 2;
/** A mean miss in steps of the strip, in words. */
const missWord = (x: number): string =>
  half(x) === 0
    ? t('bookRoom.onTheWord')
    : t(x > 0 ? 'bookRoom.stepsFirmer' : 'bookRoom.stepsSofter', { count: half(x) });

/** What a cook wants to know of the book: what came true, what goes wrong, each family and how it goes of late, a month's milk. */
export function FactsPart({ facts }: { facts: Facts }) {
  const fmt = useFormat();
  return (
    <View className="gap-1" testID="facts">
      <Row
        title={t('bookRoom.asPromised')}
        value={t('bookRoom.of', { promised: facts.kept, wordServing: facts.told })}
      />
      {facts.flaws.length ? (
        <>
          <Type kind="strong" className="pt-2">
            {t('bookRoom.goesWrongMost')}
          </Type>
          {facts.flaws.slice(0, FLAWS_SHOWN).map((f) => (
            <Row key={f.flaw} title={t(`flaw.${f.flaw}`)} value={t('bookRoom.times', { count: f.count })} />
          ))}
        </>
      ) : null}
      <Type kind="strong" className="pt-2">
        {t('bookRoom.byFamily')}
      </Type>
      {facts.families.map((f) => (
        <Row
          key={f.family}
          title={t(`family.${f.family}`)}
          sub={
            f.missLately === undefined
              ? t('bookRoom.notWrittenDownYet')
              : f.missBefore === undefined
                ? missWord(f.missLately)
                : t('bookRoom.beforeAndLately', { before: missWord(f.missBefore), lately: missWord(f.missLately) })
          }
          value={t('bookRoom.of', { promised: f.kept, wordServing: f.told })}
        />
      ))}
      <Type kind="strong" className="pt-2">
        {t('bookRoom.byMonth')}
      </Type>
      {facts.months.slice(0, MONTHS_SHOWN).map((m) => (
        <Row
          key={m.month}
          title={fmt.month(m.month)}
          sub={t('bookRoom.batchesAndMilk', { count: m.batches, milk: fmt.grams(m.milkG) })}
          {...(m.cost === undefined ? {} : { value: fmt.money(m.cost) })}
        />
      ))}
      <Type kind="small" tone="quiet">
        {t('bookRoom.moneyIsOfPacks')}
      </Type>
    </View>
  );
}
