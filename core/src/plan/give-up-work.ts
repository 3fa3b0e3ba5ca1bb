import { TIERS } from '../words/index.js';
import type { PlanProblem } from './model.js';
import type { ReckonedChance } from './reckoned-chance.js';
import type { Solution } from './solution.js';
import { wholeSet, withNeeds } from './solver/greedy-set.js';
import { compareWorth, worthOfSet } from './solver/sets-by-worth.js';

/** The most that the chance of a stop, and that of a snap or bite, may be in a plan that is recommended. */
export interface ChanceLimits {
  readonly stop: number;
  readonly bite: number;
}

/** A plan, and what it was reckoned to come to. */
export interface Planned {
  readonly solution: Solution;
  readonly reckoned: ReckonedChance;
}

/** How far chances lie above their limits, as a multiple: at most 1 keeps them. */
export function riskOf(chance: ReckonedChance, limits: ChanceLimits): number {
  return Math.max(chance.stop / limits.stop, chance.bite / limits.bite);
}

/**
 * Steps without those that bring most hard signs for what they are worth, with all that needs them: what was asked for before welfare, and
 * as many as the limits ask for by what they bring.
 */
export function withoutTheRiskiest(
  problem: PlanProblem,
  from: number,
  required: number,
  { solution, reckoned }: Planned,
  limits: ChanceLimits,
): number {
  const hard = new Map(solution.chosen.map((c, at) => [c.step, reckoned.hardBySteps[at] ?? 0]));
  const hardOf = (mask: number): number => [...hard].reduce((sum, [step, h]) => sum + (mask & (1 << step) ? h : 0), 0);
  // Chances of one hard sign grow as these do; that of two, as their square.
  const enough = hardOf(from) * Math.max(1 / riskOf(reckoned, limits), 0.5);
  let mask = from;
  for (const tier of [...TIERS].reverse()) {
    const ways = problem.steps
      .flatMap((s, i) => {
        const less = wholeSet(problem, mask & ~(1 << i));
        const out = mask & ~less;
        return s.tier === tier && mask & (1 << i) && !(out & required) && lowestTier(problem, out) === tier ? [1 << i] : [];
      })
      .sort((a, b) => ratio(b) - ratio(a));
    for (const step of ways) {
      if (hardOf(mask) <= enough) return mask;
      mask = wholeSet(problem, mask & ~step);
    }
    if (mask !== from) return mask;
  }
  return mask;

  function ratio(step: number): number {
    const out = from & ~wholeSet(problem, from & ~step);
    return hardOf(out) / Math.max(1e-9, worthOf(problem, out));
  }
}

/** The tier that matters most among some steps. */
const lowestTier = (problem: PlanProblem, mask: number): (typeof TIERS)[number] =>
  TIERS[Math.min(...problem.steps.flatMap((s, i) => (mask & (1 << i) ? [TIERS.indexOf(s.tier)] : [])))] ?? 'looks';

const worthOf = (problem: PlanProblem, mask: number): number =>
  problem.steps.reduce((sum, s, i) => sum + (mask & (1 << i) ? s.worth : 0), 0);

/**
 * What went, one thing at a time with what it needs, the most worth first; no looks.
 * @param gone masks of what went together @param looks mask of the looks
 */
export function backInOrder(problem: PlanProblem, gone: readonly number[], looks: number): number[] {
  const went = gone.reduce((all, g) => all | g, 0) & ~looks;
  const single = problem.steps.flatMap((_, i) => (went & (1 << i) ? [withNeeds(problem, 1 << i)] : []));
  return [...new Set([...gone.map((g) => g & ~looks), ...single])]
    .filter((g) => g !== 0)
    .sort((a, b) => compareWorth(worthOfSet(problem, b), worthOfSet(problem, a)) || a - b);
}

/**
 * Sets that are worth more than a given one: something that went is in them again with what it needs, and one step less, with what needs that.
 * @param from mask of what is done @param required mask of what stays
 */
export function exchanged(problem: PlanProblem, from: number, backs: readonly number[], required: number): number[] {
  const worth = worthOfSet(problem, from);
  const sets = backs.flatMap((back) =>
    problem.steps.flatMap((_, i) => {
      const less = wholeSet(problem, from & ~(1 << i));
      const set = wholeSet(problem, less | back);
      const fits = from & (1 << i) && !(set & (1 << i)) && (set & required) === required;
      return fits && compareWorth(worthOfSet(problem, set), worth) > 0 ? [set] : [];
    }),
  );
  return [...new Set(sets)].sort((a, b) => compareWorth(worthOfSet(problem, b), worthOfSet(problem, a)) || a - b);
}
