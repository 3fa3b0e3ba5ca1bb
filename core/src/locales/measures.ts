import { type DateForm, KG_PER_LB, type Measures, METRIC, MM_PER_INCH } from '../words/index.js';
import type { Language } from './language.js';

const fahrenheitOf = (celsius: number): number => (celsius * 9) / 5 + 32;
const celsiusOf = (fahrenheit: number): number => ((fahrenheit - 32) * 5) / 9;

/** A number in the unit that a salon writes, both ways. Kept is mm, kg and °C. */
export interface Unit {
  /** As it follows a number. */
  readonly sign: string;
  /** From what is kept to what is shown. */
  readonly shown: (kept: number) => number;
  readonly kept: (shown: number) => number;
  /** Decimals that are shown. */
  readonly digits: number;
}
const same = (x: number): number => x;
export const UNITS = {
  mm: { sign: 'mm', shown: same, kept: same, digits: 1 },
  inch: { sign: 'in', shown: (mm) => mm / MM_PER_INCH, kept: (inch) => inch * MM_PER_INCH, digits: 2 },
  kg: { sign: 'kg', shown: same, kept: same, digits: 2 },
  lb: { sign: 'lb', shown: (kg) => kg / KG_PER_LB, kept: (lb) => lb * KG_PER_LB, digits: 1 },
  celsius: { sign: '°C', shown: same, kept: same, digits: 1 },
  fahrenheit: { sign: '°F', shown: fahrenheitOf, kept: celsiusOf, digits: 0 },
} as const satisfies Record<Measures[keyof Measures], Unit>;

/** The units in which everything is kept, and what is shown for them. */
const KEPT = { mm: 'length', kg: 'weight', '°C': 'temperature' } as const satisfies Record<string, keyof Measures>;
export type KeptUnit = keyof typeof KEPT;

/** What is shown for a unit that is kept. `unitFor('kg', { …, weight: 'lb' }).sign // => 'lb'` */
export const unitFor = (kept: KeptUnit, measures: Measures = METRIC): Unit => UNITS[measures[KEPT[kept]]];

/** Without a unit: `inMeasure(10, 'kg', …) // => '22'` */
export function inMeasure(value: number, kept: KeptUnit, measures: Measures | undefined): string {
  const unit: Unit = unitFor(kept, measures);
  const digits = 10 ** unit.digits;
  return String(Math.round(unit.shown(value) * digits) / digits);
}

/** A measure as a salon writes it. `sayMeasure(4.5, 'kg', { …, weight: 'lb' }) // => '9.9 lb'` */
export const sayMeasure = (value: number, kept: KeptUnit, measures: Measures | undefined): string =>
  `${inMeasure(value, kept, measures)} ${unitFor(kept, measures).sign}`;

/** How a sentence asks for a fact in the salon's unit: `{kg} kg` is this for `kg`. */
export const askedIn = (fact: string, kept: KeptUnit): string => `${fact}_as_${KEPT[kept]}`;
/** The same without the unit. */
export const askedBare = (fact: string, kept: KeptUnit): string => `${fact}_bare_${KEPT[kept]}`;

const KEPT_UNITS = Object.keys(KEPT) as KeptUnit[];
const isKept = (text: string): text is KeptUnit => text in KEPT;
const FACT = /\{(\w+)\}(?: to \{(\w+)\})? (mm|kg|°C)/g;
const FIGURE = /(?<![\w.])(\d+(?:\.\d+)?)(?: to (\d+(?:\.\d+)?))? (mm|kg|°C)/g;

/** A sentence of a language in other units: its own figures and what it asks of the facts. What people wrote, which comes in as a fact, is left alone. */
export function templateIn(sentence: string, measures: Measures | undefined): string {
  if (!measures || KEPT_UNITS.every((u) => unitFor(u, measures) === unitFor(u))) return sentence;
  return sentence
    .replace(FACT, (all, a: string, b: string | undefined, unit: string) =>
      !isKept(unit) ? all : b === undefined ? `{${askedIn(a, unit)}}` : `{${askedBare(a, unit)}} to {${askedIn(b, unit)}}`,
    )
    .replace(FIGURE, (all, a: string, b: string | undefined, unit: string) =>
      !isKept(unit)
        ? all
        : b === undefined
          ? sayMeasure(Number(a), unit, measures)
          : `${inMeasure(Number(a), unit, measures)} to ${sayMeasure(Number(b), unit, measures)}`,
    );
}

/** Everything that a fact may be asked for in other units. */
export function measuredFacts(name: string, value: number, measures: Measures | undefined): Record<string, string> {
  if (!measures) return {};
  return Object.fromEntries(
    KEPT_UNITS.flatMap((u) => [
      [askedIn(name, u), sayMeasure(value, u, measures)],
      [askedBare(name, u), inMeasure(value, u, measures)],
    ]),
  );
}

/** A language that writes measures and dates as a salon does. The same one for the same formats: what was parsed of it is kept. */
export function inFormats(language: Language, formats: Measures & { readonly date: DateForm }): Language {
  const { length, weight, temperature, date } = formats;
  const key = [length, weight, temperature, date].join(' ');
  const known = made.get(language) ?? new Map<string, Language>();
  made.set(language, known);
  const there = known.get(key) ?? { ...language, measures: { length, weight, temperature }, dates: date };
  known.set(key, there);
  return there;
}
const made = new WeakMap<Language, Map<string, Language>>();
