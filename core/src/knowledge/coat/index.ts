/** Coat, mats and what can be combed. */
export * from './dryer-test.js';
export * from './length-and-interval.js';
export * from './length-promise.js';
export * from './mat-advice.js';
export * from './season.js';
export * from './whole-coat.js';
