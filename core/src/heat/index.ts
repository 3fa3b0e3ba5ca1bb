export * from './blade-heat.js';
export * from './blade-turns.js';
export * from './fit-model.js';
export * from './contact-dose.js';
export * from './advise-heat.js';
