import { dayOf, NO_ZONE } from '../../days/index.js';
import type { Appliers } from './appliers.js';
/** Who comes, what is asked for, who has the dog. */
export const APPLY_BOOKING: Appliers<
  'visit_booked' | 'booking_moved' | 'booking_off' | 'late_told' | 'ready_told' | 'dog_arrived' | 'asked_changed' | 'hands_changed'
> = {
  visit_booked: (s, { body }) => {
    s.dogId = body.dogId;
    s.groomerId = body.groomerId;
    s.handsId = body.groomerId;
    s.arrivesAt = body.arrivesAt;
    s.day = dayOf(body.arrivesAt, body.zone ?? NO_ZONE);
    s.asked = body.asked;
    s.helperThere = body.helperThere;
  },
  booking_moved: (s, { body }) => {
    // Who has it in hand by then has it: a booking says nothing of that.
    if (s.handsId === s.groomerId && !s.work) s.handsId = body.groomerId;
    s.groomerId = body.groomerId;
    s.arrivesAt = body.arrivesAt;
    s.day = dayOf(body.arrivesAt, body.zone);
    s.expectedAt = undefined;
    s.off = undefined;
  },
  booking_off: (s, { body, by }, atMs) => {
    // What was begun ends as a visit does.
    if (!s.work && !s.ended) s.off = { ...body, atMs, by };
  },
  late_told: (s, { body }) => {
    s.expectedAt = body.expectedAt;
  },
  ready_told: (s, { body }) => {
    s.readyToldAt = body.readyAt;
  },
  dog_arrived: (s, _e, atMs) => {
    s.arrivedMs ??= atMs;
    s.expectedAt = undefined;
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
