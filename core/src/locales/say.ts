import { IntlMessageFormat } from 'intl-messageformat';
import {
  activityOf,
  type FactKind,
  type FactName,
  FACTS,
  type Facts,
  MM_PER_INCH,
  RULES,
  type Saying,
  sourceOf as sourceIdOf,
  type StepId,
  type StepName,
  ZONE_IDS,
  type ZoneId,
} from '../words/index.js';
import { sayDate } from '../days/index.js';
import type { LabelKind, Language } from './language.js';
import { inMeasure, measuredFacts, sayMeasure, templateIn } from './measures.js';

/**
 * A saying as a sentence of a language.
 * @returns the sentence, begun with a capital; a value that the saying does not carry shows as "…"
 * @example say(ENGLISH, reason('blade.default', { blade: '10', mm: 1.5 })) // => '#10 leaves 1.5 mm, the nearest to what was asked for.'
 */
export function say(language: Language, saying: Saying): string {
  return capital(language, within(language, saying));
}

/** The same within a sentence or a list: its first letter stays as it is. `within(ENGLISH, saying('what.zone', { zone: 'back' })) // => 'the back'` */
export function within(language: Language, saying: Saying): string {
  return formatOf(language, saying.rule).format(valuesOf(language, saying)) as string;
}

/** Where the rule of a saying comes from, in words. */
export function sayingSource(language: Language, saying: Saying): string {
  return language.sources[sourceIdOf(saying)];
}

/** What an id is called, begun with a capital: a heading, a button. `heading(ENGLISH, 'step', 'nails') // => 'Nails'` */
export function heading<K extends LabelKind>(language: Language, kind: K, id: keyof Language['labels'][K]): string {
  const labels: Language['labels'][K] = language.labels[kind];
  return capital(language, String(labels[id]));
}

/**
 * What a step is called in a list: its kind of work, and where it begins when that kind makes several steps.
 * @example stepTitle(ENGLISH, { id: 'feet@hind_paw_left', zones: ['hind_paw_left', 'hind_paw_right'] }) // => 'Feet and pads: left hind paw, pads and web +1'
 */
export function stepTitle(
  language: Language,
  step: { readonly id: StepId; readonly name?: StepName | undefined; readonly zones?: readonly ZoneId[] | undefined },
): string {
  const title = heading(language, 'step', step.name ?? activityOf(step.id));
  const place = ZONE_IDS.find((z) => z === step.id.split('@')[1]);
  if (!place) return title;
  const more = (step.zones?.length ?? 1) - 1;
  return `${title}: ${language.labels.zone[place]}${more > 0 ? ` +${more}` : ''}`;
}

/** Things one after the other, as the language lists them. `list(ENGLISH, ['a', 'b']) // => 'a, b'` */
export function list(language: Language, items: readonly string[]): string {
  return listFormat(language.tag).format(items);
}

/** A text begun with a capital letter. */
export function capital(language: Pick<Language, 'tag'>, text: string): string {
  return text.charAt(0).toLocaleUpperCase(language.tag) + text.slice(1);
}

/** A number as sentences write it: at most one decimal; below one, two digits that count. `number(ENGLISH, 12.34) // => '12.3'` */
export function number(language: Pick<Language, 'tag'>, value: number): string {
  return (Math.abs(value) < 1 ? smallFormat : numberFormat)(language.tag).format(value);
}

/** An ISO date as the language writes it. `day(ENGLISH, '2026-11-28') // => '28 November 2026'` */
export function day(language: Pick<Language, 'tag' | 'dates'>, iso: string): string {
  if (language.dates && language.dates !== 'day_month') return sayDate(iso, language.dates, 'long') || iso;
  const ms = Date.parse(iso);
  return Number.isNaN(ms) ? iso : dayFormat(language.tag).format(ms);
}

/** An ISO 8601 duration of one unit. `duration(ENGLISH, 'P11W') // => '11 weeks'` @returns the text itself when it is none */
export function duration(language: Pick<Language, 'tag'>, iso: string): string {
  const [, count, unit] = /^P(\d+)([WMY])$/.exec(iso) ?? [];
  if (count === undefined) return iso;
  return unitFormat(language.tag, unit === 'W' ? 'week' : unit === 'M' ? 'month' : 'year').format(Number(count));
}

