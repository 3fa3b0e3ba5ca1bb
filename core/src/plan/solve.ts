import { BEAM, bestOfSet, relabel, subProblem, type Ended, type FeasibleSet } from './best-of-set.js';
import { recoveryPerMinute } from '../strain/index.js';
import { chosenSteps, grow, insert, restTable, type Label } from './label.js';
import { POINT_MINUTES_PER_MINUTE, TIERS, type ChosenStep, type PlanProblem } from './model.js';
import { worthOf, type PlanValue } from './objective.js';
import { mayEnd, precedenceOf } from './precedence.js';
import { reachableSets } from './reach.js';
import { leastBurden, minutesOf, restOf, search, startLabel } from './search.js';
import { simulate } from './simulate.js';

export interface Solution {
  readonly chosen: readonly ChosenStep[];
  readonly value: PlanValue;
  /**
   * `proven`: every order and break was searched or shown to be no better. `within`: no plan can be better by more than `gap`.
   * `best_found`: the search was cut off and says nothing of better plans.
   */
  readonly proof: 'proven' | 'within' | 'best_found';
  /** How much better the best plan could be at most, as a share of this one's burden; 0 when proven. */
  readonly gap: number;
  readonly labelsLooked: number;
}

/** Up to this many steps the search is exact; above it keeps only the best labels of each state. */
export const EXACT_UP_TO_STEPS = 14;
/** Labels an exact search may look at before it settles for a plan and its gap. Our default: about a quarter of a second. */
export const LABEL_BUDGET = 60_000;
const EPS = 1e-9;

/**
 * The best order of steps and breaks.
 *
 * Which steps are done decides first (welfare, asked, looks), so the sets of steps are tried from the most worth downwards; the
 * first worth at which a set fits is the best one, and among its sets the least burden wins. For one set the order and the
 * breaks come from label-setting dynamic programming over (steps done, post), see `label.ts` for what a label keeps and when it
 * may be dropped: a beam gives a first plan, and the full search drops every label whose best possible end is no better.
 */
export function solve(problem: PlanProblem): Solution {
  if (problem.steps.length > EXACT_UP_TO_STEPS) return solveByBeam(problem);
  let looked = 0;
  for (const group of setsByWorth(problem)) {
    let best: Ended | undefined;
    let lowest = Infinity;
    // The most promising sets first: they give the bound that rules out the others.
    for (const set of group.map((g) => ({ ...g, bound: leastBurdenOfSet(problem, g.mask) })).sort((a, b) => a.bound - b.bound)) {
      if (best && set.bound >= best.label.burden) break;
      const found = bestOfSet(problem, set, best, LABEL_BUDGET - looked);
      looked += found.looked;
      lowest = Math.min(lowest, found.lowerBound);
      if (found.best && (!best || found.best.label.burden < best.label.burden)) best = found.best;
    }
    if (best) return toSolution(problem, best, looked, Math.max(0, 1 - Math.min(lowest, best.label.burden) / best.label.burden));
  }
  return toSolution(problem, undefined, looked, 0);
}

/** No plan for these steps has less burden than this: what the search knows before its first step. */
function leastBurdenOfSet(problem: PlanProblem, mask: number): number {
  const k = recoveryPerMinute(problem.halfLifeMinutes);
  return leastBurden(restOf(problem, mask, 0, problem.startPost), problem.startStrain, problem.sessionMinutes, k, POINT_MINUTES_PER_MINUTE);
}

/** For more steps than can be listed: all of them, then without the least worthy one by one, each set by a beam. */
function solveByBeam(problem: PlanProblem): Solution {
  let looked = 0;
  for (const mask of greedySets(problem)) {
    const p = precedenceOf(problem);
    const closed = problem.steps.every((_, i) => !(mask & (1 << i)) || (mask & (p.requires[i] ?? 0)) === (p.requires[i] ?? 0));
    if (!closed || !mayEnd(p, mask) || !withinSet(problem, mask) || minutesOf(problem, mask) > problem.sessionMinutes + EPS) continue;
    const sub = subProblem(problem, mask);
    const found = search({
      problem: sub.problem,
      p: precedenceOf(sub.problem),
      perMinute: POINT_MINUTES_PER_MINUTE,
      keepMinutes: true,
      width: BEAM,
      rank: 'bound',
      below: Infinity,
      budget: Infinity,
    });
    looked += found.looked;
    if (found.label) return toSolution(problem, { label: relabel(found.label, sub.indices), mask }, looked, Infinity);
  }
  return toSolution(problem, undefined, looked, Infinity);
}

