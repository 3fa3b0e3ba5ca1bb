import { PAUSE_AT, STOP_AT, WATCH_AT } from '../../strain/index.js';
import type { Numbers } from './numbers.js';

/**
 * A burden that no order of the steps is below, whatever their precedence: for when there are too many orders for a table.
 *
 * Strain obeys dS/dt = r − kS, so over the visit `points + start − end = k·∫S dt`, and `∫S dt ≤ watch·T + dose`, so
 * `dose ≥ area − watch·T`. A minute more saves at most `watch` point-minutes of dose and costs its price, so while it is cheaper than
 * that the least is reached at no dose, or when the session is used up.
 * @returns point-minutes
 */
export function leastBurden(numbers: Numbers): number {
  const { k, minutePrice, problem } = numbers;
  // The order that tires least: the higher rates first.
  const steps = [...numbers.steps].sort((a, b) => b.ratePerMinute - a.ratePerMinute);
  let minutes = 0;
  let points = 0;
  for (const s of steps) {
    points += s.minutes * s.ratePerMinute * (1 + numbers.fatigue * minutes);
    minutes += s.minutes;
  }
  numbers.stations.forEach((_, to) => {
    if (to === 0 || !steps.some((s) => s.stations.length === 1 && s.stations[0] === to)) return;
    minutes += Math.min(...numbers.change.map((row, from) => (from === to ? Infinity : (row[to] ?? 0))));
  });
  const end = problem.steps.some((s) => s.tier === 'welfare') ? STOP_AT : PAUSE_AT;
  const area = (points + problem.startStrain - end) / k;
  const longer = minutePrice < WATCH_AT ? Math.max(minutes, Math.min(area / WATCH_AT, numbers.session)) : minutes;
  return minutePrice * longer + Math.max(0, area - WATCH_AT * longer);
}
