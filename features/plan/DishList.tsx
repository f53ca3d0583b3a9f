import { DISH_START_IDS, DISH_STARTS, type DishStartId } from '../../core/plan/dishStarts';
import { pantryWith } from '../../core/pantry/pantry';
import { startDish } from '../../core/plan/startDish';
import { Choices } from '../../ui/Choices';
import { Type } from '../../ui/Type';
import { t } from '../../words';
import { learn } from '../../words/book';
import { dishes } from '../../words/en/dishes';
import type { What } from './what';
import { FAMILY_SAYS, wordSays } from './words';

learn(dishes);

const SHIPPED = pantryWith();

/** The dishes by their names, and what the one chosen is. */
export function DishList({ dish, onChoose }: { dish: DishStartId; onChoose: (what: What) => void }) {
  const start = DISH_STARTS[dish];
  return (
    <>
      <Choices
        label={t('planRoom.whichOne')}
        value={dish}
        options={DISH_START_IDS.map((d) => ({ value: d, label: t(`dishStart.${d}`) }))}
        onChoose={(d) => onChoose({ family: DISH_STARTS[d].family, dish: { id: d, milkId: DISH_STARTS[d].milkId } })}
      />
      <Type tone="quiet">
        {t('planRoom.dishIs', {
          kind: t(FAMILY_SAYS[start.family].short),
          milk: SHIPPED.get(start.milkId)!.name,
          word: wordSays(start.word),
        })}
      </Type>
    </>
  );
}

export { startDish };
