/** Days, clocks and the places they belong to. */
export * from './day-of.js';
export * from './say-time.js';