/** Sentences are parsed once for each language. */
const parsed = new WeakMap<Language, Map<string, IntlMessageFormat>>();
function formatOf(language: Language, rule: Saying['rule']): IntlMessageFormat {
  const known = parsed.get(language) ?? new Map<string, IntlMessageFormat>();
  parsed.set(language, known);
  const format =
    known.get(rule) ??
    new IntlMessageFormat(templateIn(language.sentences[rule], language.measures), language.tag, undefined, { ignoreTag: true });
  known.set(rule, format);
  return format;
}

/** Everything that a sentence may ask of the facts: the fact in words, its other forms, whether it is there, and how many. */
function valuesOf(language: Language, { rule, facts }: Saying): Record<string, string | number> {
  const out: Record<string, string | number> = {};
  const needed = RULES[rule].facts.map((f) => f.replace('?', '')) as FactName[];
  for (const name of needed) out[name] = '…';
  for (const name of new Set([...needed, ...(Object.keys(facts) as FactName[])])) {
    const value = facts[name];
    const there = isThere(value);
    out[`has_${name}`] = there ? 'yes' : 'no';
    if (!there) continue;
    const text = inWords(language, name, facts);
    out[name] = text;
    out[`${name}_cap`] = capital(language, text);
    if (typeof value === 'number') Object.assign(out, { [`${name}_n`]: value }, measuredFacts(name, value, language.measures));
    if (typeof value === 'number' && LENGTHS.includes(name)) out[`${name}_both`] = inBoth(language, value);
    if (Array.isArray(value)) out[`${name}_n`] = value.length;
    for (const [form, words] of Object.entries(formsOf(language, FACTS[name])))
      if (typeof value === 'string') out[`${name}_${form}`] = words[value] ?? text;
  }
  return out;
}

/** Facts that are lengths of coat, mm: owners may read them in both units. */
const LENGTHS: readonly FactName[] = ['mm', 'wanted'];
/** Combs and blades are named in sixteenths of an inch, the closest blades in finer parts. Common practice, no source. */
const PARTS_OF_INCH = 16;
const FINE_PARTS_OF_INCH = 32;
const FINE_BELOW_MM = 3;

/**
 * A length of coat in both units, the inch in halves, quarters … as rulers have it.
 * @param mm > 0
 * @example inBoth(ENGLISH, 6) // => '6 mm (1/4 in)'
 */
export function inBoth(language: Pick<Language, 'tag'>, mm: number): string {
  const parts = mm < FINE_BELOW_MM ? FINE_PARTS_OF_INCH : PARTS_OF_INCH;
  let [over, under] = [Math.max(1, Math.round((mm / MM_PER_INCH) * parts)), parts];
  while (over % 2 === 0 && under > 1) [over, under] = [over / 2, under / 2];
  const [whole, rest] = [Math.floor(over / under), over % under];
  const inches = [whole > 0 ? String(whole) : '', rest > 0 ? `${rest}/${under}` : ''].filter((x) => x !== '').join(' ');
  return `${number(language, mm)} ${unitName(`${language.tag}|millimeter`)} (${inches} ${unitName(`${language.tag}|inch`)})`;
}

const isThere = (value: unknown): boolean => value !== undefined && value !== '' && !(Array.isArray(value) && value.length === 0);

function formsOf(language: Language, kind: FactKind): Readonly<Record<string, Readonly<Record<string, string>>>> {
  const forms: Readonly<Partial<Record<string, Readonly<Record<string, Readonly<Record<string, string>>>>>>> = { ...language.forms };
  return forms[kind] ?? {};
}

/** Which label table a kind of fact, or a list of it, is read from. */
export const LABELS_OF = {
  zones: 'zone',
  steps: 'step',
  joints: 'joint',
  fitSigns: 'fitSign',
  heatFactors: 'heatFactor',
  signals: 'signal',
  holds: 'hold',
  causes: 'cause',
  services: 'service',
  hazard: 'incident',
} as const satisfies Partial<Record<FactKind, LabelKind>>;

