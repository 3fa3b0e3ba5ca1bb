export * from './areas.js';
export * from './looked.js';
export * from './as-before.js';
