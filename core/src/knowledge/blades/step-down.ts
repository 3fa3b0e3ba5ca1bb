import type { BladeId } from '../../words/index.js';
import { zoneFacts } from '../anatomy/index.js';
import type { BladeQuestion } from './blade-question.js';
import { type Blade, isSkip } from './blades.js';

/** The first blade leaves at least this many times the length of the last. Our default: 4 or 5 before 7F. */
const AT_LEAST_TIMES = 1.8;

/**
 * Blades in the order of use. On a loose body coat the house may step down: 4 or 5 first, then 7F. A matted coat goes straight to
 * the blade that passes under it. Common practice, no source.
 * @example stepDown(bladeOf('7F'), [bladeOf('4F'), bladeOf('5F'), bladeOf('7F')], aBladeQuestion({ house: houseRules({ bodyClip: 'step_down' }) })) // => ['5F', '7F']
 */
export function stepDown(last: Blade, allowed: readonly Blade[], q: BladeQuestion): BladeId[] {
  const loose = q.matGrade <= 1 && ['body', 'neck', 'legs'].includes(zoneFacts(q.zone).group);
  // Burned before: no stepping down that day. Overgrown: the longer blade first whatever the house says.
  if (!loose || q.burnedHere === true || (q.house.bodyClip !== 'step_down' && q.overgrown !== true)) return [last.id];
  return longerFirst(last, allowed, q);
}

/** The longer blade that goes before the last one where coat is loose; the last alone where none is long enough. */
export function longerFirst(last: Blade, allowed: readonly Blade[], q: Pick<BladeQuestion, 'matGrade'>): BladeId[] {
  if (q.matGrade > 1) return [last.id];
  const longer = allowed.filter((b) => !isSkip(b) && b.lengthMm >= AT_LEAST_TIMES * last.lengthMm);
  const first = [...longer].sort((a, b) => a.lengthMm - b.lengthMm)[0];
  return first ? [first.id, last.id] : [last.id];
}
