import type { VisitEvent } from '../log/index.js';
import { readOn, replay } from './replay.js';
import type { VisitState } from './state.js';

/** The host's own copy, in every browser and in Node: the language's library does not name it. */
declare function structuredClone<T>(value: T): T;

/** A state that was true of the log up to some event, and all that came after. */
interface Checkpoint {
  readonly state: VisitState;
  readonly since: readonly VisitEvent[];
}

/** A visit that is read on as its log grows. */
export interface Reading {
  readonly state: VisitState;
  /** The older first. */
  readonly checkpoints: readonly Checkpoint[];
}

/** Events from one checkpoint to the next. Our default: one is a copy of the whole state. */
export const CHECKPOINT_EVENTS = 200;
/** Of the last two, one lies at least that many events back. */
const KEPT = 2;

/** The visit with all of its log. @param events of one visit, in any order */
export function beginReading(visitId: string, events: readonly VisitEvent[]): Reading {
  const state = replay(visitId, events);
  return { state, checkpoints: [{ state: structuredClone(state), since: [] }] };
}

/**
 * Reads a visit on, to where a replay of all its events would be. What is in order costs the new events alone; what is late, or takes something
 * back, costs those since a checkpoint.
 * @param reading is used up: its state may be changed
 * @param news events that it does not have, in any order
 * @returns `undefined` where something reaches further back than the checkpoints: all has to be read anew
 */
export function goOnReading(reading: Reading, news: readonly VisitEvent[]): Reading | undefined {
  if (readOn(reading.state, news)) return withCheckpoint(reading.state, reading.checkpoints, news);
  for (let i = reading.checkpoints.length - 1; i >= 0; i--) {
    const from = reading.checkpoints[i];
    if (!from) continue;
    const state = structuredClone(from.state);
    // Later checkpoints were made without what is new.
    if (readOn(state, [...from.since, ...news])) return withCheckpoint(state, reading.checkpoints.slice(0, i + 1), news);
  }
  return undefined;
}

function withCheckpoint(state: VisitState, before: readonly Checkpoint[], news: readonly VisitEvent[]): Reading {
  const checkpoints = before.map((c) => ({ state: c.state, since: [...c.since, ...news] }));
  const latest = checkpoints.at(-1);
  if (latest && latest.since.length < CHECKPOINT_EVENTS) return { state, checkpoints };
  return { state, checkpoints: [...checkpoints, { state: structuredClone(state), since: [] }].slice(-KEPT) };
}
