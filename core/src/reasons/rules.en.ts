import { BLADES_RULES } from './en/blades.js';
import { CAUTIONS_RULES } from './en/cautions.js';
import { DOGS_RULES } from './en/dogs.js';
import { HAZARDS_RULES } from './en/hazards.js';
import { HEAT_RULES } from './en/heat.js';
import { HOLDS_RULES } from './en/holds.js';
import { LOOKED_RULES } from './en/looked.js';
import { MARKS_RULES } from './en/marks.js';
import { MATS_RULES } from './en/mats.js';
import { OWNER_RULES } from './en/owner.js';
import { PLAN_RULES } from './en/plan.js';
import { STRAIN_RULES } from './en/strain.js';
import { TOOLS_RULES } from './en/tools.js';
import type { RuleText } from './rule-text.js';

/** Every rule that can decide something: its sentence in English with placeholders, and its source. */
export const RULES = {
  ...BLADES_RULES,
  ...CAUTIONS_RULES,
  ...DOGS_RULES,
  ...HAZARDS_RULES,
  ...HEAT_RULES,
  ...HOLDS_RULES,
  ...LOOKED_RULES,
  ...MARKS_RULES,
  ...MATS_RULES,
  ...OWNER_RULES,
  ...PLAN_RULES,
  ...STRAIN_RULES,
  ...TOOLS_RULES,
} as const satisfies Record<string, RuleText>;

export type RuleCode = keyof typeof RULES;
