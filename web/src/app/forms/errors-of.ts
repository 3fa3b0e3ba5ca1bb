import type * as z from 'zod';

/** What is wrong with each field of a checked form, by path; empty when nothing is. */
export function errorsOf(
  result: { readonly success: true } | { readonly success: false; readonly error: z.ZodError },
): ReadonlyMap<string, string> {
  if (result.success) return new Map();
  const out = new Map<string, string>();
  for (const issue of result.error.issues) {
    const path = issue.path.join('.');
    if (!out.has(path)) out.set(path, issue.message);
  }
  return out;
}
