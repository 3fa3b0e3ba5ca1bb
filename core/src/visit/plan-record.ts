import type { PlanRecord, Said } from '../log/index.js';
import type { HandlingPlan, PlanNow } from '../plan/index.js';
import { activityOf, type Saying, type StepId, type StepName, type ZoneId } from '../words/index.js';

const CURVE_POINTS = 240;

/** How a saying is shown, and what a step is called: the language of whoever takes the plan. */
export interface PlanWords {
  readonly say: (saying: Saying) => string;
  readonly stepOf: (step: { readonly id: StepId; readonly name: StepName; readonly zones: readonly ZoneId[] }) => string;
}

/**
 * The plan as it is written into the record when the groomer takes it: sentences as they were shown, so that the record stays readable,
 * with the rule and facts of each.
 */
export function planRecordOf(plan: HandlingPlan, words: PlanWords): PlanRecord {
  const said = (s: Saying): Said => ({ said: words.say(s), rule: s.rule, facts: told(s) });
  const every = Math.max(1, Math.ceil(plan.curve.length / CURVE_POINTS));
  return {
    steps: plan.steps.map((s) => ({
      id: s.id,
      name: s.name,
      label: words.stepOf(s),
      zones: [...s.zones],
      pieces: piecesOf(s),
      posture: s.posture,
      share: Math.min(
        1,
        s.pieces.reduce((sum, p) => sum + p.share, 0),
      ),
      tier: s.tier,
      from: s.from,
      to: s.to,
      minutes: s.minutes,
      minutesRange: [s.minutesRange[0], s.minutesRange[1]],
      breakMinutes: s.breaks.map((b) => b.minutes),
      breakAfter: s.breaks.map((b) => b.after),
      breakWhen: s.breaks.map((b) => (b.when ? said(b.when) : null)),
      ratePerMinute: s.rate.mean,
      lastingPerMinute: s.rate.lasting,
      kindPerMinute: s.rate.kindLasting,
      hold: s.hold.hold,
      also: [...s.hold.also],
      blade: s.blade?.blade ?? null,
      guard: s.blade?.guard?.id ?? null,
      cautions: s.cautions.map(said),
      why: [...s.hold.reasons, ...s.whyHere, ...s.reasons].map(said),
    })),
    curve: plan.curve.filter((_, i) => i % every === 0 || i === plan.curve.length - 1).map((p) => ({ ...p })),
    minutes: plan.minutes,
    startStrain: plan.startStrain,
    halfLifeMinutes: plan.halfLifeMinutes,
    halfLifeLikely: plan.halfLifeLikely,
    fatiguePerMinute: plan.fatiguePerMinute,
    kinds: plan.kinds.map((k) => k.kind),
    uncounted: [...plan.uncounted],
    notToday: plan.notToday.map((n) => ({
      what: said(n.what),
      to: n.to,
      why: n.reasons.map(said),
      withinDays: n.withinDays ?? null,
      ...(n.activity ? { activity: n.activity, zones: [...n.zones] } : {}),
    })),
    secondVisitWeeks: plan.secondVisit?.inWeeks ?? null,
  };
}

/**
 * A plan that was made from the middle of the work, as the record of the whole visit: what is over stays as it was planned, what is
 * still to do follows from now.
 */
export function recordFromHere(taken: PlanRecord, plan: HandlingPlan, now: PlanNow, words: PlanWords): PlanRecord {
  const rest = planRecordOf(plan, words);
  const over = taken.steps.filter((s) => now.begun.some((b) => b.step === s.id && b.status !== 'running'));
  const later = (minute: number): number => minute + now.minute;
  return {
    ...rest,
    steps: [...over, ...rest.steps.map((s) => ({ ...s, id: freeId(s, over), from: later(s.from), to: later(s.to) }))],
    curve: [...taken.curve.filter((p) => p.minute < now.minute), ...rest.curve.map((p) => ({ ...p, minute: later(p.minute) }))].slice(
      -CURVE_AT_MOST,
    ),
    minutes: later(rest.minutes),
    // Measured strain is counted from what the dog brought in the morning, not from now.
    startStrain: taken.startStrain,
    halfLifeMinutes: taken.halfLifeMinutes,
    ...(taken.halfLifeLikely === undefined ? {} : { halfLifeLikely: taken.halfLifeLikely }),
  };
}
const CURVE_AT_MOST = 600;

type PlannedStepRecord = PlanRecord['steps'][number];

/** A step of places that were opened again has another name than the one that is over. */
function freeId(step: PlannedStepRecord, over: readonly PlannedStepRecord[]): StepId {
  const taken = (id: StepId): boolean => over.some((s) => s.id === id);
  const names = step.zones.map((zone): StepId => `${activityOf(step.id)}@${zone}`);
  return taken(step.id) ? (names.find((id) => !taken(id)) ?? step.id) : step.id;
}

/** The places of a step, their minutes adding up to those of the step. */
function piecesOf(step: HandlingPlan['steps'][number]): PlannedStepRecord['pieces'] {
  const whole = step.pieces.reduce((sum, p) => sum + p.minutes, 0);
  return step.pieces.map((p) => ({
    id: p.id,
    zones: [...p.zones],
    minutes: Math.round((100 * step.minutes * p.minutes) / whole) / 100,
    blade: p.blade?.blade ?? null,
    guard: p.blade?.guard?.id ?? null,
    mm: p.blade?.blade ? p.blade.lengthMm : null,
    marks: p.marks.map((m) => m.markId),
    painfulMinutes: Math.round(100 * p.painfulMinutes) / 100,
  }));
}

/** The breaks of a planned step: after how many minutes of its own work each comes, and its minute in the plan. */
export function breaksOfStep(
  step: PlanRecord['steps'][number],
): { readonly minutes: number; readonly after: number; readonly from: number; readonly when: string }[] {
  const breaks = step.breakMinutes.map((m, i) => ({ minutes: m, after: step.breakAfter?.[i] ?? 0, when: step.breakWhen?.[i]?.said ?? '' }));
  let begins = step.from - breaks.reduce((sum, b) => sum + (b.after === 0 ? b.minutes : 0), 0);
  return breaks.map((b) => {
    const from = begins + b.after;
    begins += b.minutes;
    return { ...b, from };
  });
}

/** Facts that are there, as JSON carries them; the schema of the event checks them again. */
function told({ facts }: Saying): NonNullable<Said['facts']> {
  return JSON.parse(JSON.stringify(facts)) as NonNullable<Said['facts']>;
}
