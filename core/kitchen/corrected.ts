import { boilsC } from '../pot/air';
import type { Measured } from '../settings';

/** The temperature behind a reading, by ice and boiling water: one mark shifts, both also stretch. */
export function correctedC(measured: readonly Measured[], readC: number, altitudeM = 0): number {
  const off = (mark: string) => measured.find((m) => m.what === 'thermometer' && m.of === mark)?.value;
  const [ice, boil] = [off('ice'), off('boil')];
  if (ice === undefined || boil === undefined) return readC - (ice ?? boil ?? 0);
  const atC = boilsC(altitudeM, 0, 1000);
  return ((readC - ice) * atC) / (atC + boil - ice);
}
