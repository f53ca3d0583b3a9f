import { readNumber } from './amount';

/** Sizes of pan, dish and moulds as a recipe gives them. */
export type Sizes = {
  panMl?: number;
  panMm?: number;
  dish?: { shape: 'square'; lengthMm: number; widthMm: number } | { shape: 'round'; mm: number };
  moulds?: { count: number; ml: number };
  layerMm?: number;
};

/** A tin by its measures: "8x8", "30 x 20 cm", "9 inch round". */
export function dishIn(s: string): Sizes['dish'] {
  const by =
    /(\d+(?:\.\d+)?)\s*(?:cm|in|inch(?:es)?|")?\s*(?:x|×|by)\s*(\d+(?:\.\d+)?)\s*-?\s*(cm|in|inch(?:es)?|")?/i.exec(s);
  if (by && /\b(tin|dish|tray|pan|mould|square|baking)\b/i.test(s)) {
    const [a, b] = [Number(by[1]), Number(by[2])];
    const mm = by[3] ? (/cm/i.test(by[3]) ? 10 : 25.4) : Math.max(a, b) <= 14 ? 25.4 : 10;
    if (a * mm >= 20 && b * mm >= 20 && a * mm <= 600 && b * mm <= 600)
      return { shape: 'square', lengthMm: a * mm, widthMm: b * mm };
  }
  const round = /(\d{1,2}(?:\.\d)?)\s*-?(cm|inch|in)\b[^.]{0,12}\b(?:round|springform|cake|flan|tin|dish)/i.exec(s);
  if (!by && round) {
    const mm = Number(round[1]) * (/cm/i.test(round[2]!) ? 10 : 25.4);
    if (mm >= 50 && mm <= 600) return { shape: 'round', mm };
  }
  return undefined;
}

/** Sizes of pan, dish and moulds that a sentence gives; what it does not give stays as it was. */
export function sizesIn(s: string, f: Sizes): void {
  const litre = /(\d+(?:[.,]\d+)?|half a|one|two|three)[\s-]*(?:l|litre|liter)\b[^.]{0,12}\b(?:pan|pot|saucepan)/i.exec(
    s,
  );
  if (litre) f.panMl = 1000 * (/half/i.test(litre[1]!) ? 0.5 : (readNumber(litre[1]!)?.value ?? 1));
  const panCm = /(\d{2})\s*cm[^.]{0,14}\b(?:pan|pot|saucepan)/i.exec(s);
  if (panCm) f.panMm = Number(panCm[1]) * 10;
  f.dish = dishIn(s) ?? f.dish;
  if (f.dish === undefined) delete f.dish;
  const moulds =
    /(?:into|in|between|among|over|fill)\s+(?:the\s+)?(\d{1,2}|four|six|eight|ten|twelve|fourteen)\s+(?:small |little |individual )?(?:(\d{2,3})\s*ml\s+)?(?:moulds?|molds?|ramekins?|cups|glasses|pots|bowls)(?:\s+of\s+(\d{2,3})\s*ml)?/i.exec(
      s,
    );
  if (moulds)
    f.moulds = {
      count: Math.min(60, readNumber(moulds[1]!)?.value ?? 14),
      ml: Number(moulds[2] ?? moulds[3] ?? 150),
    };
  const deep = /(\d+(?:\.\d+)?|half an|an?|one|two)\s*(cm|mm|inch(?:es)?)\s*(?:deep|thick|layer|high)/i.exec(s);
  if (deep)
    f.layerMm = (readNumber(deep[1]!)?.value ?? 1) * (/mm/i.test(deep[2]!) ? 1 : /cm/i.test(deep[2]!) ? 10 : 25.4);
}
