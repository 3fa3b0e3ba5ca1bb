import type { Language } from '../locales/index.js';

/** Letters that no word of ours has, in place of those that it has. */
const TO: Readonly<Record<string, string>> = Object.fromEntries(
  [...'abcdefghijklmnopqrstuvwxyz'].map((c, i) => [c, String.fromCodePoint(0x3b1 + (i % 25))]),
);

/** A text in which every letter is another one; what stands between braces is left, but for the words that a choice offers. */
export function pseudo(text: string): string {
  let out = '';
  let depth = 0;
  for (let i = 0; i < text.length; i++) {
    const c = text.charAt(i);
    if (c === '{') {
      const placeholder = /^\{\w+\}/.exec(text.slice(i))?.[0];
      const choice = /^\{\w+, (?:plural|select), /.exec(text.slice(i))?.[0];
      if (placeholder ?? choice) {
        out += placeholder ?? choice;
        i += (placeholder ?? choice ?? '').length - 1;
        if (choice) depth++;
        continue;
      }
    }
    if (depth > 0) {
      const branch = /^(?:one|two|few|many|other|yes|no|=\d+) \{/.exec(text.slice(i))?.[0];
      if (branch) {
        const end = closing(text, i + branch.length);
        out += branch + pseudo(text.slice(i + branch.length, end)) + '}';
        i = end;
        continue;
      }
      if (c === '}') depth--;
      out += c;
      continue;
    }
    out += TO[c.toLowerCase()] ?? c;
  }
  return out;
}

/** The brace that closes what begins here. */
function closing(text: string, from: number): number {
  let open = 1;
  for (let i = from; i < text.length; i++) {
    if (text.charAt(i) === '{') open++;
    if (text.charAt(i) === '}') open--;
    if (open === 0) return i;
  }
  throw new RangeError(`closing: no brace closes in "${text.slice(from)}"`);
}

/** Every text of a value, through objects and lists. */
function everywhere<T>(value: T, change: (text: string) => string): T {
  if (typeof value === 'string') return change(value) as T;
  if (Array.isArray(value)) return value.map((v: unknown) => everywhere(v, change)) as T;
  if (typeof value !== 'object' || value === null) return value;
  return Object.fromEntries(Object.entries(value).map(([k, v]) => [k, everywhere(v as unknown, change)])) as T;
}

/** A language made from another: the same keys and facts, and no letter of it left. Numbers, lists and months are written in Greek. */
export function pseudoLanguage(of: Language): Language {
  const { tag: _tag, terms, ...words } = of;
  const made = everywhere(words, pseudo);
  return {
    ...made,
    tag: 'el',
    terms: terms.map((t) => ({ ...t, word: pseudo(t.word), also: t.also.map(pseudo), means: pseudo(t.means) })),
  };
}
