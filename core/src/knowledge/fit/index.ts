/** Whether it may be groomed today, and whom to ask. */
export * from './closing-list.js';
export * from './contagion.js';
export * from './fit-to-groom.js';
export * from './heat-load.js';
export * from './looked-effects.js';
export * from './medicines.js';
export * from './painful-work.js';
export * from './safe-finish.js';
export * from './told-hours.js';
