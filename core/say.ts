/** A figure that belongs to what is said: a number in its own unit, a name, or something else that is said. */
export type Figure = number | string | boolean | undefined | Said | readonly Said[];

/**
 * What core has to say: a code, and the figures that belong to it, in the units that their names carry. The sentence, its
 * plurals and the cook's own units are the business of `words/`.
 */
export type Said = { readonly code: string; readonly [figure: string]: Figure };

export const say = (code: string, figures: Readonly<Record<string, Figure>> = {}): Said => ({ ...figures, code });
