import * as z from 'zod';
import { isLooked } from '../findings/index.js';
import { ACTIVITIES, BLADE_IDS, COMB_TESTS, CONSENT_IDS, DRYER_TESTS, FEEL_AREAS, FIT_SIGNS, HARM_DEGREES, HOLD_IDS, INCIDENT_KINDS, JOINT_COMFORTS, JOINTS, LEGS, LIFT_TESTS, LOOKED_FINDINGS, LOOKED_PARTS, MARK_BORDERS, MARK_SURFACES, MOODS, PLAN_WAYS, SERVICE_ITEMS, SIGNAL_IDS, SKIN_STATES, TIERS, TOLD_ITEMS, ZONE_IDS } from '../words/index.js';
import { SIGNATURE } from './signature.js';

/** Version of the schemas below, written into each event. Older ones are lifted when read, never rewritten: see `lift.ts`. */
export const EVENT_VERSION = 1;

const id = z.uuid();
const shortText = z.string().trim().min(1).max(200);
const longText = z.string().trim().max(2000);
const minutes = z
  .number()
  .min(0)
  .max(24 * 60);
/** Where the owner answered: on the salon's screen, or on a phone by a link. */
const via = z.enum(['screen', 'link', 'word']);
const asked = z.strictObject({
  items: z.array(z.enum(SERVICE_ITEMS)).max(SERVICE_ITEMS.length),
  /** Wanted length of the body coat, mm. */
  wantedMm: z.number().gt(0).max(80),
  /** Minutes until the owner comes or the next dog is due. */
  sessionMinutes: z.number().int().min(10).max(480),
});

const plannedStep = z.strictObject({
  id: z.enum(ACTIVITIES),
  label: shortText,
  zones: z.array(z.enum(ZONE_IDS)),
  tier: z.enum(TIERS),
  from: minutes,
  to: minutes,
  minutes,
  minutesRange: z.tuple([minutes, minutes]),
  breakMinutes: z.array(minutes),
  /** Minutes of the step's own work before each break, 0 for one before it begins; left out by versions that did not say. */
  breakAfter: z.array(minutes).optional(),
  ratePerMinute: z.number().min(0),
  hold: z.enum(HOLD_IDS),
  also: z.array(z.enum(HOLD_IDS)),
  blade: z.enum(BLADE_IDS).nullable(),
  guard: z.string().max(10).nullable(),
  /** The sentences as they were shown: the record of what was known. */
  cautions: z.array(z.string().max(400)),
  why: z.array(z.string().max(400)),
});

const plan = z.strictObject({
  steps: z.array(plannedStep).max(30),
  curve: z.array(z.strictObject({ minute: minutes, strain: z.number(), low: z.number(), high: z.number() })).max(600),
  minutes,
  startStrain: z.number().min(0).max(100),
  halfLifeMinutes: z.number().gt(0),
  /** Signals that mean nothing on this dog. */
  uncounted: z.array(z.enum(SIGNAL_IDS)).optional(),
  notToday: z.array(
    z.strictObject({
      what: shortText,
      to: z.enum(['vet', 'another_visit', 'left']),
      why: z.array(z.string().max(400)),
      /** Left out by versions that did not carry undone work over. */
      activity: z.enum(ACTIVITIES).optional(),
      zones: z.array(z.enum(ZONE_IDS)).optional(),
    }),
  ),
  secondVisitWeeks: z.number().min(0).nullable(),
});

const step = z.enum(ACTIVITIES);
/** What the groomer has fixed by hand. */
const wish = z.discriminatedUnion('kind', [
  z.strictObject({ kind: z.literal('place'), step, after: step.optional(), before: step.optional() }),
  z.strictObject({ kind: z.literal('require'), step }),
  z.strictObject({ kind: z.literal('forbid'), step }),
  z.strictObject({ kind: z.literal('minutes'), step, minutes: z.number().min(0.5).max(120) }),
  z.strictObject({ kind: z.literal('hold'), step, hold: z.enum(HOLD_IDS) }),
]);

