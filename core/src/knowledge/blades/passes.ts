import { type Reason, reason } from '../../words/index.js';

/** Strokes over one place before it is left in peace. Our default: the same place again and again burns even with a cool blade. */
export const PASSES_ON_ONE_PLACE = { soundSkin: 3, thinOrRedSkin: 1 } as const;

export interface PassAdvice {
  readonly enough: boolean;
  readonly limit: number;
  readonly reasons: readonly Reason[];
}

/**
 * Whether one place has had enough strokes.
 * @param passes strokes over the same place, ≥ 0
 * @throws RangeError for a negative number
 * @example advisePasses(3, false).enough // => true
 */
export function advisePasses(passes: number, thinOrRed: boolean): PassAdvice {
  if (!(passes >= 0)) throw new RangeError(`advisePasses: ${passes} passes`);
  const limit = thinOrRed ? PASSES_ON_ONE_PLACE.thinOrRedSkin : PASSES_ON_ONE_PLACE.soundSkin;
  const enough = passes >= limit;
  return { enough, limit, reasons: [reason(enough ? 'blade.passes_enough' : 'blade.passes_left', { passes, limit }, enough ? 0.9 : 0.2)] };
}
