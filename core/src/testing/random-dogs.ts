import fc from 'fast-check';
import type { FeelOver, Looked, MarkFound, ZoneFinding } from '../findings/index.js';
import { houseRules, schoolsOf } from '../knowledge/house-rules/index.js';
import type { PlanInput } from '../plan/index.js';
import {
  COATS,
  CONDITIONS,
  HOUSE_QUESTION_IDS,
  type HouseRules,
  type Joint,
  JOINT_COMFORTS,
  type JointComfort,
  JOINTS,
  LEGS,
  LOOKED_FINDINGS,
  LOOKED_PARTS,
  MARK_BORDERS,
  MARK_SURFACES,
  MAT_GRADES,
  MOODS,
  NOSES,
  SERVICE_ITEMS,
  SKIN_STATES,
  TRIGGER_CAUSES,
  ZONE_GROUPS,
  ZONE_IDS,
  type ZoneId,
} from '../words/index.js';
import { anInput } from './dogs.js';

/** Every house: one school of each question. */
export const anyHouse: fc.Arbitrary<HouseRules> = fc
  .tuple(...HOUSE_QUESTION_IDS.map((q) => fc.constantFrom(...schoolsOf(q).map((s) => ({ [q]: s }))) as fc.Arbitrary<Partial<HouseRules>>))
  .map((answers) => houseRules(Object.assign({}, ...answers) as Partial<HouseRules>));

const anyZone = fc.constantFrom<ZoneId>(...ZONE_IDS);

/** What hands can find on one place of a dog. */
export const anyFinding: fc.Arbitrary<ZoneFinding> = fc.record({
  zone: anyZone,
  matGrade: fc.constantFrom(...MAT_GRADES),
  skin: fc.constantFrom(...SKIN_STATES),
  crust: fc.boolean(),
  strangles: fc.constantFrom(undefined, undefined, undefined, true),
});

const anyMark: fc.Arbitrary<MarkFound> = fc.record({
  markId: fc.uuid(),
  zone: anyZone,
  lengthMm: fc.integer({ min: 1, max: 40 }),
  widthMm: fc.integer({ min: 1, max: 40 }),
  border: fc.constantFrom(...MARK_BORDERS),
  surface: fc.constantFrom(...MARK_SURFACES),
  isNew: fc.boolean(),
});

const anyLooked: fc.Arbitrary<Looked> = fc
  .subarray([...LOOKED_PARTS], { maxLength: 4 })
  .chain((parts) =>
    fc
      .tuple(...parts.map((p) => fc.constantFrom(...LOOKED_FINDINGS[p].map((f) => ({ [p]: f }))) as fc.Arbitrary<Looked>))
      .map((list) => Object.assign({}, ...list) as Looked),
  );

const once = <T extends { readonly zone: ZoneId }>(list: readonly T[]): T[] =>
  list.filter((z, i) => list.findIndex((x) => x.zone === z.zone) === i);

/** Everything that hands and eyes can find on a dog. */
export const anyFeelOver: fc.Arbitrary<FeelOver> = fc.record({
  zones: fc.oneof(
    { weight: 4, arbitrary: fc.array(anyFinding, { maxLength: 8 }).map(once) },
    { weight: 1, arbitrary: fc.array(anyFinding, { minLength: 12, maxLength: 30 }).map(once) },
  ),
  marks: fc.array(anyMark, { maxLength: 3 }),
  joints: fc
    .dictionary(fc.constantFrom<Joint>(...JOINTS), fc.constantFrom<JointComfort>(...JOINT_COMFORTS), { maxKeys: 3 })
    .map((joints): Partial<Record<Joint, JointComfort>> => ({ ...joints })),
  mood: fc.constantFrom(...MOODS),
  looked: anyLooked,
  favours: fc.option(fc.constantFrom(...LEGS), { nil: undefined }),
  biteTold: fc.boolean(),
});

/** Any dog, with any finding, any wish, in any house. */
export const anyPlanInput: fc.Arbitrary<PlanInput> = fc
  .record({
    house: anyHouse,
    feelOver: anyFeelOver,
    items: fc.subarray([...SERVICE_ITEMS]),
    wantedMm: fc.constantFrom(3, 6, 9, 13, 20),
    sessionMinutes: fc.constantFrom(40, 90, 150, 240),
    helperThere: fc.boolean(),
    trained: fc.boolean(),
    refused: fc.subarray(['close_clip', 'clip_off', 'muzzle'] as const),
    fit: fc.constantFrom('go', 'go', 'go', 'go_with_limits', 'ask_vet', 'not_today'),
    born: fc.constantFrom('2010-01-01', '2015-06-01', '2021-06-01', '2024-01-01', '2026-06-20', '2026-08-20'),
    weightKg: fc.constantFrom(3, 8, 18, 34),
    coat: fc.constantFrom(...COATS),
    nose: fc.constantFrom(...NOSES),
    conditions: fc.subarray([...CONDITIONS], { maxLength: 3 }),
    biteHistory: fc.boolean(),
    visitsBefore: fc.constantFrom(0, 3),
    standingSeenMinutes: fc.constantFrom(undefined, 3, 8, 40),
    triggers: fc.array(
      fc.record({ cause: fc.constantFrom(...TRIGGER_CAUSES), place: fc.option(fc.constantFrom(...ZONE_GROUPS), { nil: undefined }) }),
      { maxLength: 2 },
    ),
    afterStop: fc.boolean(),
    justFed: fc.boolean(),
  })
  .map((r) =>
    anInput(
      {
        house: r.house,
        asked: { items: r.items, wantedMm: r.wantedMm, sessionMinutes: r.sessionMinutes },
        helperThere: r.helperThere,
        trained: r.trained,
        refused: r.refused,
        fit: r.fit,
        afterStop: r.afterStop,
        told: r.justFed ? ['just_fed'] : [],
      },
      {
        born: r.born,
        weightKg: r.weightKg,
        coat: r.coat,
        nose: r.nose,
        conditions: r.conditions,
        biteHistory: r.biteHistory,
        visitsBefore: r.visitsBefore,
        triggers: r.triggers,
        ...(r.standingSeenMinutes === undefined ? {} : { standingSeenMinutes: r.standingSeenMinutes }),
      },
      r.feelOver,
    ),
  );
