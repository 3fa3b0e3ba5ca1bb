import { type Reason, reason, type StepName } from '../words/index.js';
import { WATCH_AT } from '../strain/index.js';
import type { OrderRule } from '../work/index.js';
import type { BuiltStep } from './group-steps.js';
import type { ChosenStep, PlanProblem } from './model.js';
import { simulate } from './simulate.js';
import type { Solution } from './solution.js';
import { bearableAlone, solveInOrder } from './solve-in-order.js';

/** Why a break lies where it lies: what would happen without it. */
export function whyBreak(
  problem: PlanProblem,
  chosen: readonly ChosenStep[],
  at: number,
  part: number,
  steps: readonly BuiltStep[],
): Reason {
  const without = chosen.map((c, i) => (i === at ? { step: c.step, breaks: c.breaks.map((b, j) => (j === part ? 0 : b)) } : c));
  const then = simulate(problem, without);
  const name = nameAt(steps, chosen[at]?.step);
  if (then.broken?.limit === 'standing')
    return reason('break.standing', { step: name, minutes: then.broken.value, limit: problem.continuousStandingMinutes }, 0.9);
  if (then.broken?.limit === 'strain') {
    const breaker = nameAt(steps, then.broken.step);
    return reason('break.strain', { step: breaker, strain: Math.round(then.broken.value) }, 0.9);
  }
  if (then.broken?.limit === 'lag') return reason('break.soak', { step: nameAt(steps, then.broken.step) }, 0.9);
  if (then.broken?.limit === 'helper') return reason('break.helper', { step: nameAt(steps, then.broken.step) }, 0.9);
  if (then.broken?.limit === 'rest') return reason('break.hurts', { step: name }, 0.9);
  const now = simulate(problem, chosen);
  return reason('break.dose', { saved: Math.round(then.dose - now.dose), peak: Math.round(then.peak), now: Math.round(now.peak) }, 0.6);
}

/**
 * By what is seen a break begins. Where breaks lie is the least certain of a plan: rates that are off by a fifth move most of them, and
 * hardly any step. So the clock is the latest, and a sign or the meter comes first.
 * @param because why the break is there @param pause of the plan, with the strain at which it begins
 */
export function whenBreak(because: Reason, pause: { readonly strainFrom: number }, standingMinutes: number): Reason | undefined {
  // What strain it begins at is predicted: below the line of watch there is nothing to wait for.
  const strain = Math.max(WATCH_AT, Math.ceil(pause.strainFrom));
  if (because.rule === 'break.dose' || because.rule === 'break.strain') return reason('break.when_strain', { strain }, 0.7);
  if (because.rule === 'break.standing') return reason('break.when_standing', { limit: Math.round(standingMinutes) }, 0.7);
  if (because.rule === 'break.hurts') return reason('break.when_hurts', {}, 0.7);
  return undefined;
}

/** Why a step lies where it lies: the rule that keeps it after the one before, or what an exchange of the two would cost. */
export function whyHere(problem: PlanProblem, solution: Solution, at: number, steps: readonly BuiltStep[]): Reason[] {
  const reasons: Reason[] = [];
  const chosen = solution.chosen;
  const me = steps[chosen[at]?.step ?? -1];
  if (!me) return reasons;
  const before = at > 0 ? steps[chosen[at - 1]?.step ?? -1] : undefined;
  const order = chosen.map((c) => c.step);
  if (problem.order.some((r) => ofWish(r) && (r.first === me.id || r.then === me.id))) reasons.push(reason('wish.place', {}, 0.9));
  const bound = before ? problem.order.find((r) => r.first === before.id && r.then === me.id) : undefined;
  if (bound && !ofWish(bound)) reasons.push(reason(bound.rule, {}, 0.8));
  for (const rule of problem.order.filter(
    (r) => r.then === me.id && r.first !== before?.id && order.some((i) => steps[i]?.id === r.first),
  )) {
    if (!reasons.some((r) => r.rule === rule.rule)) reasons.push(reason(rule.rule, {}, 0.6));
  }
  if (before && !bound) {
    const swapped = [...order];
    const [a, b] = [order[at - 1], order[at]];
    if (a === undefined || b === undefined) return reasons;
    swapped[at - 1] = b;
    swapped[at] = a;
    reasons.push(exchangeReason(problem, solution, swapped, before.name));
  }
  const next = at + 1 < chosen.length ? steps[chosen[at + 1]?.step ?? -1] : undefined;
  const holdsNext = next ? problem.order.find((r) => r.first === me.id && r.then === next.id) : undefined;
  if (holdsNext && reasons.length === 0) reasons.push(reason(holdsNext.rule, {}, 0.6));
  if (reasons.length === 0) reasons.push(reason('here.first', {}, 0.2));
  return reasons;
}

