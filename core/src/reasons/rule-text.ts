/**
 * Where a rule comes from. The phrases are wording like the sentences, so a translation carries them too;
 * rules name them by id.
 */
export const SOURCES = {
  practice: 'common practice, no source',
  differ: 'common practice, no source; groomers differ, this is the default',
  house: 'house rule of this salon',
  default: 'our default',
  floor: 'safety floor, no house rule lowers it',
  computed: 'computed',
  learned: 'gamma–Poisson update of our default',
  times: 'log-normal update of our default',
  record: 'the record',
  aaha: 'AAHA Canine Life Stage Guidelines 2019, JAAHA 55:267–290 (from memory)',
  ladder: 'canine ladder of aggression, K. Shepherd, BSAVA manual, 2nd ed. 2009 (from memory)',
  iso13732: 'ISO 13732-1:2006, for healthy adult human skin (from memory); carried over to dogs with a margin of our own',
  cem43: 'Sapareto & Dewey 1984, Int J Radiat Oncol Biol Phys 10:787–800; from human and animal data, not validated for dogs’ skin',
  controls: 'hierarchy of controls, NIOSH (from memory)',
  growth: 'Schwartz 1961, Cancer 14:1272–1294 (from memory)',
} as const;
export type SourceId = keyof typeof SOURCES;

export const PRACTICE = 'practice';
export const DIFFER = 'differ';
export const HOUSE = 'house';
export const DEFAULT = 'default';
export const FLOOR = 'floor';
export const COMPUTED = 'computed';
export const LEARNED = 'learned';
export const TIMES = 'times';
export const RECORD = 'record';
export const AAHA = 'aaha';
export const LADDER = 'ladder';
export const ISO13732 = 'iso13732';
export const CEM43 = 'cem43';
export const NIOSH = 'controls';
export const GROWTH = 'growth';

export interface RuleText {
  /** The English sentence; `{name}` is filled from the reason's facts. */
  readonly text: string;
  readonly source: SourceId;
}

/** One line of a rule table. */
export const rule = (text: string, source: SourceId): RuleText => ({ text, source });
