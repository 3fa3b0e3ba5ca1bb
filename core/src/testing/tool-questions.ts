import fc from 'fast-check';
import { HOUSE_DEFAULTS, houseRules, schoolsOf } from '../knowledge/house-rules/index.js';
import type { ToolQuestion } from '../knowledge/tools/index.js';
import {
  COATS,
  COMPETENCES,
  CONDITIONS,
  DOG_KINDS,
  MAT_GRADES,
  MOVEMENTS,
  SKIN_STATES,
  TOOL_KINDS,
  TRIGGER_CAUSES,
  ZONE_IDS,
} from '../words/index.js';

/** A calm, sound, combed dog in a groomer's hands, and what differs. */
export function aToolQuestion(change: Partial<ToolQuestion> = {}): ToolQuestion {
  return {
    tool: 'slicker',
    zone: 'back',
    matGrade: 0,
    skin: 'sound',
    markHere: false,
    coat: 'curly',
    movement: 'still',
    competence: 'groomer',
    kinds: [],
    conditions: [],
    minds: [],
    ageWeeks: 200,
    vetAskedForPlucking: false,
    house: HOUSE_DEFAULTS,
    ...change,
  };
}

/** Any question. */
export const anyToolQuestion: fc.Arbitrary<ToolQuestion> = fc.record({
  tool: fc.constantFrom(...TOOL_KINDS),
  zone: fc.constantFrom(...ZONE_IDS),
  matGrade: fc.constantFrom(...MAT_GRADES),
  skin: fc.constantFrom(...SKIN_STATES),
  markHere: fc.boolean(),
  coat: fc.constantFrom(...COATS),
  movement: fc.constantFrom(...MOVEMENTS),
  competence: fc.constantFrom(...COMPETENCES),
  kinds: fc.subarray([...DOG_KINDS]),
  conditions: fc.subarray([...CONDITIONS]),
  minds: fc.subarray([...TRIGGER_CAUSES]),
  ageWeeks: fc.integer({ min: 6, max: 900 }),
  vetAskedForPlucking: fc.boolean(),
  house: fc.constantFrom(...schoolsOf('earHair').map((s) => houseRules({ earHair: s }))),
});
