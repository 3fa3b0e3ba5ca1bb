import * as z from 'zod';
import {
  BITE_LEVELS,
  CLOSING_LINES,
  HARM_DEGREES,
  HEALING_LOOKS,
  INCIDENT_FACTORS,
  INCIDENT_KINDS,
  INCIDENT_LOOKS,
  SERVICE_ITEMS,
  TOLD_HOW,
  TOOL_KINDS,
  ZONE_IDS,
} from '../../words/index.js';
import { hourOfDay, id, longText, minutes, shortText } from './fields.js';

/** Which line of the owner's account: `found.mark.<id>`, `own.<id>`. */
const accountKey = z
  .string()
  .regex(/^[a-z_]+(\.[\w@:-]+)*$/)
  .max(120);

/** What an incident comes to: told at once, calmly afterwards, or days later. */
const more = {
  kind: z.enum(INCIDENT_KINDS).optional(),
  harm: z.enum(HARM_DEGREES).optional(),
  zone: z.enum(ZONE_IDS).optional(),
  what: longText.optional(),
  /** Left out by versions that did not ask, as all that follows. */
  tool: z.enum(TOOL_KINDS).optional(),
  /** Length and width of what is seen, mm. */
  sizeMm: z.tuple([z.number().gt(0).max(300), z.number().gt(0).max(300)]).optional(),
  look: z.enum(INCIDENT_LOOKS).optional(),
  bite: z.union(BITE_LEVELS.map((l) => z.literal(l))).optional(),
  /** Who was hurt or saw it, where it was a person. */
  who: shortText.optional(),
  /** What was done, and when on the salon's clock. */
  did: longText.optional(),
  didAt: hourOfDay.optional(),
  /** What a vet or doctor was asked, and what they said. */
  vet: longText.optional(),
  factors: z.array(z.enum(INCIDENT_FACTORS)).max(INCIDENT_FACTORS.length).optional(),
  /** What would have prevented it. */
  prevented: longText.optional(),
  /** What is changed now, who sees to it, and until when. */
  action: longText.optional(),
  actionBy: shortText.optional(),
  actionUntil: z.iso.date().optional(),
};

/** What comes after the work: incidents completed, the account, the end, and what is due. */
export const AFTER_EVENTS = {
  incident_more: z
    .strictObject({ incidentId: id, ...more })
    .describe('More of an incident: what was not said at once, or is said otherwise now. The record keeps both.'),
  owner_told: z
    .strictObject({ incidentId: id, name: shortText, how: z.enum(TOLD_HOW), said: longText })
    .describe('The owner was told of an incident: who, how, and what was said.'),
  closing_skipped: z
    .strictObject({ line: z.enum(CLOSING_LINES), why: shortText })
    .describe('A line of the closing list was not done, and why; the owner is told.'),
  account_line: z
    .strictObject({ line: accountKey, text: longText.nullable() })
    .describe(
      'A sentence of the owner’s account in other words, or one of our own; `null` leaves it out, an empty text takes the change back.',
    ),
  next_visit: z
    .strictObject({
      visitId: id,
      on: z.iso.date(),
      at: hourOfDay,
      sessionMinutes: minutes,
      items: z.array(z.enum(SERVICE_ITEMS)).max(SERVICE_ITEMS.length),
    })
    .describe('The next visit was booked: its own id, day, hour, and what for.'),
  reopened: z.strictObject({ why: shortText }).describe('A visit that was closed is open again, and why.'),
  healing_seen: z
    .strictObject({ incidentId: id, look: z.enum(HEALING_LOOKS) })
    .describe('How the place of an incident of an earlier visit looks today.'),
  follow_up_done: z
    .strictObject({ followUp: z.string().max(80), says: longText })
    .describe('What was due after the visit was done: what came of it.'),
} as const;
