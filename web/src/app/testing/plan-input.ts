import { BLADES, GUARDS } from '@mansuet/core/blades';
import { NOTHING_FOUND } from '@mansuet/core/dogs';
import { HOUSE_DEFAULTS } from '@mansuet/core/house-rules';
import type { PlanInput } from '@mansuet/core/plan';

/** What the plan of a calm grown dog in trained hands is made from, and what differs. */
export function aPlanInput(change: Partial<PlanInput> = {}): PlanInput {
  return {
    dog: {
      name: 'Moss',
      sex: 'female',
      neutered: true,
      born: '2021-06-01',
      weightKg: 18,
      coat: 'curly',
      nose: 'medium',
      ears: 'drop',
      tail: 'long',
      build: 'light',
      conditions: [],
      biteHistory: false,
      triggers: [],
      treatsAllowed: true,
      standingSeenMinutes: undefined,
      visitsBefore: 3,
    },
    feelOver: NOTHING_FOUND,
    asked: { items: ['bath', 'nails', 'sanitary'], wantedMm: 9, sessionMinutes: 120 },
    history: [],
    breaks: [],
    told: [],
    roomCelsius: 20,
    house: HOUSE_DEFAULTS,
    drawer: BLADES,
    guards: GUARDS,
    fit: 'go',
    helperThere: false,
    refused: [],
    trained: true,
    today: '2026-11-25',
    ...change,
  };
}
