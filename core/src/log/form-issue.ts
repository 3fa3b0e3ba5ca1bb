import type * as z from 'zod';
import { type FieldProblem, type RuleId, RULES, type Saying, saying } from '../words/index.js';

/** An issue of a schema as something that can be said: its own rule, or what the kind of issue is. */
function sayingOfIssue(issue: z.core.$ZodIssue): Saying {
  const limit = issue.code === 'too_big' ? Number(issue.maximum) : issue.code === 'too_small' ? Number(issue.minimum) : undefined;
  if (isFormRule(issue.message)) return { rule: issue.message, facts: limit === undefined ? {} : { limit } };
  if (issue.code === 'too_big') return saying('form.at_most', { limit: Number(issue.maximum) });
  if (issue.code === 'too_small') return saying('form.at_least', { limit: Number(issue.minimum) });
  return saying('form.not_this', {});
}

/** What is wrong with each field, the first issue of a path counting. */
export function fieldProblems(error: z.ZodError): FieldProblem[] {
  const known = new Set<string>();
  return error.issues.flatMap((issue) => {
    const at = issue.path.join('.');
    // A field too many is named itself, not what holds it.
    const paths = issue.code === 'unrecognized_keys' ? issue.keys.map((key) => [...issue.path, key].join('.')) : [at];
    return paths.flatMap((path) => {
      if (known.has(path)) return [];
      known.add(path);
      return [{ path, says: sayingOfIssue(issue) }];
    });
  });
}

const isFormRule = (text: string): text is RuleId => text.startsWith('form.') && Object.hasOwn(RULES, text);
