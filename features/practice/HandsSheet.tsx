import { STANDS_ON } from '../../core/practice/act';
import type { Frame } from '../../core/practice/frame';
import { TOOLS, LIDS } from '../../core/pot/hands';
import { Choices } from '../../ui/Choices';
import { Key } from '../../ui/Key';
import { Sheet } from '../../ui/Sheet';
import { Type } from '../../ui/Type';
import { t } from '../../words';
import { useApp } from '../shared/App';
import type { NewAct } from './usePracticePot';

/** How often a spot of the floor is wiped, s: what a hand does that is not drawn. */
export const PACES = [1.5, 3, 8, 30] as const;
export type Pace = (typeof PACES)[number];
export type Hand = { everyS: Pace; tool: Frame['tool'] };

const OVEN_C = 160;

/** Lid, place, pace and tool: what is changed now and then. */
export function HandsSheet({
  open,
  frame,
  hand,
  bakes,
  onHand,
  onAct,
  onClose,
}: {
  open: boolean;
  frame: Frame;
  hand: Hand;
  /** the plan bakes it at so many degrees, or not */
  bakes: number | undefined;
  onHand: (hand: Hand) => void;
  onAct: (act: NewAct) => void;
  onClose: () => void;
}) {
  const { fmt } = useApp();
  return (
    <Sheet open={open} title={t('practice.potAndHands')} onClose={onClose}>
      <Choices
        label={t('practice.lid')}
        value={frame.lid}
        options={LIDS.map((value) => ({ value, label: t(`practice.lid.${value}`) }))}
        onChoose={(lid) => onAct({ do: 'lid', lid })}
      />
      <Choices
        label={t('practice.standsOn')}
        value={frame.on}
        options={STANDS_ON.map((value) => ({ value, label: t(`practice.on.${value}`) }))}
        onChoose={(to) => onAct({ do: 'move', to })}
      />
      <Choices
        label={t('practice.pace')}
        value={hand.everyS}
        options={PACES.map((value) => ({ value, label: t('practice.everyS', { seconds: value }) }))}
        onChoose={(everyS) => onHand({ ...hand, everyS })}
      />
      <Choices
        label={t('practice.tool')}
        value={hand.tool}
        options={TOOLS.map((value) => ({ value, label: t(`practice.tool.${value}`) }))}
        onChoose={(tool) => onHand({ ...hand, tool })}
      />
      <Type kind="small" tone="quiet">
        {t('practice.drawOnThePot')}
      </Type>
      <Key
        label={t('practice.intoTheOven', { ovenC: fmt.temp(bakes ?? OVEN_C) })}
        onPress={() => {
          onAct({ do: 'bake', ovenC: bakes ?? OVEN_C, fan: false, bath: 'open', covered: false });
          onClose();
        }}
      />
    </Sheet>
  );
}
