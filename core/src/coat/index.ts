export * from './mat-grade.js';
export * from './dryer-test.js';
export * from './mat-advice.js';
export * from './length-promise.js';
export * from './whole-coat.js';
export * from './season.js';
