export * from './zone-ids.js';
export * from './zones.js';
export * from './neighbours.js';
export * from './zone-handling.js';
export * from './terms.js';
