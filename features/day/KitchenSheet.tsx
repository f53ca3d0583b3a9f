import { format } from 'date-fns/format';
import type { Day } from '../../core/day/record';
import { MomentField } from '../../ui/MomentField';
import { Sheet } from '../../ui/Sheet';
import { Stepper } from '../../ui/Stepper';
import { Type } from '../../ui/Type';
import { t } from '../../words';

/** Whose hands, how many rings, what shelf: what the dishes have to share. */
export function KitchenSheet({
  open,
  onClose,
  day,
  onChange,
}: {
  open: boolean;
  onClose: () => void;
  day: Day;
  onChange: (next: Day, by?: number) => void;
}) {
  return (
    <Sheet open={open} title={t('dayRoom.theKitchen')} onClose={onClose}>
      <Stepper
        name={t('dayRoom.pairsOfHands2')}
        value={day.hands}
        unit=""
        step={1}
        min={1}
        max={4}
        onChange={(hands, by) => onChange({ ...day, hands: Math.round(hands) }, by)}
      />
      <Stepper
        name={t('dayRoom.rings')}
        value={day.rings}
        unit=""
        step={1}
        min={1}
        max={8}
        onChange={(rings, by) => onChange({ ...day, rings: Math.round(rings) }, by)}
      />
      <Stepper
        name={t('dayRoom.ovens')}
        value={day.ovens}
        unit=""
        step={1}
        min={0}
        max={3}
        onChange={(ovens, by) => onChange({ ...day, ovens: Math.round(ovens) }, by)}
      />
      <Stepper
        name={t('dayRoom.freeFridgeShelves')}
        sub={t('dayRoom.aWholeShelfHoldsA')}
        value={day.shelves}
        unit=""
        step={0.5}
        min={0}
        max={8}
        onChange={(shelves, by) => onChange({ ...day, shelves: Math.round(shelves * 2) / 2 }, by)}
      />
      <MomentField
        label={t('dayRoom.inTheKitchenFrom')}
        timeLabel={t('dayRoom.inTheKitchenFrom')}
        valueMs={Date.parse(day.fromAt)}
        onChange={(ms) => onChange({ ...day, fromAt: new Date(ms).toISOString() })}
      />
      {day.replannedAt ? (
        <Type kind="small" tone="quiet">
          {t('dayRoom.plannedAnewAtNothingStarts', { mm: format(Date.parse(day.replannedAt), 'HH:mm') })}
        </Type>
      ) : null}
    </Sheet>
  );
}
