import type { MarkFollow, MarkVerdict } from '../../words/index.js';

/**
 * When a mark is looked at again, and by whom. New ones after four weeks; common practice, no source.
 * @example followMark('watch', true) // => 'four_weeks'
 */
export function followMark(verdict: MarkVerdict, isNew: boolean): MarkFollow {
  if (verdict === 'show_vet_now') return 'within_days';
  if (verdict === 'show_vet') return 'check_up';
  return isNew ? 'four_weeks' : 'next_visit';
}
