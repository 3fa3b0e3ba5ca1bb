/** Which kinds of dog this one is, and what that limits. */
export * from './birth-date.js';
export * from './dog.js';
export * from './ill.js';
export * from './kind-changes.js';
export * from './kinds.js';
export * from './life-stage.js';
export * from './resents.js';
export type { StandSeen } from './stand-seen.js';
export * from './standing.js';
export * from './warned.js';
export * from './weight-question.js';
