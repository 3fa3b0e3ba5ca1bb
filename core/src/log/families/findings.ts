import * as z from 'zod';
import { isLooked } from '../../findings/index.js';
import {
  COMB_TESTS,
  DRYER_TESTS,
  FEEL_AREAS,
  FIT_SIGNS,
  formProblem,
  GUARDED,
  JOINT_COMFORTS,
  JOINTS,
  LEGS,
  LIES_ON,
  LIFT_TESTS,
  LOOKED_FINDINGS,
  LOOKED_PARTS,
  MARK_BORDERS,
  MARK_KINDS,
  MARK_SURFACES,
  MAT_GRADES,
  MOODS,
  SKIN_STATES,
  TOLD_ITEMS,
  WARNINGS,
  ZONE_IDS,
} from '../../words/index.js';
import { hourOfDay, id, shortText } from './fields.js';

const zone = z.enum(ZONE_IDS);
/** The mat is tight round a limb; left out by versions that did not ask. */
const strangles = z.boolean().optional();

/** What is known of a mark: its size and look, how it meets a blade and where in its place it lies; the last two left out by versions that did not ask. */
const mark = {
  markId: id,
  zone,
  lengthMm: z.number().gt(0).max(300),
  widthMm: z.number().gt(0).max(300),
  border: z.enum(MARK_BORDERS),
  surface: z.enum(MARK_SURFACES),
  kind: z.enum(MARK_KINDS).optional(),
  spot: z.tuple([z.number().min(0).max(1), z.number().min(0).max(1)]).optional(),
};

/** What hands and eyes found, as it was entered: nothing is concluded here. */
export const FINDING_EVENTS = {
  file_read: z.strictObject({}).describe('The dog’s file was read before the dog was touched.'),
  fit_answered: z
    .strictObject({
      signs: z.array(z.enum(FIT_SIGNS)),
      vetAgreed: z.boolean(),
      /** Meals and medicines; left out by versions that did not ask. */
      told: z.array(z.enum(TOLD_ITEMS)).optional(),
      /** When it ate and what it was given; left out by versions that did not ask, and where nothing was told. */
      hours: z
        .strictObject({
          toldAt: hourOfDay,
          meal: hourOfDay.optional(),
          medicines: z
            .array(z.strictObject({ what: shortText, at: hourOfDay }))
            .max(10)
            .optional(),
        })
        .optional(),
      roomCelsius: z.number().min(-10).max(50),
    })
    .describe('What is seen and told today, before any plan.'),
  dog_asked: z
    .strictObject({
      muzzleUsed: z.boolean().optional(),
      soreWhenLifted: z.boolean().optional(),
      liesOn: z.enum(LIES_ON).optional(),
      guards: z.array(z.enum(GUARDED)).optional(),
      slipsCollar: z.boolean().optional(),
    })
    .describe('What is asked of every dog was asked; what is named is otherwise than the file says, or was not asked before.'),
  zone_felt: z
    .strictObject({
      zone,
      /** `null`: this test was not made. A grade that was there before stays. */
      comb: z.enum(COMB_TESTS).nullable(),
      lift: z.enum(LIFT_TESTS).nullable(),
      skin: z.enum(SKIN_STATES),
      crust: z.boolean(),
      strangles,
    })
    .describe('Comb test, lift test, skin and crust in one zone; tests that were not made are left empty.'),
  zone_as_before: z
    .strictObject({
      zone,
      grade: z.union(MAT_GRADES.map((g) => z.literal(g))),
      skin: z.enum(SKIN_STATES),
      crust: z.boolean(),
      strangles,
      /** Day of the visit that it is as it was on. */
      on: z.iso.date(),
    })
    .describe('A hand was there and found a zone as the last time; no test was made.'),
  mark_felt: z.strictObject({ ...mark, isNew: z.boolean() }).describe('A mark, measured: how it meets a blade, and its spot in its place.'),
  mark_as_before: z
    .strictObject({
      ...mark,
      /** Day on which those sizes were measured. */
      on: z.iso.date(),
    })
    .describe('A hand found a mark as the last time; it was not measured.'),
  mark_gone: z.strictObject({ markId: id }).describe('A mark of an earlier visit was looked for and is no longer there.'),
  place_resented: z
    .strictObject({ zone, resents: z.boolean() })
    .describe('It minds the hand in this place, without biting; or no longer does.'),
  area_felt: z
    .strictObject({ area: z.enum(FEEL_AREAS), as: z.enum(['sound', 'as_before']) })
    .describe('Both hands went over one stretch of the dog: sound but for what is written, or as the last time.'),
  part_looked: z
    .strictObject({
      part: z.enum(LOOKED_PARTS),
      finding: z.enum(Object.values(LOOKED_FINDINGS).flat()),
      /** Where a grass seed or a tick is; left out where nobody showed a place. */
      zones: z.array(zone).min(1).max(ZONE_IDS.length).optional(),
    })
    .refine((b) => isLooked(b.part, b.finding), formProblem('form.not_found_there'))
    .describe('Eyes, mouth, folds, ears, nails, pads, ribs, round the anus, seeds and ticks: what is seen there.'),
  weighed: z.strictObject({ kg: z.number().min(0.3).max(120) }).describe('The dog on the scale today.'),
  dryer_tested: z
    .strictObject({ zone, test: z.enum(DRYER_TESTS) })
    .describe('A mat under the dryer after the wash: it parts, or it stays shut.'),
  joint_felt: z.strictObject({ joint: z.enum(JOINTS), comfort: z.enum(JOINT_COMFORTS) }).describe('How far a joint goes today.'),
  leg_favoured: z.strictObject({ leg: z.enum(LEGS).nullable() }).describe('The leg it spares today, or none.'),
  mood_felt: z
    .strictObject({ mood: z.enum(MOODS) })
    .describe('How the dog is: on the table before any tool, and in a break while the work runs.'),
  warned_before: z
    .strictObject({ what: z.enum(WARNINGS).nullable() })
    .describe('It growled, snapped or bit today before any work, or it did not.'),
  bite_told: z.strictObject({ told: z.boolean() }).describe('The owner says whether it has bitten while handled.'),
  feel_over_done: z.strictObject({}).describe('The hands-on check is complete.'),
} as const;
