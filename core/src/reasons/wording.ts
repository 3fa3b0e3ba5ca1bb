import { type SourceId, SOURCES } from './rule-text.js';
import { type RuleCode, RULES } from './rules.en.js';

/**
 * The words of one language: a sentence for every rule and a phrase for every source. Another language is one object of
 * this type: the compiler names what it lacks, and `findWordingFaults` names the placeholders it lost.
 */
export interface Wording {
  /** BCP 47 tag; numbers in sentences are written its way. */
  readonly language: string;
  readonly sentences: Readonly<Record<RuleCode, string>>;
  readonly sources: Readonly<Record<SourceId, string>>;
}

const codes = Object.keys(RULES).filter((code): code is RuleCode => code in RULES);

/** Codes of all rules. */
export const RULE_CODES: readonly RuleCode[] = codes;

/** English, as the rule tables have it. */
export const ENGLISH: Wording = { language: 'en-GB', sentences: sentencesOf(), sources: SOURCES };

function sentencesOf(): Record<RuleCode, string> {
  const out: Partial<Record<RuleCode, string>> = {};
  for (const code of codes) out[code] = RULES[code].text;
  return out as Record<RuleCode, string>;
}

/** Names between braces in a sentence, sorted. `placeholdersOf('{mm} mm on the {zone}') // => ['mm', 'zone']` */
export function placeholdersOf(sentence: string): string[] {
  return [...new Set([...sentence.matchAll(/\{(\w+)\}/g)].map((m) => m[1] ?? ''))].sort();
}

/**
 * Rules whose sentence names other values in this language than in English.
 * @example findWordingFaults(ENGLISH) // => []
 */
export function findWordingFaults(wording: Wording): RuleCode[] {
  return codes.filter((code) => placeholdersOf(wording.sentences[code]).join() !== placeholdersOf(RULES[code].text).join());
}
