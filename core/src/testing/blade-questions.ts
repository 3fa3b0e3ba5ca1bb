import { type Blade, type BladeQuestion, BLADES, GUARDS } from '../knowledge/blades/index.js';
import { houseRules } from '../knowledge/house-rules/index.js';
import type { BladeId } from '../words/index.js';

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

/** The blade of a number. @throws RangeError when there is none */
export function bladeOf(id: BladeId): Blade {
  const blade = BLADES.find((b) => b.id === id);
  if (!blade) throw new RangeError(`bladeOf: no blade "${id}"`);
  return blade;
}
