import type { BladeHeatModel } from './blade-heat.js';

/** A thermometer reading of a running blade. */
export interface HeatReading {
  /** Seconds of running since the blade was as cool as the room, ≥ 0. */
  readonly runSeconds: number;
  readonly celsius: number;
}

export interface HeatFit {
  readonly model: BladeHeatModel;
  /** Standard deviation of the readings round the curve, °C. */
  readonly residualCelsius: number;
  /** Standard errors of rise (°C) and time constant (s). */
  readonly riseError: number;
  readonly tauError: number;
  readonly readings: number;
}

export type HeatFitResult =
  { readonly ok: true; readonly fit: HeatFit } | { readonly ok: false; readonly why: 'too_few' | 'too_close' | 'not_warming' };

/** Fewer readings than this say nothing about two unknowns and their error. */
const READINGS_NEEDED = 4;
/** The time constant is looked for between these, seconds. Our default: a small blade and a heavy one lie well within. */
const TAU_RANGE_SECONDS = [30, 7200] as const;

/**
 * Re-estimates rise and time constant from thermometer readings, by least squares. For a given time constant the rise is a
 * straight-line fit with a closed form, so only one unknown is searched (variable projection, Golub & Pereyra 1973, from memory);
 * errors are from the curvature at the optimum (Gauss–Newton).
 * @param ambientCelsius room, °C; the blade starts there
 * @returns the model with its errors, or why there is none
 */
export function fitHeatModel(readings: readonly HeatReading[], ambientCelsius: number): HeatFitResult {
  const used = readings.filter((r) => r.runSeconds > 0);
  if (used.length < READINGS_NEEDED) return { ok: false, why: 'too_few' };
  const times = used.map((r) => r.runSeconds);
  // Readings all at one moment cannot tell a quick blade from a hot one.
  if (Math.max(...times) < 1.5 * Math.min(...times)) return { ok: false, why: 'too_close' };
  const at = (tau: number): { rise: number; squares: number } => {
    const g = times.map((t) => 1 - Math.exp(-t / tau));
    const gg = sum(g.map((x) => x * x));
    const rise = sum(used.map((r, i) => (r.celsius - ambientCelsius) * (g[i] ?? 0))) / gg;
    return { rise, squares: sum(used.map((r, i) => (r.celsius - ambientCelsius - rise * (g[i] ?? 0)) ** 2)) };
  };
  const tau = Math.exp(minimise((logTau) => at(Math.exp(logTau)).squares, Math.log(TAU_RANGE_SECONDS[0]), Math.log(TAU_RANGE_SECONDS[1])));
  const { rise, squares } = at(tau);
  if (!(rise > 0)) return { ok: false, why: 'not_warming' };
  const variance = squares / (used.length - 2);
  // Jacobian columns: d/d rise and d/d tau.
  const a = times.map((t) => 1 - Math.exp(-t / tau));
  const b = times.map((t) => (-rise * t * Math.exp(-t / tau)) / tau ** 2);
  const aa = sum(a.map((x) => x * x));
  const bb = sum(b.map((x) => x * x));
  const ab = sum(a.map((x, i) => x * (b[i] ?? 0)));
  const det = aa * bb - ab * ab;
  return {
    ok: true,
    fit: {
      model: { ambientCelsius, riseAtFullRunCelsius: rise, tauSeconds: tau },
      residualCelsius: Math.sqrt(variance),
      riseError: Math.sqrt((variance * bb) / det),
      tauError: Math.sqrt((variance * aa) / det),
      readings: used.length,
    },
  };
}

const sum = (numbers: readonly number[]): number => numbers.reduce((x, y) => x + y, 0);

/** Smallest value of a function of one variable: a grid finds the valley, the golden section its bottom. */
function minimise(f: (x: number) => number, low: number, high: number): number {
  const GRID = 60;
  const xs = Array.from({ length: GRID + 1 }, (_, i) => low + ((high - low) * i) / GRID);
  const best = xs.reduce((m, x, i) => (f(x) < f(xs[m] ?? low) ? i : m), 0);
  let a = xs[Math.max(0, best - 1)] ?? low;
  let b = xs[Math.min(GRID, best + 1)] ?? high;
  const GOLDEN = (Math.sqrt(5) - 1) / 2;
  for (let i = 0; i < 80; i++) {
    const c = b - GOLDEN * (b - a);
    const d = a + GOLDEN * (b - a);
    if (f(c) < f(d)) b = d;
    else a = c;
  }
  return (a + b) / 2;
}
