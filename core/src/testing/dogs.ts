import { type FeelOver, NOTHING_FOUND } from '../findings/index.js';
import { BLADES, GUARDS } from '../knowledge/blades/index.js';
import { type DogFacts, dogFactsOf, EMPTY_DOG } from '../knowledge/dogs/index.js';
import { houseRules } from '../knowledge/house-rules/index.js';
import type { PlanInput } from '../plan/index.js';
import type { ServiceItem } from '../words/index.js';

export const SPEC_DAY = '2026-11-25';

/** A grown, calm, healthy dog, and what differs. */
export function aDog(change: Partial<DogFacts> = {}): DogFacts {
  return { ...dogFactsOf({ ...EMPTY_DOG, name: 'Moss', born: '2021-06-01', weightKg: 18 }, 3), ...change };
}

export const FULL: readonly ServiceItem[] = ['bath', 'body_clip', 'face', 'feet', 'sanitary', 'nails'];

/** A house that bears much: what its limits of chance take away is looked at by itself. */
export const BOLD_HOUSE = houseRules({ stopChance: 'ten', biteChance: 'two' });

/** A plan for that dog, and what differs. */
export function anInput(change: Partial<PlanInput> = {}, dog: Partial<DogFacts> = {}, found: Partial<FeelOver> = {}): PlanInput {
  return {
    dog: aDog(dog),
    feelOver: { ...NOTHING_FOUND, favours: 'none', ...found },
    asked: { items: FULL, wantedMm: 9, sessionMinutes: 150 },
    history: [],
    evidence: [],
    wholeVisits: [],
    fit: 'go',
    helperThere: false,
    refused: [],
    trained: true,
    breaks: [],
    told: [],
    roomCelsius: 20,
    house: BOLD_HOUSE,
    drawer: BLADES,
    guards: GUARDS,
    today: SPEC_DAY,
    ...change,
  };
}
