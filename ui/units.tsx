import { createContext, useContext } from 'react';

/** A unit as the cook has it: what one of it is in the metric one, its name, and the figures behind the point. */
type Unit = { name: string; per: number; decimals: number };

const US: Readonly<Record<string, Unit>> = {
  g: { name: 'oz', per: 28.349523, decimals: 2 },
  ml: { name: 'fl oz', per: 29.57353, decimals: 1 },
  mm: { name: 'in', per: 25.4, decimals: 2 },
  cm: { name: 'in', per: 2.54, decimals: 1 },
};

const UsContext = createContext(false);
/** Whether what is set and typed is in ounces and inches. */
export const UsUnits = UsContext.Provider;

/** A metric unit in the cook's own. */
export function useUnit(metric: string): Unit {
  const us = useContext(UsContext);
  return (us ? US[metric] : undefined) ?? { name: metric, per: 1, decimals: 1 };
}

/** Steps that a hand makes in another unit: 1, 2 or 5 of a power of ten, or a quarter. */
const STEPS = [0.01, 0.02, 0.05, 0.1, 0.25, 0.5, 1, 2, 5, 10, 25, 50, 100];
/** The nearest of them. @param step in the metric unit */
export const stepIn = (unit: Unit, step: number): number =>
  unit.per === 1
    ? step
    : STEPS.reduce((best, s) =>
        Math.abs(Math.log((s * unit.per) / step)) < Math.abs(Math.log((best * unit.per) / step)) ? s : best,
      );
