import { format } from 'date-fns/format';
import { setMinutes } from 'date-fns/setMinutes';
import { startOfDay } from 'date-fns/startOfDay';
import { useState } from 'react';
import type { Day } from '../../core/day/record';
import { Field } from '../../ui/Field';
import { Sheet } from '../../ui/Sheet';
import { Stepper } from '../../ui/Stepper';
import { Type } from '../../ui/Type';
import { parseTimeOfDay } from '../../words/format';

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
  onChange: (next: Day) => void;
}) {
  const [typed, setTyped] = useState<string | undefined>();
  const from = Date.parse(day.fromAt);
  const minutes = typed === undefined ? undefined : parseTimeOfDay(typed);
  return (
    <Sheet open={open} title="The kitchen" onClose={onClose}>
      <Stepper
        name="Pairs of hands"
        value={day.hands}
        unit=""
        step={1}
        min={1}
        max={4}
        onChange={(hands) => onChange({ ...day, hands: Math.round(hands) })}
      />
      <Stepper
        name="Rings"
        value={day.rings}
        unit=""
        step={1}
        min={1}
        max={8}
        onChange={(rings) => onChange({ ...day, rings: Math.round(rings) })}
      />
      <Stepper
        name="Ovens"
        value={day.ovens}
        unit=""
        step={1}
        min={0}
        max={3}
        onChange={(ovens) => onChange({ ...day, ovens: Math.round(ovens) })}
      />
      <Stepper
        name="Free fridge shelves"
        sub="a whole shelf holds a 40 × 40 cm tray"
        value={day.shelves}
        unit=""
        step={0.5}
        min={0}
        max={8}
        onChange={(shelves) => onChange({ ...day, shelves: Math.round(shelves * 2) / 2 })}
      />
      <Field
        label="In the kitchen from"
        value={typed ?? format(from, 'HH:mm')}
        onChangeText={(text) => {
          setTyped(text);
          const m = parseTimeOfDay(text);
          if (m !== undefined) onChange({ ...day, fromAt: setMinutes(startOfDay(from), m).toISOString() });
        }}
        onBlur={() => minutes !== undefined && setTyped(undefined)}
        {...(typed !== undefined && minutes === undefined ? { error: 'A time such as 8:30 would do.' } : {})}
      />
      {day.replannedAt ? (
        <Type
          kind="small"
          tone="quiet"
        >{`Planned anew at ${format(Date.parse(day.replannedAt), 'HH:mm')}; nothing starts before it.`}</Type>
      ) : null}
    </Sheet>
  );
}
