import { table } from '../coefficients';
import type { Hob } from '../pantry/kitchen';

const ring = (name: string, efficiency: number, memoryS: number, confidence: 'A' | 'B') =>
  table(`Hob: ${name}`, {
    efficiency: [efficiency, '1', confidence, 'share of the rating that reaches the pan'],
    memoryS: [memoryS, 's', 'B', 'thermal memory of ring and trivet'],
  });

/** Hobs: efficiency into the pan and thermal memory. */
export const HOBS: Record<Hob['kind'], { efficiency: number; memoryS: number }> = {
  gas: ring('gas', 0.5, 6, 'B'),
  electric: ring('electric', 0.7, 40, 'B'),
  'solid plate': ring('solid plate', 0.6, 150, 'B'),
  induction: ring('induction', 0.9, 2, 'A'),
};

/** Share of full power at each of the nine ovals (low .10-.15, medium .45, high 1; B). Index 0 is off. */
const SETTING_SHARE = [0, 0.1, 0.18, 0.27, 0.36, 0.45, 0.56, 0.68, 0.83, 1] as const;

export const HIGHEST = SETTING_SHARE.length - 1;

/** Watts that reach the pan at a setting, 0 to 9. */
export function netW(hob: Hob, setting: number): number {
  return hob.ratedW * HOBS[hob.kind].efficiency * (SETTING_SHARE[setting] ?? 0) * hob.powerTrim;
}

/** The lowest setting that gives at least `watts`, or 9. */
export function settingFor(hob: Hob, watts: number): number {
  for (let s = 1; s < 9; s++) if (netW(hob, s) >= watts) return s;
  return 9;
}

/**
 * A sensible pair of settings for this pot: up to the bubble at about 1.1 kW per kg and no more than the floor takes,
 * then what just holds an open pot near the boil (12 kW/m2 of surface and its sides).
 */
export function suggestSettings(
  hob: Hob,
  panDiameterMm: number,
  massG: number,
): { heatSetting: number; simmerSetting: number } {
  const area = Math.PI * (panDiameterMm / 2000) ** 2;
  const up = Math.min(26000 * area, Math.max(15000 * area, 1.1 * massG));
  const hold = 12500 * area + 40;
  const heatSetting = settingFor(hob, up);
  return { heatSetting, simmerSetting: Math.min(heatSetting, settingFor(hob, hold)) };
}
