export * from './dog-facts-of.js';
export * from './dog.js';
export * from './kind-changes.js';
export * from './kinds.js';
export * from './life-stage.js';
export * from './standing.js';
export * from './weight-question.js';
