/** Lumping: a race between dispersing and the outside of a clump sealing (C throughout). */
const DISPERSE_S = { 'cold slurry': 2, 'dry powder': 20, 'mixed with sugar': 2.5 } as const;
export type StarchEntry = keyof typeof DISPERSE_S;

/**
 * Chance of lumps, 0 to 1, when starch meets a liquid.
 * @param tempC of the liquid it meets
 * @param stirring 0 none, 1 spoon, 3 whisk
 * @param onsetC gelatinisation onset in this liquid
 */
export function lumpRisk(entry: StarchEntry, tempC: number, stirring: number, onsetC: number): number {
  const sealS = 0.5 + 2 * Math.exp((onsetC + 8 - tempC) / 9);
  const disperseS = DISPERSE_S[entry] / (0.35 + 0.45 * stirring ** 2);
  return 1 / (1 + (disperseS / sealS) ** -2);
}
