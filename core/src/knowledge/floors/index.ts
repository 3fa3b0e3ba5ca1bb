/** What no plan may go under: breaks, minutes, sessions. */
export * from './floors.js';
