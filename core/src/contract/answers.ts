import * as z from 'zod';
import { NO_ZONE } from '../days/index.js';
import type { LastFound } from '../findings/index.js';
import { DOG_FORM, WARNED } from '../knowledge/dogs/index.js';
import { HOUSE_DEFAULTS } from '../knowledge/house-rules/index.js';
import { STORED_EVENT } from '../log/index.js';
import type { VisitSummary } from '../visit/index.js';
import {
  ACTIVITIES,
  DOG_KINDS,
  COATS,
  MARK_BORDERS,
  MARK_KINDS,
  MARK_SURFACES,
  NOTE_KINDS,
  PHOTO_KINDS,
  ROLES,
  WEIGHED_BY,
  ZONE_IDS,
  HAND_LIMITS,
  USUAL_FORMATS,
  USUAL_PRICE_RULE,
} from '../words/index.js';
import { OWNER_FORM } from './dog-requests.js';
import { BLADES_OWNED, HOUSE_RULES } from './house-rules.js';
import { FORMATS, HAND_WEAR_LIMITS, NO_OPENING, OPENING, PRICE_RULE, SALON_POST } from './salon-page.js';

/** What the server answers. The browser checks it too: an answer from another version is an error, not a surprise. */
export const STAFF = z.object({
  staffId: z.uuid(),
  name: z.string(),
  role: z.enum(ROLES),
  trained: z.boolean(),
  /** No longer of the salon: named where they did something, and given nothing new. */
  left: z.boolean().default(false),
});
export type Staff = z.infer<typeof STAFF>;

export const SALON = z.object({
  salonId: z.uuid(),
  name: z.string(),
  vetName: z.string(),
  vetPhone: z.string(),
  currency: z.string().length(3),
  ratePerMinuteMinor: z.number().int().min(0),
  /** Left out by answers kept from earlier versions. */
  house: HOUSE_RULES.default(HOUSE_DEFAULTS),
  bladesOwned: BLADES_OWNED.default(null),
  /** The place whose clock counts, IANA. */
  timeZone: z.string().default(NO_ZONE),
  opening: OPENING.default(NO_OPENING),
  posts: z.array(SALON_POST).default([]),
  priceRule: PRICE_RULE.default(USUAL_PRICE_RULE),
  formats: FORMATS.default(USUAL_FORMATS),
  handLimits: HAND_WEAR_LIMITS.default(HAND_LIMITS),
  /** Counts up with each change of the salon's page. */
  version: z.int().default(1),
});
export type Salon = z.infer<typeof SALON>;

export const SESSION = z.object({
  signedIn: z.object({ staff: STAFF, salon: SALON, csrf: z.string() }).nullable(),
  firstRun: z.boolean(),
  demoLogins: z.array(z.object({ login: z.string(), password: z.string(), name: z.string(), role: z.enum(ROLES) })),
});
export type Session = z.infer<typeof SESSION>;

/** Summaries are written by `summarize` and read by nobody else: their shape is not checked again. */
const summary = z.custom<VisitSummary>((x) => typeof x === 'object' && x !== null && 'phase' in x && 'curve' in x);

const DOG_NOTE = z.object({
  noteId: z.uuid(),
  kind: z.enum(NOTE_KINDS),
  text: z.string(),
  saidBy: z.string(),
  saidOn: z.iso.date(),
});
const MARK_SEEN = z.object({
  markId: z.uuid(),
  visitId: z.uuid(),
  seenOn: z.iso.date(),
  zone: z.enum(ZONE_IDS),
  lengthMm: z.number(),
  widthMm: z.number(),
  border: z.enum(MARK_BORDERS),
  surface: z.enum(MARK_SURFACES),
  kind: z.enum(MARK_KINDS).optional(),
  spot: z.tuple([z.number(), z.number()]).optional(),
});
export type MarkSeen = z.infer<typeof MARK_SEEN>;
const PAST_VISIT = z.object({ visitId: z.uuid(), arrivesAt: z.iso.datetime(), groomer: z.string(), summary });
export type PastVisit = z.infer<typeof PAST_VISIT>;
const WEIGHT_SEEN = z.object({ on: z.iso.date(), kg: z.number(), by: z.enum(WEIGHED_BY) });
const PHOTO = z.object({
  photoId: z.uuid(),
  takenOn: z.iso.date(),
  kind: z.enum(PHOTO_KINDS),
  zone: z.enum(ZONE_IDS).nullable(),
  visitId: z.uuid().nullable(),
  width: z.number().int(),
  height: z.number().int(),
});
export type Photo = z.infer<typeof PHOTO>;
/** Largest picture that is taken in, bytes. */
export const PHOTO_MAX_BYTES = 10 * 1024 * 1024;

export const DOG_FILE = z.object({
  dogId: z.uuid(),
  version: z.number().int(),
  dog: DOG_FORM,
  owner: OWNER_FORM.extend({ ownerId: z.uuid(), version: z.number().int().default(1) }),
  archived: z.boolean().default(false),
  /** The file this one was merged into, when it was. */
  mergedInto: z.uuid().nullable().default(null),
  /** Other files of the same dog, read as part of this one. */
  merged: z.array(z.object({ dogId: z.uuid(), name: z.string(), owner: z.string() })).default([]),
  weights: z.array(WEIGHT_SEEN).default([]),
  /** Marks that a vet has seen, as told, with the day. */
  vetSeen: z.array(z.object({ markId: z.uuid(), on: z.iso.date() })).default([]),
  photos: z.array(PHOTO).default([]),
  notes: z.array(DOG_NOTE),
  visits: z.array(PAST_VISIT),
  marks: z.array(MARK_SEEN),
});
export type DogFile = z.infer<typeof DOG_FILE>;

