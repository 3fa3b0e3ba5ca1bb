import {
  HALF_LIFE_RANGE,
  intensityAt,
  QUIET_SHARE,
  recoveryPerMinute,
  SNAPS,
  STARTLE_POINTS,
  STARTLES_PER_MINUTE,
  STRAIN_MAX,
} from '../strain/index.js';
import { DAY_SPREAD, type StepSpread } from './draw-visit.js';
import type { ChosenStep, PlanProblem } from './model.js';
import { simulate } from './simulate.js';

/** Chances of a plan, reckoned and not drawn: near enough to search by, never shown. */
export interface ReckonedChance {
  readonly stop: number;
  readonly bite: number;
  /** Hard signs to be expected in each chosen step and the breaks and ways before it, by its place in the order. */
  readonly hardBySteps: readonly number[];
}

/** What the reckoning knows of the dog beside the problem. */
export interface ChanceQuestion {
  readonly problem: PlanProblem;
  /** One for each step of the problem. */
  readonly spreads: readonly StepSpread[];
  /** As likely longer as shorter. */
  readonly halfLifeMinutes: number;
  /** How many times as often as other dogs it snaps; once when it is not given. */
  readonly snapTimes?: number;
}

/** Easier and harder days in standard deviations, with their weights: five points that have the mean and spread of a normal distribution. */
const DAYS = [
  { z: -1.75, weight: 0.1 },
  { z: -0.85, weight: 0.24 },
  { z: 0, weight: 0.32 },
  { z: 0.85, weight: 0.24 },
  { z: 1.75, weight: 0.1 },
] as const;
/** Share of what is not known of single rates that all rates of a visit have in common. Our default, fitted to drawn visits. */
const RATES_IN_COMMON = 0.3;
/** The meter asks for pauses: strain is held about here on days that would take it higher. Our default, fitted to drawn visits. */
const HELD_BY_PAUSES = 58;
/**
 * Rather too high than too low, so that drawn visits seldom find more: over generated dogs near the limits what is drawn is about 0.8 of what is
 * reckoned (`reckoned-chance.spec.ts`). Our defaults, fitted.
 */
const CAREFULLY = { stop: 0.8, bite: 1.15 } as const;
/** Strain whose signs bring the meter to `stop` on half of such days, and over how many points. Our defaults, fitted to drawn visits. */
const METER_STOPS_AT = 90;
const METER_OVER = 7;
/** Minutes after a fright in which it still counts, at most. */
const FRIGHT_MINUTES = 20;

/**
 * Reckons the chances of plans of one problem: the mean curve on five kinds of day, hard signs as often as the model has them at that strain
 * and after frights, a stop at the second hard sign or at a snap.
 */
export function chanceReckoner({
  problem,
  spreads,
  halfLifeMinutes,
  snapTimes = 1,
}: ChanceQuestion): (chosen: readonly ChosenStep[]) => ReckonedChance {
  const halfLife = Math.min(HALF_LIFE_RANGE[1], Math.max(HALF_LIFE_RANGE[0], halfLifeMinutes));
  const hard = hardSignsAt(halfLife);
  const likely = { ...problem, halfLifeMinutes: halfLife };
  const unknown = spreads.reduce((sum, s) => sum + 1 / s.rateShape, 0) / Math.max(1, spreads.length);
  const spread = Math.sqrt(DAY_SPREAD ** 2 + RATES_IN_COMMON * unknown);
  const snaps = snapTimes * ((1 - QUIET_SHARE) * SNAPS.shows + QUIET_SHARE * SNAPS.goes_quiet);
  return (chosen) => {
    const places = new Map(chosen.map((c, at) => [c.step, at]));
    const hardBySteps = chosen.map(() => 0);
    let [stop, bite] = [0, 0];
    for (const { z, weight } of DAYS) {
      const day = Math.exp(z * spread);
      let signs = 0;
      const run = simulate(likely, chosen, () => day);
      for (const s of run.stretches) {
        const cells = Math.max(1, Math.ceil(s.to - s.from));
        let here = 0;
        for (let i = 0; i < cells; i++) {
          const strain = s.strainFrom + ((s.strainTo - s.strainFrom) * (i + 0.5)) / cells;
          here += ((hard[Math.round(Math.min(HELD_BY_PAUSES, strain))] ?? 0) * (s.to - s.from)) / cells;
        }
        signs += here;
        const at = places.get(s.step) ?? 0;
        hardBySteps[at] = (hardBySteps[at] ?? 0) + weight * here;
      }
      const none = Math.exp(-signs);
      const byMeter = 1 / (1 + Math.exp((METER_STOPS_AT - run.peak) / METER_OVER));
      stop += weight * (1 - (1 - byMeter) * none * (1 + (1 - snaps) * signs));
      bite += weight * snaps * (1 - none);
    }
    return { stop: Math.min(1, CAREFULLY.stop * stop), bite: Math.min(1, CAREFULLY.bite * bite), hardBySteps };
  };
}

/** Hard signs a minute at each whole point of strain, with those after a fright in that minute. */
function hardSignsAt(halfLifeMinutes: number): Float64Array {
  const k = recoveryPerMinute(halfLifeMinutes);
  const at = (strain: number): number => intensityAt('hard', Math.min(STRAIN_MAX, strain), 'shows');
  return Float64Array.from({ length: STRAIN_MAX + 1 }, (_, strain) => {
    let signs = at(strain);
    for (const points of STARTLE_POINTS)
      for (let after = 0.5; after < FRIGHT_MINUTES; after++)
        signs += (STARTLES_PER_MINUTE / STARTLE_POINTS.length) * (at(strain + points * Math.exp(-k * after)) - at(strain));
    return signs;
  });
}
