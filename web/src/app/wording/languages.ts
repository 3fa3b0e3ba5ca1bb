import { loadTranslations } from '@angular/localize';
import type { Language } from '@mansuet/core/locales';
import { ENGLISH } from '@mansuet/core/locales/en';

/** What a language adds to the screens: by message id, in the form that `loadTranslations` takes. The source texts are English. */
export type ScreenTexts = Readonly<Record<string, string>>;

interface LanguageFiles {
  readonly language: Language;
  readonly screens: ScreenTexts;
}

/** Each is fetched only by who reads it; all of them ship with the product. */
const LANGUAGES = {
  en: (): Promise<LanguageFiles> => Promise.resolve({ language: ENGLISH, screens: {} }),
} as const;

export type LanguageId = keyof typeof LANGUAGES;
export const LANGUAGE_IDS = Object.keys(LANGUAGES).filter((id): id is LanguageId => id in LANGUAGES);

const KEPT = 'mansuet.language';
const USUAL: LanguageId = 'en';

/**
 * Whose language: a link may name it, for an owner; else what this person chose here; else ours.
 * @param query of the page, `?language=en`
 * @param kept what was chosen on this device earlier
 */
export function languageAsked(query: string, kept: string | null): LanguageId {
  const asked = [new URLSearchParams(query).get('language'), kept];
  return asked.map((a) => LANGUAGE_IDS.find((id) => id === a)).find((id) => id !== undefined) ?? USUAL;
}

/** What was chosen on this device; the place to choose comes with the second language. */
export const keptLanguage = (storage: Pick<Storage, 'getItem'>): string | null => storage.getItem(KEPT);

/** Loads a language before the first screen is made: a screen that is made keeps its words. */
export async function loadLanguage(id: LanguageId): Promise<Language> {
  const { language, screens } = await LANGUAGES[id]();
  // Without texts of its own the source texts stand: nothing is looked up, nothing is missed.
  if (Object.keys(screens).length > 0) loadTranslations(screens);
  return language;
}
