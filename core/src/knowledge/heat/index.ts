/** How warm steel becomes and how long it may run. */
export * from './advise-heat.js';
export * from './blade-heat.js';
export * from './blade-turns.js';
export * from './contact-dose.js';
export * from './fit-model.js';
