import { withLatest } from '../findings/index.js';
import { activityOf, type HoldId, isStepId, type StepId } from '../words/index.js';
import type { OrderRule } from '../work/index.js';
import type { BuiltStep } from './group-steps.js';
import type { PlanProblem } from './model.js';

/** What a groomer has fixed by hand. */
export type PlanWish =
  | { readonly kind: 'place'; readonly step: StepId; readonly after?: StepId | undefined; readonly before?: StepId | undefined }
  | { readonly kind: 'require'; readonly step: StepId }
  | { readonly kind: 'forbid'; readonly step: StepId }
  | { readonly kind: 'minutes'; readonly step: StepId; readonly minutes: number }
  | { readonly kind: 'hold'; readonly step: StepId; readonly hold: HoldId };

/** Whether a wish about one step is about another: a kind of work means all its steps. `isMeant('face', 'face@eye_left') // => true` */
export const isMeant = (wished: StepId, step: StepId): boolean => wished === step || wished === activityOf(step);

/** The wish for a step of one kind: one a step and kind, as `withWish` keeps them. */
export function wishFor<K extends PlanWish['kind']>(
  wishes: readonly PlanWish[] | undefined,
  kind: K,
  step: StepId,
): Extract<PlanWish, { kind: K }> | undefined {
  const is = (w: PlanWish): w is Extract<PlanWish, { kind: K }> => w.kind === kind && isMeant(w.step, step);
  return wishes?.find(is);
}

/** A wish list with one more: a later wish about the same thing takes the place of the earlier. */
export function withWish(wishes: readonly PlanWish[], wish: PlanWish): PlanWish[] {
  return withLatest(wishes, wish, (w) => `${w.step} ${w.kind === 'require' || w.kind === 'forbid' ? 'done' : w.kind}`);
}

type Named = Pick<BuiltStep, 'id'>;
const meant = (id: StepId | undefined, steps: readonly Named[]): StepId[] =>
  id === undefined ? [] : steps.filter((s) => isMeant(id, s.id)).map((s) => s.id);

/** What one wish asks of the order. */
export function wishRules(wish: PlanWish, steps: readonly Named[]): OrderRule[] {
  if (wish.kind !== 'place') return [];
  const rule = (first: StepId, then: StepId): OrderRule[] => (first === then ? [] : [{ first, then, kind: 'before', rule: 'wish.place' }]);
  return meant(wish.step, steps).flatMap((step) => [
    ...meant(wish.after, steps).flatMap((after) => rule(after, step)),
    ...meant(wish.before, steps).flatMap((next) => rule(step, next)),
  ]);
}

/** Steps that a wish insists on: what is required, and both ends of a fixed place. */
export function wishRequires(wish: PlanWish, steps: readonly Named[]): StepId[] {
  const named = wish.kind === 'require' ? [wish.step] : wish.kind === 'place' ? [wish.step, wish.after, wish.before] : [];
  return named.flatMap((id) => meant(id, steps));
}

/** Rules that are a preference of the house or the planner: a groomer who puts a step elsewhere overrules them. */
const PREFERENCES: readonly OrderRule['rule'][] = [
  'order.easy_first',
  'order.important_first',
  'order.minded_not_first',
  'order.painful_not_first',
  'order.minded_not_last',
  'order.natural',
];

/** Whether a rule gives way to a place fixed by hand. */
export const isPreference = (rule: OrderRule): boolean => PREFERENCES.includes(rule.rule);

/** The order rules that stand beside the wishes: preferences about steps that were placed by hand fall. */
export function rulesBeside(order: readonly OrderRule[], wishes: readonly PlanWish[]): OrderRule[] {
  const named = wishes.flatMap((w) => (w.kind === 'place' ? [w.step, w.after, w.before] : [])).flatMap((id) => id ?? []);
  const placed = (step: string): boolean => isStepId(step) && named.some((id) => isMeant(id, step));
  return order.filter((r) => !isPreference(r) || !(placed(r.first) || placed(r.then)));
}

/**
 * The problem with the wishes in it.
 * @param planned steps of the plan without wishes: a fixed place insists only on those
 */
export function withWishes(
  problem: PlanProblem,
  wishes: readonly PlanWish[],
  steps: readonly BuiltStep[],
  planned: ReadonlySet<string>,
): PlanProblem {
  const required = wishes.flatMap((w) => wishRequires(w, steps).filter((id) => w.kind === 'require' || planned.has(id)));
  return {
    ...problem,
    order: [...rulesBeside(problem.order, wishes), ...wishes.flatMap((w) => wishRules(w, steps))],
    required: [...new Set([...(problem.required ?? []), ...required])],
  };
}
