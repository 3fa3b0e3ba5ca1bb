import * as z from 'zod';
import { isZone } from '../days/index.js';
import {
  CLOCK_FORMS,
  DATE_FORMS,
  formProblem,
  LENGTH_UNITS,
  ROLES,
  SALON_POSTS,
  TEMPERATURE_UNITS,
  WEEKDAYS,
  WEIGHT_UNITS,
} from '../words/index.js';

/** A time on the salon's clock, `HH:MM`. */
export const CLOCK_TIME = z.string().regex(/^([01]\d|2[0-3]):[0-5]\d$/, formProblem('form.time_missing'));
const DAY = z.iso.date(formProblem('form.day_missing'));

/** From one time to a later one of the same day. */
export const HOURS = z
  .strictObject({ from: CLOCK_TIME, to: CLOCK_TIME })
  .refine((h) => h.from < h.to, { path: ['to'], message: formProblem('form.ends_before') });
export type Hours = z.infer<typeof HOURS>;

/** Hours of a week, Monday first; `null`: not on that day. */
export const WEEK = z.array(HOURS.nullable()).length(WEEKDAYS.length);
export type Week = z.infer<typeof WEEK>;

/** Days that are off, from the first to the last of them. */
export const DAYS_OFF = z
  .strictObject({ from: DAY, to: DAY })
  .refine((d) => d.from <= d.to, { path: ['to'], message: formProblem('form.ends_before') });
export type DaysOff = z.infer<typeof DAYS_OFF>;

const USUAL_DAY: Hours = { from: '09:00', to: '17:00' };
/** Until a salon has said its own. Our default. */
export const USUAL_WEEK: Week = WEEKDAYS.map((d) => (d === 'sunday' ? null : USUAL_DAY));

export const OPENING = z.object({ week: WEEK, closed: z.array(DAYS_OFF).max(100) });
export type Opening = z.infer<typeof OPENING>;
export const NO_OPENING: Opening = { week: USUAL_WEEK, closed: [] };

/** A table, tub, dryer or resting place, and the room it stands in: what is loud in a room is heard all over it. */
export const SALON_POST = z.strictObject({
  postId: z.uuid(),
  kind: z.enum(SALON_POSTS),
  name: z.string().trim().min(1, formProblem('form.name_missing')).max(40),
  room: z.string().trim().min(1, formProblem('form.room_missing')).max(40),
});
export type SalonPostOf = z.infer<typeof SALON_POST>;

/** What hands do in a day at most: minutes, and kilograms lifted. Nobody does more than that in any day. */
const MINUTES_OF_HANDS = z.int().min(10).max(600);
const KG_OF_HANDS = z.number().min(10).max(2000);
export const HAND_WEAR_LIMITS = z.strictObject({
  clip: MINUTES_OF_HANDS,
  brush: MINUTES_OF_HANDS,
  bent: MINUTES_OF_HANDS,
  lifted: KG_OF_HANDS,
});
/** Somebody's own, where they are lower; `null`: the house's. */
export const OWN_HAND_LIMITS = z.strictObject({
  clip: MINUTES_OF_HANDS.nullable(),
  brush: MINUTES_OF_HANDS.nullable(),
  bent: MINUTES_OF_HANDS.nullable(),
  lifted: KG_OF_HANDS.nullable(),
});
export const NO_OWN_LIMITS: z.infer<typeof OWN_HAND_LIMITS> = { clip: null, brush: null, bent: null, lifted: null };
export const OWN_HANDS_FORM = z.strictObject({ hands: OWN_HAND_LIMITS });
export type OwnHandsForm = z.infer<typeof OWN_HANDS_FORM>;

/** Minutes that cost nothing, and to what a price is rounded up, hundredths. */
export const PRICE_RULE = z.strictObject({ freeMinutes: z.int().min(0).max(120), roundMinor: z.int().min(1).max(10_000) });

