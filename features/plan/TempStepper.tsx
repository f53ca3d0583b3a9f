import { fahrenheitToCelsius } from '../../core/units/measures';
import { Stepper } from '../../ui/Stepper';
import { useFormat } from '../shared/App';

/** A temperature in the cook's own degrees. */
export function TempStepper({
  name,
  valueC,
  minC,
  maxC,
  onChange,
}: {
  name: string;
  valueC: number;
  minC: number;
  maxC: number;
  onChange: (c: number) => void;
}) {
  const fmt = useFormat();
  const f = fmt.settings.temperature === 'F';
  const to = (c: number) => (f ? Math.round(c * 1.8 + 32) : c);
  return (
    <Stepper
      name={name}
      value={to(valueC)}
      unit={fmt.tempUnit}
      step={f ? 2 : 1}
      min={to(minC)}
      max={to(maxC)}
      onChange={(v) => onChange(f ? Math.round(fahrenheitToCelsius(v) * 10) / 10 : v)}
    />
  );
}
