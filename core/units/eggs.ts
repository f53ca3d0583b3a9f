/**
 * Egg sizes: edible white and yolk in grams. US classes (A, within 5 %); European classes by shell mass with the
 * edible part 0.885 of it and the yolk 0.29 to 0.33 of that (B).
 */
export type EggSize = 'us large' | 'us extra large' | 'eu S' | 'eu M' | 'eu L' | 'eu XL';

export const EGG_SIZES: Record<EggSize, { whiteG: number; yolkG: number; sdRel: number }> = {
  'us large': { whiteG: 32.5, yolkG: 17.5, sdRel: 0.05 },
  'us extra large': { whiteG: 37, yolkG: 19, sdRel: 0.05 },
  'eu S': { whiteG: 29, yolkG: 15.5, sdRel: 0.08 },
  'eu M': { whiteG: 34, yolkG: 17, sdRel: 0.06 },
  'eu L': { whiteG: 40, yolkG: 19.5, sdRel: 0.06 },
  'eu XL': { whiteG: 45, yolkG: 21, sdRel: 0.08 },
};

/** Grams in `count` eggs of a size. @throws RangeError for a negative count */
export function eggGrams(count: number, size: EggSize, part: 'whole' | 'yolk' | 'white' = 'whole'): number {
  if (!(count >= 0)) throw new RangeError(`${count} eggs; it should be zero or more`);
  const { whiteG, yolkG } = EGG_SIZES[size];
  return count * (part === 'yolk' ? yolkG : part === 'white' ? whiteG : whiteG + yolkG);
}
