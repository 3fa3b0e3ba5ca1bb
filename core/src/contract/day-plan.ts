import * as z from 'zod';
import { BOOKING_OFF, formProblem, PHASES } from '../words/index.js';
import { PERSON } from './salon-page.js';

const ID = z.string().min(1).max(80);
const MINUTE = z
  .number()
  .min(0)
  .max(48 * 60);
const CHANCE = z.number().min(0).max(1);

const PLACED = z.object({
  dog: z.uuid(),
  block: z.int().min(0),
  stretch: z.int().min(0),
  from: MINUTE,
  to: MINUTE,
  person: z.uuid().optional(),
  helper: z.uuid().optional(),
  post: ID.optional(),
});

/** What somebody has put by hand: with whom, and from which minute of the day. */
const PUT = z.object({ visitId: z.uuid(), person: z.uuid().optional(), from: MINUTE.optional() });
export type PutByHand = z.infer<typeof PUT>;

/** What was told of a dog with the plan: minutes of the day, and the chance that it is ready when its owner comes. */
const TOLD_READY = z.object({ visitId: z.uuid(), ready: MINUTE, readyLate: MINUTE, wished: MINUTE.nullable(), inTime: CHANCE.nullable() });

/** The plan of a day as the lead has taken it. */
const KEPT = {
  schedule: z.object({
    stretches: z.array(PLACED).max(1_000),
    breaks: z.array(z.object({ person: z.uuid(), from: MINUTE, to: MINUTE })).max(100),
    unplaced: z.array(z.string().max(80)).max(200),
  }),
  put: z.array(PUT).max(200),
  told: z.array(TOLD_READY).max(200),
  /** That everybody is done by closing. */
  inTime: CHANCE,
};
export const DAY_PLAN_FORM = z.strictObject({ ...KEPT, day: z.iso.date(), version: z.int().min(0) });
export type DayPlanForm = z.infer<typeof DAY_PLAN_FORM>;
export const DAY_PLAN = z.object({ ...KEPT, version: z.int(), madeAt: z.iso.datetime(), madeBy: z.uuid() });
export type KeptDayPlan = z.infer<typeof DAY_PLAN>;

/** Whoever works in the salon, as a day needs them. */
export const DAY_PERSON = PERSON.pick({
  staffId: true,
  name: true,
  role: true,
  trained: true,
  week: true,
  breaks: true,
  off: true,
  limits: true,
  hands: true,
});
export type SalonPerson = z.infer<typeof DAY_PERSON>;

/** A visit as the book of a day has it. */
export const BOOKED_VISIT = z.object({
  visitId: z.uuid(),
  dogId: z.uuid(),
  dog: z.string(),
  weightKg: z.number(),
  owner: z.string(),
  phone: z.string(),
  groomerId: z.uuid(),
  arrivesAt: z.iso.datetime(),
  /** Until it is fetched, and how much of that is known: the spread of the dog's own visits, logarithmic; `null` where it has none. */
  minutes: z.number(),
  spread: z.number().nullable(),
  phase: z.enum([...PHASES, 'gone', 'off']),
  /** How it came that it is not held. */
  off: z.enum(BOOKING_OFF).nullable(),
});
export type BookedVisit = z.infer<typeof BOOKED_VISIT>;

export const BOOK_ASKED = z.object({ from: z.iso.date(), to: z.iso.date() });
export const BOOK = z.object({ people: z.array(DAY_PERSON), visits: z.array(BOOKED_VISIT) });
export type Book = z.infer<typeof BOOK>;
export const DAY_PLAN_ASKED = z.object({ day: z.iso.date() });
export const DAY_PLAN_ANSWER = z.object({ kept: DAY_PLAN.nullable() });

/** A message that a dog will be ready later. */
export const TELL_LATER = z.strictObject({ text: z.string().trim().min(1).max(600) });

/** A dog whose next visit is due and not booked. */
const OVERDUE = z.object({
  dogId: z.uuid(),
  dog: z.string(),
  owner: z.string(),
  phone: z.string(),
  lastOn: z.iso.date(),
  dueOn: z.iso.date(),
  says: z.string(),
});
export const OVERDUE_LIST = z.object({ dogs: z.array(OVERDUE) });
export type OverdueDog = z.infer<typeof OVERDUE>;

/** Somebody waits for a place: which dog, between which days, and what to mind. */
export const WAITING_FORM = z
  .strictObject({ dogId: z.uuid(), from: z.iso.date(), to: z.iso.date(), note: z.string().trim().max(300) })
  .refine((w) => w.from <= w.to, { path: ['to'], message: formProblem('form.ends_before') });
export type WaitingForm = z.infer<typeof WAITING_FORM>;
const WAITING = z.object({
  wishId: z.uuid(),
  dogId: z.uuid(),
  dog: z.string(),
  owner: z.string(),
  phone: z.string(),
  from: z.iso.date(),
  to: z.iso.date(),
  note: z.string(),
  madeAt: z.iso.datetime(),
});
export const WAITING_LIST = z.object({ waiting: z.array(WAITING) });
export type WaitingDog = z.infer<typeof WAITING>;

/** A calendar of the salon's bookings that is read by its address: whose, and when it was read last. */
const FEED = z.object({
  feedId: z.uuid(),
  /** `null`: of everybody. */
  staffId: z.uuid().nullable(),
  madeAt: z.iso.datetime(),
  readAt: z.iso.datetime().nullable(),
});
export const FEEDS = z.object({ feeds: z.array(FEED) });
export type Feed = z.infer<typeof FEED>;
export const FEED_FORM = z.strictObject({ staffId: z.uuid().nullable() });
/** Its address is told once. */
export const NEW_FEED = z.object({ feedId: z.uuid(), url: z.string() });
export type NewFeed = z.infer<typeof NEW_FEED>;
