import { activityOf, type PieceId, reason, type SignalId } from '../words/index.js';
import { BATHING, type TimeLag } from '../work/index.js';
import type { PlanNow } from './from-here.js';
import type { BuiltStep } from './group-steps.js';
import { type NotPlanned, type Piece, whatOf } from './piece.js';

/** Hard signs of this visit so far, as the planner must know them. */
export interface HardSignsNow {
  /** In the order in which they came. */
  readonly signs: readonly SignalId[];
  /** Pieces that were in hand at the last of them. */
  readonly inHand: readonly PieceId[];
  /** Minutes of rest since then in a pause with a good sign in it; 0 without one. */
  readonly restedMinutes: number;
}

/** After a hard sign a pause counts as recovery from this many minutes on. Common practice, no source. */
const REST_MINUTES = 5;
/** Signs that end the visit the first time. */
const ENDS_AT_ONCE: readonly SignalId[] = ['snap', 'bite', 'collapse', 'fit', 'hard_breath', 'gums_colour', 'bloat_retch'];

/** A second hard sign of any kind, a snap, a bite, a body alarm: nothing is begun any more but what makes the finish safe. */
const onlyFinishesSafely = ({ signs }: HardSignsNow): boolean => signs.length > 1 || signs.some((s) => ENDS_AT_ONCE.includes(s));

/**
 * What a hard sign leaves of the work: after the first another place, after the second a safe finish only. A wet dog is dried all the same.
 */
export function afterHardSign(
  pieces: readonly Piece[],
  now: PlanNow,
): { readonly open: readonly Piece[]; readonly notPlanned: NotPlanned[] } {
  const { hard } = now;
  if (!hard || hard.signs.length === 0) return { open: pieces, notPlanned: [] };
  const ends = onlyFinishesSafely(hard);
  const wet = now.begun.some((b) => b.status !== 'left' && BATHING.includes(activityOf(b.step)));
  const stays = (p: Piece): boolean => {
    if (BATHING.includes(p.activity)) return ends ? wet && DRYING.includes(p.activity) : wet || !hard.inHand.includes(p.id);
    return !ends && !hard.inHand.includes(p.id);
  };
  const because = reason(ends ? 'now.finish_safely' : 'now.other_place', { signals: [...hard.signs] }, 1);
  return {
    open: pieces.filter(stays),
    notPlanned: pieces
      .filter((p) => !stays(p))
      .map((p) => ({
        what: whatOf(p),
        activity: p.activity,
        zones: p.zones,
        to: 'another_visit' as const,
        withinDays: undefined,
        reasons: [because],
      })),
  };
}
const DRYING: readonly Piece['activity'][] = ['towel', 'dry'];

/** After the first hard sign nothing but drying is begun before the dog has rested. */
export function restAfterHardSign(steps: readonly Pick<BuiltStep, 'id' | 'activity'>[], now: PlanNow | undefined): TimeLag[] {
  const minutes = REST_MINUTES - (now?.hard?.restedMinutes ?? 0);
  if (!now?.hard || now.hard.signs.length === 0 || minutes <= 0) return [];
  return steps
    .filter((s) => !BATHING.includes(s.activity))
    .map((s) => ({ first: undefined, then: s.id, minutes, rule: 'now.rest_first' as const }));
}
