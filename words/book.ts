import { createInstance } from 'i18next';
import type { Said } from '../core/say';
import type { Language } from '../core/settings';
import type { en } from './en';
import { first } from './en/first';
import { pseudo } from './pseudo';

/**
 * Sentences by code, with their plurals, in the cook's own units. Looked up by i18next, which takes the plural from the
 * language's own rules and lets a figure name how it is written: "{{safeC, temp}}".
 */
export const book = createInstance();
void book.init({
  lng: 'en',
  fallbackLng: false,
  resources: { en: { translation: { ...first } } },
  // codes hold dots and words hold colons: neither parts anything
  keySeparator: false,
  nsSeparator: false,
  interpolation: { escapeValue: false },
  // the package would otherwise speak of its maker in the console
  showSupportNotice: false,
  initAsync: false,
});

/** What a room alone says: it is learnt when the room is fetched. */
export function learn(sentences: Readonly<Record<string, string>>): void {
  book.addResourceBundle('en', 'translation', sentences, true, true);
  if (book.hasResourceBundle('en-XA', 'translation'))
    book.addResourceBundle('en-XA', 'translation', pseudo(sentences), true, true);
}

/** From here on sentences are of this language. What was said already stays as it was said. */
export function speak(language: Language): void {
  if (language === 'en-XA' && !book.hasResourceBundle('en-XA', 'translation'))
    book.addResourceBundle(
      'en-XA',
      'translation',
      pseudo(book.getResourceBundle('en', 'translation') as Record<string, string>),
    );
  void book.changeLanguage(language);
}
/** For what is drawn again when another language is spoken. */
export const spoken = {
  now: (): string => book.language,
  listen: (heard: () => void): (() => void) => {
    book.on('languageChanged', heard);
    return () => book.off('languageChanged', heard);
  },
};
export const direction = (language: Language): 'ltr' | 'rtl' => (language === 'en-XA' ? 'rtl' : 'ltr');

type Bare<K> = K extends `${infer B}_${'zero' | 'one' | 'two' | 'few' | 'many' | 'other'}` ? B : K;
export type Code = Bare<keyof typeof en>;

/** A sentence of a room, its figures written already; or of a table, where it stands without figures. */
export const t = (
  said: Code | Said,
  figures: Readonly<Record<string, string | number | boolean | undefined>> = {},
): string => {
  const known = Object.fromEntries(
    Object.entries(figures).map(([k, v]) => [k, typeof v === 'boolean' ? '' : (v ?? '')]),
  );
  return book.t(typeof said === 'string' ? said : said.code, known);
};
