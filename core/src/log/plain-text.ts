/**
 * Characters that are no text anybody typed: control characters but tab and line ends (Unicode general category Cc), NUL among them, which
 * PostgreSQL cannot store; marks that turn the direction of what follows, which let a text read otherwise than it is stored (Unicode
 * Technical Standard 39, "Bidi controls"); and noncharacters.
 */
const NOT_TEXT = /[\u0000-\u0008\u000B\u000C\u000E-\u001F\u007F-\u009F\u202A-\u202E\u2066-\u2069\uFFFE\uFFFF]/;
/** Half of a pair that stands for one character: cut off somewhere, and not storable either. */
const HALF_A_PAIR = /[\uD800-\uDBFF](?![\uDC00-\uDFFF])|(?<![\uD800-\uDBFF])[\uDC00-\uDFFF]/;
/** Levels of lists and objects that are looked into: no form has as many. */
const DEEPEST = 40;

/**
 * Where in a value a text, or a name of a field, holds something that is no text.
 * @returns paths such as `events.0.body.text`; empty where all is well
 */
export function notPlainText(value: unknown, path = '', depth = 0): string[] {
  if (typeof value === 'string') return NOT_TEXT.test(value) || HALF_A_PAIR.test(value) ? [path] : [];
  if (typeof value !== 'object' || value === null) return [];
  if (depth > DEEPEST) return [path];
  const at = (key: string): string => (path === '' ? key : `${path}.${key}`);
  return Object.entries(value).flatMap(([key, inner]: [string, unknown]) =>
    notPlainText(key).length > 0 ? [path] : notPlainText(inner, at(key), depth + 1),
  );
}
