import { z } from 'zod';
import { fahrenheitToCelsius } from '../../core/units/measures';
import { useFormat } from './App';
import { useFigure } from './useFigure';

/**
 * A temperature that is typed in the cook's own degrees, and read as degC.
 * @param wrong said beside what is not between the two
 */
export function useTemp(leastC: number, mostC: number, wrong: string) {
  const { settings } = useFormat();
  const inC = (n: number) => (settings.temperature === 'F' ? fahrenheitToCelsius(n) : n);
  const typed = useFigure(z.number(wrong).refine((n) => inC(n) >= leastC && inC(n) <= mostC, wrong));
  return {
    ...typed,
    figure: typed.figure === undefined ? undefined : inC(typed.figure),
    take: (use: (tempC: number) => void) => typed.take((n) => use(inC(n))),
  };
}
