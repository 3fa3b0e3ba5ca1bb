import type { ConsentId } from '../words/index.js';
import type { Language, Term } from './language.js';
import { number } from './say.js';

/** The words of a consent in a version; `undefined` for one that never was. */
export function consentText(language: Language, id: ConsentId, version: string): string | undefined {
  return language.consentTexts[version]?.[id];
}

/**
 * The term for a word, by any of its names.
 * @example termOf(ENGLISH, 'Flank fold')?.word // => 'tuck-up'
 */
export function termOf(language: Language, word: string): Term | undefined {
  const asked = word.trim().toLocaleLowerCase(language.tag);
  return language.terms.find((t) => [t.word, ...t.also].some((w) => w.toLocaleLowerCase(language.tag) === asked));
}

/**
 * A stretch of time in short. `stretch(ENGLISH, 5 / 60) // => '5 s'`
 * @param minutes ≥ 0
 * @returns seconds below a minute, else minutes
 */
export function stretch(language: Language, minutes: number): string {
  const { units } = language;
  return minutes < 1 ? `${Math.round(minutes * 60)} ${units.seconds}` : `${number(language, minutes)} ${units.minutes}`;
}