/** Sets of steps that can be done within all limits, in groups of equal worth, the most worth first. */
function setsByWorth(problem: PlanProblem): FeasibleSet[][] {
  const p = precedenceOf(problem);
  const sets: { set: FeasibleSet; rank: readonly [number, number, number] }[] = [];
  for (const [mask, quickest] of [[0, startLabel(problem)] as const, ...reachableSets(problem, p)]) {
    if (!mayEnd(p, mask) || !withinSet(problem, mask)) continue;
    const w = worthOf(problem, mask);
    sets.push({ set: { mask, quickest }, rank: [w.welfare, w.asked, w.looks] });
  }
  sets.sort((a, b) => b.rank[0] - a.rank[0] || b.rank[1] - a.rank[1] || b.rank[2] - a.rank[2] || a.set.mask - b.set.mask);
  const groups: FeasibleSet[][] = [];
  let last: readonly [number, number, number] | undefined;
  for (const s of sets) {
    const same = last && s.rank.every((v, i) => Math.abs(v - (last?.[i] ?? 0)) < EPS);
    if (same) groups[groups.length - 1]?.push(s.set);
    else groups.push([s.set]);
    last = s.rank;
  }
  return groups;
}

/** For more steps than can be listed: all steps, then without the least worthy one by one. */
function greedySets(problem: PlanProblem): number[] {
  const order = problem.steps
    .map((s, i) => ({ i, s }))
    .sort((a, b) => TIERS.indexOf(b.s.tier) - TIERS.indexOf(a.s.tier) || a.s.worth - b.s.worth);
  let mask = 2 ** problem.steps.length - 1;
  const masks = [mask];
  for (const { i } of order) {
    mask &= ~(1 << i);
    masks.push(mask);
  }
  return masks;
}

/** Whether a rested dog could bear a step if it were the only one. If not, no plan can hold it: strain and fatigue only add. */
export function bearableAlone(problem: PlanProblem, index: number): boolean {
  const step = problem.steps[index];
  if (!step) return false;
  const alone = { ...problem, startStrain: 0, startStandingMinutes: 0, steps: [step], order: [], sessionMinutes: Infinity };
  const start = { ...startLabel(alone), strain: 0 };
  return (
    grow(
      {
        problem: alone,
        rest: restTable(recoveryPerMinute(problem.halfLifeMinutes), POINT_MINUTES_PER_MINUTE),
        keepMinutes: false,
        worked: 0,
      },
      start,
      step.post,
      0,
    ).length > 0
  );
}

/** Labels kept after each step of a fixed order: enough for the best breaks in every case tried, see `solve.spec.ts`. */
const IN_ORDER_WIDTH = 32;

/**
 * The best breaks for a fixed order; `undefined` when no choice of breaks keeps every limit.
 * Used for "what if this came earlier", so that an order is always compared at its best.
 */
export function solveInOrder(problem: PlanProblem, order: readonly number[]): Solution | undefined {
  const rest = restTable(recoveryPerMinute(problem.halfLifeMinutes), POINT_MINUTES_PER_MINUTE);
  let labels: Label[] = [startLabel(problem)];
  let mask = 0;
  let post = problem.startPost;
  for (const next of order) {
    const grown: Label[] = [];
    const g = { problem, rest, keepMinutes: true, worked: minutesOf(problem, mask) };
    for (const label of labels) for (const way of grow(g, label, post, next)) insert(grown, way, rest, true);
    labels =
      grown.length > IN_ORDER_WIDTH
        ? grown.sort((a, b) => a.burden + 2 * a.strain - b.burden - 2 * b.strain).slice(0, IN_ORDER_WIDTH)
        : grown;
    mask |= 1 << next;
    post = problem.steps[next]?.post ?? post;
  }
  const best = labels.sort((a, b) => a.burden - b.burden)[0];
  return best && withinSet(problem, mask) ? toSolution(problem, { label: best, mask }, labels.length, 0) : undefined;
}

function toSolution(problem: PlanProblem, ended: Ended | undefined, looked: number, gap: number): Solution {
  const chosen = chosenSteps(ended?.label);
  const run = simulate(problem, chosen);
  const proof = gap < EPS ? 'proven' : gap < 1 ? 'within' : 'best_found';
  return {
    chosen,
    value: { ...worthOf(problem, ended?.mask ?? 0), dose: run.dose, minutes: run.minutes },
    proof,
    gap,
    labelsLooked: looked,
  };
}

/** Limits that depend only on which steps are done: total standing and total work. */
function withinSet(problem: PlanProblem, mask: number): boolean {
  let standing = 0;
  let work = 0;
  problem.steps.forEach((s, i) => {
    if (!(mask & (1 << i))) return;
    work += s.minutes;
    if (s.standing) standing += s.minutes;
  });
  return standing <= problem.totalStandingMinutes + EPS && work <= problem.workMinutes + EPS;
}
