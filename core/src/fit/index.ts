export * from './fit-signs.js';
export * from './heat-load.js';
export * from './contagion.js';
export * from './medicines.js';
export * from './painful-work.js';
export * from './safe-finish.js';
export * from './fit-to-groom.js';
