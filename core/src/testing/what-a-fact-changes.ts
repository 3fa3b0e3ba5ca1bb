import { type FeelOver, NOTHING_FOUND } from '../findings/index.js';
import { CONSENT_TEXT_VERSION, standingConsents } from '../agreement/index.js';
import { whoIsTold } from '../hand-back/index.js';
import { BLADES, type Guard, GUARDS } from '../knowledge/blades/index.js';
import { type DogForm, dogKinds, standingLimits } from '../knowledge/dogs/index.js';
import type { Blade } from '../knowledge/blades/index.js';
import { longestCutFor } from '../knowledge/coat/index.js';
import { HOUSE_DEFAULTS } from '../knowledge/house-rules/index.js';
import { nextVisitDates } from '../next-visit/index.js';
import { buildSteps, limitsOf, ofWholeVisit, type PlanInput, problemOf, type ServiceAsked } from '../plan/index.js';
import { emptyVisit, fitOf, planContextOf, planInputOf, type VisitState, type VisitSummary } from '../visit/index.js';
import type { HouseRules, Saying } from '../words/index.js';
import { accountInEnglish } from './account.js';
import { SPEC_DAY } from './dogs.js';

/** A dog on the day, as it was entered: the file, what was answered and felt, what is asked for. */
export interface DayFacts {
  readonly form: DogForm;
  readonly fit: NonNullable<VisitState['fit']>;
  readonly feelOver: FeelOver;
  readonly asked: ServiceAsked;
  readonly helperThere: boolean;
  readonly weightKg: number | undefined;
  readonly past: readonly VisitSummary[];
  readonly house: HouseRules;
  readonly drawer: readonly Blade[];
  readonly guards: readonly Guard[];
  readonly trained: boolean;
}

/** What a fact can change, apart from being shown again. */
export const CHANGES = [
  'verdict',
  'work',
  'order',
  'tool',
  'hold',
  'posture',
  'minutes',
  'breaks',
  'what becomes of the rest',
  'consent',
  'date',
  'instruction',
] as const;
export type Change = (typeof CHANGES)[number];

const rules = (reasons: readonly Saying[]): string[] => [...new Set(reasons.map((r) => r.rule))].sort();
const exact = (x: number): number => Math.round(x * 1e6) / 1e6;

/** What follows, thing by thing: only what is there on both days is compared, so that a place which falls away changes the work and not its tool. */
type Follows = Readonly<Record<Change, Readonly<Record<string, unknown>>>>;

