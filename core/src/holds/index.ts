export * from './holds.js';
export * from './choose-hold.js';
