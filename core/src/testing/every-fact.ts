import { type DogForm, EMPTY_DOG } from '../knowledge/dogs/index.js';
import { houseRules, schoolsOf } from '../knowledge/house-rules/index.js';
import {
  BLADE_IDS,
  BUILDS,
  COATS,
  CONDITIONS,
  EAR_SETS,
  FIT_SIGNS,
  FOUND_IN_PLACES,
  type FoundInPlace,
  GROOMED_BY,
  GUARDED,
  HOUSE_QUESTION_IDS,
  INJURY_KINDS,
  JOINT_COMFORTS,
  JOINTS,
  LEGS,
  LIES_ON,
  LOOKED_FINDINGS,
  LOOKED_PARTS,
  type LookedFinding,
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
import { emptyVisit, summarize, type VisitSummary } from '../visit/index.js';
import { aDay, type Change, changesBetween, type DayFacts, followsFrom } from './what-a-fact-changes.js';

/** One value that somebody can enter, with and without it. */
export interface EnteredFact {
  /** Where it is entered and what: `file: coat, double`. */
  readonly name: string;
  readonly group: 'the file' | 'today' | 'felt' | 'asked for' | 'the house';
  readonly without?: (day: DayFacts) => DayFacts;
  readonly with: (day: DayFacts) => DayFacts;
}

const file = (name: string, change: Partial<DogForm>, without: Partial<DogForm> = {}): EnteredFact => ({
  name,
  group: 'the file',
  without: (d) => ({ ...d, form: { ...d.form, ...without } }),
  with: (d) => ({ ...d, form: { ...d.form, ...change } }),
});
const felt = (
  name: string,
  change: (f: DayFacts['feelOver']) => DayFacts['feelOver'],
  without: (f: DayFacts['feelOver']) => DayFacts['feelOver'] = (f) => f,
): EnteredFact => ({
  name,
  group: 'felt',
  without: (d) => ({ ...d, feelOver: without(d.feelOver) }),
  with: (d) => ({ ...d, feelOver: change(d.feelOver) }),
});
const today = (name: string, change: Partial<DayFacts['fit']>, without: Partial<DayFacts['fit']> = {}): EnteredFact => ({
  name,
  group: 'today',
  without: (d) => ({ ...d, fit: { ...d.fit, ...without } }),
  with: (d) => ({ ...d, fit: { ...d.fit, ...change } }),
});

const withZone = (f: DayFacts['feelOver'], zone: ZoneId, change: Partial<DayFacts['feelOver']['zones'][number]>): DayFacts['feelOver'] => ({
  ...f,
  zones: [
    ...f.zones.filter((z) => z.zone !== zone),
    { zone, matGrade: 0, skin: 'sound', crust: false, ...f.zones.find((z) => z.zone === zone), ...change },
  ],
});
const MARK = {
  markId: '01900000-0000-7000-8000-00000000000a',
  zone: 'back',
  lengthMm: 6,
  widthMm: 5,
  border: 'regular',
  surface: 'smooth',
  isNew: true,
} as const;
const marked = (f: DayFacts['feelOver'], change: Partial<DayFacts['feelOver']['marks'][number]> = {}): DayFacts['feelOver'] => ({
  ...f,
  marks: [{ ...MARK, ...change }],
});

/**
 * Every value that the screens let somebody enter. Not among them, because people read them and no rule does: names, telephone numbers,
 * medicines and products as they were written, remarks, and where on its drawing a mark lies.
 */
export const ENTERED_FACTS: readonly EnteredFact[] = [
  ...SEXES.map((sex) => file(`sex: ${sex}`, { sex, neutered: false }, { sex: sex === 'male' ? 'female' : 'male', neutered: false })),
  file('neutered', { neutered: true, sex: 'male' }, { neutered: false, sex: 'male' }),
  file('born: a puppy', { born: '2026-08-20' }, { born: '2021-06-01' }),
  file('born: a senior', { born: '2011-01-01' }, { born: '2021-06-01' }),
  file('birth date not sure', { born: '2018-01-01', bornWithinMonths: 18 }, { born: '2018-01-01', bornWithinMonths: 0 }),
  file('weight', { weightKg: 34 }, { weightKg: 12 }),
  ...COATS.map((coat) => file(`coat: ${coat}`, { coat }, { coat: coat === 'curly' ? 'double' : 'curly' })),
  ...NOSES.map((nose) => file(`nose: ${nose}`, { nose }, { nose: nose === 'short' ? 'medium' : 'short' })),
  ...EAR_SETS.map((ears) =>
    file(`ears: ${ears}`, { ears, conditions: ['ear_trouble'] }, { ears: ears === 'drop' ? 'prick' : 'drop', conditions: ['ear_trouble'] }),
  ),
  ...TAIL_SETS.map((tail) => file(`tail: ${tail}`, { tail }, { tail: tail === 'long' ? 'docked' : 'long' })),
  ...BUILDS.map((build) => file(`build: ${build}`, { build }, { build: build === 'heavy' ? 'light' : 'heavy' })),
  ...CONDITIONS.map((c) => file(`as told: ${c}`, { conditions: [c] }, { conditions: [] })),
  file('has bitten while handled', { biteHistory: true }, { biteHistory: false }),
  ...TRIGGER_CAUSES.map((cause) => file(`sets it off: ${cause}`, { triggers: [{ cause }] }, { triggers: [] })),
  ...ZONE_GROUPS.map((place) =>
    file(
      `sets it off, where: ${place}`,
      {
        triggers: [
          { cause: 'clipper', place },
          { cause: 'held', place },
          { cause: 'brush', place },
        ],
      },
      { triggers: [{ cause: 'strangers' }] },
    ),
  ),
  file('treats allowed', { treatsAllowed: true }, { treatsAllowed: false }),
  file('stands well for', { standingSeenMinutes: 4 }, { standingSeenMinutes: null }),
  ...RESENTED_PLACES.map((p) => file(`minds a hand: ${p}`, { resents: [p] }, { resents: [] })),
  ...INJURY_KINDS.map((kind) =>
    file(`hurt before: ${kind}`, { injuries: [{ kind, zone: 'side_left', on: '2026-06-01', here: true }] }, { injuries: [] }),
  ),
  file(
    'hurt before: where',
    { injuries: [{ kind: 'burn', zone: 'belly', on: null, here: false }] },
    { injuries: [{ kind: 'burn', zone: 'side_left', on: null, here: false }] },
  ),
  ...WARNINGS.map((what) => file(`in the last year it ${what}`, { warned: { what, on: '2026-10-01' } }, { warned: null })),
  file(
    'the lead says that its bites no longer count',
    { biteHistory: true, biteEndedOn: '2026-11-01' },
    { biteHistory: true, biteEndedOn: null },
  ),
  ...GROOMED_BY.filter((by) => by !== 'here').map((groomedBy) => file(`coat done by: ${groomedBy}`, { groomedBy }, { groomedBy: 'here' })),
  file('coat done on', { groomedOn: '2026-06-01' }, { groomedOn: '2026-11-10' }),
  file('used to a muzzle', { muzzleUsed: true, biteHistory: true }, { muzzleUsed: null, biteHistory: true }),
  file('not used to a muzzle', { muzzleUsed: false, biteHistory: true }, { muzzleUsed: true, biteHistory: true }),
  file('sore when lifted', { soreWhenLifted: true }, { soreWhenLifted: false }),
  file('not sore when lifted', { soreWhenLifted: false, conditions: ['arthritis'] }, { soreWhenLifted: null, conditions: ['arthritis'] }),
  ...LIES_ON.map((liesOn) =>
    file(`lies on: ${liesOn}`, { liesOn, born: '2011-01-01' }, { liesOn: liesOn === 'left' ? 'right' : 'left', born: '2011-01-01' }),
  ),
  ...GUARDED.map((g) => file(`guards: ${g}`, { guards: [g] }, { guards: [] })),
  file('slips its collar', { slipsCollar: true }, { slipsCollar: false }),
  file('does not slip its collar', { slipsCollar: false }, { slipsCollar: null }),

  ...FIT_SIGNS.map((s) => today(`seen: ${s}`, { signs: [s] })),
  ...TOLD_ITEMS.map((t) => today(`told: ${t}`, { told: [t], vetAgreed: false })),
  {
    ...today('the vet has agreed', { vetAgreed: true }, { vetAgreed: false }),
    with: (d) => ({ ...d, fit: { ...d.fit, vetAgreed: true }, form: { ...d.form, conditions: ['heart'] } }),
    without: (d) => ({ ...d, fit: { ...d.fit, vetAgreed: false }, form: { ...d.form, conditions: ['heart'] } }),
  },
  today('hour of its last meal', { hours: { toldAt: '09:30', meal: '09:00' } }),
  today(
    'hour of a medicine',
    { told: ['calming_by_vet'], hours: { toldAt: '09:30', medicines: [{ what: 'calming syrup', at: '08:00' }] } },
    { told: ['calming_by_vet'] },
  ),
  today('room', { roomCelsius: 31 }, { roomCelsius: 18 }),
  { name: 'weighed', group: 'today', with: (d) => ({ ...d, weightKg: 34 }) },

  ...MAT_GRADES.filter((g) => g > 0).flatMap((g) =>
    ZONE_IDS.filter((z) => ['armpit_left', 'fore_paw_left', 'ear_base_left', 'back', 'tail', 'sanitary'].includes(z)).map((z) =>
      felt(
        `mat of grade ${g}: ${z}`,
        (f) => withZone(f, z, { matGrade: g }),
        (f) => withZone(f, z, { matGrade: g === 1 ? 0 : ((g - 1) as 0 | 1 | 2 | 3) }),
      ),
    ),
  ),
  ...ZONE_IDS.map((z) => felt(`a tight mat, where: ${z}`, (f) => withZone(f, z, { matGrade: 3 }))),
  ...SKIN_STATES.filter((s) => s !== 'sound').map((skin) =>
    felt(
      `skin: ${skin}`,
      (f) => withZone(f, 'belly', { skin }),
      (f) => withZone(f, 'belly', { skin: skin === 'red' ? 'sound' : 'red' }),
    ),
  ),
  felt('crust', (f) => withZone(f, 'eye_left', { crust: true })),
  felt(
    'a mat that strangles',
    (f) => withZone(f, 'hock_left', { matGrade: 3, strangles: true }),
    (f) => withZone(f, 'hock_left', { matGrade: 3 }),
  ),
  ...MARK_KINDS.map((kind) =>
    felt(
      `mark: ${kind}`,
      (f) => marked(f, { kind }),
      (f) => (kind === 'stands_out' || kind === 'under_skin' ? f : marked(f)),
    ),
  ),
  ...MARK_SURFACES.filter((s) => s !== 'smooth').map((surface) => felt(`mark, surface: ${surface}`, (f) => marked(f, { surface }))),
  ...MARK_BORDERS.map((border) => felt(`mark, border: ${border}`, (f) => marked(f, { border }))),
  felt(
    'mark that is new',
    (f) => marked(f, { isNew: true }),
    (f) => marked(f, { isNew: false }),
  ),
  felt(
    'mark, where',
    (f) => marked(f, { zone: 'belly' }),
    (f) => marked(f),
  ),
  ...JOINTS.flatMap((j) =>
    JOINT_COMFORTS.filter((c) => c !== 'free').map((c) =>
      felt(
        `joint: ${j}, ${c}`,
        (f) => ({ ...f, joints: { [j]: c } }),
        (f) => ({ ...f, joints: {} }),
      ),
    ),
  ),
  ...LEGS.map((leg) => felt(`spares: ${leg}`, (f) => ({ ...f, favours: leg }))),
  felt(
    'spares none',
    (f) => ({ ...f, favours: 'none' }),
    (f) => ({ ...f, favours: undefined }),
  ),
  ...LOOKED_PARTS.flatMap((part) =>
    LOOKED_FINDINGS[part].slice(1).map((finding) =>
      felt(
        `${part}: ${finding}`,
        (f) => ({ ...f, looked: { [part]: finding } }),
        (f) => ({ ...f, looked: {} }),
      ),
    ),
  ),
  ...(Object.entries(FOUND_IN_PLACES) as [FoundInPlace, LookedFinding][]).map(([part, finding]) =>
    felt(
      `${part}: ${finding}, where`,
      (f) => ({ ...f, looked: { [part]: finding }, foundAt: { [part]: ['tail'] } }),
      (f) => ({ ...f, looked: { [part]: finding } }),
    ),
  ),
  ...MOODS.map((mood) =>
    felt(
      `mood: ${mood}`,
      (f) => ({ ...f, mood }),
      (f) => ({ ...f, mood: mood === 'still' ? 'tense' : 'still' }),
    ),
  ),
  ...WARNINGS.map((warned) => felt(`before the work it ${warned}`, (f) => ({ ...f, warned }))),
  felt('told today that it has bitten', (f) => ({ ...f, biteTold: true })),
  felt('minds a hand here', (f) => ({ ...f, resents: ['tail', 'fore_paw_left', 'belly'] })),

  ...SERVICE_ITEMS.map((item): EnteredFact => ({
    name: `asked for: ${item}`,
    group: 'asked for',
    without: (d) => ({ ...d, asked: { ...d.asked, items: d.asked.items.filter((i) => i !== item) } }),
    with: (d) => ({ ...d, asked: { ...d.asked, items: [...d.asked.items.filter((i) => i !== item), item] } }),
  })),
  { name: 'wanted length', group: 'asked for', with: (d) => ({ ...d, asked: { ...d.asked, wantedMm: 13 } }) },
  { name: 'time until it is fetched', group: 'asked for', with: (d) => ({ ...d, asked: { ...d.asked, sessionMinutes: 40 } }) },
  { name: 'really back in 16 weeks', group: 'asked for', with: (d) => ({ ...d, asked: { ...d.asked, returnWeeks: 16 } }) },
  { name: 'a helper is there', group: 'asked for', with: (d) => ({ ...d, helperThere: true }) },
  ...BLADE_IDS.map((id): EnteredFact => ({
    name: `blade in the drawer: #${id}`,
    group: 'the house',
    // Beside one that every drawer has: what the choice falls back to is not what is asked here.
    without: (d) => ({ ...d, guards: [], drawer: d.drawer.filter((b) => b.id === (id === '10' ? '5F' : '10')) }),
    with: (d) => ({ ...d, guards: [], drawer: d.drawer.filter((b) => b.id === id || b.id === (id === '10' ? '5F' : '10')) }),
  })),
  ...HOUSE_QUESTION_IDS.flatMap((q) =>
    schoolsOf(q)
      .slice(1)
      .map((school): EnteredFact => ({
        name: `house: ${q}, ${school}`,
        group: 'the house',
        with: (d) => ({ ...d, house: houseRules({ ...d.house, [q]: school }) }),
      })),
  ),
];

const dog = (change: Partial<DogForm>): DogForm => ({
  ...EMPTY_DOG,
  name: 'Moss',
  born: '2021-06-01',
  weightKg: 18,
  slipsCollar: false,
  soreWhenLifted: false,
  ...change,
});

/** A visit of the past in which nothing happened. */
const BEFORE: VisitSummary = { ...summarize(emptyVisit('before')), outcome: 'finished', on: '2026-10-20' };

/** Dogs on whom facts are tried, one after the other, until one of them shows a change. */
export const TRIED_ON: readonly DayFacts[] = [
  aDay(dog({})),
  aDay(dog({ triggers: [{ cause: 'brush' }] }), {
    asked: {
      items: ['bath', 'deshed', 'body_clip', 'nails', 'sanitary', 'feet', 'face', 'ears', 'tidy'],
      wantedMm: 1.5,
      sessionMinutes: 240,
      returnWeeks: 5,
    },
  }),
  aDay(dog({ born: '2011-01-01', weightKg: 5, conditions: ['arthritis'] }), {
    feelOver: { zones: [], marks: [MARK], joints: { hip_left: 'stiff' }, mood: 'still', favours: 'none', biteTold: false },
  }),
  aDay(dog({ biteHistory: true, coat: 'double', weightKg: 30, triggers: [{ cause: 'nails' }] }), {
    feelOver: {
      zones: [
        { zone: 'armpit_left', matGrade: 3, skin: 'sound', crust: false },
        { zone: 'fore_paw_left', matGrade: 3, skin: 'sound', crust: false },
        { zone: 'sanitary', matGrade: 3, skin: 'sound', crust: false },
        { zone: 'throat', matGrade: 3, skin: 'sound', crust: false },
        { zone: 'back', matGrade: 2, skin: 'sound', crust: false },
        { zone: 'eye_left', matGrade: 0, skin: 'sound', crust: true },
      ],
      marks: [],
      joints: {},
      mood: 'still',
      favours: 'none',
      biteTold: false,
    },
  }),
  aDay(dog({ born: '2026-06-20', weightKg: 3, coat: 'wool' }), {
    asked: { items: ['bath', 'body_clip', 'face', 'feet', 'nails'], wantedMm: 9, sessionMinutes: 60 },
  }),
  ...[3, 6, 9.5].map((wantedMm) => aDay(dog({}), { past: [BEFORE], asked: { items: ['body_clip'], wantedMm, sessionMinutes: 90 } })),
  aDay(dog({ nose: 'short', weightKg: 9, coat: 'wool', triggers: [{ cause: 'held' }] }), {
    asked: { items: ['bath', 'body_clip', 'face', 'feet', 'sanitary', 'nails', 'ears'], wantedMm: 30, sessionMinutes: 180 },
    trained: false,
    fit: { signs: [], vetAgreed: true, told: [], roomCelsius: 24 },
  }),
];

/** Owned, and never used on a dog: the choice says why. */
export const NEVER_ON_A_DOG: readonly string[] = ['blade in the drawer: #50'];
/** Values that change what the table says while the work runs, and nothing before it. */
export const AT_THE_TABLE: readonly string[] = ['house: bladeTooWarm, hot_wrist'];

/** The kinds of change that a value makes, on the first of the dogs that shows one. */
export function whatChanges(fact: EnteredFact): readonly Change[] {
  for (const day of TRIED_ON) {
    const found = changesBetween(followsFrom((fact.without ?? ((d) => d))(day)), followsFrom(fact.with(day)));
    if (found.length > 0) return found;
  }
  return [];
}

/** A line of `docs/facts.md` for each value: where it is entered, what it is, what it changes. */
export function factLines(): string[] {
  return ENTERED_FACTS.map((f) => {
    const on = NEVER_ON_A_DOG.includes(f.name)
      ? 'never used on a dog; the choice says why'
      : AT_THE_TABLE.includes(f.name)
        ? 'what the table says'
        : undefined;
    return `| ${f.group} | ${f.name.replaceAll('_', ' ')} | ${on ?? whatChanges(f).join(', ')} |`;
  });
}
