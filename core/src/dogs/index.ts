export * from './dog.js';
export * from './life-stage.js';
export * from './feel-over.js';
export * from './kinds.js';
export * from './kind-changes.js';
export * from './standing.js';
export * from './weight-question.js';
export * from './dog-facts-of.js';
