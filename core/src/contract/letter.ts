import * as z from 'zod';
import { ZONE_IDS } from '../words/index.js';

/** A letter to a vet or a report of an incident: the same data makes the page and the file. */
export const LETTER = z.object({
  kind: z.enum(['vet_letter', 'incident_report']),
  title: z.string(),
  madeOn: z.iso.date(),
  salon: z.object({ name: z.string() }),
  to: z.string(),
  dog: z.object({ name: z.string(), born: z.string(), weightKg: z.number(), owner: z.string(), phone: z.string() }),
  visit: z.object({ on: z.iso.date(), groomer: z.string() }),
  sections: z.array(z.object({ heading: z.string(), lines: z.array(z.string()) })),
  marks: z.array(
    z.object({
      zone: z.enum(ZONE_IDS),
      place: z.string(),
      spot: z.tuple([z.number(), z.number()]).nullable(),
      seen: z.array(z.object({ on: z.iso.date(), lengthMm: z.number(), widthMm: z.number() })),
      /** In words, as measured; empty where it was measured once. */
      growth: z.string(),
    }),
  ),
  places: z.array(z.object({ zone: z.enum(ZONE_IDS), as: z.enum(['hurt', 'found', 'mat']) })),
});
export type Letter = z.infer<typeof LETTER>;
