import { type Reason, reason, saying } from '../words/index.js';
import type { OrderRule } from '../work/index.js';
import { nameIn } from './explain.js';
import type { BuiltStep } from './group-steps.js';
import type { ChosenStep, PlanProblem } from './model.js';
import { simulate } from './simulate.js';
import { solveInOrder } from './solve-in-order.js';

/** What would be if a step came at another place of the order, at its best. */
export interface WhatIf {
  /** Place in the order, 0 is first. */
  readonly place: number;
  /** It would come before this step; `undefined` for the end. */
  readonly before: string | undefined;
  /** Peak, dose and minutes; `undefined` when it cannot be. */
  readonly would: { readonly peak: number; readonly dose: number; readonly minutes: number } | undefined;
  /** In a sentence: what it would cost, or what forbids it. */
  readonly says: readonly Reason[];
}

/** The order with one step taken out and put in at a place. `moved([0, 1, 2], 0, 2) // => [1, 2, 0]` */
export function moved<T>(order: readonly T[], from: number, to: number): T[] {
  const rest = order.filter((_, i) => i !== from);
  const item = order[from];
  return item === undefined ? [...order] : [...rest.slice(0, to), item, ...rest.slice(to)];
}

/**
 * The rules that an order breaks, each once: what a forbidden drop shows.
 * @param ids steps in the order asked for
 */
export function rulesBroken(order: readonly OrderRule[], ids: readonly string[]): OrderRule[] {
  const place = new Map(ids.map((id, i) => [id, i]));
  const late = (r: OrderRule): boolean => {
    const [first, then] = [place.get(r.first), place.get(r.then)];
    return first !== undefined && then !== undefined && first > then;
  };
  return order.filter(late).filter((r, i, all) => all.findIndex((x) => x.first === r.first && x.then === r.then) === i);
}

/** The plan with one step at another place: what it would be, or the rule or limit against it. */
export function whatIf(problem: PlanProblem, chosen: readonly ChosenStep[], steps: readonly BuiltStep[], from: number, to: number): WhatIf {
  const now = simulate(problem, chosen);
  const order = moved(
    chosen.map((c) => c.step),
    from,
    to,
  );
  const name = nameIn(steps);
  const beforeIndex = order[to + 1];
  const before = beforeIndex === undefined ? undefined : problem.steps[beforeIndex]?.id;
  const broken = rulesBroken(
    problem.order,
    order.flatMap((i) => problem.steps[i]?.id ?? []),
  )[0];
  if (broken)
    return {
      place: to,
      before,
      would: undefined,
      says: [reason('if.rule', { first: name(broken.first), then: name(broken.then) }, 0.9), reason(broken.rule, {}, 0.9)],
    };
  const then = solveInOrder(problem, order);
  const other = before === undefined ? undefined : name(before);
  if (!then) return { place: to, before, would: undefined, says: [reason('if.impossible', { other }, 0.8)] };
  const run = simulate(problem, then.chosen);
  const would = { peak: run.peak, dose: run.dose, minutes: run.minutes };
  const [peak, was] = [Math.round(run.peak), Math.round(now.peak)];
  const dose = Math.round(run.dose - now.dose);
  const minutes = Math.round((run.minutes - now.minutes) * 2) / 2;
  const changes = [
    ...(peak === was ? [] : [saying('if.peak', { peak, was })]),
    ...(dose === 0 ? [] : [saying('if.dose', { dose_more: dose })]),
    ...(minutes === 0 ? [] : [saying('if.minutes', { minutes_more: minutes })]),
  ];
  return {
    place: to,
    before,
    would,
    says: [changes.length === 0 ? reason('if.same', { other }, 0.7) : reason('if.would', { other, changes }, 0.7)],
  };
}

/** `signed(3) // => '+3'` */
export const signed = (x: number): string => (x > 0 ? `+${x}` : x < 0 ? `−${-x}` : '±0');

/** What would be at every other place: one line each. */
export function whatIfEverywhere(problem: PlanProblem, chosen: readonly ChosenStep[], steps: readonly BuiltStep[], from: number): WhatIf[] {
  return chosen.flatMap((_, to) => (to === from ? [] : [whatIf(problem, chosen, steps, from, to)]));
}
