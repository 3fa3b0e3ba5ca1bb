import { dayOf, NO_ZONE } from '../../days/index.js';
import type { Appliers } from './appliers.js';
/** Who comes, what is asked for, who has the dog. */
export const APPLY_BOOKING: Appliers<'visit_booked' | 'asked_changed' | 'hands_changed'> = {
  visit_booked: (s, { body }) => {
    s.dogId = body.dogId;
    s.groomerId = body.groomerId;
    s.handsId = body.groomerId;
    s.arrivesAt = body.arrivesAt;
    s.day = dayOf(body.arrivesAt, body.zone ?? NO_ZONE);
    s.asked = body.asked;
    s.helperThere = body.helperThere;
  },
  asked_changed: (s, { body }) => {
    s.asked = body.asked;
    s.helperThere = body.helperThere;
    s.helperWindows = body.helperWindows ?? (body.helperMinutes ? [body.helperMinutes] : []);
  },
  hands_changed: (s, { body }) => {
    s.handsId = body.staffId;
  },
};
