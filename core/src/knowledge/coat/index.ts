export * from './dryer-test.js';
export * from './length-promise.js';
export * from './mat-advice.js';
export * from './mat-grade-names.js';
export * from './season.js';
export * from './whole-coat.js';
