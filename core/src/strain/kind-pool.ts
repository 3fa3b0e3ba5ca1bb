import type { DogKind } from '../words/index.js';
import type { WholeEvidence } from './rate-evidence.js';
import { GRID, logLikelihoodAt, weigh } from './rate-grid.js';
import { DOGS_DIFFER, type PooledWork, SALONS_DIFFER, shiftOf, WHOLE_COUNTS } from './salon-pool.js';

/** Kinds of dog on which our table has all work harder: a salon's own may lie elsewhere. */
const POOLED_KINDS = ['puppy', 'senior', 'reactive', 'bite_history', 'first_visit'] as const satisfies readonly DogKind[];

/** What a salon's own dogs of one kind say of all work, over what its other dogs say. */
export interface PooledKind {
  readonly kind: DogKind;
  /** Logarithm of what its dogs of this kind have over what our table has for the kind: middle and variance. */
  readonly shift: number;
  readonly variance: number;
  /** Dogs that it is from. */
  readonly dogs: number;
  /** How much they count against our table, 0 to 1. */
  readonly counts: number;
}

/** A whole visit of one dog of the salon. */
export interface WholeSeen {
  readonly dogId: string;
  readonly whole: WholeEvidence;
}

/**
 * How a salon's puppies, seniors … lie against what our table has for them, round what all its dogs have in common (empirical Bayes). Each
 * dog counts once for a kind, by its visits as a dog of that kind; with few dogs our table stays.
 * @param visits of the salon, of any number of dogs; what earlier versions kept without its kinds is left out
 * @param works the pool of its kinds of work
 * @example poolKindsOf([], []) // => []
 */
export function poolKindsOf(visits: readonly WholeSeen[], works: readonly PooledWork[]): PooledKind[] {
  const usual = shiftOf(works);
  return POOLED_KINDS.flatMap((kind) => {
    const dogs = new Map<string, number[]>();
    for (const { dogId, whole } of visits) {
      if (!whole.kinds?.includes(kind) || whole.minutes <= 0) continue;
      const before = dogs.get(dogId);
      dogs.set(
        dogId,
        GRID.map((g, i) => (before?.[i] ?? 0) + WHOLE_COUNTS * logLikelihoodAt(whole, g - whole.believed)),
      );
    }
    if (dogs.size === 0) return [];
    const likelihoods = [...dogs.values()].map((logs) => weigh(logs).weights);
    const logs = GRID.map((shift) => {
      const round = GRID.map((g) => Math.exp(-0.5 * ((g - usual - shift) / DOGS_DIFFER) ** 2));
      const all = round.reduce((a, b) => a + b, 0);
      return likelihoods.reduce(
        (sum, of) => sum + Math.log(round.reduce((over, share, i) => over + share * (of[i] ?? 0), 0) / all),
        -0.5 * (shift / SALONS_DIFFER) ** 2,
      );
    });
    const { average } = weigh(logs);
    const shift = average((u) => u);
    const variance = average((u) => (u - shift) ** 2);
    return [{ kind, shift, variance, dogs: dogs.size, counts: Math.max(0, 1 - variance / SALONS_DIFFER ** 2) }];
  });
}

/**
 * What is known best of the kinds that a dog is of: two kinds of one dog are not added, since the dogs that are both are in both.
 * @returns `undefined` when the salon says nothing of any of them
 */
export function kindThatCounts(kinds: readonly DogKind[], pool: readonly PooledKind[]): PooledKind | undefined {
  return pool
    .filter((p) => kinds.includes(p.kind))
    .reduce<PooledKind | undefined>((a, b) => (a && a.counts >= b.counts ? a : b), undefined);
}
