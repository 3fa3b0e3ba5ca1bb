import type { RateEvidence } from './rate-evidence.js';
import { GRID, logLikelihoodAt, weigh } from './rate-grid.js';

/**
 * How far dogs differ from their kind in all work, and each kind of work of one dog from the rest of it: standard deviations of the logarithm
 * of a rate. Our defaults, held against simulated dogs.
 */
export const DOGS_DIFFER = 0.4;
export const WORKS_DIFFER = 0.3;
/**
 * What a visit says counts in part: while one kind of work is weighed the others are taken as believed, which makes it look surer than it
 * is; a whole visit counts in less, for its works are weighed by themselves as well. Measured on simulated dogs (`rate-book.spec.ts`); our
 * defaults.
 */
export const COUNTS_IN_PART = 0.6;
export const WHOLE_COUNTS = 0.3;
/** How far a salon's dogs may lie from our table in one kind of work, or its dogs of one kind in all of it: standard deviation of the logarithm. Our default. */
export const SALONS_DIFFER = 0.25;

/** What a salon's own dogs say of one kind of work. */
export interface PooledWork<A extends string = string> {
  readonly work: A;
  /** Logarithm of what its dogs have over what our table has for their kinds: middle and variance. */
  readonly shift: number;
  readonly variance: number;
  /** Dogs that it is from. */
  readonly dogs: number;
  /** How much they count against our table, 0 to 1. */
  readonly counts: number;
}

/** One dog of the salon with what its visits say. */
export interface DogSeen<A extends string = string> {
  readonly dogId: string;
  readonly evidence: readonly RateEvidence<A>[];
}

/** Likelihoods of dogs round a middle, for each middle that is gone through. */
const DOGS_SPREAD = Math.sqrt(DOGS_DIFFER ** 2 + WORKS_DIFFER ** 2);
const ROUND: readonly (readonly number[])[] = GRID.map((middle) => {
  const weights = GRID.map((u) => Math.exp(-0.5 * ((u - middle) / DOGS_SPREAD) ** 2));
  const all = weights.reduce((a, b) => a + b, 0);
  return weights.map((w) => w / all);
});

/**
 * Priors of a salon's own (empirical Bayes): where its dogs lie, kind of work by kind of work, round what our table has for their kinds. Each
 * dog counts once, however often it came; with few dogs our table stays.
 * @param visits of the salon, of any number of dogs; what earlier versions kept without the kind's rate is left out
 * @example poolOf([]) // => []
 */
export function poolOf<A extends string>(visits: readonly DogSeen<A>[]): PooledWork<A>[] {
  const works = new Map<A, Map<string, number[]>>();
  for (const { dogId, evidence } of visits)
    for (const e of evidence) {
      if (!e.kindPerMinute || e.minutes <= 0) continue;
      const over = Math.log(e.kindPerMinute / e.ratePerMinute);
      const dogs = works.get(e.work) ?? new Map<string, number[]>();
      works.set(e.work, dogs);
      const before = dogs.get(dogId);
      dogs.set(
        dogId,
        GRID.map((u, i) => (before?.[i] ?? 0) + COUNTS_IN_PART * logLikelihoodAt(e, u + over)),
      );
    }
  return [...works].map(([work, dogs]) => {
    const likelihoods = [...dogs.values()].map((logs) => weigh(logs).weights);
    const logs = GRID.map((middle, m) =>
      likelihoods.reduce(
        (sum, of) => sum + Math.log((ROUND[m] ?? []).reduce((all, share, i) => all + share * (of[i] ?? 0), 0)),
        -0.5 * (middle / SALONS_DIFFER) ** 2,
      ),
    );
    const { average } = weigh(logs);
    const shift = average((u) => u);
    const variance = average((u) => (u - shift) ** 2);
    return { work, shift, variance, dogs: dogs.size, counts: Math.max(0, 1 - variance / SALONS_DIFFER ** 2) };
  });
}

/** What all kinds of work of a pool have in common, those that count more first of all. */
export function shiftOf(pool: readonly PooledWork[]): number {
  const counts = pool.reduce((sum, p) => sum + p.counts, 0);
  return counts === 0 ? 0 : pool.reduce((sum, p) => sum + p.counts * p.shift, 0) / counts;
}
