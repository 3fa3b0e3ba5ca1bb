/** The one model of strain: predict, watch, learn, simulate. */
export * from './bands.js';
export { type Belief, strainQuantile } from './belief.js';
export * from './calm-states.js';
export * from './curve.js';
export * from './first-watch.js';
export * from './half-life.js';
export * from './measured.js';
export * from './mood-start.js';
export * from './next-minutes.js';
export * from './noise-or-place.js';
export * from './process.js';
export * from './rate-book.js';
export * from './rate-evidence.js';
export * from './rates-by-place.js';
export * from './signals.js';
export * from './simulated-strain.js';
export * from './strain-filter.js';
