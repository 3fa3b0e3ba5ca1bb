import type { VisitState } from '../visit/index.js';

/** A file that is read long before is read ahead; one that is read so soon before the dog is due, minutes, is read because it is there. Our default. */
const READ_AT_THE_DOOR = 15;

/** When a dog came into the salon, ms; `undefined` while it has not come. Who feels over a dog has not always said that it is there. */
export function hereSince(state: Pick<VisitState, 'arrivedMs' | 'fileReadMs' | 'arrivesAt'>): number | undefined {
  if (state.arrivedMs !== undefined) return state.arrivedMs;
  const due = state.arrivesAt === undefined ? -Infinity : Date.parse(state.arrivesAt);
  return state.fileReadMs !== undefined && state.fileReadMs >= due - READ_AT_THE_DOOR * 60_000 ? state.fileReadMs : undefined;
}
