import type * as z from 'zod';
import { fieldProblems } from '@mansuet/core/log';
import type { Words } from '../wording/words.service';

/** What is wrong with each field of a checked form, by path; empty when nothing is. */
export function errorsOf(
  words: Words,
  result: { readonly success: true } | { readonly success: false; readonly error: z.ZodError },
): ReadonlyMap<string, string> {
  return result.success ? new Map() : new Map(fieldProblems(result.error).map((f) => [f.path, words.say(f.says)]));
}
