import * as z from 'zod';
import { AFTER_EVENTS } from './families/after.js';
import { AGREEMENT_EVENTS } from './families/agreement.js';
import { BOOKING_EVENTS } from './families/booking.js';
import { FINDING_EVENTS } from './families/findings.js';
import { PLAN_EVENTS } from './families/plan.js';
import { WORK_EVENTS } from './families/work.js';

/** Version of the schemas below, written into each event. Older ones are lifted when read, never rewritten: see `lift.ts`. */
export const EVENT_VERSION = 3;

/** The body of each event type, by family; its description is its line in the docs. Types, contract and docs all come from here. */
const BODIES = { ...BOOKING_EVENTS, ...FINDING_EVENTS, ...AGREEMENT_EVENTS, ...PLAN_EVENTS, ...WORK_EVENTS, ...AFTER_EVENTS } as const;

export type EventType = keyof typeof BODIES;
const isEventType = (key: string): key is EventType => key in BODIES;
export const EVENT_TYPES: readonly EventType[] = Object.keys(BODIES).filter(isEventType);

/** What every event carries beside its type and body. */
const ENVELOPE = z.strictObject({
  /** UUIDv7 made on the device, so that sending twice stores once. */
  id: z.uuidv7(),
  visitId: z.uuid(),
  /** When it happened, by the clock of the device as far as that is right. Durations come from it; order comes from the stamp. */
  at: z.iso.datetime(),
  /** Staff id. */
  by: z.uuid(),
  stamp: z.strictObject({
    wallMs: z
      .number()
      .int()
      .min(0)
      .max(2 ** 48 - 1),
    counter: z
      .number()
      .int()
      .min(0)
      .max(2 ** 31 - 1),
    device: z.string().min(1).max(64),
  }),
  v: z.literal(EVENT_VERSION),
  /** The id of the first event of what was done at one stroke, where that wrote several: they are taken back together. */
  act: z.uuidv7().optional(),
  /** The device's clock was wrong: its time was put right by the measured offset, or is that of its arrival. The server says so; `judge-time.ts`. */
  timed: z.enum(['by_offset', 'by_arrival']).optional(),
});

export type EventBody<T extends EventType> = z.infer<(typeof BODIES)[T]>;
export type VisitEventOf<T extends EventType> = z.infer<typeof ENVELOPE> & { type: T; body: EventBody<T> };
export type VisitEvent = { [T in EventType]: VisitEventOf<T> }[EventType];
/** A type with its body: what a screen hands to the visit log, which adds id, time, stamp and hand. */
export type EventDraft = { [T in EventType]: { type: T; body: EventBody<T> } }[EventType];
export type PlanRecord = EventBody<'plan_accepted'>['plan'];
export type PlannedStepRecord = PlanRecord['steps'][number];
export type PlannedPieceRecord = PlannedStepRecord['pieces'][number];
/** What was told when a plan was taken: minutes and chances. */
export type PlanTold = NonNullable<EventBody<'plan_accepted'>['told']>;

/** Bodies as the compiler reads them quickest: what they are made of is not needed here. */
const bodyOf: (type: EventType) => z.core.$ZodType = (type) => BODIES[type];
const [first, ...others] = EVENT_TYPES.map((type) => ENVELOPE.extend({ type: z.literal(type), body: bodyOf(type) }));
if (!first) throw new Error('there are no events');
/**
 * One schema for every event, made from the table above. It reads each type with its own body, which TypeScript cannot follow through a
 * list; a spec holds every type against it.
 */
export const VISIT_EVENT = z.discriminatedUnion('type', [first, ...others]) as unknown as z.ZodType<VisitEvent>;

/** One line per event type for the docs. */
export function eventTypeLines(): { type: EventType; says: string; fields: string[] }[] {
  return EVENT_TYPES.map((type) => ({ type, says: BODIES[type].description ?? '', fields: Object.keys(BODIES[type].shape) }));
}
