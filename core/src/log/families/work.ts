import * as z from 'zod';
import {
  BLADE_IDS,
  CLOSING_LINES,
  HARM_DEGREES,
  HOLD_IDS,
  INCIDENT_KINDS,
  PHOTO_KINDS,
  RESISTANCE_CAUSES,
  SIGN_CAUSES,
  SIGNAL_IDS,
  ZONE_IDS,
} from '../../words/index.js';
import { id, longText, piece, shortText, stepId as step, toolId } from './fields.js';

/** The work at the table. */
export const WORK_EVENTS = {
  work_started: z.strictObject({}).describe('First touch of work.'),
  written_after: z
    .strictObject({})
    .describe('The visit is written down after it happened: its times are those of the writing and teach nothing.'),
  step_started: z.strictObject({ step }).describe('A step begins, with the hold and blade planned for it.'),
  step_finished: z
    .strictObject({ step, outcome: z.enum(['done', 'part', 'left']), why: longText })
    .describe('A step ends: done, done in part, or left. What became of a piece by itself stays so.'),
  piece_finished: z
    .strictObject({ piece, outcome: z.enum(['done', 'part', 'left', 'open']), why: longText })
    .describe('One place of a step is done, done in part, left, or open again.'),
  hold_used: z.strictObject({ hold: z.enum(HOLD_IDS), also: z.array(z.enum(HOLD_IDS)) }).describe('Another hold than planned.'),
  blade_used: z
    .strictObject({ blade: z.enum(BLADE_IDS).nullable(), toolId, cool: z.boolean() })
    .describe('Another blade than planned, or a cool one of the same number; which of the salon’s own, when the drawer knows it.'),
  blade_touched: z
    .strictObject({ feels: z.enum(['cool', 'warm', 'hot']), toolId })
    .describe('The running blade on the inner wrist. It overrules the estimate.'),
  blade_cooled: z.strictObject({ toolId }).describe('The blade in hand was cooled with spray.'),
  blade_measured: z
    .strictObject({ celsius: z.number().min(-10).max(150), toolId })
    .describe('The blade in hand under a thermometer. It takes the place of the estimate.'),
  tool_stopped: z
    .strictObject({ zone: z.enum(ZONE_IDS), cause: z.enum(RESISTANCE_CAUSES) })
    .describe('The tool does not go on in one place: a mat, a growth, or skin that is drawn in.'),
  signal_seen: z.strictObject({ signal: z.enum(SIGNAL_IDS) }).describe('A sign of strain, or a good sign.'),
  sign_cause: z
    .strictObject({ target: id, cause: z.enum(SIGN_CAUSES) })
    .describe('What a sign was of that has other causes as well; what was not surely strain teaches nothing.'),
  break_started: z.strictObject({}).describe('Hands off, the dog rests.'),
  break_ended: z.strictObject({}).describe('Work goes on.'),
  closing_begun: z.strictObject({}).describe('Nothing more is begun: what is left makes the end safe.'),
  closing_done: z.strictObject({ line: z.enum(CLOSING_LINES) }).describe('One line of the list that makes the end safe is done.'),
  incident: z
    .strictObject({
      incidentId: id,
      kind: z.enum(INCIDENT_KINDS),
      /** `null`: nobody has said yet; hands come before words. */
      harm: z.enum(HARM_DEGREES).nullable(),
      zone: z.enum(ZONE_IDS).nullable(),
      what: longText,
      /** It came out later: on which day, and who said so. Its hour at the table is not known then. */
      later: z.strictObject({ on: z.iso.date(), by: shortText }).optional(),
    })
    .describe('Something hurt or nearly hurt the dog or a person.'),
  photo_taken: z
    .strictObject({
      photoId: id,
      kind: z.enum(PHOTO_KINDS),
      zone: z.enum(ZONE_IDS).nullable(),
      markId: id.optional(),
      incidentId: id.optional(),
    })
    .describe('A photograph at the table: of what, and of which mark or incident. The picture itself follows when the network is there.'),
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
