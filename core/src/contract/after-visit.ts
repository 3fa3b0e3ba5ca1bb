import * as z from 'zod';
import { ACCOUNT_SECTIONS, FOLLOW_UP_KINDS, STRAIN_BANDS, ZONE_IDS } from '../words/index.js';

const TOLD_LINE = z.object({
  key: z.string(),
  section: z.enum(ACCOUNT_SECTIONS),
  text: z.string(),
  recorded: z.string(),
  as: z.enum(['recorded', 'changed', 'left_out', 'own']),
  stands: z.enum(['vet', 'hurt']).nullable().default(null),
});

/** What an owner is told of a visit, as it stood when it was closed. */
export const TOLD_ACCOUNT = z.object({
  lines: z.array(TOLD_LINE),
  picture: z.array(z.object({ from: z.number(), to: z.number(), band: z.enum(STRAIN_BANDS), rest: z.boolean() })),
  minutes: z.number(),
  /** Places that are lit on the drawing: hurt, found, or left. */
  places: z.array(z.object({ zone: z.enum(ZONE_IDS), as: z.enum(['hurt', 'found', 'mat']) })).default([]),
});
export type ToldAccount = z.infer<typeof TOLD_ACCOUNT>;

export const MESSAGE_STATES = ['waiting', 'sending', 'sent', 'unsure', 'given_up'] as const;
/** `unsure`: it was handed over when the machine stopped; it may have arrived, and is not sent again by itself. */
export type MessageState = (typeof MESSAGE_STATES)[number];

const MESSAGE = z.object({
  messageId: z.uuid(),
  channel: z.enum(['text', 'mail']).default('text'),
  to: z.string(),
  /** Number or address. */
  phone: z.string(),
  subject: z.string().default(''),
  text: z.string(),
  sentAt: z.iso.datetime(),
  state: z.enum(MESSAGE_STATES).default('sent'),
  tries: z.number().int().default(1),
  /** Why the last try came to nothing; empty when it did not. */
  trouble: z.string().default(''),
  visitId: z.uuid().nullable().default(null),
});
export const MESSAGES = z.object({ messages: z.array(MESSAGE) });
export type Message = z.infer<typeof MESSAGE>;

/** What is kept of a visit once it is over, beside its log. */
export const AFTER_VISIT = z.object({
  account: z
    .object({
      told: TOLD_ACCOUNT,
      version: z.number().int(),
      madeAt: z.iso.datetime(),
      changedBy: z.enum(['closing', 'late_entry', 'reopened']),
    })
    .nullable(),
  messages: z.array(MESSAGE),
});
export type AfterVisit = z.infer<typeof AFTER_VISIT>;

/** The account goes to its owner: by mail, by text with a link, or as a link alone. */
export const SEND_ACCOUNT = z.strictObject({
  way: z.enum(['mail', 'text', 'link']),
  toName: z.string().trim().min(1).max(60),
  /** Number or address; not needed for a link alone. */
  to: z.string().trim().max(120).default(''),
});
export type SendAccount = z.infer<typeof SEND_ACCOUNT>;

/** Something that is due after a visit. */
const DUE = z.object({
  visitId: z.uuid(),
  dogId: z.uuid(),
  dog: z.string(),
  owner: z.string(),
  phone: z.string(),
  key: z.string(),
  kind: z.enum(FOLLOW_UP_KINDS),
  dueOn: z.iso.date(),
  visitOn: z.iso.date(),
  says: z.array(z.string()),
});
export const DUE_LIST = z.object({ due: z.array(DUE) });
export type Due = z.infer<typeof DUE>;

/** What is booked on a day with the same hands, minutes from midnight where the salon is; and what is booked ahead for a dog. */
const MINUTES = z.object({ from: z.number(), to: z.number() });
/** What is taken of somebody's day, and when they work on it: `null`, not at all. Minutes from midnight. */
export const DAY_TAKEN = z.object({ taken: z.array(MINUTES), works: MINUTES.nullable() });
export const DAY_ASKED = z.object({ on: z.iso.date(), groomerId: z.uuid() });
export const BOOKED_AHEAD = z.object({
  visits: z.array(z.object({ visitId: z.uuid(), dogId: z.uuid(), arrivesAt: z.iso.datetime(), groomer: z.string() })),
});

export type BookedAhead = z.infer<typeof BOOKED_AHEAD>['visits'][number];

/** A line for the till: this is no invoice. */
export const TILL = z.object({
  lines: z.array(
    z.object({
      visitId: z.uuid(),
      on: z.iso.date(),
      dog: z.string(),
      owner: z.string(),
      what: z.string(),
      minutes: z.number(),
      priceMinor: z.number().int(),
      currency: z.string().length(3),
      agreedBy: z.string(),
    }),
  ),
});
export type Till = z.infer<typeof TILL>;
export const TILL_ASKED = z.object({ from: z.iso.date(), to: z.iso.date() });
