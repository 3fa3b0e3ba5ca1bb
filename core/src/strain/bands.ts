import { STRAIN_BANDS, type StrainBand } from '../words/index.js';
/** Lower edges of the bands, points of 100. Our default. */
export const WATCH_AT = 25;
export const PAUSE_AT = 50;
export const STOP_AT = 75;
export const STRAIN_MAX = 100;

/** The band of a strain value. `bandOf(50) // => 'pause'` */
export function bandOf(strain: number): StrainBand {
  if (strain >= STOP_AT) return 'stop';
  if (strain >= PAUSE_AT) return 'pause';
  return strain >= WATCH_AT ? 'watch' : 'settled';
}

/** The more careful of two bands. */
export function worseBand(a: StrainBand, b: StrainBand): StrainBand {
  return STRAIN_BANDS.indexOf(a) >= STRAIN_BANDS.indexOf(b) ? a : b;
}
