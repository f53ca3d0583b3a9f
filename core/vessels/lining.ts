import type { Form } from '../pantry/kitchen';

/** Paper for a tin. Measures in mm; the strip overlaps itself, the overhang stands over the rim to lift by. */
export type LiningPiece =
  | { piece: 'disc'; diameterMm: number }
  | { piece: 'strip'; lengthMm: number; heightMm: number; count: number }
  /** a ring's part: a strip for a tin that tapers */
  | { piece: 'arc'; innerMm: number; outerMm: number; angleDeg: number }
  | { piece: 'sheet'; lengthMm: number; widthMm: number; foldMm: number };

/** Paper that laps over itself, mm. */
export const OVERLAP_MM = 20;
/** The disc is smaller than the base by this, so that it lies flat. */
export const DISC_EASE_MM = 2;
/** A strip longer than this is cut in two: baking paper comes in sheets and rolls about 38 cm wide and longer. */
const LONGEST_MM = 700;

/**
 * Disc and strip for a round tin, one folded sheet with cut corners for the other.
 * @param overhangMm above the rim
 * @throws RangeError for a height that is not above zero or an overhang below it
 */
export function liningOf(form: Form, heightMm: number, overhangMm = 20): LiningPiece[] {
  if (!(heightMm > 0) || !(overhangMm >= 0))
    throw new RangeError('a tin to line should be higher than 0 mm, with an overhang of 0 mm or more');
  if (form.shape !== 'round')
    return [
      {
        piece: 'sheet',
        lengthMm: form.lengthMm + 2 * (heightMm + overhangMm),
        widthMm: form.widthMm + 2 * (heightMm + overhangMm),
        foldMm: heightMm + overhangMm,
      },
    ];
  const disc: LiningPiece = { piece: 'disc', diameterMm: form.baseMm - DISC_EASE_MM };
  const run = (form.topMm - form.baseMm) / 2;
  const slant = Math.hypot(heightMm, run);
  if (Math.abs(run) < 1) {
    const around = Math.PI * form.topMm + OVERLAP_MM;
    const count = Math.ceil(around / LONGEST_MM);
    const lengthMm = count === 1 ? around : (Math.PI * form.topMm) / count + OVERLAP_MM;
    return [disc, { piece: 'strip', lengthMm, heightMm: heightMm + overhangMm, count }];
  }
  // the wall of a cone, unrolled: radii in the ratio of the diameters
  const small = Math.min(form.baseMm, form.topMm);
  const inner = (slant * small) / (2 * Math.abs(run));
  const angle = (180 * small) / inner;
  return [
    disc,
    {
      piece: 'arc',
      innerMm: inner,
      outerMm: inner + slant + overhangMm,
      angleDeg: Math.min(360, angle + ((180 / Math.PI) * OVERLAP_MM) / inner),
    },
  ];
}

/** The paper a piece is cut from, mm: what has to fit on the printed page. */
export function boxOf(p: LiningPiece): { widthMm: number; heightMm: number } {
  switch (p.piece) {
    case 'disc':
      return { widthMm: p.diameterMm, heightMm: p.diameterMm };
    case 'strip':
      return { widthMm: p.lengthMm, heightMm: p.heightMm };
    case 'sheet':
      return { widthMm: p.lengthMm, heightMm: p.widthMm };
    case 'arc': {
      const half = (Math.min(360, p.angleDeg) / 2) * (Math.PI / 180);
      const widthMm = half >= Math.PI / 2 ? 2 * p.outerMm : 2 * p.outerMm * Math.sin(half);
      const low = Math.cos(half) >= 0 ? p.innerMm * Math.cos(half) : p.outerMm * Math.cos(half);
      return { widthMm, heightMm: p.outerMm - low };
    }
  }
}

/** Scales at which a drawing may be printed: full size first. */
const SCALES = [1, 2, 4, 5, 10] as const;

/** The largest scale, 1 to n, at which a piece fits a page. @param page its printable part, mm */
export function printScale(p: LiningPiece, page = { widthMm: 190, heightMm: 240 }): number {
  const b = boxOf(p);
  return SCALES.find((s) => b.widthMm / s <= page.widthMm && b.heightMm / s <= page.heightMm) ?? 20;
}
