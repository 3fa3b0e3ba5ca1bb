import * as z from 'zod';
import { RUNNING_PARTS, RUNNING_STATES } from '../running/index.js';

/** A backup that was begun: whether it was taken, and what was said of it. */
export const LAST_BACKUP = z.object({ begunAt: z.iso.datetime(), endedAt: z.iso.datetime(), ok: z.boolean(), says: z.string() });

/** How the product runs, for the lead: what each part comes to, and what is known of it. */
export const RUNNING = z.object({
  parts: z.record(z.enum(RUNNING_PARTS), z.enum(RUNNING_STATES)),
  /** `null`: none was begun yet; left out: nobody takes any here. */
  backup: LAST_BACKUP.nullable().optional(),
  disk: z.object({ freeBytes: z.number(), bytes: z.number() }),
  messages: z.object({ waiting: z.int(), givenUp: z.int(), unsure: z.int(), waitingSince: z.iso.datetime().nullable() }),
  /** Whoever entered something in the last two days, by device. */
  devices: z.array(z.object({ device: z.string(), who: z.string(), heardAt: z.iso.datetime(), minutesLate: z.number() })),
  trouble: z.object({ errors: z.int(), slow: z.int(), slowestMs: z.number(), since: z.iso.datetime() }),
});
export type Running = z.infer<typeof RUNNING>;
