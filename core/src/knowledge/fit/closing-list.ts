import type { ClosingLine, Post } from '../../words/index.js';
import type { Unfinished } from './safe-finish.js';

export interface ClosingQuestion {
  /** Where the dog is; `floor` when it stands on its own feet already. */
  readonly post: Post | 'floor';
  readonly unfinished: Unfinished;
  /** Its body is in danger: nothing on the list holds anyone up. */
  readonly alarm: boolean;
}

/**
 * What makes the end of a visit safe, in the order in which hands do it, from where the dog is. Nothing else is begun until each line is
 * done. The muzzle comes off on the floor; no dog is without lead or loop for a moment. Common practice, no source.
 * @example closingList({ post: 'floor', unfinished: ALL_SAFE, alarm: false }) // => ['safe_place', 'ring_owner']
 */
export function closingList({ post, unfinished: u, alarm }: ClosingQuestion): ClosingLine[] {
  if (alarm) return ['all_off', 'cool_down', 'ring_vet', 'go'];
  const tub = post === 'tub';
  const up = post === 'table' || post === 'dryer';
  const lines: [boolean, ClosingLine][] = [
    [post !== 'floor', 'tool_away'],
    [u.woundOpen, 'pressure'],
    [u.matHalfCut, 'mat'],
    [u.lathered, 'rinse'],
    [tub, 'towel'],
    [up || tub || u.loopOn, 'lead_on'],
    [tub, 'out_of_tub'],
    [up || post === 'lap', 'down'],
    [u.muzzleOn, 'muzzle_off'],
    [u.dryingMinutes > 0, 'dry_enough'],
    [true, 'safe_place'],
    [true, 'ring_owner'],
  ];
  return lines.flatMap(([needed, line]) => (needed ? [line] : []));
}