export const DOG_LIST = z.object({
  dogs: z.array(
    z.object({
      dogId: z.uuid(),
      name: z.string(),
      owner: z.string(),
      born: z.string(),
      coat: z.enum(COATS),
      weightKg: z.number(),
      lastVisit: z.string().nullable(),
      archived: z.boolean().default(false),
      phone: z.string().default(''),
    }),
  ),
});
export type DogList = z.infer<typeof DOG_LIST>;

/** A tag on the lead wall. */
const TODAY_VISIT = z.object({
  visitId: z.uuid(),
  dogId: z.uuid(),
  arrivesAt: z.iso.datetime(),
  groomerId: z.uuid(),
  dog: DOG_FORM,
  visitsBefore: z.number().int(),
  /** A growl, snap or bite that still counts; left out by answers kept from earlier versions. */
  warned: WARNED.nullable().default(null),
  /** How far its log had come; what is new is asked for from here. */
  cursor: z.number().int().default(0),
  /** Changes with anything here but its events. */
  tag: z.string().default(''),
  events: z.array(STORED_EVENT),
});
export type TodayVisit = z.infer<typeof TODAY_VISIT>;
export const TODAY = z.object({ day: z.iso.date(), visits: z.array(TODAY_VISIT), staff: z.array(STAFF) });
export type Today = z.infer<typeof TODAY>;

/** What is new of today for whoever says what it has: visits in their order, each only with what changed. */
export const TODAY_NEWS = z.object({
  day: z.iso.date(),
  visits: z.array(
    z.object({
      visitId: z.uuid(),
      cursor: z.number().int(),
      tag: z.string(),
      /** All but its events, when that is not what was had. */
      row: TODAY_VISIT.omit({ visitId: true, cursor: true, tag: true, events: true }).optional(),
      /** Those after the cursor that was had. */
      events: z.array(STORED_EVENT).default([]),
    }),
  ),
  staff: z.array(STAFF),
});
export type TodayNews = z.infer<typeof TODAY_NEWS>;

/** What a browser has of today, as it says it in an address: `visit.cursor.tag`, one after another with commas between. */
export const HAS_OF_TODAY = z
  .string()
  .max(16_000)
  .transform((text): unknown =>
    text === ''
      ? []
      : text.split(',').map((one) => {
          const [visitId, cursor, tag] = one.split('.');
          return { visitId, cursor: Number(cursor), tag };
        }),
  )
  .pipe(z.array(z.object({ visitId: z.uuid(), cursor: z.number().int().min(0), tag: z.string().max(40) })));
export type HasOfToday = z.infer<typeof HAS_OF_TODAY>;
/** The other way round. */
export const sayHasOfToday = (has: HasOfToday): string => has.map((h) => `${h.visitId}.${h.cursor}.${h.tag}`).join(',');

/** Everything a visit's screens need, so that they work with the network off. */
export const VISIT_CONTEXT = z.object({
  visitId: z.uuid(),
  file: DOG_FILE,
  staff: z.array(STAFF),
  salon: SALON,
  events: z.array(STORED_EVENT),
  /** How far the log had come: what is new is asked for from here. */
  cursor: z.number().int().default(0),
  /** Ids of entries that the server could not read: they are in the log and not in {@link events}. */
  unreadable: z.array(z.string()).default([]),
  /** What the hands found the last time, from the log of that visit. */
  lastFound: z
    .custom<LastFound>((x) => typeof x === 'object' && x !== null && 'feelOver' in x)
    .nullable()
    .default(null),
  /** How fast the groomer of this visit is, over past visits. */
  pace: z.array(z.object({ activity: z.enum(ACTIVITIES), ratio: z.number().gt(0), visits: z.number().int() })).default([]),
  /** What the salon's other dogs say of each kind of work. */
  pool: z
    .array(
      z.object({
        work: z.enum(ACTIVITIES),
        shift: z.number(),
        variance: z.number().min(0),
        dogs: z.number().int(),
        counts: z.number().min(0).max(1),
      }),
    )
    .default([]),
  /** What its dogs of each kind say of all work. */
  kindPool: z
    .array(
      z.object({
        kind: z.enum(DOG_KINDS),
        shift: z.number(),
        variance: z.number().min(0),
        dogs: z.number().int(),
        counts: z.number().min(0).max(1),
      }),
    )
    .default([]),
});
export type VisitContext = z.infer<typeof VISIT_CONTEXT>;

export const EVENT_BATCH = z.object({
  events: z.array(z.unknown()).min(1).max(500),
  /** The device's clock when it sent them, Unix ms: what it is off by is put right in their times. */
  deviceNow: z.number().finite().optional(),
});
export const BATCH_TAKEN = z.object({
  stored: z.array(z.uuid()),
  known: z.array(z.uuid()),
  /** Those whose time was put right, as they are stored. */
  timed: z.array(STORED_EVENT).default([]),
});
/** The events of a visit after a cursor, and the cursor to ask with next: how far this visit's log had come. */
export const EVENTS_ANSWER = z.object({ events: z.array(STORED_EVENT), cursor: z.number().int().default(0) });
export const NEW_ID = z.object({ id: z.uuid() });
/** A device has a visit open, or leaves it. */
export const HERE_FORM = z.strictObject({ device: z.string().min(1).max(64), leaves: z.boolean() });
/** A line of the live stream: who has a visit open, on which device. */
export const HERE_LINE = z.object({ visitId: z.uuid(), staffId: z.uuid(), device: z.string(), leaves: z.boolean() });
export type HereLine = z.infer<typeof HERE_LINE>;
/** A line of the live stream: something was added to this visit. */
export const LIVE_LINE = z.object({ visitId: z.uuid() });
