/** Default thermal figures of a clipper blade. Our default, until thermometer readings of the salon replace them. */
export const BLADE_HEAT_DEFAULTS = { ambientCelsius: 22, riseAtFullRunCelsius: 40, tauSeconds: 600 } as const;
/** Swap or cool the blade here. Our default, well below the limits published for people (ISO 13732-1:2006: metal 43 °C for 8 h). */
export const SWAP_AT_CELSIUS = 40;
/** Never on skin above this. A floor that no house rule lowers. */
export const NEVER_ABOVE_CELSIUS = 42;
/** Touch the blade to the inner wrist by this running time at the latest. Common practice, no source. */
export const CHECK_BY_SECONDS = 180;

export interface BladeHeatModel {
  readonly ambientCelsius: number;
  readonly riseAtFullRunCelsius: number;
  /** Time constant, seconds, > 0. */
  readonly tauSeconds: number;
}

/**
 * Blade temperature after running or resting, by Newton's law with constant heating: `T∞ + (T₀ − T∞)·e^(−t/τ)`.
 * @param startCelsius temperature at the start
 * @param seconds time, ≥ 0
 * @returns °C; an estimate, a touch that says warm overrules it
 * @example bladeCelsius(22, 600, true, { ambientCelsius: 22, riseAtFullRunCelsius: 40, tauSeconds: 600 }) // => 47.2848224
 */
export function bladeCelsius(startCelsius: number, seconds: number, running: boolean, model: BladeHeatModel = BLADE_HEAT_DEFAULTS): number {
  if (!(seconds >= 0)) throw new RangeError(`bladeCelsius: ${seconds} s is negative`);
  const settles = model.ambientCelsius + (running ? model.riseAtFullRunCelsius : 0);
  return settles + (startCelsius - settles) * Math.exp(-seconds / model.tauSeconds);
}

/**
 * Seconds of running until a temperature is reached; `Infinity` when it never is.
 * @example secondsUntilCelsius(22, 43, { ambientCelsius: 22, riseAtFullRunCelsius: 40, tauSeconds: 600 }) // => 446.66428
 */
export function secondsUntilCelsius(startCelsius: number, targetCelsius: number, model: BladeHeatModel = BLADE_HEAT_DEFAULTS): number {
  if (startCelsius >= targetCelsius) return 0;
  const settles = model.ambientCelsius + model.riseAtFullRunCelsius;
  if (settles <= targetCelsius) return Infinity;
  return model.tauSeconds * Math.log((settles - startCelsius) / (settles - targetCelsius));
}
