import { type Reason, reason, type StepName } from '../words/index.js';
import { isLagAmong, type OrderRule } from '../work/index.js';
import { nameIn } from './explain.js';
import type { BuiltStep } from './group-steps.js';
import type { PlanProblem } from './model.js';
import { smallestClash } from './smallest-clash.js';
import { canBeDone } from './solve-in-order.js';
import { type PlanWish, wishRequires, wishRules } from './wishes.js';

/** Wishes that cannot all be met, and the fewest rules and limits that stand against them. */
export interface WishClash {
  readonly wishes: readonly PlanWish[];
  readonly reasons: readonly Reason[];
}

const LIMITS = ['session', 'work', 'total_standing', 'standing', 'strain', 'helper', 'lag'] as const;
type Limit = (typeof LIMITS)[number];

type Item =
  | { readonly kind: 'wish'; readonly wish: PlanWish }
  | { readonly kind: 'rule'; readonly rule: OrderRule }
  | { readonly kind: 'limit'; readonly limit: Limit };

/** A half-life so short that strain is gone at once: how the limit of strain is left out. */
const NO_STRAIN_MINUTES = 1e-3;

/**
 * The fewest wishes, rules and limits that cannot hold together. Each is left out in turn: an order rule is dropped, a limit is made
 * endless, a wish is forgotten; what is asked is whether the steps that the wishes insist on, with all that those need, can be done.
 * @param problem without wishes
 * @returns `undefined` when everything can be met
 */
export function findClash(
  problem: PlanProblem,
  wishes: readonly PlanWish[],
  steps: readonly BuiltStep[],
  planned: ReadonlySet<string>,
): WishClash | undefined {
  const asking = wishes.filter((w) => insistsOn(w, steps, planned).length > 0);
  const items: Item[] = [
    ...asking.map((wish) => ({ kind: 'wish' as const, wish })),
    ...LIMITS.map((limit) => ({ kind: 'limit' as const, limit })),
    ...problem.order.map((rule) => ({ kind: 'rule' as const, rule })),
  ];
  const clash = smallestClash(items, (kept) => canBeDone(problemWith(problem, kept, steps, planned)));
  return clash && told(clash, problem, steps);
}

/**
 * The fewest fixed places and order rules that go round in a circle, of the steps that were planned: a step that is moved by hand must
 * not push other work out of the plan by the order alone.
 */
export function findOrderClash(
  problem: PlanProblem,
  wishes: readonly PlanWish[],
  steps: readonly BuiltStep[],
  planned: ReadonlySet<string>,
): WishClash | undefined {
  const both = (r: OrderRule): boolean => planned.has(r.first) && planned.has(r.then);
  const items: Item[] = [
    ...wishes.filter((w) => w.kind === 'place').map((wish) => ({ kind: 'wish' as const, wish })),
    ...problem.order.filter(both).map((rule) => ({ kind: 'rule' as const, rule })),
  ];
  const rulesOf = (kept: readonly Item[]): OrderRule[] =>
    kept.flatMap((i) => (i.kind === 'rule' ? [i.rule] : i.kind === 'wish' ? wishRules(i.wish, steps).filter(both) : []));
  const clash = smallestClash(items, (kept) => !goesRound(rulesOf(kept)));
  return clash && told(clash, problem, steps);
}

/** Whether order rules lead from a step back to itself: steps without anything before them are taken away until none is left. */
function goesRound(rules: readonly OrderRule[]): boolean {
  let open = [...rules];
  for (;;) {
    const free = open.filter((r) => !open.some((x) => x.then === r.first));
    if (free.length === 0) return open.length > 0;
    open = open.filter((r) => !free.includes(r));
  }
}

function told(clash: readonly Item[], problem: PlanProblem, steps: readonly BuiltStep[]): WishClash {
  const label = nameIn(steps);
  return {
    wishes: clash.flatMap((i) => (i.kind === 'wish' ? [i.wish] : [])),
    reasons: clash.flatMap((i) => (i.kind === 'limit' ? [sayLimit(i.limit, problem)] : i.kind === 'rule' ? sayRule(i.rule, label) : [])),
  };
}

function sayRule(rule: OrderRule, label: (id: string) => StepName): Reason[] {
  return [reason('clash.order', { first: label(rule.first), then: label(rule.then) }, 0.9), reason(rule.rule, {}, 0.8)];
}

function sayLimit(limit: Limit, problem: PlanProblem): Reason {
  const limits: Readonly<Record<Limit, number>> = {
    session: Math.round(problem.sessionMinutes),
    work: Math.round(problem.workMinutes),
    total_standing: Math.round(problem.totalStandingMinutes),
    standing: Math.round(problem.continuousStandingMinutes),
    strain: 0,
    helper: 0,
    lag: 0,
  };
  return reason(`clash.${limit}`, { limit: limits[limit] }, 0.9);
}

/** A fixed place insists only on steps that are planned without it. */
function insistsOn(wish: PlanWish, steps: readonly BuiltStep[], planned: ReadonlySet<string>): string[] {
  return wishRequires(wish, steps).filter((id) => wish.kind === 'require' || planned.has(id));
}

/** The steps that the kept wishes insist on, under the kept rules and limits. */
function problemWith(problem: PlanProblem, kept: readonly Item[], steps: readonly BuiltStep[], planned: ReadonlySet<string>): PlanProblem {
  const wishes = kept.flatMap((i) => (i.kind === 'wish' ? [i.wish] : []));
  const order = [...kept.flatMap((i) => (i.kind === 'rule' ? [i.rule] : [])), ...wishes.flatMap((w) => wishRules(w, steps))];
  const has = (limit: Limit): boolean => kept.some((i) => i.kind === 'limit' && i.limit === limit);
  const needed = new Set<string>([...(problem.required ?? []), ...wishes.flatMap((w) => insistsOn(w, steps, planned))]);
  for (let before = -1; before !== needed.size;) {
    before = needed.size;
    for (const r of order) {
      if (r.kind !== 'before' && needed.has(r.then)) needed.add(r.first);
      if (r.kind === 'finishes' && needed.has(r.first)) needed.add(r.then);
    }
  }
  const both = (r: { first: string; then: string }): boolean => needed.has(r.first) && needed.has(r.then);
  const { helperWindows, ...rest } = problem;
  return {
    ...rest,
    steps: problem.steps.filter((s) => needed.has(s.id)),
    order: order.filter(both),
    lags: has('lag') ? (problem.lags ?? []).filter((l) => isLagAmong(l, (id) => needed.has(id))) : [],
    required: [...needed],
    ...(helperWindows && has('helper') ? { helperWindows } : {}),
    sessionMinutes: has('session') ? problem.sessionMinutes : Infinity,
    workMinutes: has('work') ? problem.workMinutes : Infinity,
    totalStandingMinutes: has('total_standing') ? problem.totalStandingMinutes : Infinity,
    continuousStandingMinutes: has('standing') ? problem.continuousStandingMinutes : Infinity,
    ...(has('strain') ? {} : { halfLifeMinutes: NO_STRAIN_MINUTES, startStrain: 0 }),
  };
}
