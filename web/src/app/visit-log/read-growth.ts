import type { VisitEvent } from '@mansuet/core/log';
import { readOn, replay, type VisitState } from '@mansuet/core/visit';
import type { Growth } from './device-log';

/** A visit's log as far as it was read, and what it comes to. */
export interface ReadSoFar {
  readonly events: ReadonlyMap<string, VisitEvent>;
  readonly state: VisitState | undefined;
}
export const NOTHING_READ: ReadSoFar = { events: new Map(), state: undefined };

/**
 * Goes on from what was read. What comes after all of it is added to a copy of its state, so that a tap costs little in a long visit; whatever is
 * late, takes something back, is gone or is timed otherwise has all of it read anew. The same log again is the same state.
 */
export function readGrowth(was: ReadSoFar, growth: Growth): ReadSoFar {
  const told = byId('whole' in growth ? growth.whole : growth.more);
  const events = 'whole' in growth ? told : new Map([...was.events, ...[...told].filter(([id]) => !was.events.has(id))]);
  if (!was.state || !goesOn(was.events, events)) return readWhole(events);
  const news = [...events.values()].filter((e) => !was.events.has(e.id));
  if (news.length === 0) return was;
  const state = structuredClone(was.state);
  return readOn(state, news) ? { events, state } : readWhole(events);
}

function readWhole(events: ReadonlyMap<string, VisitEvent>): ReadSoFar {
  const all = [...events.values()];
  const [first] = all;
  return { events, state: first && replay(first.visitId, all) };
}

/** Of several copies the first counts. */
function byId(events: readonly VisitEvent[]): Map<string, VisitEvent> {
  const found = new Map<string, VisitEvent>();
  for (const e of events) if (!found.has(e.id)) found.set(e.id, e);
  return found;
}

/** What was read before is still there, at the same time. */
function goesOn(was: ReadonlyMap<string, VisitEvent>, now: ReadonlyMap<string, VisitEvent>): boolean {
  for (const [id, e] of was) {
    const same = now.get(id);
    if (same === undefined || same.timed !== e.timed) return false;
  }
  return true;
}
