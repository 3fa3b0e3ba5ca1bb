import type { RuleId } from './rules.js';

type FormProblem = Extract<RuleId, `form.${string}`>;

/** What is wrong with a field, as a schema carries it: the id of a rule, which a language makes a sentence of. */
export const formProblem = (rule: FormProblem): FormProblem => rule;
