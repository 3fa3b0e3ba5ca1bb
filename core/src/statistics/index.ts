/** Intervals, quantiles, survival, charts: of numbers, not of dogs. */
export * from './beta.js';
export * from './gamma-rate.js';
export * from './gamma.js';
export * from './intervals.js';
export * from './kaplan-meier.js';
