import type { FactName } from './facts.js';

export const SOURCE_IDS = [
  'practice',
  'differ',
  'house',
  'default',
  'floor',
  'computed',
  'learned',
  'times',
  'record',
  'aaha',
  'ladder',
  'iso13732',
  'cem43',
  'controls',
  'growth',
] as const;
/** Where a rule comes from: a published source, common practice, a house rule, our default … */
export type SourceId = (typeof SOURCE_IDS)[number];

/** A rule: its source, and the facts that it is said with. A name with `?` may be missing. */
export interface Rule {
  readonly source: SourceId;
  readonly facts: readonly (FactName | `${FactName}?`)[];
}

/** One line of a rule table. */
export const rule = <const F extends readonly (FactName | `${FactName}?`)[]>(
  source: SourceId,
  ...facts: F
): { readonly source: SourceId; readonly facts: F } => ({ source, facts });
