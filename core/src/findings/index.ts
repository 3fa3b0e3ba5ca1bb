/** What hands and eyes found, as it was entered. */
export * from './as-before.js';
export * from './feel-areas.js';
export * from './feel-over.js';
export * from './latest.js';
export * from './looked.js';
export * from './mat-grade.js';
