/** Blades, guards and what they leave. */
export * from './blade-bans.js';
export * from './blade-question.js';
export * from './blades.js';
export * from './choose-blade.js';
export * from './passes.js';
export * from './resistance.js';
export * from './step-down.js';
