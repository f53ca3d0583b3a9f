import { table } from '../coefficients';

/** Lumping: a race between dispersing and the outside of a clump sealing (C throughout). */
export const STARCH_ENTRIES = [
  'cold slurry',
  'cold together',
  'mixed with sugar',
  'in cold cream or yolks',
  'dry rain',
  'dry powder',
  'fat-coated',
  'hot liquid onto meal',
] as const;
export type StarchEntry = (typeof STARCH_ENTRIES)[number];

export const LUMPS = table('Lumps', {
  slurryS: [2, 's', 'C', 'a slurry of two parts or more disperses'],
  sugarS: [2.5, 's', 'C', 'mixed with three parts of sugar'],
  coatedS: [2.5, 's', 'C', 'fat-coated'],
  drySealedS: [120, 's', 'C', 'dry powder dropped in'],
  rainS: [0.7, 's', 'C', 'rained at 2 to 3 g/s a litre, grains over .3 mm'],
  mealS: [3.5, 's', 'C', 'hot liquid beaten into coarse meal'],
  thinSlurry: [2, '1', 'B', 'parts of cold liquid to one of starch below which it cakes'],
  wetParts: [0.5, '1', 'C', 'parts of liquid to one of starch below which it is as good as dry'],
  sealFloorS: [0.5, 's', 'C', 'outside of a clump seals no faster'],
  sealS: [2, 's', 'C', 'scale of sealing'],
  sealAboveK: [8, 'K', 'C', 'above onset at which it seals in that time'],
  sealSlopeK: [9, 'K', 'C', 'e-fold of sealing'],
  handFloor: [2.4, '1', 'C', 'dispersing without stirring'],
  hand: [
    5.9,
    '1',
    'C',
    'and by the hand (0 none, 1 spoon, 3 whisk); fitted: 5 to 20 of 100 with a spoon, 1 to 8 with a whisk',
  ],
  cold: [0.03, '1', 'C', 'risk of a cold dispersion that is stirred while it heats'],
  settled: [0.35, '1', 'C', 'and of one left to settle'],
  trapped: [0.2, '1', 'C', 'share of the starch that lumps keep to themselves'],
});

const DISPERSE_S: Record<StarchEntry, number> = {
  'cold slurry': LUMPS.slurryS,
  'cold together': LUMPS.slurryS,
  'mixed with sugar': LUMPS.sugarS,
  'in cold cream or yolks': LUMPS.slurryS,
  'dry rain': LUMPS.rainS,
  'dry powder': LUMPS.drySealedS,
  'fat-coated': LUMPS.coatedS,
  'hot liquid onto meal': LUMPS.mealS,
};

/**
 * Chance of lumps, 0 to 1, when starch meets a liquid.
 * @param tempC of the liquid it meets
 * @param stirring 0 none, 1 spoon, 3 whisk
 * @param onsetC gelatinisation onset in this liquid
 * @param grainMm below .3 mm a dry rain seals like a powder
 * @param parts of liquid to one of starch, for a slurry
 */
export function lumpRisk(
  entry: StarchEntry,
  tempC: number,
  stirring: number,
  onsetC: number,
  grainMm = 0.02,
  parts = 3,
): number {
  if (entry === 'cold slurry' && parts < LUMPS.wetParts)
    return lumpRisk('dry powder', tempC, stirring, onsetC, grainMm, parts);
  if (entry === 'cold together' || tempC < onsetC - 25) return stirring > 0 ? LUMPS.cold : LUMPS.settled;
  const sealS = LUMPS.sealFloorS + LUMPS.sealS * Math.exp((onsetC + LUMPS.sealAboveK - tempC) / LUMPS.sealSlopeK);
  const fine = entry === 'dry rain' && grainMm < 0.25 ? LUMPS.drySealedS : DISPERSE_S[entry];
  const stiff = entry === 'cold slurry' && parts < LUMPS.thinSlurry ? LUMPS.thinSlurry / Math.max(0.5, parts) : 1;
  const disperseS = (fine * stiff) / (LUMPS.handFloor + LUMPS.hand * stirring);
  return 1 / (1 + (disperseS / sealS) ** -2);
}