function inWords(language: Language, name: FactName, facts: Facts): string {
  const kind: FactKind = FACTS[name];
  const value = facts[name];
  if (typeof value === 'number') return ofNumber(language, kind, value);
  if (typeof value === 'string') return ofText(language, kind, value);
  if (Array.isArray(value)) {
    if (kind === 'size') return saySize(language, Number(value[0]), Number(value[1]));
    if (kind === 'sayings')
      return list(
        language,
        (value as readonly Saying[]).map((s) => within(language, s)),
      );
    return list(
      language,
      value.map((id) => labelIn(language, kind, String(id))),
    );
  }
  return value === undefined ? '…' : within(language, value as Saying);
}

/** Length and width of a mark. `saySize(ENGLISH, 8, 5) // => '8 × 5 mm'` */
export const saySize = (language: Pick<Language, 'measures'>, lengthMm: number, widthMm: number): string =>
  `${inMeasure(lengthMm, 'mm', language.measures)} × ${sayMeasure(widthMm, 'mm', language.measures)}`;

function ofNumber(language: Language, kind: FactKind, value: number): string {
  if (kind === 'weeks' || kind === 'days' || kind === 'months') return unitFormat(language.tag, kind.slice(0, -1)).format(value);
  if (kind === 'signed') return value > 0 ? `+${number(language, value)}` : value < 0 ? `−${number(language, -value)}` : '±0';
  if (kind === 'month') return monthFormat(language.tag).format(Date.UTC(2001, value - 1, 1));
  return number(language, value);
}

function ofText(language: Language, kind: FactKind, value: string): string {
  if (kind === 'text' || kind === 'guard') return value;
  if (kind === 'day') return day(language, value);
  if (kind === 'duration') return duration(language, value);
  return labelIn(language, kind, value);
}

/** An id that no version knows any more stays readable: it is shown as it is. */
function labelIn(language: Language, kind: FactKind, id: string): string {
  const tables: Readonly<Partial<Record<string, Readonly<Record<string, string>>>>> = { ...language.labels };
  const aliases: Readonly<Partial<Record<string, string>>> = LABELS_OF;
  return tables[aliases[kind] ?? kind]?.[id] ?? id;
}

const remembered = <T>(make: (tag: string) => T): ((tag: string) => T) => {
  const known = new Map<string, T>();
  return (tag) => {
    const found = known.get(tag) ?? make(tag);
    known.set(tag, found);
    return found;
  };
};
const numberFormat = remembered((tag) => new Intl.NumberFormat(tag, { useGrouping: false, maximumFractionDigits: 1 }));
const smallFormat = remembered((tag) => new Intl.NumberFormat(tag, { useGrouping: false, maximumSignificantDigits: 2 }));
const listFormat = remembered((tag) => new Intl.ListFormat(tag, { type: 'unit', style: 'long' }));
const monthFormat = remembered((tag) => new Intl.DateTimeFormat(tag, { month: 'long', timeZone: 'UTC' }));
const dayFormat = remembered((tag) => new Intl.DateTimeFormat(tag, { day: 'numeric', month: 'long', year: 'numeric', timeZone: 'UTC' }));
const unitFormats = remembered((key) => {
  const [tag, unit] = key.split('|');
  return new Intl.NumberFormat(tag, { style: 'unit', unit: unit ?? 'week', unitDisplay: 'long', maximumFractionDigits: 1 });
});
/** The short name of a unit: "mm", "in". */
const unitName = remembered((key) => {
  const [tag, unit] = key.split('|');
  const parts = new Intl.NumberFormat(tag, { style: 'unit', unit: unit ?? 'inch', unitDisplay: 'short' }).formatToParts(1);
  return parts.find((p) => p.type === 'unit')?.value.trim() ?? '';
});
const unitFormat = (tag: string, unit: string): Intl.NumberFormat => unitFormats(`${tag}|${unit}`);
