/** The body: zones, skin, where it is drawn. */
export * from './neighbours.js';
export * from './zone-handling.js';
export * from './zones.js';
