import { BLADE_HEAT_DEFAULTS, bladeCelsius, secondsUntilCelsius, SWAP_AT_CELSIUS, swapLineCelsius } from '../knowledge/heat/index.js';
import type { BladeId, HouseRules } from '../words/index.js';
import type { BuiltStep } from './group-steps.js';
import type { Stretch } from './simulate.js';

/** A moment at which a blade is thought to have reached the line: swap it, spray it or let it rest. An estimate; a touch overrules it. */
export interface BladeStop {
  readonly blade: BladeId;
  /** Minutes from the start of the work. */
  readonly minute: number;
  readonly celsius: number;
}

/** Minutes that a swap or a spray takes. Our default. */
export const BLADE_STOP_MINUTES = 0.5;

/** How often a cold blade reaches the line in some minutes of running: what a step's minutes must have room for. */
export function bladeStopsIn(minutes: number): number {
  return Math.floor((minutes * 60) / secondsUntilCelsius(BLADE_HEAT_DEFAULTS.ambientCelsius, SWAP_AT_CELSIUS));
}

/**
 * Where blades get too warm along a plan. One blade may serve several steps: it warms while it runs, cools while it lies.
 * @param warm blades that are not cold at the start, °C
 */
export function bladeStopsOf(
  steps: readonly BuiltStep[],
  stretches: readonly Stretch[],
  house: HouseRules,
  warm: readonly { readonly blade: BladeId; readonly celsius: number }[] = [],
): ReadonlyMap<string, readonly BladeStop[]> {
  const clocks = new Map<BladeId, { celsius: number; at: number }>(warm.map((w) => [w.blade, { celsius: w.celsius, at: 0 }]));
  const out = new Map<string, BladeStop[]>();
  for (const stretch of stretches) {
    const step = steps[stretch.step];
    const blade = step?.blade?.blade;
    if (!step || blade === undefined || stretch.kind !== 'work') continue;
    const line = Math.min(SWAP_AT_CELSIUS, ...step.zones.map((z) => swapLineCelsius(z, house)));
    const clock = clocks.get(blade) ?? { celsius: BLADE_HEAT_DEFAULTS.ambientCelsius, at: stretch.from };
    let celsius = bladeCelsius(clock.celsius, (stretch.from - clock.at) * 60, false);
    let minute = stretch.from;
    for (;;) {
      const wait = celsius >= line ? 0 : secondsUntilCelsius(celsius, line) / 60;
      if (!Number.isFinite(wait) || minute + wait >= stretch.to) break;
      minute += wait;
      out.set(step.id, [...(out.get(step.id) ?? []), { blade, minute, celsius: line }]);
      celsius = BLADE_HEAT_DEFAULTS.ambientCelsius;
    }
    clocks.set(blade, { celsius: bladeCelsius(celsius, (stretch.to - minute) * 60, true), at: stretch.to });
  }
  return out;
}
