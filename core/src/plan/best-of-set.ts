import { chosenSteps, type Label } from './label.js';
import { POINT_MINUTES_PER_MINUTE, type PlanProblem } from './model.js';
import { burden } from './objective.js';
import { precedenceOf } from './precedence.js';
import { search, type Search } from './search.js';
import { simulate } from './simulate.js';

/** A set of steps that can be done within all limits, with the quickest way to do it. */
export interface FeasibleSet {
  readonly mask: number;
  readonly quickest: Label;
}
/** A plan for a set of steps. */
export interface Ended {
  readonly label: Label;
  readonly mask: number;
}
export interface BestOfSet {
  readonly best: Ended | undefined;
  readonly looked: number;
  /** No plan of the set has less burden than this. */
  readonly lowerBound: number;
}

/** Labels a beam keeps in each state. */
export const BEAM = 12;
/** Prices of a minute that are tried when the plan at the model's own price is too long; below `watch`, see `leastBurden`. */
const DEARER_MINUTES = [6, 12, 24] as const;
const EPS = 1e-9;

/**
 * The best order and breaks for exactly the steps of a set, and a burden that no plan of the set can be below.
 *
 * The session limit is what makes this hard, so it is first left out: then labels need not be kept for their minutes, and when
 * that plan fits it is the best one. When it does not fit, minutes are made dearer (a Lagrange multiplier μ on the limit): a plan
 * found so that fits is a good one, and for any μ above the model's price `dose + μ·T − (μ − price)·session` of the best unlimited
 * plan is a bound that no plan within the session can be below. Then the search with minutes closes the gap, as far as its budget goes.
 */
export function bestOfSet(problem: PlanProblem, set: FeasibleSet, incumbent: Ended | undefined, budget: number): BestOfSet {
  const sub = subProblem(problem, set.mask);
  const p = precedenceOf(sub.problem);
  const limit = incumbent?.label.burden ?? Infinity;
  let looked = 0;
  const ask = (s: Partial<Search>): { label: Label | undefined; cut: boolean } => {
    const standard = {
      problem: sub.problem,
      p,
      perMinute: POINT_MINUTES_PER_MINUTE,
      keepMinutes: true,
      width: Infinity,
      rank: 'bound',
      below: Infinity,
      budget: Infinity,
    } as const;
    const found = search({ ...standard, ...s });
    looked += found.looked;
    return { label: found.label && relabel(found.label, sub.indices), cut: found.cut };
  };
  let best = withDose(problem, set.quickest);
  let lowerBound = 0;
  const offer = (label: Label | undefined): void => {
    if (!label || label.minutes > problem.sessionMinutes + EPS) return;
    const priced = withDose(problem, label);
    if (priced.burden < best.burden) best = priced;
  };
  const ended = (): BestOfSet => ({
    best: best.burden < limit ? { label: best, mask: set.mask } : undefined,
    looked,
    lowerBound: Math.min(lowerBound, limit, best.burden),
  });

  const unlimited = { problem: { ...sub.problem, sessionMinutes: Infinity }, keepMinutes: false };
  for (const perMinute of [POINT_MINUTES_PER_MINUTE, ...DEARER_MINUTES]) {
    const beam = ask({ ...unlimited, perMinute, width: BEAM, rank: 'strain' }).label;
    const exact = ask({ ...unlimited, perMinute, below: beam?.burden ?? Infinity, budget: budget - looked });
    const least = exact.label ?? beam;
    if (!least) break;
    offer(least);
    if (!exact.cut) lowerBound = Math.max(lowerBound, least.burden - (perMinute - POINT_MINUTES_PER_MINUTE) * problem.sessionMinutes);
    if (lowerBound >= Math.min(limit, best.burden) - EPS) return ended();
    if (least.minutes <= problem.sessionMinutes + EPS || exact.cut) break;
  }
  offer(ask({ width: BEAM, rank: 'bound' }).label);
  offer(ask({ width: BEAM, rank: 'strain' }).label);
  const timed = ask({ below: Math.min(limit, best.burden), budget: budget - looked });
  offer(timed.label);
  if (!timed.cut) lowerBound = best.burden;
  return ended();
}

/** A way to do a set with its dose counted at the model's own price of a minute. */
function withDose(problem: PlanProblem, label: Label): Label {
  return { ...label, burden: burden(simulate(problem, chosenSteps(label))) };
}

/** The problem of some of its steps. */
export function subProblem(problem: PlanProblem, mask: number): { problem: PlanProblem; indices: readonly number[] } {
  const indices = problem.steps.flatMap((_, i) => (mask & (1 << i) ? [i] : []));
  const steps = indices.flatMap((i) => problem.steps[i] ?? []);
  const has = (id: string): boolean => steps.some((s) => s.id === id);
  return { indices, problem: { ...problem, steps, order: problem.order.filter((r) => has(r.first) && has(r.then)) } };
}

/** A chain of labels with the step numbers of the whole problem. */
export function relabel(label: Label, indices: readonly number[]): Label {
  return {
    ...label,
    parent: label.parent && relabel(label.parent, indices),
    step: label.step < 0 ? -1 : (indices[label.step] ?? -1),
  };
}
