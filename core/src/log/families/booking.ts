import * as z from 'zod';
import { isZone } from '../../days/index.js';
import { BOOKING_OFF, SERVICE_ITEMS } from '../../words/index.js';
import { id, minutes } from './fields.js';

/** What is asked for at a visit. */
export const ASKED = z.strictObject({
  items: z.array(z.enum(SERVICE_ITEMS)).max(SERVICE_ITEMS.length),
  /** Wanted length of the body coat, mm. */
  wantedMm: z.number().gt(0).max(80),
  /** Minutes until the owner comes or the next dog is due. */
  sessionMinutes: z.number().int().min(10).max(480),
  /** When the owner will really be back, weeks; left out where nobody asked. */
  returnWeeks: z.number().int().min(1).max(104).optional(),
});

/** Nobody has to say. */
const why = z.string().trim().max(200);
const zone = z.string().max(64).refine(isZone);

/** Who comes when, and what is asked for. */
export const BOOKING_EVENTS = {
  visit_booked: z
    .strictObject({
      dogId: id,
      arrivesAt: z.iso.datetime(),
      groomerId: id,
      asked: ASKED,
      helperThere: z.boolean(),
      /** The place whose clock counts, IANA: which day the visit belongs to. UTC where earlier versions wrote none. */
      zone: zone.optional(),
    })
    .describe('A dog is expected: when, by whom, what is asked for.'),
  booking_moved: z
    .strictObject({ arrivesAt: z.iso.datetime(), groomerId: id, zone, why })
    .describe('A booked visit is on another day, at another time or with somebody else; what was off is on again.'),
  booking_off: z.strictObject({ how: z.enum(BOOKING_OFF), why }).describe('A booked visit is not held: how that came, and why.'),
  late_told: z
    .strictObject({ expectedAt: z.iso.datetime() })
    .describe('A dog comes later, or earlier, than it was booked: when it is expected now.'),
  ready_told: z
    .strictObject({ readyAt: z.iso.datetime() })
    .describe('The owner was told that the dog will be ready at another time than was said.'),
  dog_arrived: z.strictObject({}).describe('The dog is in the salon: from now on it waits, or is worked on.'),
  asked_changed: z
    .strictObject({
      asked: ASKED,
      helperThere: z.boolean(),
      /** Minutes from the start between which the helper is there, one stretch: as earlier versions wrote it. */
      helperMinutes: z.tuple([minutes, minutes]).optional(),
      /** The same in any number of stretches; the whole visit when both are left out. */
      helperWindows: z
        .array(z.tuple([minutes, minutes]))
        .max(6)
        .optional(),
    })
    .describe('The owner wants something else, or the time or the help has changed.'),
  hands_changed: z.strictObject({ staffId: id }).describe('Somebody else has the dog from now on.'),
} as const;
