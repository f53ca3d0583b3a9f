/** A plan in words, as a page or another program wants it: the words are made by who speaks the cook's language. */
export type RecipeWords = {
  name: string;
  people: number;
  /** what comes of it, in a line */
  makes: string;
  /** "40 g cornstarch (5 tbsp)" */
  amounts: string[];
  steps: { title: string; text: string }[];
  /** cautions and allergens, a sentence each */
  cautions: string[];
  /** min in the pot, and from pouring to serving */
  cookMin: number;
  restMin: number;
};

/** Names of the three lists, in the cook's language. */
export type Headings = { amounts: string; steps: string; cautions: string };

/** What Markdown would take for its own. */
const plain = (text: string) => text.replace(/([\\`*_[\]<>#|])/g, '\\$1');

/** A page of Markdown. */
export function writeMarkdown(r: RecipeWords, h: Headings): string {
  const list = (lines: readonly string[], mark: (i: number) => string) =>
    lines.map((line, i) => `${mark(i)} ${line}`).join('\n');
  return `${[
    `# ${plain(r.name)}`,
    plain(r.makes),
    `## ${h.amounts}`,
    list(r.amounts.map(plain), () => '-'),
    `## ${h.steps}`,
    list(
      r.steps.map((s) => `**${plain(s.title)}**${s.text ? `: ${plain(s.text)}` : ''}`),
      (i) => `${i + 1}.`,
    ),
    ...(r.cautions.length ? [`## ${h.cautions}`, list(r.cautions.map(plain), () => '-')] : []),
  ].join('\n\n')}\n`;
}

/** Whole minutes as ISO 8601 has them. */
const duration = (minutes: number) => `PT${Math.round(minutes)}M`;

/** schema.org/Recipe as JSON-LD: what recipe programs read. */
export const writeJsonLd = (r: RecipeWords): string =>
  `${JSON.stringify(
    {
      '@context': 'https://schema.org',
      '@type': 'Recipe',
      name: r.name,
      description: r.makes,
      recipeYield: String(r.people),
      cookTime: duration(r.cookMin),
      totalTime: duration(r.cookMin + r.restMin),
      recipeIngredient: r.amounts,
      recipeInstructions: r.steps.map((s) => ({
        '@type': 'HowToStep',
        name: s.title,
        text: s.text || s.title,
      })),
      ...(r.cautions.length ? { comment: r.cautions.map((text) => ({ '@type': 'Comment', text })) } : {}),
    },
    null,
    2,
  )}\n`;