/** How the salon writes numbers, times and dates. */
export const FORMATS = z.strictObject({
  length: z.enum(LENGTH_UNITS),
  weight: z.enum(WEIGHT_UNITS),
  temperature: z.enum(TEMPERATURE_UNITS),
  clock: z.enum(CLOCK_FORMS),
  date: z.enum(DATE_FORMS),
});

/** Every change names the version that it was made from: what somebody else has changed meanwhile is not written over. */
const VERSION = z.int().min(1);

export const SALON_FORM = z.strictObject({
  name: z.string().trim().min(1, formProblem('form.salon_name_missing')).max(80),
  vetName: z.string().trim().max(80),
  vetPhone: z.string().trim().max(40),
  currency: z.string().regex(/^[A-Z]{3}$/, formProblem('form.currency_unknown')),
  /** Hundredths of the currency for a minute beside the usual. */
  ratePerMinuteMinor: z.int().min(0).max(100_000),
  timeZone: z.string().trim().max(64).refine(isZone, formProblem('form.zone_unknown')),
  priceRule: PRICE_RULE,
  formats: FORMATS,
  handLimits: HAND_WEAR_LIMITS,
  version: VERSION,
});
export type SalonForm = z.infer<typeof SALON_FORM>;
export const OPENING_FORM = z.strictObject({ ...OPENING.shape, version: VERSION });
export type OpeningForm = z.infer<typeof OPENING_FORM>;
export const POSTS_FORM = z.strictObject({ posts: z.array(SALON_POST).max(60), version: VERSION });
export type PostsForm = z.infer<typeof POSTS_FORM>;

/** What somebody does not do, and never why. */
export const WORK_LIMITS = z.strictObject({
  /** Lifts nothing heavier, kg; `null`: as everybody. */
  liftKg: z.number().min(1).max(60).nullable(),
  noBiters: z.boolean(),
  noCatching: z.boolean(),
  /** Products that they do not touch. */
  products: z.string().trim().max(200),
});
export type WorkLimits = z.infer<typeof WORK_LIMITS>;
export const NO_LIMITS: WorkLimits = { liftKg: null, noBiters: false, noCatching: false, products: '' };

/** A break that is kept: so long, begun between these times. */
export const PERSON_BREAK = z
  .strictObject({ minutes: z.int().min(5).max(180), from: CLOCK_TIME, to: CLOCK_TIME })
  .refine((b) => b.from <= b.to, { path: ['to'], message: formProblem('form.ends_before') });
export type PersonBreak = z.infer<typeof PERSON_BREAK>;

const PERSON_SHAPE = {
  name: z.string().trim().min(1, formProblem('form.name_missing')).max(60),
  role: z.enum(ROLES),
  /** Trained for close blades and for guards on them. */
  trained: z.boolean(),
  /** `null`: whenever the salon is open. */
  week: WEEK.nullable(),
  breaks: z.array(PERSON_BREAK).max(4),
  off: z.array(DAYS_OFF).max(60),
  limits: WORK_LIMITS,
};
/** What they say of their own hands; nobody else changes it. */
const OWN_HANDS = OWN_HAND_LIMITS.default(NO_OWN_LIMITS);
export const PERSON_FORM = z.strictObject({ ...PERSON_SHAPE, version: VERSION });
export type PersonForm = z.infer<typeof PERSON_FORM>;

/** Somebody of the salon, as the lead and they themselves see it. */
export const PERSON = z.object({
  ...PERSON_SHAPE,
  hands: OWN_HANDS,
  version: VERSION,
  staffId: z.uuid(),
  login: z.string(),
  /** Has a password of their own. */
  hasJoined: z.boolean(),
  /** When they left, ISO; what they did stays in every record. */
  leftAt: z.iso.datetime().nullable(),
  /** Visits ahead that are booked with them. */
  visitsAhead: z.int(),
});
export type Person = z.infer<typeof PERSON>;
export const PEOPLE = z.object({ people: z.array(PERSON) });
