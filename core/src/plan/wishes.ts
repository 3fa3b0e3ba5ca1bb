import { withLatest } from '../findings/index.js';
import type { Activity, HoldId } from '../words/index.js';
import type { OrderRule } from '../work/index.js';
import type { BuiltStep } from './make-step.js';
import type { PlanProblem } from './model.js';

/** What a groomer has fixed by hand. */
export type PlanWish =
  | { readonly kind: 'place'; readonly step: Activity; readonly after?: Activity | undefined; readonly before?: Activity | undefined }
  | { readonly kind: 'require'; readonly step: Activity }
  | { readonly kind: 'forbid'; readonly step: Activity }
  | { readonly kind: 'minutes'; readonly step: Activity; readonly minutes: number }
  | { readonly kind: 'hold'; readonly step: Activity; readonly hold: HoldId };

/** The wish for a step of one kind: one a step and kind, as `withWish` keeps them. */
export function wishFor<K extends PlanWish['kind']>(
  wishes: readonly PlanWish[] | undefined,
  kind: K,
  step: Activity,
): Extract<PlanWish, { kind: K }> | undefined {
  const is = (w: PlanWish): w is Extract<PlanWish, { kind: K }> => w.kind === kind && w.step === step;
  return wishes?.find(is);
}

/** A wish list with one more: a later wish about the same thing takes the place of the earlier. */
export function withWish(wishes: readonly PlanWish[], wish: PlanWish): PlanWish[] {
  return withLatest(wishes, wish, (w) => `${w.step} ${w.kind === 'require' || w.kind === 'forbid' ? 'done' : w.kind}`);
}

/** What one wish asks of the order. */
export function wishRules(wish: PlanWish, steps: readonly Pick<BuiltStep, 'id'>[]): OrderRule[] {
  if (wish.kind !== 'place') return [];
  const has = (id: Activity | undefined): id is Activity => id !== undefined && steps.some((s) => s.id === id);
  if (!has(wish.step)) return [];
  const rules: OrderRule[] = [];
  if (has(wish.after)) rules.push({ first: wish.after, then: wish.step, kind: 'before', rule: 'wish.place' });
  if (has(wish.before)) rules.push({ first: wish.step, then: wish.before, kind: 'before', rule: 'wish.place' });
  return rules;
}

/** Steps that a wish insists on: what is required, and both ends of a fixed place. */
export function wishRequires(wish: PlanWish, steps: readonly Pick<BuiltStep, 'id'>[]): Activity[] {
  const named = wish.kind === 'require' ? [wish.step] : wish.kind === 'place' ? [wish.step, wish.after, wish.before] : [];
  return named.flatMap((id) => (id !== undefined && steps.some((s) => s.id === id) ? [id] : []));
}

/** Rules that are a preference of the house or the planner: a groomer who puts a step elsewhere overrules them. */
const PREFERENCES: readonly OrderRule['rule'][] = ['order.easy_first', 'order.important_first', 'order.trigger_last'];

/** Whether a rule gives way to a place fixed by hand. */
export const isPreference = (rule: OrderRule): boolean => PREFERENCES.includes(rule.rule);

/** The order rules that stand beside the wishes: preferences about steps that were placed by hand fall. */
export function rulesBeside(order: readonly OrderRule[], wishes: readonly PlanWish[]): OrderRule[] {
  const placed = new Set<string>(wishes.flatMap((w) => (w.kind === 'place' ? [w.step, w.after ?? '', w.before ?? ''] : [])));
  return order.filter((r) => !isPreference(r) || !(placed.has(r.first) || placed.has(r.then)));
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
