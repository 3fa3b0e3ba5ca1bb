/** Days, clocks and the places they belong to. */
export * from './clock-minutes.js';
export * from './day-of.js';
export * from './say-time.js';
