import type { Numbers, StepNumbers } from './numbers.js';

/**
 * An order to begin with when there are too many to list: of the steps that may come next the one at the same place first, then hard
 * and easy by turns, so that strain has time to fall.
 * @param before for each step, the mask of the steps that must be done before it
 */
export function nearestOrder(numbers: Numbers, before: readonly number[]): number[] {
  const n = numbers.steps.length;
  const mean = numbers.steps.reduce((sum, s) => sum + s.ratePerMinute, 0) / Math.max(1, n);
  const order: number[] = [];
  let mask = 0;
  let station = -1;
  let lastWasHard = false;
  while (order.length < n) {
    let best: { step: number; cost: number } | undefined;
    for (let i = 0; i < n; i++) {
      const step = numbers.steps[i];
      if (!step || mask & (1 << i) || (mask & (before[i] ?? 0)) !== (before[i] ?? 0)) continue;
      const away = station >= 0 ? 6 * (numbers.change[station]?.[nearest(numbers, station, step)] ?? 0) : 0;
      const cost = away + (lastWasHard ? step.ratePerMinute : -step.ratePerMinute);
      if (!best || cost < best.cost) best = { step: i, cost };
    }
    if (!best) break;
    const step = numbers.steps[best.step];
    mask |= 1 << best.step;
    station = step ? nearest(numbers, station, step) : station;
    lastWasHard = (step?.ratePerMinute ?? 0) > mean;
    order.push(best.step);
  }
  return order;
}

/** Of the places where a step may be done, the one that takes least to come to. */
function nearest(numbers: Numbers, from: number, step: StepNumbers): number {
  const away = (to: number): number => numbers.change[Math.max(0, from)]?.[to] ?? 0;
  return step.stations.reduce((best, to) => (away(to) < away(best) ? to : best), step.stations[0] ?? 0);
}