/** The body of each event type; `.describe` is its line in the docs. */
const BODIES = {
  visit_booked: z
    .strictObject({ dogId: id, arrivesAt: z.iso.datetime(), groomerId: id, asked, helperThere: z.boolean() })
    .describe('A dog is expected: when, by whom, what is asked for.'),
  asked_changed: z
    .strictObject({
      asked,
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
  file_read: z.strictObject({}).describe('The dog’s file was read before the dog was touched.'),
  fit_answered: z
    .strictObject({
      signs: z.array(z.enum(FIT_SIGNS)),
      vetAgreed: z.boolean(),
      /** Meals and medicines; left out by versions that did not ask. */
      told: z.array(z.enum(TOLD_ITEMS)).optional(),
      roomCelsius: z.number().min(-10).max(50),
    })
    .describe('What is seen and told today, before any plan.'),
  zone_felt: z
    .strictObject({
      zone: z.enum(ZONE_IDS),
      comb: z.enum(COMB_TESTS),
      lift: z.enum(LIFT_TESTS),
      skin: z.enum(SKIN_STATES),
      crust: z.boolean(),
      /** The mat is tight round a limb; left out by versions that did not ask. */
      strangles: z.boolean().optional(),
    })
    .describe('Comb test, lift test, skin and crust in one zone.'),
  mark_felt: z
    .strictObject({
      markId: id,
      zone: z.enum(ZONE_IDS),
      lengthMm: z.number().gt(0).max(300),
      widthMm: z.number().gt(0).max(300),
      border: z.enum(MARK_BORDERS),
      surface: z.enum(MARK_SURFACES),
      isNew: z.boolean(),
    })
    .describe('A lump, wart, cyst, scar or sore, measured.'),
  area_felt: z
    .strictObject({ area: z.enum(FEEL_AREAS), as: z.enum(['sound', 'as_before']) })
    .describe('Both hands went over one stretch of the dog: sound but for what is written, or as the last time.'),
  part_looked: z
    .strictObject({ part: z.enum(LOOKED_PARTS), finding: z.enum(Object.values(LOOKED_FINDINGS).flat()) })
    .refine((b) => isLooked(b.part, b.finding), 'This is not found in that part.')
    .describe('Eyes, mouth, folds, ears, nails, pads, ribs, round the anus: what is seen there.'),
  weighed: z.strictObject({ kg: z.number().min(0.3).max(120) }).describe('The dog on the scale today.'),
  dryer_tested: z
    .strictObject({ zone: z.enum(ZONE_IDS), test: z.enum(DRYER_TESTS) })
    .describe('A mat under the dryer after the wash: it parts, or it stays shut.'),
  joint_felt: z.strictObject({ joint: z.enum(JOINTS), comfort: z.enum(JOINT_COMFORTS) }).describe('How far a joint goes today.'),
  leg_favoured: z.strictObject({ leg: z.enum(LEGS).nullable() }).describe('The leg it spares today, or none.'),
  mood_felt: z
    .strictObject({ mood: z.enum(MOODS) })
    .describe('How the dog is: on the table before any tool, and in a break while the work runs.'),
  bite_told: z.strictObject({ told: z.boolean() }).describe('The owner says whether it has bitten while handled.'),
  feel_over_done: z.strictObject({}).describe('The hands-on check is complete.'),
  consent_answered: z
    .strictObject({
      consent: z.enum(CONSENT_IDS),
      agreed: z.boolean(),
      name: shortText,
      textVersion: shortText,
      limitMinor: z.number().int().min(0).optional(),
      via: via.optional(),
    })
    .describe('The owner agrees to one item, or refuses it.'),
  agreed: z
    .strictObject({
      name: shortText,
      extraMinutes: minutes,
      extraPriceMinor: z.number().int().min(0),
      signature: SIGNATURE.optional(),
      textVersion: shortText.optional(),
      via: via.optional(),
    })
    .describe('The agreement is closed: by whom, extra time and its price.'),
  plan_wished: z
    .strictObject({ wishes: z.array(wish).max(40), way: z.enum(PLAN_WAYS).optional() })
    .describe('What the groomer has fixed by hand, all of it, and the way the visit is planned.'),
  plan_accepted: z.strictObject({ plan }).describe('The plan as the groomer took it to the table.'),
  work_started: z.strictObject({}).describe('First touch of work.'),
  step_started: z.strictObject({ step: z.enum(ACTIVITIES) }).describe('A step begins, with the hold and blade planned for it.'),
  step_finished: z
    .strictObject({ step: z.enum(ACTIVITIES), outcome: z.enum(['done', 'part', 'left']), why: longText })
    .describe('A step ends: done, done in part, or left.'),
  hold_used: z.strictObject({ hold: z.enum(HOLD_IDS), also: z.array(z.enum(HOLD_IDS)) }).describe('Another hold than planned.'),
  blade_used: z
    .strictObject({ blade: z.enum(BLADE_IDS).nullable(), cool: z.boolean() })
    .describe('Another blade than planned, or a cool one of the same number.'),
  blade_touched: z
    .strictObject({ feels: z.enum(['cool', 'warm', 'hot']) })
    .describe('The running blade on the inner wrist. It overrules the estimate.'),
  signal_seen: z.strictObject({ signal: z.enum(SIGNAL_IDS) }).describe('A sign of strain, or a good sign.'),
  break_started: z.strictObject({}).describe('Hands off, the dog rests.'),
  break_ended: z.strictObject({}).describe('Work goes on.'),
  incident: z
    .strictObject({
      incidentId: id,
      kind: z.enum(INCIDENT_KINDS),
      harm: z.enum(HARM_DEGREES),
      zone: z.enum(ZONE_IDS).nullable(),
      what: longText,
    })
    .describe('Something hurt or nearly hurt the dog or a person.'),
  noted: z.strictObject({ text: longText.min(1) }).describe('A remark for whoever has this dog next.'),
  visit_ended: z
    .strictObject({ outcome: z.enum(['finished', 'stopped', 'not_today']), why: longText })
    .describe('The work is over: finished, stopped for the dog’s sake, or not begun today.'),
  handed_back: z
    .strictObject({ toldTo: shortText, nextVisit: z.iso.date().nullable(), vetAdvised: z.boolean() })
    .describe('The dog goes home: who was told, when it comes next.'),
  voided: z
    .strictObject({ target: id, why: longText })
    .describe('An earlier event was a mistake and does not count. The record keeps both.'),
} as const;

export type EventType = keyof typeof BODIES;
export const EVENT_TYPES = Object.keys(BODIES) as readonly EventType[];

const envelope = {
  /** UUIDv7 made on the device, so that sending twice stores once. */
  id: z.uuidv7(),
  visitId: z.uuid(),
  /** Wall clock of the device, for people to read. Order comes from the stamp. */
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
};
const event = <T extends EventType>(type: T) => z.strictObject({ ...envelope, type: z.literal(type), body: BODIES[type] });

/** One schema for every event: the type, the API contract and the docs come from it. */
export const VISIT_EVENT = z.discriminatedUnion('type', [
  event('visit_booked'),
  event('asked_changed'),
  event('file_read'),
  event('fit_answered'),
  event('zone_felt'),
  event('mark_felt'),
  event('area_felt'),
  event('part_looked'),
  event('weighed'),
  event('dryer_tested'),
  event('joint_felt'),
  event('leg_favoured'),
  event('mood_felt'),
  event('bite_told'),
  event('feel_over_done'),
  event('consent_answered'),
  event('agreed'),
  event('plan_wished'),
  event('plan_accepted'),
  event('work_started'),
  event('step_started'),
  event('step_finished'),
  event('hold_used'),
  event('blade_used'),
  event('blade_touched'),
  event('signal_seen'),
  event('break_started'),
  event('break_ended'),
  event('incident'),
  event('noted'),
  event('visit_ended'),
  event('handed_back'),
  event('voided'),
]);
export type VisitEvent = z.infer<typeof VISIT_EVENT>;
export type VisitEventOf<T extends EventType> = Extract<VisitEvent, { type: T }>;
export type EventBody<T extends EventType> = VisitEventOf<T>['body'];
/** A type with its body: what a screen hands to the visit log, which adds id, time, stamp and hand. */
export type EventDraft = { [T in EventType]: { type: T; body: EventBody<T> } }[EventType];
export type PlanRecord = EventBody<'plan_accepted'>['plan'];
export type PlannedStepRecord = PlanRecord['steps'][number];

/** One line per event type for the docs. */
export function eventTypeLines(): { type: EventType; says: string; fields: string[] }[] {
  return EVENT_TYPES.map((type) => ({ type, says: BODIES[type].description ?? '', fields: Object.keys(BODIES[type].shape) }));
}
