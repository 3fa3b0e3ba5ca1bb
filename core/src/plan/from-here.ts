import { type Activity, type BladeId, type Post, reason, saying } from '../words/index.js';
import { BATHING, ORDER_FACTS, type OrderContext } from '../work/index.js';
import type { NotPlanned } from './build-steps.js';
import type { BuiltStep } from './make-step.js';
import type { PlanProblem } from './model.js';

/** Where the work stands when the rest is planned anew. */
export interface PlanNow {
  /** Minutes since the work began. */
  readonly minute: number;
  /** Measured strain, 0 to 100. */
  readonly strain: number;
  /** Minutes on the feet without a rest, and in all. */
  readonly standingMinutes: number;
  readonly standingTotalMinutes: number;
  /** Minutes of work done. */
  readonly workedMinutes: number;
  readonly post: Post;
  /** Steps that were begun: `running` goes on, the others are over. */
  readonly begun: readonly {
    readonly activity: Activity;
    readonly status: 'running' | 'done' | 'part' | 'left';
    readonly minutes: number;
  }[];
  /** Blades that are not cold, °C. */
  readonly blades?: readonly { readonly blade: BladeId; readonly celsius: number }[];
}

/** A running step has at least this much left, minutes. */
const LEAST_LEFT_MINUTES = 1;

/** What is left to do: the running step with its remaining minutes, no step that is over, none whose ground was left out. */
export function stepsFromHere(
  steps: readonly BuiltStep[],
  now: PlanNow,
  at: OrderContext,
): { readonly steps: BuiltStep[]; readonly notPlanned: NotPlanned[] } {
  const begun = new Map(now.begun.map((b) => [b.activity, b]));
  const notPlanned: NotPlanned[] = [];
  const groundless = withoutGround(
    steps,
    now.begun.filter((b) => b.status === 'left').map((b) => b.activity),
    at,
  );
  const left = steps.flatMap((s) => {
    const progress = begun.get(s.activity);
    if (!progress) {
      // What it needs was left: mats that stay in, crust that was not soaked.
      const needs = groundless.get(s.activity);
      if (needs === undefined) return [s];
      const other = steps.find((x) => x.activity === needs)?.name ?? needs;
      notPlanned.push({
        what: saying('what.step', { step: s.name }),
        activity: s.activity,
        zones: s.zones,
        to: 'another_visit',
        reasons: [reason('left.needs_other', { other }, 0.9)],
      });
      return [];
    }
    if (progress.status !== 'running') return [];
    const minutes = Math.max(LEAST_LEFT_MINUTES, s.minutes - progress.minutes);
    const share = minutes / s.minutes;
    return [{ ...s, minutes, minutesRange: [s.minutesRange[0] * share, s.minutesRange[1] * share] as const }];
  });
  return { steps: left, notPlanned };
}

/** Steps that cannot be done because something they need was left, each with what it needs; and what needs those in turn. */
function withoutGround(steps: readonly BuiltStep[], left: readonly Activity[], at: OrderContext): ReadonlyMap<Activity, Activity> {
  const needs = new Map<Activity, Activity>();
  const gone = [...left];
  for (let next = gone.pop(); next !== undefined; next = gone.pop())
    for (const f of ORDER_FACTS) {
      if (f.first !== next || f.kind === 'before' || needs.has(f.then) || !(f.when?.(at) ?? true)) continue;
      if (!steps.some((s) => s.activity === f.then)) continue;
      needs.set(f.then, next);
      gone.push(f.then);
    }
  return needs;
}

/** Minutes of rest and ways that drying a strained dog may take beside its work, when the owner is due. Our default. */
const REST_WHILE_WET_MINUTES = 30;

/** The same problem from where the work stands: strain, clocks, place, and what of the limits is left. */
export function problemFromHere(problem: PlanProblem, now: PlanNow): PlanProblem {
  const tired = 1 + problem.fatiguePerMinute * now.workedMinutes;
  const running = now.begun.find((b) => b.status === 'running')?.activity;
  const has = (id: string): boolean => problem.steps.some((s) => s.id === id);
  const wet = has('dry') && now.begun.some((b) => b.status !== 'left' && BATHING.some((a) => a === b.activity));
  // A wet dog is dried, whatever the clocks say: what that takes is always left.
  const drying = wet ? problem.steps.filter((s) => BATHING.some((a) => a === s.id)) : [];
  const dryingMinutes = drying.reduce((sum, s) => sum + s.minutes, 0);
  const dryingStanding = drying.reduce((sum, s) => sum + (s.standing ? s.minutes : 0), 0);
  return {
    ...problem,
    steps: problem.steps.map((s) => ({ ...s, ratePerMinute: s.ratePerMinute * tired })),
    order: [
      ...problem.order,
      ...(running !== undefined && has(running)
        ? problem.steps.flatMap((s) =>
            s.id === running ? [] : [{ first: running, then: s.id, kind: 'before' as const, rule: 'now.running' as const }],
          )
        : []),
    ],
    required: [...(problem.required ?? []), ...(wet ? BATHING.filter((a) => has(a) && a !== 'bath') : [])],
    startStrain: now.strain,
    startStandingMinutes: now.standingMinutes,
    startPost: now.post,
    fatiguePerMinute: problem.fatiguePerMinute / tired,
    totalStandingMinutes: Math.max(dryingStanding, problem.totalStandingMinutes - now.standingTotalMinutes),
    workMinutes: Math.max(dryingMinutes, problem.workMinutes - now.workedMinutes),
    sessionMinutes: Math.max(wet ? dryingMinutes + REST_WHILE_WET_MINUTES : 0, problem.sessionMinutes - now.minute),
    ...(problem.helperWindows
      ? {
          helperWindows: problem.helperWindows
            .map(([from, to]) => [from - now.minute, to - now.minute] as const)
            .filter(([, to]) => to > 0),
        }
      : {}),
  };
}
