import { BLADES, GUARDS, type Blade, type Guard } from '../blades/index.js';
import type { DogFacts } from '../dogs/index.js';
import { CONTACT_MINUTES, fitToGroom, type FitResult } from '../fit/index.js';
import { HOUSE_DEFAULTS, type HouseRules } from '../house-rules/index.js';
import type { BreakSeen } from '../learning/index.js';
import type { ActivityHistory, CarriedOver, HandlingPlan, Pace, PlanInput, PlanNow, TimeSeen } from '../plan/index.js';
import { sayReason } from '../reasons/index.js';
import type { PlanRecord } from './events.js';
import type { VisitState } from './state.js';

export interface PlanContext {
  readonly dog: DogFacts;
  readonly history: readonly ActivityHistory[];
  /** Watched breaks of earlier visits. */
  readonly breaks: readonly BreakSeen[];
  /** The groomer is trained with #30 and closer. */
  readonly trained: boolean;
  /** The salon's own answers and tools; our defaults and the nominal set while it has not said. */
  readonly house?: HouseRules;
  readonly drawer?: readonly Blade[];
  readonly guards?: readonly Guard[];
  /** ISO date. */
  readonly today: string;
  readonly times?: readonly TimeSeen[];
  readonly pace?: readonly Pace[];
  readonly carriedOver?: readonly CarriedOver[];
}

/** The dog of the file with what the scale and the hands say today: what is felt comes before what is written. */
export function dogAsFelt(state: Pick<VisitState, 'weightKg' | 'feelOver'>, dog: DogFacts): DogFacts {
  const mouth = state.feelOver.looked?.mouth === 'no_front_teeth' && !dog.conditions.includes('no_front_teeth');
  return {
    ...dog,
    ...(state.weightKg === undefined ? {} : { weightKg: state.weightKg }),
    ...(mouth ? { conditions: [...dog.conditions, 'no_front_teeth' as const] } : {}),
  };
}

/** Fit to groom, from the answers in the visit and the facts in the file. Unanswered questions hold the plan back. */
export function fitOf(state: VisitState, dog: DogFacts, today: string): FitResult | undefined {
  return (
    state.fit &&
    fitToGroom({
      dog: dogAsFelt(state, dog),
      ...state.fit,
      looked: state.feelOver.looked,
      pelted: state.feelOver.zones.some((z) => z.matGrade === 4),
      contactMinutes: CONTACT_MINUTES,
      today,
    })
  );
}

/** Room when nobody read the thermometer, °C. Our default. */
export const USUAL_ROOM_CELSIUS = 21;

const REFUSABLE = ['close_clip', 'clip_off', 'muzzle'] as const;

/** What the planner reads, from a visit and its context; `undefined` until the fit questions are answered. */
export function planInputOf(state: VisitState, context: PlanContext): PlanInput | undefined {
  const fit = fitOf(state, context.dog, context.today);
  return (
    fit && {
      dog: dogAsFelt(state, context.dog),
      feelOver: state.feelOver,
      asked: state.asked,
      history: context.history,
      fit: fit.verdict,
      helperThere: state.helperThere,
      refused: REFUSABLE.filter((c) => state.consents.get(c)?.agreed === false),
      trained: context.trained,
      breaks: context.breaks,
      told: state.fit?.told ?? [],
      roomCelsius: state.fit?.roomCelsius ?? USUAL_ROOM_CELSIUS,
      house: context.house ?? HOUSE_DEFAULTS,
      drawer: context.drawer ?? BLADES,
      guards: context.guards ?? GUARDS,
      today: context.today,
      helperWindows: state.helperMinutes ? [state.helperMinutes] : undefined,
      times: context.times,
      pace: context.pace,
      carriedOver: context.carriedOver,
      wishes: state.wishes,
      way: state.way,
    }
  );
}

const CURVE_POINTS = 240;

/** The plan as it is written into the record when the groomer takes it: sentences as shown, so that the record stays readable. */
export function planRecordOf(plan: HandlingPlan): PlanRecord {
  const every = Math.max(1, Math.ceil(plan.curve.length / CURVE_POINTS));
  return {
    steps: plan.steps.map((s) => ({
      id: s.activity,
      label: s.label,
      zones: [...s.zones],
      tier: s.tier,
      from: s.from,
      to: s.to,
      minutes: s.minutes,
      minutesRange: [s.minutesRange[0], s.minutesRange[1]],
      breakMinutes: s.breaks.map((b) => b.minutes),
      ratePerMinute: s.rate.mean,
      hold: s.hold.hold,
      also: [...s.hold.also],
      blade: s.blade?.blade ?? null,
      guard: s.blade?.guard?.id ?? null,
      cautions: s.cautions.map(sayReason),
      why: [...s.hold.reasons, ...s.whyHere, ...s.reasons].map(sayReason),
    })),
    curve: plan.curve.filter((_, i) => i % every === 0 || i === plan.curve.length - 1).map((p) => ({ ...p })),
    minutes: plan.minutes,
    startStrain: plan.startStrain,
    halfLifeMinutes: plan.halfLifeMinutes,
    uncounted: [...plan.uncounted],
    notToday: plan.notToday.map((n) => ({
      what: n.what,
      to: n.to,
      why: n.reasons.map(sayReason),
      ...(n.activity ? { activity: n.activity } : {}),
    })),
    secondVisitWeeks: plan.secondVisit?.inWeeks ?? null,
  };
}

/**
 * A plan that was made from the middle of the work, as the record of the whole visit: what is over stays as it was planned, what is
 * still to do follows from now.
 */
export function recordFromHere(taken: PlanRecord, plan: HandlingPlan, now: PlanNow): PlanRecord {
  const rest = planRecordOf(plan);
  const over = taken.steps.filter((s) => now.begun.some((b) => b.activity === s.id && b.status !== 'running'));
  const later = (minute: number): number => minute + now.minute;
  return {
    ...rest,
    steps: [...over, ...rest.steps.map((s) => ({ ...s, from: later(s.from), to: later(s.to) }))],
    curve: [...taken.curve.filter((p) => p.minute < now.minute), ...rest.curve.map((p) => ({ ...p, minute: later(p.minute) }))].slice(
      -CURVE_AT_MOST,
    ),
    minutes: later(rest.minutes),
    // Measured strain is counted from what the dog brought in the morning, not from now.
    startStrain: taken.startStrain,
    halfLifeMinutes: taken.halfLifeMinutes,
  };
}
const CURVE_AT_MOST = 600;
