import { type DogKind, type Reason, reason } from '../../words/index.js';

/** Painful minutes that a dog is put through in one visit, by kind; the least of those that hold counts. Our defaults. */
export const PAINFUL_MINUTES = { grown: 45, senior: 25, puppy: 15, bite_history: 30, sore_joints: 30 } as const;

export interface PainfulWork {
  readonly minutes: number;
  readonly limitMinutes: number;
  /** More than this dog can take here: what is beyond is for a vet. */
  readonly beyond: boolean;
  readonly reasons: readonly Reason[];
}

/** The most painful minutes for a dog of these kinds. `painfulLimit(['senior']) // => 25` */
export function painfulLimit(kinds: readonly DogKind[]): number {
  const limits = (['senior', 'puppy', 'bite_history', 'sore_joints'] as const)
    .filter((k) => kinds.includes(k))
    .map((k) => PAINFUL_MINUTES[k]);
  return Math.min(PAINFUL_MINUTES.grown, ...limits);
}

/**
 * Whether painful work is more than this dog can take.
 * @param minutes of work that hurts, ≥ 0
 * @example painfulWork(46, []).beyond // => true
 */
export function painfulWork(minutes: number, kinds: readonly DogKind[]): PainfulWork {
  const limitMinutes = painfulLimit(kinds);
  const beyond = minutes > limitMinutes;
  return {
    minutes,
    limitMinutes,
    beyond,
    reasons: [reason(beyond ? 'fit.painful_beyond' : 'fit.painful_within', { minutes, limit: limitMinutes }, beyond ? 0.95 : 0.2)],
  };
}
