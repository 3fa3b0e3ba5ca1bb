import { byWeight, type Reason, reason } from '../../words/index.js';

/** What must still be put right before the dog could go home. */
export interface Unfinished {
  /** Shampoo is on the coat. */
  readonly lathered: boolean;
  /** Minutes of drying until it is dry enough to go home, ≥ 0. */
  readonly dryingMinutes: number;
  readonly muzzleOn: boolean;
  readonly loopOn: boolean;
  /** A mat is half cut and would pull. */
  readonly matHalfCut: boolean;
  /** A place bleeds or was hurt and is not yet looked after. */
  readonly woundOpen: boolean;
  /** It lies or is held off the floor: it is led down first. */
  readonly onTable: boolean;
}

/** Nothing to put right. */
export const ALL_SAFE: Unfinished = {
  lathered: false,
  dryingMinutes: 0,
  muzzleOn: false,
  loopOn: false,
  matHalfCut: false,
  woundOpen: false,
  onTable: false,
};

/** Minutes to put each right. Our defaults; pressure on a wound is 5 min unbroken (common practice). */
const SAFE_FINISH_MINUTES = { rinse: 4, muzzle: 0.5, loop: 0.5, mat: 2, wound: 5, down: 1 } as const;

export interface SafeFinish {
  readonly minutes: number;
  readonly reasons: readonly Reason[];
}

/**
 * Minutes until the dog could go home safely: dry enough, unmuzzled, no mat half cut, nothing that rubs.
 * @throws RangeError for negative minutes of drying
 * @example safeFinish({ ...ALL_SAFE, onTable: true, muzzleOn: true }).minutes // => 1.5
 */
export function safeFinish(u: Unfinished): SafeFinish {
  if (!(u.dryingMinutes >= 0)) throw new RangeError(`safeFinish: ${u.dryingMinutes} min of drying`);
  const parts: [boolean, number, Reason][] = [
    [u.woundOpen, SAFE_FINISH_MINUTES.wound, reason('safe.wound', { minutes: SAFE_FINISH_MINUTES.wound }, 1)],
    [u.muzzleOn, SAFE_FINISH_MINUTES.muzzle, reason('safe.muzzle', {}, 0.9)],
    [u.loopOn, SAFE_FINISH_MINUTES.loop, reason('safe.loop', {}, 0.9)],
    [u.matHalfCut, SAFE_FINISH_MINUTES.mat, reason('safe.mat', { minutes: SAFE_FINISH_MINUTES.mat }, 0.8)],
    [u.lathered, SAFE_FINISH_MINUTES.rinse, reason('safe.rinse', { minutes: SAFE_FINISH_MINUTES.rinse }, 0.8)],
    [u.dryingMinutes > 0, u.dryingMinutes, reason('safe.dry', { minutes: u.dryingMinutes }, 0.7)],
    [u.onTable, SAFE_FINISH_MINUTES.down, reason('safe.down', {}, 0.3)],
  ];
  const needed = parts.filter(([needs]) => needs);
  if (needed.length === 0) return { minutes: 0, reasons: [reason('safe.now', {}, 0.2)] };
  return { minutes: needed.reduce((sum, [, m]) => sum + m, 0), reasons: byWeight(needed.map(([, , r]) => r)) };
}
