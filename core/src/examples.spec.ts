import { readdirSync, readFileSync } from 'node:fs';
import { compileFunction } from 'node:vm';
import { HOUSE_DEFAULTS } from './knowledge/house-rules/index.js';
import { aBladeQuestion, bladeOf } from './testing/blade-questions.js';
import { aCoatQuestion, aMatQuestion } from './testing/coat-questions.js';
import { aDog } from './testing/index.js';
import { aToolQuestion } from './testing/tool-questions.js';

/** What the lines behind `@example` promise is so. `aDog`, `aMatQuestion` and their like stand for a usual one, `house` for our defaults. */
const SRC = new URL('./', import.meta.url);
const files = readdirSync(SRC, { recursive: true, encoding: 'utf8' })
  .map((f) => f.replaceAll('\\', '/'))
  .filter((f) => /\.[jt]s$/.test(f) && !/\.(spec|d)\.[jt]s$/.test(f) && !f.startsWith('testing/'));

const scope: Record<string, unknown> = { house: HOUSE_DEFAULTS, aDog, aMatQuestion, aCoatQuestion, aBladeQuestion, bladeOf, aToolQuestion };
for (const door of files.filter((f) => /(^|\/)index\.[jt]s$/.test(f)))
  Object.assign(scope, (await import(new URL(door, SRC).href)) as Record<string, unknown>);
const names = Object.keys(scope);
const valueOf = (text: string): unknown => compileFunction(`return (${text});`, names)(...names.map((n) => scope[n]));

interface Example {
  readonly file: string;
  readonly call: string;
  readonly gives: string;
}
const examples = files.flatMap((file): Example[] =>
  readFileSync(new URL(file, SRC), 'utf8')
    .split('\n')
    .flatMap((line) => {
      const [, text] = /@example (.+)$/.exec(line) ?? [];
      if (!text) return [];
      const [call = '', gives = ''] = text.split(' // => ');
      return [{ file, call, gives }];
    }),
);

/** Numbers are held to the digits that are written. */
function expectAsWritten(came: unknown, gives: string): void {
  const digits = Math.max(0, ...[...gives.matchAll(/\.(\d+)/g)].map(([, d]) => d?.length ?? 0));
  const rounded = (value: unknown): unknown =>
    typeof value === 'number' ? Number(value.toFixed(digits)) : Array.isArray(value) ? value.map(rounded) : value;
  expect(rounded(came)).toEqual(rounded(valueOf(gives)));
}

describe('the examples in the docs of functions', () => {
  it('are there', () => expect(examples.length).toBeGreaterThan(60));
  for (const { file, call, gives } of examples)
    it(`${file}: ${call}`, () => {
      expect(gives).withContext('an example says what it gives, behind “// => ”').not.toBe('');
      expectAsWritten(valueOf(call), gives);
    });
});
