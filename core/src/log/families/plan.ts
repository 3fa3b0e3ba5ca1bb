import * as z from 'zod';
import {
  ACTIVITIES,
  BLADE_IDS,
  DOG_KINDS,
  DOG_POSTURES,
  HOLD_IDS,
  PLAN_WAYS,
  SIGNAL_IDS,
  STEP_NAMES,
  TIERS,
  ZONE_IDS,
} from '../../words/index.js';
import { longText, minutes, piece, stepId as step } from './fields.js';
import { SAID } from './said.js';

/** One place of a step, with what is in the hand there. */
const plannedPiece = z.strictObject({
  id: piece,
  zones: z.array(z.enum(ZONE_IDS)).min(1),
  minutes,
  blade: z.enum(BLADE_IDS).nullable(),
  guard: z.string().max(10).nullable(),
  /** Length that is left there, mm. */
  mm: z.number().min(0).nullable(),
  /** Marks below, to be felt for before every pass. */
  marks: z.array(z.uuid()),
  /** Minutes of it that hurt; left out by versions that did not say. */
  painfulMinutes: minutes.optional(),
});

const plannedStep = z.strictObject({
  id: step,
  name: z.enum(STEP_NAMES),
  /** Its name as it was shown. */
  label: z.string().min(1).max(400),
  zones: z.array(z.enum(ZONE_IDS)),
  pieces: z.array(plannedPiece),
  posture: z.enum(DOG_POSTURES),
  /** Share of this kind of work on the whole dog. */
  share: z.number().min(0).max(1.01),
  tier: z.enum(TIERS),
  from: minutes,
  to: minutes,
  minutes,
  minutesRange: z.tuple([minutes, minutes]),
  breakMinutes: z.array(minutes),
  /** Minutes of the step's own work before each break, 0 for one before it begins; left out by versions that did not say. */
  breakAfter: z.array(minutes).optional(),
  /** By what is seen each break begins; left out by versions that went by the clock alone. */
  breakWhen: z.array(SAID.nullable()).optional(),
  /** Without what ails the dog that day; left out by versions that did not tell it apart. */
  lastingPerMinute: z.number().min(0).optional(),
  /** The same of dogs of its kind; left out by versions that did not say. */
  kindPerMinute: z.number().min(0).optional(),
  ratePerMinute: z.number().min(0),
  hold: z.enum(HOLD_IDS),
  also: z.array(z.enum(HOLD_IDS)),
  blade: z.enum(BLADE_IDS).nullable(),
  guard: z.string().max(10).nullable(),
  cautions: z.array(SAID),
  why: z.array(SAID),
});

const chance = z.number().min(0).max(1);

/** What was told with the plan, to be held against what comes. */
const told = z.strictObject({
  minutes,
  minutesRange: z.tuple([minutes, minutes]),
  peak: z.number().min(0).max(100),
  /** `null`: the odds were not ready, or not asked for. */
  chances: z
    .strictObject({
      visits: z.number().int().min(1),
      inTime: chance,
      pause: chance,
      stop: chance,
      /** A snap or bite; left out by versions that did not tell it. */
      bite: chance.optional(),
    })
    .nullable(),
});

const plan = z.strictObject({
  steps: z.array(plannedStep).max(30),
  curve: z.array(z.strictObject({ minute: minutes, strain: z.number(), low: z.number(), high: z.number() })).max(600),
  minutes,
  startStrain: z.number().min(0).max(100),
  /** Minutes in which strain halves at rest: what the plan counts with, rather too long than too short. */
  halfLifeMinutes: z.number().gt(0),
  /** The same, as likely longer as shorter: what the meter counts with. Left out by versions that knew one value only. */
  halfLifeLikely: z.number().gt(0).optional(),
  /** Growth of all rates with each minute of work that is done; left out by versions that did not say. */
  fatiguePerMinute: z.number().min(0).max(1).optional(),
  /** Kinds of dog that it was that day; left out by versions that did not say. */
  kinds: z.array(z.enum(DOG_KINDS)).optional(),
  /** Signals that mean nothing on this dog. */
  uncounted: z.array(z.enum(SIGNAL_IDS)).optional(),
  notToday: z.array(
    z.strictObject({
      what: SAID,
      to: z.enum(['vet', 'another_visit', 'left']),
      why: z.array(SAID),
      /** Left out by versions that did not carry undone work over. */
      activity: z.enum(ACTIVITIES).optional(),
      zones: z.array(z.enum(ZONE_IDS)).optional(),
      /** Days until it must be done or seen; `null` when any day will do. */
      withinDays: z.number().min(0).max(366).nullable(),
    }),
  ),
  secondVisitWeeks: z.number().min(0).nullable(),
});

/** What the groomer has fixed by hand. */
const wish = z.discriminatedUnion('kind', [
  z.strictObject({ kind: z.literal('place'), step, after: step.optional(), before: step.optional() }),
  z.strictObject({ kind: z.literal('require'), step }),
  z.strictObject({ kind: z.literal('forbid'), step }),
  z.strictObject({ kind: z.literal('minutes'), step, minutes: z.number().min(0.5).max(120) }),
  z.strictObject({ kind: z.literal('hold'), step, hold: z.enum(HOLD_IDS) }),
]);

/** The plan, as the groomer wished it and took it. */
export const PLAN_EVENTS = {
  plan_wished: z
    .strictObject({ wishes: z.array(wish).max(40), way: z.enum(PLAN_WAYS).optional() })
    .describe('What the groomer has fixed by hand, all of it, and the way the visit is planned.'),
  plan_accepted: z
    .strictObject({ plan, told: told.nullable() })
    .describe('The plan as the groomer took it to the table, and what was told with it: minutes and chances.'),
  plan_kept: z
    .strictObject({ minutes, why: longText })
    .describe(
      'A plan from where the work stood was offered and the one in hand was kept: how long the offered one would have taken, and why.',
    ),
} as const;
