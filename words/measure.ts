import type { Ingredient } from '../core/pantry/ingredient';
import { piecesOf } from '../core/pantry/pieces';
import { eggGrams } from '../core/units/eggs';
import { quarters, type Formatter } from './format';
import { t } from './book';

/** g of sugar from which a cook takes a cup. */
const CUPS_FROM_G = 90;

/** The same amount as a cook takes it: eggs and pieces are counted, liquids poured, the rest spooned. */
export function measureOf(i: Ingredient, grams: number, fmt: Formatter): string {
  if (i.egg) {
    const part = i.egg.white === 0 ? 'yolk' : i.egg.yolk === 0 ? 'white' : 'whole';
    const count = Math.max(0.5, Math.round((grams / eggGrams(1, 'eu M', part)) * 2) / 2);
    return t('measure.eggs', { value: quarters(count), part: t(`eggPart.${part}`, { count }) });
  }
  const pieces = piecesOf(i.id, grams);
  if (pieces) return t(`pieces.${pieces.piece}`, { count: pieces.count, value: quarters(pieces.count) });
  const cups = i.group === 'milk' || (i.group === 'sweet' && grams > CUPS_FROM_G);
  const spoons = fmt.spoons(fmt.inSpoons(grams, i.densityGPerMl, { cups }));
  return i.group === 'milk'
    ? t('measure.poured', { volume: fmt.ml(grams / i.densityGPerMl), spoons })
    : t('measure.level', { spoons });
}