/** Labels for the breaks of an order that is only told of. Our default. */
const EXCHANGE_LABELS = 100_000;

function exchangeReason(problem: PlanProblem, solution: Solution, swapped: readonly number[], other: StepName): Reason {
  // Good breaks will do for a sentence; that there are none is said only after the whole search.
  const then = solveInOrder(problem, swapped, EXCHANGE_LABELS) ?? solveInOrder(problem, swapped);
  if (!then) return reason('here.exchange_impossible', { other }, 0.8);
  const now = simulate(problem, solution.chosen);
  const would = simulate(problem, then.chosen);
  if (would.dose - now.dose > 0.5)
    return reason(
      'here.exchange_strain',
      { other, would: Math.round(would.dose), now: Math.round(now.dose), peak: Math.round(would.peak) },
      0.7,
    );
  if (would.minutes - now.minutes > 0.4) return reason('here.exchange_minutes', { other, minutes: would.minutes - now.minutes }, 0.5);
  return reason('here.exchange_equal', { other }, 0.1);
}

/** Why a step was left for another day: the limit that it would pass on top of what is done today. */
export function whyLeftOut(problem: PlanProblem, index: number, steps: readonly BuiltStep[], chosen: readonly ChosenStep[]): Reason[] {
  const step = problem.steps[index];
  const built = steps[index];
  if (!step || !built) return [];
  const done = new Set(chosen.map((c) => c.step));
  const missing = problem.order.find(
    (r) => r.then === step.id && r.kind === 'requires' && !problem.steps.some((s, i) => s.id === r.first && done.has(i)),
  );
  if (missing) return [reason('left.needs_other', { other: nameIn(steps)(missing.first) }, 0.9)];
  if (!bearableAlone(problem, index)) return [reason('left.strain_alone', { rate: built.rate.mean, tier: step.tier }, 0.9)];
  const run = simulate(problem, chosen);
  const worked = chosen.reduce((sum, c) => sum + (problem.steps[c.step]?.minutes ?? 0), 0);
  // A bath is not done without its drying: what belongs together is counted together.
  const together = problem.steps.filter(
    (s, i) =>
      !done.has(i) &&
      (s.id === step.id ||
        problem.order.some((r) => r.kind === 'finishes' && [r.first, r.then].includes(step.id) && [r.first, r.then].includes(s.id))),
  );
  const minutes = together.reduce((sum, s) => sum + s.minutes, 0);
  const standing = together.reduce((sum, s) => sum + (s.standing ? s.minutes : 0), 0);
  const reasons: Reason[] = [];
  if (worked + minutes > problem.workMinutes) reasons.push(reason('left.work', { limit: problem.workMinutes, minutes }, 0.9));
  if (run.standingMinutes + standing > problem.totalStandingMinutes)
    reasons.push(reason('left.standing', { limit: problem.totalStandingMinutes, minutes: standing }, 0.9));
  if (run.minutes + minutes > problem.sessionMinutes) reasons.push(reason('left.session', { limit: problem.sessionMinutes, minutes }, 0.8));
  if (reasons.length === 0) reasons.push(reason('left.together', { minutes }, 0.8));
  return reasons;
}

/** What a step is called, by its place in a problem. @throws RangeError for a place that is not there */
function nameAt(steps: readonly BuiltStep[], at: number | undefined): StepName {
  const step = at === undefined ? undefined : steps[at];
  if (!step) throw new RangeError(`nameAt: no step ${at}`);
  return step.name;
}

/** What a step is called, by its id in a problem. @throws RangeError for a step that is not among them */
export function nameIn(steps: readonly Pick<BuiltStep, 'id' | 'name'>[]): (id: string) => StepName {
  return (id) => {
    const step = steps.find((s) => s.id === id);
    if (!step) throw new RangeError(`nameIn: no step "${id}"`);
    return step.name;
  };
}

const ofWish = (r: OrderRule): boolean => r.rule === 'wish.place';
