/** How often it goes wrong, and why. */
export * from './controls.js';
export * from './hazard-factors.js';
export * from './hazards.js';
export * from './register.js';
export * from './risk-grid.js';
export * from './vet-only.js';
