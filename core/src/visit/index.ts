/** Replay: what the log says the visit is. */
export * from './carried-over.js';
export * from './empty-visit.js';
export * from './first-to-know.js';
export * from './known-from-visits.js';
export * from './open-mirrors.js';
export * from './plan-changes.js';
export * from './plan-input-of.js';
export * from './plan-now.js';
export * from './plan-record.js';
export * from './replay.js';
export * from './safe-finish-now.js';
export * from './seen-in-visit.js';
export * from './state.js';
export * from './summary.js';
export * from './told-with.js';
export * from './unfinished.js';
export * from './work-clock.js';
