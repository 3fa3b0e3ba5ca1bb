import type { VisitState } from '../visit/index.js';

/** A file that is read long before is read ahead; one that is read so soon before the dog is due, minutes, is read because it is there. Our default. */
const READ_AT_THE_DOOR = 15;

/**
 * When a dog came into the salon, ms; `undefined` while it has not come. Who feels over a dog has not always said that it is there: then it came when its file
 * was read at the door, or, where that was read ahead, when it was due.
 */
export function hereSince(
  state: Pick<VisitState, 'arrivedMs' | 'fileReadMs' | 'arrivesAt' | 'moodFelt' | 'fit' | 'feelOverDone'>,
): number | undefined {
  const { arrivedMs, fileReadMs: read } = state;
  if (arrivedMs !== undefined || read === undefined) return arrivedMs;
  const due = state.arrivesAt === undefined ? -Infinity : Date.parse(state.arrivesAt);
  if (read >= due - READ_AT_THE_DOOR * 60_000) return read;
  return state.moodFelt || state.fit !== undefined || state.feelOverDone ? due : undefined;
}
