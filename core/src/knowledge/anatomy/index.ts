export * from './neighbours.js';
export * from './terms.js';
export * from './zone-handling.js';
export * from './zones.js';
