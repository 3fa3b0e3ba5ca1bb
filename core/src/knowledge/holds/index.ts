/** How a dog is held, and what settles it. */
export * from './choose-hold.js';
export * from './guard-hold.js';
export * from './holds.js';
export * from './loop.js';
export * from './settle.js';
