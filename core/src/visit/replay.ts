import { compareStamps, type EventType, type VisitEvent } from '../log/index.js';
import { emptyVisit } from './empty-visit.js';
import { APPLY_AFTER } from './replay/after.js';
import { APPLY_AGREEMENT } from './replay/agreement.js';
import type { Appliers } from './replay/appliers.js';
import { APPLY_BOOKING } from './replay/booking.js';
import { APPLY_ENDING } from './replay/ending.js';
import { APPLY_FINDINGS } from './replay/findings.js';
import { APPLY_PLAN } from './replay/plan.js';
import { APPLY_WORK } from './replay/work.js';
import type { VisitState } from './state.js';
import { runClocks } from './work-clock.js';

/**
 * The state of a visit from its events. Events may come in any order and more than once: they are put in stamp order, copies are
 * dropped, voided ones do not count. The browser, the server, the reports and the tests all use this function.
 */
export function replay(visitId: string, events: Iterable<VisitEvent>): VisitState {
  const ordered = inOrder(events, visitId);
  const dead = voidedIds(ordered);
  const state = emptyVisit(visitId);
  for (const event of ordered) take(state, event, dead.has(event.id));
  return state;
}

/**
 * Reads a visit on: the state goes to where a replay of all events would be, at the cost of the new ones alone. The state is changed.
 * @param news events that the state does not have, in any order
 * @returns whether they could be added; where one belongs before what was read, or takes back something of it, nothing is changed and all has to be read anew
 */
export function readOn(state: VisitState, news: readonly VisitEvent[]): boolean {
  const ordered = inOrder(news, state.visitId);
  const [first] = ordered;
  if (first && state.lastStamp && compareStamps(state.lastStamp, first.stamp) >= 0) return false;
  const ids = new Set(ordered.map((e) => e.id));
  if (ordered.some((e) => e.type === 'voided' && !ids.has(e.body.target))) return false;
  const dead = voidedIds(ordered);
  for (const event of ordered) take(state, event, dead.has(event.id));
  return true;
}

/** The next event, in stamp order. */
function take(state: VisitState, event: VisitEvent, isDead: boolean): void {
  state.lastStamp = event.stamp;
  if (event.type === 'voided' || isDead) return;
  state.eventCount++;
  if (event.timed === 'by_arrival') state.timedByArrival++;
  apply(state, event, clockAt(state, event));
  if (NOT_UNDOABLE.has(event.type)) return;
  const before = state.undoableBy.get(event.by);
  const same = event.act !== undefined && before?.event.act === event.act;
  state.undoable = { id: event.id, type: event.type, event, ids: [...(same ? before.ids : []), event.id] };
  state.undoableBy.set(event.by, state.undoable);
}

/** What undo does not reach: it began the visit. */
const NOT_UNDOABLE: ReadonlySet<EventType> = new Set(['visit_booked', 'voided']);

/** Copies dropped, other visits left out, in stamp order. */
function inOrder(events: Iterable<VisitEvent>, visitId: string): VisitEvent[] {
  const byId = new Map<string, VisitEvent>();
  for (const e of events) if (e.visitId === visitId && !byId.has(e.id)) byId.set(e.id, e);
  return [...byId.values()].sort((a, b) => compareStamps(a.stamp, b.stamp) || (a.id < b.id ? -1 : 1));
}

/** Ids that do not count. A void is itself undone by a later void, so the latest are read first. */
function voidedIds(ordered: readonly VisitEvent[]): Set<string> {
  const dead = new Set<string>();
  for (let i = ordered.length - 1; i >= 0; i--) {
    const e = ordered[i];
    if (e?.type === 'voided' && !dead.has(e.id)) dead.add(e.body.target);
  }
  return dead;
}

const APPLY: Appliers<EventType> = {
  ...APPLY_BOOKING,
  ...APPLY_FINDINGS,
  ...APPLY_AGREEMENT,
  ...APPLY_PLAN,
  ...APPLY_WORK,
  ...APPLY_ENDING,
  ...APPLY_AFTER,
};

/**
 * When an event happened, Unix ms, with the clocks of the work moved there. Stamps only order: what passes between two events is told by their
 * times, of which none runs backwards while the work goes on.
 */
function clockAt(state: VisitState, event: VisitEvent): number {
  const atMs = Date.parse(event.at);
  if (!state.work || state.work.endedMs) return atMs;
  runClocks(state.work, atMs);
  return state.work.clockMs;
}

/** The table is keyed by the type that the event carries, which TypeScript cannot follow through a look-up. */
function apply(state: VisitState, event: VisitEvent, atMs: number): void {
  const change = APPLY[event.type] as (s: VisitState, e: VisitEvent, atMs: number) => void;
  change(state, event, atMs);
}
