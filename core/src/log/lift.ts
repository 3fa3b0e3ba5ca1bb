import * as z from 'zod';
import type { FieldProblem } from '../words/index.js';
import { EVENT_VERSION, VISIT_EVENT, type VisitEvent } from './events.js';
import { fieldProblems } from './form-issue.js';
import { liftFrom1 } from './lift-from-1.js';
import { liftFrom2 } from './lift-from-2.js';

export type EventRead =
  { readonly ok: true; readonly event: VisitEvent } | { readonly ok: false; readonly fields: readonly FieldProblem[] };

type Raw = Readonly<Record<string, unknown>>;

/** Lifts an event of one version to the next. */
const LIFTS: ReadonlyMap<number, (raw: Raw) => Raw> = new Map([
  [1, liftFrom1],
  [2, liftFrom2],
]);

/** An event of any version in the shape of the present one; what is no event is given back as it is. */
function lifted(raw: unknown): unknown {
  let out = raw;
  while (isRecord(out) && typeof out['v'] === 'number' && out['v'] < EVENT_VERSION) {
    const lift = LIFTS.get(out['v']);
    if (!lift) break;
    out = lift(out);
  }
  return out;
}

/** An event as it was stored or kept, of whatever version. */
export const STORED_EVENT = z.preprocess(lifted, VISIT_EVENT);

/**
 * Reads an event that came from a device or from the database: older versions are lifted, anything else is checked whole.
 * @returns the event, or where it is wrong and why; never throws
 */
export function readEvent(raw: unknown): EventRead {
  const parsed = STORED_EVENT.safeParse(raw);
  if (parsed.success) return { ok: true, event: parsed.data };
  return { ok: false, fields: fieldProblems(parsed.error) };
}

const isRecord = (x: unknown): x is Raw => typeof x === 'object' && x !== null && !Array.isArray(x);
