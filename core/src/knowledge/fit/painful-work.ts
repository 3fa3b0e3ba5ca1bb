import { type DogKind, type Reason, reason } from '../../words/index.js';

/**
 * Painful minutes that a dog is put through in one visit, and in one go before hands rest; the least of those that hold counts. Our
 * defaults. `frail`: ill with the vet's agreement, or thin.
 */
export const PAINFUL_MINUTES = { grown: 25, senior: 15, bite_history: 10, frail: 10, puppy: 5, young_puppy: 3 } as const;
export const PAINFUL_IN_ONE_GO = { grown: 5, senior: 3, puppy: 2 } as const;
/** Painful minutes fewer than those of a visit that was stopped, at least. Our default. */
const PAINFUL_LESS = 0.5;
/** A puppy under this age is a young one, weeks. */
const YOUNG_UNDER_WEEKS = 16;

export interface PainfulQuestion {
  readonly kinds: readonly DogKind[];
  /** Ill with the vet's agreement, or thin. */
  readonly frail?: boolean;
  readonly ageWeeks?: number;
  /** One of its last visits was stopped for its sake. */
  readonly afterStop?: boolean;
  /** Painful minutes that were done in it, where that is known. */
  readonly painfulBeforeStop?: number | undefined;
}

export interface PainfulWork {
  readonly minutes: number;
  readonly limitMinutes: number;
  /** More than this dog can take here. */
  readonly beyond: boolean;
  readonly reasons: readonly Reason[];
}

/** The most painful minutes of one visit. `painfulLimit({ kinds: ['senior'] }) // => 15` */
export function painfulLimit(q: PainfulQuestion): number {
  const limits: number[] = [PAINFUL_MINUTES.grown];
  if (q.kinds.includes('senior')) limits.push(PAINFUL_MINUTES.senior);
  if (q.kinds.includes('bite_history')) limits.push(PAINFUL_MINUTES.bite_history);
  if (q.frail === true) limits.push(PAINFUL_MINUTES.frail);
  if (q.kinds.includes('puppy'))
    limits.push((q.ageWeeks ?? Infinity) < YOUNG_UNDER_WEEKS ? PAINFUL_MINUTES.young_puppy : PAINFUL_MINUTES.puppy);
  const least = Math.min(...limits);
  if (q.afterStop !== true) return least;
  // Fewer than what was done then.
  return q.painfulBeforeStop ? Math.min(least / 2, Math.max(0, q.painfulBeforeStop - PAINFUL_LESS)) : least / 2;
}

/** Painful minutes in one go, before hands rest. `painfulInOneGo(['senior']) // => 3` */
export function painfulInOneGo(kinds: readonly DogKind[]): number {
  if (kinds.includes('puppy')) return PAINFUL_IN_ONE_GO.puppy;
  return kinds.includes('senior') ? PAINFUL_IN_ONE_GO.senior : PAINFUL_IN_ONE_GO.grown;
}

/**
 * Whether painful work is more than this dog can take.
 * @param minutes of work that hurts, ≥ 0
 * @example painfulWork(26, { kinds: [] }).beyond // => true
 */
export function painfulWork(minutes: number, q: PainfulQuestion): PainfulWork {
  const limitMinutes = painfulLimit(q);
  const beyond = minutes > limitMinutes;
  return {
    minutes,
    limitMinutes,
    beyond,
    reasons: [reason(beyond ? 'fit.painful_beyond' : 'fit.painful_within', { minutes, limit: limitMinutes }, beyond ? 0.95 : 0.2)],
  };
}
