import type { Rule } from './rule.js';
import { BLADES_RULES } from './rules/blades.js';
import { CAUTIONS_RULES } from './rules/cautions.js';
import { DAY_RULES } from './rules/day.js';
import { DOGS_RULES } from './rules/dogs.js';
import { HAZARDS_RULES } from './rules/hazards.js';
import { HEAT_RULES } from './rules/heat.js';
import { HOLDS_RULES } from './rules/holds.js';
import { INCIDENTS_RULES } from './rules/incidents.js';
import { LOOKED_RULES } from './rules/looked.js';
import { MARKS_RULES } from './rules/marks.js';
import { MATS_RULES } from './rules/mats.js';
import { OWNER_RULES } from './rules/owner.js';
import { PLAN_RULES } from './rules/plan.js';
import { PROBLEMS_RULES } from './rules/problems.js';
import { STRAIN_RULES } from './rules/strain.js';
import { TOLD_RULES } from './rules/told.js';
import { TOOLS_RULES } from './rules/tools.js';

/** Every rule that can decide or say something: where it comes from, and the facts it is said with. Its words are in `locales/`. */
export const RULES = {
  ...BLADES_RULES,
  ...CAUTIONS_RULES,
  ...DAY_RULES,
  ...DOGS_RULES,
  ...HAZARDS_RULES,
  ...HEAT_RULES,
  ...HOLDS_RULES,
  ...INCIDENTS_RULES,
  ...LOOKED_RULES,
  ...MARKS_RULES,
  ...MATS_RULES,
  ...OWNER_RULES,
  ...PLAN_RULES,
  ...PROBLEMS_RULES,
  ...STRAIN_RULES,
  ...TOLD_RULES,
  ...TOOLS_RULES,
} as const satisfies Record<string, Rule>;

export type RuleId = keyof typeof RULES;
