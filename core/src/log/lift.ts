import { EVENT_VERSION, VISIT_EVENT, type VisitEvent } from './events.js';

export type EventRead =
  | { readonly ok: true; readonly event: VisitEvent }
  | { readonly ok: false; readonly issues: readonly { readonly path: string; readonly message: string }[] };

/** Lifts an event of one version to the next. None yet: the first change of a schema adds `[1, …]`. */
const LIFTS: ReadonlyMap<number, (raw: Record<string, unknown>) => Record<string, unknown>> = new Map();

/**
 * Reads an event that came from a device or from the database: older versions are lifted, anything else is checked whole.
 * @returns the event, or where it is wrong and why; never throws
 */
export function readEvent(raw: unknown): EventRead {
  let lifted = raw;
  while (isRecord(lifted) && typeof lifted['v'] === 'number' && lifted['v'] < EVENT_VERSION) {
    const lift = LIFTS.get(lifted['v']);
    if (!lift) break;
    lifted = lift(lifted);
  }
  const parsed = VISIT_EVENT.safeParse(lifted);
  if (parsed.success) return { ok: true, event: parsed.data };
  return { ok: false, issues: parsed.error.issues.map((i) => ({ path: i.path.join('.'), message: i.message })) };
}

const isRecord = (x: unknown): x is Record<string, unknown> => typeof x === 'object' && x !== null && !Array.isArray(x);
