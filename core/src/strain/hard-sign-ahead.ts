import { type Belief, massAt } from './belief.js';
import { afterStep } from './drift.js';
import { STEP_MINUTES } from './process.js';

/**
 * Chance that a hard sign (freeze, growl, scream, struggle, snap, bite) comes within some minutes.
 * @param ratePerMinute of what is done in them; 0 is a break
 * @param minutes > 0; counted in whole steps of the model
 */
export function chanceOfHardSign(belief: Belief, ratePerMinute: number, halfLifeMinutes: number, minutes: number): number {
  const { cells, half, hardSigns } = belief.grid;
  let now = belief;
  let none = 1;
  for (let done = 0; done < minutes; done += STEP_MINUTES) {
    const { mass } = (now = afterStep(now, ratePerMinute, halfLifeMinutes));
    let left = 0;
    hardSigns.forEach((hard, m) => {
      for (let i = m * half; i < (m + 1) * half; i++) {
        const stays = massAt(mass, i) * Math.exp(-massAt(hard, i % cells) * STEP_MINUTES);
        mass[i] = stays;
        left += stays;
      }
    });
    none *= left;
    for (let i = 0; i < mass.length; i++) mass[i] = massAt(mass, i) / left;
  }
  return 1 - none;
}
