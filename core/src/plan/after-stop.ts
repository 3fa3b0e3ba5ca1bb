import { learnHalfLife, MOOD_START } from '../strain/index.js';
import { type Activity, type HoldId, type Reason, reason, type StepId } from '../words/index.js';
import type { BuiltStep } from './group-steps.js';
import { inPercent } from './in-percent.js';
import { partsOf, type PlanProblem } from './model.js';
import type { PlanInput } from './plan-input.js';
import { chanceReckoner } from './reckoned-chance.js';

/** A visit that was stopped for the dog's sake, as far as the next plan must know it: it is never heavier. */
export interface StoppedPlan {
  /** ISO date. */
  readonly on: string;
  /** Minutes of the visit. */
  readonly minutes: number;
  /** Of work that hurt and was done; `undefined` where plans did not say. */
  readonly painfulMinutes: number | undefined;
  /** Muzzle and helper, where the plan had them. */
  readonly protections: readonly HoldId[];
  /** The work of its plan, with its breaks. */
  readonly steps: readonly {
    readonly id: StepId;
    readonly activity: Activity;
    readonly minutes: number;
    readonly ratePerMinute: number;
    readonly breaks: readonly { readonly minutes: number; readonly after: number }[];
  }[];
}

/** What protects dog and people beside the hands. Common practice, no source. */
export const PROTECTIONS: readonly HoldId[] = ['helper', 'muzzle'];
/** The next plan is stopped at most this share as often as the stopped one would be now; without more protection it holds this share of its work. Our defaults. */
const NO_MORE_OFTEN = 0.5;
const SPLIT_TO = 0.6;

/** How the plan after a stop is made lighter. */
export interface Lighter {
  /** What the stopped plan would come to now. */
  readonly stopThen: number;
  readonly stopAtMost: number;
  /** Minutes of work at most; `undefined` where there is a protection more than then. */
  readonly workAtMost: number | undefined;
  readonly more: readonly HoldId[];
}

/**
 * What the plan after a stop is held to: half the chance that the stopped plan would have as the dog is known now, and one more protection, or
 * a part of its work.
 * @param steps what this visit could have
 * @returns `undefined` where no visit was stopped lately
 */
export function lighterAfterStop(input: PlanInput, steps: readonly BuiltStep[], problem: PlanProblem): Lighter | undefined {
  const { stopped } = input;
  if (!stopped || input.way === 'with_risk') return undefined;
  const more = PROTECTIONS.filter((p) => !stopped.protections.includes(p) && steps.some((s) => s.hold.also.includes(p)));
  const stopThen = chanceNow(input, stopped, steps, problem);
  const workThen = stopped.steps.reduce((sum, s) => sum + s.minutes, 0);
  return { stopThen, stopAtMost: NO_MORE_OFTEN * stopThen, workAtMost: more.length > 0 ? undefined : SPLIT_TO * workThen, more };
}

/** The chance of a stop that the stopped plan would have with what is known of the dog now. */
function chanceNow(input: PlanInput, stopped: StoppedPlan, built: readonly BuiltStep[], problem: PlanProblem): number {
  const now = (s: StoppedPlan['steps'][number]): BuiltStep | undefined => built.find((b) => b.activity === s.activity);
  const known = stopped.steps.flatMap((s) => {
    const then = now(s);
    return then && s.ratePerMinute > 0 ? [then.rate.mean / s.ratePerMinute] : [];
  });
  // Work that is not asked for today is taken to have grown as the rest has.
  const grown = known.length > 0 ? known.reduce((a, b) => a + b, 0) / known.length : 1;
  const steps = stopped.steps.map((s) => ({
    id: s.id,
    tier: 'welfare' as const,
    worth: 1,
    minutes: Math.max(0.5, s.minutes),
    ratePerMinute: now(s)?.rate.mean ?? s.ratePerMinute * grown,
    post: 'table' as const,
    standing: false,
  }));
  const old: PlanProblem = { ...problem, steps, order: [], lags: [], required: [], startStrain: MOOD_START[input.feelOver.mood] };
  const chosen = stopped.steps.map((s, i) => {
    const { count, minutes } = partsOf(steps[i] ?? { ...FIRST, minutes: s.minutes }, Infinity);
    const breaks = new Array<number>(count).fill(0);
    for (const b of s.breaks) {
      const part = Math.min(count - 1, Math.round(b.after / minutes));
      breaks[part] = (breaks[part] ?? 0) + b.minutes;
    }
    return { step: i, breaks };
  });
  const spreads = stopped.steps.map((s) => ({ rateShape: now(s)?.rate.shape ?? USUAL_SHAPE, minutesSpread: 0 }));
  const halfLifeMinutes = learnHalfLife(input.breaks, input.wholeVisits).middle;
  return chanceReckoner({ problem: old, spreads, halfLifeMinutes })(chosen).stop;
}
const FIRST = { id: '', tier: 'welfare', worth: 1, ratePerMinute: 0, post: 'table', standing: false } as const;
/** How well a rate is known of which nothing of this dog was seen. */
const USUAL_SHAPE = 4;

/** What the stop has changed in this plan. */
export function afterStopReasons(input: PlanInput, lighter: Lighter | undefined, painfulLimit: number): Reason[] {
  const { stopped } = input;
  if (!stopped || !lighter) return [];
  return [
    reason(
      'plan.after_stop',
      {
        on: stopped.on,
        minutes: Math.round(stopped.minutes),
        before: inPercent(lighter.stopThen),
        stop_limit: inPercent(lighter.stopAtMost),
      },
      0.95,
    ),
    ...(stopped.painfulMinutes ? [reason('plan.after_stop_pain', { limit: painfulLimit, minutes: stopped.painfulMinutes }, 0.9)] : []),
    lighter.workAtMost === undefined
      ? reason('plan.after_stop_protected', { holds: lighter.more }, 0.8)
      : reason('plan.after_stop_split', { work: Math.round(lighter.workAtMost) }, 0.8),
  ];
}
