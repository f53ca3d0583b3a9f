import type { Ingredient } from '../core/pantry/ingredient';
import { piecesOf } from '../core/pantry/pieces';
import { eggGrams } from '../core/units/eggs';
import { quarters, type Formatter } from './format';
import { t } from './book';

/** ml from which a cook takes a cup, and no more spoons; starch is always spooned. */
const CUPS_FROM_ML = 100;

/** The same amount as a cook takes it: eggs and pieces are counted, liquids poured, the rest spooned. */
export function measureOf(i: Ingredient, grams: number, fmt: Formatter): string {
  if (i.egg) {
    const part = i.egg.white === 0 ? 'yolk' : i.egg.yolk === 0 ? 'white' : 'whole';
    const count = Math.max(0.5, Math.round((grams / eggGrams(1, 'eu M', part)) * 2) / 2);
    return t('measure.eggs', { value: quarters(count), part: t(`eggPart.${part}`, { count }) });
  }
  const pieces = piecesOf(i.id, grams);
  if (pieces) return t(`pieces.${pieces.piece}`, { count: pieces.count, value: quarters(pieces.count) });
  const ml = grams / i.densityGPerMl;
  const cups = i.group === 'milk' || (i.group !== 'thickener' && ml > CUPS_FROM_ML);
  const count = fmt.inSpoons(grams, i.densityGPerMl, { cups });
  const spoons = fmt.spoons(count);
  // a pinch has no level
  if (!count.cups && !count.tbsp && !count.tsp) return spoons;
  return i.group === 'milk' ? t('measure.poured', { volume: fmt.ml(ml), spoons }) : t('measure.level', { spoons });
}
