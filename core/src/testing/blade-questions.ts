import { type BladeQuestion, BLADES, GUARDS } from '../knowledge/blades/index.js';
import { houseRules } from '../knowledge/house-rules/index.js';

/** A sound, clean, combed, known back in a groomer's hands; no stepping down. And what differs. */
export function aBladeQuestion(change: Partial<BladeQuestion> = {}): BladeQuestion {
  return {
    zone: 'back',
    matGrade: 0,
    skin: 'sound',
    skinKnown: true,
    coat: 'curly',
    wantedMm: 6.3,
    cleanliness: 'clean',
    movement: 'still',
    competence: 'groomer',
    thinSkin: false,
    markHere: false,
    faceCare: false,
    drawer: BLADES,
    guards: GUARDS,
    house: houseRules({ bodyClip: 'straight' }),
    ...change,
  };
}
