import { BLADE_HEAT_DEFAULTS, bladeCelsius, type BladeHeatModel, secondsUntilCelsius, SWAP_AT_CELSIUS } from './blade-heat.js';

/** A stretch of one blade: running, resting, or cooled by spray at once. */
export type BladeTurn =
  | { readonly kind: 'run' | 'rest'; readonly seconds: number }
  | { readonly kind: 'spray' }
  | { readonly kind: 'read'; readonly celsius: number };

/** Share of the warmth above the room that a spray takes away at once. Our default, until readings of the salon's spray are there. */
const SPRAY_TAKES_SHARE = 0.5;

/**
 * A blade right after spray, °C.
 * @example sprayed(42) // => 32
 */
export function sprayed(celsius: number, model: BladeHeatModel = BLADE_HEAT_DEFAULTS): number {
  return model.ambientCelsius + (celsius - model.ambientCelsius) * (1 - SPRAY_TAKES_SHARE);
}

/**
 * Temperature of a blade after its turns. A thermometer reading replaces the estimate.
 * @example celsiusAfter([{ kind: 'run', seconds: 600 }]) // => 47.2848224
 */
export function celsiusAfter(turns: readonly BladeTurn[], model: BladeHeatModel = BLADE_HEAT_DEFAULTS): number {
  return turns.reduce((celsius, turn) => {
    if (turn.kind === 'read') return turn.celsius;
    if (turn.kind === 'spray') return sprayed(celsius, model);
    return bladeCelsius(celsius, turn.seconds, turn.kind === 'run', model);
  }, model.ambientCelsius);
}

export interface BladeStint {
  readonly blade: number;
  readonly fromSeconds: number;
  readonly toSeconds: number;
  readonly endCelsius: number;
}

export interface TurnsPlan {
  readonly stints: readonly BladeStint[];
  /** Seconds during which every blade was too warm to go on. */
  readonly waitedSeconds: number;
  readonly warmestCelsius: number;
}

/** A blade that was swapped out is taken again when it has cooled this far below the swap line, °C. Our default. */
const READY_BELOW_SWAP_CELSIUS = 6;

/**
 * Several blades of one number in turn: each runs until the swap line, the coolest is taken next, and when none is ready the work
 * waits. Says how many blades a long clip needs.
 * @param blades how many, ≥ 1
 * @param workSeconds running time that is needed, ≥ 0
 * @throws RangeError for less than one blade or a line that a resting blade never falls below
 */
export function takeTurns(
  blades: number,
  workSeconds: number,
  swapAtCelsius: number = SWAP_AT_CELSIUS,
  model: BladeHeatModel = BLADE_HEAT_DEFAULTS,
): TurnsPlan {
  const ready = swapAtCelsius - READY_BELOW_SWAP_CELSIUS;
  if (!(blades >= 1)) throw new RangeError(`takeTurns: ${blades} blades`);
  if (ready <= model.ambientCelsius) throw new RangeError(`takeTurns: a blade never cools to ${ready} °C in this room`);
  const celsius = Array.from({ length: Math.floor(blades) }, () => model.ambientCelsius);
  const stints: BladeStint[] = [];
  let now = 0;
  let worked = 0;
  let waited = 0;
  let warmest = model.ambientCelsius;
  const letAllRest = (seconds: number, but: number | undefined): void => {
    celsius.forEach((c, i) => {
      if (i !== but) celsius[i] = bladeCelsius(c, seconds, false, model);
    });
    now += seconds;
  };
  while (worked < workSeconds - 1e-9) {
    const blade = celsius.reduce((at, c, i) => (c < (celsius[at] ?? Infinity) ? i : at), 0);
    const start = celsius[blade] ?? model.ambientCelsius;
    if (start > ready) {
      const rest = secondsToCool(start, ready, model);
      waited += rest;
      letAllRest(rest, undefined);
      continue;
    }
    const run = Math.min(workSeconds - worked, secondsUntilCelsius(start, swapAtCelsius, model));
    const from = now;
    letAllRest(run, blade);
    const end = bladeCelsius(start, run, true, model);
    celsius[blade] = end;
    warmest = Math.max(warmest, end);
    worked += run;
    stints.push({ blade, fromSeconds: from, toSeconds: now, endCelsius: end });
  }
  return { stints, waitedSeconds: waited, warmestCelsius: warmest };
}

/**
 * Seconds of rest until a blade has cooled; `Infinity` when the room is warmer than the target.
 * @example secondsToCool(51, 40, { ambientCelsius: 22, riseAtFullRunCelsius: 40, tauSeconds: 600 }) // => 286.15444
 */
export function secondsToCool(fromCelsius: number, toCelsius: number, model: BladeHeatModel = BLADE_HEAT_DEFAULTS): number {
  if (fromCelsius <= toCelsius) return 0;
  if (toCelsius <= model.ambientCelsius) return Infinity;
  return model.tauSeconds * Math.log((fromCelsius - model.ambientCelsius) / (toCelsius - model.ambientCelsius));
}