/** What follows from a day's facts, by kind of change: words and echoes left out. */
export function followsFrom(facts: DayFacts): Follows {
  const state: VisitState = {
    ...emptyVisit('fact'),
    asked: facts.asked,
    helperThere: facts.helperThere,
    fit: facts.fit,
    feelOver: facts.feelOver,
    weightKg: facts.weightKg,
  };
  const context = planContextOf(
    { dog: facts.form, trained: facts.trained, house: facts.house, drawer: facts.drawer, today: SPEC_DAY },
    facts.past,
  );
  const fit = fitOf(state, context.dog, context.today);
  const told = planInputOf(state, context);
  if (!fit || !told) throw new Error('followsFrom: the fit questions are not answered');
  // Looked at as if it went on: a fact that stops the day has changed the verdict already.
  const input: PlanInput = { ...told, fit: 'go', guards: facts.guards };
  const kinds = dogKinds(input.dog, input.feelOver, input.today);
  const standing = standingLimits(input.dog, kinds, input.feelOver, input.today);
  const built = buildSteps(input, kinds);
  const problem = problemOf(input, built.steps, kinds, standing);
  const pieces = built.steps.flatMap((s) => s.pieces);
  const { coat } = input.dog;
  const { returnWeeks } = input.asked;
  const ofPieces = (of: (p: (typeof pieces)[number]) => unknown): Record<string, unknown> =>
    Object.fromEntries(pieces.map((p) => [p.id, of(p)]));
  const { contagion, heat } = fit;
  return {
    verdict: {
      all: [fit.verdict, fit.vetNow, contagion.place, contagion.gloves, contagion.disinfectMinutes, exact(heat.limitCelsius)],
    },
    work: { all: pieces.map((p) => p.id).sort() },
    order: Object.fromEntries(
      problem.steps.flatMap((a) =>
        problem.steps.map((b) => [`${a.id} ${b.id}`, problem.order.filter((o) => o.first === a.id && o.then === b.id).map((o) => o.kind)]),
      ),
    ),
    tool: ofPieces((p) => [p.blade?.sequence, p.blade?.guard?.id, p.blade?.direction, p.blade?.stroke, p.blade?.lengthMm, p.dryer?.dryer]),
    hold: ofPieces((p) => [p.hold.hold, p.hold.also, exact(p.hold.capMinutes), p.hold.forVet]),
    posture: ofPieces((p) => [p.post, p.postures, p.standing]),
    minutes: ofPieces((p) => [exact(p.minutes), exact(p.painfulMinutes)]),
    breaks: {
      ...ofPieces((p) => exact(p.rate.mean)),
      'its limits': [standing.continuousMinutes, standing.totalMinutes, standing.workMinutes, problem.startStrain, problem.halfLifeMinutes],
      'the visit': [problem.sessionMinutes, problem.helperWindows ?? null, facts.helperThere],
    },
    'what becomes of the rest': {
      all: built.notPlanned.map((n) => [n.activity, n.zones, n.to, n.withinDays]),
      'what passes these is left': limitsOf(facts.house),
    },
    consent: {
      ...ofPieces((p) => p.needsConsent),
      'still holds': standingConsents(GIVEN_BEFORE, input.today, facts.house).map((c) => c.id),
      'length offered': returnWeeks === undefined ? null : exact(Math.min(999, longestCutFor(coat, returnWeeks, false).atMostMm)),
    },
    date: {
      all: nextVisitDates({
        dog: input.dog,
        done: pieces.map((p) => p.activity),
        clipOff: built.mats.clipOff,
        leftWeeks: undefined,
        stoppedEarly: false,
        newMarks: input.feelOver.marks.filter((m) => m.isNew).map((m) => m.zone),
        returnWeeks: input.asked.returnWeeks,
        season: undefined,
        house: input.house,
        today: input.today,
      }).map((d) => [d.because.rule, d.weeks]),
    },
    instruction: {
      all: rules([
        ...fit.reasons,
        ...contagion.reasons,
        ...ofWholeVisit(input, kinds),
        ...whoIsTold(state, facts.house),
        ...pieces.flatMap((p) => p.blade?.reasons ?? []),
        ...pieces.flatMap((p) => [...p.cautions, ...p.hold.reasons, ...p.reasons.filter((r) => !r.rule.startsWith('rate.'))]),
        ...built.notPlanned.flatMap((n) => n.reasons),
        ...accountInEnglish(state, facts.form)
          .filter((l) => ['home', 'watch'].includes(l.section) || l.key.startsWith('found.mark'))
          .flatMap((l) => l.says),
      ]),
    },
  };
}

/** Answers of earlier visits: one of this autumn, one of last winter. */
const GIVEN_BEFORE = (
  [
    ['2026-10-01', 'photographs'],
    ['2026-01-05', 'vet_emergency'],
  ] as const
).map(([on, id]) => ({ on, consents: [{ id, agreed: true, name: 'Perpetua Glain', textVersion: CONSENT_TEXT_VERSION }] }));

/** The kinds of change between what follows from two days. */
export function changesBetween(a: Follows, b: Follows): Change[] {
  return CHANGES.filter((c) => Object.keys(a[c]).some((key) => key in b[c] && JSON.stringify(a[c][key]) !== JSON.stringify(b[c][key])));
}

/** A day with nothing against it. */
export function aDay(form: DogForm, change: Partial<DayFacts> = {}): DayFacts {
  return {
    form,
    fit: { signs: [], vetAgreed: true, told: [], roomCelsius: 20 },
    feelOver: { ...NOTHING_FOUND, favours: 'none' },
    asked: { items: ['bath', 'body_clip', 'face', 'feet', 'sanitary', 'nails', 'ears'], wantedMm: 3, sessionMinutes: 180 },
    helperThere: false,
    weightKg: undefined,
    past: [],
    house: HOUSE_DEFAULTS,
    drawer: BLADES,
    guards: GUARDS,
    trained: true,
    ...change,
  };
}
