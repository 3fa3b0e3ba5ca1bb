import type { Appliers } from './appliers.js';
import { endBreak, finishStep, plannedPieces } from './work-state.js';
/** What went wrong, what is remembered, how it ended. */
export const APPLY_ENDING: Appliers<'photo_taken' | 'noted' | 'visit_ended' | 'handed_back' | 'voided'> = {
  photo_taken: (s, { body }, atMs) => {
    s.photos.push({ ...body, atMs });
  },
  noted: (s, e, atMs) => {
    s.notes.push({ eventId: e.id, text: e.body.text, by: e.by, atMs });
  },
  visit_ended: (s, e, atMs) => {
    if (s.work) {
      if (s.work.running)
        finishStep(s.work, s.work.running, plannedPieces(s, s.work.running), e.body.outcome === 'finished' ? 'done' : 'part', '');
      endBreak(s.work);
      s.work.endedMs = atMs;
    }
    s.ended = { outcome: e.body.outcome, why: e.body.why, atMs };
  },
  handed_back: (s, e, atMs) => {
    s.handedBack = { toldTo: e.body.toldTo, nextVisit: e.body.nextVisit ?? undefined, vetAdvised: e.body.vetAdvised, atMs };
  },
  voided: () => undefined,
};
