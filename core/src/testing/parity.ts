import { IntlMessageFormat } from 'intl-messageformat';
import { type FactName, FACTS, type RuleId, RULES } from '../words/index.js';
import type { Language } from '../locales/index.js';

export const RULE_IDS: readonly RuleId[] = Object.keys(RULES).filter((id): id is RuleId => id in RULES);

/** What a sentence asks of its facts that its rule does not promise, by rule. */
export interface WordingFault {
  readonly rule: RuleId;
  /** Facts that the sentence names and the rule does not have. */
  readonly unknown: readonly string[];
  /** Facts of the rule that the sentence does not say. */
  readonly unsaid: readonly string[];
}

/**
 * Sentences that lost a fact of their rule or name one that it does not have.
 * @example findWordingFaults(ENGLISH) // => []
 */
export function findWordingFaults(language: Language): WordingFault[] {
  return RULE_IDS.flatMap((rule) => {
    const promised = RULES[rule].facts.map((f) => f.replace('?', ''));
    const named = factsNamedIn(language.sentences[rule], language.tag);
    const unknown = named.filter((n) => !promised.includes(n));
    const unsaid = promised.filter((p) => !named.includes(p));
    return unknown.length + unsaid.length > 0 ? [{ rule, unknown, unsaid }] : [];
  });
}

/** Names of the facts in a sentence, whatever form it asks for, sorted. `factsNamedIn('{count} {count_n, plural, other {marks}}', 'en') // => ['count']` */
function factsNamedIn(sentence: string, tag: string): string[] {
  const names = new Set<string>();
  const visit = (parts: readonly Part[]): void => {
    for (const part of parts) {
      if (part.type !== LITERAL && part.type !== POUND && typeof part.value === 'string') names.add(factOf(part.value));
      for (const option of Object.values(part.options ?? {})) visit(option.value);
    }
  };
  visit(new IntlMessageFormat(sentence, tag, undefined, { ignoreTag: true }).getAst() as readonly Part[]);
  return [...names].sort();
}

/** A part of a parsed sentence, as far as it is read here. */
interface Part {
  readonly type: number;
  readonly value?: unknown;
  readonly options?: Readonly<Record<string, { readonly value: readonly Part[] }>>;
}
const LITERAL = 0;
const POUND = 7;

/** `zone`, from `zone`, `zone_cap`, `zone_part`, `zones_n` or `has_zone`. */
function factOf(name: string): string {
  const bare = name.startsWith('has_') ? name.slice(4) : name;
  if (isFact(bare)) return bare;
  const cut = bare.slice(0, bare.lastIndexOf('_'));
  return isFact(cut) ? cut : name;
}

const isFact = (name: string): name is FactName => Object.hasOwn(FACTS, name);
