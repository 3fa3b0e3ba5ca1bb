export * from './zone-ids.js';
export * from './zones.js';
export * from './neighbours.js';
