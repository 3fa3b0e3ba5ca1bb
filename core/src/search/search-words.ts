/** Words shorter than this are matched by their beginning only: a misspelling of two letters is another word. */
const FUZZY_FROM_LETTERS = 3;
/** Digits from which a number is looked for among the phones. Our default. */
const PHONE_DIGITS_FROM = 3;

/**
 * Letters without accents, in lower case, other characters as gaps: "Noémi O’Brán" and "noemi o'bran" are the same.
 * @example searchWords('Noémi O’Brán-Hale') // => ['noemi', 'obran', 'hale']
 */
export function searchWords(text: string): string[] {
  const plain = text
    .normalize('NFD')
    .replace(/\p{M}/gu, '')
    .toLowerCase()
    .replace(/[øœæßłđ]/g, (c) => SPELLED[c] ?? c)
    .replace(/['’`]/g, '');
  return plain.split(/[^\p{L}\p{N}]+/u).filter((w) => w !== '');
}
const SPELLED: Readonly<Record<string, string>> = { ø: 'o', œ: 'oe', æ: 'ae', ß: 'ss', ł: 'l', đ: 'd' };

/** Only the digits of a phone number. `phoneDigits('+43 (0)550 12-34') // => '4305501234'` */
export function phoneDigits(text: string): string {
  return text.replace(/\D/g, '');
}

/**
 * How many letters of a word may be wrong: none in very short ones, one up to five letters, two in longer ones. Our default. Two letters
 * that changed places count as two.
 */
export function lettersWrong(word: string): 0 | 1 | 2 {
  if (word.length < FUZZY_FROM_LETTERS) return 0;
  return word.length <= 4 ? 1 : 2;
}

/** What was typed, split into words and, where it looks like one, a phone number. */
export interface SearchFor {
  readonly words: readonly string[];
  readonly digits: string;
}

/** Reads what was typed into the search field. `readSearch('moss 0550') // => {words: ['moss'], digits: '0550'}` */
export function readSearch(text: string): SearchFor {
  const all = searchWords(text);
  const digits = phoneDigits(all.filter((w) => /^\d+$/.test(w)).join(''));
  const phone = digits.length >= PHONE_DIGITS_FROM;
  return { words: all.filter((w) => !/^\d+$/.test(w)).slice(0, 4), digits: phone ? digits : '' };
}
