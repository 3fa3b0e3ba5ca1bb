/** Kinds of work with their facts, and the order rules. */
export * from './activities.js';
export * from './cautions.js';
export * from './kinds-of-work.js';
export * from './order-rules.js';
export * from './order.js';
export * from './places.js';
export * from './start-rules.js';
export * from './urgency.js';
