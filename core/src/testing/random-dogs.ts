import fc from 'fast-check';
import type { FeelOver, Looked, MarkFound, ZoneFinding } from '../findings/index.js';
import { BLADES, GUARDS } from '../knowledge/blades/index.js';
import { houseRules, schoolsOf } from '../knowledge/house-rules/index.js';
import type { PlanInput, PlanWish } from '../plan/index.js';
import {
  ACTIVITIES,
  type Activity,
  BUILDS,
  COATS,
  CONDITIONS,
  EAR_SETS,
  GROOMED_BY,
  GUARDED,
  HOUSE_QUESTION_IDS,
  type HouseRules,
  INJURY_KINDS,
  type Joint,
  JOINT_COMFORTS,
  type JointComfort,
  JOINTS,
  LEGS,
  LIES_ON,
  LOOKED_FINDINGS,
  LOOKED_PARTS,
  MARK_BORDERS,
  MARK_KINDS,
  MARK_SURFACES,
  MAT_GRADES,
  MOODS,
  NOSES,
  RESENTED_PLACES,
  SERVICE_ITEMS,
  SEXES,
  SKIN_STATES,
  TAIL_SETS,
  TOLD_ITEMS,
  TRIGGER_CAUSES,
  WARNINGS,
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
  kind: fc.constantFrom(undefined, ...MARK_KINDS),
  presumedSince: fc.constantFrom(undefined, undefined, '2026-08-01'),
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
  // Several may lie in one place.
  marks: fc.oneof(
    fc.array(anyMark, { maxLength: 3 }),
    anyZone.chain((zone) =>
      fc.array(
        anyMark.map((m) => ({ ...m, zone })),
        { minLength: 2, maxLength: 4 },
      ),
    ),
  ),
  joints: fc
    .dictionary(fc.constantFrom<Joint>(...JOINTS), fc.constantFrom<JointComfort>(...JOINT_COMFORTS), { maxKeys: 3 })
    .map((joints): Partial<Record<Joint, JointComfort>> => ({ ...joints })),
  mood: fc.constantFrom(...MOODS),
  looked: anyLooked,
  foundAt: fc.record(
    { seeds: fc.uniqueArray(anyZone, { maxLength: 2 }), ticks: fc.uniqueArray(anyZone, { maxLength: 3 }) },
    { requiredKeys: [] },
  ),
  favours: fc.constantFrom(undefined, 'none' as const, ...LEGS),
  resents: fc.uniqueArray(anyZone, { maxLength: 3 }),
  warned: fc.constantFrom(undefined, undefined, undefined, ...WARNINGS),
  biteTold: fc.boolean(),
});

/** What a file can tell beside the body of a dog. */
const anyFile = fc.record({
  sex: fc.constantFrom(...SEXES),
  neutered: fc.boolean(),
  ears: fc.constantFrom(...EAR_SETS),
  tail: fc.constantFrom(...TAIL_SETS),
  build: fc.constantFrom(...BUILDS),
  treatsAllowed: fc.boolean(),
  resents: fc.subarray([...RESENTED_PLACES], { maxLength: 3 }),
  injuries: fc.array(
    fc.record({
      kind: fc.constantFrom(...INJURY_KINDS),
      zone: fc.option(anyZone),
      on: fc.constantFrom(null, '2026-03-01'),
      here: fc.boolean(),
    }),
    { maxLength: 2 },
  ),
  warned: fc.option(fc.record({ what: fc.constantFrom(...WARNINGS), on: fc.constantFrom('2026-09-01', '2024-01-01') })),
  groomedBy: fc.option(fc.constantFrom(...GROOMED_BY)),
  groomedOn: fc.constantFrom(null, '2026-10-20', '2026-06-01'),
  muzzleUsed: fc.option(fc.boolean()),
  soreWhenLifted: fc.option(fc.boolean()),
  liesOn: fc.option(fc.constantFrom(...LIES_ON)),
  guards: fc.subarray([...GUARDED]),
  slipsCollar: fc.option(fc.boolean()),
});

/** What a groomer may have fixed by hand: work left out, or done whatever it costs. */
const anyWishes: fc.Arbitrary<readonly PlanWish[]> = fc.oneof(
  { weight: 3, arbitrary: fc.constant([]) },
  {
    weight: 1,
    arbitrary: fc.uniqueArray(
      fc.record({ kind: fc.constantFrom('forbid' as const, 'require' as const), step: fc.constantFrom<Activity>(...ACTIVITIES) }),
      { maxLength: 2, selector: (w) => w.step },
    ),
  },
);

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
    told: fc.subarray([...TOLD_ITEMS], { maxLength: 3 }),
    returnWeeks: fc.constantFrom(undefined, 4, 16),
    roomCelsius: fc.constantFrom(18, 22, 29),
    everyDogAsked: fc.boolean(),
    drawer: fc.oneof({ weight: 3, arbitrary: fc.constant(BLADES) }, { weight: 1, arbitrary: fc.subarray([...BLADES]) }),
    guards: fc.constantFrom(GUARDS, []),
    wishes: anyWishes,
    file: anyFile,
  })
  .map((r) =>
    anInput(
      {
        house: r.house,
        asked: { items: r.items, wantedMm: r.wantedMm, sessionMinutes: r.sessionMinutes, returnWeeks: r.returnWeeks },
        helperThere: r.helperThere,
        trained: r.trained,
        refused: r.refused,
        fit: r.fit,
        afterStop: r.afterStop,
        told: r.told,
        roomCelsius: r.roomCelsius,
        everyDogAsked: r.everyDogAsked,
        drawer: r.drawer,
        guards: r.guards,
        wishes: r.wishes,
      },
      {
        ...r.file,
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
