import type { Measured } from '../../core/settings';
import { t } from '../../words';
import type { Formatter } from '../../words/format';

/** A ring by its key, as it is called. */
export function ringSays(key: string): string {
  const at = key.lastIndexOf(' ');
  return t('kitchen.ringName', { kind: t(`hobKind.${key.slice(0, at) as 'gas'}`), ratedW: key.slice(at + 1) });
}

/** What was measured of a kitchen, and how sure it is. */
export function measuredSays(m: Measured, fmt: Formatter): string {
  const pct = Math.round(100 * m.value);
  const sd = Math.round(100 * m.sd);
  switch (m.what) {
    case 'spoon':
      return t('kitchen.foundSpoon', { pct, sd });
    case 'ring':
      return t('kitchen.foundRing', { of: ringSays(m.of), pct, sd });
    case 'steam':
      return t('kitchen.foundSteam', { of: fmt.named(m.of), pct, sd });
    case 'fridge':
      return t('kitchen.foundFridge', { tempC: fmt.temp(m.value), apart: fmt.degApart(m.sd, 1) });
    case 'thermometer':
      return t(m.value >= 0 ? 'kitchen.foundHigh' : 'kitchen.foundLow', {
        mark: t(`kitchen.mark.${m.of as 'ice'}`),
        apart: fmt.degApart(Math.abs(m.value), 1),
      });
  }
}
