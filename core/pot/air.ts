import { GAS_J_PER_MOLK, pow10, table } from '../coefficients';

/**
 * Water and air at the pot's surface: vapour pressure, boiling point, evaporation from an open surface.
 * Sources: Magnus-Tetens and Antoine forms (A); Stefan diffusion (A); still-kitchen transfer coefficient (B).
 */
export const AIR = table('Air over the pot', {
  surfaceWPerM2K: [6, 'W/m2K', 'B', 'free convection over a pot in a still kitchen, 4 to 9'],
  heatToMassJPerM3K: [1000, 'J/m3K', 'A', 'rho c_p Le^(2/3) of air: heat to mass transfer'],
  humidityRel: [0.4, '1', 'B', 'relative humidity of a kitchen'],
  waterKgPerMol: [0.018015, 'kg/mol', 'A', 'water'],
  milkSaltsK: [0.15, 'K', 'B', 'what milk salts raise the boiling point by'],
});

/** Saturation pressure of water, Pa, 0 to 130 degC (Antoine, A). */
export function saturationPa(tempC: number): number {
  return 133.322 * pow10(8.07131 - 1730.63 / (233.426 + tempC));
}

/** Pressure of the air, Pa, 0 to 4500 m (standard atmosphere, A). */
export function pressurePa(altitudeM: number): number {
  return 101325 * (1 - 2.2558e-5 * altitudeM) ** 5.2559;
}

/** Boiling point of pure water at a height, degC (A). */
export function waterBoilsC(altitudeM: number): number {
  return 1730.63 / (8.07131 - Math.log10(pressurePa(altitudeM) / 133.322)) - 233.426;
}

/** Water activity by Norrish (1966) for a sucrose-like solute (A to 60 %). */
export function waterActivity(sugarG: number, waterG: number): number {
  const sugarMol = sugarG / 342.3;
  const waterMol = waterG / 18.015;
  const xs = sugarMol / (sugarMol + waterMol);
  return (1 - xs) * Math.exp(-6.47 * xs * xs);
}

/** Heat of evaporation, J/kg (A), to 180 degC. */
export const latentJPerKg = (tempC: number): number => 2.257e6 - 2400 * (Math.min(180, tempC) - 100);

/** Boiling point of the mixture, degC: pure water's, raised by what is dissolved; milk salts add 0.15 K (A/B). */
export function boilsC(altitudeM: number, sugarG: number, waterG: number): number {
  const pure = waterBoilsC(altitudeM);
  const kelvin = pure + 273.15;
  const rise =
    (-(GAS_J_PER_MOLK * kelvin * kelvin) / (latentJPerKg(pure) * AIR.waterKgPerMol)) *
    Math.log(waterActivity(sugarG, waterG));
  return pure + rise + AIR.milkSaltsK;
}

/**
 * Evaporation from an open wet surface, kg/m2s.
 * @param hc W/m2K, the still-air coefficient; varied by the uncertainty study
 */
export function evaporationKgPerM2S(
  tempC: number,
  airC: number,
  activity: number,
  pPa: number,
  hc: number = AIR.surfaceWPerM2K,
): number {
  const pa = AIR.humidityRel * saturationPa(airC);
  const ps = Math.min(activity * saturationPa(tempC), 0.97 * pPa);
  if (ps <= pa) return 0;
  const r = GAS_J_PER_MOLK / AIR.waterKgPerMol;
  const dense = ps / (r * (tempC + 273.15)) - pa / (r * (airC + 273.15));
  const stefan = (pPa / (ps - pa)) * Math.log((pPa - pa) / (pPa - ps));
  return (hc / AIR.heatToMassJPerM3K) * Math.max(0, dense) * stefan;
}
