import type { RuleId } from '../../words/index.js';
import { BLADES_SENTENCES } from './sentences/blades.js';
import { CAUTIONS_SENTENCES } from './sentences/cautions.js';
import { DAY_SENTENCES } from './sentences/day.js';
import { DOGS_SENTENCES } from './sentences/dogs.js';
import { HAZARDS_SENTENCES } from './sentences/hazards.js';
import { HEAT_SENTENCES } from './sentences/heat.js';
import { HOLDS_SENTENCES } from './sentences/holds.js';
import { INCIDENTS_SENTENCES } from './sentences/incidents.js';
import { LOOKED_SENTENCES } from './sentences/looked.js';
import { MARKS_SENTENCES } from './sentences/marks.js';
import { MATS_SENTENCES } from './sentences/mats.js';
import { OWNER_SENTENCES } from './sentences/owner.js';
import { PLAN_SENTENCES } from './sentences/plan.js';
import { PROBLEMS_SENTENCES } from './sentences/problems.js';
import { STRAIN_SENTENCES } from './sentences/strain.js';
import { TOLD_SENTENCES } from './sentences/told.js';
import { TOOLS_SENTENCES } from './sentences/tools.js';

/** The sentence of every rule, in ICU MessageFormat: `{zone}` is a fact, `{zones_n}` how many it lists, `{step_cap}` begins with a capital. */
export const SENTENCES: Readonly<Record<RuleId, string>> = {
  ...BLADES_SENTENCES,
  ...CAUTIONS_SENTENCES,
  ...DAY_SENTENCES,
  ...DOGS_SENTENCES,
  ...HAZARDS_SENTENCES,
  ...HEAT_SENTENCES,
  ...HOLDS_SENTENCES,
  ...INCIDENTS_SENTENCES,
  ...LOOKED_SENTENCES,
  ...MARKS_SENTENCES,
  ...MATS_SENTENCES,
  ...OWNER_SENTENCES,
  ...PLAN_SENTENCES,
  ...PROBLEMS_SENTENCES,
  ...STRAIN_SENTENCES,
  ...TOLD_SENTENCES,
  ...TOOLS_SENTENCES,
};
