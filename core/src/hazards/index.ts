export * from './hazards.js';
export * from './hazard-factors.js';
export * from './controls.js';
export * from './risk-grid.js';
export * from './register.js';
export * from './vet-only.js';
