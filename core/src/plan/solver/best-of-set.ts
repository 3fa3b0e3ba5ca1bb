import type { ChosenStep, PlanProblem } from '../model.js';
import { bestOrder } from './best-order.js';
import { boundTable, roomForBreaks } from './bound-table.js';
import { Budget } from './budget.js';
import type { ClosedSets } from './closed-sets.js';
import { chosenSteps, type Label, mannerOfSearch } from './labels.js';
import { leastBurden } from './least-burden.js';
import { nearestOrder } from './nearest-order.js';
import { type Numbers, numbersOf } from './numbers.js';
import { searchOrder } from './order-search.js';
import { stepCells } from './step-cells.js';
import { beforeOf, closedSetsOf, nearOrder, type SubProblem } from './sub-problem.js';

const EPS = 1e-9;
/** Labels after which it is no longer asked whether one set of steps fits at all. */
const FEASIBLE_LABELS = 60_000;
const FEASIBLE_BEAM = 60;
/** Tables of minutes, the quick one first, and sets of steps above which there is only that. Our defaults. */
const MINUTE_TABLES = [
  { strainCells: 12, standingCells: 2 },
  { strainCells: 24, standingCells: 3 },
] as const;
const SETS_FOR_FINER = 20_000;
/** Steps that may change places when the orders are too many to list. */
export const NEAR_WIDTHS = [6, 9] as const;
const NEAR_IN_HURRY = 2;

/** What the search of one set may spend: whether it fits is asked of the whole, its best order of an equal share. */
export interface Spend {
  readonly budget: Budget;
  /** Sets that share what is left. */
  readonly among: number;
  /** A first plan and a bound, to tell which of many sets are worth a search. */
  readonly sketch?: boolean;
  /** A plan that is only a little better counts, too. */
  readonly exact?: boolean;
}

/**
 * The best order of exactly the steps of a set.
 * @returns a burden that no order of the set is below; or that no order keeps the limits; or that this could not be found out
 */
export function bestOfSet(
  { problem, indices }: SubProblem,
  { budget, among, sketch, exact }: Spend,
  below: number,
  onPlan: (chosen: readonly ChosenStep[], burden: number, lowerBound: number) => void,
): number | 'does_not_fit' | 'unknown' {
  if (problem.steps.length === 0) {
    if (below > 0) onPlan([], 0, 0);
    return 0;
  }
  const numbers = numbersOf(problem);
  const tell = (label: Label, value: number, bound: number): void =>
    onPlan(
      chosenSteps(label, numbers).map((c) => ({ ...c, step: indices[c.step] ?? c.step })),
      value,
      bound,
    );
  const sets = closedSetsOf(problem);
  if (sets === 'circle') return 'does_not_fit';
  if (sets === 'too_many') return nearBest(problem, numbers, budget.share(among), below, tell);
  const fits = anyOrder(numbers, sets, budget);
  if (fits === 'does_not_fit' || fits === 'unknown') return fits;
  return bestOrder({
    numbers,
    sets,
    budget: budget.share(among),
    below,
    known: fits,
    sketch: sketch === true,
    exact: exact === true,
    onPlan: tell,
  }).lowerBound;
}

/** Some order of all steps that keeps every limit: the quickest that a beam finds, or the full search when the beam finds none. */
export function anyOrder(numbers: Numbers, sets: ClosedSets, budget: Budget): Label | 'does_not_fit' | 'unknown' {
  if (roomForBreaks(numbers, sets)(0, 0, numbers.session) < 0) return 'does_not_fit';
  for (const [at, { strainCells, standingCells }] of MINUTE_TABLES.entries()) {
    if (at > 0 && budget.empty()) return 'unknown';
    const cells = stepCells(numbers, strainCells, false);
    const ended = (): boolean => budget.empty();
    const minutes = boundTable(numbers, sets, { minutePrice: 1, dose: false, standingCells, cells, ended });
    if (minutes.atStart > numbers.session + EPS) return 'does_not_fit';
    const ask = (width: number, spend: Budget): ReturnType<typeof searchOrder> =>
      searchOrder({
        manner: mannerOfSearch(numbers, { minutePrice: 1, timeOnly: true }),
        sets,
        bounds: [{ table: minutes, dearer: 0 }],
        minutes,
        width,
        budget: spend,
      });
    // A first plan is always looked for, even when time is up: a beam is short.
    const quick = ask(FEASIBLE_BEAM, new Budget(Infinity));
    if (quick.label) return quick.label;
    if (!quick.cut) return 'does_not_fit';
    if (at < MINUTE_TABLES.length - 1 && sets.masks.length <= SETS_FOR_FINER) continue;
    const full = ask(Infinity, budget.part(FEASIBLE_LABELS));
    return full.label ?? (full.cut ? 'unknown' : 'does_not_fit');
  }
  return 'unknown';
}

/** A quick plan of exactly some steps, near an order put together step by step; `undefined` where there is none so near. */
export function nearPlan(
  { problem, indices }: SubProblem,
  budget: Budget,
): { readonly chosen: readonly ChosenStep[]; readonly burden: number } | undefined {
  const numbers = numbersOf(problem);
  const before = beforeOf(problem);
  const sets = closedSetsOf(problem, nearOrder(before, nearestOrder(numbers, before), NEAR_IN_HURRY));
  if (typeof sets === 'string') return undefined;
  const known = anyOrder(numbers, sets, budget);
  if (typeof known === 'string') return undefined;
  const { label, burden } = bestOrder({ numbers, sets, budget, below: Infinity, known, sketch: true });
  return label && { chosen: chosenSteps(label, numbers).map((c) => ({ ...c, step: indices[c.step] ?? c.step })), burden };
}

/** For more orders than can be listed: the best near an order put together step by step, with a bound that ignores the order. */
function nearBest(
  problem: PlanProblem,
  numbers: Numbers,
  budget: Budget,
  below: number,
  onPlan: (label: Label, burden: number, lowerBound: number) => void,
): number | 'unknown' {
  const before = beforeOf(problem);
  const bound = leastBurden(numbers);
  let order = nearestOrder(numbers, before);
  let known: Label | undefined;
  let at = below;
  for (const width of NEAR_WIDTHS) {
    const sets = closedSetsOf(problem, nearOrder(before, order, width));
    if (typeof sets === 'string') break;
    if (!known) {
      const fits = anyOrder(numbers, sets, budget);
      if (typeof fits === 'string') continue;
      known = fits;
    }
    const found = bestOrder({ numbers, sets, budget, below: at, known, onPlan: (l, v) => onPlan(l, v, bound) });
    if (!found.label) continue;
    known = found.label;
    at = found.burden;
    order = chosenSteps(found.label, numbers).map((c) => c.step);
  }
  return known ? bound : 'unknown';
}
