import { NOTHING_FOUND } from '../findings/index.js';
import type { VisitState } from './state.js';
/** A visit of which nothing is known. */
export function emptyVisit(visitId: string): VisitState {
  return {
    visitId,
    dogId: undefined,
    groomerId: undefined,
    handsId: undefined,
    arrivesAt: undefined,
    asked: { items: [], wantedMm: 6, sessionMinutes: 90 },
    helperThere: false,
    helperWindows: [],
    wishes: [],
    way: 'as_asked',
    fileReadMs: undefined,
    fit: undefined,
    dogAsked: undefined,
    feelOver: NOTHING_FOUND,
    moodFelt: false,
    areasFelt: new Map(),
    marksGone: new Set(),
    weightKg: undefined,
    feelOverDone: false,
    consents: new Map(),
    agreed: undefined,
    plan: undefined,
    told: undefined,
    work: undefined,
    closing: { begun: false, done: new Set() },
    incidents: [],
    notes: [],
    ended: undefined,
    handedBack: undefined,
    eventCount: 0,
    lastStamp: undefined,
    undoable: undefined,
  };
}
