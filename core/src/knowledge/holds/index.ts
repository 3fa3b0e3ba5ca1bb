export * from './choose-hold.js';
export * from './guard-hold.js';
export * from './holds.js';
export * from './loop.js';
export * from './settle.js';
