import type { SourceId } from '../../words/index.js';

/** Where a rule comes from, as it is shown beside a sentence. */
export const SOURCES: Readonly<Record<SourceId, string>> = {
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
};
