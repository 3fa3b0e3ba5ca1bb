export * from './bands.js';
export * from './curve.js';
export * from './calm-states.js';
export * from './signals.js';
export * from './measured.js';
